import { randomBytes } from 'node:crypto';
import { DateTime } from 'luxon';
import { v7 } from 'uuid';
import { CROPS } from '@fresh-tuck/core/crops';
import { doseFor } from '@fresh-tuck/core/carrier';
import { methodOf, placeNames, waterOf } from '@fresh-tuck/core/method';
import type { About, Spot } from '@fresh-tuck/contract';
import { createApp, listen, type Services } from '@fresh-tuck/server';
import { addBox, lastYear } from './box-build.js';
import { planEvening } from './evening.js';
import { addNotebook } from './notebook-build.js';
import { addNursery, weatherAhead } from './nursery-build.js';
import { DEMO_NOW, HOUSEHOLD, MAT, NURSING, SPOTS } from './household.js';
import { PARCELS, type DemoParcel } from './parcels.js';
import { addSeason } from './season-build.js';
import type { BuildClock, Send } from './send.js';
import { dayRange } from '@fresh-tuck/core/practice';
import { knownState, truthOf } from './truth.js';

const { zone } = HOUSEHOLD;
const msOf = (local: string): number => DateTime.fromISO(local, { zone }).toMillis();
/** Ids carry the demo's own time, so that they sort as they were made. */
const idAt = (ms: number): string => v7({ msecs: ms, random: randomBytes(16) });

/** The household began a season before. */
const LAST_YEAR = '2025-03-01T09:00';

async function addSpots(send: Send, firstMs: number): Promise<Map<string, string>> {
  let spots: Spot[] = [];
  for (const { name, kind } of SPOTS) spots = await send('POST', '/api/spots', { id: idAt(firstMs), name, kind });
  return new Map(spots.map(({ name, id }) => [name, id]));
}

/** The thermometers' days up to yesterday. */
export function readingsUpTo(spotIds: ReadonlyMap<string, string>, fromMs: number, nowMs: number) {
  const first = DateTime.fromMillis(fromMs, { zone }).startOf('day');
  const days = Math.floor(DateTime.fromMillis(nowMs, { zone }).startOf('day').diff(first, 'days').days);
  return SPOTS.filter(({ measured }) => measured).flatMap(({ name, climate }) =>
    Array.from({ length: days }, (_, index) => {
      const day = first.plus({ days: index });
      return {
        spotId: spotIds.get(name) ?? '',
        day: day.toISODate() ?? '',
        atMs: day.plus({ days: 1, hours: 7 }).toMillis(),
        ...dayRange(climate, day.toMillis()),
      };
    }),
  );
}

interface Started {
  readonly parcel: DemoParcel;
  readonly batchId: string;
}

async function start(send: Send, parcel: DemoParcel, spotIds: ReadonlyMap<string, string>, bags: Map<string, string>): Promise<Started> {
  const ms = msOf(parcel.start);
  const crop = CROPS.find(({ id }) => id === parcel.cropId);
  if (!crop) throw new Error(`unknown crop ${parcel.cropId}`);
  const packetId = idAt(ms);
  const { cropId, variety, year, source, printedRatePercent, packetSeeds } = parcel;
  await send('POST', '/api/packets', {
    id: packetId,
    cropId,
    variety,
    year,
    source,
    printedRatePercent,
    seedCount: packetSeeds,
    dressed: false,
  });
  const bagId = bags.get(parcel.bag);
  const newId = idAt(ms);
  bags.set(parcel.bag, bagId ?? newId);
  const sheet = { widthMm: parcel.towel.widthMm, heightMm: parcel.towel.heightMm * 2, plies: 2 };
  const dose = doseFor(sheet, crop.water.dampRatio, (crop.seed.gramsPerThousand / 1000) * parcel.seeds, HOUSEHOLD.millilitresPerSpray);
  const batchId = idAt(ms);
  const { method = 'towel', places = null } = parcel;
  const way = methodOf(method);
  await send('POST', '/api/batches', {
    id: batchId,
    packetId,
    seeds: parcel.seeds,
    wanted: parcel.wanted,
    startAt: null,
    chillDays: parcel.chillDays,
    prepared: parcel.prepared,
    method,
    soaking: parcel.soaking ?? false,
    aim: { plants: null, destination: parcel.destination ?? null, target: null },
    ...(method === 'towel'
      ? { towel: { widthMm: parcel.towel.widthMm / 2, heightMm: parcel.towel.heightMm, plies: 2 } }
      : placeNames(way)
        ? { places }
        : {}),
    doseMl: method === 'towel' ? dose.millilitres : waterOf(way, places ?? parcel.seeds),
    holder: bagId
      ? { holderId: bagId }
      : { newId, kind: parcel.closure === 'lidded' ? 'tray' : 'bag', closure: parcel.closure, spotId: spotIds.get(parcel.spot) ?? '' },
  });
  return { parcel, batchId };
}

/** Somebody opens the parcel and reports what truly lies there. */
async function look(send: Send, services: Services, { parcel, batchId }: Started, index: number, ms: number): Promise<void> {
  const truth = truthOf(services, batchId, ms);
  const before = knownState(services, batchId);
  const shown = truth.seeds.filter(({ stage }) => ['tip', 'root', 'leaves'].includes(stage));
  const rotten = truth.seeds.filter(({ stage }) => stage === 'rotten').length;
  const changed = truth.seeds.filter(({ seed, stage, rootMm }) => {
    const known = before.seeds[seed - 1];
    return !known?.moved && (known?.stage !== stage || (rootMm !== null && rootMm >= 4));
  });
  const damp = parcel.damp?.[index] ?? 'damp';
  await send('POST', `/api/batches/${batchId}/looks`, {
    id: idAt(ms),
    at: null,
    via: 'opened',
    seen: { tipped: Math.max(shown.length, before.tipped), rotten: Math.max(rotten, before.rotten), basedOn: null },
    marks: parcel.counts
      ? []
      : changed.map(({ seed, stage, rootMm }) => ({ seed, stage, rootMm: stage === 'root' || stage === 'leaves' ? rootMm : null })),
    damp,
    rewetted: damp === 'drying',
    troubles: [],
    who: null,
    note: null,
    supersedes: null,
  });
  const { movedFromMm } = parcel;
  if (movedFromMm === null) return;
  const ready = knownState(services, batchId).seeds.filter(
    ({ moved, measuredMm, stage }) => !moved && stage !== 'quiet' && (measuredMm ?? 0) >= movedFromMm,
  );
  if (ready.length === 0) return;
  await send('POST', `/api/batches/${batchId}/moves`, {
    id: idAt(ms),
    at: null,
    seeds: ready.map(({ seed }) => seed),
    uncounted: 0,
    destination: 'cup',
    who: null,
  });
}

/**
 * Builds Lantern Court through the API alone, walking the clock from the first
 * parcel to the demo's morning, so that nothing in it could not have been typed.
 *
 * @throws Error where the API refuses a step
 */
export async function buildDemo(services: Services, clock: BuildClock): Promise<void> {
  const { server, address } = await listen(createApp(services), 0, '127.0.0.1');
  const send: Send = async (method, path, body) => {
    const response = await fetch(new URL(path, address), {
      method,
      headers: { 'content-type': 'application/json', prefer: 'return=minimal' },
      ...(method === 'GET' ? {} : { body: JSON.stringify(body) }),
    });
    if (!response.ok) throw new Error(`${method} ${path}: ${await response.text()}`);
    return (await response.json()) as never;
  };
  try {
    const firstMs = Math.min(...PARCELS.map(({ start: at }) => msOf(at))) - 3 * 86_400_000;
    const nowMs = msOf(DEMO_NOW);
    const beganMs = msOf(LAST_YEAR);
    clock.set(beganMs);
    await send('PUT', '/api/household', { id: idAt(beganMs), ...HOUSEHOLD });
    const spotIds = await addSpots(send, beganMs);
    await send('POST', `/api/spots/${spotIds.get(MAT.spot)}/setup`, { id: idAt(beganMs), setup: MAT.setup });
    await lastYear(send, clock, idAt, spotIds.get('Fridge top') ?? '');
    clock.set(firstMs);
    await addBox(send, idAt, firstMs);
    const bags = new Map<string, string>();
    const steps: { atMs: number; run: () => Promise<unknown> }[] = readingsUpTo(spotIds, firstMs, nowMs).map(
      ({ spotId, day, minC, maxC, atMs }) => ({
        atMs,
        run: () => send('POST', `/api/spots/${spotId}/readings`, { id: idAt(atMs), day, minC, maxC }),
      }),
    );
    for (const parcel of PARCELS) {
      let started: Started | null = null;
      steps.push({
        atMs: msOf(parcel.start),
        run: async () => {
          started = await start(send, parcel, spotIds, bags);
        },
      });
      parcel.looks.map(msOf).forEach((atMs, index) => {
        steps.push({ atMs, run: async () => started && look(send, services, started, index, atMs) });
      });
    }
    for (const { atMs, run } of steps.sort((a, b) => a.atMs - b.atMs)) {
      clock.set(atMs);
      await run();
    }
    await addNursery(send, clock, idAt, spotIds.get('Fridge top') ?? '');
    clock.set(nowMs);
    const { version } = (await send<About>('GET', '/api/about', {})).household ?? { version: 0 };
    await send('PUT', '/api/household/nursing', { id: idAt(nowMs), version, ...NURSING });
    await send('POST', '/api/weather', { id: idAt(nowMs), spans: weatherAhead(nowMs) });
    await planEvening(send, idAt, nowMs);
    await addSeason(send, idAt, nowMs);
    await addNotebook(send, idAt, nowMs, spotIds);
  } finally {
    server.closeAllConnections();
    server.close();
  }
}
