import QuickLRU from 'quick-lru';
import type { WishWords } from '@fresh-tuck/contract';
import { setupFor } from '@fresh-tuck/core/carrier';
import { bookPrior } from '@fresh-tuck/core/forecast';
import { methodFor, methodOf } from '@fresh-tuck/core/method';
import type { Crop } from '@fresh-tuck/core/crops';
import { standsIn, type Destination } from '@fresh-tuck/core/moving';
import { usualSteps } from '@fresh-tuck/core/preparing';
import { chainOf, type Chain } from '@fresh-tuck/core/season';
import { planFor, type CropLateness, type PlanQuestion } from '@fresh-tuck/core/sowing';
import { offsetHours } from '@fresh-tuck/core/units';
import type { Reader } from '../forecasts/reader.js';
import type { HouseholdRecord } from '../household/store.js';
import type { PacketView } from '../views/packet.js';

/** A lot as it would be started: how many seeds, where, and its stages. */
export interface PlannedLot {
  readonly crop: Crop;
  readonly packetId: string | null;
  readonly variety: string | null;
  readonly destination: Destination;
  readonly spotId: string | null;
  readonly outdoors: boolean;
  /** The fewest seeds that suffice; null where no number does. */
  readonly seeds: number | null;
  /** Seeds that its packet has, where they are too few. */
  readonly short: number | null;
  /** Sprouts that are moved, and how many go to a pot. */
  readonly sprouts: number;
  readonly perPot: number;
  readonly bagged: boolean;
  readonly chain: Chain | null;
  readonly lateness: CropLateness | null;
  readonly nursingTold: number;
}

/** Lots whose stages are kept: a season of them, twice over. */
const KEPT = 400;
/** A packet that is half this full of days is asked anew each day. */
const DAY_MS = 86_400_000;

/** Where a crop's sprouts are moved to where nobody says: a cell, or a pot where its own line begins with one. */
export function usualDestination({ moving }: Pick<Crop, 'moving'>): Destination {
  const [first = ''] = moving.pot.split(/,?\s+(?:then|or)\s+/);
  return /cell|plug/.test(first) ? 'cell' : 'cup';
}

/**
 * The stages of a wished lot, by the same function that Tuck in asks: one worked out for each wish
 * for as long as the day is the same and nothing that it hangs on was written.
 */
export function chainsOf(reader: Reader, packetView: PacketView) {
  const { crops, forecasts, packets, seasons, spots, warm, nursery } = reader;
  const kept = new QuickLRU<string, PlannedLot>({ maxSize: KEPT });

  /** The packet of a wish: the one that was chosen, else the newest of the crop that holds seed. */
  function packetOf({ packetId, cropId }: Pick<WishWords, 'packetId' | 'cropId'>) {
    const chosen = packetId === null ? undefined : packets.find(packetId);
    if (chosen && chosen.put_away_ms === null) return packets.packet(chosen.id);
    const [newest] = packets.names({ words: '', cropId, most: 12 }).filter(({ seedsLeft }) => seedsLeft !== 0);
    return newest ? packets.packet(newest.id) : null;
  }

  function work(words: WishWords, home: HouseholdRecord, startMs: number, nowMs: number): PlannedLot {
    const crop = crops.crop(words.cropId);
    const packet = packetOf(words);
    const way = methodFor(words.method, crop);
    const wished = words.place === 'slot' ? 'slot' : (words.destination ?? usualDestination(crop));
    const destination = way.event === 'emergence' ? standsIn(words.method, wished) : wished;
    const past = seasons.of(words.cropId, home.zone, nowMs);
    const prepared = usualSteps(crop);
    const { weeks, warmWeeks } = crop.chill;
    const chillDays = weeks > 0 ? Math.round((weeks + warmWeeks) * 7) : null;
    const several = home.nursing.schools.pot === 'several';
    const own = packet && packetView.counting(packet.id);
    const { event } = methodOf(words.method);
    const priorAt = (spotId: string) =>
      packet
        ? forecasts.priorOf(packet.id, spotId, event, home, startMs, nowMs)
        : bookPrior(crop, { printedRate: null, ageYears: null, seen: event });
    const all = spots.list(home.zone, home.units, nowMs);
    const fridge = chillDays === null ? undefined : all.find(({ kind }) => kind === 'fridge');
    const plot = way.carrier === 'row' ? all.find(({ kind }) => kind === 'plot') : undefined;
    const fixed = words.spotId ?? plot?.id ?? fridge?.id ?? null;
    const ids = fixed === null ? all.map(({ id }) => id) : all.filter(({ id }) => id === fixed).map(({ id }) => id);
    const outdoors = words.place === 'bed' || words.place === 'outdoors';
    const base = {
      ...{ crop, packetId: packet?.id ?? null, variety: packet?.variety ?? null, destination, outdoors },
      ...{ sprouts: words.plants, perPot: several ? 3 : 1, bagged: way.bagged, seeds: null, short: null },
      ...{ spotId: fixed, chain: null, lateness: null, nursingTold: 0 },
    };
    if (ids.length === 0) return base;
    const goal = words.goal.kind === 'season' ? 'plant_out' : words.goal.kind;
    const question: PlanQuestion = {
      crop,
      method: words.method,
      packet: {
        prior: priorAt(ids[0] ?? ''),
        handled: own?.handled ?? nursery.handled(words.cropId),
        fates: own?.fates ?? nursery.fates(words.cropId),
        sound: own?.sound ?? { normal: 0, abnormal: 0 },
        seedsLeft: packet?.seedsLeft ?? null,
      },
      ...{ others: [], wanted: words.plants, keep: 1, sureness: home.ways.sureness, seeds: null, destination },
      ...{ school: home.ways.rootSchool, perPot: several ? 3 : 1, keepers: 1, prepared, soaking: prepared.includes('soak') },
      ...{ setup: setupFor(crop, home.ways.laid), without: [], spotId: fixed, startMs },
      // What the crop was late by is told by what it was wished for: the goal names it.
      target: { kind: goal, atMs: startMs + 180 * DAY_MS },
      seasons: past,
      chillDays,
      closure: way.bagged ? 'sealed_air' : 'lidded',
      pane: { widthMm: 140, heightMm: 110, plies: 2 },
      spots: ids.map((id) => {
        const { readings, guess } = warm.record(id, startMs, Infinity);
        return { id, readings: [...readings, ...warm.ahead(id, nowMs, offsetHours(home.zone, nowMs))], guess, prior: priorAt(id) };
      }),
    };
    const plan = planFor(question, home, home.millilitresPerSpray);
    const here = plan.bySpot.find(({ spotId }) => spotId === plan.spotId);
    const soakUntilMs = here?.facts.soakUntilMs ?? null;
    return {
      ...base,
      spotId: plan.spotId,
      seeds: plan.enough,
      short: plan.shortage?.left ?? null,
      sprouts: plan.sprouts,
      lateness: plan.lateness,
      nursingTold: plan.nursingTold,
      chain:
        here && here.course.enoughBy.some(({ chance }) => chance > 0)
          ? chainOf({
              crop,
              course: here.course,
              chillDays: chillDays ?? 0,
              soakDays: soakUntilMs === null ? 0 : (soakUntilMs - startMs) / DAY_MS,
              lateKind: goal,
              outdoors,
            })
          : null,
    };
  }

  return (words: WishWords, home: HouseholdRecord, startMs: number, nowMs: number): PlannedLot => {
    const { start: _start, pinned: _pinned, litId: _lit, bedId: _bed, seriesId: _series, batchId: _batch, ...bears } = words;
    const key = JSON.stringify([reader.stamp(), home.version, Math.floor(startMs / DAY_MS), bears]);
    const known = kept.get(key);
    if (known) return known;
    const lot = work(words, home, startMs, nowMs);
    kept.set(key, lot);
    return lot;
  };
}
export type Chains = ReturnType<typeof chainsOf>;
