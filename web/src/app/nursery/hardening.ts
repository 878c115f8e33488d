import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { HardeningDay } from '@fresh-tuck/contract';

/** A week of hardening: each day an arc of sun as long as it stands out, and whether the night is spent there. */
@Component({
  selector: 'ft-hardening',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (day of week(); track day.day) {
        <li [class.in]="day.nth === null">
          <b>{{ day.day }}</b>
          <svg viewBox="0 0 100 56" aria-hidden="true">
            <path class="ground" d="M2 46H98" />
            <path class="whole" d="M10 46A40 40 0 0 1 90 46" />
            @if (day.hours > 0) {
              <path class="out" [attr.d]="arc(day.hours)" />
            }
            @if (day.night) {
              <path class="night" d="M88 12a8 8 0 1 0 8 9a6.4 6.4 0 0 1 -8 -9" />
            }
          </svg>
          <span>{{ day.text }}</span>
          <span class="soft">{{ day.weather }}</span>
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
      gap: 12px 10px;
      margin: 10px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-direction: column;
      font-size: 14px;
      line-height: 1.35;
    }
    svg {
      width: 100px;
      margin: 2px 0;
    }
    path {
      fill: none;
    }
    .ground {
      stroke: var(--wood-edge);
      stroke-width: 3;
    }
    .whole {
      stroke: var(--hairline);
      stroke-width: 2;
    }
    .out {
      stroke: var(--waiting);
      stroke-width: 7;
      stroke-linecap: round;
    }
    .night {
      fill: var(--water-pale);
      stroke: var(--water);
      stroke-width: 1.6;
    }
    .in svg {
      opacity: 0.55;
    }
  `,
})
export class Hardening {
  readonly week = input.required<readonly HardeningDay[]>();

  /** The part of a day's arc, of twelve hours, about its middle. */
  protected arc(hours: number): string {
    const half = (Math.min(hours, 12) / 12) * (Math.PI / 2);
    const at = (angle: number): string => `${(50 + 40 * Math.sin(angle)).toFixed(1)} ${(46 - 40 * Math.cos(angle)).toFixed(1)}`;
    return `M${at(-half)}A40 40 0 0 1 ${at(half)}`;
  }
}
