import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import type { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import Papa from 'papaparse';
import type { Nursery, WeatherRequest } from '@fresh-tuck/contract';
import { weatherFrom } from '@fresh-tuck/core/nursing';
import { fahrenheitFromCelsius, parseCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { Field } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { readBy, text } from '../kit/validators';
import { NurseryService } from './nursery.service';

type Day = Nursery['weather'][number];
interface Row {
  readonly day: Day;
  readonly low: FormControl<string>;
  readonly high: FormControl<string>;
  readonly wind: FormControl<string>;
}
const readWind = (typed: string): number | null => {
  const value = Number(typed.replace(',', '.'));
  return typed.trim() !== '' && value >= 0 && value <= 300 ? value : null;
};
/** So many days or hours are sent at once; further ahead nobody knows. */
const MOST = 200;

/** The weather of the days ahead, typed from any forecast, or from a file. */
@Component({
  selector: 'ft-weather-form',
  imports: [Field, FileButton, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="soft">Lowest and highest out of doors, gusts in km/h. What is empty is not told.</p>
    <form (submit)="save($event)">
      @for (row of rows(); track row.day.day) {
        <p class="day">{{ nameOf(row.day) }}</p>
        <ft-field [label]="'low ' + nameOf(row.day)" mode="decimal" [control]="row.low" accepted="A temperature." />
        <ft-field [label]="'high ' + nameOf(row.day)" mode="decimal" [control]="row.high" accepted="No lower than the low." />
        <ft-field [label]="'gusts ' + nameOf(row.day)" mode="decimal" [control]="row.wind" accepted="0 to 300." />
      }
      <p class="error wide" role="alert">{{ error() ?? '' }}</p>
      <p class="wide acts">
        <button matButton="outlined" type="submit" class="plain">This is the weather</button>
        <ft-file-button label="Weather from a table" accept=".csv,text/csv,text/plain" (chosen)="bring($event)" />
      </p>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: 40px repeat(3, minmax(0, 1fr));
      gap: 6px;
      align-items: center;
      margin-top: 8px;
    }
    .day {
      font-weight: 700;
      font-size: 14px;
    }
    .wide {
      grid-column: 1 / -1;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class WeatherForm {
  private readonly service = inject(NurseryService);
  private readonly about = inject(AboutService);
  readonly days = input.required<readonly Day[]>();
  protected readonly rows = signal<readonly Row[]>([]);
  protected readonly error = signal<string | null>(null);

  constructor() {
    effect(() => {
      const days = this.days();
      untracked(() => {
        // What is being typed is never overwritten by what comes in.
        if (this.rows().some((row) => [row.low, row.high, row.wind].some((field) => field.dirty))) return;
        const celsius = readBy((typed) => parseCelsius(typed, this.about.household().units));
        this.rows.set(
          days.map((day) => ({
            day,
            low: text(this.shown(day.minC), celsius),
            high: text(this.shown(day.maxC), celsius),
            wind: text(day.windKmh === null ? '' : String(Math.round(day.windKmh)), readBy(readWind)),
          })),
        );
      });
    });
  }

  private shown(celsius: number | null): string {
    if (celsius === null) return '';
    return String(Math.round(this.about.household().units === 'us' ? fahrenheitFromCelsius(celsius) : celsius));
  }
  protected nameOf({ day }: Day): string {
    const { at, full } = this.about.moments();
    return full(at(`${day}T12:00`)).slice(0, 2);
  }

  protected save(event: Event): void {
    event.preventDefault();
    const { units } = this.about.household();
    const told = this.rows().filter(({ low, high }) => low.value.trim() !== '' || high.value.trim() !== '');
    const spans = told.map(({ day, low, high, wind }) => ({
      ...{ begins: `${day.day}T00:00`, ends: `${nextDay(day.day)}T00:00`, windKmh: readWind(wind.value) },
      ...{ minC: parseCelsius(low.value, units), maxC: parseCelsius(high.value, units) },
    }));
    const whole = spans.filter((span): span is typeof span & { minC: number; maxC: number } => span.minC !== null && span.maxC !== null);
    if (whole.length < spans.length) return this.error.set('Each day wants its lowest and its highest, like 4 and 12.');
    if (whole.length === 0) return this.error.set('Type the lowest and the highest of a day at the least.');
    if (whole.some(({ minC, maxC }) => minC > maxC)) return this.error.set('A highest lies below its lowest: swap the two.');
    this.send(whole);
  }

  protected async bring(file: File): Promise<void> {
    try {
      const { data } = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
      const { field } = this.about.moments();
      const nowMs = this.about.nowMs();
      const spans = weatherFrom(data, this.about.household().zone).filter(({ toMs }) => toMs > nowMs - 86_400_000);
      if (spans.length === 0) return this.error.set('All days of this file are past: bring the days ahead.');
      this.send(
        spans
          .slice(0, MOST)
          .map(({ fromMs, toMs, minC, maxC, windKmh }) => ({ begins: field(fromMs), ends: field(toMs), minC, maxC, windKmh })),
      );
    } catch (error) {
      this.error.set(error instanceof Error ? error.message : 'This file could not be read as a table of text.');
    }
  }

  private send(spans: WeatherRequest['spans']): void {
    this.error.set(null);
    for (const row of this.rows()) for (const field of [row.low, row.high, row.wind]) field.markAsPristine();
    this.service.weather(spans);
  }
}

const nextDay = (day: string): string => new Date(Date.parse(`${day}T12:00:00Z`) + 86_400_000).toISOString().slice(0, 10);
