import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { TrialInShort } from '@fresh-tuck/contract';
import { uncapital } from '@fresh-tuck/core/units';
import { HouseholdApi } from '../data/household/household.api';
import { Changes } from '../data/transport/changes.service';
import { fixSide } from './trial-side';
import { TuckPlan } from './tuck-plan';

/** What the house wrote down of a trial of this kind, offered where seed of it is tucked in. */
@Component({
  selector: 'ft-learnt-before',
  imports: [MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (trial of learnt(); track trial.id) {
      <p>
        <span>
          You wrote down: {{ trial.read }}. <a [routerLink]="['/notebook/trials', trial.id]">{{ trial.name }}</a>
        </span>
        @if (trial.better; as better) {
          <button matButton="outlined" type="button" class="plain" (click)="take(trial)">So again: {{ small(better.name) }}</button>
        }
      </p>
    }
  `,
  styleUrl: './known-line.scss',
})
export class LearntBefore {
  private readonly api = inject(HouseholdApi);
  private readonly plan = inject(TuckPlan);
  private readonly trials = toSignal(
    inject(Changes).keep(() => this.api.trials()),
    { initialValue: [] },
  );
  /** A batch that is one side of a trial is laid as the lots have it. */
  protected readonly learnt = computed(() => {
    const crop = this.plan.crop();
    if (!crop || this.plan.trial()) return [];
    return this.trials().filter(({ cropId, read }) => cropId === crop.id && read !== null);
  });
  protected readonly small = uncapital;

  protected take({ question, better }: TrialInShort): void {
    if (better) fixSide(this.plan, question, better.setting);
  }
}
