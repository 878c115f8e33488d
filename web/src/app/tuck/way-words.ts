import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { METHODS, placeNames, suited, type MethodId } from '@fresh-tuck/core/method';
import { counted } from '@fresh-tuck/core/units';
import { METHOD_WORDS } from '@fresh-tuck/core/words';
import { type Choice, Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { Word } from '../kit/word';
import { TuckPlan } from './tuck-plan';

/** Which way the seed is started, and in how many cells, slots, pellets or pots. */
@Component({
  selector: 'ft-way-words',
  imports: [Choices, Field, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-word label="Which way" [text]="plan.way().nouns.way" [fixed]="plan.methodFixed() !== null">
      <ft-choices
        label="Which way"
        [closes]="names() === null"
        [choices]="choices()"
        [value]="plan.method()"
        (chosen)="plan.methodFixed.set($event)"
      />
      @if (names(); as names) {
        <ft-field
          [label]="'How many ' + names[1] + '?'"
          [hint]="'Empty: one ' + names[0] + ' for each seed.'"
          type="number"
          mode="numeric"
          [min]="1"
          [max]="400"
          [control]="places"
          [placeholder]="'' + plan.seeds()"
          [accepted]="'A whole number of ' + names[1] + ' from 1 to the number of seeds.'"
        />
      }
      <p class="soft">Below, the ways are ranked for this crop and where it is to stand.</p> </ft-word
    >{{ shared() }}
  `,
})
export class WayWords {
  protected readonly plan = inject(TuckPlan);
  protected readonly places = text('', wholeFrom(1, 400));
  protected readonly names = computed(() => placeNames(this.plan.way()));
  protected readonly choices = computed(() => {
    const crop = this.plan.crop();
    return (crop ? suited(crop) : METHODS).map((value): Choice<MethodId> => ({
      value,
      text: METHOD_WORDS[value],
    }));
  });
  /** Said where several share a place. */
  protected readonly shared = computed(() => {
    const [names, fixed] = [this.names(), this.plan.placesFixed()];
    return names && fixed !== null && fixed !== this.plan.seeds() ? ` (${counted(fixed, names[0], names[1])})` : '';
  });

  constructor() {
    this.places.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      this.places.markAsTouched();
      const typed = String(value ?? '').trim();
      if (this.places.valid) this.plan.placesFixed.set(typed === '' ? null : Number(typed));
    });
    effect(() => {
      const fixed = this.plan.placesFixed();
      if (String(this.places.value ?? '') !== String(fixed ?? '') && this.places.valid)
        this.places.setValue(String(fixed ?? ''), { emitEvent: false });
    });
  }
}
