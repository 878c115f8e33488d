import { ChangeDetectionStrategy, Component, effect, input, output, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { debounceTime } from 'rxjs';
import type { WishWords } from '@fresh-tuck/contract';
import { Choices, type Choice } from '../kit/choices';
import { Field } from '../kit/field';
import { text } from '../kit/validators';

type Goal = WishWords['goal'];
const TYPED_MS = 500;

/** By when a lot is wished: as the year gives it, or by a day. */
@Component({
  selector: 'ft-goal-fields',
  imports: [Choices, Field],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ft-choices label="By when" [choices]="choices" [value]="goal().kind" [closes]="false" (chosen)="choose($event)" />
    @if (goal().kind !== 'season' || waiting) {
      <ft-field label="By" type="date" [control]="day" accepted="A day of this season." />
    }
  `,
  styles: `
    ft-field {
      display: block;
      max-width: 240px;
      margin-top: 10px;
    }
  `,
})
export class GoalFields {
  readonly goal = input.required<Goal>();
  readonly said = output<Goal>();
  protected readonly choices: readonly Choice<Goal['kind']>[] = [
    { value: 'season', text: 'as the year gives it', follows: 'out when the frost lets it, ripe before it is back' },
    { value: 'plant_out', text: 'planted out by a day' },
    { value: 'ripe', text: 'ripe by a day' },
  ];
  protected readonly day = text('');
  /** A kind was chosen that waits for its day. */
  protected waiting: 'plant_out' | 'ripe' | null = null;

  constructor() {
    effect(() => {
      const goal = this.goal();
      untracked(() => {
        if (goal.kind !== 'season' && this.day.value !== goal.day) this.day.setValue(goal.day, { emitEvent: false });
      });
    });
    this.day.valueChanges.pipe(debounceTime(TYPED_MS), takeUntilDestroyed()).subscribe((day) => {
      const kind = this.waiting ?? this.goal().kind;
      if (kind !== 'season' && /^\d{4}-\d\d-\d\d$/.test(day)) this.said.emit({ kind, day });
    });
  }

  protected choose(kind: Goal['kind']): void {
    this.waiting = kind === 'season' ? null : kind;
    if (kind === 'season') this.said.emit({ kind });
    else if (this.day.value !== '') this.said.emit({ kind, day: this.day.value });
  }
}
