import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type Destination, DESTINATIONS, type RootSchool } from '@fresh-tuck/core/moving';
import { inUnits } from '@fresh-tuck/core/units';
import { DESTINATION_WORDS, ROOT_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { type Choice, Choices } from '../kit/choices';
import { Word } from '../kit/word';
import { type Pot, POTS } from './choices';
import { Changes } from '../data/transport/changes.service';
import { TuckApi } from './tuck.api';
import { TuckPlan } from './tuck-plan';

const percent = (share: number): number => Math.round(share * 100);

/** When they are moved, where to, and how many to each: what is lost on the way is counted in. */
@Component({
  selector: 'ft-pot-words',
  imports: [Choices, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (plan.way().event === 'tip') {
      <ft-word label="Moved at which root" [text]="root()" [fixed]="plan.schoolFixed() !== null">
        <ft-choices label="Moved at which root" [choices]="roots()" [value]="plan.school()" (chosen)="plan.schoolFixed.set($event)" />
        @if (plan.plan(); as answer) {
          <p class="soft">
            About {{ percentOf(answer.handling.mean) }} of 100 sprouts reach their place unbroken{{ learnt(answer.handling.told) }}.
          </p>
        }</ft-word
      >&ngsp;into&ngsp;
    } @else {
      in&ngsp;
    }
    <ft-word label="Where they go" [text]="place()" [fixed]="plan.destinationFixed() !== null || several()">
      <ft-choices label="Where they go" [choices]="places()" [value]="standing()" (chosen)="stand($event)" />
      @if (plan.plan(); as answer) {
        <p class="soft">About {{ percentOf(answer.survival.mean) }} of 100 live on there{{ learnt(answer.survival.told) }}.</p>
      }
      <p class="soft">To each of them</p>
      <ft-choices label="To each of them" [choices]="pots" [value]="pot()" (chosen)="plan.pot.set($event)" />
    </ft-word>
  `,
})
export class PotWords {
  protected readonly plan = inject(TuckPlan);
  private readonly about = inject(AboutService);
  protected readonly roots = computed(() =>
    (Object.keys(ROOT_WORDS) as RootSchool[]).map((value): Choice<RootSchool> => ({
      value,
      text: ROOT_WORDS[value].text,
      follows: inUnits(ROOT_WORDS[value].follows, this.about.household().units),
    })),
  );
  private readonly api = inject(TuckApi);
  private readonly racks = toSignal(
    inject(Changes).keep(() => this.api.racks()),
    { initialValue: [] },
  );
  /** Where they can go; each rack is a place of its own. */
  protected readonly places = computed(() =>
    DESTINATIONS.flatMap((value): Choice<string>[] => [
      { value, text: DESTINATION_WORDS[value].many, follows: this.fate(value) },
      ...(value === 'slot'
        ? this.racks().map(({ id, name, slots, taken }) => ({
            value: id,
            text: `slots of ${name}`,
            follows: `${slots - taken} of ${slots} free`,
          }))
        : []),
    ]),
  );
  protected readonly standing = computed(() => (this.plan.destination() === 'slot' && this.plan.rackId()) || this.plan.destination());
  protected readonly pots = POTS.map((pot): Choice<Pot> => ({ value: pot, text: pot.text, follows: pot.follows }));
  protected readonly percentOf = percent;
  protected readonly root = computed(() => ROOT_WORDS[this.plan.school()].text);
  protected readonly several = computed(() => this.plan.pot().perPot > 1);
  protected readonly pot = computed(() => {
    const { perPot, keepers } = this.plan.pot();
    return POTS.find((choice) => choice.perPot === perPot && choice.keepers === keepers) ?? null;
  });
  protected readonly place = computed(() => {
    const rack = this.plan.destination() === 'slot' ? this.racks().find(({ id }) => id === this.plan.rackId()) : undefined;
    const many = rack ? `slots of ${rack.name}` : DESTINATION_WORDS[this.plan.destination()].many;
    const pot = this.pot();
    return pot && pot.perPot > 1 ? `${many}, ${pot.text}` : many;
  });

  protected learnt(told: number): string {
    return told > 0 ? `, your own ${told} counted in` : ', a guess until you have records';
  }

  protected stand(where: string): void {
    const destination = DESTINATIONS.find((one) => one === where);
    this.plan.rackId.set(destination ? null : where);
    this.plan.destinationFixed.set(destination ?? 'slot');
  }

  private fate(destination: Destination): string {
    const fate = this.plan.chosen()?.fates[destination];
    return fate && fate.lived + fate.lost > 0 ? `${fate.lived} lived, ${fate.lost} lost here` : '';
  }
}
