import type { Crop } from '../crops/index.js';
import { DAY_MS } from '../units/index.js';
import type { DayRange, Stay } from '../warmth/index.js';

/** Nobody has said yet where it goes when its chill is done: an ordinary warm room, °C. */
export const AFTER_CHILL = { minC: 18, maxC: 24 } as const;
/** A place below this is still the cold of a chill, °C. */
const STILL_COLD_C = 9;
/** How far the cold that a crop asks for swings, either way, °C. */
const SWING_C = 1;

const cold = ({ minC, maxC }: DayRange): boolean => (minC + maxC) / 2 < STILL_COLD_C;

/** A place by its latest reading, whenever it was written; a fridge stays one through a warm spell. */
function isCold({ readings, guess }: Stay): boolean {
  const [first, ...rest] = readings;
  if (!first) return cold(guess);
  const latest = rest.reduce((last, one) => (one.toMs > last.toMs ? one : last), first);
  return cold(latest) || (cold(guess) && readings.some(cold));
}

/** Whether it stands in a cold spot now. */
export const lastIsCold = (stays: readonly Stay[]): boolean => {
  const last = stays.at(-1);
  return last !== undefined && isCold(last);
};

/**
 * Where seed really lies while it is chilled. A spot that is named from the start and is
 * warm is the one it goes to afterwards, as the worktop says: until then it is in the
 * cold. What stands in a cold spot is chilled there, and nobody has said what follows.
 *
 * @param stays ordered by time, the first from the start
 */
export function chilledStays({ chill }: Pick<Crop, 'chill'>, stays: readonly Stay[], chillUntilMs: number, nowMs: number): readonly Stay[] {
  const firstCold = stays.findIndex(isCold);
  if (firstCold === 0) {
    const last = stays.at(-1);
    const goesOn = chillUntilMs > nowMs && last !== undefined && isCold(last);
    return goesOn ? [...stays, { fromMs: chillUntilMs, readings: [], guess: AFTER_CHILL }] : stays;
  }
  // Taken out of a cold spot early, it is out: only what was named before any cold waits.
  const [named, rest] = firstCold < 0 ? [stays, []] : [stays.slice(0, firstCold), stays.slice(firstCold)];
  const inCold: Stay = {
    fromMs: stays[0]?.fromMs ?? chillUntilMs,
    readings: [],
    guess: { minC: chill.celsius - SWING_C, maxC: chill.celsius + SWING_C },
  };
  // A kind that wants warmth before its cold lies where it is named for until then.
  const warmMs = chill.warmWeeks * 7 * DAY_MS;
  if (rest.length > 0) return warmMs > 0 ? stays : chilledStays({ chill }, [inCold, ...rest], chillUntilMs, nowMs);
  const coldFromMs = Math.min(inCold.fromMs + warmMs, chillUntilMs);
  const before = warmMs > 0 ? named.filter(({ fromMs }) => fromMs < coldFromMs) : [];
  const after = named.filter((stay, index) => (named[index + 1]?.fromMs ?? Infinity) > chillUntilMs);
  return [...before, { ...inCold, fromMs: coldFromMs }, ...after.map((stay) => ({ ...stay, fromMs: Math.max(stay.fromMs, chillUntilMs) }))];
}

/** Whether nobody has said yet where seed goes after its chill: it was begun in a cold spot. */
export const untold = ([first]: readonly Stay[]): boolean => first !== undefined && isCold(first);

/**
 * When the chill ends, also while it is over and the seed is still in the cold, or is to
 * come out of it and nobody has opened it since; null where there is none, or it is out.
 *
 * @param celsiusNow temperature of its place
 * @param opened whether it was opened since the chill was done
 */
export function chillDue(
  { chillUntilMs, stays }: { readonly chillUntilMs: number | null; readonly stays: readonly Stay[] },
  celsiusNow: number,
  nowMs: number,
  opened: boolean,
): number | null {
  if (chillUntilMs === null) return null;
  const waits = !untold(stays) && !opened;
  return chillUntilMs > nowMs || celsiusNow < STILL_COLD_C || waits ? chillUntilMs : null;
}
