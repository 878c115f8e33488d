import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** A seedling in its cup, by stage: below, a loop, two lobes, true leaves. */
@Component({
  selector: 'ft-sprout',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 40 52" width="34" aria-hidden="true">
      <path class="cup" d="M7 28h26l-4 22h-18z" />
      <path class="soil" d="M8.4 33h23.2" />
      @switch (stage()) {
        @case ('moved') {
          <ellipse class="seed" cx="20" cy="39" rx="4.4" ry="3" />
          <path class="root" d="M23 40q3 3 1 7" />
        }
        @case ('up') {
          <path class="stem" d="M20 36V26q0-7 5-6t2 6" />
        }
        @case ('seed_leaves') {
          <path class="stem" d="M20 36V18" />
          <path class="leaf" d="M20 18c-8 1-12-4-11-8 6 0 10 3 11 8zM20 18c8 1 12-4 11-8-6 0-10 3-11 8z" />
        }
        @default {
          <path class="stem" d="M20 36V8" />
          <path
            class="leaf"
            d="M20 22c-7 1-10-3-9-7 5 0 8 3 9 7zM20 22c7 1 10-3 9-7-5 0-8 3-9 7zM20 10c-6 1-9-3-8-8 5 1 8 4 8 8zM20 10c6 1 9-3 8-8-5 1-8 4-8 8z"
          />
        }
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
    }
    .cup {
      fill: var(--surface);
      stroke: var(--ink);
      stroke-width: 1.6;
      stroke-linejoin: round;
    }
    .soil {
      stroke: var(--seed-edge);
      stroke-width: 1.4;
      stroke-dasharray: 2 1.6;
    }
    .seed {
      fill: var(--seed);
      stroke: var(--seed-edge);
      stroke-width: 1.2;
    }
    .root,
    .stem {
      fill: none;
      stroke: var(--growth);
      stroke-width: 2;
      stroke-linecap: round;
    }
    .root {
      stroke: var(--seed-edge);
    }
    .leaf {
      fill: var(--growth);
    }
  `,
})
export class SproutDrawing {
  readonly stage = input.required<string>();
}
