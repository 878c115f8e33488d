import { inject, Injectable } from '@angular/core';
import { forkJoin, Observable, switchMap } from 'rxjs';
import type { Marked } from '@fresh-tuck/core/practice';
import { HouseholdApi } from '../data/household/household.api';
import type { PracticeQuestion, PracticeReply } from './practice.messages';

/** Crops that are practised on: the box's own, filled up with these. */
const USUAL = ['tomatillo', 'okra', 'leek', 'melon', 'sweet-pea', 'dill'];
const MOST_CROPS = 6;
/** Answers that are remembered in this browser, for the sureness: nothing of it goes to the household. */
const KEPT = 'fresh-tuck practice';
const MOST_KEPT = 300;

/** Exercises, and what was answered before in this browser. */
@Injectable({ providedIn: 'root' })
export class PracticeService {
  private readonly api = inject(HouseholdApi);

  /** A run drawn anew, on crops of the box. */
  run(seed: number): Observable<PracticeReply> {
    return this.api.packets('').pipe(
      switchMap((packets) => {
        const ids = [...new Set([...packets.map(({ cropId }) => cropId), ...USUAL])].slice(0, MOST_CROPS);
        return forkJoin(ids.map((id) => this.api.crop(id)));
      }),
      switchMap((crops) => this.drawn({ crops, seed })),
    );
  }

  private drawn(question: PracticeQuestion): Observable<PracticeReply> {
    return new Observable((subscriber) => {
      const worker = new Worker(new URL('./practice.worker', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<PracticeReply>) => {
        subscriber.next(data);
        subscriber.complete();
      };
      worker.onerror = ({ message }) => subscriber.error(new Error(message));
      worker.postMessage(question);
      return () => worker.terminate();
    });
  }

  /** Answers of this and former runs in this browser. */
  kept(): Marked[] {
    try {
      return JSON.parse(localStorage.getItem(KEPT) ?? '[]') as Marked[];
    } catch {
      return [];
    }
  }

  keep(marked: Marked): void {
    try {
      localStorage.setItem(KEPT, JSON.stringify([...this.kept(), marked].slice(-MOST_KEPT)));
    } catch {
      // A browser that keeps nothing practises all the same.
    }
  }
}
