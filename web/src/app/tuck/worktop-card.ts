import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Crop } from '@fresh-tuck/core/crops';
import type { WorktopStep } from '@fresh-tuck/core/words';
import { Handling } from '../kit/handling';

/** What to do at the worktop, in order, each caution where its hazard is. */
@Component({
  selector: 'ft-worktop-card',
  imports: [Handling],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="worktop">
      <h2 id="worktop">At the worktop</h2>
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
      <p class="soft">Sprouts here are for planting, never for eating.</p>
      @if (crop(); as crop) {
        <ft-handling [crop]="crop" />
      }
    </section>
  `,
  styles: `
    h2 {
      margin-bottom: 10px;
    }

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

      .trouble {
        display: block;
        font-size: 14px;
      }
    }

    p {
      margin-top: 6px;
    }
  `,
})
export class WorktopCard {
  readonly steps = input.required<readonly WorktopStep[]>();
  readonly crop = input.required<Crop | null>();
}
