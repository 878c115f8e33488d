import { targetInWords } from '@fresh-tuck/core/words';
import { readBy, text } from '../kit/validators';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Field } from '../kit/field';
import { ChangeDetectionStrategy, Component, computed, inject, effect } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { AboutService } from '../data/household/about.service';
import { dayMs } from '../data/household/moments';
import { Word } from '../kit/word';
import { TuckPlan } from './tuck-plan';

const KINDS = ['plant_out', 'ripe'] as const;
const MOST_AHEAD_MS = 3 * 366 * 86_400_000;

/** What it is wished for by, and counted back from. */
@Component({
  selector: 'ft-goal-word',
  imports: [Field, MatButton, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-word label="By when" [text]="text()" [fixed]="plan.goal() !== null">
      <button
        matButton="outlined"
        type="button"
        class="choice row"
        [attr.aria-pressed]="plan.goal() === null"
        (click)="plan.goal.set(null)"
      >
        as soon as they come
      </button>
      <ft-field label="To plant out around" type="date" [control]="days.plant_out" [accepted]="ahead" />
      @if (plan.crop()?.growing?.harvestDaysAfterPlantingOut !== null) {
        <ft-field label="Ripe by" type="date" [control]="days.ripe" [accepted]="ahead" />
      } @else {
        <p class="soft">How long it takes to ripen is not on its crop page.</p>
      }
      <p class="soft">The start is counted back from it: cold, soak, tips, nursing, and how late it was here before.</p>
    </ft-word>
  `,
  styles: `
    .row {
      justify-content: start;
      width: 100%;
    }
  `,
})
export class GoalWord {
  private readonly about = inject(AboutService);
  protected readonly plan = inject(TuckPlan);
  protected readonly ahead = 'The date must lie ahead, within three years.';
  private readonly within = readBy((day) => {
    const ms = dayMs(day) - this.about.nowMs();
    return ms > 0 && ms < MOST_AHEAD_MS ? ms : null;
  });
  protected readonly days = { plant_out: text('', this.within), ripe: text('', this.within) };
  protected readonly text = computed(() => {
    const goal = this.plan.goal();
    if (!goal) return 'as soon as they come';
    const day = this.about.moments().dated(dayMs(goal.day));
    return targetInWords(goal.kind, day);
  });

  constructor() {
    for (const kind of KINDS) {
      const control = this.days[kind];
      control.valueChanges.pipe(takeUntilDestroyed()).subscribe((day) => {
        control.markAsTouched();
        if (day === '' && this.plan.goal()?.kind === kind) this.plan.goal.set(null);
        if (day !== '' && control.valid) this.plan.goal.set({ kind, day });
      });
    }
    // One date is counted back from: the other field is empty.
    effect(() => {
      const goal = this.plan.goal();
      for (const kind of KINDS) {
        const day = goal?.kind === kind ? goal.day : '';
        if (this.days[kind].value !== day && this.days[kind].valid) this.days[kind].setValue(day, { emitEvent: false });
      }
    });
  }
}
