import { DateTime } from 'luxon';
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

  /** What former years of a crop tell, read once for as long as nothing of it can have changed. */
  let past = { stamp: '', key: '', of: new Map<string, ReturnType<typeof seasons.of>>() };
  function pastOf(cropId: string, zone: string, atMs: number) {
    const stamp = `${reader.stamp()} ${atMs}`;
    if (past.stamp !== stamp) {
      const key = `${reader.batches.pastStamp()} ${zone} ${atMs}`;
      past = past.key === key ? { ...past, stamp } : { stamp, key, of: new Map() };
    }
    const found = past.of.get(cropId) ?? seasons.of(cropId, zone, atMs);
    past.of.set(cropId, found);
    return found;
  }

  /** Every place with its record, read once for as long as nothing is written. */
  let places: { readonly key: string; readonly all: ReturnType<typeof readPlaces> } | null = null;
  function readPlaces(home: HouseholdRecord, atMs: number) {
    return spots.list(home.zone, home.units, atMs).map(({ id, kind }) => {
      const { readings, guess } = warm.record(id, atMs, Infinity);
      return { id, kind, guess, readings: [...readings, ...warm.ahead(id, atMs, offsetHours(home.zone, atMs))] };
    });
  }
  function placesAt(home: HouseholdRecord, atMs: number) {
    const key = `${reader.stamp()} ${atMs}`;
    if (places?.key !== key) places = { key, all: readPlaces(home, atMs) };
    return places.all;
  }

  /** All that a lot's stages hang on. */
  function question(words: WishWords, home: HouseholdRecord, atMs: number) {
    const crop = crops.crop(words.cropId);
    const packet = packetOf(words);
    const way = methodFor(words.method, crop);
    const wished = words.place === 'slot' ? 'slot' : (words.destination ?? usualDestination(crop));
    const destination = way.event === 'emergence' ? standsIn(words.method, wished) : wished;
    const prepared = usualSteps(crop);
    const { weeks, warmWeeks } = crop.chill;
    const chillDays = weeks > 0 ? Math.round((weeks + warmWeeks) * 7) : null;
    const perPot = home.nursing.schools.pot === 'several' ? 3 : 1;
    const counted = packet ? packetView.counting(packet.id) : { handled: nursery.handled(crop.id), fates: nursery.fates(crop.id) };
    const { event } = methodOf(words.method);
    const priorAt = (spotId: string) =>
      packet
        ? forecasts.priorOf(packet.id, spotId, event, home, atMs)
        : bookPrior(crop, { printedRate: null, ageYears: null, seen: event });
    const all = placesAt(home, atMs);
    const fridge = chillDays === null ? undefined : all.find(({ kind }) => kind === 'fridge');
    const plot = way.carrier === 'row' ? all.find(({ kind }) => kind === 'plot') : undefined;
    const fixed = words.spotId ?? plot?.id ?? fridge?.id ?? null;
    const there = all.filter(({ id }) => fixed === null || id === fixed);
    const lateKind = words.goal.kind === 'season' ? ('plant_out' as const) : words.goal.kind;
    const asked: Omit<PlanQuestion, 'crop'> = {
      method: words.method,
      packet: {
        prior: priorAt(there[0]?.id ?? ''),
        sound: { normal: 0, abnormal: 0 },
        ...counted,
        seedsLeft: packet?.seedsLeft ?? null,
      },
      ...{ others: [], wanted: words.plants, keep: 1, sureness: home.ways.sureness, seeds: null, destination },
      ...{ school: home.ways.rootSchool, perPot, keepers: 1, prepared, soaking: prepared.includes('soak') },
      ...{ setup: setupFor(crop, home.ways.laid), without: [], spotId: fixed, startMs: atMs },
      // What the crop was late by is told by what it was wished for: the goal names it.
      target: { kind: lateKind, atMs: atMs + 180 * DAY_MS },
      seasons: pastOf(words.cropId, home.zone, atMs),
      chillDays,
      closure: way.bagged ? 'sealed_air' : 'lidded',
      pane: { widthMm: 140, heightMm: 110, plies: 2 },
      spots: there.map(({ id, readings, guess }) => ({ id, readings, guess, prior: priorAt(id) })),
      onlyThere: true,
    };
    const outdoors = words.place === 'bed' || words.place === 'outdoors';
    return { crop, packet, way, lateKind, outdoors, asked };
  }

  function work({ crop, packet, way, lateKind, outdoors, asked }: ReturnType<typeof question>, home: HouseholdRecord): PlannedLot {
    const plan = planFor({ ...asked, crop }, home, home.millilitresPerSpray);
    const here = plan.bySpot.find(({ spotId }) => spotId === plan.spotId);
    const soakUntilMs = here?.facts.soakUntilMs ?? null;
    const comes = here?.course.enoughBy.some(({ chance }) => chance > 0) ?? false;
    return {
      ...{ crop, packetId: packet?.id ?? null, variety: packet?.variety ?? null, destination: asked.destination, outdoors },
      ...{ sprouts: plan.sprouts, perPot: asked.perPot, bagged: way.bagged, seeds: plan.enough, short: plan.shortage?.left ?? null },
      ...{ spotId: plan.spotId, lateness: plan.lateness, nursingTold: plan.nursingTold },
      chain:
        here && comes
          ? chainOf({
              crop,
              course: here.course,
              chillDays: asked.chillDays ?? 0,
              soakDays: soakUntilMs === null ? 0 : (soakUntilMs - asked.startMs) / DAY_MS,
              lateKind,
              outdoors,
            })
          : null,
    };
  }

  return (words: WishWords, home: HouseholdRecord, nowMs: number): PlannedLot => {
    // A plan for weeks ahead is the same all day.
    const atMs = DateTime.fromMillis(nowMs, { zone: home.zone }).startOf('day').plus({ hours: 12 }).toMillis();
    const all = question(words, home, atMs);
    const key = JSON.stringify([
      crops.known(words.cropId).version,
      all.packet?.id,
      all.packet?.variety,
      home.ways,
      home.lookingTimes,
      all.asked,
    ]);
    const known = kept.get(key);
    if (known) return known;
    const lot = work(all, home);
    kept.set(key, lot);
    return lot;
  };
}
export type Chains = ReturnType<typeof chainsOf>;
