import { inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { debounceTime, distinctUntilChanged, type Observable, startWith, switchMap } from 'rxjs';
import { HouseholdApi } from '../data/household/household.api';
import { Changes } from '../data/transport/changes.service';
import { TuckApi } from './tuck.api';

/** A short wait for the next letter, ms. */
const TYPING_MS = 150;

/** What every packet that is to be tucked in chooses from: asked once for a screen, however many there are. */
@Injectable()
export class TuckSources {
  private readonly api = inject(TuckApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly changes = inject(Changes);

  /** Asks about one packet, now and after every change. */
  follow<T>(ask: () => Observable<T>): Observable<T> {
    return this.changes.keep(ask);
  }

  /** Words that the packets to choose from must hold. */
  readonly finding = signal('');
  readonly packets = toSignal(
    toObservable(this.finding).pipe(
      debounceTime(TYPING_MS),
      startWith(''),
      distinctUntilChanged(),
      switchMap((words) => this.changes.keep(() => this.householdApi.packets(words))),
    ),
  );
  /** What could be started now, and why; the list of packets is led by it. */
  readonly ideas = toSignal(this.changes.keep(() => this.api.ideas()));
  readonly spots = toSignal(
    this.changes.keep(() => this.householdApi.spots()),
    { initialValue: [] },
  );
  readonly holders = toSignal(
    this.changes.keep(() => this.householdApi.holders()),
    { initialValue: [] },
  );
}

/** The same for a list of many packets: each is asked about once, or every change would ask for all of them again. */
@Injectable()
export class ListSources extends TuckSources {
  override follow<T>(ask: () => Observable<T>): Observable<T> {
    return ask();
  }
}
