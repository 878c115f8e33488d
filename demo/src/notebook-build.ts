import { DateTime } from 'luxon';
import { CROPS } from '@fresh-tuck/core/crops';
import type { TrialSaying } from '@fresh-tuck/contract';
import { HOUSEHOLD, SPOTS } from './household.js';
import { trueSeeds } from '@fresh-tuck/core/practice';
import { drawLot, type Lot } from '@fresh-tuck/core/practice';
import type { Send } from './send.js';

const { zone } = HOUSEHOLD;
const DAY_MS = 86_400_000;

/** A lot of last year, kept on paper till the notebook was begun. */
interface PastLot {
  readonly packet: string;
  readonly seeds: number;
  readonly start: string;
  readonly spot: string;
  /** Days on which it was looked at, from its start, at half past six. */
  readonly lookDays: readonly number[];
  readonly lot: Lot;
  readonly randomSeed: number;
  readonly soakHours?: number;
  readonly nicked?: boolean;
  readonly who: string;
}

/** Packets of last year's trials, and of the next. */
export const PACKETS = [
  { key: 'lupin', cropId: 'lupin', variety: 'Signal Box', year: 2024, seedCount: 80, source: 'seed shelf' },
  { key: 'early', cropId: 'morning-glory', variety: 'Watch Bell', year: 2024, seedCount: 40, source: 'swap table' },
  { key: 'old', cropId: 'morning-glory', variety: 'First Light', year: 2019, seedCount: 30, source: 'gift' },
  { key: 'pea', cropId: 'sweet-pea', variety: 'Tender Rope', year: 2025, seedCount: 60, source: 'saved here' },
] as const;

/** When the seedlings of those trials left the house, and how many of them were lost before. */
const [GONE, LOST_EVERY] = ['2025-06-02T10:00', 9];

/** What was written besides. */
const NOTES: readonly { readonly day: string; readonly text: string; readonly cropId?: string }[] = [
  { day: '2025-04-10', text: 'Lupins: those out of the water swelled within the day, the dry ones took three.', cropId: 'lupin' },
  { day: '2026-02-22', text: 'New roll of kitchen paper, thinner than the last: two more sprays to a sheet.' },
  { day: '2026-04-02', text: 'Early Watch again on the mat, the rest of First Light is for the birds.', cropId: 'morning-glory' },
];

const days = (first: number, last: number): number[] => Array.from({ length: last - first + 1 }, (_, nth) => first + nth);
const gamma: Lot = { living: 0.88, pace: 1, law: 'gamma', dormant: 0, dormantTimes: 1 };

const LOTS: Readonly<Record<'soaked' | 'dry' | 'nicked' | 'whole', PastLot>> = {
  soaked: {
    ...{ packet: 'lupin', seeds: 36, start: '2025-03-28T18:30', spot: 'Fridge top', lookDays: days(1, 11), who: 'Ida' },
    ...{ lot: { ...gamma, pace: 0.7 }, randomSeed: 0.31, soakHours: 12 },
  },
  dry: {
    ...{ packet: 'lupin', seeds: 36, start: '2025-03-28T18:30', spot: 'Fridge top', lookDays: days(1, 11), who: 'Ida' },
    ...{ lot: { ...gamma, living: 0.9 }, randomSeed: 0.43 },
  },
  nicked: {
    ...{ packet: 'early', seeds: 14, start: '2025-04-12T09:00', spot: 'Mat, kitchen shelf', lookDays: days(1, 9), who: 'Ida' },
    ...{ lot: { ...gamma, pace: 0.7, living: 0.9 }, randomSeed: 0.57, nicked: true },
  },
  whole: {
    ...{ packet: 'old', seeds: 12, start: '2025-05-18T09:00', spot: 'Fridge top', lookDays: [2, 4, 6, 8, 10, 12, 14], who: 'Jon' },
    ...{ lot: { ...gamma, pace: 1.1, living: 0.55 }, randomSeed: 0.71 },
  },
};

/** Types in last year's trials from the paper that they stood on, and plans the next; through the same API. */
export async function addNotebook(
  send: Send,
  idAt: (ms: number) => string,
  nowMs: number,
  spotIds: ReadonlyMap<string, string>,
): Promise<void> {
  const post = async (path: string, body: object): Promise<string> => {
    const id = idAt(nowMs);
    await send('POST', `/api/${path}`, { id, ...body });
    return id;
  };
  const packets = new Map<string, string>();
  for (const { key, ...packet } of PACKETS)
    packets.set(key, await post('packets', { ...packet, printedRatePercent: null, dressed: false }));

  async function past({
    packet,
    seeds,
    start,
    spot,
    lookDays,
    lot,
    randomSeed,
    soakHours = 0,
    nicked = false,
    who,
  }: PastLot): Promise<string> {
    const { cropId } = PACKETS.find(({ key }) => key === packet) ?? PACKETS[0];
    const crop = CROPS.find(({ id }) => id === cropId);
    const climate = SPOTS.find(({ name }) => name === spot)?.climate;
    if (!crop || !climate) throw new Error(`no crop or place for ${packet}`);
    const startMs = DateTime.fromISO(start, { zone }).toMillis();
    const local = (ms: number): string => DateTime.fromMillis(ms, { zone }).toFormat("yyyy-MM-dd'T'HH:mm");
    const batchId = await post('batches', {
      ...{ packetId: packets.get(packet), seeds, wanted: null, startAt: start, chillDays: null, method: 'towel', doseMl: 8 },
      prepared: [...(soakHours > 0 ? ['soak'] : []), ...(nicked ? ['nick'] : [])],
      ...{ soaking: soakHours > 0, soakHours: soakHours > 0 ? soakHours : null },
      towel: { widthMm: 240, heightMm: 180, plies: 2 },
      holder: { newId: idAt(nowMs), kind: 'bag', closure: 'sealed_air', spotId: spotIds.get(spot) ?? '' },
    });
    const fates = drawLot(lot, seeds, randomSeed);
    let [tipped, rotten, at] = [0, 0, start];
    for (const day of lookDays) {
      const ms = startMs + day * DAY_MS;
      const truth = trueSeeds(crop, fates, [{ fromMs: startMs, climate }], startMs, ms);
      const shown = truth.filter(({ stage }) => ['tip', 'root', 'leaves'].includes(stage)).length;
      [tipped, rotten, at] = [Math.max(tipped, shown), Math.max(rotten, truth.filter(({ stage }) => stage === 'rotten').length), local(ms)];
      const seen = { tipped, rotten: Math.min(rotten, seeds - tipped), basedOn: null };
      const rest = { marks: [], damp: 'damp', rewetted: false, troubles: [], note: null, supersedes: null };
      await post(`batches/${batchId}/looks`, { at, via: 'opened', seen, who, ...rest });
    }
    if (tipped > 0) await post(`batches/${batchId}/moves`, { at, seeds: [], uncounted: tipped, destination: 'cell', who });
    // Each went its way before that summer: one in nine damped off, the rest were planted out or given to the stairs.
    const { cups } = await send<{ cups: { number: number }[] }>('GET', `/api/batches/${batchId}`, {});
    for (const [nth, { number }] of cups.entries()) {
      const said = nth % LOST_EVERY === 4 ? { kind: 'lost', why: 'damped off' } : { kind: 'given' };
      await post(`nursery/${number}/events`, { said, at: GONE });
    }
    await post(`batches/${batchId}/closings`, { at: local(DateTime.fromISO(at, { zone }).toMillis() + DAY_MS), reason: 'given_up' });
    return batchId;
  }
  const trial = async (words: TrialSaying): Promise<string> => post('trials', { trialId: idAt(nowMs), words });
  const [soaked, dry] = [await past(LOTS.soaked), await past(LOTS.dry)];
  const [nicked, whole] = [await past(LOTS.nicked), await past(LOTS.whole)];
  const side = (name: string, setting: string, batchIds: string[]) => ({ name, setting, batchIds });
  await trial({
    ...{ name: 'What was done to the seed, morning glory', question: 'prepared', plan: null, read: null },
    arms: [side('Nicked first', 'nick', [nicked]), side('As they are', '', [whole])],
  });
  await trial({
    ...{ name: 'The soak, lupin', question: 'soak', plan: null, read: null },
    arms: [side('Soaked 12 hours', '12', [soaked]), side('Not soaked', '0', [dry])],
  });
  await trial({
    ...{ name: 'The soak, sweet pea', question: 'soak', read: null },
    plan: { packetId: packets.get('pea') ?? '', seeds: 24, bags: 1, care: { of: 'days', days: 1 }, lot: 5 },
    arms: [side('Soaked 12 hours', '12', []), side('Not soaked', '0', [])],
  });
  for (const { day, text, cropId } of NOTES) await post('notes', { noteId: idAt(nowMs), words: { day, text, cropId: cropId ?? null } });
}
