import { Router } from 'express';
import { v7 as uuid } from 'uuid';
import { batchRequest, joinRequest, lookRequest, ONE_START_MS, splitRequest } from '@fresh-tuck/contract';
import { hasPlaces, methodOf } from '@fresh-tuck/core/method';
import { parcelState } from '@fresh-tuck/core/parcel';
import { momentFrom } from '../clock.js';
import { jsonOfSaved } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import { refuseClosed } from '../journal/close.js';
import type { Subject } from '../journal/entry.js';
import { looksOf, movesOf } from '../journal/read.js';
import type { Services } from '../services.js';
import { checkWay } from './checks.js';
import { mending } from './mending.js';

const stateOf = ({ seeds, startMs, entries }: Subject) => parcelState(seeds, startMs, looksOf(entries), movesOf(entries));

/** Parts of a lot: some of its quiet seed laid another way, and what was laid apart laid together again. */
export function partRoutes(services: Services): Router {
  const { act, ask, batches, clock, crops, holders, household, journal, packets, racks, spots } = services;
  const { subject } = mending({ batches, journal });

  /** A look that says nothing but how many seeds are there no more, or that none has shown. */
  const say = (
    batchId: string,
    atMs: number,
    nowMs: number,
    seen: { tipped: number; rotten: number; lost: number },
    note: string,
  ): void => {
    const id = uuid();
    const look = lookRequest.parse({
      ...{ id, at: null, via: 'opened', marks: [], damp: null, rewetted: false, troubles: [], who: null, supersedes: null, note },
      seen: { ...seen, basedOn: null },
    });
    journal.addLook({ id, batchId, atMs, nowMs, who: null, note, supersedes: null }, look);
  };

  return Router()
    .post('/batches/:batchId/splits', async (request, response) => {
      const { batchId } = request.params;
      const body = read(splitRequest, request.body);
      const { zone, units } = household.get();
      act(`split ${batchId}`, body, (nowMs) => {
        const about = refuseClosed(subject(batchId));
        const atMs = momentFrom(body.at, zone, nowMs, 'at');
        if (atMs < about.startMs) throw Problem.field('at', 'at must not lie before the batch was tucked in');
        const row = batches.get(batchId);
        if (row.purpose === 'test') throw Problem.field('seeds', 'seeds must stay together: a germination test is counted as a whole');
        const { quiet, tipped, rotten, lost } = stateOf(about);
        if (body.seeds > quiet) throw Problem.field('seeds', `seeds must be at most ${quiet}: so many are still quiet`);
        if (body.method === 'towel' && body.towel === null)
          throw Problem.field('towel', 'towel must give its size where seed goes on a towel');
        const crop = crops.crop(packets.get(row.packet_id).crop_id);
        const aim = batches.aimOf(row);
        const part = batchRequest.parse({
          id: body.newId,
          packetId: row.packet_id,
          seeds: body.seeds,
          wanted: null,
          aim,
          startAt: null,
          chillDays: null,
          chilledDays: row.chilled_days,
          prepared: JSON.parse(row.prepared) as unknown,
          damped: row.damped,
          wet: row.wet,
          light: row.light,
          doseMl: body.doseMl,
          holder: body.holder,
          method: body.method,
          ...(body.method === 'towel' ? { towel: body.towel } : hasPlaces(methodOf(body.method).carrier) ? { places: body.places } : {}),
        });
        checkWay(part, crop, { lengths: units, cold: true, freeSlots: racks.free(aim.rackId ?? null) });
        const number = household.takeNumber();
        const first = batches.placesOf(row.carrier_id)[0];
        batches.add(part, {
          number,
          token: uuid(),
          // It has drunk and been warm as long as the rest.
          startMs: row.start_ms,
          soakUntilMs: null,
          secondStep: null,
          newId: uuid,
          holderId: first?.holder_id ?? '',
          nowMs,
          from: { id: batchId, kind: 'split', chillUntilMs: row.chill_until_ms },
        });
        const { holder } = body;
        if ('newId' in holder) {
          spots.get(holder.spotId);
          holders.add(holder.newId, holder.kind, holder.closure, holder.spotId, atMs, nowMs);
        }
        batches.rebag(body.newId, uuid(), 'newId' in holder ? holder.newId : holders.get(holder.holderId).id, atMs, nowMs);
        say(
          batchId,
          atMs,
          nowMs,
          { tipped, rotten, lost: lost + body.seeds },
          `${body.seeds} quiet ${body.seeds === 1 ? 'seed' : 'seeds'} laid apart as ${number}`,
        );
        say(body.newId, atMs, nowMs, { tipped: 0, rotten: 0, lost: 0 }, `laid apart from ${row.number}`);
      });
      await jsonOfSaved(response.status(201), body.newId, ask('batch', clock.now(), body.newId));
    })
    .post('/batches/:batchId/joins', async (request, response) => {
      const { batchId } = request.params;
      const body = read(joinRequest, request.body);
      const { zone } = household.get();
      act(`join ${batchId}`, body, (nowMs) => {
        const about = refuseClosed(subject(batchId));
        const other = refuseClosed(subject(body.otherId));
        const [row, along] = [batches.get(batchId), batches.get(body.otherId)];
        const atMs = momentFrom(body.at, zone, nowMs, 'at');
        const field = (message: string): Problem => Problem.field('otherId', `otherId must be ${message}`);
        if (row.id === along.id) throw field('another batch than this one');
        if (row.packet_id !== along.packet_id) throw field('a batch of the same packet');
        if (row.method !== along.method) throw field('a batch that lies the same way');
        if (row.purpose === 'test' || along.purpose === 'test') throw field('no germination test: each is counted as a whole');
        if (Math.abs(row.start_ms - along.start_ms) > ONE_START_MS) throw field('a batch begun within a day and a half of this one');
        if (atMs < Math.max(about.startMs, other.startMs)) throw Problem.field('at', 'at must not lie before both were tucked in');
        const { quiet, tipped, rotten, lost } = stateOf(other);
        if (quiet === 0) throw field('a batch with quiet seed left');
        journal.addRecount(
          { id: body.id, batchId, atMs, nowMs, note: `${quiet} quiet ${quiet === 1 ? 'seed' : 'seeds'} of ${along.number} laid along` },
          about.seeds + quiet,
          quiet,
        );
        say(body.otherId, atMs, nowMs, { tipped, rotten, lost: lost + quiet }, `${quiet} laid along with ${row.number}`);
        journal.addClosing({ id: uuid(), batchId: body.otherId, atMs, nowMs }, 'joined');
      });
      await jsonOfSaved(response.status(201), batchId, ask('batch', clock.now(), batchId));
    });
}
