import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Destination, DESTINATIONS, type RootSchool } from '@fresh-tuck/core/moving';
import { DESTINATION_WORDS, ROOT_WORDS } from '@fresh-tuck/core/words';
import { Word } from '../kit/word';
import { POTS } from './choices';
import { TuckPlan } from './tuck-plan';

const percent = (share: number): number => Math.round(share * 100);

/** When they are moved, where to, and how many to each: what is lost on the way is counted in. */
@Component({
  selector: 'ft-pot-words',
  imports: [MatButton, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-word label="Moved at which root" [text]="root()" [fixed]="plan.schoolFixed() !== null">
      @for (entry of roots; track entry[0]) {
        <button
          matButton="outlined"
          type="button"
          class="choice row"
          [attr.aria-pressed]="plan.school() === entry[0]"
          (click)="plan.schoolFixed.set(entry[0])"
        >
          {{ entry[1].text }} <span class="soft">{{ entry[1].follows }}</span>
        </button>
      }
      @if (plan.plan(); as answer) {
        <p class="soft">
          About {{ percentOf(answer.handling.mean) }} of 100 sprouts reach their place unbroken{{ learnt(answer.handling.told) }}.
        </p>
      }
    </ft-word>
    to
    <ft-word label="Where they go" [text]="place()" [fixed]="plan.destinationFixed() !== null || several()">
      @for (choice of destinations; track choice) {
        <button
          matButton="outlined"
          type="button"
          class="choice row"
          [attr.aria-pressed]="plan.destination() === choice"
          (click)="plan.destinationFixed.set(choice)"
        >
          {{ words[choice].many }} <span class="soft">{{ fate(choice) }}</span>
        </button>
      }
      @if (plan.plan(); as answer) {
        <p class="soft">About {{ percentOf(answer.survival.mean) }} of 100 live on there{{ learnt(answer.survival.told) }}.</p>
      }
      <p class="soft">To each of them</p>
      @for (choice of pots; track choice.text) {
        <button
          matButton="outlined"
          type="button"
          class="choice row"
          [attr.aria-pressed]="plan.pot().perPot === choice.perPot && plan.pot().keepers === choice.keepers"
          (click)="plan.pot.set(choice)"
        >
          {{ choice.text }} <span class="soft">{{ choice.follows }}</span>
        </button>
      }
    </ft-word>
  `,
  styles: `
    .row {
      justify-content: space-between;
      width: 100%;
      text-align: left;
    }
    .row .soft {
      font-weight: 400;
      text-align: right;
    }
  `,
})
export class PotWords {
  protected readonly plan = inject(TuckPlan);
  protected readonly roots = Object.entries(ROOT_WORDS) as [RootSchool, (typeof ROOT_WORDS)[RootSchool]][];
  protected readonly destinations = DESTINATIONS;
  protected readonly words = DESTINATION_WORDS;
  protected readonly pots = POTS;
  protected readonly percentOf = percent;
  protected readonly root = computed(() => ROOT_WORDS[this.plan.school()].text);
  protected readonly several = computed(() => this.plan.pot().perPot > 1);
  protected readonly place = computed(() => {
    const { perPot, keepers } = this.plan.pot();
    const pot = POTS.find((choice) => choice.perPot === perPot && choice.keepers === keepers);
    const many = DESTINATION_WORDS[this.plan.destination()].many;
    return perPot > 1 && pot ? `${many}, ${pot.text}` : many;
  });

  protected learnt(told: number): string {
    return told > 0 ? `, your own ${told} counted in` : ', a guess until you have records';
  }

  protected fate(destination: Destination): string {
    const fate = this.plan.chosen()?.fates[destination];
    return fate && fate.lived + fate.lost > 0 ? `${fate.lived} lived, ${fate.lost} lost here` : '';
  }
}
