import { DateTime } from 'luxon';
import { Router } from 'express';
import { packetChange, packetCountRequest, packetImport, packetRequest, type Packet, type PacketSheet } from '@fresh-tuck/contract';
import { stockOf } from '@fresh-tuck/core/stock';
import { resultOf } from '../batches/facts.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import { packetsAsCsv } from './csv.js';
import { ageOf, type StoredPacket } from './store.js';

export function packetRoutes({ act, batches, clock, crops, forecasts, household, journal, nursery, packets }: Services): Router {
  const thisYear = (): number => DateTime.fromMillis(clock.now(), { zone: household.find()?.zone ?? 'UTC' }).year;

  function whole(packet: StoredPacket): Packet {
    const counted = testsOf(packet).flatMap(({ result }) => (result ? [result] : []));
    const prior = forecasts.priorOf(packet.id, null, 'tip', household.find(), clock.now());
    const { aged, pace } = ageOf(packets.get(packet.id), thisYear());
    return {
      ...packet,
      pace,
      prior,
      handled: nursery.handled(packet.cropId),
      fates: nursery.fates(packet.cropId),
      sound: {
        normal: counted.reduce((sum, { totals }) => sum + totals.normal, 0),
        abnormal: counted.reduce((sum, { totals }) => sum + totals.abnormal, 0),
      },
      stock: stockOf(crops.crop(packet.cropId), {
        share: prior.share,
        ageYears: aged,
        pace,
        seedsLeft: packet.seedsLeft,
        tried: packet.batches.some(({ live }) => !live) || counted.length > 0,
      }),
    };
  }

  const testsOf = ({ batches: begun }: StoredPacket): PacketSheet['tests'] =>
    begun
      .filter(({ purpose }) => purpose === 'test')
      .map(({ id, number }) => ({ batchId: id, number, atMs: batches.get(id).start_ms, result: resultOf(journal.entries(id)) }));

  function sheet(id: string): PacketSheet {
    const packet = packets.packet(id);
    const { growing, hazards } = crops.crop(packet.cropId);
    return {
      ...whole(packet),
      ...packets.history(id),
      tests: testsOf(packet),
      isolationNeededM: growing.isolationM,
      hazards: { text: hazards.text, regulated: hazards.regulated },
    };
  }

  /** Seed packed for next season is sold in autumn; later is a slip of the pen. */
  function checkYear(year: number | null, field: string): void {
    const latest = thisYear() + 1;
    if (year !== null && year > latest) throw Problem.field(field, `${field} must not lie after ${latest}`);
  }

  return Router()
    .get('/packets', (_request, response) => {
      response.json(packets.list().map(whole));
    })
    .get('/packets.csv', (_request, response) => {
      response.type('text/csv; charset=utf-8').attachment('seed-box.csv').send(packetsAsCsv(packets.list()));
    })
    .get('/packets/:packetId', (request, response) => {
      response.json(sheet(request.params.packetId));
    })
    .post('/packets', (request, response) => {
      const body = read(packetRequest, request.body);
      household.get();
      checkYear(body.year, 'year');
      act('packet', body, (nowMs) => packets.add(body, nowMs));
      response.status(201).json(whole(packets.packet(body.id)));
    })
    .post('/packets/imports', (request, response) => {
      const body = read(packetImport, request.body);
      household.get();
      body.packets.forEach((packet, index) => checkYear(packet.year, `packets.${index}.year`));
      act('packets', body, (nowMs) => {
        for (const packet of body.packets) packets.add(packet, nowMs);
      });
      response.status(201).json({ added: body.packets.length });
    })
    .put('/packets/:packetId', (request, response) => {
      const { packetId } = request.params;
      const body = read(packetChange, request.body);
      checkYear(body.year, 'year');
      act(`packet ${packetId}`, body, () => packets.change(packetId, body));
      response.json(sheet(packetId));
    })
    .post('/packets/:packetId/counts', (request, response) => {
      const { packetId } = request.params;
      const body = read(packetCountRequest, request.body);
      act(`count ${packetId}`, body, (nowMs) => packets.count(packetId, body.id, body, nowMs));
      response.status(201).json(sheet(packetId));
    });
}
