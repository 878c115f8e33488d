import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Household } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { fieldError, showProblem } from '../kit/field-errors';
import { HouseApi } from './house.api';

const ZONES = Intl.supportedValuesOf('timeZone');
const TIMES = /^\s*([01]?\d|2[0-3]):[0-5]\d(\s*[,;]\s*([01]?\d|2[0-3]):[0-5]\d)*\s*$/;

const padded = (time: string): string => time.trim().padStart(5, '0');

/** Where the household is, its units, when somebody looks, and its sprayer. */
@Component({
  selector: 'ft-settings-form',
  imports: [MatButton, MatFormFieldModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="save()">
      <mat-form-field appearance="outline">
        <mat-label>What the household is called</mat-label>
        <input matInput formControlName="name" maxlength="60" />
        <mat-error>{{ fieldError(form.controls.name, 'A name like “9 Lantern Court”.') }}</mat-error>
      </mat-form-field>
      <mat-form-field appearance="outline">
        <mat-label>Time zone</mat-label>
        <input matInput formControlName="zone" list="zones" />
        <mat-hint>as a region and a city, like Europe/Lisbon</mat-hint>
        <mat-error>{{ fieldError(form.controls.zone, 'A time zone like Europe/Lisbon.') }}</mat-error>
      </mat-form-field>
      <datalist id="zones">
        @for (zone of zones; track zone) {
          <option [value]="zone"></option>
        }
      </datalist>
      <mat-form-field appearance="outline">
        <mat-label>Units</mat-label>
        <mat-select formControlName="units">
          <mat-option value="metric">°C and millimetres</mat-option>
          <mat-option value="us">°F and inches</mat-option>
        </mat-select>
      </mat-form-field>
      <mat-form-field appearance="outline">
        <mat-label>When somebody can look</mat-label>
        <input matInput formControlName="lookingTimes" />
        <mat-hint>times of day, like 07:00, 18:30</mat-hint>
        <mat-error>{{ fieldError(form.controls.lookingTimes, 'Times of day with commas between, like 07:00, 18:30.') }}</mat-error>
      </mat-form-field>
      <mat-form-field appearance="outline">
        <mat-label>Water in one spray of the sprayer</mat-label>
        <input matInput formControlName="millilitresPerSpray" inputmode="decimal" />
        <span matTextSuffix>ml</span>
        <mat-hint>15 divided by the sprays that fill a tablespoon</mat-hint>
        <mat-error>{{ fieldError(form.controls.millilitresPerSpray, 'A number from 0.1 to 5 ml.') }}</mat-error>
      </mat-form-field>
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <button matButton="filled" type="submit" class="do" [disabled]="saving()">{{ button() }}</button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
      gap: 12px 18px;
      align-items: start;
    }
    .do {
      justify-self: start;
    }
    .error {
      grid-column: 1 / -1;
    }
    .error:empty {
      display: none;
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
  protected readonly saving = signal(false);
  protected readonly error = signal<string | null>(null);
  protected readonly fieldError = fieldError;
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: Validators.required }),
    zone: new FormControl(Intl.DateTimeFormat().resolvedOptions().timeZone, { nonNullable: true, validators: Validators.required }),
    units: new FormControl<Household['units']>('metric', { nonNullable: true }),
    lookingTimes: new FormControl('07:00, 18:30', { nonNullable: true, validators: [Validators.required, Validators.pattern(TIMES)] }),
    millilitresPerSpray: new FormControl('0.8', {
      nonNullable: true,
      validators: [Validators.required, Validators.pattern(/^\s*\d+([.,]\d+)?\s*$/)],
    }),
  });

  constructor() {
    effect(() => {
      const household = this.household();
      // What is being typed is never overwritten by what comes in.
      if (household && this.form.pristine) {
        this.form.setValue({
          name: household.name,
          zone: household.zone,
          units: household.units,
          lookingTimes: household.lookingTimes.join(', '),
          millilitresPerSpray: String(household.millilitresPerSpray),
        });
      }
    });
  }

  protected save(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { name, zone, units, lookingTimes, millilitresPerSpray } = this.form.getRawValue();
    this.saving.set(true);
    this.api
      .saveHousehold({
        id: uuid(),
        version: this.household()?.version ?? null,
        name,
        zone: zone.trim(),
        units,
        lookingTimes: lookingTimes.split(/[,;]/).map(padded),
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
          this.about.take(about);
          this.saved.emit();
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.form, problem)),
      });
  }
}
