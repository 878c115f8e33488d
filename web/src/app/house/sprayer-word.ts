import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { debounceTime } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { Word } from '../kit/word';
import { HouseApi } from './house.api';

/** A short wait for the next figure, ms. */
const TYPED_MS = 700;
/** A tablespoon, ml. */
const SPOON_ML = 15;

/** How much the household's sprayer gives: counted once, where it is first needed. */
@Component({
  selector: 'ft-sprayer-word',
  imports: [Field, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="soft">
      One spray is taken as
      <ft-word label="Water in one spray" [text]="said()" [fixed]="true">
        <ft-field
          label="Sprays that fill a tablespoon"
          mode="numeric"
          [control]="sprays"
          accepted="A whole number of sprays from 3 to 150."
        /> </ft-word
      >: count yours once.
      <span class="error" role="alert">{{ error() ?? '' }}</span>
    </p>
  `,
})
export class SprayerWord {
  private readonly api = inject(HouseApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly error = signal<string | null>(null);
  protected readonly sprays = text('', wholeFrom(3, 150));
  protected readonly said = computed(() => `${this.about.household().millilitresPerSpray} ml`);

  constructor() {
    this.sprays.valueChanges.pipe(debounceTime(TYPED_MS), takeUntilDestroyed()).subscribe((value) => {
      this.sprays.markAsTouched();
      if (String(value).trim() === '' || this.sprays.invalid) return;
      const { name, zone, units, lookingTimes, version } = this.about.household();
      const millilitresPerSpray = Math.round((SPOON_ML / Number(value)) * 100) / 100;
      this.api
        .saveHousehold({ id: uuid(), name, zone, units, lookingTimes, millilitresPerSpray, version })
        .pipe(takeUntilDestroyed(this.destroyRef))
        .subscribe({
          next: (about) => {
            this.error.set(null);
            this.about.take(about);
          },
          error: (problem: ApiProblem) => this.error.set(problem.message),
        });
    });
  }
}
