import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Crop } from '@fresh-tuck/core/crops';
import type { WorktopStep } from '@fresh-tuck/core/words';
import { Handling } from '../kit/handling';
import { WorktopSteps } from './worktop-steps';

/** What to do at the worktop, in order, each caution where its hazard is. */
@Component({
  selector: 'ft-worktop-card',
  imports: [Handling, WorktopSteps],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="worktop">
      <h2 id="worktop">At the worktop</h2>
      <ft-worktop-steps [steps]="steps()" />
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

    p {
      margin-top: 6px;
    }
  `,
})
export class WorktopCard {
  readonly steps = input.required<readonly WorktopStep[]>();
  readonly crop = input.required<Crop | null>();
}
