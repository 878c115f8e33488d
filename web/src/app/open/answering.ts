import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { debounceTime, filter, map, switchMap } from 'rxjs';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import type { Report } from '@fresh-tuck/core/judging';
import type { ParcelFacts, ParcelState } from '@fresh-tuck/core/parcel';
import type { Told } from '@fresh-tuck/core/words';
import { ForecastService } from '../data/forecast/forecast.service';
import { AboutService } from '../data/household/about.service';
import { draftLook, type Draft } from './draft';

/** What a draft rests on: the parcel as it was, and the moment of the look. */
interface Drafting {
  readonly batch: Signal<BatchWithJournal | null>;
  readonly facts: Signal<ParcelFacts | null>;
  readonly before: Signal<ParcelState | null>;
  readonly draft: Signal<Draft>;
  readonly atMs: Signal<number>;
}

/** Asks the worker what a draft means at every touch; to be called while a component is made. */
export function answering({ batch, facts, before, draft, atMs }: Drafting) {
  const forecasts = inject(ForecastService);
  const about = inject(AboutService);
  const draftFacts = computed<ParcelFacts | null>(() => {
    const known = facts();
    const state = before();
    if (!known || !state) return null;
    const look = draftLook(draft(), state, atMs());
    return look ? { ...known, looks: [...known.looks, look] } : known;
  });
  const live = toSignal(
    toObservable(draftFacts).pipe(
      filter((told) => told !== null),
      debounceTime(20),
      switchMap((told) => {
        const id = batch()?.id;
        return forecasts.parcel(told, about.nowMs()).pipe(map((reply) => ({ ...reply, facts: told, id })));
      }),
    ),
  );
  return {
    /** The answer to the draft; until the worker has spoken, the server's. */
    answer: computed<{ facts: ParcelFacts; answers: Report; judgement: Told } | null>(() => {
      // What was said of the parcel before says nothing of this one.
      const now = live()?.id === batch()?.id ? live() : undefined;
      if (now && now.facts === draftFacts()) return now;
      return now ?? batch();
    }),
    /** What the answer rests on, the draft of this look among it. */
    why: computed(() => {
      const told = draftFacts();
      return told && (() => forecasts.why(told, about.nowMs()));
    }),
  };
}
