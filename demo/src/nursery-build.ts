import { DateTime } from 'luxon';
import type { Bed, Nursery, Rack, Spot } from '@fresh-tuck/contract';
import { HOUSEHOLD } from './household.js';
import { NURSERY_SPOTS, TRAYS, type DemoTray, type Stage } from './nursery-trays.js';
import type { BuildClock, Send } from './send.js';

/** When the slots were given their names. */
const RACKED = '2026-04-10T18:40';
/** The courtyard's soil a hand deep, °C. */
const SOIL = [
  ['2026-04-08', 6.5],
  ['2026-04-09', 7],
  ['2026-04-10', 7.5],
] as const;

/** The nursery of this spring, typed as it happened, through the same API. */
export async function addNursery(send: Send, clock: BuildClock, idAt: (ms: number) => string, warmSpotId: string): Promise<void> {
  const msOf = (local: string): number => DateTime.fromISO(local, { zone: HOUSEHOLD.zone }).toMillis();
  const at = async <T>(local: string, path: string, body: object): Promise<T> => {
    clock.set(msOf(local));
    return send<T>('POST', `/api/${path}`, { id: idAt(msOf(local)), ...body });
  };
  const spotIds = new Map<string, string>();
  for (const { name, kind, light } of NURSERY_SPOTS) {
    const spots = await at<Spot[]>('2026-02-01T10:00', 'spots', { name, kind });
    const id = spots.find((spot) => spot.name === name)?.id ?? '';
    spotIds.set(name, id);
    await at('2026-02-01T10:05', `spots/${id}/light`, { light });
  }
  const [bed] = await send<Bed[]>('GET', '/api/beds', {});
  const [rack] = await send<Rack[]>('GET', '/api/racks', {});
  for (const tray of TRAYS) await addTray(tray);
  for (const [day, celsius] of SOIL) await at(`${day}T08:00`, `beds/${bed?.id}/soil`, { day, celsius, source: 'soil' });

  async function addTray(tray: DemoTray): Promise<void> {
    const { cropId, variety, year, seeds, moved, destination } = tray;
    const begunMs = msOf(tray.start);
    const [packetId, batchId, holderId] = [idAt(begunMs), idAt(begunMs), idAt(begunMs)];
    const packet = { cropId, variety, year, source: 'a swap', printedRatePercent: null, seedCount: tray.packetSeeds, dressed: false };
    await at(tray.start, 'packets', { ...packet, id: packetId });
    await at(tray.start, 'batches', {
      ...{ id: batchId, packetId, seeds, wanted: moved, startAt: null, chillDays: null, prepared: [], method: 'towel', doseMl: 8 },
      ...{ towel: { widthMm: 140, heightMm: 110, plies: 2 }, aim: { plants: moved, destination, target: null } },
      holder: { newId: holderId, kind: 'bag', closure: 'sealed_air', spotId: warmSpotId },
    });
    const seen = { tipped: moved, rotten: 0, basedOn: null };
    const look = {
      at: null,
      via: 'opened',
      marks: [],
      damp: 'damp',
      rewetted: false,
      troubles: [],
      who: null,
      note: null,
      supersedes: null,
    };
    await at(tray.moveAt, `batches/${batchId}/looks`, { ...look, seen });
    await at(tray.moveAt, `batches/${batchId}/moves`, {
      at: null,
      seeds: [],
      uncounted: moved,
      destination,
      perPot: tray.perPot ?? 1,
      who: null,
    });
    await at(tray.moveAt, `batches/${batchId}/closings`, { reason: 'all_moved' });
    const { places } = await send<Nursery>('GET', '/api/nursery', {});
    const own = places.flatMap(({ trays }) => trays).find((one) => one.batchId === batchId);
    const labels = own?.plants.map(({ number }) => number) ?? [];
    const care = (local: string, done: object) => at(local, 'nursery/care', { trayIds: [own?.id], done });
    await care(tray.moveAt, { kind: 'place', spotId: spotIds.get(tray.spot) });
    const stood = new Map<number, Stage>();
    for (const [local, count, stage, from] of tray.marks) {
      const these = from === 'last' ? labels.slice(-count) : labels.slice(0, count);
      const numbers = these.filter((number) => stood.get(number) !== stage);
      for (const number of numbers) stood.set(number, stage);
      await at(local, 'nursery/acts', { numbers, said: { kind: 'stage', stage } });
    }
    const act = (local: string, said: object) => at(local, 'nursery/acts', { numbers: labels, said });
    if (tray.slots) await act(RACKED, { kind: 'slotted', rackId: rack?.id, slots: tray.slots });
    if (tray.out !== undefined) await act(tray.out, { kind: 'stage', stage: 'planted_out', bedId: bed?.id });
    if (tray.lidOff !== undefined) await care(tray.lidOff, { kind: 'cover', cover: 'off' });
    await care(tray.watered, { kind: 'water', from: 'below', finger: 'drying' });
  }
}

/** Lowest, highest and gusts of the week ahead, as a forecast has them. */
const WEEK = [
  [3, 11, 22],
  [5, 13, 18],
  [6, 12, 46],
  [4, 10, 30],
  [2, 11, 15],
  [6, 14, 20],
  [7, 15, 24],
] as const;
/** The weather of the days from a morning on. */
export function weatherAhead(nowMs: number) {
  const today = DateTime.fromMillis(nowMs, { zone: HOUSEHOLD.zone }).startOf('day');
  const local = (days: number): string => today.plus({ days }).toFormat("yyyy-MM-dd'T'HH:mm");
  return WEEK.map(([minC, maxC, windKmh], days) => ({ begins: local(days), ends: local(days + 1), minC, maxC, windKmh }));
}
