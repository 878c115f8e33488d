import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import type { Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Reading, Spot } from '@fresh-tuck/contract';
import { PLACE_KINDS, type PlaceKind } from '@fresh-tuck/contract/choices';
import { fahrenheitFromCelsius, formatTemperature, parseCelsius } from '@fresh-tuck/core/units';
import { askedBack } from '@fresh-tuck/core/warmth';
import { askBackInWords, PLACE_CAUTIONS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { fieldError, showProblem } from '../kit/field-errors';
import { text, wholeFrom } from '../kit/validators';
import { PrintLabel } from '../print/print-label';
import { HouseholdApi } from '../data/household/household.api';
import { HouseApi } from './house.api';
import { NewSpot } from './new-spot';

type Panel = 'change' | 'reading';

/** The warm spots as the boards one walks past, each with its thermometer's record, or a guess by its kind. */
@Component({
  selector: 'ft-spots',
  imports: [MatButton, MatFormFieldModule, MatInputModule, MatSelectModule, NewSpot, PrintLabel, ReactiveFormsModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './spots.html',
  styleUrl: './spots.scss',
})
export class Spots {
  private readonly api = inject(HouseApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly destroyRef = inject(DestroyRef);
  private readonly about = inject(AboutService);
  private readonly changes = inject(Changes);

  protected readonly spots = toSignal(
    this.changes.keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  protected readonly away = toSignal(
    this.changes.keep(() => this.api.spotsAway()),
    { initialValue: [] },
  );
  protected readonly kinds = Object.entries(PLACE_KINDS).map(([value, { label }]) => ({ value: value as PlaceKind, label }));
  /** The board that is worked at, and what is done to it. */
  protected readonly open = signal<{ readonly id: string; readonly panel: Panel } | null>(null);
  protected readonly readings = signal<readonly Reading[]>([]);
  protected readonly error = signal<string | null>(null);
  protected readonly fieldError = fieldError;
  protected readonly unit = computed(() => (this.about.household().units === 'us' ? '°F' : '°C'));
  protected readonly today = computed(() => this.about.moments().field(this.about.nowMs()).slice(0, 10));

  protected readonly changeForm = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: Validators.required }),
    kind: new FormControl<PlaceKind>('room', { nonNullable: true }),
    /** Bags and trays that it has room for; empty where nobody counted. */
    holds: text('', wholeFrom(1, 200)),
  });
  protected readonly readingForm = new FormGroup({
    day: new FormControl('', { nonNullable: true, validators: Validators.required }),
    minC: new FormControl('', { nonNullable: true, validators: Validators.required }),
    maxC: new FormControl('', { nonNullable: true, validators: Validators.required }),
  });
  /** The version that is being changed. */
  private basedOn = 0;

  protected caution(kind: string): string | null {
    return PLACE_CAUTIONS[kind] ?? null;
  }

  protected dayOf(day: string): string {
    return this.about.moments().dated(Date.parse(`${day}T12:00:00Z`));
  }

  protected degrees(celsius: number): string {
    const value = this.about.household().units === 'us' ? fahrenheitFromCelsius(celsius) : celsius;
    return `${Math.round(value)}`;
  }

  protected is({ id }: Spot, panel: Panel): boolean {
    const open = this.open();
    return open?.id === id && open.panel === panel;
  }

  protected unfold(spot: Spot, panel: Panel): void {
    this.error.set(null);
    this.asked.set(null);
    if (this.is(spot, panel)) return this.open.set(null);
    this.open.set({ id: spot.id, panel });
    this.readingForm.reset({ day: this.today(), minC: '', maxC: '' });
    this.changeForm.reset({ name: spot.name, kind: spot.kind as PlaceKind, holds: String(spot.holds ?? '') });
    this.basedOn = spot.version;
    if (panel === 'reading') this.fetch(spot.id);
  }

  /** An extreme that was typed is asked back once, and kept when it is said again. */
  protected readonly asked = signal<string | null>(null);
  private extreme(range: { minC: number; maxC: number }): string | null {
    const { units } = this.about.household();
    return askBackInWords(askedBack(range), range, { temperature: (celsius) => formatTemperature(celsius, units) });
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
    this.run(this.api.addReading(spot.id, { id: uuid(), day: day.value, minC: low, maxC: high }), this.readingForm);
  }

  /** A reading taken out: slipped digits, another place's thermometer. */
  protected takeOut(spot: Spot, { id }: Reading): void {
    this.api
      .undoReading(spot.id, { id: uuid(), recordId: id })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: () => this.fetch(spot.id), error: (problem: ApiProblem) => this.error.set(problem.message) });
  }

  protected change(spot: Spot): void {
    this.changeForm.markAllAsTouched();
    if (this.changeForm.invalid) return;
    const { holds, ...said } = this.changeForm.getRawValue();
    this.run(
      this.api.changeSpot(spot.id, {
        ...said,
        id: uuid(),
        holds: String(holds).trim() === '' ? null : Number(holds),
        version: this.basedOn,
      }),
      this.changeForm,
    );
  }

  protected shelve(spot: Spot, how: 'away' | 'back' | 'removals'): void {
    this.run(this.api.shelve('spots', spot.id, how, { id: uuid() }));
  }

  protected earlier(index: number): void {
    const ids = this.spots().map(({ id }) => id);
    const [moved] = ids.splice(index, 1);
    if (!moved) return;
    ids.splice(index - 1, 0, moved);
    this.run(this.api.orderSpots({ id: uuid(), spotIds: ids }));
  }

  private fetch(spotId: string): void {
    this.api
      .readings(spotId)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe((readings) => this.readings.set(readings));
  }

  private run(request: Observable<unknown>, form: FormGroup | null = null): void {
    request.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: () => {
        this.open.set(null);
        this.asked.set(null);
        this.error.set(null);
      },
      error: (problem: ApiProblem) => this.error.set(form ? showProblem(form, problem) : problem.message),
    });
  }
}
