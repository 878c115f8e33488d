import { countForecast } from '../chance/index.js';
import type { CensoredStretch } from '../forecast/index.js';
import { workingsFor } from '../parcel/index.js';
import { allElse, fairnessOf, unlikeBetween, type Fairness, type Unlike } from './fairness.js';
import { fisherExact, shareDifferenceWithin, type CountOf, type Difference } from './fisher.js';
import { logRankScores } from './log-rank.js';
import { medianDifference, medianOf, type MedianDifference } from './medians.js';
import { holm, permutationTest, type Stratum } from './permutation.js';
import { sideOf, watchedTo, type ShownSide } from './sides.js';
import { chanceToSeeDays, seedsToSee, USUAL_LEVEL } from './size.js';
import { clockOf, daysPerProgress, shownOn, type Arm, type Clock, type Question, type TrialBatch } from './trial.js';

/** Draws of a comparison, in which both tests are told to about a fiftieth of a chance of 1 in 20. */
export const DRAWS = 10_000;
/** Sides drawn anew for the interval of a difference in days. */
const ANEW = 1000;
/** Differences that nobody would act on: less than this is none. */
const LEAST = { share: 0.1, daysOfMedian: 0.1 } as const;

/** Sd of log days between the seeds of a lot, until a trial of more is planned by the crop's own. */
const SPREAD = 0.28;

/** What one side showed, by the time up to which all were watched. */
export interface ArmShown {
  readonly name: string;
  readonly count: CountOf;
  /** Days to the middle of those that came; null where none did. */
  readonly medianDays: number | null;
  readonly stretches: readonly CensoredStretch[];
  /** Whether it had shown what it would when it was closed; where not, more would have come. */
  readonly over: boolean;
}

/** Two sides against each other. */
export interface PairShown {
  readonly first: number;
  readonly second: number;
  /** First side's share less the second's; how often chance makes as uneven a pair, and as much when all pairs are counted. */
  readonly share: Difference & { readonly chance: number; readonly amongAll: number };
  /** Days by which the first side's middle seed came later, among those that came; null where too few did. */
  readonly days: (MedianDifference & { readonly chance: number; readonly amongAll: number }) | null;
  readonly unlike: readonly Unlike[];
  readonly fair: { readonly share: Fairness; readonly days: Fairness };
  /** Seeds a side that would show a difference in days as large as this one 8 times in 10; null where none is, or no household has so many. */
  readonly needed: number | null;
}

/** A whole comparison. */
export interface Compared {
  readonly clock: Clock;
  /** Days up to which all sides were watched; null where every seed came or was found dead. */
  readonly watchedDays: number | null;
  readonly arms: readonly ArmShown[];
  readonly pairs: readonly PairShown[];
  /** Places within which the sides were compared; none where they stood alike. */
  readonly within: readonly string[];
  readonly draws: number;
}

const came = (stretches: readonly CensoredStretch[]): CensoredStretch[] => stretches.filter(({ right }) => right < Infinity);
const eachCame = (stretches: readonly CensoredStretch[]): Float64Array =>
  Float64Array.from(stretches.flatMap(({ right, count }) => new Array<number>(count).fill(right < Infinity ? 1 : 0)));

/** Scores of the sides that are there; nothing for those that are not. */
function scoresOf(sides: readonly (readonly CensoredStretch[])[]): Stratum {
  const there = sides.filter((side) => side.length > 0);
  const scores = there.length > 0 ? logRankScores(there) : [];
  return sides.map((side) => (side.length > 0 ? (scores[there.indexOf(side)] as Float64Array) : new Float64Array(0)));
}

/** Days between the looks among which tips came, on average; a day where none came. */
function looksApart(sides: readonly ShownSide[]): number {
  const found = sides.flatMap(({ stretches }) => came(stretches));
  const tips = found.reduce((sum, { count }) => sum + count, 0);
  return tips > 0 ? found.reduce((sum, { left, right, count }) => sum + count * (right - left), 0) / tips : 1;
}

/** A batch closed with less than this of its seed to come was over: half of what anybody would act on, and half a seed of few. */
const TO_COME = { share: LEAST.share / 2, seeds: 0.5 } as const;
/** Whether a batch had shown what it would when it was closed. */
const wasOver = ({ basics: { evidence, facts }, closedMs }: TrialBatch): boolean =>
  evidence.quiet.count === 0 ||
  countForecast(workingsFor(facts, closedMs).outlook.furtherTips(Infinity)).mean < Math.max(TO_COME.share * facts.seeds, TO_COME.seeds);

const placeOf = ({ traits }: TrialBatch): string => traits.spots.join(', ');

/** Places that at least two sides stood on, where the sides are spread over them unevenly; none where it makes no odds. */
function placesApart(question: Question, arms: readonly Arm[]): string[] {
  if (question === 'spot') return [];
  const uneven = arms.some((arm, index) =>
    arms.slice(index + 1).some((other) => unlikeBetween(question, arm, other, 1).some(({ factor }) => factor === 'spot')),
  );
  const places = [...new Set(arms.flatMap(({ batches }) => batches.map(placeOf)))];
  const shared = places.filter((place) => arms.filter(({ batches }) => batches.some((batch) => placeOf(batch) === place)).length > 1);
  return uneven && places.length > 1 && shared.length === places.length ? shared : [];
}

/**
 * Compares the sides of a trial: how many came, by Fisher's exact test, and how soon, by a
 * log-rank test of those that came; each at the time up to which all that were not over were watched, within
 * each place where the sides were spread over places unevenly. In steps, so that it can be
 * stopped and tells how far it is.
 *
 * @param seed of the random numbers, a whole number
 * @throws RangeError where a side has no batch
 */
export function comparisonOf(question: Question, arms: readonly Arm[], seed: number) {
  const empty = arms.find(({ batches }) => batches.length === 0);
  if (empty) throw new RangeError(`${empty.name} has no batch`);
  const clock = clockOf(question);
  const all = arms.flatMap(({ batches }) => batches);
  const times = clock === 'progress' ? daysPerProgress(all) : 1;
  const seen = all.map((batch) => ({ batch, shown: { ...shownOn(batch, clock), lost: batch.basics.state.lost }, over: wasOver(batch) }));
  const upTo = watchedTo(seen.filter(({ over }) => !over).map(({ shown: own }) => own));
  // What would not have come had it been watched for longer counts as watched to the end.
  const lastSeen = Math.max(...seen.map(({ shown: { quiet, tips } }) => Math.max(quiet.progress, tips.at(-1)?.toProgress ?? 0)));
  const shown = new Map(
    seen.map(({ batch, shown: own, over }) => [batch, over ? { ...own, quiet: { ...own.quiet, progress: lastSeen } } : own]),
  );
  const within = placesApart(question, arms);
  const sideIn = ({ batches }: Arm, place: string | null): ShownSide =>
    sideOf(
      batches
        .filter((batch) => place === null || placeOf(batch) === place)
        .map((batch) => shown.get(batch) as NonNullable<ReturnType<typeof shown.get>>),
      upTo,
      times,
    );
  const sides = arms.map((arm) => sideIn(arm, null));
  const strata = (within.length > 0 ? within : [null]).map((place) => arms.map((arm) => sideIn(arm, place)));
  const pairs = arms.flatMap((_, first) => arms.slice(first + 1).map((__, after) => ({ first, second: first + 1 + after })));
  const tests = pairs.map(({ first, second }) => {
    const pair = strata.map((stratum) => [stratum[first] as ShownSide, stratum[second] as ShownSide]);
    const enough = [first, second].every(
      (side) => came((sides[side] as ShownSide).stretches).reduce((sum, { count }) => sum + count, 0) > 1,
    );
    const days = enough
      ? permutationTest(
          pair.map((stratum) => scoresOf(stratum.map(({ stretches }) => came(stretches)))),
          seed,
        )
      : null;
    const share =
      within.length > 0
        ? permutationTest(
            pair.map((stratum) => stratum.map(({ stretches }) => eachCame(stretches))),
            seed,
          )
        : null;
    return { first, second, days, share };
  });
  let draws = 0;
  return {
    /** Draws so many times more. */
    step(times: number): void {
      for (const { days, share } of tests) {
        days?.draw(times);
        share?.draw(times);
      }
      draws += times;
    },
    /** Share of the draws that are done, 0 to 1. */
    done: (): number => Math.min(draws / DRAWS, 1),
    result: (): Compared => {
      const chances = tests.map(({ first, second, share, days }) => ({
        share: share?.result().chance ?? fisherExact((sides[first] as ShownSide).count, (sides[second] as ShownSide).count).either,
        days: days ? days.result().chance : null,
      }));
      // Every pair is asked twice, how many and how soon: one call too many in twenty trials is all that is allowed.
      const asked = chances.flatMap(({ share, days }) => (days === null ? [share] : [share, days]));
      const raised = holm(asked);
      const raisedTo = (chance: number): number => raised[asked.indexOf(chance)] as number;
      return {
        clock,
        watchedDays: upTo < Infinity ? upTo * times : null,
        arms: arms.map(({ name, batches }, index) => {
          const { count, stretches } = sides[index] as ShownSide;
          const over = batches.every((batch) => seen.some((one) => one.batch === batch && one.over));
          return { name, count, stretches, medianDays: medianOf(came(stretches)), over };
        }),
        pairs: pairs.map(({ first, second }, index): PairShown => {
          const [own, other] = [sides[first] as ShownSide, sides[second] as ShownSide];
          const chance = chances[index] as (typeof chances)[number];
          const both = strata.map((stratum) => [stratum[first] as ShownSide, stratum[second] as ShownSide] as const);
          const apart = shareDifferenceWithin(
            both.filter((pair) => pair.every(({ count }) => count.of > 0)).map(([a, b]) => [a.count, b.count]),
          );
          const between = medianDifference(
            both.map(([a, b]) => [a.stretches, b.stretches]),
            ANEW,
            seed,
          );
          const median = medianOf([...came(own.stretches), ...came(other.stretches)]) ?? 1;
          const unlike = unlikeBetween(question, arms[first] as Arm, arms[second] as Arm, median);
          const worth = allElse(unlike);
          const tips = [own, other].map((side) => side.count.came).reduce((sum, one) => sum + one, 0);
          const tried = {
            medianDays: median,
            spread: SPREAD,
            rate: Math.max(tips / Math.max(own.count.of + other.count.of, 1), 0.05),
            lookEveryDays: looksApart([own, other]),
          };
          const lead = Math.abs(between?.difference ?? 0);
          return {
            first,
            second,
            share: { ...apart, chance: chance.share, amongAll: raisedTo(chance.share) },
            days: between && chance.days !== null ? { ...between, chance: chance.days, amongAll: raisedTo(chance.days) } : null,
            unlike,
            needed:
              lead > LEAST.daysOfMedian * median
                ? seedsToSee((seeds) => chanceToSeeDays(seeds, Math.min(lead, 0.9 * median), tried, USUAL_LEVEL / asked.length))
                : null,
            fair: {
              share: fairnessOf(unlike, apart.difference, worth.share, LEAST.share),
              days: fairnessOf(unlike, between?.difference ?? 0, worth.days, LEAST.daysOfMedian * median),
            },
          };
        }),
        within,
        draws,
      };
    },
  };
}

export type Comparison = ReturnType<typeof comparisonOf>;
