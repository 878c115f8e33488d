import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { of, switchMap } from 'rxjs';
import { triedBefore } from '@fresh-tuck/core/words';
import { HouseholdApi } from '../data/household/household.api';
import { TuckPlan } from './tuck-plan';

/** Where a batch is begun again another way: what the first try came to, what it cost, and whether its packet is worth another. */
@Component({
  selector: 'ft-tried-before',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (said(); as said) {
      <p [class]="said.dead ? 'trouble' : 'waiting'" role="status">
        {{ said.text }}
        @if (said.dead && other(); as other) {
          <button matButton="outlined" type="button" class="plain" (click)="plan.packetId.set(other.id)">Take {{ other.variety }}</button>
        }
        <button matButton="outlined" type="button" class="plain" (click)="plan.after.set(null)">Not a second try</button>
      </p>
    }
  `,
  styleUrl: './known-line.scss',
})
export class TriedBefore {
  private readonly api = inject(HouseholdApi);
  protected readonly plan = inject(TuckPlan);
  private readonly batch = toSignal(toObservable(this.plan.after).pipe(switchMap((id) => (id === null ? of(null) : this.api.batch(id)))), {
    initialValue: null,
  });
  /** Another packet of the crop, the newest. */
  protected readonly other = computed(() => this.plan.others()[0] ?? null);
  protected readonly said = computed(() => {
    const batch = this.batch();
    if (!batch) return null;
    const { facts, answers, number, packetId } = batch;
    return triedBefore({
      number,
      seeds: facts.seeds,
      shown: answers.state.tipped,
      method: facts.method,
      daysLost: Math.round((this.plan.startMs() - facts.startMs) / 86_400_000) + (batch.from?.daysLost ?? 0),
      deadChance: packetId === this.plan.packetId() ? answers.supply.deadChance : null,
      otherPacket: this.other()?.variety ?? null,
    });
  });
}
