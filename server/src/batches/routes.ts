import { Router, type Request, type Response } from 'express';
import { v7 as uuid } from 'uuid';
import { batchRequest, closeRequest, lookRequest, moveRequest, rebagRequest, recountRequest, undoRequest } from '@fresh-tuck/contract';
import { soakEnd } from '@fresh-tuck/core/preparing';
import { momentFrom, nowFor } from '../clock.js';
import { json, jsonOfSaved } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import { waitedMs } from '../http/waited.js';
import { refuseClosed } from '../journal/close.js';
import type { Subject } from '../journal/entry.js';
import { checkClasses, checkLook } from '../journal/look.js';
import { checkMove, checkQuiet } from '../journal/move.js';
import { movesOf, resultOf, seedsOf } from '../journal/read.js';
import { checkRecount } from '../journal/recount.js';
import { checkUndo } from '../journal/undo.js';
import { checkWhole } from '../journal/whole.js';
import { checkBatch } from './checks.js';

export function batchRoutes({ act, ask, batches, beds, clock, crops, holders, household, journal, packets, spots }: Services): Router {
  /** RFC 7240: who asks for a minimal return is spared the forecast, and the server too. */
  const created = async (request: Request, response: Response, id: string): Promise<void> => {
    response.status(201);
    if (request.get('Prefer') === 'return=minimal') response.set('Preference-Applied', 'return=minimal').json({ id });
    else await jsonOfSaved(response, id, ask('batch', clock.now(), id));
  };
  const subject = (id: string): Subject => {
    const row = batches.get(id);
    const entries = journal.entries(id);
    return { seeds: seedsOf(row, entries), startMs: row.start_ms, entries };
  };
  /** A test ends by itself when it is counted and what lives of it has been moved. */
  const closeCounted = (batchId: string, nowMs: number): void => {
    const { entries } = subject(batchId);
    const result = resultOf(entries);
    if (!result) return;
    const moved = movesOf(entries).reduce((sum, { seeds, uncounted }) => sum + seeds.length + uncounted, 0);
    if (moved >= result.totals.normal) journal.addClosing({ id: uuid(), batchId, atMs: nowMs, nowMs }, 'counted');
  };
  return Router()
    .get('/batches', async (_request, response) => {
      json(response, await ask('batches', clock.now()));
    })
    .get('/batches/:batchId', async (request, response) => {
      json(response, await ask('batch', clock.now(), request.params.batchId));
    })
    .get('/batches/:batchId/why', async (request, response) => {
      json(response, await ask('why', clock.now(), request.params.batchId));
    })
    .post('/batches', async (request, response) => {
      const body = read(batchRequest, request.body);
      const { zone } = household.get();
      act('batch', body, (nowMs) => {
        const startMs = momentFrom(body.startAt, zone, nowMs, 'startAt');
        packets.get(body.packetId);
        packets.checkStock(body.packetId, body.taken ?? body.seeds, body.taken === null ? 'seeds' : 'taken');
        checkBatch(body);
        let holderId: string;
        if ('holderId' in body.holder) {
          ({ id: holderId } = holders.get(body.holder.holderId));
        } else {
          const { newId, kind, closure, spotId } = body.holder;
          spots.get(spotId);
          holders.add(newId, kind, closure, spotId, startMs, nowMs);
          holderId = newId;
        }
        const crop = crops.crop(packets.get(body.packetId).crop_id);
        const { secondStep: agreed } = body;
        const secondStep = agreed && {
          atMs: momentFrom(agreed.at, zone, nowMs, 'secondStep.at', Infinity),
          below: agreed.below,
          seeds: agreed.seeds,
        };
        if (secondStep && secondStep.atMs <= startMs) throw Problem.field('secondStep.at', 'secondStep.at must lie after the start');
        const soakUntilMs = body.soaking ? soakEnd(crop, startMs) : null;
        const number = household.takeNumber();
        batches.add(body, { number, token: uuid(), startMs, soakUntilMs, secondStep, newId: uuid, holderId, nowMs });
      });
      await created(request, response, body.id);
    })
    .post('/batches/:batchId/looks', async (request, response) => {
      const { batchId } = request.params;
      const body = read(lookRequest, request.body);
      const waited = waitedMs(request);
      const { zone } = household.get();
      act(`look ${batchId}`, body, (nowMs) => {
        const about = subject(batchId);
        refuseClosed(about);
        const corrected = about.entries.find((entry) => entry.id === body.supersedes);
        if (body.supersedes !== null && (corrected?.kind !== 'look' || !corrected.counts)) {
          throw Problem.field('supersedes', 'supersedes must be a look of this batch that still counts');
        }
        // A correction speaks of the moment of the look it corrects.
        const atMs =
          body.at !== null ? momentFrom(body.at, zone, nowMs, 'at') : (corrected?.atMs ?? nowFor(about.startMs, nowMs, waited, zone));
        checkLook(body, atMs, about);
        checkClasses(body, batches.get(batchId).purpose, batches.replicatesOf(batches.get(batchId)));
        const { id, who, note, supersedes } = body;
        journal.addLook({ id, batchId, atMs, nowMs, who, note, supersedes }, body);
        if (body.classes) closeCounted(batchId, nowMs);
        if (supersedes !== null) checkWhole(subject(batchId), 'seen.tipped');
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/moves', async (request, response) => {
      const { batchId } = request.params;
      const body = read(moveRequest, request.body);
      const waited = waitedMs(request);
      const { zone } = household.get();
      act(`move ${batchId}`, body, (nowMs) => {
        const about = subject(batchId);
        refuseClosed(about);
        const atMs = body.at !== null ? momentFrom(body.at, zone, nowMs, 'at') : nowFor(about.startMs, nowMs, waited, zone);
        checkMove(body, atMs, about);
        checkQuiet(body.quietPlanted, about);
        if (body.bedId !== null) beds.get(body.bedId);
        journal.addMove({ id: body.id, batchId, atMs, nowMs, who: body.who }, body, household.takeNumber);
        closeCounted(batchId, nowMs);
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/bag', async (request, response) => {
      const { batchId } = request.params;
      const body = read(rebagRequest, request.body);
      act(`bag ${batchId}`, body, (nowMs) => {
        refuseClosed(subject(batchId));
        let holderId: string;
        if ('holderId' in body.holder) ({ id: holderId } = holders.get(body.holder.holderId));
        else {
          const { newId, kind, closure, spotId } = body.holder;
          spots.get(spotId);
          holders.add(newId, kind, closure, spotId, nowMs, nowMs);
          holderId = newId;
        }
        batches.rebag(batchId, holderId, nowMs);
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/recounts', async (request, response) => {
      const { batchId } = request.params;
      const body = read(recountRequest, request.body);
      act(`recount ${batchId}`, body, (nowMs) => {
        const about = subject(batchId);
        refuseClosed(about);
        checkRecount(body.seeds, about);
        const row = batches.get(batchId);
        if (batches.replicatesOf(row).length > 1)
          throw Problem.field('seeds', `seeds must stay ${about.seeds}: so many lie on its towels, counted one by one`);
        if (body.seeds > about.seeds) packets.checkStock(row.packet_id, body.seeds - about.seeds, 'seeds');
        journal.addRecount({ id: body.id, batchId, atMs: nowMs, nowMs }, body.seeds);
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/closings', async (request, response) => {
      const { batchId } = request.params;
      const body = read(closeRequest, request.body);
      act(`close ${batchId}`, body, (nowMs) => {
        refuseClosed(subject(batchId));
        journal.addClosing({ id: body.id, batchId, atMs: nowMs, nowMs }, body.reason);
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/undos', async (request, response) => {
      const { batchId } = request.params;
      const body = read(undoRequest, request.body);
      act(`undo ${batchId}`, body, (nowMs) => {
        const target = checkUndo(body.entryId, subject(batchId));
        journal.addUndo({ id: body.id, batchId, atMs: nowMs, nowMs, supersedes: target.id });
        checkWhole(subject(batchId), 'entryId');
      });
      await created(request, response, batchId);
    });
}
