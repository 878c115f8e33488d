import { DateTime } from 'luxon';
import type { Nursery, Spot } from '@fresh-tuck/contract';
import { HOUSEHOLD } from './household.js';
import type { BuildClock, Send } from './send.js';

type Stage = 'up' | 'seed_leaves' | 'true_leaves' | 'roots_out' | 'hardening';
/** So many of the tray, from its first label or from its last, were seen at a stage on a morning. */
type Mark = readonly [local: string, count: number, stage: Stage, from?: 'last'];

interface DemoTray {
  readonly cropId: string;
  readonly variety: string;
  readonly year: number;
  readonly packetSeeds: number;
  readonly seeds: number;
  readonly moved: number;
  readonly destination: 'cell' | 'cup' | 'pot' | 'slot' | 'pellet';
  /** Begun, seen with its tips, and moved. */
  readonly start: string;
  readonly moveAt: string;
  readonly spot: string;
  readonly marks: readonly Mark[];
  readonly lidOff?: string;
  readonly watered: string;
}

/** Places where nothing sprouts: the sill, the shelf under the lamp, the porch. */
export const NURSERY_SPOTS = [
  {
    name: 'Window sill',
    kind: 'sill',
    light: { daylit: 'window', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp: null },
  },
  {
    name: 'Lit shelf',
    kind: 'room',
    light: {
      ...{ daylit: 'window', facing: 'side', glazing: 'two', metresIn: 1, opposite: false },
      lamp: { kind: 'white', micromol: 190, gapCm: 28, watts: 36, hours: null },
    },
  },
  { name: 'Porch', kind: 'cool_room', light: { daylit: 'roof', facing: 'noon', glazing: 'one', metresIn: 0, opposite: false, lamp: null } },
] as const;

/** What was moved since the end of winter. */
export const TRAYS: readonly DemoTray[] = [
  {
    ...{ cropId: 'tomatillo', variety: 'Paper Buoy', year: 2025, packetSeeds: 30, seeds: 5, moved: 4, destination: 'cup' },
    ...{
      start: '2026-03-14T18:30',
      moveAt: '2026-03-20T07:20',
      spot: 'Window sill',
      lidOff: '2026-03-25T07:10',
      watered: '2026-04-09T07:00',
    },
    marks: [
      ['2026-03-24T07:00', 4, 'up'],
      ['2026-03-28T07:00', 4, 'seed_leaves'],
      ['2026-04-08T07:00', 2, 'true_leaves', 'last'],
    ],
  },
  {
    ...{ cropId: 'okra', variety: 'Yardarm', year: 2024, packetSeeds: 24, seeds: 5, moved: 3, destination: 'cup' },
    ...{
      start: '2026-03-05T18:30',
      moveAt: '2026-03-10T07:20',
      spot: 'Window sill',
      lidOff: '2026-03-16T07:10',
      watered: '2026-04-10T07:00',
    },
    marks: [
      ['2026-03-15T07:00', 3, 'up'],
      ['2026-03-18T07:00', 3, 'seed_leaves'],
      ['2026-03-29T07:00', 3, 'true_leaves'],
      ['2026-04-10T18:30', 2, 'roots_out'],
    ],
  },
  {
    ...{ cropId: 'leek', variety: 'Long Mole', year: 2025, packetSeeds: 250, seeds: 70, moved: 60, destination: 'cell' },
    ...{ start: '2026-03-25T18:30', moveAt: '2026-04-02T07:20', spot: 'Lit shelf', watered: '2026-04-08T07:00' },
    marks: [
      ['2026-04-08T07:00', 12, 'up'],
      ['2026-04-10T18:30', 41, 'up'],
    ],
  },
  {
    ...{ cropId: 'chives', variety: 'Slipway', year: 2025, packetSeeds: 90, seeds: 5, moved: 3, destination: 'slot' },
    ...{ start: '2026-03-10T18:30', moveAt: '2026-03-18T07:20', spot: 'Lit shelf', watered: '2026-04-05T07:00' },
    marks: [
      ['2026-03-23T07:00', 3, 'up'],
      ['2026-03-29T07:00', 2, 'seed_leaves'],
      ['2026-04-09T07:00', 2, 'true_leaves'],
    ],
  },
  {
    ...{ cropId: 'strawberry', variety: 'Beacon Red', year: 2025, packetSeeds: 40, seeds: 8, moved: 3, destination: 'pellet' },
    ...{
      start: '2026-02-20T18:30',
      moveAt: '2026-03-12T07:20',
      spot: 'Lit shelf',
      lidOff: '2026-03-24T07:00',
      watered: '2026-04-09T07:00',
    },
    marks: [
      ['2026-03-22T07:00', 2, 'up'],
      ['2026-03-27T07:00', 2, 'seed_leaves'],
      ['2026-04-08T07:00', 1, 'true_leaves'],
    ],
  },
  {
    ...{ cropId: 'sweet-pea', variety: 'Foghorn', year: 2025, packetSeeds: 20, seeds: 6, moved: 5, destination: 'pot' },
    ...{ start: '2026-02-24T18:30', moveAt: '2026-03-02T07:20', spot: 'Porch', lidOff: '2026-03-10T07:10', watered: '2026-04-10T07:00' },
    marks: [
      ['2026-03-09T07:00', 5, 'up'],
      ['2026-03-13T07:00', 5, 'true_leaves'],
      ['2026-04-09T07:00', 5, 'hardening'],
    ],
  },
  {
    ...{ cropId: 'globe-artichoke', variety: 'Customs House', year: 2025, packetSeeds: 12, seeds: 4, moved: 3, destination: 'pot' },
    ...{ start: '2026-02-18T18:30', moveAt: '2026-02-26T07:20', spot: 'Porch', lidOff: '2026-03-06T07:10', watered: '2026-04-10T07:00' },
    marks: [
      ['2026-03-05T07:00', 3, 'up'],
      ['2026-03-08T07:00', 3, 'seed_leaves'],
      ['2026-03-17T07:00', 3, 'true_leaves'],
    ],
  },
];

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
  for (const tray of TRAYS) await addTray(tray);

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
    await at(tray.moveAt, `batches/${batchId}/moves`, { at: null, seeds: [], uncounted: moved, destination, who: null });
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
