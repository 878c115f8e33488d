import type { ParcelFacts } from '../parcel/index.js';
import { daysInWarmth } from './in-warmth.js';

/** New tips seen at one look. */
export interface NewTips {
  /** Days from the start to the look; above 0, rising. */
  readonly day: number;
  readonly count: number;
}

/** The usual figures of a count of tips, each by the definition its name carries; null where too few came to tell. */
export interface Indices {
  /** Seeds that came, in 100 of those started. */
  readonly finalPercent: number;
  /** Mean germination time, days: Σ n t / Σ n (Ellis and Roberts 1981; Ranal and Santana 2006). */
  readonly meanDays: number | null;
  /** Days to half of what came, (N + 1) / 2 between the looks around it (Coolbear, Francis and Grierson 1984). */
  readonly t50Coolbear: number | null;
  /** The same with N / 2 (Farooq, Basra, Ahmad and Hafeez 2005). */
  readonly t50Farooq: number | null;
  /** Germination index that gives each seed the days that were left of the test, the day it came among them (Benech Arnold, Fenner and Edwards 1991). */
  readonly germinationIndex: number;
  /** Maguire's rate, seeds a day: Σ n / t (Maguire 1962). */
  readonly maguire: number;
  /** Coefficient of velocity, in 100: 100 Σ n / Σ n t (Kotowski 1926). */
  readonly velocity: number | null;
  /** Mean rate, per day: the reciprocal of the mean time (Ranal and Santana 2006). */
  readonly meanRate: number | null;
  /** Uncertainty, bits: -Σ f log2 f over the looks (Labouriau and Valadares 1976; Ranal and Santana 2006). */
  readonly uncertainty: number | null;
  /** Synchrony, 0 to 1: pairs that came at the same look among all pairs (Primack 1980; Ranal and Santana 2006); null for fewer than two. */
  readonly synchrony: number | null;
}

/** Looks between which half of the tips or more came: what is told of days is then mostly the looks'. */
const SPARSE_SHARE = 0.5;

/**
 * Published figures of germination. They know nothing of what lies between two looks: a
 * tip counts on the day on which it was seen.
 *
 * Sources: M. A. Ranal and D. G. de Santana, "How and why to measure the germination
 * process?", *Revista Brasileira de Botânica* 29 (2006) 1-11, and those named by each.
 *
 * @param seeds started, 1 or more
 * @param looks every look with the tips it found new, those that found none among them
 * @param testDays length of the test, for the germination index; the day of the last look where not given
 * @throws RangeError where days do not rise from above 0, or more came than there were seeds
 */
export function germinationIndices(seeds: number, looks: readonly NewTips[], testDays = looks.at(-1)?.day ?? 0): Indices {
  if (looks.some(({ day }, index) => !(day > (looks[index - 1]?.day ?? 0)))) throw new RangeError('looks: days must rise from above 0');
  const sum = (of: (look: NewTips) => number): number => looks.reduce((total, look) => total + of(look), 0);
  const came = sum(({ count }) => count);
  if (!(seeds >= 1) || came > seeds) throw new RangeError(`seeds must be at least 1, and no fewer than the ${came} that came`);
  const days = sum(({ day, count }) => day * count);
  const some = came > 0;
  return {
    finalPercent: (100 * came) / seeds,
    meanDays: some ? days / came : null,
    t50Coolbear: some ? dayOf((came + 1) / 2, looks) : null,
    t50Farooq: some ? dayOf(came / 2, looks) : null,
    germinationIndex: sum(({ day, count }) => count * Math.max(testDays - day + 1, 0)),
    maguire: sum(({ day, count }) => count / day),
    velocity: some ? (100 * came) / days : null,
    meanRate: some ? came / days : null,
    uncertainty: some ? -sum(({ count }) => (count === 0 ? 0 : (count / came) * Math.log2(count / came))) || 0 : null,
    synchrony: came < 2 ? null : sum(({ count }) => count * (count - 1)) / (came * (came - 1)),
  };
}

/** Day by which so many had come, straight between the looks around it. */
function dayOf(rank: number, looks: readonly NewTips[]): number {
  let [before, dayBefore] = [0, 0];
  for (const { day, count } of looks) {
    if (before + count >= rank) return dayBefore + ((rank - before) / count) * (day - dayBefore);
    before += count;
    dayBefore = day;
  }
  return dayBefore;
}

/** Whether the looks were so far apart that half of the tips or more were found at one of them. */
export function looksTooSparse(looks: readonly NewTips[]): boolean {
  const came = looks.reduce((total, { count }) => total + count, 0);
  return came > 1 && Math.max(...looks.map(({ count }) => count)) >= SPARSE_SHARE * came;
}

/**
 * New tips of one or several batches by the day on which they were seen, each batch from
 * its own start, or the end of its chill; looks that told nothing of tips are left out.
 */
export function tipsByDay(batches: readonly Pick<ParcelFacts, 'startMs' | 'chillUntilMs' | 'looks'>[]): NewTips[] {
  const byDay = new Map<number, number>();
  for (const batch of batches) {
    const { startMs, looks } = batch;
    const dayOf = daysInWarmth(batch);
    let before = 0;
    for (const { atMs, tipped } of looks) {
      if (tipped === null || atMs <= startMs) continue;
      const day = dayOf(atMs);
      byDay.set(day, (byDay.get(day) ?? 0) + Math.max(tipped - before, 0));
      before = Math.max(before, tipped);
    }
  }
  return [...byDay].map(([day, count]) => ({ day, count })).sort((a, b) => a.day - b.day);
}
