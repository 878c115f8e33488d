import { DateTime } from 'luxon';
import { BOX } from './box.js';
import type { BuildClock, Send } from './send.js';
import { HOUSEHOLD } from './household.js';

type IdAt = (ms: number) => string;
const msOf = (local: string): number => DateTime.fromISO(local, { zone: HOUSEHOLD.zone }).toMillis();

/** The rest of the box, and the rack. */
export async function addBox(send: Send, idAt: IdAt, ms: number): Promise<void> {
  await send('POST', '/api/racks', { id: idAt(ms), name: 'Stairwell rack', slots: 8 });
  await send('POST', '/api/beds', { id: idAt(ms), name: 'Courtyard bed', widthM: 1.2, lengthM: 2.4, madeYear: 2024 });
  await send('POST', '/api/packets/imports', {
    id: idAt(ms),
    packets: BOX.map(({ cropId, variety, year, source, rate, seeds, place, dryness, more }) => ({
      id: idAt(ms),
      cropId,
      variety,
      year,
      source,
      printedRatePercent: rate,
      seedCount: seeds,
      dressed: false,
      storage: { place, celsius: null, dryness },
      ...more,
    })),
  });
}

/**
 * Last year's tomatoes, begun for planting out on 20 May and late by twelve days; and
 * a test of old leek seed. All of it typed as it happened, through the same API.
 */
export async function lastYear(send: Send, clock: BuildClock, idAt: IdAt, spotId: string): Promise<void> {
  const at = async <T>(local: string, method: string, path: string, body: object): Promise<T> => {
    const ms = msOf(local);
    clock.set(ms);
    return send<T>(method, `/api/${path}`, { id: idAt(ms), ...body });
  };
  const packet = (id: string, cropId: string, variety: string, year: number, seedCount: number) => ({
    id,
    cropId,
    variety,
    year,
    source: 'saved here',
    printedRatePercent: null,
    seedCount,
    dressed: false,
    storage: { place: 'room', celsius: null, dryness: 'dry' },
  });
  const looked = (tipped: number, rotten = 0) => ({
    at: null,
    via: 'opened',
    seen: { tipped, rotten, basedOn: null },
    marks: [],
    damp: 'damp',
    rewetted: false,
    troubles: [],
    who: null,
    note: null,
    supersedes: null,
  });
  const batch = (id: string, packetId: string, seeds: number, more: object) => ({
    id,
    packetId,
    seeds,
    wanted: null,
    startAt: null,
    chillDays: null,
    prepared: [],
    method: 'towel',
    towel: { widthMm: 140, heightMm: 110, plies: 2 },
    doseMl: 7,
    holder: { newId: idAt(msOf('2025-03-02T10:00')), kind: 'bag', closure: 'sealed_air', spotId },
    ...more,
  });
  const tomato = idAt(msOf('2025-03-01T10:00'));
  await at('2025-03-01T10:00', 'POST', 'packets', packet(tomato, 'tomato', 'Harbour Rose', 2023, 48));
  const leek = idAt(msOf('2025-03-01T10:05'));
  await at('2025-03-01T10:05', 'POST', 'packets', packet(leek, 'leek', 'Old Rope', 2021, 90));
  const test = idAt(msOf('2025-03-02T10:00'));
  await at('2025-03-02T10:00', 'POST', 'batches', batch(test, leek, 40, { purpose: 'test', replicates: 4, finalDays: 16 }));
  await at('2025-03-09T07:00', 'POST', `batches/${test}/looks`, looked(9));
  await at('2025-03-13T07:00', 'POST', `batches/${test}/looks`, looked(17));
  const classes = [
    { normal: 5, abnormal: 1, hard: 0, fresh: 1, dead: 3 },
    { normal: 4, abnormal: 0, hard: 0, fresh: 0, dead: 6 },
    { normal: 6, abnormal: 0, hard: 0, fresh: 1, dead: 3 },
    { normal: 5, abnormal: 1, hard: 0, fresh: 0, dead: 4 },
  ];
  await at('2025-03-18T07:00', 'POST', `batches/${test}/looks`, { ...looked(22, 16), classes });
  await at('2025-03-18T07:05', 'POST', `batches/${test}/closings`, { reason: 'other' });
  const begun = idAt(msOf('2025-04-02T18:30'));
  await at(
    '2025-04-02T18:30',
    'POST',
    'batches',
    batch(begun, tomato, 8, {
      wanted: 6,
      holder: { newId: idAt(msOf('2025-04-02T18:30')), kind: 'bag', closure: 'sealed_air', spotId },
      aim: { plants: 6, destination: 'cup', target: { kind: 'plant_out', day: '2025-05-20' } },
    }),
  );
  await at('2025-04-06T18:30', 'POST', `batches/${begun}/looks`, looked(3));
  await at('2025-04-08T18:30', 'POST', `batches/${begun}/looks`, looked(7));
  const moved = { at: null, seeds: [], uncounted: 7, destination: 'cup', who: null };
  await at('2025-04-08T18:40', 'POST', `batches/${begun}/moves`, moved);
  await at('2025-04-14T07:00', 'POST', `batches/${begun}/closings`, { reason: 'all_moved' });
  const cups = await fetchCups(send, begun);
  const lost = cups.at(-1);
  await at('2025-04-20T07:00', 'POST', `nursery/${lost}/events`, { said: { kind: 'lost', why: 'damped off' } });
  for (const number of cups.slice(0, -1)) {
    await at('2025-06-01T10:00', 'POST', `nursery/${number}/events`, { said: { kind: 'stage', stage: 'planted_out' } });
    await at('2025-09-20T10:00', 'POST', `nursery/${number}/events`, { said: { kind: 'given' } });
  }
}

async function fetchCups(send: Send, batchId: string): Promise<number[]> {
  const { cups } = await send<{ cups: { number: number }[] }>('GET', `/api/batches/${batchId}`, {});
  return cups.map(({ number }) => number);
}
