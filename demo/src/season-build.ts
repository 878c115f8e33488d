import type { Bed, PacketName, Season, SeasonActRequest, Spot, WishWords } from '@fresh-tuck/contract';
import type { Send } from './send.js';

/** A wish of Lantern Court as it is said. */
interface DemoWish {
  readonly cropId: string;
  readonly variety: string;
  readonly plants: number;
  readonly place: WishWords['place'];
  /** A day that was chosen to start. */
  readonly start?: string;
  readonly goal?: WishWords['goal'];
}

/** What the court shall bear this year: all of it invented. */
const WISHES: readonly DemoWish[] = [
  { cropId: 'globe-artichoke', variety: 'Customs House', plants: 3, place: 'outdoors' },
  { cropId: 'sweet-pea', variety: 'Foghorn', plants: 5, place: 'outdoors' },
  { cropId: 'leek', variety: 'Long Mole', plants: 24, place: 'bed' },
  { cropId: 'morning-glory', variety: 'Lamp Oil', plants: 4, place: 'outdoors' },
  { cropId: 'tomatillo', variety: 'Harbour Lantern', plants: 6, place: 'outdoors' },
  { cropId: 'celeriac', variety: 'Grey Quay', plants: 6, place: 'bed' },
  { cropId: 'okra', variety: 'Tall Mast', plants: 4, place: 'outdoors' },
  { cropId: 'melon', variety: 'Dune Bell', plants: 3, place: 'outdoors', goal: { kind: 'ripe', day: '2026-08-25' } },
  { cropId: 'cucumber', variety: 'Rope Ladder', plants: 2, place: 'outdoors' },
  { cropId: 'courgette', variety: 'Pontoon', plants: 2, place: 'outdoors' },
  { cropId: 'dill', variety: 'Net Loft', plants: 6, place: 'outdoors', start: '2026-04-14' },
  { cropId: 'dill', variety: 'Net Loft', plants: 6, place: 'outdoors', start: '2026-05-05' },
  { cropId: 'bean-runner', variety: 'Signal Mast', plants: 8, place: 'outdoors' },
  { cropId: 'kale', variety: 'Breakwater', plants: 6, place: 'outdoors', start: '2026-04-20' },
];
/** Cells that stand under the lamp, and on the porch. */
const CELLS = { 'Lit shelf': 210, Porch: 40 } as const;
const YEAR = 2026;
const AUTUMN = { monthDay: '10-17', giveDays: 16 } as const;

/** This year's wishes, frost and room, said through the same API. */
export async function addSeason(send: Send, idAt: (ms: number) => string, nowMs: number): Promise<void> {
  const id = (): string => idAt(nowMs);
  const spots = await send<Spot[]>('GET', '/api/spots', {});
  const [bed] = await send<Bed[]>('GET', '/api/beds', {});
  for (const [name, cells] of Object.entries(CELLS))
    await send('POST', '/api/season/rooms', { id: id(), spotId: spots.find((spot) => spot.name === name)?.id ?? '', cells });
  await send('POST', '/api/season/frost', {
    ...{ id: id(), recordId: null, spring: { monthDay: '05-10', giveDays: 10 }, autumn: AUTUMN, thresholdC: 0, shelterK: 0 },
  });
  const wishes: SeasonActRequest['wishes'] = [];
  for (const { cropId, variety, plants, place, start = null, goal = { kind: 'season' as const } } of WISHES) {
    const names = await send<PacketName[]>('GET', `/api/packets?crop=${cropId}`, {});
    const packet = names.find((one) => one.variety === variety);
    wishes.push({
      wishId: id(),
      words: { cropId, packetId: packet?.id ?? null, plants, place, bedId: place === 'bed' ? (bed?.id ?? null) : null, goal, start },
    });
  }
  await send<Season>('POST', '/api/season/acts', { id: id(), year: YEAR, wishes });
}
