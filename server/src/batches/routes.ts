import { Router, type Request, type Response } from 'express';
import { v7 as uuid } from 'uuid';
import { batchRequest, closeRequest, lookRequest, moveRequest, rebagRequest, recountRequest, undoRequest } from '@fresh-tuck/contract';
import { soakEnd } from '@fresh-tuck/core/preparing';
import { momentFrom, nowFor } from '../clock.js';
import { json, jsonOfSaved } from '../http/json.js';
import { changedMeanwhile, Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import type * as z from 'zod';
import { waitedMs } from '../http/waited.js';
import { refuseClosed, refuseUntucked } from '../journal/close.js';
import { mending } from './mending.js';
import { checkClasses, checkLook } from '../journal/look.js';
import { checkMove, checkQuiet } from '../journal/move.js';
import { movesOf, resultOf } from '../journal/read.js';
import { checkRecount } from '../journal/recount.js';
import { checkUndo } from '../journal/undo.js';
import { checkWhole } from '../journal/whole.js';
import { checkAlong, checkBatch, checkWay } from './checks.js';

export function batchRoutes(services: Services): Router {
  const { act, ask, batches, beds, care, clock, crops, holders, household, journal, packets, racks, sittings, spots, trials } = services;
  /** RFC 7240: who asks for a minimal return is spared the forecast, and the server too. */
  const created = async (request: Request, response: Response, id: string): Promise<void> => {
    response.status(201);
    if (request.get('Prefer') === 'return=minimal') response.set('Preference-Applied', 'return=minimal').json({ id });
    else await jsonOfSaved(response, id, ask('batch', clock.now(), id));
  };
  const { subject, undoing, settle } = mending({ batches, journal });
  /** A test ends by itself when it is counted and what lives of it has been moved. */
  const closeCounted = (batchId: string, nowMs: number): void => {
    const { entries } = subject(batchId);
    const result = resultOf(entries);
    if (!result) return;
    const moved = movesOf(entries).reduce((sum, { seeds, uncounted }) => sum + seeds.length + uncounted, 0);
    if (moved >= result.totals.normal) journal.addClosing({ id: uuid(), batchId, atMs: nowMs, nowMs }, 'counted');
  };
  /** The bag that is there, or a new one from a moment on. */
  const holderFor = (holder: z.output<typeof rebagRequest>['holder'], fromMs: number, nowMs: number, shared = false): string => {
    if ('holderId' in holder) return holders.get(holder.holderId).id;
    spots.get(holder.spotId);
    // Lots of a sitting that share a bag name the same one: whichever is laid first brings it.
    if (shared && holders.has(holder.newId)) return holder.newId;
    holders.add(holder.newId, holder.kind, holder.closure, holder.spotId, fromMs, nowMs);
    return holder.newId;
  };
  /** The batch that another one begins again: of the same crop, and not taken back. */
  const attempt = (id: string, cropId: string): string => {
    const row = batches.get(id);
    refuseUntucked(subject(id));
    if (packets.get(row.packet_id).crop_id !== cropId) throw Problem.field('after', 'after must be a batch of the same crop');
    return id;
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
        const packet = packets.get(body.packetId);
        const crop = crops.crop(packet.crop_id);
        const along = body.also?.seeds ?? 0;
        packets.checkStock(body.packetId, (body.taken ?? body.seeds) - along, body.taken === null ? 'seeds' : 'taken');
        checkBatch(body);
        checkWay(body, crop, {
          lengths: household.get().units,
          cold: spots.anyCold(startMs),
          freeSlots: racks.free(body.aim.rackId ?? null),
        });
        if (body.also) checkAlong(body, packet, packets.get(body.also.packetId, 'also.packetId'));
        if (body.also) packets.checkStock(body.also.packetId, along, 'also.seeds');
        const from = body.after === null ? undefined : { id: attempt(body.after, packet.crop_id), kind: 'restart' as const };
        const { sitting } = body;
        const holderId = holderFor(body.holder, startMs, nowMs, sitting !== null);
        const { secondStep: agreed } = body;
        const secondStep = agreed && {
          atMs: momentFrom(agreed.at, zone, nowMs, 'secondStep.at', Infinity),
          below: agreed.below,
          seeds: agreed.seeds,
        };
        if (secondStep && secondStep.atMs <= startMs) throw Problem.field('secondStep.at', 'secondStep.at must lie after the start');
        const soakUntilMs = body.soaking ? soakEnd(crop, startMs, body.soakHours) : null;
        const label = sitting ? sittings.take(sitting.lineId, body.packetId) : { number: household.takeNumber(), token: uuid() };
        batches.add(body, { ...label, startMs, soakUntilMs, secondStep, newId: uuid, holderId, nowMs, from });
        if (body.trial) trials.join(body.trial, body.id, nowMs);
        if (sitting) sittings.begun(sitting.lineId, body.id, sitting.seconds);
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
        if (body.spotId !== null) {
          spots.get(body.spotId);
          care.add([batchId], body.id, { kind: 'place', spotId: body.spotId }, atMs, nowMs);
        }
        journal.addMove({ id: body.id, batchId, atMs, nowMs, who: body.who }, body, household.takeNumber);
        closeCounted(batchId, nowMs);
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/bag', async (request, response) => {
      const { batchId } = request.params;
      const body = read(rebagRequest, request.body);
      const { zone } = household.get();
      act(`bag ${batchId}`, body, (nowMs) => {
        const { startMs } = refuseClosed(subject(batchId));
        const atMs = momentFrom(body.at, zone, nowMs, 'at');
        if (atMs < startMs) throw Problem.field('at', 'at must not lie before the batch was tucked in');
        batches.rebag(batchId, body.id, holderFor(body.holder, atMs, nowMs), atMs, nowMs);
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/recounts', async (request, response) => {
      const { batchId } = request.params;
      const body = read(recountRequest, request.body);
      act(`recount ${batchId}`, body, (nowMs) => {
        const about = subject(batchId);
        refuseClosed(about);
        if (body.was !== null && body.was !== about.seeds) throw changedMeanwhile(`The count was corrected to ${about.seeds} meanwhile.`);
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
      const { zone } = household.get();
      act(`close ${batchId}`, body, (nowMs) => {
        const { startMs } = refuseClosed(subject(batchId));
        const atMs = momentFrom(body.at, zone, nowMs, 'at');
        if (atMs < startMs) throw Problem.field('at', 'at must not lie before the batch was tucked in');
        journal.addClosing({ id: body.id, batchId, atMs, nowMs }, body.reason);
      });
      // What it came to is read now, so that looking back waits for nothing.
      if (!services.db.memory) void ask('judge', clock.now()).catch(() => undefined);
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/undos', async (request, response) => {
      const { batchId } = request.params;
      const body = read(undoRequest, request.body);
      act(`undo ${batchId}`, body, (nowMs) => {
        const { number, label_gone: gone } = batches.get(batchId);
        if (gone) throw new Problem(409, 'Label gone', `Label ${number} is on the batch begun in its place: this one stays taken back.`);
        const { target, along, refusal } = undoing(batchId, body.entryId);
        if (along.some(({ id }) => !body.along.includes(id)))
          throw refusal ?? Problem.field('along', 'along must name what ended with this entry: it is taken back along with it');
        const more = body.along.filter((id) => !along.some((one) => one.id === id));
        // What rests on something goes before it.
        for (const id of [...along.map((one) => one.id).reverse(), ...more])
          journal.addUndo({ id: uuid(), batchId, atMs: nowMs, nowMs, supersedes: checkUndo(id, subject(batchId)).id });
        journal.addUndo({ id: body.id, batchId, atMs: nowMs, nowMs, supersedes: target.id });
        settle(batchId);
        checkWhole(subject(batchId), 'entryId');
      });
      await created(request, response, batchId);
    });
}
