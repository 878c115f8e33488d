import { inject, Injectable } from '@angular/core';
import type { Observable } from 'rxjs';
import type { WhyPanel } from '@fresh-tuck/contract';
import { HouseholdApi } from '../household/household.api';

/** How to ask what a batch's judgement rests on; the same function for the same batch, so that nothing is asked twice. */
@Injectable({ providedIn: 'root' })
export class WhyService {
  private readonly api = inject(HouseholdApi);
  private readonly asks = new Map<string, () => Observable<WhyPanel>>();

  readonly of = (batchId: string): (() => Observable<WhyPanel>) => {
    const known = this.asks.get(batchId) ?? (() => this.api.why(batchId));
    this.asks.set(batchId, known);
    return known;
  };
}
