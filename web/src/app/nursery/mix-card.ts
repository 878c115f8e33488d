import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { inSpoons, MIXES, scaleMix } from '@fresh-tuck/core/nursing';
import { AboutService } from '../data/household/about.service';
import { Choices } from '../kit/choices';
import { Word } from '../kit/word';

const SPARE = 'with a tenth to spare';

/** A mix by its parts, measured for the pots at hand, in the order in which it is stirred. */
@Component({
  selector: 'ft-mix-card',
  imports: [Choices, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      Of&ngsp;<ft-word label="The mix" [text]="recipe().name" [fixed]="true"
        ><ft-choices label="The mix" [choices]="mixes" [value]="recipe().id" (chosen)="mixId.set($event)" /></ft-word
      >, for {{ pots() === 1 ? 'one pot' : pots() + ' pots' }} {{ spare }}, in this order:
    </p>
    <ol>
      @for (one of mixed(); track one.what) {
        <li>
          <b>{{ one.text }}</b> {{ one.what }}
        </li>
      }
    </ol>
    <p class="soft">{{ recipe().note }}</p>
    <p class="trouble">
      Damp peat, perlite, vermiculite and compost before you stir: their dust harms lungs, and compost can carry Legionella. Gloves; wash
      your hands.
    </p>
  `,
  styles: `
    :host {
      display: block;
      max-width: 70ch;
    }
    ol {
      margin: 4px 0;
      padding-left: 22px;
    }
  `,
})
export class MixCard {
  private readonly about = inject(AboutService);
  readonly pots = input.required<number>();
  /** What one holds, ml. */
  readonly potMl = input.required<number>();
  /** The recipe that is proposed. */
  readonly proposed = input.required<string>();
  protected readonly spare = SPARE;
  protected readonly mixes = MIXES.map(({ id, name, use }) => ({ value: id, text: name, follows: use }));
  protected readonly mixId = linkedSignal(() => this.proposed());
  protected readonly recipe = computed(() => MIXES.find(({ id }) => id === this.mixId()) ?? MIXES[0]!);
  protected readonly mixed = computed(() => {
    const us = this.about.household().units === 'us';
    const volume = (ml: number): string =>
      us ? inSpoons(ml) : ml < 995 ? `${Math.round(ml / 5) * 5} ml` : `${(ml / 1000).toFixed(ml < 9950 ? 1 : 0)} l`;
    return scaleMix(this.recipe(), this.pots(), this.potMl()).measured.map(({ what, amount, unit }) => ({
      what,
      text: unit === 'ml' ? volume(amount) : `${amount < 10 ? amount.toFixed(1) : Math.round(amount)} g`,
    }));
  });
}
