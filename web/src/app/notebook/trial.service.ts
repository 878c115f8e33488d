import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import type { TrialQuestion, TrialReply } from './trial.messages';

/** Compares beside the page; who no longer waits for it ends it. */
@Injectable({ providedIn: 'root' })
export class TrialWork {
  ask(question: TrialQuestion): Observable<TrialReply> {
    return new Observable((subscriber) => {
      const worker = new Worker(new URL('./trial.worker', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<TrialReply>) => {
        subscriber.next(data);
        if (data.kind !== 'progress') subscriber.complete();
      };
      worker.onerror = ({ message }) => subscriber.error(new Error(message));
      worker.postMessage(question);
      return () => worker.terminate();
    });
  }
}
