import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { map, of, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Batch } from '@fresh-tuck/contract';
import type { Act } from '@fresh-tuck/core/words';
import { HouseholdApi } from './household.api';

/** What an advice can do about itself, from whichever screen it is read on. */
@Injectable({ providedIn: 'root' })
export class Acts {
  private readonly api = inject(HouseholdApi);
  private readonly router = inject(Router);

  /** Does it, or leads where it is done; what was done in words, or null where the gardener was led on. */
  run(act: Act, { id, packetId, otherPacketId }: Pick<Batch, 'id' | 'packetId' | 'otherPacketId'>): Observable<string | null> {
    switch (act.does) {
      case 'close':
        return this.api
          .close(id, { id: uuid(), reason: act.reason })
          .pipe(
            map(() =>
              act.reason === 'set_aside' ? 'Set aside. A late one can still be written down.' : 'Closed. Undo it in the journal.',
            ),
          );
      case 'start': {
        const packet = act.packet === 'other' ? (otherPacketId ?? packetId) : packetId;
        // Begun again, it is told which way, and what it follows.
        return this.go(['/tuck'], { packet, seeds: act.seeds, ...(act.again ? { method: act.again.method, after: id } : {}) });
      }
      case 'open':
        return this.go(['/open', id]);
      case 'test':
        return this.go(['/packet', packetId, 'test']);
      case 'place':
      case 'count':
        return this.go(['/batch', id], { show: act.does });
    }
  }

  private go(to: string[], queryParams: Record<string, string | number> = {}): Observable<null> {
    void this.router.navigate(to, { queryParams });
    return of(null);
  }
}
