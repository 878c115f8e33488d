import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Spot } from '@fresh-tuck/contract';
import type { Crop } from '@fresh-tuck/core/crops';
import { rateAt, responseOf, shareAt } from '@fresh-tuck/core/warmth';
import { fahrenheitFromCelsius, type UnitSystem } from '@fresh-tuck/core/units';

const LEFT = 20;
const WIDTH = 640;
const GROUND = 274;
const TOP = 104;
const COLDEST_C = 0;
const HOTTEST_C = 48;
/** Room that a label takes along the hill, and the three heights that labels stand at. */
const LABEL_WIDTH = 136;
const GAP = 5;
const LEVELS = [14, 48, 82] as const;
const LOWEST = LEVELS[2];

const x = (celsius: number): number => LEFT + ((celsius - COLDEST_C) / (HOTTEST_C - COLDEST_C)) * (WIDTH - 2 * LEFT);
const y = (rate: number): number => GROUND - rate * (GROUND - TOP - 10);

interface Post {
  readonly x: number;
}
interface Label {
  readonly anchor: 'start' | 'middle' | 'end';
  readonly label: number;
}

/** What a label takes along the hill. */
function spanOf({ x: at, anchor }: Post & Pick<Label, 'anchor'>): readonly [number, number] {
  if (anchor === 'middle') return [at - LABEL_WIDTH / 2, at + LABEL_WIDTH / 2];
  return anchor === 'start' ? [at + GAP, at + GAP + LABEL_WIDTH] : [at - GAP - LABEL_WIDTH, at - GAP];
}

/**
 * Where each post's label stands. Alone it stands over its post; in a crowd those
 * on the left write leftwards and those on the right rightwards as far as there is room,
 * from the narrowest gap outwards, each at the highest of the heights that is free.
 */
function placed<T extends Post>(posts: readonly T[]): (T & Label)[] {
  const gaps = posts.map((post, index) => (posts[index + 1]?.x ?? Infinity) - post.x);
  const pivot = gaps.indexOf(Math.min(...gaps));
  const anchorOf = ({ x: at }: Post, index: number): Label['anchor'] => {
    if (Math.min(gaps[index] ?? Infinity, gaps[index - 1] ?? Infinity) < LABEL_WIDTH)
      return index <= pivot ? (at < LABEL_WIDTH ? 'start' : 'end') : at > WIDTH - LABEL_WIDTH ? 'end' : 'start';
    return at < LABEL_WIDTH / 2 ? 'start' : at > WIDTH - LABEL_WIDTH / 2 ? 'end' : 'middle';
  };
  const taken: { readonly span: readonly [number, number]; readonly label: number }[] = [];
  const labels = new Map<T, Label>();
  const outwards = posts.map((post, index) => ({ post, index })).sort((a, b) => Math.abs(a.index - pivot) - Math.abs(b.index - pivot));
  for (const { post, index } of outwards) {
    const anchor = anchorOf(post, index);
    const span = spanOf({ ...post, anchor });
    const free = (label: number): boolean =>
      taken.every((other) => other.label !== label || other.span[0] >= span[1] || other.span[1] <= span[0]);
    const label = LEVELS.find(free) ?? LOWEST;
    taken.push({ span, label });
    labels.set(post, { anchor, label });
  }
  return posts.map((post) => ({ ...post, ...(labels.get(post) ?? { anchor: 'middle', label: LEVELS[0] }) }));
}

/** How fast a crop comes at each warmth, as a hill, with the household's spots standing on it. */
@Component({
  selector: 'ft-warmth-hill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 640 310" role="img" [attr.aria-label]="inWords()">
      <path class="hill" [attr.d]="hill()" />
      @if (shares(); as path) {
        <path class="share" [attr.d]="path" />
      }
      <path class="ground" d="M20 274H620" />
      @for (tick of ticks(); track tick.celsius) {
        <text class="tick" [attr.x]="tick.x" y="298" text-anchor="middle">{{ tick.text }}</text>
      }
      @for (post of posts(); track post.id) {
        <path class="post" [attr.d]="'M' + post.x + ' ' + post.foot + 'V' + (post.label + 22)" />
        <circle class="knob" [attr.cx]="post.x" [attr.cy]="post.foot" r="5" />
      }
      @for (post of posts(); track post.id) {
        <text class="name" [attr.x]="beside(post)" [attr.y]="post.label" [attr.text-anchor]="post.anchor">{{ post.name }}</text>
        <text class="days" [attr.x]="beside(post)" [attr.y]="post.label + 16" [attr.text-anchor]="post.anchor">{{ post.days }}</text>
      }
    </svg>
    <ul>
      @for (post of posts(); track post.id) {
        <li>
          <b>{{ post.name }}</b> {{ post.days }}
        </li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      height: auto;
    }
    .hill {
      fill: var(--growth-pale);
      stroke: var(--growth);
      stroke-width: 2.2;
    }
    .share {
      fill: none;
      stroke: var(--waiting);
      stroke-width: 2;
      stroke-dasharray: 2 4;
    }
    .ground {
      stroke: var(--edge);
      stroke-width: 1.5;
    }
    .tick,
    .days {
      fill: var(--ink-soft);
      font: 400 14px var(--text);
    }
    .post {
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .knob {
      fill: var(--ink);
    }
    ul {
      display: none;
      margin: 4px 0;
      padding: 0;
      list-style: none;
    }
    .name {
      fill: var(--ink);
      font: 700 14px var(--text);
    }
    .name,
    .days {
      paint-order: stroke;
      stroke: var(--paper);
      stroke-width: 5px;
    }
    @media (max-width: 720px) {
      .name,
      .days {
        display: none;
      }
      .tick {
        font-size: 24px;
      }
      .post {
        display: none;
      }
      .knob {
        r: 9px;
      }
      svg {
        margin-top: -60px;
      }
      ul {
        display: block;
      }
    }
  `,
})
export class WarmthHill {
  readonly crop = input.required<Crop>();
  readonly spots = input.required<readonly Spot[]>();
  readonly units = input.required<UnitSystem>();

  private readonly steps = Array.from({ length: (HOTTEST_C - COLDEST_C) * 2 + 1 }, (_, step) => COLDEST_C + step / 2);
  protected readonly hill = computed(() => {
    const response = responseOf(this.crop().temperature);
    return `M${x(COLDEST_C)} ${GROUND}L${this.steps.map((celsius) => `${x(celsius)} ${y(rateAt(response, celsius)).toFixed(1)}`).join('L')}L${x(HOTTEST_C)} ${GROUND}Z`;
  });
  protected readonly shares = computed(() => {
    const { share } = this.crop().temperature;
    if (share === null) return null;
    const inside = this.steps.filter((celsius) => celsius >= (share.values[0]?.[0] ?? 0) && celsius <= (share.values.at(-1)?.[0] ?? 0));
    return `M${inside.map((celsius) => `${x(celsius)} ${y(shareAt(share.values, celsius)).toFixed(1)}`).join('L')}`;
  });
  protected readonly ticks = computed(() =>
    [0, 10, 20, 30, 40].map((celsius) => ({
      celsius,
      x: x(celsius),
      text: this.units() === 'us' ? `${Math.round(fahrenheitFromCelsius(celsius))} °F` : `${celsius} °C`,
    })),
  );
  protected readonly posts = computed(() => {
    const { days, temperature } = this.crop();
    const marked = this.spots()
      .map((spot) => {
        const celsius = spot.latest ? (spot.latest.minC + spot.latest.maxC) / 2 : (spot.guessMinC + spot.guessMaxC) / 2;
        const rate = rateAt(responseOf(temperature), celsius);
        const median = days.tipAtOptimum / Math.max(rate, 1e-9);
        const none = rate < 0.02 || (temperature.share !== null && shareAt(temperature.share.values, celsius) < 0.05);
        return {
          id: spot.id,
          name: spot.name,
          x: x(celsius),
          foot: y(rate),
          days: none ? 'hardly any come' : `half by day ${median < 10 ? median.toFixed(1) : Math.round(median)}`,
        };
      })
      .sort((a, b) => a.x - b.x);
    return placed(marked);
  });
  /** A label that begins or ends at its post keeps a little off it. */
  protected beside({ x: at, anchor }: { x: number; anchor: string }): number {
    return at + (anchor === 'end' ? -GAP : anchor === 'start' ? GAP : 0);
  }

  protected readonly inWords = computed(() =>
    this.posts()
      .map(({ name, days }) => `${name}: ${days}`)
      .join('; '),
  );
}
