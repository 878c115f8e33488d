import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { DayLight } from '@fresh-tuck/contract';

const HOURS = [0, 6, 12, 18, 24] as const;

/** A place's day of light along its hours: the lens of the day, the lamp's bar after dusk, now. */
@Component({
  selector: 'ft-light-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="sum" [class.short]="!light().enough">{{ sum() }}</p>
    <div class="hours">
      <svg viewBox="0 0 24 20" preserveAspectRatio="none" aria-hidden="true">
        <path class="line" d="M0 10H24" />
        <path class="day" [attr.d]="lens()" />
      </svg>
      @for (bar of lamp(); track bar.left) {
        <i class="lamp" [style.left.%]="bar.left" [style.width.%]="bar.width"></i>
      }
      <i class="now" [style.left.%]="(nowHour() / 24) * 100"></i>
      @if (axis()) {
        @for (hour of hours; track hour) {
          <span class="hour" [style.left.%]="(hour / 24) * 100">{{ hour === 24 ? '24:00' : (hour < 10 ? '0' : '') + hour + ':00' }}</span>
        }
      }
      <span class="unseen">{{ light().text }}</span>
    </div>
  `,
  styleUrl: './light-strip.scss',
})
export class LightStrip {
  readonly light = input.required<DayLight>();
  readonly nowHour = input.required<number>();
  readonly axis = input(false);
  protected readonly hours = HOURS;

  protected readonly sum = computed(() => {
    const { daylight, lamp, wantedLow, wantedHigh } = this.light();
    const brings = daylight + lamp;
    const figure = brings < 9.95 ? brings.toFixed(1) : String(Math.round(brings));
    return `${figure} of ${Math.round((wantedLow + wantedHigh) / 2)} mol`;
  });
  /** As thick as the place is bright: half of the open sky fills it. */
  protected readonly lens = computed(() => {
    const { riseHour, setHour, daylight, wantedHigh } = this.light();
    if (riseHour === null || setHour === null) return '';
    const half = Math.min(2 + 7 * (daylight / Math.max(wantedHigh, 1)), 9.5);
    const third = (setHour - riseHour) / 3;
    return `M${riseHour} 10C${riseHour + third} ${10 - half} ${setHour - third} ${10 - half} ${setHour} 10C${setHour - third} ${10 + half} ${riseHour + third} ${10 + half} ${riseHour} 10Z`;
  });
  /** The lamp's hours; what goes on past midnight begins the day. */
  protected readonly lamp = computed(() => {
    const { lampFromHour: from, lampToHour: to } = this.light();
    if (from === null || to === null) return [];
    const bar = (low: number, high: number) => ({ left: (low / 24) * 100, width: ((high - low) / 24) * 100 });
    return to > 24 ? [bar(from, 24), bar(0, to - 24)] : [bar(from, to)];
  });
}
