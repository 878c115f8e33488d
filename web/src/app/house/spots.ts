import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { v7 as uuid } from 'uuid';
import type { Spot, SpotRequest } from '@fresh-tuck/contract';
import { PLACE_KINDS, type PlaceKind } from '@fresh-tuck/contract/choices';
import { fahrenheitFromCelsius, formatTemperature, parseCelsius } from '@fresh-tuck/core/units';
import { askedBack } from '@fresh-tuck/core/warmth';
import { askBackInWords, PLACE_CAUTIONS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { fieldError, showProblem } from '../kit/field-errors';
import { HouseholdApi } from '../data/household/household.api';
import { HouseApi } from './house.api';

/** The warm spots in walking order, each with its thermometer's minimum and maximum, or a guess by its kind. */
@Component({
  selector: 'ft-spots',
  imports: [MatButton, MatFormFieldModule, MatInputModule, MatSelectModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './spots.html',
  styleUrl: './spots.scss',
})
export class Spots {
  private readonly api = inject(HouseApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly destroyRef = inject(DestroyRef);
  private readonly about = inject(AboutService);

  protected readonly spots = toSignal(
    inject(Changes).keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  protected readonly kinds = Object.entries(PLACE_KINDS).map(([value, { label, minC, maxC }]) => ({
    value: value as PlaceKind,
    label,
    minC,
    maxC,
  }));
  protected readonly reading = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly fieldError = fieldError;
  protected readonly unit = computed(() => (this.about.household().units === 'us' ? '°F' : '°C'));
  protected readonly today = computed(() => this.about.moments().field(this.about.nowMs()).slice(0, 10));

  protected readonly spotForm = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: Validators.required }),
    kind: new FormControl<PlaceKind | ''>('', { nonNullable: true, validators: Validators.required }),
  });
  protected readonly readingForm = new FormGroup({
    day: new FormControl('', { nonNullable: true, validators: Validators.required }),
    minC: new FormControl('', { nonNullable: true, validators: Validators.required }),
    maxC: new FormControl('', { nonNullable: true, validators: Validators.required }),
  });

  protected caution(kind: string): string | null {
    return PLACE_CAUTIONS[kind] ?? null;
  }

  protected dayOf(day: string): string {
    return this.about.moments().day(Date.parse(`${day}T12:00:00Z`));
  }

  protected degrees(celsius: number): string {
    const value = this.about.household().units === 'us' ? fahrenheitFromCelsius(celsius) : celsius;
    return `${Math.round(value)}`;
  }

  protected addSpot(): void {
    this.spotForm.markAllAsTouched();
    if (this.spotForm.invalid) return;
    const body = { id: uuid(), ...this.spotForm.getRawValue() } as SpotRequest;
    this.api
      .addSpot(body)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => this.spotForm.reset(),
        error: (problem: ApiProblem) => this.error.set(showProblem(this.spotForm, problem)),
      });
  }

  /** An extreme that was typed is asked back once, and kept when it is said again. */
  protected readonly asked = signal<string | null>(null);
  private extreme(range: { minC: number; maxC: number }): string | null {
    const { units } = this.about.household();
    return askBackInWords(askedBack(range), range, { temperature: (celsius) => formatTemperature(celsius, units) });
  }

  protected ask(spot: Spot): void {
    this.asked.set(null);
    this.reading.update((open) => (open === spot.id ? null : spot.id));
    this.readingForm.reset({ day: this.today(), minC: '', maxC: '' });
    this.error.set(null);
  }

  protected addReading(spot: Spot): void {
    const { day, minC, maxC } = this.readingForm.controls;
    const { units } = this.about.household();
    const low = parseCelsius(minC.value, units);
    const high = parseCelsius(maxC.value, units);
    if (low === null) minC.setErrors({ read: true });
    if (high === null) maxC.setErrors({ read: true });
    this.readingForm.markAllAsTouched();
    if (this.readingForm.invalid || low === null || high === null) return;
    const asked = this.extreme({ minC: low, maxC: high });
    if (asked !== null && asked !== this.asked()) return this.asked.set(asked);
    this.api
      .addReading(spot.id, { id: uuid(), day: day.value, minC: low, maxC: high })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.reading.set(null);
          this.asked.set(null);
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.readingForm, problem)),
      });
  }

  protected earlier(index: number): void {
    const ids = this.spots().map(({ id }) => id);
    const [moved] = ids.splice(index, 1);
    if (!moved) return;
    ids.splice(index - 1, 0, moved);
    this.api
      .orderSpots({ id: uuid(), spotIds: ids })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
