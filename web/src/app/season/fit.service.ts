import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import type { FitQuestion, FitReply } from './fit.messages';

/** Works out a plan that fits beside the page; who no longer waits for it ends it. */
@Injectable({ providedIn: 'root' })
export class FitService {
  plan(question: FitQuestion): Observable<FitReply> {
    return new Observable((subscriber) => {
      const worker = new Worker(new URL('./fit.worker', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<FitReply>) => {
        subscriber.next(data);
        if (data.kind !== 'progress') subscriber.complete();
      };
      worker.onerror = ({ message }) => subscriber.error(new Error(message));
      worker.postMessage(question);
      return () => worker.terminate();
    });
  }
}
