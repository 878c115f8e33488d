import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { PacketSheet } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';

const WIDTH = 460;
const HEIGHT = 190;
const LEFT = 34;
const RIGHT = 12;
const TOP = 12;
const BOTTOM = HEIGHT - 30;

/** How a packet fades: what tests found, what is expected now, and of the years to come in its store. */
@Component({
  selector: 'ft-fading',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="inWords()">
      @for (tick of ticks; track tick) {
        <path class="grid" [attr.d]="'M34 ' + y(tick) + 'H448'" />
        <text class="label" x="28" [attr.y]="y(tick) + 4" text-anchor="end">{{ tick * 100 }}</text>
      }
      @for (year of years(); track year.text) {
        <text class="label" [attr.x]="year.x" [attr.y]="height - 8" text-anchor="middle">{{ year.text }}</text>
      }
      <path class="faded" [attr.d]="faded()" />
      <path class="ahead" [attr.d]="curve()" />
      <path class="now" [attr.d]="now().path" />
      <circle class="mean" [attr.cx]="now().x" [attr.cy]="now().y" r="4.5" />
      @for (test of tests(); track test.number) {
        <path class="test" [attr.d]="test.path" />
        <circle class="proof" [attr.cx]="test.x" [attr.cy]="test.y" r="5" />
        <text class="label" [attr.x]="test.x + 10" [attr.y]="test.y - 8">test {{ test.number }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      height: auto;
      overflow: visible;
    }
    .grid {
      stroke: var(--hairline);
    }
    .label {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
    .ahead {
      fill: none;
      stroke: var(--growth);
      stroke-width: 2.4;
      stroke-dasharray: 5 4;
    }
    .faded {
      fill: none;
      stroke: var(--edge);
      stroke-width: 2;
    }
    .now {
      fill: none;
      stroke: var(--growth);
      stroke-width: 9;
      stroke-opacity: 0.35;
      stroke-linecap: round;
    }
    .mean {
      fill: var(--growth-word);
    }
    .test {
      fill: none;
      stroke: var(--waiting);
      stroke-width: 2;
    }
    .proof {
      fill: var(--waiting-pale);
      stroke: var(--waiting);
      stroke-width: 2;
    }
  `,
})
export class Fading {
  private readonly about = inject(AboutService);
  readonly packet = input.required<PacketSheet>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly ticks = [0, 0.25, 0.5, 0.75, 1];
  protected readonly y = scaleLinear([0, 1], [BOTTOM, TOP]);

  private readonly yearOf = (ms: number): number => {
    const field = this.about.moments().field(ms);
    return Number(field.slice(0, 4)) + (Number(field.slice(5, 7)) - 1) / 12 + Number(field.slice(8, 10)) / 366;
  };
  private readonly nowYear = computed(() => this.yearOf(this.about.nowMs()));
  private readonly x = computed(() => {
    const { ahead } = this.packet().stock;
    const first = Math.min(
      this.nowYear() - Math.max(this.packet().stock.behind.length, 0.6),
      ...this.packet().tests.map(({ atMs }) => this.yearOf(atMs) - 0.25),
    );
    return scaleLinear([first, this.nowYear() + ahead.length - 1], [LEFT, WIDTH - RIGHT]);
  });
  protected readonly years = computed(() => {
    const [from = 0, to = 0] = this.x().domain();
    return Array.from({ length: Math.floor(to) - Math.ceil(from) + 1 }, (_, index) => Math.ceil(from) + index)
      .filter((year, index, all) => all.length <= 8 || index % 2 === 0)
      .map((year) => ({ text: String(year), x: this.x()(year) }));
  });
  protected readonly curve = computed(
    () =>
      line<number>(
        (_, index) => this.x()(this.nowYear() + index),
        (share) => this.y(share),
      )([...this.packet().stock.ahead]) ?? '',
  );
  /** How it will have faded until now. */
  protected readonly faded = computed(() => {
    const { behind, mean } = this.packet().stock;
    if (behind.length === 0) return '';
    return (
      line<number>(
        (_, index) => this.x()(this.nowYear() - index),
        (share) => this.y(share),
      )([mean, ...behind]) ?? ''
    );
  });
  protected readonly now = computed(() => {
    const { mean, low, high } = this.packet().stock;
    const x = this.x()(this.nowYear());
    return { x, y: this.y(mean), path: `M${x} ${this.y(low)}V${this.y(high)}` };
  });
  protected readonly tests = computed(() =>
    this.packet().tests.flatMap(({ atMs, number, result }) => {
      if (!result) return [];
      const x = this.x()(this.yearOf(atMs));
      const path = `M${x} ${this.y(result.wilson.low)}V${this.y(result.wilson.high)}`;
      return [{ number, x, y: this.y(result.rate), path }];
    }),
  );
  protected readonly inWords = computed(() => {
    const { mean, low, high, ahead } = this.packet().stock;
    const of = (share: number): number => Math.round(share * 100);
    const next = ahead.slice(1, 4).map((share) => of(share));
    return `Expected to live now: ${of(mean)} of 100, between ${of(low)} and ${of(high)} 8 times in 10; in the next years ${next.join(', ')}`;
  });
}
