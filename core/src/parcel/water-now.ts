import { dryingForecast, lossPerDay, wantsWater, type DryingForecast } from '../carrier/index.js';
import { laidMs, soakClock, type Soaking } from '../preparing/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import type { Progress } from '../warmth/index.js';
import { feltOf } from './facts.js';
import type { Workings } from './workings.js';

/** A towel that wants water. */
export interface Thirst {
  readonly damp: 'dry' | 'drying';
  /** A finger said so and nobody has given it water since; else it is only likelier than not. */
  readonly felt: boolean;
  /** Since when, ms. */
  readonly sinceMs: number;
}

/** Mean temperature over the day before a moment: a bag dries by day and by night. */
export const meanCelsius = (progress: Progress, nowMs: number): number =>
  Array.from({ length: 24 }, (_, hour) => progress.celsiusAt(nowMs - hour * HOUR_MS)).reduce((sum, celsius) => sum + celsius, 0) / 24;

/** When seed in water drowns; null where it lies in none. */
export const drowns = ({ facts, method }: Workings, soaking: Soaking | null, nowMs: number): number | null =>
  method.late === 'drowned' ? soakClock(facts.crop, facts.startMs, nowMs, true).drownsMs : (soaking?.drownsMs ?? null);

/** Water that it wants; standing water is changed and not given. */
export function thirstOf({ facts, method, state }: Workings, { dryingAtMs, shareLeft }: DryingForecast, nowMs: number): Thirst | null {
  const damp = wantsWater(shareLeft);
  if (damp === null || method.water === 'standing' || state.quiet + state.showing === 0) return null;
  const last = feltOf(facts).findLast(({ atMs }) => atMs <= nowMs);
  const felt = last !== undefined && (last.damp === 'dry' || last.damp === 'drying') && !last.rewetted && last.atMs >= dryingAtMs;
  return { damp, felt, sinceMs: felt ? last.atMs : dryingAtMs };
}

/** When its water wants a hand: a bag's by its closure, a pot's by its kind, standing water after a day. */
export function dryingOf({ facts, method, progress }: Workings, nowMs: number): DryingForecast {
  const celsius = meanCelsius(progress, nowMs);
  const forecast = dryingForecast(
    method.lossPerDayAt25C ?? lossPerDay(facts.closure),
    celsius,
    // The towel is given its dose when the seed comes out of its soak.
    laidMs(
      facts.crop,
      facts.startMs,
      facts.soakUntilMs ?? null,
      facts.looks.map(({ atMs }) => atMs),
    ),
    feltOf(facts),
    nowMs,
    facts.weighings,
  );
  if (method.water !== 'standing') return forecast;
  const changedMs = facts.looks.reduce(
    (last, { atMs, rewetted }) => (rewetted && atMs <= nowMs ? Math.max(last, atMs) : last),
    facts.startMs,
  );
  return { ...forecast, dryingAtMs: changedMs + DAY_MS };
}
