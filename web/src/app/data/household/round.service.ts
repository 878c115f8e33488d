import { computed, inject, Injectable, signal } from '@angular/core';
import { catchError, concatMap, EMPTY, from, map, of, tap, throwError, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, LookRequest, Round as ServerRound, Today } from '@fresh-tuck/contract';
import { type ApiProblem } from '../transport/transport.service';
import { HouseholdApi } from './household.api';

interface Round {
  readonly batchIds: readonly string[];
  readonly via: Exclude<LookRequest['via'], 'skipped'> | null;
  readonly who: string | null;
}

const KEY = 'fresh-tuck.round';
const NONE: Round = { batchIds: [], via: null, who: null };

function stored(): Round {
  try {
    return { ...NONE, ...(JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Partial<Round> | null) };
  } catch {
    return NONE;
  }
}

/** The walk from parcel to parcel. It outlives a reload, and another device can go on with it. */
@Injectable({ providedIn: 'root' })
export class RoundService {
  private readonly api = inject(HouseholdApi);
  private readonly round = signal<Round>(stored());
  /** Parcels as they were when the round began: a round goes on where the network does not. */
  private readonly fetched = new Map<string, BatchWithJournal>();
  readonly batchIds = computed(() => this.round().batchIds);
  /** Opened or through the bag: asked once a round. */
  readonly via = computed(() => this.round().via);
  readonly who = computed(() => this.round().who);

  /** Begins the round in walking order; after an absence the longest roots come first. */
  start(today: Today): string | null {
    const inOrder = today.stations.flatMap(({ stops }) => stops.map(({ batch }) => batch.id));
    const first = today.rescue?.batchIds ?? [];
    const batchIds = [...first, ...inOrder.filter((id) => !first.includes(id))];
    this.keep({ batchIds, via: null, who: this.round().who });
    if (batchIds.length > 0) {
      this.api
        .startRound({ id: uuid(), batchIds })
        .pipe(catchError(() => EMPTY))
        .subscribe();
      this.fetch(batchIds);
    }
    return batchIds[0] ?? null;
  }

  /** Goes on with a round that somebody began, here or elsewhere. */
  resume({ batchIds, doneIds }: ServerRound): string | null {
    const left = batchIds.filter((id) => !doneIds.includes(id));
    this.keep({ batchIds: left, via: this.round().via, who: this.round().who });
    this.fetch(left);
    return left[0] ?? null;
  }

  single(): void {
    this.keep({ ...NONE, who: this.round().who });
  }

  looked(via: Round['via']): void {
    this.keep({ ...this.round(), via });
  }

  isWho(who: string | null): void {
    this.keep({ ...this.round(), who });
  }

  /** The parcel after this one, or null at the end. */
  after(batchId: string): string | null {
    const ids = this.batchIds();
    const index = ids.indexOf(batchId);
    return index < 0 ? null : (ids[index + 1] ?? null);
  }

  /** A parcel from the server; without a network, as it was when the round began. */
  parcel(id: string): Observable<BatchWithJournal> {
    return this.api.batch(id).pipe(
      tap((batch) => this.fetched.set(id, batch)),
      catchError((problem: ApiProblem) => {
        const known = this.fetched.get(id);
        return problem.status === 0 && known ? of(known) : throwError(() => problem);
      }),
    );
  }

  private fetch(ids: readonly string[]): void {
    from(ids)
      .pipe(
        concatMap((id) => this.api.batch(id).pipe(map((batch) => this.fetched.set(id, batch)))),
        catchError(() => EMPTY),
      )
      .subscribe();
  }

  private keep(round: Round): void {
    this.round.set(round);
    sessionStorage.setItem(KEY, JSON.stringify(round));
  }
}
