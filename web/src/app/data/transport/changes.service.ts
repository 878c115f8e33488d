import { Injectable } from '@angular/core';
import { Observable, share, startWith, Subject, switchMap } from 'rxjs';

/** The server's stream of changes: every open screen asks again when something was saved, here or elsewhere. */
@Injectable({ providedIn: 'root' })
export class Changes {
  private readonly reached = new Subject<void>();
  /** The server answers, for the first time or again. */
  readonly reached$ = this.reached.asObservable();
  readonly changed$ = new Observable<void>((subscriber) => {
    const source = new EventSource('/api/events');
    let opened = false;
    source.addEventListener('changed', () => subscriber.next());
    // The browser reconnects by itself; what changed in between is asked for then.
    source.addEventListener('open', () => {
      this.reached.next();
      if (opened) subscriber.next();
      opened = true;
    });
    return () => source.close();
  }).pipe(share());

  /** Asks now and after every change. */
  keep<T>(ask: () => Observable<T>): Observable<T> {
    return this.changed$.pipe(startWith(undefined), switchMap(ask));
  }
}
