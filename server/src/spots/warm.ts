import { createHash } from 'node:crypto';
import QuickLRU from 'quick-lru';
import { PLACE_KINDS, type SpotSetup as Told } from '@fresh-tuck/contract';
import {
  bodyOf,
  fitBody,
  hoursAhead,
  HOURLY_MS,
  hoursTold,
  placeNow,
  SETTLES_HOURS,
  type DayRange,
  type FittedBody,
  type HourReading,
  type Reading,
  type SpotBody,
  type Stay,
} from '@fresh-tuck/core/warmth';
import { offsetHours } from '@fresh-tuck/core/units';
import type { HouseholdStore } from '../household/store.js';
import type { SetupStore, SpotEvent } from './setups.js';
import type { SpotRecord, SpotStore } from './store.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** A fit is of so many hours of a logger, or days of a thermometer: more tell little more and cost seconds. */
const FIT_MS = { hourly: 30 * HOUR_MS, daily: 5 * DAY_MS } as const;
/** A body is fitted to hours alone: a day's two figures do not tell heat from loss. */
const LEAST_HOURS = 18;
/** It is fitted anew every so many hours: a new hour changes little. */
const ANEW_HOURS = 6;
const KEPT = 60;

/** A spot as its readings have it, set up as it was then; and how it is set up now. */
export interface WarmSpot extends SpotBody {
  readonly fit: FittedBody | null;
  readonly now: Told;
}

/** Spots as bodies: how they are set up, what their readings say of them, what is to come over them. */
export function warmSpots(spots: SpotStore, setups: SetupStore, household: Pick<HouseholdStore, 'get'>) {
  const fits = new QuickLRU<string, FittedBody | null>({ maxSize: KEPT });

  function fitOf(spot: Omit<SpotBody, 'fitted'>, nowMs: number, utcOffsetHours: number): FittedBody | null {
    const hourly = spot.readings.filter(({ fromMs, toMs }) => toMs - fromMs <= HOURLY_MS && fromMs < nowMs);
    const lastMs = hourly.at(-1)?.toMs ?? 0;
    const used = hourly.filter(({ fromMs }) => fromMs >= lastMs - FIT_MS.hourly);
    if (used.length < LEAST_HOURS || nowMs - lastMs > FIT_MS.daily) return null;
    const steady = used.filter(({ fromMs }) => fromMs < Math.floor(lastMs / (ANEW_HOURS * HOUR_MS)) * ANEW_HOURS * HOUR_MS);
    if (steady.length < LEAST_HOURS / 2) return null;
    const key = createHash('sha1')
      .update(JSON.stringify([spot.setup, spot.around, steady, utcOffsetHours]))
      .digest('base64');
    const known = fits.get(key);
    if (known !== undefined) return known;
    // Hours of the spot's clock, from the midnight before the first.
    const midnight = Math.floor(((steady[0]?.fromMs ?? 0) / HOUR_MS + utcOffsetHours) / 24) * 24;
    const hourOf = (ms: number): number => ms / HOUR_MS + utcOffsetHours - midnight;
    const readings: HourReading[] = [...new Map(steady.map((one) => [one.fromMs, one])).values()]
      .sort((a, b) => a.fromMs - b.fromMs)
      .map(({ fromMs, toMs, minC, maxC }) => ({ fromHour: hourOf(fromMs), toHour: hourOf(toMs), minC, maxC }));
    const found = fitBody(bodyOf(spot.setup, spot.around), readings);
    fits.set(key, found);
    return found;
  }

  /** A spot at a moment. @param fitting whether its readings are asked too, which takes a second where they are new */
  function at(id: string, nowMs: number, utcOffsetHours: number, fitting: boolean): WarmSpot {
    const { kind } = spots.get(id);
    const { readings, guess } = spots.record(id, nowMs, Infinity);
    const now = setups.at(id, kind, nowMs);
    // Nobody having read it, it is as such places are: what was said of it since changes that.
    const lastMs = spots.lastReadMs(id, nowMs);
    const setup = lastMs === null ? setups.usual(kind) : setups.at(id, kind, lastMs);
    const like: DayRange = setup.mat ? (now.room ?? PLACE_KINDS.room) : placeNow(readings, guess, nowMs, utcOffsetHours);
    const around = { minC: like.minC, maxC: like.maxC };
    const fit = fitting ? fitOf({ readings, guess, setup, around }, nowMs, utcOffsetHours) : null;
    return { readings, guess, setup, now, around, fit, fitted: fit?.body ?? null };
  }

  /**
   * The hours ahead of a spot where something is to come over it, or where it was set up
   * otherwise since its thermometer was read last; empty where its record says it all.
   */
  function ahead(id: string, nowMs: number, utcOffsetHours: number): Reading[] {
    const occurrences = setups.events(id, nowMs, nowMs + 14 * DAY_MS);
    const quick = at(id, nowMs, utcOffsetHours, false);
    const priceless = (setup: object): string => JSON.stringify({ ...setup, pricePerKWh: null });
    if (occurrences.length === 0 && priceless(quick.setup) === priceless(quick.now)) return [];
    return hoursAhead(at(id, nowMs, utcOffsetHours, true), { nowMs, utcOffsetHours, occurrences, setup: quick.now });
  }

  /** A place's record of a stretch, and before it what was told to have come over it. */
  function record(id: string, fromMs: number, toMs: number): SpotRecord {
    const known = spots.record(id, fromMs, toMs);
    return { ...known, readings: [...told(id, known, fromMs, toMs), ...known.readings] };
  }
  function told(id: string, { readings, guess }: Pick<SpotRecord, 'readings' | 'guess'>, fromMs: number, toMs: number): Reading[] {
    const events = setups.events(id, fromMs - SETTLES_HOURS * HOUR_MS, toMs);
    if (events.length === 0) return [];
    const { zone } = household.get();
    const { kind } = spots.get(id);
    // Each as the place was set up then.
    const bySetup = new Map<string, SpotEvent[]>();
    for (const event of events) {
      const key = JSON.stringify(setups.at(id, kind, event.fromMs));
      bySetup.set(key, [...(bySetup.get(key) ?? []), event]);
    }
    return [...bySetup.values()].flatMap((together) => {
      const beganMs = Math.min(...together.map((event) => event.fromMs));
      const offset = offsetHours(zone, beganMs);
      const setup = setups.at(id, kind, beganMs);
      const around = setup.mat ? (setup.room ?? PLACE_KINDS.room) : placeNow(readings, guess, beganMs, offset);
      return hoursTold({ readings, guess, setup, around, fitted: null }, together, offset);
    });
  }

  return {
    /** A place as its alarms speak of it. */
    alarmed(id: string, nowMs: number): { readonly name: string; readonly setup: Told; readonly guessed: boolean } {
      const { name, kind } = spots.get(id);
      return { name, setup: setups.at(id, kind, nowMs), guessed: spots.lastReadMs(id, nowMs) === null };
    },
    at,
    ahead,
    record,
    told,
    /** A place as what is put there now will find it: its record, and what is to come. */
    place(id: string, nowMs: number, utcOffsetHours: number): Omit<Stay, 'fromMs'> & { readonly id: string; readonly name: string } {
      const { name, readings, guess } = record(id, nowMs, Infinity);
      return { id, name, readings: [...readings, ...ahead(id, nowMs, utcOffsetHours)], guess };
    },
  };
}
export type WarmSpots = ReturnType<typeof warmSpots>;
