import { Router } from 'express';
import { shownRequest, type Batch, type Card, type Stop, type Today } from '@fresh-tuck/contract';
import { wordsFor } from '@fresh-tuck/core';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';
import { saidStore } from './said.js';

/** Minutes that a round takes: to fetch and open a bag, to look a parcel through, to plant a sprout. Guess. */
const MINUTES = { bag: 1, parcel: 0.5, sprout: 1 } as const;

/** Leaves out what Today does not draw. */
function cardOf({ facts: { seeds, wanted, startMs, looks }, answers: { curve: _, ...answers }, ...batch }: Batch): Card {
  return { ...batch, facts: { seeds, wanted, startMs, looks }, answers };
}

/** Opening a bag opens every parcel in it: the others come along and say why. */
function stopOf(batch: Batch): Stop {
  const along = batch.answers.next.reason === 'bag';
  const mates = batch.bagMates.join(' and ');
  return { batch: cardOf(batch), dueNow: !along, bagReason: along ? `In the same bag as ${mates}: look while it is open.` : null };
}

function minutesFor(due: readonly Batch[], nowMs: number): number {
  const bags = new Set(due.map(({ holder }) => holder.id)).size;
  const sprouts = due
    .flatMap(({ answers }) => answers.roots)
    .filter(({ readyMs }) => readyMs <= nowMs)
    .reduce((sum, { count }) => sum + count, 0);
  return Math.ceil(MINUTES.bag * bags + MINUTES.parcel * due.length + MINUTES.sprout * sprouts);
}

export function todayRoutes({ act, batches, clock, db, forecasts, household, spots, version }: Services): Router {
  const said = saidStore(db);
  return Router()
    .get('/today', (_request, response) => {
      const home = household.get();
      const nowMs = clock.now();
      const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
      const live = forecasts.at(home, nowMs).live();
      const due = live.filter(({ answers }) => answers.next.atMs <= nowMs);
      const stops = due.map(stopOf);
      const told = said.first(nowMs, home.zone);
      const body: Today = {
        nowMs,
        stations: spots
          .list(home.zone, home.units, nowMs)
          .map((spot) => ({ spot, stops: stops.filter(({ batch }) => batch.holder.spotId === spot.id) }))
          .filter((station) => station.stops.length > 0),
        shut: live
          .filter(({ answers }) => answers.next.atMs > nowMs)
          .map((batch) => ({ batch: cardOf(batch), nextMs: batch.answers.next.atMs, nextInWords: words.when(batch.answers.next.atMs) }))
          .sort((a, b) => a.nextMs - b.nextMs),
        batchCount: batches.count(),
        minutes: minutesFor(due, nowMs),
        changes: said.changes(live, nowMs, home.zone, words),
        told: live.every(({ id }) => told.has(id)),
      };
      response.json(body);
    })
    .post('/today/shown', (request, response) => {
      const body = read(shownRequest, request.body);
      const home = household.get();
      act('shown', body, (nowMs) => said.keep(forecasts.at(home, nowMs).live(), nowMs, home.zone, version));
      response.status(201).json({ id: body.id });
    });
}
