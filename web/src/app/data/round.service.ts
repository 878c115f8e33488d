import { computed, Injectable, signal } from '@angular/core';
import type { LookRequest, Today } from '@fresh-tuck/contract';

interface Round {
  readonly batchIds: readonly string[];
  readonly via: Exclude<LookRequest['via'], 'skipped'> | null;
}

const KEY = 'fresh-tuck.round';

function stored(): Round {
  try {
    const round = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Round | null;
    return round ?? { batchIds: [], via: null };
  } catch {
    return { batchIds: [], via: null };
  }
}

/** The walk from parcel to parcel; it outlives a reload of the page. */
@Injectable({ providedIn: 'root' })
export class RoundService {
  private readonly round = signal<Round>(stored());
  readonly batchIds = computed(() => this.round().batchIds);
  /** Opened or through the bag: asked once a round. */
  readonly via = computed(() => this.round().via);

  start(today: Today): string | null {
    this.keep({ batchIds: today.stations.flatMap(({ stops }) => stops.map(({ batch }) => batch.id)), via: null });
    return this.batchIds()[0] ?? null;
  }

  single(): void {
    this.keep({ batchIds: [], via: null });
  }

  looked(via: Round['via']): void {
    this.keep({ ...this.round(), via });
  }

  /** The parcel after this one, or null at the end. */
  after(batchId: string): string | null {
    const ids = this.batchIds();
    const index = ids.indexOf(batchId);
    return index < 0 ? null : (ids[index + 1] ?? null);
  }

  private keep(round: Round): void {
    this.round.set(round);
    sessionStorage.setItem(KEY, JSON.stringify(round));
  }
}
