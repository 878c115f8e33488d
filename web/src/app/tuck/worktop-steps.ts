import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { WorktopStep } from '@fresh-tuck/core/words';

/** What to do at the worktop, in order, each caution where its hazard is; what waits for the soak stands apart. */
@Component({
  selector: 'ft-worktop-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (step of steps(); track $index) {
        @if (step.later && !steps()[$index - 1]?.later) {
          <li class="later">Once they are out of the water:</li>
        }
        <li>
          {{ step.text }}
          @if (step.caution) {
            <span class="trouble">{{ step.caution }}</span>
          }
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
      counter-reset: step;
    }

    li {
      position: relative;
      padding: 7px 0 7px 34px;
      font-size: 15.5px;
      line-height: 1.45;
      counter-increment: step;

      &::before {
        content: counter(step);
        position: absolute;
        left: 4px;
        font: 700 19px/1.25 var(--heading);
      }

      &.later {
        padding-left: 4px;
        color: var(--water-word);
        counter-increment: none;

        &::before {
          content: none;
        }
      }
    }

    .trouble {
      display: block;
      font-size: 14px;
    }
  `,
})
export class WorktopSteps {
  readonly steps = input.required<readonly WorktopStep[]>();
}
