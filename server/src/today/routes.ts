import { Router } from 'express';
import type { Batch, Card, Stop, Today } from '@fresh-tuck/contract';
import { wordsFor } from '@fresh-tuck/core';
import type { Services } from '../services.js';

/** Leaves out what Today does not draw. */
function cardOf({ facts: { seeds, wanted, startMs, looks }, answers: { curve: _, ...answers }, ...batch }: Batch): Card {
  return { ...batch, facts: { seeds, wanted, startMs, looks }, answers };
}

/** Opening a bag opens every parcel in it: the others come along and say why. */
function withBagMates(due: readonly Card[], all: readonly Card[]): Stop[] {
  const dueIds = new Set(due.map(({ id }) => id));
  const bags = new Map(due.map((batch) => [batch.holder.id, batch]));
  return all.flatMap((batch): Stop[] => {
    if (dueIds.has(batch.id)) return [{ batch, dueNow: true, bagReason: null }];
    const opened = bags.get(batch.holder.id);
    return opened ? [{ batch, dueNow: false, bagReason: `In the same bag as ${opened.number}: look while it is open.` }] : [];
  });
}

export function todayRoutes({ batches, clock, forecasts, household, spots }: Services): Router {
  return Router().get('/today', (_request, response) => {
    const home = household.get();
    const nowMs = clock.now();
    const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
    const live = forecasts.at(home, nowMs).live().map(cardOf);
    const stops = withBagMates(
      live.filter(({ answers }) => answers.next.atMs <= nowMs),
      live,
    );
    const open = new Set(stops.map(({ batch }) => batch.id));
    const body: Today = {
      nowMs,
      stations: spots
        .list(home.zone, home.units, nowMs)
        .map((spot) => ({ spot, stops: stops.filter(({ batch }) => batch.holder.spotId === spot.id) }))
        .filter((station) => station.stops.length > 0),
      shut: live
        .filter(({ id }) => !open.has(id))
        .map((batch) => ({ batch, nextMs: batch.answers.next.atMs, nextInWords: words.when(batch.answers.next.atMs) }))
        .sort((a, b) => a.nextMs - b.nextMs),
      batchCount: batches.count(),
    };
    response.json(body);
  });
}
