import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { PairTold } from './trial.messages';

/** Most that the beam leans, degrees. */
const MOST_LEAN = 14;
const ARM = 103;

/** A balance: what was asked against all else that differed, each as heavy as the days that it may be worth. */
@Component({
  selector: 'ft-scale',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="-30 0 380 206" role="img" [attr.aria-label]="inWords()">
      <path class="stand" d="M160 40V176M116 176h88M132 170q28 -8 56 0" />
      <path class="beam" [attr.d]="'M' + left().x + ' ' + left().y + 'L' + right().x + ' ' + right().y" />
      <circle class="pin" cx="160" cy="40" r="5" />
      @for (pan of pans(); track pan.side) {
        <path class="line" [attr.d]="pan.lines" />
        <path class="pan" [attr.d]="pan.plate" />
        @for (weight of pan.weights; track $index) {
          <path [class]="'weight ' + pan.side" [attr.d]="weight.path" />
          @if (weight.text) {
            <text class="figure" [attr.x]="weight.x" [attr.y]="weight.y">{{ weight.text }}</text>
          }
        }
        <text [class]="'under ' + pan.side" [attr.x]="pan.x" [attr.y]="pan.y + 30">{{ pan.name }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 360px;
      height: auto;
    }
    .stand,
    .beam,
    .pan,
    .pin {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.4;
    }
    .pin,
    .pan {
      fill: var(--surface);
    }
    .line {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.2;
    }
    .weight {
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .weight.asked {
      fill: var(--growth-pale);
    }
    .weight.else {
      fill: var(--waiting-pale);
    }
    .figure {
      fill: var(--ink);
      font: 700 15px var(--text);
      text-anchor: middle;
    }
    .under {
      font: 700 14px var(--text);
      text-anchor: middle;
    }
    .under.asked {
      fill: var(--growth-word);
    }
    .under.else {
      fill: var(--waiting-word);
    }
  `,
})
export class Scale {
  readonly pair = input.required<PairTold>();
  readonly asked = input.required<string>();
  /** Days of the difference. */
  readonly days = input.required<number>();

  private readonly lean = computed(() => {
    const [own, other] = [Math.abs(this.days()), this.pair().elseDays];
    const whole = own + other;
    return whole > 0 ? (MOST_LEAN * (own - other)) / whole : 0;
  });
  protected readonly left = computed(() => this.end(-1));
  protected readonly right = computed(() => this.end(1));
  private end(side: 1 | -1): { x: number; y: number } {
    const angle = (this.lean() * Math.PI) / 180;
    return { x: 160 + side * ARM * Math.cos(angle), y: 40 - side * ARM * Math.sin(angle) };
  }
  protected readonly pans = computed(() => {
    const heavy = this.pair()
      .heavy.filter(({ days }) => days >= 0.05)
      .slice(0, 4);
    const most = Math.max(Math.abs(this.days()), ...heavy.map(({ days }) => days), 0.1);
    const size = (days: number): number => 12 + 34 * Math.sqrt(Math.min(days / most, 1));
    const pan = (side: 'asked' | 'else', end: { x: number; y: number }, name: string, weights: { days: number; text: string }[]) => {
      const y = end.y + 84;
      const widths = weights.map(({ days }) => size(days) + 4);
      let x = end.x - widths.reduce((sum, width) => sum + width, 0) / 2;
      return {
        ...{ side, name, x: end.x, y },
        lines: `M${end.x - 46} ${y}L${end.x} ${end.y}L${end.x + 46} ${y}`,
        plate: `M${end.x - 50} ${y}h100q-50 22 -100 0z`,
        weights: weights.map(({ days, text }, nth) => {
          const wide = size(days);
          const at = x + 2;
          x += widths[nth] ?? 0;
          return {
            path: `M${at} ${y}l${wide * 0.12} ${-wide * 0.82}h${wide * 0.22}v${-wide * 0.16}h${wide * 0.32}v${wide * 0.16}h${wide * 0.22}l${wide * 0.12} ${wide * 0.82}z`,
            text,
            x: at + wide / 2,
            y: y - wide * 0.26,
          };
        }),
      };
    };
    const own = Math.abs(this.days());
    return [
      pan('asked', this.left(), this.asked(), own > 0.02 ? [{ days: own, text: own.toFixed(1) }] : []),
      pan(
        'else',
        this.right(),
        'all else',
        heavy.map(({ days }) => ({ days, text: '' })),
      ),
    ];
  });
  protected readonly inWords = computed(
    () => `${this.asked()}: ${Math.abs(this.days()).toFixed(1)} days; all else together up to ${this.pair().elseDays.toFixed(1)} days`,
  );
}
