import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import type { CameBy, Compared } from '@fresh-tuck/core/trials';
import { TONES, type TrialShown } from './tones';

const LEFT = 40;
const RIGHT = 412;
const TOP = 10;
const BOTTOM = 214;

/** How many of each side had come by each day, and what lies between the halves. */
@Component({
  selector: 'ft-came-curves',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 480 244" role="img" [attr.aria-label]="inWords()">
      @for (tick of ticks(); track tick) {
        <path class="grid" [attr.d]="'M40 ' + y()(tick) + 'H412'" />
        <text class="axis" x="30" [attr.y]="y()(tick) + 5" text-anchor="end">{{ tick }}{{ percent() ? ' %' : '' }}</text>
      }
      @for (day of days(); track day) {
        <text class="axis" [attr.x]="x()(day)" y="236" text-anchor="middle">{{ day }}</text>
      }
      <text class="axis" x="40" y="236" text-anchor="middle">day 0</text>
      @for (side of sides(); track side.name) {
        <path [class]="'band ' + side.tone" [attr.d]="side.band" />
      }
      @for (side of sides(); track side.name) {
        <path [class]="'mean ' + side.tone" [attr.d]="side.mean" [attr.stroke-dasharray]="side.dashes" />
        <text [class]="'name ' + side.tone" x="418" [attr.y]="side.nameY">{{ side.end }}</text>
      }
      @if (halves(); as halves) {
        <path
          class="halves"
          [attr.d]="
            'M' +
            halves.from +
            ' ' +
            halves.y +
            'H' +
            halves.to +
            'M' +
            halves.from +
            ' ' +
            (halves.y - 7) +
            'v14M' +
            halves.to +
            ' ' +
            (halves.y - 7) +
            'v14'
          "
        />
      }
    </svg>
    @if (halves(); as halves) {
      <p class="between">
        <b>{{ halves.days }}</b> <span class="soft">between the halves of those that came</span>
      </p>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: auto;
      overflow: visible;
    }
    .grid {
      stroke: var(--hairline);
    }
    .axis {
      fill: var(--ink-soft);
      font: 400 14px var(--text);
    }
    .band {
      opacity: 0.6;
    }
    .band.first {
      fill: var(--growth-pale);
    }
    .band.second {
      fill: var(--waiting-pale);
    }
    .band.third {
      fill: var(--water-pale);
    }
    .band.fourth {
      fill: var(--chosen);
    }
    .mean {
      fill: none;
      stroke-width: 2.8;
    }
    .mean.first {
      stroke: var(--growth);
    }
    .mean.second {
      stroke: var(--waiting);
    }
    .mean.third {
      stroke: var(--water);
    }
    .mean.fourth {
      stroke: var(--ink);
    }
    .name {
      font: 700 14px var(--text);
    }
    .name.first {
      fill: var(--growth-word);
    }
    .name.second {
      fill: var(--waiting-word);
    }
    .name.third {
      fill: var(--water-word);
    }
    .name.fourth {
      fill: var(--ink);
    }
    .halves {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .between b {
      margin-right: 6px;
    }
    .between {
      margin-top: 2px;
      padding-left: 8%;
    }
  `,
})
export class CameCurves {
  readonly shown = input.required<TrialShown>();
  readonly pair = input.required<Compared['pairs'][number]>();

  /** Sides of other sizes are drawn in hundredths. */
  protected readonly percent = computed(() => new Set(this.shown().arms.map(({ seeds }) => seeds)).size > 1);
  private readonly most = computed(() => (this.percent() ? 100 : Math.max(...this.shown().arms.map(({ seeds }) => seeds))));
  protected readonly x = computed(() => scaleLinear([0, this.shown().lastDay], [LEFT, RIGHT]));
  protected readonly y = computed(() => scaleLinear([0, this.most()], [BOTTOM, TOP]));
  protected readonly ticks = computed(() => this.y().ticks(4).filter(Number.isInteger));
  protected readonly days = computed(() =>
    this.x()
      .ticks(5)
      .filter((day) => day > 0 && Number.isInteger(day)),
  );
  protected readonly sides = computed(() => {
    const [x, y] = [this.x(), this.y()];
    const ends = this.shown().arms.map(({ curve, seeds }) => this.scaled(curve.at(-1)?.came ?? 0, seeds));
    return this.shown().arms.map(({ name, curve, seeds, came }, index) => {
      const at = (value: number): number => y(this.scaled(value, seeds));
      // Names of ends that meet stand above and below each other.
      const crowded = ends.filter((end, other) => other !== index && Math.abs(end - (ends[index] ?? 0)) < this.most() * 0.09).length > 0;
      return {
        name,
        end: `${came} of ${seeds}`,
        tone: TONES[index] ?? 'first',
        dashes: [null, '9 5', '3 4', '12 3 3 3'][index] ?? null,
        nameY: y(ends[index] ?? 0) + 5 + (crowded ? (index - (ends.length - 1) / 2) * 18 : 0),
        band:
          area<CameBy>()
            .x(({ day }) => x(day))
            .y0(({ low }) => at(low))
            .y1(({ high }) => at(high))
            .curve(curveMonotoneX)(curve) ?? '',
        mean:
          line<CameBy>()
            .x(({ day }) => x(day))
            .y(({ came: so }) => at(so))
            .curve(curveMonotoneX)(curve) ?? '',
      };
    });
  });
  private scaled(value: number, seeds: number): number {
    return this.percent() ? (100 * value) / Math.max(seeds, 1) : value;
  }
  protected readonly halves = computed(() => {
    const { days, first, second } = this.pair();
    const [own, other] = [this.shown().compared.arms[first]?.medianDays, this.shown().compared.arms[second]?.medianDays];
    if (days === null || own == null || other == null) return null;
    const half = (index: number): number => this.scaled((this.shown().arms[index]?.came ?? 0) / 2, this.shown().arms[index]?.seeds ?? 1);
    return {
      from: this.x()(Math.min(own, other)),
      to: this.x()(Math.max(own, other)),
      y: this.y()((half(first) + half(second)) / 2),
      days: `${Math.abs(days.difference).toFixed(1)} days`,
    };
  });
  protected readonly inWords = computed(() =>
    this.shown()
      .arms.map(({ name, came, seeds }) => `${name}: ${came} of ${seeds} came`)
      .join('; '),
  );
}
