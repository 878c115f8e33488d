import { DateTime } from 'luxon';
import { Router, type Response } from 'express';
import {
  boxQuery,
  packetChange,
  packetCountRequest,
  matchesQuery,
  packetImportChange,
  packetImportFrame,
  muddleRequest,
  packetRequest,
  packetsQuery,
  shelveRequest,
  takeBackRequest,
  startQuery,
} from '@fresh-tuck/contract';
import { momentFrom } from '../clock.js';
import { json, jsonOfSaved } from '../http/json.js';
import { Problem, read, readRows } from '../http/problem.js';
import { addShelfRoutes } from '../shelf/routes.js';
import type { Services } from '../services.js';

/** Tables that are named as brought in. */
const MOST_IMPORTS = 5;

export function packetRoutes({ act, ask, clock, household, imports, packets, takenBack }: Services): Router {
  const thisYear = (): number => DateTime.fromMillis(clock.now(), { zone: household.find()?.zone ?? 'UTC' }).year;

  const saved = (response: Response, id: string): Promise<void> => jsonOfSaved(response, id, ask('packet', clock.now(), id));

  /** Seed packed for next season is sold in autumn; later is a slip of the pen. */
  function checkYear(year: number | null, field: string): void {
    const latest = thisYear() + 1;
    if (year !== null && year > latest) throw Problem.field(field, `${field} must not lie after ${latest}`);
  }

  const router = Router()
    .get('/box', async (request, response) => {
      const { find, divider, from } = read(boxQuery, request.query);
      json(response, await ask('box', clock.now(), { find, page: divider === null ? null : { divider, from } }));
    })
    .get('/packets', async (request, response) => {
      const { find, crop } = read(packetsQuery, request.query);
      json(response, await ask('packetNames', clock.now(), find, crop));
    })
    .get('/packets.csv', async (_request, response) => {
      response
        .type('text/csv; charset=utf-8')
        .attachment('seed-box.csv')
        .send(await ask.value('packetsAsCsv', clock.now()));
    })
    .get('/packets/away', (_request, response) => {
      response.json(packets.away().map(({ id }) => packets.packet(id)));
    })
    .get('/packets/imports', (_request, response) => {
      response.json(imports.recent(MOST_IMPORTS));
    })
    .get('/packets/ideas', async (_request, response) => {
      household.get();
      json(response, await ask('ideas', clock.now()));
    })
    .get('/packets/:packetId', async (request, response) => {
      json(response, await ask('packet', clock.now(), request.params.packetId));
    })
    .get('/packets/:packetId/kin', async (request, response) => {
      json(response, await ask('kin', clock.now(), request.params.packetId));
    })
    .get('/packets/:packetId/start', async (request, response) => {
      const { at } = read(startQuery, request.query);
      const nowMs = clock.now();
      // What is planned may lie ahead.
      const startMs = momentFrom(at, household.get().zone, nowMs, 'at', Infinity);
      json(response, await ask('start', nowMs, request.params.packetId, startMs));
    })
    .post('/packets', async (request, response) => {
      const body = read(packetRequest, request.body);
      household.get();
      checkYear(body.year, 'year');
      act('packet', body, (nowMs) => {
        if (packets.has(body.id)) throw Problem.field('id', 'id must be new: a packet with this id is in the box already');
        packets.add(body, nowMs);
      });
      await saved(response.status(201), body.id);
    })
    .post('/packets/muddles', async (request, response) => {
      const body = read(muddleRequest, request.body);
      household.get();
      act('muddle', body, (nowMs) => packets.addMuddle(body.id, body.packetIds, nowMs));
      await saved(response.status(201), body.id);
    })
    .post('/packets/imports', async (request, response) => {
      const { id, packets: rows, changes } = read(packetImportFrame, request.body);
      const body = {
        id,
        packets: await readRows(packetRequest, 'packets', rows),
        changes: await readRows(packetImportChange, 'changes', changes),
      };
      household.get();
      body.packets.forEach((packet, index) => checkYear(packet.year, `packets.${index}.year`));
      body.changes.forEach((packet, index) => checkYear(packet.year, `changes.${index}.year`));
      // A thousand rows are made ready a stretch at a time, so that the transaction itself is short.
      const ready: ReturnType<typeof packets.ready>[] = [];
      for (const packet of body.packets) {
        ready.push(packets.ready(packet));
        if (ready.length % 100 === 0) await new Promise((resolve) => setImmediate(resolve));
      }
      act('packets', body, (nowMs) => {
        const named = new Set<string>();
        body.packets.forEach((packet, index) => {
          if (named.has(packet.id) || packets.has(packet.id))
            throw Problem.field(`packets.${index}.id`, `packets.${index}.id must be new: a packet with this id is in the box already`);
          named.add(packet.id);
        });
        imports.add(id, { added: body.packets, changed: body.changes, ready }, nowMs);
      });
      response.status(201).json({ added: body.packets.length, changed: body.changes.length });
    })
    .post('/packets/imports/:importId/undos', (request, response) => {
      const { importId } = request.params;
      const body = read(shelveRequest, request.body);
      response.status(201).json(act(`import-undo ${importId}`, body, (nowMs) => imports.undo(importId, nowMs)));
    })
    .post('/packets/matches', (request, response) => {
      const { rows } = read(matchesQuery, request.body);
      response.json(imports.matches(rows).map((row) => row && packets.packet(row.id)));
    })
    .put('/packets/:packetId', async (request, response) => {
      const { packetId } = request.params;
      const body = read(packetChange, request.body);
      checkYear(body.year, 'year');
      act(`packet ${packetId}`, body, (nowMs) => packets.change(packetId, body, nowMs));
      await saved(response, packetId);
    })
    .post('/packets/:packetId/counts', async (request, response) => {
      const { packetId } = request.params;
      const body = read(packetCountRequest, request.body);
      const { zone } = household.get();
      act(`count ${packetId}`, body, (nowMs) =>
        packets.count(packetId, body.id, body, { atMs: momentFrom(body.at, zone, nowMs, 'at'), nowMs }),
      );
      await saved(response.status(201), packetId);
    })
    .post('/packets/:packetId/undos', async (request, response) => {
      const { packetId } = request.params;
      const body = read(takeBackRequest, request.body);
      act(`count-undo ${packetId}`, body, (nowMs) => {
        const atMs = packets.countMs(packetId, body.recordId);
        takenBack.add({ id: body.recordId, kind: 'count', fromMs: atMs, toMs: atMs }, nowMs);
      });
      await saved(response.status(201), packetId);
    });
  return addShelfRoutes(router, { act, path: 'packets', shelf: packets, answer: (response, id) => void response.json({ id }) });
}
