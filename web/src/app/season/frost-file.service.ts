import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import type { FrostReply } from './frost.messages';

/** Reads a station's file beside the page: thirty years are eleven thousand rows. */
@Injectable({ providedIn: 'root' })
export class FrostFileService {
  read(file: File): Observable<FrostReply> {
    return new Observable((subscriber) => {
      const worker = new Worker(new URL('./frost.worker', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<FrostReply>) => {
        subscriber.next(data);
        subscriber.complete();
      };
      worker.onerror = ({ message }) => subscriber.error(new Error(message));
      worker.postMessage(file);
      return () => worker.terminate();
    });
  }
}
