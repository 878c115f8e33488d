import QuickLRU from 'quick-lru';
import { PLACE_KINDS } from '@fresh-tuck/contract';
import { survivalFor, type Destination } from '@fresh-tuck/core/moving';
import { lessonsOf, type Lessons, type TrayFacts } from '@fresh-tuck/core/nursing';
import type { Stay } from '@fresh-tuck/core/warmth';
import type { Reader } from '../forecasts/reader.js';
import type { TrayCare } from './care.js';
import type { StandingTray } from './trays.js';

const DAY_MS = 86_400_000;
/** Earlier moves of a crop that teach: more tell little more. */
const MOST_TAUGHT = 8;
const KEPT = 400;
/** Bare of any word on where it stands, a tray is in a room. */
const SOMEWHERE = { minC: PLACE_KINDS.room.minC, maxC: PLACE_KINDS.room.maxC };
/** Where nothing is potted on from. */
const FINAL: readonly Destination[] = ['bed', 'slot', 'terrarium', 'glass'];

/** Trays as the core knows them, and what earlier trays taught. */
export function raising({ care, crops, nursery, stamp, trays, warm }: Reader) {
  const taught = new QuickLRU<string, Lessons>({ maxSize: KEPT });

  // Of one question, asked for every tray of a crop.
  let asked = '';
  const fates = new Map<string, ReturnType<typeof nursery.fates>>();
  function fatesOf(cropId: string): ReturnType<typeof nursery.fates> {
    if (asked !== stamp()) fates.clear();
    asked = stamp();
    const own = fates.get(cropId) ?? nursery.fates(cropId);
    fates.set(cropId, own);
    return own;
  }

  function staysOf({ movedMs }: StandingTray, { places }: Pick<TrayCare, 'places'>, nowMs: number, offset: number): Stay[] {
    if (places.length === 0) return [{ fromMs: movedMs, readings: [], guess: SOMEWHERE }];
    return places.map(({ spotId, fromMs }, index) => {
      const until = places[index + 1]?.fromMs ?? null;
      const place = until === null ? warm.place(spotId, nowMs, offset) : warm.record(spotId, fromMs - DAY_MS, until);
      // Where it was put first it has stood since the move.
      return { fromMs: index === 0 ? Math.min(fromMs, movedMs) : fromMs, readings: place.readings, guess: place.guess };
    });
  }

  function factsOf(tray: StandingTray, done: TrayCare, nowMs: number, offset: number): TrayFacts {
    const { cropId, destination, movedMs, plants, pottedMs } = tray;
    return {
      crop: crops.crop(cropId),
      stays: staysOf(tray, done, nowMs, offset),
      seenMs: done.seenMs,
      survival: survivalFor(destination, fatesOf(cropId)[destination] ?? { lived: 0, lost: 0 }),
      finalPot: tray.last || FINAL.includes(destination),
      ...{ destination, movedMs, plants, pottedMs },
    };
  }

  return {
    factsOf,
    /** What earlier trays of a crop taught; each is worked out once for as long as nothing is said of it. */
    lessonsFor(cropId: string, notThese: ReadonlySet<string>, nowMs: number, offset: number): Lessons {
      const past = trays.ofCrop(cropId, MOST_TAUGHT).filter(({ id }) => !notThese.has(id));
      const cares = care.of(past, nowMs);
      const lessons: Record<string, NonNullable<Lessons[keyof Lessons]>[number][]> = {};
      for (const tray of past) {
        const done = cares.get(tray.id);
        if (!done || !tray.plants.some(({ marks }) => marks.length > 0)) continue;
        const key = JSON.stringify([tray.id, tray.plants, done.places, done.seenMs, crops.known(cropId).version]);
        let own = taught.get(key);
        if (!own) taught.set(key, (own = lessonsOf(factsOf(tray, done, nowMs, offset), tray.id, nowMs, offset)));
        for (const [step, lots] of Object.entries(own)) (lessons[step] ??= []).push(...lots);
      }
      return lessons;
    },
  };
}
export type Raising = ReturnType<typeof raising>;
