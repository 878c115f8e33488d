import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { SpotSheet } from '@fresh-tuck/contract';
import { fahrenheitFromCelsius, formatTemperature } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const SIZE = { width: 820, height: 300, left: 44, right: 12, top: 44, bottom: 34 } as const;
/** Silent for longer, a thermometer that reads by the hour has a gap; one of days after more than a day, ms. */
const GAP_MS = { hourly: 3 * HOUR_MS, daily: 1.2 * DAY_MS } as const;
/** Readings no longer than this are an hour's, ms. */
const HOURLY_MS = 6 * HOUR_MS;

interface Point {
  readonly ms: number;
  readonly minC: number;
  readonly maxC: number;
}
type Stretch = SpotSheet['record'][number];

/** A reading of a day is as wide as its day; an hour's is a point. */
const pointsOf = ({ fromMs, toMs, minC, maxC }: Stretch): Point[] =>
  toMs - fromMs > HOURLY_MS
    ? [
        { ms: fromMs, minC, maxC },
        { ms: toMs, minC, maxC },
      ]
    : [{ ms: (fromMs + toMs) / 2, minC, maxC }];

/** Where hours were read, a day's two figures say nothing more. */
function finest(record: readonly Stretch[]): readonly Stretch[] {
  const hours = record.filter(({ fromMs, toMs }) => toMs - fromMs <= HOURLY_MS);
  return record.filter(
    ({ fromMs, toMs }) => toMs - fromMs <= HOURLY_MS || !hours.some((hour) => hour.fromMs >= fromMs && hour.toMs <= toMs),
  );
}

/** Pieces of a record between its gaps, and the gaps between them. */
function piecesOf(record: readonly Stretch[]): { pieces: Point[][]; gaps: { fromMs: number; toMs: number }[] } {
  const pieces: Point[][] = [];
  const gaps: { fromMs: number; toMs: number }[] = [];
  let last: Stretch | null = null;
  for (const one of record) {
    const hourly = one.toMs - one.fromMs <= HOURLY_MS;
    const gap = last !== null && one.fromMs - last.toMs > (hourly ? GAP_MS.hourly : GAP_MS.daily);
    if (gap && last) gaps.push({ fromMs: last.toMs, toMs: one.fromMs });
    if (last === null || gap) pieces.push([]);
    pieces.at(-1)?.push(...pointsOf(one));
    last = one;
  }
  return { pieces, gaps };
}

/** A place's record: the band between lowest and highest, its gaps, who measured, and the days that are foreseen. */
@Component({
  selector: 'ft-record',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + size.width + ' ' + size.height" role="img" [attr.aria-label]="inWords()">
      @for (tick of ticks(); track tick.celsius) {
        <path class="grid" [attr.d]="'M' + size.left + ' ' + tick.y + 'H' + (size.width - size.right)" />
        <text class="tick" [attr.x]="size.left - 8" [attr.y]="tick.y + 4" text-anchor="end">{{ tick.text }}</text>
      }
      <text class="tick" [attr.x]="size.left - 8" y="22" text-anchor="end">{{ unit() }}</text>
      @for (event of events(); track event.id) {
        <rect
          class="event"
          [attr.x]="event.x"
          [attr.width]="event.width"
          [attr.y]="size.top"
          [attr.height]="size.height - size.top - size.bottom"
        />
        <text class="event-text" [attr.x]="event.textX" [attr.y]="event.y" [attr.text-anchor]="event.anchor">{{ event.text }}</text>
      }
      @if (nothing()) {
        <path class="guess" [attr.d]="guess()" />
      }
      @for (piece of bands(); track $index) {
        <path class="band" [attr.d]="piece.band" />
        <path class="mean" [attr.d]="piece.mean" />
      }
      @for (gap of gaps(); track gap.x) {
        <path class="gap" [attr.d]="'M' + gap.x + ' ' + gap.y + 'H' + gap.to" />
      }
      <path class="ahead" [attr.d]="ahead().band" />
      <path class="ahead-mean" [attr.d]="ahead().mean" />
      <path class="now" [attr.d]="'M' + nowX() + ' 8V' + (size.height - size.bottom)" />
      <text class="now-text" [attr.x]="nowX() + 6" y="18">now</text>
      @for (day of days(); track day.x) {
        <path class="grid" [attr.d]="'M' + day.x + ' ' + (size.height - size.bottom) + 'v5'" />
        <text class="tick" [class.today]="day.today" [attr.x]="day.middle" [attr.y]="size.height - 12" text-anchor="middle">
          {{ day.text }}
        </text>
      }
    </svg>
    <p class="soft">{{ legend() }}</p>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      height: auto;
    }
    .grid {
      stroke: var(--hairline);
      fill: none;
    }
    .tick {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
    .today {
      fill: var(--ink);
      font-weight: 700;
    }
    .band {
      fill: var(--waiting-pale);
      stroke: var(--waiting);
      stroke-width: 1.2;
    }
    .mean {
      fill: none;
      stroke: var(--waiting-word);
      stroke-width: 2;
    }
    .guess {
      fill: none;
      stroke: var(--waiting);
      stroke-dasharray: 2 4;
    }
    .gap {
      stroke: var(--ink-soft);
      stroke-dasharray: 3 3;
    }
    .ahead {
      fill: var(--waiting-pale);
      fill-opacity: 0.45;
      stroke: var(--waiting);
      stroke-width: 1.2;
      stroke-dasharray: 4 3;
    }
    .ahead-mean {
      fill: none;
      stroke: var(--waiting-word);
      stroke-width: 2;
      stroke-dasharray: 3 3;
    }
    .now {
      stroke: var(--ink);
      stroke-width: 2;
      stroke-dasharray: 4 3;
    }
    .now-text {
      fill: var(--ink);
      font: 700 14px var(--text);
    }
    .event {
      fill: var(--trouble-pale);
      fill-opacity: 0.55;
    }
    .event-text {
      fill: var(--trouble-word);
      font: 400 13px var(--text);
    }
  `,
})
export class SpotRecord {
  private readonly about = inject(AboutService);
  readonly sheet = input.required<SpotSheet>();
  protected readonly size = SIZE;
  protected readonly unit = computed(() => (this.about.household().units === 'us' ? '°F' : '°C'));

  private readonly shown = computed(() => {
    const { nowMs, record, ahead } = this.sheet();
    const fromMs = Math.max(nowMs - 10 * DAY_MS, Math.min(record[0]?.fromMs ?? nowMs - 3 * DAY_MS, nowMs - 3 * DAY_MS));
    return { fromMs, toMs: ahead.at(-1)?.toMs ?? nowMs + 4 * DAY_MS, record: finest(record).filter(({ toMs }) => toMs > fromMs) };
  });
  private readonly x = computed(() =>
    scaleLinear([this.shown().fromMs, this.shown().toMs], [SIZE.left, SIZE.width - SIZE.right]).clamp(true),
  );
  private readonly y = computed(() => {
    const { ahead } = this.sheet();
    const all = [...this.shown().record, ...ahead.map(({ minC, maxC, errorC }) => ({ minC: minC - errorC, maxC: maxC + errorC }))];
    const low = Math.min(...all.map(({ minC }) => minC), 18);
    const high = Math.max(...all.map(({ maxC }) => maxC), low + 8);
    return scaleLinear([low - 0.5, high + 0.5], [SIZE.height - SIZE.bottom, SIZE.top]);
  });
  protected readonly nowX = computed(() => this.x()(this.sheet().nowMs));
  protected readonly nothing = computed(() => this.shown().record.length === 0);
  protected readonly guess = computed(() => {
    const { spot } = this.sheet();
    const [low, high] = [this.y()(spot.guessMinC), this.y()(spot.guessMaxC)];
    return `M${SIZE.left} ${high}H${this.nowX()}M${SIZE.left} ${low}H${this.nowX()}`;
  });
  private readonly pieces = computed(() => piecesOf(this.shown().record));
  private readonly drawn = computed(() => ({
    band: area<Point>()
      .x(({ ms }) => this.x()(ms))
      .y0(({ minC }) => this.y()(minC))
      .y1(({ maxC }) => this.y()(maxC)),
    mean: line<Point>()
      .x(({ ms }) => this.x()(ms))
      .y(({ minC, maxC }) => this.y()((minC + maxC) / 2)),
  }));
  protected readonly bands = computed(() =>
    this.pieces().pieces.map((points) => ({ band: this.drawn().band(points) ?? '', mean: this.drawn().mean(points) ?? '' })),
  );
  protected readonly gaps = computed(() =>
    this.pieces().gaps.map(({ fromMs, toMs }) => {
      const before = this.shown().record.findLast((one) => one.toMs <= fromMs);
      return { x: this.x()(fromMs), to: this.x()(toMs), y: this.y()(before ? (before.minC + before.maxC) / 2 : 20) };
    }),
  );
  protected readonly ahead = computed(() => {
    const points = this.sheet().ahead.map(({ fromMs, minC, maxC, errorC }) => ({
      ms: fromMs + HOUR_MS / 2,
      minC: minC - errorC,
      maxC: maxC + errorC,
    }));
    return { band: this.drawn().band(points) ?? '', mean: this.drawn().mean(points) ?? '' };
  });
  protected readonly ticks = computed(() => {
    const us = this.about.household().units === 'us';
    return this.y()
      .ticks(5)
      .map((celsius) => ({ celsius, y: this.y()(celsius), text: String(Math.round(us ? fahrenheitFromCelsius(celsius) : celsius)) }));
  });
  protected readonly days = computed(() => {
    const { at, field, day } = this.about.moments();
    const { fromMs, toMs } = this.shown();
    const starts: number[] = [];
    for (let ms = at(`${field(fromMs + DAY_MS).slice(0, 10)}T00:00`); ms < toMs; ms = at(`${field(ms + 1.2 * DAY_MS).slice(0, 10)}T00:00`))
      starts.push(ms);
    const today = field(this.sheet().nowMs).slice(0, 10);
    return starts.map((ms) => {
      const is = field(ms).slice(0, 10) === today;
      return { x: this.x()(ms), middle: this.x()(Math.min(ms + DAY_MS / 2, toMs)), today: is, text: is ? 'today' : day(ms).slice(0, 3) };
    });
  });
  protected readonly events = computed(() => {
    const { fromMs, toMs } = this.shown();
    return this.sheet()
      .events.filter((event) => event.toMs > fromMs && event.fromMs < toMs)
      .map(({ id, fromMs: from, toMs: to, inWords }, nth) => {
        const x = this.x()(from);
        const right = x > SIZE.width * 0.6;
        return {
          id,
          x,
          width: Math.max(this.x()(to) - x, 3),
          text: inWords,
          textX: right ? this.x()(to) : x,
          anchor: right ? 'end' : 'start',
          y: SIZE.top - 6 - (nth % 2) * 15,
        };
      });
  });
  protected readonly legend = computed(() => {
    const by = new Set(this.shown().record.map((one) => one.by));
    if (by.size === 0) return 'Nothing was read here yet: dotted is what such a place is usually like, dashed what is expected.';
    const who = [
      by.has('typed') ? 'typed by hand' : '',
      by.has('logger') ? 'from a logger’s file' : '',
      by.has('probe') ? 'sent by a thermometer' : '',
    ].filter(Boolean);
    const gaps = this.pieces().gaps.map(
      ({ fromMs, toMs }) => `${this.about.moments().short(fromMs)} to ${this.about.moments().short(toMs)}`,
    );
    return `Band: lowest to highest, ${who.join(' and ')}. Dashed: what is expected, 2 in 3 within.${gaps.length > 0 ? ` No readings ${gaps.slice(-2).join('; ')}.` : ''}`;
  });
  protected readonly inWords = computed(() => {
    const { units } = this.about.household();
    const record = this.shown().record;
    if (record.length === 0) return 'No record yet.';
    const low = Math.min(...record.map(({ minC }) => minC));
    const high = Math.max(...record.map(({ maxC }) => maxC));
    return `Between ${formatTemperature(low, units)} and ${formatTemperature(high, units)} in the days shown.`;
  });
}
