import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { AboutService } from '../data/household/about.service';
import { dayMs } from '../data/household/moments';
import { Word } from '../kit/word';
import { TuckPlan } from './tuck-plan';
import type { Goal } from './choices';

/** What it is wished for by, and counted back from. */
@Component({
  selector: 'ft-goal-word',
  imports: [MatButton, Word],
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
      <label
        >To plant out around
        <input class="entry" type="date" [value]="dayOf('plant_out')" (change)="set('plant_out', $event)" />
      </label>
      @if (plan.crop()?.growing?.harvestDaysAfterPlantingOut !== null) {
        <label
          >Ripe by
          <input class="entry" type="date" [value]="dayOf('ripe')" (change)="set('ripe', $event)" />
        </label>
      } @else {
        <p class="soft">How long it takes to ripen is not in the book.</p>
      }
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <p class="soft">The start is counted back from it: cold, soak, tips, nursing, and how late it was here before.</p>
    </ft-word>
  `,
  styles: `
    label {
      display: grid;
      gap: 6px;
    }
    .row {
      justify-content: start;
      width: 100%;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class GoalWord {
  private readonly about = inject(AboutService);
  protected readonly plan = inject(TuckPlan);
  protected readonly error = signal<string | null>(null);
  protected readonly text = computed(() => {
    const goal = this.plan.goal();
    if (!goal) return 'as soon as they come';
    const day = this.about.moments().dated(dayMs(goal.day));
    return goal.kind === 'ripe' ? `ripe by ${day}` : `to plant out around ${day}`;
  });

  protected dayOf(kind: Goal['kind']): string {
    const goal = this.plan.goal();
    return goal?.kind === kind ? goal.day : '';
  }

  protected set(kind: Goal['kind'], event: Event): void {
    const { value } = event.target as HTMLInputElement;
    if (value === '') {
      if (this.plan.goal()?.kind === kind) this.plan.goal.set(null);
      return this.error.set(null);
    }
    const ahead = dayMs(value) - this.about.nowMs();
    const fits = ahead > 0 && ahead < 3 * 366 * 86_400_000;
    this.error.set(fits ? null : 'The date must lie ahead, within three years.');
    if (fits) this.plan.goal.set({ kind, day: value });
  }
}
