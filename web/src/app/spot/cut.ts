import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { SpotSheet } from '@fresh-tuck/contract';
import { formatTemperature } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';

/** Bags that are drawn one over another; the rest are counted. */
const MOST_BAGS = 4;
const BAG_PX = 40;

/** The place cut through: what lies under, between and over the bags, and how warm it is where. */
@Component({
  selector: 'ft-cut',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 350 270" role="img" [attr.aria-label]="inWords()">
      @if (sheet().setup.sun; as sun) {
        <path class="window" d="M4 40v170M12 40v170" />
        <path class="ray" d="M16 60l50 34M16 92l50 34M16 124l50 34" />
        <text class="soft" x="20" y="36">sun {{ sun.fromHour }}:00 to {{ sun.toHour }}:00</text>
      }
      @if (sheet().setup.lidded) {
        <rect class="lid" x="40" [attr.y]="top() - 16" width="226" [attr.height]="222 - top() + 16" rx="14" />
      }
      @for (bag of bags(); track bag.y) {
        <path class="bag" [attr.d]="'M62 ' + (bag.y + 32) + 'c-6-16 2-30 18-30h142c18 0 26 14 20 30z'" />
        <path class="towel" [attr.d]="'M78 ' + (bag.y + 18) + 'h138a5 5 0 0 1 0 8h-138'" />
        <text class="number" x="88" [attr.y]="bag.y + 13">{{ bag.text }}</text>
      }
      @if (sheet().setup.mat; as mat) {
        @for (cloth of cloths(); track cloth) {
          <rect class="cloth" x="56" [attr.y]="cloth" width="196" height="5" rx="2.5" />
        }
        <rect class="mat" x="38" y="222" width="230" height="12" rx="5" />
        @for (dot of dots; track dot) {
          <circle class="coil" [attr.cx]="dot" cy="228" r="2.6" />
        }
        <path class="wire" d="M268 228h3V100h7M301 74V52" />
        <rect class="box" x="278" y="74" width="46" height="54" rx="8" />
        <text class="dial" x="301" y="106" text-anchor="middle">{{ mat.setC === null ? 'on' : degrees(mat.setC) }}</text>
        <text class="strong" x="276" y="206">{{ matText() }}</text>
        <text class="soft" x="276" y="222">at the mat</text>
      }
      <text class="strong" x="276" y="158">{{ temperature(foldC()) }}</text>
      <text class="soft" x="276" y="174">{{ sheet().parcels.length > 0 ? 'in the fold' : 'over a day' }}</text>
      <path class="board" d="M8 238h330" />
      @if (more() > 0) {
        <text class="soft" x="62" [attr.y]="top() - 22">and {{ more() }} more</text>
      }
      @if (bags().length === 0) {
        <text class="soft" x="86" y="206">nothing stands here now</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 380px;
      height: auto;
    }
    .window,
    .wire {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .ray {
      stroke: var(--waiting);
      stroke-width: 1.6;
      stroke-dasharray: 5 4;
    }
    .lid {
      fill: none;
      stroke: var(--water);
      stroke-width: 1.6;
      stroke-dasharray: 5 4;
    }
    .bag {
      fill: var(--water-pale);
      fill-opacity: 0.5;
      stroke: var(--edge);
      stroke-width: 1.4;
    }
    .towel {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.8;
    }
    .cloth {
      fill: none;
      stroke: var(--edge);
      stroke-dasharray: 4 2;
    }
    .mat,
    .box {
      fill: var(--surface);
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .coil {
      fill: var(--trouble);
    }
    .board {
      stroke: var(--seed-edge);
      stroke-width: 8;
    }
    .number {
      fill: var(--ink);
      font: 800 12px var(--text);
    }
    .dial,
    .strong {
      fill: var(--ink);
      font: 700 15px var(--text);
    }
    text.soft {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
  `,
})
export class Cut {
  private readonly about = inject(AboutService);
  readonly sheet = input.required<SpotSheet>();
  protected readonly dots = Array.from({ length: 10 }, (_, nth) => 52 + nth * 22.4);
  protected readonly cloths = computed(() => Array.from({ length: this.sheet().setup.cloths }, (_, nth) => 215 - nth * 7));
  private readonly holders = computed(() => {
    const bags = new Map<string, number[]>();
    for (const { holderId, number } of this.sheet().parcels) bags.set(holderId, [...(bags.get(holderId) ?? []), number]);
    return [...bags.values()].map((numbers) => numbers.sort((a, b) => a - b).join(', '));
  });
  protected readonly more = computed(() => Math.max(this.holders().length - MOST_BAGS, 0));
  private readonly floor = computed(() => 220 - this.sheet().setup.cloths * 7 - (this.sheet().setup.mat ? 0 : -14));
  protected readonly bags = computed(() =>
    this.holders()
      .slice(0, MOST_BAGS)
      .map((text, nth) => ({ text, y: this.floor() - (nth + 1) * BAG_PX + 6 })),
  );
  protected readonly top = computed(() => this.floor() - Math.max(this.bags().length, 1) * BAG_PX);
  /** What the parcels get over the next day: what the thermometer knows comes first. */
  protected readonly foldC = computed(() => {
    const day = this.sheet().ahead.slice(0, 24);
    return day.reduce((sum, { minC, maxC }) => sum + (minC + maxC) / 2, 0) / Math.max(day.length, 1);
  });
  protected readonly matText = computed(() => {
    const { matC, meanC } = this.sheet().body;
    return matC === null ? '' : this.temperature(this.foldC() + matC - meanC);
  });
  protected temperature(celsius: number): string {
    return formatTemperature(celsius, this.about.household().units);
  }
  protected degrees(celsius: number): string {
    return `${Math.round(this.about.household().units === 'us' ? celsius * 1.8 + 32 : celsius)}°`;
  }
  protected readonly inWords = computed(() => {
    const { setup } = this.sheet();
    const mat = setup.mat
      ? `a mat of ${setup.mat.watts} W${setup.mat.setC === null ? '' : ` set to ${this.temperature(setup.mat.setC)}`}`
      : 'no mat';
    return `Cut through: ${mat}, ${setup.lidded ? 'under a lid' : 'open'}, ${setup.cloths} cloths between; ${this.temperature(this.foldC())} over a day.`;
  });
}
