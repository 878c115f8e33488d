import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear, scaleLog } from 'd3-scale';
import { area } from 'd3-shape';
import { wilsonInterval } from '@fresh-tuck/core/chance';

const WIDTH = 420;
const HEIGHT = 150;
const LEFT = 30;
const BOTTOM = HEIGHT - 24;
const SIZES = [4, 6, 8, 10, 14, 20, 28, 40, 56, 80, 110, 150, 200, 280, 400];

/** How a test closes in on the truth with more seeds, and where this one stands. */
@Component({
  selector: 'ft-precision',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="inWords()">
      @for (tick of [0, 0.5, 1]; track tick) {
        <path class="grid" [attr.d]="'M30 ' + y(tick) + 'H404'" />
        <text x="24" [attr.y]="y(tick) + 4" text-anchor="end">{{ tick * 100 }}</text>
      }
      @for (tick of [5, 10, 20, 50, 100, 200, 400]; track tick) {
        <text [attr.x]="x(tick)" [attr.y]="height - 6" text-anchor="middle">{{ tick }}</text>
      }
      <path class="band" [attr.d]="band()" />
      <path class="mean" [attr.d]="'M30 ' + y(expected()) + 'H404'" />
      <path class="here" [attr.d]="here().path" />
    </svg>
    <p class="soft">live seeds of 100, by seeds tested; the bar is this test, 19 times in 20</p>
  `,
  styles: `
    svg {
      width: 100%;
      max-width: 480px;
      height: auto;
    }
    .grid {
      stroke: var(--hairline);
    }
    .band {
      fill: var(--growth-pale);
    }
    .mean {
      stroke: var(--growth);
      stroke-width: 1.6;
      stroke-dasharray: 4 4;
    }
    .here {
      stroke: var(--growth-word);
      stroke-width: 6;
      stroke-linecap: round;
    }
    text {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
    p {
      margin-bottom: 10px;
    }
  `,
})
export class Precision {
  readonly expected = input.required<number>();
  readonly seeds = input.required<number>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly x = scaleLog([4, 400], [LEFT + 6, WIDTH - 20]).clamp(true);
  protected readonly y = scaleLinear([0, 1], [BOTTOM, 8]);
  private interval(seeds: number): { low: number; high: number } {
    return wilsonInterval(this.expected() * seeds, seeds);
  }
  protected readonly band = computed(
    () =>
      area<number>()
        .x((seeds) => this.x(seeds))
        .y0((seeds) => this.y(this.interval(seeds).low))
        .y1((seeds) => this.y(this.interval(seeds).high))(SIZES) ?? '',
  );
  protected readonly here = computed(() => {
    const { low, high } = this.interval(this.seeds());
    return { low, high, path: `M${this.x(this.seeds())} ${this.y(low)}V${this.y(high)}` };
  });
  protected readonly inWords = computed(() => {
    const { low, high } = this.here();
    return `With ${this.seeds()} seeds the truth lies between ${Math.round(low * 100)} and ${Math.round(high * 100)} of 100, 19 times in 20`;
  });
}
