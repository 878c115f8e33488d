import { Router } from 'express';
import type { Findable } from '@fresh-tuck/contract';
import type { Services } from '../services.js';

/** What the find box reaches, briefly: years of batches go over the wire at once. */
export function findRoutes({ batches, crops, packets }: Services): Router {
  return Router().get('/find', (_request, response) => {
    const names = new Map(crops.list().map(({ crop }) => [crop.id, { name: crop.name, also: crop.otherNames.join(' ') }]));
    const rows = packets.names();
    const titles = new Map(rows.map(({ id, cropId, variety }) => [id, `${names.get(cropId)?.name ?? cropId}, ${variety}`]));
    const body: Findable = {
      packets: rows.map(({ id, cropId, year }) => ({ id, title: titles.get(id) ?? '', year, also: names.get(cropId)?.also ?? '' })),
      batches: batches
        .names()
        .map(({ id, number, packetId, closed }) => ({ id, number, title: titles.get(packetId) ?? '', live: closed === 0 })),
    };
    response.json(body);
  });
}
