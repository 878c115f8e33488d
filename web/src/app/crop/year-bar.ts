import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import type { Crop } from '@fresh-tuck/core/crops';

const WIDTH = 640;
const LEFT = 14;
const MOST_WEEKS = 44;

interface Stretch {
  readonly id: 'start' | 'out' | 'harvest';
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

function stretches({ growing }: Crop): Stretch[] {
  const { startWeeksBeforeFrost: start, plantOutWeeksAfterFrost: out, harvestDaysAfterPlantingOut: harvest } = growing;
  const result: Stretch[] = [];
  if (start) result.push({ id: 'start', name: 'start', from: -start[1], to: -start[0] });
  if (out) result.push({ id: 'out', name: 'plant out', from: out[0], to: out[1] });
  if (harvest) {
    const first = (out?.[0] ?? 0) + harvest[0] / 7;
    const last = (out?.[1] ?? 0) + harvest[1] / 7;
    if (first < MOST_WEEKS) result.push({ id: 'harvest', name: 'harvest', from: first, to: Math.min(last, MOST_WEEKS) });
  }
  return result;
}

/** A crop's year on a band, in weeks around the last frost. */
@Component({
  selector: 'ft-year-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 640 96" role="img" [attr.aria-label]="inWords()">
      <path class="ground" d="M14 62H626" />
      @for (part of parts(); track part.id) {
        <rect
          [class]="part.id"
          [attr.x]="part.x"
          [attr.y]="part.id === 'out' ? 41 : 45"
          [attr.width]="part.width"
          [attr.height]="part.id === 'out' ? 21 : 17"
          rx="3"
        />
        <text class="name" [attr.x]="part.middle" y="34" [attr.text-anchor]="part.anchor">{{ part.name }}</text>
      }
      <path class="frost" [attr.d]="'M' + frost() + ' 14V68'" />
      <text class="frost-word" [attr.x]="frost()" y="11" text-anchor="middle">last frost</text>
      @for (tick of ticks(); track tick.week) {
        <path class="tick" [attr.d]="'M' + tick.x + ' 62v6'" />
        <text class="week" [class.second]="tick.second" [attr.x]="tick.x" y="86" text-anchor="middle">{{ tick.text }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: auto;
    }
    .ground,
    .tick {
      stroke: var(--edge);
      stroke-width: 1.4;
    }
    .start {
      fill: var(--waiting-pale);
      stroke: var(--waiting);
      stroke-width: 1.4;
    }
    .out {
      fill: var(--growth);
    }
    .harvest {
      fill: var(--growth-pale);
      stroke: var(--growth);
      stroke-width: 1.4;
    }
    .frost {
      stroke: var(--water);
      stroke-width: 1.6;
      stroke-dasharray: 4 4;
    }
    text {
      font: 400 14px var(--text);
      fill: var(--ink-soft);
    }
    .name {
      fill: var(--ink);
      font-weight: 700;
      paint-order: stroke;
      stroke: var(--paper);
      stroke-width: 5px;
    }
    .frost-word {
      fill: var(--water-word);
    }
    @media (max-width: 720px) {
      text {
        font-size: 21px;
      }
      .second {
        display: none;
      }
      svg {
        overflow: visible;
      }
    }
  `,
})
export class YearBar {
  readonly crop = input.required<Crop>();

  private readonly found = computed(() => stretches(this.crop()));
  private readonly scale = computed(() => {
    const all = this.found();
    const low = Math.min(-4, ...all.map(({ from }) => from)) - 2;
    const high = Math.max(8, ...all.map(({ to }) => to)) + 2;
    return scaleLinear()
      .domain([low, high])
      .range([LEFT, WIDTH - LEFT]);
  });
  protected readonly frost = computed(() => this.scale()(0));
  protected readonly parts = computed(() => {
    const x = this.scale();
    return this.found().map((part) => {
      const left = x(part.from);
      const width = Math.max(x(part.to) - left, 8);
      const middle = left + width / 2;
      return { ...part, x: left, width, middle, anchor: middle < 50 ? 'start' : middle > WIDTH - 50 ? 'end' : 'middle' };
    });
  });
  protected readonly ticks = computed(() =>
    this.scale()
      .ticks(7)
      .filter((week) => Number.isInteger(week) && this.scale()(week) > 40 && this.scale()(week) < WIDTH - 40)
      .map((week, index) => ({
        week,
        second: index % 2 === 1,
        x: this.scale()(week),
        text: week === 0 ? '0' : `${week > 0 ? '+' : '−'}${Math.abs(week)} wk`,
      })),
  );
  protected readonly inWords = computed(() => {
    const named = this.found().map(({ name, from, to }) => `${name} from week ${Math.round(from)} to ${Math.round(to)}`);
    return `Weeks around the last frost: ${named.join(', ')}`;
  });
}
