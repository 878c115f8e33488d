import { Injectable } from '@angular/core';
import { Observable, share, startWith, switchMap } from 'rxjs';

/** The server's stream of changes: every open screen asks again when something was saved, here or elsewhere. */
@Injectable({ providedIn: 'root' })
export class Changes {
  readonly changed$ = new Observable<void>((subscriber) => {
    const source = new EventSource('/api/events');
    let opened = false;
    source.addEventListener('changed', () => subscriber.next());
    // The browser reconnects by itself; what changed in between is asked for then.
    source.addEventListener('open', () => {
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
