import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ArmDrawn } from './trial.messages';

const WIDTH = 300;
/** Fewer than this keep their numbers large; more than this are drawn without. */
const MOST_NUMBERED = 60;

/** A side's seeds as dimples of its towel, in the order in which they came: in each the day its root was seen. */
@Component({
  selector: 'ft-dimples',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 300 ' + drawn().height" role="img" [attr.aria-label]="inWords()">
      <rect class="paper" x="1" y="1" width="298" [attr.height]="drawn().height - 2" rx="5" />
      <path class="fold" [attr.d]="'M150 2V' + (drawn().height - 2)" />
      @for (seed of drawn().seeds; track $index) {
        @switch (seed.kind) {
          @case ('came') {
            <circle [class]="'dimple ' + tone()" [attr.cx]="seed.x" [attr.cy]="seed.y" [attr.r]="drawn().radius" />
            @if (drawn().numbered) {
              <text [class]="tone()" [attr.x]="seed.x" [attr.y]="seed.y" [attr.font-size]="drawn().radius * 1.1">{{ seed.day }}</text>
            }
          }
          @case ('rotten') {
            <ellipse
              class="rotten"
              [attr.cx]="seed.x"
              [attr.cy]="seed.y"
              [attr.rx]="drawn().radius * 0.7"
              [attr.ry]="drawn().radius * 0.5"
            />
          }
          @case ('quiet') {
            <ellipse
              class="quiet"
              [attr.cx]="seed.x"
              [attr.cy]="seed.y"
              [attr.rx]="drawn().radius * 0.7"
              [attr.ry]="drawn().radius * 0.45"
            />
          }
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      height: auto;
    }
    .paper {
      fill: var(--surface);
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .fold {
      stroke: var(--hairline);
      stroke-width: 1.5;
      stroke-dasharray: 5 4;
    }
    .dimple {
      stroke: var(--edge);
      stroke-width: 1.3;
      stroke-dasharray: 2 2;
    }
    circle.first {
      fill: var(--growth-pale);
    }
    circle.second {
      fill: var(--waiting-pale);
    }
    circle.third {
      fill: var(--water-pale);
    }
    circle.fourth {
      fill: var(--chosen);
    }
    text {
      font-family: var(--text);
      font-weight: 700;
      text-anchor: middle;
      dominant-baseline: central;
    }
    text.first {
      fill: var(--growth-word);
    }
    text.second {
      fill: var(--waiting-word);
    }
    text.third {
      fill: var(--water-word);
    }
    text.fourth {
      fill: var(--ink);
    }
    .quiet {
      fill: var(--seed);
      stroke: var(--seed-edge);
      stroke-width: 1.2;
    }
    .rotten {
      fill: var(--trouble-pale);
      stroke: var(--trouble);
      stroke-width: 1.3;
      stroke-dasharray: 3 2;
    }
  `,
})
export class Dimples {
  readonly arm = input.required<ArmDrawn>();
  readonly tone = input<'first' | 'second' | 'third' | 'fourth'>('first');
  protected readonly drawn = computed(() => {
    const { days, seeds, rotten } = this.arm();
    const columns = Math.max(4, Math.ceil(Math.sqrt(seeds * 1.4)));
    const step = (WIDTH - 16) / columns;
    const rows = Math.max(1, Math.ceil(seeds / columns));
    const kinds = Array.from({ length: seeds }, (_, nth) => (nth < days.length ? 'came' : nth < days.length + rotten ? 'rotten' : 'quiet'));
    return {
      height: Math.round(rows * step + 16),
      radius: Math.min(step * 0.38, 21),
      numbered: seeds <= MOST_NUMBERED,
      seeds: kinds.map((kind, nth) => ({
        kind,
        day: Math.ceil((days[nth] ?? 0) - 1e-9),
        x: 8 + step * ((nth % columns) + 0.5),
        y: 8 + step * (Math.floor(nth / columns) + 0.5),
      })),
    };
  });
  protected readonly inWords = computed(() => {
    const { name, days, seeds, rotten } = this.arm();
    const came = days.length === 0 ? '' : `, the first by day ${Math.ceil(days[0] ?? 0)}, the last by day ${Math.ceil(days.at(-1) ?? 0)}`;
    return `${name}: ${days.length} of ${seeds} came${came}${rotten > 0 ? `; ${rotten} rotted` : ''}`;
  });
}
