import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, curveBasis } from 'd3-shape';
import type { MedianDifference } from '@fresh-tuck/core/trials';

/** Width of the smoothing of differences drawn anew, as a share of their reach. */
const SMOOTH = 0.09;

/** The days between two sides as they may truly be, and no difference beside them. */
@Component({
  selector: 'ft-how-sure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 460 122" role="img" [attr.aria-label]="inWords()">
      <path class="axis" d="M14 54H446" />
      <path class="shape" [attr.d]="drawn().shape" />
      <path class="end" [attr.d]="'M' + drawn().low + ' 44v20M' + drawn().high + ' 44v20'" />
      <circle class="best" [attr.cx]="drawn().best" cy="54" r="5.5" />
      <path class="none" [attr.d]="'M' + drawn().none + ' 20V100'" />
      <text class="none-text" [attr.x]="drawn().none" y="116">no difference</text>
      <text class="what" [attr.x]="drawn().textX" y="14">{{ drawn().text }}</text>
      <text class="side" x="14" y="98">{{ names()[1] }} sooner</text>
      <text class="side right" x="446" y="98">{{ names()[0] }} sooner</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 520px;
      height: auto;
    }
    .axis {
      stroke: var(--edge);
      stroke-width: 1.4;
    }
    .shape {
      fill: var(--growth-pale);
      stroke: var(--growth);
      stroke-width: 1.6;
    }
    .end,
    .none {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .best {
      fill: var(--growth-word);
    }
    text {
      font: 400 14px var(--text);
      fill: var(--ink-soft);
    }
    .side.right {
      text-anchor: end;
    }
    .none-text,
    .what {
      font-weight: 700;
      text-anchor: middle;
      fill: var(--ink);
    }
    .what {
      fill: var(--growth-word);
    }
  `,
})
export class HowSure {
  readonly days = input.required<MedianDifference>();
  /** The two sides' names, the first's and the second's. */
  readonly names = input.required<readonly [string, string]>();

  protected readonly drawn = computed(() => {
    // Days that the first side was ahead by: to the right it was sooner.
    const { difference, low, high, shape } = this.days();
    const ahead = [...shape].map((value) => -value).sort((a, b) => a - b);
    const reach = Math.max(Math.abs(ahead[0] ?? 1), Math.abs(ahead.at(-1) ?? 1), 0.5) * 1.25;
    const x = scaleLinear([-reach, reach], [14, 446]);
    const width = Math.max(SMOOTH * reach, 1e-6);
    const at = Array.from({ length: 81 }, (_, nth) => -reach + (nth * reach) / 40);
    const dense = at.map((value) => ahead.reduce((sum, one) => sum + Math.exp(-(((value - one) / width) ** 2) / 2), 0));
    const most = Math.max(...dense);
    const points = at.map((value, nth) => ({ value, half: (26 * (dense[nth] ?? 0)) / most })).filter(({ half }) => half > 0.15);
    const best = x(-difference);
    return {
      shape:
        area<(typeof points)[number]>()
          .x(({ value }) => x(value))
          .y0(({ half }) => 54 - half)
          .y1(({ half }) => 54 + half)
          .curve(curveBasis)(points) ?? '',
      ...{ low: x(-high), high: x(-low), best, none: x(0) },
      textX: Math.min(Math.max(best, 190), 270),
      text: `${Math.abs(difference).toFixed(1)} days, 19 times in 20 between ${this.span(-high, -low)}`,
    };
  });
  private span(low: number, high: number): string {
    const told = (value: number): string => Math.abs(value).toFixed(1);
    return low * high >= 0
      ? `${told(Math.abs(low) < Math.abs(high) ? low : high)} and ${told(Math.abs(low) < Math.abs(high) ? high : low)}`
      : `${told(low)} the other way and ${told(high)}`;
  }
  protected readonly inWords = computed(() => this.drawn().text);
}
