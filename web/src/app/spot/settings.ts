import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { v7 as uuid } from 'uuid';
import type { SpotSetup, SpotSheet } from '@fresh-tuck/contract';
import { fahrenheitFromCelsius, parseCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { showProblem } from '../kit/field-errors';
import { readBy, text } from '../kit/validators';
import { When } from '../kit/when';
import { SpotApi } from './spot.api';

const MOST_WATTS = 400;
const within = (words: string, low: number, high: number): number | null => {
  const value = Number(words.replace(',', '.'));
  return words.trim() !== '' && value >= low && value <= high ? value : null;
};

/** How a place is set up: what a mat, a lid, a window and the room around do to it. */
@Component({
  selector: 'ft-spot-settings',
  imports: [Field, MatButton, MatCheckboxModule, ReactiveFormsModule, When],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="save()">
      <p>Set up so since <ft-when label="Since when" [(at)]="at" /></p>
      <p class="ticks">
        <mat-checkbox formControlName="lidded">under a lid or in a closed box</mat-checkbox>
        <mat-checkbox formControlName="mat">a heat mat under it</mat-checkbox>
        <mat-checkbox formControlName="sun">the sun reaches it</mat-checkbox>
      </p>
      @if (form.controls.mat.value) {
        <ft-field
          label="Watts on its plate"
          mode="decimal"
          unit="W"
          [control]="form.controls.watts"
          accepted="Watts from 2 to 400, as the plate says."
        />
        <ft-field
          label="Thermostat set to"
          mode="decimal"
          [unit]="unit()"
          hint="empty: none"
          [control]="form.controls.setC"
          accepted="From 5 to 45 °C, like 27 or 80F, or empty."
        />
        <ft-field
          label="Its band"
          mode="decimal"
          unit="°"
          [control]="form.controls.bandC"
          accepted="Degrees between on and off, from 0.2 to 8."
        />
        <ft-field label="Cloths between" mode="numeric" [control]="form.controls.cloths" accepted="A whole number from 0 to 6." />
        <mat-checkbox formControlName="onMat">its probe lies on the mat, not among the bags</mat-checkbox>
        <ft-field
          label="The room, coldest"
          mode="decimal"
          [unit]="unit()"
          hint="empty: as rooms are"
          [control]="form.controls.roomMin"
          accepted="A temperature, or empty."
        />
        <ft-field
          label="The room, warmest"
          mode="decimal"
          [unit]="unit()"
          [control]="form.controls.roomMax"
          accepted="A temperature, or empty."
        />
        <ft-field
          label="A kilowatt-hour costs"
          mode="decimal"
          hint="in your money; empty: not told"
          [control]="form.controls.price"
          accepted="An amount up to 100, or empty."
        />
      }
      @if (form.controls.sun.value) {
        <ft-field label="Sun from, hour" mode="decimal" [control]="form.controls.sunFrom" accepted="An hour of the day, from 0 to 24." />
        <ft-field
          label="Sun to, hour"
          mode="decimal"
          [control]="form.controls.sunTo"
          accepted="An hour of the day, half an hour or more after it begins."
        />
      }
      <p class="wide error" role="alert">{{ error() ?? '' }}</p>
      <button matButton="outlined" type="submit" class="plain">It is set up so</button>
    </form>
  `,
  styleUrl: './forms.scss',
})
export class SpotSettings {
  private readonly api = inject(SpotApi);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  readonly sheet = input.required<SpotSheet>();
  readonly saved = output<string>();
  protected readonly at = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly unit = computed(() => (this.about.household().units === 'us' ? '°F' : '°C'));
  private readonly celsius = (words: string): number | null => parseCelsius(words, this.about.household().units);
  private readonly dial = (words: string): number | null => {
    const value = this.celsius(words);
    return value !== null && value >= 5 && value <= 45 ? value : null;
  };
  protected readonly form = new FormGroup({
    lidded: new FormControl(false, { nonNullable: true }),
    mat: new FormControl(false, { nonNullable: true }),
    sun: new FormControl(false, { nonNullable: true }),
    onMat: new FormControl(false, { nonNullable: true }),
    watts: text(
      '',
      readBy((words) => within(words, 2, MOST_WATTS)),
    ),
    setC: text('', readBy(this.dial)),
    bandC: text(
      '',
      readBy((words) => within(words, 0.2, 8)),
    ),
    cloths: text(
      '',
      readBy((words) => within(words, 0, 6)),
    ),
    roomMin: text('', readBy(this.celsius)),
    roomMax: text('', readBy(this.celsius)),
    price: text(
      '',
      readBy((words) => within(words, 0, 100)),
    ),
    sunFrom: text(
      '',
      readBy((words) => within(words, 0, 24)),
    ),
    sunTo: text(
      '',
      readBy((words) => within(words, 0, 24)),
    ),
  });
  /** What the form was filled from: what comes by the stream does not type over what is being typed. */
  private filledFrom: string | null = null;

  constructor() {
    effect(() => {
      const { setup, setupId, spot } = this.sheet();
      const key = `${spot.id} ${setupId ?? ''}`;
      if (key === this.filledFrom) return;
      this.filledFrom = key;
      this.fill(setup);
    });
  }

  private fill({ lidded, cloths, mat, sun, room, pricePerKWh }: SpotSetup): void {
    const us = this.about.household().units === 'us';
    const degrees = (celsius: number | null | undefined): string =>
      celsius === null || celsius === undefined ? '' : String(Math.round((us ? fahrenheitFromCelsius(celsius) : celsius) * 10) / 10);
    this.form.reset({
      ...{ lidded, mat: mat !== null, sun: sun !== null, onMat: mat?.probe === 'mat', cloths: String(cloths) },
      ...{ watts: String(mat?.watts ?? 20), setC: mat ? degrees(mat.setC) : degrees(27), bandC: String(mat?.bandC ?? 1) },
      ...{ roomMin: degrees(room?.minC), roomMax: degrees(room?.maxC), price: pricePerKWh === null ? '' : String(pricePerKWh) },
      ...{ sunFrom: String(sun?.fromHour ?? 10), sunTo: String(sun?.toHour ?? 15) },
    });
  }

  protected save(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const said = this.form.getRawValue();
    const number = (words: string): number => Number(words.replace(',', '.'));
    const [low, high] = [this.celsius(said.roomMin), this.celsius(said.roomMax)];
    const setup: SpotSetup = {
      lidded: said.lidded,
      cloths: said.mat ? Math.round(number(said.cloths)) : 0,
      mat: said.mat
        ? { watts: number(said.watts), setC: this.dial(said.setC), bandC: number(said.bandC), probe: said.onMat ? 'mat' : 'fold' }
        : null,
      sun: said.sun ? { fromHour: number(said.sunFrom), toHour: number(said.sunTo) } : null,
      room: said.mat && low !== null && high !== null ? { minC: low, maxC: high } : null,
      pricePerKWh: said.price.trim() === '' ? null : number(said.price),
    };
    this.api
      .setUp(this.sheet().spot.id, { id: uuid(), at: this.at(), setup })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.error.set(null);
          this.at.set(null);
          this.saved.emit('Saved: the forecasts of all that stands here follow it.');
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.form, problem)),
      });
  }
}
