import { inject, Injectable } from '@angular/core';
import { filter, map, Observable, Subject, take } from 'rxjs';
import type { Report } from '@fresh-tuck/core/judging';
import type { ParcelFacts } from '@fresh-tuck/core/parcel';
import type { Way, WaysQuestion } from '@fresh-tuck/core/sowing';
import type { Told, WhyPanel } from '@fresh-tuck/core/words';
import { AboutService } from '../household/about.service';
import type { Plan, PlanQuestion, WorkerReply, WorkerRequest } from './forecast.messages';

/** The forecast beside the thumb: computed in a worker, so that no tap waits. */
@Injectable({ providedIn: 'root' })
export class ForecastService {
  private readonly about = inject(AboutService);
  private readonly worker = new Worker(new URL('./forecast.worker', import.meta.url), { type: 'module' });
  private readonly replies = new Subject<WorkerReply>();
  private lastKey = 0;

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<WorkerReply>) => this.replies.next(data);
  }

  parcel(facts: ParcelFacts, nowMs: number): Observable<{ answers: Report; judgement: Told }> {
    return this.ask((key) => ({ key, kind: 'parcel', facts, nowMs, household: this.about.household() })).pipe(
      map((reply) => {
        if (reply.kind !== 'parcel') throw new Error('The forecast could not be computed.');
        return reply;
      }),
    );
  }

  /** What a judgement rests on, for a look that is not saved yet. */
  why(facts: ParcelFacts, nowMs: number): Observable<WhyPanel> {
    return this.ask((key) => ({ key, kind: 'why', facts, nowMs, household: this.about.household() })).pipe(
      map((reply) => {
        if (reply.kind !== 'why') throw new Error('The reasons could not be computed.');
        return reply.why;
      }),
    );
  }

  plan(question: PlanQuestion): Observable<Plan> {
    return this.ask((key) => ({ key, kind: 'plan', question, nowMs: this.about.nowMs(), household: this.about.household() })).pipe(
      map((reply) => {
        if (reply.kind !== 'plan') throw new Error('The plan could not be computed.');
        return reply.plan;
      }),
    );
  }

  /** The ways to start a crop for a destination, the best first. */
  ways(question: WaysQuestion): Observable<readonly Way[]> {
    return this.ask((key) => ({ key, kind: 'ways', question, nowMs: this.about.nowMs(), household: this.about.household() })).pipe(
      map((reply) => {
        if (reply.kind !== 'ways') throw new Error('The ways could not be ranked.');
        return reply.ways;
      }),
    );
  }

  private ask(request: (key: number) => WorkerRequest): Observable<WorkerReply> {
    return new Observable<WorkerReply>((subscriber) => {
      const key = ++this.lastKey;
      const waiting = this.replies
        .pipe(
          filter((reply) => reply.key === key),
          take(1),
        )
        .subscribe(subscriber);
      this.worker.postMessage(request(key));
      return waiting;
    });
  }
}
