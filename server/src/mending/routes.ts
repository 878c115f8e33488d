import { Router, type Request, type Response } from 'express';
import { amendRequest, correctRequest, daysRequest, untuckRequest, type Undoing as UndoingAnswer } from '@fresh-tuck/contract';
import { methodOf } from '@fresh-tuck/core/method';
import { wordsFor } from '@fresh-tuck/core/units';
import { soakEnd } from '@fresh-tuck/core/preparing';
import { undoneInWords, untuckInWords } from '@fresh-tuck/core/words';
import type * as z from 'zod';
import { momentFrom } from '../clock.js';
import { jsonOfSaved } from '../http/json.js';
import { changedMeanwhile, Problem, read } from '../http/problem.js';
import { lastAmendment } from '../journal/amend.js';
import { refuseClosed, refuseUntucked } from '../journal/close.js';
import { checkCorrect } from '../journal/correct.js';
import type { AmendBody, Amended } from '../journal/entry.js';
import { mending } from '../batches/mending.js';
import { countingOf } from '../journal/read.js';
import { checkWhole } from '../journal/whole.js';
import type { Services } from '../services.js';
import { toldLater } from './told-later.js';
import { journalFacts } from '../views/journal.js';

const DAY_MS = 86_400_000;

/** What of a batch's record is put right afterwards, and what that means, said before it is done. */
export function mendRoutes(services: Services): Router {
  const { act, ask, batches, beds, clock, crops, household, journal, packets } = services;
  const { subject, undoing, settle } = mending({ batches, journal });
  const { tellLook } = toldLater({ journal, subject });
  const facts = journalFacts(services);
  const created = async (request: Request, response: Response, id: string): Promise<void> => {
    response.status(201);
    if (request.get('Prefer') === 'return=minimal') response.set('Preference-Applied', 'return=minimal').json({ id });
    else await jsonOfSaved(response, id, ask('batch', clock.now(), id));
  };
  const words = () => {
    const { zone, units, millilitresPerSpray } = household.get();
    return wordsFor(zone, units, clock.now(), millilitresPerSpray);
  };

  /** The columns that a correction rewrites, and what they held. */
  function rewritten(batchId: string, body: z.output<typeof amendRequest>, zone: string, nowMs: number): AmendBody {
    const row = batches.get(batchId);
    const { seeds } = subject(batchId);
    const after: { -readonly [K in keyof Amended]?: Amended[K] } = {};
    const packet = packets.get(body.packetId ?? row.packet_id);
    const crop = crops.crop(packet.crop_id);
    if (body.packetId !== undefined && body.packetId !== row.packet_id) {
      packets.checkStock(packet.id, row.taken ?? seeds, 'packetId');
      after.packet_id = packet.id;
    }
    const startMs = body.startAt === undefined ? row.start_ms : momentFrom(body.startAt, zone, nowMs, 'startAt');
    if (startMs !== row.start_ms) after.start_ms = startMs;
    const moved = startMs - row.start_ms;
    const shifted = (ms: number | null): number | null => (ms === null ? null : ms + moved);
    const chillUntilMs =
      body.chillDays === undefined ? shifted(row.chill_until_ms) : body.chillDays === null ? null : startMs + body.chillDays * DAY_MS;
    if (chillUntilMs !== row.chill_until_ms) after.chill_until_ms = chillUntilMs;
    if (moved !== 0 && row.final_ms !== null) after.final_ms = shifted(row.final_ms);
    const prepared = body.prepared === undefined ? row.prepared : JSON.stringify(body.prepared);
    if (prepared !== row.prepared) after.prepared = prepared;
    // A soak that goes on is the crop's and counts from the start; where nothing is soaked there is none.
    const soaks = (JSON.parse(prepared) as string[]).includes('soak');
    const soakUntilMs = row.soak_until_ms === null || !soaks ? null : soakEnd(crop, startMs);
    if (soakUntilMs !== row.soak_until_ms) after.soak_until_ms = soakUntilMs;
    if (body.method !== undefined && body.method !== row.method) {
      if (row.purpose === 'test' && methodOf(body.method).event !== 'tip')
        throw Problem.field('method', 'method must stay one in which the tips are seen: this is a germination test');
      after.method = body.method;
      after.carrier_kind = methodOf(body.method).carrier;
    }
    if (body.wanted !== undefined && body.wanted !== row.wanted) after.wanted = body.wanted;
    if (body.destination !== undefined) {
      const aim = batches.aimOf(row);
      if (aim.destination !== body.destination) after.aim = JSON.stringify({ ...aim, destination: body.destination });
    }
    const before = Object.fromEntries((Object.keys(after) as (keyof Amended)[]).map((column) => [column, row[column]]));
    return { before, after };
  }

  return Router()
    .get('/batches/:batchId/entries/:entryId/undoing', (request, response) => {
      const { batchId, entryId } = request.params;
      const { target, along, before, after } = undoing(batchId, entryId);
      const row = batches.get(batchId);
      const say = words();
      const tell = facts.undone(batchId, before, after);
      const answer: UndoingAnswer = {
        entryId,
        along: along.map(({ id }) => id),
        follows: [target, ...along].map((entry) => undoneInWords(tell(entry), row.method, say)),
      };
      response.json(answer);
    })
    .get('/batches/:batchId/untucking', (request, response) => {
      const { batchId } = request.params;
      const row = batches.get(batchId);
      const { entries, seeds } = refuseUntucked(subject(batchId));
      const { variety, crop_id } = packets.get(row.packet_id);
      const labels = countingOf(entries, 'move').flatMap(({ move }) => move.cups.map(({ number }) => number));
      const looks = countingOf(entries, 'look').length;
      const packet = `${crops.crop(crop_id).name}, ${variety}`;
      response.json({ follows: [untuckInWords(row.number, { seeds: row.taken ?? seeds, looks, labels, packet })] });
    })
    .post('/batches/:batchId/days', async (request, response) => {
      const { batchId } = request.params;
      const body = read(daysRequest, request.body);
      const { zone } = household.get();
      act(`days ${batchId}`, body, (nowMs) => {
        refuseClosed(subject(batchId));
        const rows = body.looks
          .map((look, index) => ({ ...look, index, atMs: momentFrom(look.at, zone, nowMs, `looks.${index}.at`) }))
          .sort((a, b) => a.atMs - b.atMs);
        for (const row of rows) tellLook(batchId, row, body.who, nowMs);
        checkWhole(subject(batchId), 'at');
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/corrections', async (request, response) => {
      const { batchId } = request.params;
      const body = read(correctRequest, request.body);
      const { zone } = household.get();
      act(`correct ${batchId}`, body, (nowMs) => {
        const about = refuseUntucked(subject(batchId));
        const toMs = body.at === null ? null : momentFrom(body.at, zone, nowMs, 'at');
        const { entryId: targetId, destination, bedId } = body;
        checkCorrect({ targetId, toMs, destination, bedId }, about);
        if (bedId !== null) beds.get(bedId);
        journal.addCorrection({ id: body.id, batchId, atMs: nowMs, nowMs }, { targetId, toMs, destination, bedId });
        checkWhole(subject(batchId), 'at');
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/amendments', async (request, response) => {
      const { batchId } = request.params;
      const body = read(amendRequest, request.body);
      const { zone } = household.get();
      act(`amend ${batchId}`, body, (nowMs) => {
        const { entries } = refuseUntucked(subject(batchId));
        if (lastAmendment(entries) !== body.after) throw changedMeanwhile('Somebody corrected this batch meanwhile.');
        const muddled = batches.get(batchId).packet_id;
        const said = rewritten(batchId, body, zone, nowMs);
        if (Object.keys(said.after).length === 0) throw Problem.field('body', 'body must correct something: all of this stands so already');
        journal.addAmendment({ id: body.id, batchId, atMs: nowMs, nowMs }, said);
        settle(batchId);
        packets.settleMuddle(muddled, nowMs);
        checkWhole(subject(batchId), 'startAt');
      });
      await created(request, response, batchId);
    })
    .post('/batches/:batchId/untuckings', async (request, response) => {
      const { batchId } = request.params;
      const body = read(untuckRequest, request.body);
      act(`untuck ${batchId}`, body, (nowMs) => {
        refuseUntucked(subject(batchId));
        journal.addUntucking({ id: body.id, batchId, atMs: nowMs, nowMs });
      });
      await created(request, response, batchId);
    });
}
