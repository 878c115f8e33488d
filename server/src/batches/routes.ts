import { Router, type Request, type Response } from 'express';
import { v7 as uuid } from 'uuid';
import {
  batchRequest,
  closeRequest,
  lookRequest,
  moveRequest,
  rebagRequest,
  recountRequest,
  undoRequest,
  type BatchWithJournal,
} from '@fresh-tuck/contract';
import { momentFrom } from '../clock.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import { waitedMs } from '../http/waited.js';
import { checkBatch, checkClasses, checkLook, checkMove, checkQuiet, checkRecount } from './checks.js';
import { movesOf, seedsOf } from './facts.js';
import type { Entry } from './journal.js';
import { journalInWords } from './words.js';

/** Moves and looks bind to a batch that is still open. */
function refuseClosed(entries: readonly Entry[]): void {
  if (entries.some((entry) => entry.counts && entry.kind === 'close')) {
    throw new Problem(409, 'Closed', 'This batch is closed. Undo the closing first.');
  }
}

export function batchRoutes({ act, batches, beds, clock, forecasts, holders, household, journal, packets, spots }: Services): Router {
  const whole = (id: string): BatchWithJournal => {
    const entries = journal.entries(id);
    return {
      ...forecasts.at(household.get(), clock.now()).batch(id),
      journal: journalInWords(entries),
      cups: entries.flatMap((entry) =>
        entry.counts && entry.move
          ? entry.move.cups.map((cup) => ({ ...cup, destination: entry.move?.destination ?? '', atMs: entry.atMs }))
          : [],
      ),
    };
  };
  /** RFC 7240: who asks for a minimal return is spared the forecast, and the server too. */
  const created = (request: Request, response: Response, id: string): void => {
    response.status(201);
    if (request.get('Prefer') === 'return=minimal') response.set('Preference-Applied', 'return=minimal').json({ id });
    else response.json(whole(id));
  };
  const subject = (id: string) => {
    const row = batches.get(id);
    const entries = journal.entries(id);
    return { seeds: seedsOf(row, entries), startMs: row.start_ms, entries };
  };
  return Router()
    .get('/batches', (_request, response) => {
      response.json(forecasts.at(household.get(), clock.now()).live());
    })
    .get('/batches/:batchId', (request, response) => {
      response.json(whole(request.params.batchId));
    })
    .get('/batches/:batchId/why', (request, response) => {
      response.json(forecasts.at(household.get(), clock.now()).why(request.params.batchId));
    })
    .post('/batches', (request, response) => {
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
        batches.add(body, { number: household.takeNumber(), token: uuid(), startMs, newId: uuid, holderId, nowMs });
      });
      created(request, response, body.id);
    })
    .post('/batches/:batchId/looks', (request, response) => {
      const { batchId } = request.params;
      const body = read(lookRequest, request.body);
      const waited = waitedMs(request);
      const { zone } = household.get();
      act(`look ${batchId}`, body, (nowMs) => {
        const about = subject(batchId);
        refuseClosed(about.entries);
        const corrected = about.entries.find((entry) => entry.id === body.supersedes);
        if (body.supersedes !== null && (!corrected?.look || !corrected.counts)) {
          throw Problem.field('supersedes', 'supersedes must be a look of this batch that still counts');
        }
        // A correction speaks of the moment of the look it corrects.
        const tapped = Math.max(
          momentFrom(body.at, zone, nowMs, 'at') - (body.at === null ? waited : 0),
          body.at === null ? about.startMs : 0,
        );
        const atMs = body.at === null && corrected ? corrected.atMs : tapped;
        checkLook(body, atMs, about);
        checkClasses(body, batches.get(batchId).purpose, batches.replicatesOf(batches.get(batchId)));
        const { id, who, note, supersedes } = body;
        journal.addLook({ id, batchId, kind: 'look', atMs, nowMs, who, note, supersedes }, body);
      });
      created(request, response, batchId);
    })
    .post('/batches/:batchId/moves', (request, response) => {
      const { batchId } = request.params;
      const body = read(moveRequest, request.body);
      const waited = waitedMs(request);
      const { zone } = household.get();
      act(`move ${batchId}`, body, (nowMs) => {
        const about = subject(batchId);
        refuseClosed(about.entries);
        const atMs = Math.max(
          momentFrom(body.at, zone, nowMs, 'at') - (body.at === null ? waited : 0),
          body.at === null ? about.startMs : 0,
        );
        checkMove(body, atMs, about);
        checkQuiet(body.quietPlanted, about);
        if (body.bedId !== null) beds.get(body.bedId);
        journal.addMove({ id: body.id, batchId, kind: 'move', atMs, nowMs, who: body.who }, body, household.takeNumber);
      });
      created(request, response, batchId);
    })
    .post('/batches/:batchId/bag', (request, response) => {
      const { batchId } = request.params;
      const body = read(rebagRequest, request.body);
      act(`bag ${batchId}`, body, (nowMs) => {
        refuseClosed(subject(batchId).entries);
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
      created(request, response, batchId);
    })
    .post('/batches/:batchId/recounts', (request, response) => {
      const { batchId } = request.params;
      const body = read(recountRequest, request.body);
      act(`recount ${batchId}`, body, (nowMs) => {
        const about = subject(batchId);
        checkRecount(body.seeds, about);
        const row = batches.get(batchId);
        if (batches.replicatesOf(row).length > 1)
          throw Problem.field('seeds', `seeds must stay ${about.seeds}: so many lie on its towels, counted one by one`);
        if (body.seeds > about.seeds) packets.checkStock(row.packet_id, body.seeds - about.seeds, 'seeds');
        journal.addRecount({ id: body.id, batchId, kind: 'recount', atMs: nowMs, nowMs }, body.seeds);
      });
      created(request, response, batchId);
    })
    .post('/batches/:batchId/closings', (request, response) => {
      const { batchId } = request.params;
      const body = read(closeRequest, request.body);
      act(`close ${batchId}`, body, (nowMs) => {
        refuseClosed(subject(batchId).entries);
        journal.addClosing({ id: body.id, batchId, kind: 'close', atMs: nowMs, nowMs }, body.reason);
      });
      created(request, response, batchId);
    })
    .post('/batches/:batchId/undos', (request, response) => {
      const { batchId } = request.params;
      const body = read(undoRequest, request.body);
      act(`undo ${batchId}`, body, (nowMs) => {
        const about = subject(batchId);
        const target = about.entries.find((entry) => entry.id === body.entryId);
        if (!target) throw Problem.unknown('entry in this journal');
        if (target.kind === 'undo') throw Problem.field('entryId', 'entryId must not be an undo: enter it again instead');
        if (!target.counts) throw Problem.field('entryId', 'entryId must be an entry that still counts');
        const moved = movesOf(about.entries).reduce((sum, move) => sum + move.seeds.length + move.uncounted, 0);
        if (target.kind === 'look' && moved > 0 && target.look?.tipped) {
          const left = about.entries.filter((entry) => entry.id !== target.id && entry.counts && entry.look);
          const others = Math.max(0, ...left.map((entry) => entry.look?.tipped ?? 0));
          if (others < moved) throw Problem.field('entryId', `entryId: ${moved} of its sprouts were moved; undo the move first`);
        }
        journal.addUndo({ id: body.id, batchId, kind: 'undo', atMs: nowMs, nowMs, supersedes: target.id });
      });
      created(request, response, batchId);
    });
}
