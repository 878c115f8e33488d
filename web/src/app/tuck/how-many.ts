import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Plan } from '../data/forecast/forecast.messages';

/** The chance of the wanted plants with one seed more or fewer. */
@Component({
  selector: 'ft-how-many',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 330 176" role="img" [attr.aria-label]="inWords()">
      @for (bar of bars(); track bar.seeds) {
        <rect [class.chosen]="bar.chosen" [attr.x]="bar.x" [attr.y]="150 - bar.height" width="34" [attr.height]="bar.height" rx="3" />
        <text
          class="chance"
          [class.on-growth]="bar.chosen && bar.inside"
          [attr.x]="bar.x + 17"
          [attr.y]="bar.inside ? 168 - bar.height : 144 - bar.height"
          text-anchor="middle"
        >
          {{ bar.percent }}
        </text>
        <text [class.strong]="bar.chosen" [attr.x]="bar.x + 17" y="169" text-anchor="middle">{{ bar.seeds }}</text>
      }
      <path class="line" [attr.d]="'M0 ' + level() + 'H330'" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      max-width: 400px;
      height: auto;
    }
    rect {
      fill: var(--hairline);
    }
    .chosen {
      fill: var(--growth);
    }
    text {
      fill: var(--ink-soft);
      font: 400 14px var(--text);
    }
    .chance {
      fill: var(--ink);
    }
    .on-growth {
      fill: var(--paper);
      font-weight: 700;
    }
    .strong {
      fill: var(--ink);
      font-weight: 700;
    }
    .line {
      stroke: var(--waiting);
      stroke-width: 1.8;
      stroke-dasharray: 2.5 3;
    }
  `,
})
export class HowMany {
  readonly plan = input.required<Plan>();
  readonly sureness = input.required<number>();

  protected readonly level = computed(() => 150 - this.sureness() * 120);
  protected readonly bars = computed(() => {
    const { chances, seeds } = this.plan();
    const at = Math.max(
      chances.findIndex((chance) => chance.seeds === seeds),
      0,
    );
    const from = Math.max(Math.min(at - 3, chances.length - 6), 0);
    return chances.slice(from, from + 6).map(({ seeds: number, chance }, index) => ({
      seeds: number,
      chosen: number === seeds,
      x: 8 + index * 55,
      height: Math.max(chance * 120, 1),
      percent: Math.round(chance * 100),
      inside: chance > 0.2,
    }));
  });
  protected readonly inWords = computed(() =>
    this.bars()
      .map(({ seeds, percent }) => `${seeds} seeds: ${percent} in 100`)
      .join(', '),
  );
}
