import type { APIRequestContext } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { batchBody, householdBody, lookBody, packetBody, readingBody, spotBody } from '@fresh-tuck/contract/testing';
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
    async begin(days: readonly string[] = ['2026-04-05', '2026-04-10']): Promise<void> {
      await send('put', 'household', householdBody({ name: 'Home' }));
      await send('post', 'spots', spotBody({ id: spotId }));
      for (const day of days) await send('post', `spots/${spotId}/readings`, readingBody(day));
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
      await send('post', 'packets', packetBody({ id: packetId, cropId, year: 2025, printedRatePercent: 90, seedCount: 60 }));
      await send(
        'post',
        'batches',
        batchBody(packetId, spotId, {
          id,
          seeds: more.seeds ?? 8,
          wanted: more.wanted === undefined ? 5 : more.wanted,
          startAt,
          prepared: ['soak', 'nick'],
          holder: more.bag ? { holderId: bag } : { newId: bag, kind: 'bag', closure: 'sealed_air', spotId },
        }),
      );
      return { id, bag };
    },
    look: (batchId: string, at: string | null, tipped: number, more: object = {}): Promise<unknown> =>
      send('post', `batches/${batchId}/looks`, lookBody(tipped, { at, ...more })),
  };
}
