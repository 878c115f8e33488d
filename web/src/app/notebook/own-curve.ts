import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { LookingBack } from '@fresh-tuck/contract';
import { fahrenheitFromCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';

type Curve = NonNullable<LookingBack['curve']>;
type Point = Curve['points'][number];

/** A crop's days by warmth: the book's line, and this house's over it with its own batches. */
@Component({
  selector: 'ft-own-curve',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 420 260" role="img" aria-label="Days to the middle seed by warmth, as the book has it and as this house's batches do">
      <path class="band" [attr.d]="band()" />
      <path class="book" [attr.d]="book()" />
      <path class="own" [attr.d]="own()" />
      @for (tick of days(); track tick) {
        <text class="axis" x="30" [attr.y]="y()(tick) + 5" text-anchor="end">{{ tick }}</text>
      }
      @for (tick of warmths(); track tick.celsius) {
        <text class="axis" [attr.x]="x()(tick.celsius)" y="242" text-anchor="middle">{{ tick.text }}</text>
      }
      @for (batch of curve().batches; track batch.batchId) {
        <circle class="batch" [attr.cx]="x()(batch.celsius)" [attr.cy]="y()(batch.days)" r="4.5">
          <title>{{ batch.number }}: day {{ batch.days.toFixed(1) }}</title>
        </circle>
      }
      <text class="axis" x="6" y="12">days</text>
      @if (ends(); as ends) {
        <text class="own-word" x="350" [attr.y]="ends.own">here</text>
        <text class="book-word" x="350" [attr.y]="ends.book">the book</text>
      }
    </svg>
    @for (sentence of curve().told; track sentence) {
      <p>{{ sentence }}</p>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 520px;
      height: auto;
    }
    .band {
      fill: var(--growth-pale);
      opacity: 0.7;
    }
    .book {
      fill: none;
      stroke: var(--waiting);
      stroke-width: 2;
      stroke-dasharray: 6 5;
    }
    .own {
      fill: none;
      stroke: var(--growth);
      stroke-width: 2.8;
    }
    .batch {
      fill: var(--growth-word);
      stroke: var(--surface);
    }
    .axis {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
    .own-word,
    .book-word {
      font: 700 14px var(--text);
    }
    .own-word {
      fill: var(--growth-word);
    }
    .book-word {
      fill: var(--waiting-word);
    }
  `,
})
export class OwnCurve {
  readonly curve = input.required<Curve>();
  private readonly about = inject(AboutService);
  private readonly most = computed(() => {
    const { points, batches } = this.curve();
    return Math.min(Math.max(...points.map(({ book, own }) => Math.max(book, own)), ...batches.map(({ days }) => days), 1) * 1.1, 60);
  });
  protected readonly x = computed(() => {
    const warmths = this.curve().points.map(({ celsius }) => celsius);
    return scaleLinear([Math.min(...warmths), Math.max(...warmths)], [40, 340]).clamp(true);
  });
  protected readonly y = computed(() => scaleLinear([0, this.most()], [224, 20]).clamp(true));
  protected readonly days = computed(() => this.y().ticks(5).filter(Number.isInteger));
  protected readonly warmths = computed(() => {
    const fahrenheit = this.about.household().units === 'us';
    return this.x()
      .ticks(5)
      .map((celsius) => ({ celsius, text: fahrenheit ? `${Math.round(fahrenheitFromCelsius(celsius))} °F` : `${celsius} °C` }));
  });
  private readonly drawn = (of: (point: Point) => number): string =>
    line<Point>()
      .x(({ celsius }) => this.x()(celsius))
      .y((point) => this.y()(of(point)))([...this.curve().points]) ?? '';
  protected readonly book = computed(() => this.drawn(({ book }) => book));
  protected readonly own = computed(() => this.drawn(({ own }) => own));
  protected readonly band = computed(
    () =>
      area<Point>()
        .x(({ celsius }) => this.x()(celsius))
        .y0(({ low }) => this.y()(low))
        .y1(({ high }) => this.y()(high))([...this.curve().points]) ?? '',
  );
  /** Where the words of the two lines stand: never one over the other. */
  protected readonly ends = computed(() => {
    const last = this.curve().points.at(-1);
    if (!last) return null;
    const [own, book] = [this.y()(last.own) + 5, this.y()(last.book) + 5];
    if (Math.abs(own - book) >= 18) return { own, book };
    return own < book ? { own: own - 9, book: book + 9 } : { own: own + 9, book: book - 9 };
  });
}
