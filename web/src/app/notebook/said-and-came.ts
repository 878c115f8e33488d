import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router } from '@angular/router';
import { scaleLog } from 'd3-scale';
import type { LookingBack } from '@fresh-tuck/contract';

/** Days that a forecast may be off and still be of use: a quarter to either side. */
const USEFUL = 1.25;

/** Every batch by the day of its middle seed: as it came, and as it was said before the first look. */
@Component({
  selector: 'ft-said-and-came',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 340 270" role="img" [attr.aria-label]="inWords()">
      <path class="useful" [attr.d]="band()" />
      <path class="right" [attr.d]="diagonal()" />
      @for (tick of ticks(); track tick) {
        <text class="axis" [attr.x]="x()(tick)" y="248" text-anchor="middle">{{ tick }}</text>
        <text class="axis" x="30" [attr.y]="y()(tick) + 5" text-anchor="end">{{ tick }}</text>
      }
      <text class="axis" x="336" y="266" text-anchor="end">day it came</text>
      <text class="axis" x="6" y="12">day it was said</text>
      @for (one of middles(); track one.batchId) {
        <circle
          class="batch"
          [class.off]="off(one)"
          [attr.cx]="x()(one.cameDays)"
          [attr.cy]="y()(one.saidDays)"
          r="4.5"
          (click)="open(one.batchId)"
        >
          <title>{{ one.number }}, {{ one.title }}: said {{ one.saidDays.toFixed(1) }}, came {{ one.cameDays.toFixed(1) }}</title>
        </circle>
      }
    </svg>
    <p class="soft">Each mark a batch. On the line it was right; in the pale strip it was off by a quarter at most.</p>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 420px;
      height: auto;
    }
    .useful {
      fill: var(--growth-pale);
      opacity: 0.7;
    }
    .right {
      stroke: var(--growth);
      stroke-width: 2;
    }
    .axis {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
    .batch {
      fill: var(--growth-word);
      stroke: var(--surface);
      cursor: pointer;
    }
    .off {
      fill: var(--waiting);
    }
  `,
})
export class SaidAndCame {
  readonly middles = input.required<LookingBack['middles']>();
  private readonly router = inject(Router);
  private readonly reach = computed<readonly [number, number]>(() => {
    const all = this.middles().flatMap(({ saidDays, cameDays }) => [saidDays, cameDays]);
    return [Math.max(Math.min(...all) / 1.3, 0.5), Math.max(...all) * 1.3];
  });
  protected readonly x = computed(() => scaleLog(this.reach(), [40, 330]).clamp(true));
  protected readonly y = computed(() => scaleLog(this.reach(), [232, 22]).clamp(true));
  protected readonly ticks = computed(() =>
    [1, 2, 3, 5, 8, 12, 20, 40, 80].filter((day) => day > this.reach()[0] && day < this.reach()[1]),
  );
  protected readonly diagonal = computed(() => {
    const [low, high] = this.reach();
    return `M${this.x()(low)} ${this.y()(low)}L${this.x()(high)} ${this.y()(high)}`;
  });
  protected readonly band = computed(() => {
    const [low, high] = this.reach();
    const at = (day: number, times: number): string => `${this.x()(day)} ${this.y()(day * times)}`;
    return `M${at(low, USEFUL)}L${at(high / USEFUL, USEFUL)}L${at(high, 1)}L${at(high, 1 / USEFUL)}L${at(low * USEFUL, 1 / USEFUL)}L${at(low, 1)}Z`;
  });
  protected off({ saidDays, cameDays }: LookingBack['middles'][number]): boolean {
    return Math.abs(Math.log(saidDays / cameDays)) > Math.log(USEFUL);
  }
  protected open(batchId: string): void {
    void this.router.navigate(['/batch', batchId]);
  }
  protected readonly inWords = computed(() => {
    const right = this.middles().filter((one) => !this.off(one)).length;
    return `Of ${this.middles().length} batches the middle seed of ${right} came within a quarter of the day that was said`;
  });
}
