import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Household } from '@fresh-tuck/contract';
import { listed } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { fieldError, showProblem } from '../kit/field-errors';
import { Word } from '../kit/word';
import { DayLine } from './day-line';
import { FrostWord } from './frost-word';
import { HouseApi } from './house.api';

const ZONES = Intl.supportedValuesOf('timeZone');
const TIME = /(?:[01]?\d|2[0-3]):[0-5]\d/;
const TIMES = new RegExp(`^\\s*${TIME.source}(?:\\s*(?:[,;]|and)\\s*${TIME.source})*\\s*$`);
/** Regions whose people measure in °F. */
const FAHRENHEIT = new Set(['US', 'LR', 'KY', 'BS', 'BZ', 'PW', 'FM', 'MH']);
const UNITS: readonly Choice<Household['units']>[] = [
  { value: 'metric', text: '°C and millimetres' },
  { value: 'us', text: '°F and inches' },
];

const padded = (time: string): string => time.trim().padStart(5, '0');
const timesIn = (typed: string): string[] => typed.split(/[,;]|and/).map(padded);
const named = (zone: string): string => (zone.split('/').at(-1) ?? zone).replaceAll('_', ' ');

/** What the browser gives away of where it is. */
const guessedUnits = (): Household['units'] =>
  FAHRENHEIT.has(new Intl.Locale(navigator.language).maximize().region ?? '') ? 'us' : 'metric';

/** Who and where the household is, in one sentence whose words are the controls; a first guess is the browser's. */
@Component({
  selector: 'ft-settings-form',
  imports: [Choices, DayLine, FrostWord, MatButton, MatFormFieldModule, MatInputModule, ReactiveFormsModule, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="save()">
      <p class="sentence">
        We are
        <ft-word
          label="What the household is called"
          [text]="value().name || 'nameless'"
          [fixed]="true"
          [missing]="form.controls.name.invalid"
        >
          <mat-form-field appearance="outline" subscriptSizing="dynamic">
            <mat-label>What the household is called</mat-label>
            <input matInput formControlName="name" maxlength="60" />
            <mat-error>{{ fieldError(form.controls.name, 'A name like “9 Lantern Court”.') }}</mat-error>
          </mat-form-field> </ft-word
        >, in
        <ft-word label="Time zone" [text]="city()" [fixed]="true" [missing]="form.controls.zone.invalid">
          <mat-form-field appearance="outline" subscriptSizing="dynamic">
            <mat-label>Time zone</mat-label>
            <input matInput formControlName="zone" list="zones" />
            <mat-hint>as a region and a city, like Europe/Lisbon</mat-hint>
            <mat-error>{{ fieldError(form.controls.zone, 'A time zone like Europe/Lisbon.') }}</mat-error>
          </mat-form-field>
          <datalist id="zones">
            @for (zone of zones; track zone) {
              <option [value]="zone"></option>
            }
          </datalist> </ft-word
        >, measure in
        <ft-word label="Units" [text]="unitsText()" [fixed]="true">
          <ft-choices label="Units" [choices]="units" [value]="value().units" (chosen)="measure($event)" /> </ft-word
        >, and can look at
        <ft-word label="When somebody can look" [text]="timesText()" [fixed]="true" [missing]="form.controls.lookingTimes.invalid">
          <mat-form-field appearance="outline" subscriptSizing="dynamic">
            <mat-label>When somebody can look</mat-label>
            <input matInput formControlName="lookingTimes" />
            <mat-hint>times of day, like 07:00, 18:30</mat-hint>
            <mat-error>{{ fieldError(form.controls.lookingTimes, 'Times of day with commas between, like 07:00, 18:30.') }}</mat-error>
          </mat-form-field> </ft-word
        >.
        @if (household()) {
          One spray of our sprayer is
          <ft-word
            label="Water in one spray of the sprayer"
            [text]="value().millilitresPerSpray + ' ml'"
            [fixed]="true"
            [missing]="form.controls.millilitresPerSpray.invalid"
          >
            <mat-form-field appearance="outline" subscriptSizing="dynamic">
              <mat-label>Water in one spray of the sprayer</mat-label>
              <input matInput formControlName="millilitresPerSpray" inputmode="decimal" />
              <span matTextSuffix>ml</span>
              <mat-hint>15 divided by the sprays that fill a tablespoon</mat-hint>
              <mat-error>{{ fieldError(form.controls.millilitresPerSpray, 'A number from 0.1 to 5 ml.') }}</mat-error>
            </mat-form-field> </ft-word
          >.
        }
      </p>
      @if (times().length > 0) {
        <ft-day-line [times]="times()" />
      }
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <div class="acts">
        <button matButton="filled" type="submit" class="do" [disabled]="saving() || (household() !== null && !dirty())">
          {{ button() }}
        </button>
        @if (stale()) {
          <button matButton="outlined" type="button" class="plain" (click)="again()">Show what stands now</button>
        }
      </div>
    </form>
    @if (household()) {
      <ft-frost-word class="frost" />
    }
  `,
  styles: `
    .sentence {
      max-width: 900px;
      font: 400 23px/1.7 var(--heading);
      text-wrap: pretty;
    }
    .frost {
      display: block;
      margin-top: 16px;
    }
    ft-day-line {
      display: block;
      margin: 14px 0;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 16px;
    }
    .error:empty {
      display: none;
    }
    @media (max-width: 760px) {
      .sentence {
        font-size: 20px;
      }
    }
  `,
})
export class SettingsForm {
  private readonly api = inject(HouseApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  readonly household = input<Household | null>(null);
  readonly button = input('Save');
  readonly saved = output();

  protected readonly zones = ZONES;
  protected readonly units = UNITS;
  protected readonly saving = signal(false);
  protected readonly stale = signal(false);
  protected readonly error = signal<string | null>(null);
  protected readonly fieldError = fieldError;
  protected readonly form = new FormGroup({
    name: new FormControl('Home', { nonNullable: true, validators: Validators.required }),
    zone: new FormControl(Intl.DateTimeFormat().resolvedOptions().timeZone, { nonNullable: true, validators: Validators.required }),
    units: new FormControl<Household['units']>(guessedUnits(), { nonNullable: true }),
    lookingTimes: new FormControl('07:00, 18:30', { nonNullable: true, validators: [Validators.required, Validators.pattern(TIMES)] }),
    millilitresPerSpray: new FormControl('0.8', {
      nonNullable: true,
      validators: [Validators.required, Validators.pattern(/^\s*\d+([.,]\d+)?\s*$/)],
    }),
  });
  private readonly changed = toSignal(this.form.valueChanges);
  protected readonly value = computed(() => {
    this.changed();
    return this.form.getRawValue();
  });
  protected readonly dirty = computed(() => {
    this.changed();
    return this.form.dirty;
  });
  protected readonly city = computed(() => named(this.value().zone) || 'nowhere');
  protected readonly unitsText = computed(() => UNITS.find(({ value }) => value === this.value().units)?.text ?? '');
  protected readonly times = computed(() => {
    const { lookingTimes } = this.value();
    return TIMES.test(lookingTimes) ? [...new Set(timesIn(lookingTimes))].sort() : [];
  });
  protected readonly timesText = computed(() => listed(this.times()) || 'no time');
  /** The version that is being changed. */
  private basedOn: number | null = null;

  constructor() {
    effect(() => {
      const household = this.household();
      // What is being typed is never overwritten by what comes in.
      if (household && this.form.pristine) this.fill(household);
    });
  }

  protected measure(units: Household['units']): void {
    this.form.controls.units.setValue(units);
    this.form.markAsDirty();
  }

  /** Lays what stands now into the sentence: somebody saved it meanwhile. */
  protected again(): void {
    this.form.markAsPristine();
    this.stale.set(false);
    this.error.set(null);
    this.fill(this.about.household());
  }

  private fill(household: Household): void {
    this.basedOn = household.version;
    this.form.setValue({
      name: household.name,
      zone: household.zone,
      units: household.units,
      lookingTimes: household.lookingTimes.join(', '),
      millilitresPerSpray: String(household.millilitresPerSpray),
    });
  }

  protected save(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return this.error.set('One word of the sentence cannot be so: open the word that is marked and mend it.');
    const { name, zone, units, lookingTimes, millilitresPerSpray } = this.form.getRawValue();
    this.saving.set(true);
    this.api
      .saveHousehold({
        id: uuid(),
        version: this.basedOn,
        name,
        zone: zone.trim(),
        units,
        lookingTimes: timesIn(lookingTimes),
        millilitresPerSpray: Number(millilitresPerSpray.replace(',', '.')),
      })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (about) => {
          this.form.markAsPristine();
          this.error.set(null);
          this.stale.set(false);
          this.about.take(about);
          this.saved.emit();
        },
        error: (problem: ApiProblem) => {
          this.stale.set(problem.status === 409);
          this.error.set(showProblem(this.form, problem) ?? problem.message);
        },
      });
  }
}
