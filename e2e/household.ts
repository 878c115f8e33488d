import type { APIRequestContext } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { expect, type App } from './app.js';

/** Sets a household up through the API: what a journey needs before it begins. */
export function householdOn(own: App, request: APIRequestContext) {
  const send = async (method: 'post' | 'put', path: string, data: object): Promise<unknown> => {
    const response = await request[method](`${own.address}api/${path}`, { data });
    expect(response.ok(), `${path}: ${await response.text()}`).toBeTruthy();
    return response.json();
  };
  const spotId = uuid();
  return {
    send,
    spotId,
    async begin(): Promise<void> {
      await send('put', 'household', {
        id: uuid(),
        name: 'Home',
        zone: 'Europe/Copenhagen',
        units: 'metric',
        lookingTimes: ['07:00', '18:30'],
        millilitresPerSpray: 0.8,
      });
      await send('post', 'spots', { id: spotId, name: 'Hall cupboard', kind: 'cupboard' });
      for (const day of ['2026-04-05', '2026-04-10'])
        await send('post', `spots/${spotId}/readings`, { id: uuid(), day, minC: 25.5, maxC: 26.5 });
    },
    /** Tucks a batch in with its true date; into a bag that is there, or one of its own. */
    async batch(
      cropId: string,
      startAt: string,
      more: { seeds?: number; wanted?: number | null; bag?: string } = {},
    ): Promise<{ id: string; bag: string }> {
      const packetId = uuid();
      const id = uuid();
      const bag = more.bag ?? uuid();
      await send('post', 'packets', {
        id: packetId,
        cropId,
        variety: 'Quay',
        year: 2025,
        source: null,
        printedRatePercent: 90,
        seedCount: 60,
        dressed: false,
      });
      await send('post', 'batches', {
        id,
        packetId,
        seeds: more.seeds ?? 8,
        wanted: more.wanted === undefined ? 5 : more.wanted,
        startAt,
        chillDays: null,
        prepared: ['soak', 'nick'],
        towel: { widthMm: 140, heightMm: 110, plies: 2 },
        doseMl: 7,
        holder: more.bag ? { holderId: bag } : { newId: bag, kind: 'bag', closure: 'sealed_air', spotId },
      });
      return { id, bag };
    },
    look: (batchId: string, at: string | null, tipped: number, more: object = {}): Promise<unknown> =>
      send('post', `batches/${batchId}/looks`, {
        id: uuid(),
        at,
        via: 'opened',
        seen: { tipped, rotten: 0, basedOn: null },
        marks: [],
        damp: 'damp',
        rewetted: false,
        troubles: [],
        who: null,
        note: null,
        supersedes: null,
        ...more,
      }),
  };
}
