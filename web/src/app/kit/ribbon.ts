import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, curveBasis } from 'd3-shape';
import type { DrawnFacts } from '@fresh-tuck/contract';
import type { Report } from '@fresh-tuck/core/judging';

const DAY_MS = 86_400_000;
const HALF = 22;
const MIDDLE = 27;

interface Mark {
  readonly x: number;
  readonly text: string | null;
}

/**
 * One batch along real time: left of now what was seen, right of it the chance
 * that a seed shows at that hour; the shaded stretch is the move window, its edge
 * where roots enter the paper. Ribbons shown together share one axis.
 */
@Component({
  selector: 'ft-ribbon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width() + ' ' + (labels() ? 74 : 54)" [attr.width]="width()" role="img" [attr.aria-label]="inWords()">
      @if (window(); as stretch) {
        <rect class="window" [attr.x]="stretch.from" [attr.width]="stretch.to - stretch.from" y="7" height="40" />
        <path class="edge" [attr.d]="'M' + stretch.to + ' 4v46'" />
      }
      <path class="spine" [attr.d]="'M' + startX() + ' ' + middle + 'H' + nowX()" />
      @if (startsInside()) {
        <path class="spine" [attr.d]="'M' + startX() + ' ' + (middle - 6) + 'v12'" />
      }
      <path class="chance" [attr.d]="shape()" />
      @for (mark of marks(); track $index) {
        @if (mark.text) {
          <g [attr.transform]="'translate(' + mark.x + ' ' + middle + ')'">
            <circle class="seen" r="10.5" />
            <text class="seen-text" y="4" text-anchor="middle">{{ mark.text }}</text>
          </g>
        } @else {
          <circle class="nothing" [attr.cx]="mark.x" [attr.cy]="middle" r="4.5" />
        }
      }
      <path class="now" [attr.d]="'M' + nowX() + ' 2v50'" />
      @if (labels()) {
        <text class="label" x="0" y="69">{{ beforeDays() }} d ago</text>
        <text class="label" [attr.x]="nowX()" y="69" text-anchor="middle">now</text>
        <text class="label" [attr.x]="width()" y="69" text-anchor="end">in {{ afterDays() }} d</text>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      line-height: 0;
    }
    svg {
      max-width: 100%;
      height: auto;
      overflow: visible;
    }
    .window {
      fill: var(--growth-pale);
      stroke: var(--growth);
      stroke-width: 1.2;
    }
    .edge {
      stroke: var(--trouble);
      stroke-width: 3;
    }
    .spine {
      stroke: var(--ink-soft);
      stroke-width: 1.6;
      fill: none;
    }
    .chance {
      fill: var(--waiting-pale);
      stroke: var(--waiting);
      stroke-width: 1.5;
      stroke-linejoin: round;
    }
    .nothing {
      fill: var(--paper);
      stroke: var(--ink-soft);
      stroke-width: 1.7;
    }
    .seen {
      fill: var(--growth);
    }
    .seen-text {
      fill: var(--paper);
      font: 700 11.5px var(--text);
    }
    .now {
      stroke: var(--ink);
      stroke-width: 1.7;
      stroke-dasharray: 2.5 3;
    }
    .label {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
  `,
})
export class Ribbon {
  readonly facts = input.required<DrawnFacts>();
  readonly answers = input.required<Omit<Report, 'curve'>>();
  readonly beforeDays = input(5);
  readonly afterDays = input(7);
  readonly width = input(250);
  readonly labels = input(true);

  protected readonly middle = MIDDLE;
  private readonly x = computed(() => {
    const { nowMs } = this.answers();
    return scaleLinear([nowMs - this.beforeDays() * DAY_MS, nowMs + this.afterDays() * DAY_MS], [1, this.width() - 1]).clamp(true);
  });
  protected readonly nowX = computed(() => this.x()(this.answers().nowMs));
  protected readonly startsInside = computed(() => this.facts().startMs > this.answers().nowMs - this.beforeDays() * DAY_MS);
  protected readonly startX = computed(() => this.x()(this.facts().startMs));
  /** Marks that would lie on each other run together: their tips add up. */
  protected readonly marks = computed<Mark[]>(() => {
    const edge = this.answers().nowMs - this.beforeDays() * DAY_MS;
    let tipped = 0;
    const merged: { x: number; fresh: number }[] = [];
    for (const look of this.facts().looks) {
      const fresh = Math.max((look.tipped ?? tipped) - tipped, 0);
      tipped += fresh;
      if (look.atMs < edge) continue;
      const x = Math.min(this.x()(look.atMs), this.nowX() - (fresh > 0 ? 11 : 5));
      const last = merged.at(-1);
      const gap = last && (last.fresh > 0 || fresh > 0) ? 20 : 11;
      if (last && x - last.x < gap) merged[merged.length - 1] = { x: Math.max(last.x, fresh > 0 ? x : last.x), fresh: last.fresh + fresh };
      else merged.push({ x, fresh });
    }
    return merged.map(({ x, fresh }) => ({ x, text: fresh > 0 ? `+${fresh}` : null }));
  });
  protected readonly window = computed(() => {
    const { window, nowMs } = this.answers();
    if (window.readyMs === null || window.lateMs === null) return null;
    const end = nowMs + this.afterDays() * DAY_MS;
    if (window.readyMs > end || window.lateMs < nowMs - this.beforeDays() * DAY_MS) return null;
    const from = this.x()(window.readyMs);
    return { from, to: Math.max(this.x()(window.lateMs), from + 2) };
  });
  protected readonly shape = computed(() => {
    const { ribbon, nowMs, state } = this.answers();
    const after = ribbon.shares
      .map((share, step) => ({ ms: ribbon.fromMs + (step + 0.5) * ribbon.stepMs, share }))
      .filter(({ ms }) => ms > nowMs);
    const top = Math.max(...ribbon.shares, 0.012 * (ribbon.stepMs / DAY_MS) * 24);
    const thickness = (share: number): number => (state.quiet === 0 ? 0 : (share / top) * HALF) + 1;
    const unseen = ribbon.shares.find((_, step) => ribbon.fromMs + (step + 1) * ribbon.stepMs > nowMs) ?? 0;
    const points = [
      { x: this.nowX(), half: thickness(unseen) },
      ...after.map(({ ms, share }) => ({ x: this.x()(ms), half: thickness(share) })),
    ].filter((point, index, all) => index === 0 || point.x > (all[index - 1]?.x ?? -1));
    const last = points.at(-1);
    if (last && last.x < this.width() - 1) points.push({ x: this.width() - 1, half: last.half });
    return (
      area<{ x: number; half: number }>()
        .x((p) => p.x)
        .y0((p) => MIDDLE + p.half)
        .y1((p) => MIDDLE - p.half)
        .curve(curveBasis)(points) ?? ''
    );
  });
  protected readonly inWords = computed(() => {
    const { state, answers } = { state: this.answers().state, answers: this.answers() };
    return `${state.tipped} of ${this.facts().seeds} tips seen; ${Math.round(answers.soon.anyChance * 10)} chances in 10 of another by the next look`;
  });
}
