import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { stepsInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { type Choice, Choices } from '../kit/choices';
import { TuckPlan } from './tuck-plan';

/** Where the rate is in doubt: fewer now and more on a stated day, beside all at once. */
@Component({
  selector: 'ft-two-steps',
  imports: [Choices],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (said(); as said) {
      <p class="ask" id="in-steps">Nobody knows this packet well. All at once, or in two steps?</p>
      <ft-choices label="All at once or in two steps" [choices]="choices()" [value]="plan.inSteps()" (chosen)="plan.inSteps.set($event)" />
      <p class="soft">{{ said.cost }}</p>
    }
  `,
  styles: `
    .ask {
      margin: 12px 0 6px;
      font-weight: 700;
    }
    .soft {
      margin-top: 8px;
    }
  `,
})
export class TwoStepsChoice {
  private readonly about = inject(AboutService);
  protected readonly plan = inject(TuckPlan);
  protected readonly said = computed(() => {
    const steps = this.plan.seedsFixed() === null ? this.plan.plan()?.twoSteps : null;
    return steps ? stepsInWords(steps, { when: (ms) => this.about.moments().dated(ms) }) : null;
  });
  protected readonly choices = computed((): Choice<boolean>[] => {
    const said = this.said();
    return said
      ? [
          { value: false, text: said.once },
          { value: true, text: said.steps },
        ]
      : [];
  });
}
