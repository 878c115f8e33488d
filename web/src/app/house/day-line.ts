import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { listed } from '@fresh-tuck/core/units';

const WIDTH = 460;
const LEFT = 14;
const HOURS = [0, 6, 12, 18, 24];
const hourOf = (time: string): number => Number(time.slice(0, 2)) + Number(time.slice(3, 5)) / 60;

/** The hours of a day with the times at which somebody looks. */
@Component({
  selector: 'ft-day-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' 62'" role="img" [attr.aria-label]="inWords()">
      <path class="night" [attr.d]="'M' + x(0) + ' 34H' + x(24)" />
      <path class="day" [attr.d]="'M' + x(6) + ' 34H' + x(20)" />
      @for (hour of hours; track hour) {
        <path class="tick" [attr.d]="'M' + x(hour) + ' 30v8'" />
        <text class="hour" [attr.x]="x(hour)" y="56">{{ hour }}</text>
      }
      @for (mark of marks(); track mark.time) {
        <circle [attr.cx]="mark.x" cy="34" r="7" />
        <text class="time" [attr.x]="mark.x" y="18">{{ mark.time }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      max-width: 520px;
      height: auto;
      overflow: visible;
    }
    .night {
      stroke: var(--edge);
      stroke-width: 2;
    }
    .day {
      stroke: var(--seed);
      stroke-width: 9;
      stroke-linecap: round;
    }
    .tick {
      stroke: var(--edge);
    }
    circle {
      fill: var(--growth);
      stroke: var(--surface);
      stroke-width: 2;
    }
    text {
      text-anchor: middle;
    }
    .hour {
      fill: var(--ink-soft);
      font: 400 13px var(--text);
    }
    .time {
      fill: var(--ink);
      font: 700 15px var(--heading);
    }
  `,
})
export class DayLine {
  readonly times = input.required<readonly string[]>();
  protected readonly width = WIDTH;
  protected readonly hours = HOURS;
  protected readonly x = (hour: number): number => LEFT + (hour / 24) * (WIDTH - 2 * LEFT);
  protected readonly marks = computed(() => this.times().map((time) => ({ time, x: this.x(hourOf(time)) })));
  protected readonly inWords = computed(() => `Looked at ${listed(this.times())}`);
}
