import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, curveBasis, line } from 'd3-shape';
import type { WhatIf } from '@fresh-tuck/contract';

const DAY_MS = 86_400_000;
const DAYS = 8;
const SIZE = { width: 600, height: 56, middle: 30, half: 20 } as const;
type Side = WhatIf['parcels'][number]['before'];

/** Two ribbons of one parcel on one axis: dashed as it is now, filled as it would be; the arrow goes from one readiness to the other. */
@Component({
  selector: 'ft-twin',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + size.width + ' ' + size.height" aria-hidden="true">
      @for (day of days; track day) {
        <path class="day" [attr.d]="'M' + day + ' 0V56'" />
      }
      <path class="spine" [attr.d]="'M1 ' + size.middle + 'H' + (size.width - 1)" />
      <path class="after" [attr.d]="filled()" />
      <path class="before" [attr.d]="dashed()" />
      @if (arrow(); as arrow) {
        <path class="arrow" [class.sooner]="arrow.sooner" [attr.d]="arrow.path" />
      }
      <path class="now" d="M1 0V56" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
      line-height: 0;
    }
    svg {
      width: 100%;
      height: auto;
    }
    .day {
      stroke: var(--hairline);
    }
    .spine {
      stroke: var(--waiting);
      stroke-width: 2;
    }
    .after {
      fill: var(--waiting-pale);
      stroke: var(--waiting);
      stroke-width: 1.5;
    }
    .before {
      fill: none;
      stroke: var(--edge);
      stroke-dasharray: 3 3;
    }
    .arrow {
      fill: none;
      stroke: var(--waiting-word);
      stroke-width: 2;
    }
    .arrow.sooner {
      stroke: var(--growth-word);
    }
    .now {
      stroke: var(--ink);
      stroke-width: 2;
      stroke-dasharray: 3 3;
    }
  `,
})
export class Twin {
  readonly nowMs = input.required<number>();
  readonly before = input.required<Side>();
  readonly after = input.required<Side>();
  protected readonly size = SIZE;
  private readonly x = computed(() => scaleLinear([this.nowMs(), this.nowMs() + DAYS * DAY_MS], [1, SIZE.width - 1]).clamp(true));
  protected readonly days = Array.from({ length: DAYS }, (_, day) => 1 + ((day + 1) / DAYS) * (SIZE.width - 2));
  private readonly top = computed(() =>
    Math.max(...[this.before(), this.after()].map(({ ribbon }) => Math.max(...this.rates(ribbon), 1e-9))),
  );

  /** Of each step, a day's share. */
  private rates({ shares, stepMs }: Side['ribbon']): number[] {
    return shares.map((share) => share / (stepMs / DAY_MS));
  }
  private points({ ribbon }: Side): { x: number; half: number }[] {
    const rates = this.rates(ribbon);
    return rates
      .map((rate, step) => ({ ms: ribbon.fromMs + (step + 0.5) * ribbon.stepMs, half: (rate / this.top()) * SIZE.half + 0.5 }))
      .filter(({ ms }) => ms >= this.nowMs() && ms <= this.nowMs() + DAYS * DAY_MS)
      .map(({ ms, half }) => ({ x: this.x()(ms), half }));
  }
  protected readonly filled = computed(
    () =>
      area<{ x: number; half: number }>()
        .x((p) => p.x)
        .y0((p) => SIZE.middle + p.half)
        .y1((p) => SIZE.middle - p.half)
        .curve(curveBasis)(this.points(this.after())) ?? '',
  );
  protected readonly dashed = computed(() => {
    const points = this.points(this.before());
    const edge = (sign: 1 | -1): string =>
      line<{ x: number; half: number }>()
        .x((p) => p.x)
        .y((p) => SIZE.middle + sign * p.half)
        .curve(curveBasis)(points) ?? '';
    return edge(1) + edge(-1);
  });
  protected readonly arrow = computed(() => {
    const [from, to] = [this.before().stands.readyMs, this.after().stands.readyMs];
    if (from === null || to === null) return null;
    const [a, b] = [this.x()(from), this.x()(to)];
    if (Math.abs(b - a) < 8) return null;
    const head = b > a ? -6 : 6;
    return { sooner: b < a, path: `M${a} 14V6H${b}M${b + head} 2L${b} 6L${b + head} 10` };
  });
}
