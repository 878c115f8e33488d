import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { DrawnFacts } from '@fresh-tuck/contract';
import type { Report } from '@fresh-tuck/core/judging';

const TOP = 12;
const BOTTOM = 132;

/** Tips over time: what happened as steps, what is to come as a band that holds 8 times in 10. */
@Component({
  selector: 'ft-curve',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width() + ' 154'" role="img" [attr.aria-label]="inWords()">
      @for (tick of ticks(); track tick) {
        <path class="grid" [attr.d]="'M22 ' + y()(tick) + 'H' + width()" />
        <text class="label" x="0" [attr.y]="y()(tick) + 4">{{ tick }}</text>
      }
      <path class="band" [attr.d]="band()" />
      <path class="mean" [attr.d]="mean()" />
      @if (facts().wanted; as wanted) {
        <path class="wanted" [attr.d]="'M22 ' + y()(wanted) + 'H' + width()" />
        <text class="wanted-text" x="26" [attr.y]="y()(wanted) - 5">wanted {{ wanted }}</text>
      }
      <path class="seen" [attr.d]="seen()" />
      @if (nowX() !== null) {
        <path class="now" [attr.d]="'M' + nowX() + ' ' + top + 'V' + bottom" />
        <text class="label" [attr.x]="nowX()" y="150" text-anchor="middle">now</text>
      }
      <text class="label" x="22" y="150">{{ (nowX() ?? 100) > 90 ? 'tucked in' : '' }}</text>
      <text class="label" [attr.x]="width()" y="150" text-anchor="end">day {{ lastDay() }}</text>
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      height: auto;
      overflow: visible;
    }
    .grid {
      stroke: var(--hairline);
      stroke-width: 1;
    }
    .label {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
    .band {
      fill: var(--growth-pale);
    }
    .mean {
      fill: none;
      stroke: var(--growth);
      stroke-width: 2.2;
      stroke-dasharray: 4 4;
    }
    .seen {
      fill: none;
      stroke: var(--growth);
      stroke-width: 2.8;
      stroke-linejoin: round;
    }
    .wanted {
      stroke: var(--waiting);
      stroke-width: 1.6;
      stroke-dasharray: 2 3;
    }
    .wanted-text {
      fill: var(--waiting-word);
      font: 400 13px var(--text);
    }
    .now {
      stroke: var(--ink);
      stroke-width: 1.6;
      stroke-dasharray: 2.5 3;
    }
  `,
})
export class Curve {
  readonly facts = input.required<DrawnFacts>();
  readonly answers = input.required<Report>();
  readonly width = input(320);
  readonly daysAhead = input(7);

  protected readonly top = TOP;
  protected readonly bottom = BOTTOM;
  private readonly endMs = computed(() => {
    const { nowMs, patienceMs } = this.answers();
    return Math.min(Math.max(patienceMs, nowMs + 3 * 86_400_000), nowMs + this.daysAhead() * 86_400_000);
  });
  private readonly x = computed(() => scaleLinear([this.facts().startMs, this.endMs()], [22, this.width()]).clamp(true));
  protected readonly y = computed(() => scaleLinear([0, this.facts().seeds], [BOTTOM, TOP]));
  protected readonly ticks = computed(() => this.y().ticks(4).filter(Number.isInteger));
  protected readonly nowX = computed(() => (this.answers().nowMs > this.facts().startMs ? this.x()(this.answers().nowMs) : null));
  protected readonly lastDay = computed(() => Math.round((this.endMs() - this.facts().startMs) / 86_400_000));
  private readonly ahead = computed(() => {
    const { nowMs, curve } = this.answers();
    const beyond = curve.findIndex(({ atMs }) => atMs >= this.endMs());
    // The first moment past the edge is drawn at the edge, so that the band reaches it.
    const later = curve.slice(0, beyond < 0 ? curve.length : beyond + 1).filter(({ atMs }) => atMs > nowMs);
    const { now, state } = this.answers();
    const start = { ...now, atMs: nowMs, low: now.low + state.tipped, high: now.high + state.tipped, mean: now.mean + state.tipped };
    return [start, ...later];
  });
  protected readonly seen = computed(() => {
    let tipped = 0;
    let path = `M${this.x()(this.facts().startMs)} ${this.y()(0)}`;
    for (const look of this.facts().looks) {
      const total = Math.max(tipped, look.tipped ?? 0);
      path += `H${this.x()(look.atMs)}`;
      if (total > tipped) path += `V${this.y()(total)}`;
      tipped = total;
    }
    return `${path}H${this.nowX() ?? 22}`;
  });
  protected readonly band = computed(
    () =>
      area<{ atMs: number; low: number; high: number }>()
        .x((p) => this.x()(p.atMs))
        .y0((p) => this.y()(p.low))
        .y1((p) => this.y()(p.high))(this.ahead()) ?? '',
  );
  protected readonly mean = computed(
    () =>
      line<{ atMs: number; mean: number }>()
        .x((p) => this.x()(p.atMs))
        .y((p) => this.y()(p.mean))(this.ahead()) ?? '',
  );
  protected readonly inWords = computed(() => {
    const { state, end } = this.answers();
    return `${state.tipped} of ${this.facts().seeds} have shown a tip; expect ${state.tipped + end.low} to ${state.tipped + end.high} in all`;
  });
}
