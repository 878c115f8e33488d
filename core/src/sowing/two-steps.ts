import { binomial } from '../chance/index.js';
import { tippedShare } from '../forecast/index.js';
import { workingsFor, type ParcelFacts, type SecondStep } from '../parcel/index.js';
import { DAY_MS } from '../units/index.js';
import { weighted } from './living.js';
import type { PlantOdds, PlantRate } from './how-many.js';

/** A sowing in two steps, against all at once. */
export interface TwoSteps {
  readonly first: number;
  /** What is agreed for later. */
  readonly second: SecondStep;
  /** Seeds that it takes on average, and what all at once takes. */
  readonly expected: number;
  readonly atOnce: number;
  /** Chance that the second step is needed, and of enough plants in all. */
  readonly needed: number;
  readonly chance: number;
  /** Days that the plants of the second step come later. */
  readonly lagDays: number;
}

/** A rate known by more seeds' worth than this is in no doubt. Guess. */
const DOUBTFUL_WEIGHT = 15;
/** Beyond this many seeds the sums are no help to anybody. */
const MOST_AT_ONCE = 80;
/** Nobody waits longer for the second step, days. Guess. */
const LONGEST_DAYS = 28;
/** On the day most of the living have shown, if they come as expected. */
const SHOWN_BY_THEN = 0.8;
/** It is worth the wait where it spares this share of the seeds, and so many, at the least. Guess. */
const SPARES = 0.1;
const LEAST_SPARED = 2;
const FIRSTS = 8;
const THRESHOLDS = 8;
const SHOWN_NODES = 4;
const CLOSE_ENOUGH = 1e-9;
/** Living shares with less weight than this are left out. */
const LEAST_NODE = 1e-4;

/** Shares of the living that have shown by a progress, as the lot's laws differ: a few nodes with weights. */
function shownNodes(facts: ParcelFacts, byProgress: number): { shown: number; weight: number }[] {
  const { posterior } = workingsFor(facts, facts.startMs);
  const all = posterior.columns
    .map(({ law, shape, logMedian, weights }) => ({
      shown: tippedShare(law, shape, Math.log(byProgress) - logMedian),
      weight: weights.reduce((sum, weight) => sum + weight, 0),
    }))
    .sort((a, b) => a.shown - b.shown);
  const nodes = SHOWN_NODES;
  const parts = Array.from({ length: nodes }, () => ({ sum: 0, weight: 0 }));
  let before = 0;
  for (const { shown, weight } of all) {
    const part = parts[Math.min(Math.floor((before + weight / 2) * nodes), nodes - 1)];
    if (part) {
      part.sum += shown * weight;
      part.weight += weight;
    }
    before += weight;
  }
  return parts.filter(({ weight }) => weight > 0).map(({ sum, weight }) => ({ shown: sum / weight, weight }));
}

interface Cell {
  /** The living share's node. */
  readonly living: number;
  readonly share: number;
  readonly shown: number;
  readonly weight: number;
}

/** For every threshold: chances of the sprouts in the end with fewer shown by then, and in all. */
function endings(first: number, { share, shown }: Cell): { readonly fewer: Float64Array[]; readonly all: Float64Array } {
  const by = binomial(first, share * shown);
  const later = (share * (1 - shown)) / Math.max(1 - share * shown, 1e-12);
  const fewer: Float64Array[] = [];
  const sum = new Float64Array(first + 1);
  for (let x = 0; x <= first; x++) {
    fewer.push(sum.slice());
    binomial(first - x, later).forEach((chance, y) => (sum[x + y] = (sum[x + y] as number) + (by[x] as number) * chance));
  }
  return { fewer, all: sum };
}

/** The next looking time at or after a moment, ms; the moment itself where none is named. */
const lookAfter = (facts: ParcelFacts, ms: number): number => facts.lookTimesMs.find((time) => time >= ms) ?? ms;

/**
 * Fewer seeds now and more on a stated day if too few show: the pair that takes the
 * fewest seeds on average and is as sure as all at once.
 *
 * @param facts the batch as it would be begun, without looks
 * @returns null where the rate is in no doubt, the wait is too long, or little is spared
 */
export function twoSteps(
  facts: ParcelFacts,
  plan: {
    readonly enough: number;
    readonly sureness: number;
    readonly rate: PlantRate;
    readonly odds: PlantOdds;
    readonly left: number | null;
  },
): TwoSteps | null {
  const { enough, sureness, rate, odds, left } = plan;
  if (rate.weight > DOUBTFUL_WEIGHT || enough < 4 || enough > MOST_AT_ONCE) return null;
  const { lot, progress } = workingsFor(facts, facts.startMs);
  const shownMs = progress.when(lot.progressOf(SHOWN_BY_THEN));
  const atMs = shownMs === null ? null : lookAfter(facts, shownMs);
  if (atMs === null || atMs - facts.startMs > LONGEST_DAYS * DAY_MS) return null;
  const shown = shownNodes(facts, progress.at(atMs));
  const living = weighted(rate).filter(({ weight }) => weight > LEAST_NODE);
  const cells: Cell[] = living.flatMap(({ share, weight }, index) =>
    shown.map((node) => ({ living: index, share, shown: node.shown, weight: weight * node.weight })),
  );
  const tables = new Map<number, Float64Array[]>();
  /** By the living share's node: chance of enough from so many sprouts and what some more seeds bring. */
  const afterMore = (more: number): Float64Array[] => {
    const known = tables.get(more) ?? living.map(({ share }) => withFresh(enough, binomial(more, share), odds));
    tables.set(more, known);
    return known;
  };
  const most = Math.min(2 * enough, left ?? Infinity);
  let best: TwoSteps | null = null;
  const least = Math.max(Math.floor(0.35 * enough), 2);
  const step = Math.max(Math.round((enough - least) / FIRSTS), 1);
  for (let first = least; first < enough; first += step) {
    const ends = cells.map((cell) => ({ cell, ...endings(first, cell) }));
    /** Chances that it is needed, and of enough, with so many more. */
    const withMore = (below: number, more: number): { needed: number; chance: number } => {
      const gains = afterMore(more);
      let needed = 0;
      let chance = 0;
      for (const { cell, fewer, all } of ends) {
        const table = gains[cell.living] as Float64Array;
        const few = fewer[below] as Float64Array;
        for (let sprouts = 0; sprouts <= first; sprouts++) {
          needed += cell.weight * (few[sprouts] as number);
          chance +=
            cell.weight *
            ((few[sprouts] as number) * (table[sprouts] as number) +
              ((all[sprouts] as number) - (few[sprouts] as number)) * odds.bySprouts(sprouts));
        }
      }
      return { needed, chance };
    };
    const room = most - first;
    for (let below = 1; below <= first; below += Math.max(Math.round(first / THRESHOLDS), 1)) {
      if (room < 1 || withMore(below, room).chance < sureness - CLOSE_ENOUGH) continue;
      let [low, high] = [0, room];
      while (high - low > 1) {
        const middle = (low + high) >> 1;
        if (withMore(below, middle).chance >= sureness - CLOSE_ENOUGH) high = middle;
        else low = middle;
      }
      const { needed, chance } = withMore(below, high);
      const expected = first + needed * high;
      if (best && expected >= best.expected) continue;
      best = {
        first,
        second: { atMs, below, seeds: high },
        expected,
        atOnce: enough,
        needed,
        chance,
        lagDays: Math.round((atMs - facts.startMs) / DAY_MS),
      };
    }
  }
  return best && best.expected <= Math.min(enough * (1 - SPARES), enough - LEAST_SPARED) ? best : null;
}

/** Chance of enough from 0 … most sprouts and as many as fresh seeds bring. */
const withFresh = (most: number, fresh: Float64Array, odds: PlantOdds): Float64Array =>
  Float64Array.from({ length: most + 1 }, (_, sprouts) => fresh.reduce((sum, chance, k) => sum + chance * odds.bySprouts(sprouts + k), 0));
