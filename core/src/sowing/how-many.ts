import { betaBinomial, binomial, thinnedBy } from '../chance/index.js';

/** What is believed of one seed's way to a plant. What is left out loses nothing and gives one. */
export interface PlantRate {
  /** Share of seeds that show a tip: mean and weight of its beta. */
  readonly mean: number;
  readonly weight: number;
  /** Share of sprouts that reach a cup unbroken. */
  readonly handling: number;
  /** Share of moved sprouts that live on to be plants. */
  readonly survival?: number;
  /** Share of plants that are worth keeping where only the best are. */
  readonly keep?: number;
  /** Sprouts that one living seed, cluster or whole husk gives on average, 1 or more. */
  readonly germs?: number;
  /** What is planted to one pot, and plants left in it after thinning. */
  readonly perPot?: number;
  readonly keepers?: number;
}

const CLOSE_ENOUGH = 1e-12;
export const MOST_SEEDS = 400;

/** Distribution of a sum of two independent counts, all beyond `most` put there. */
function added(a: ArrayLike<number>, b: ArrayLike<number>, most: number): Float64Array {
  const sum = new Float64Array(Math.min(a.length + b.length - 1, most + 1));
  for (let i = 0; i < a.length; i++) {
    for (let j = 0; j < b.length; j++) {
      const at = Math.min(i + j, most);
      sum[at] = (sum[at] as number) + (a[i] as number) * (b[j] as number);
    }
  }
  return sum;
}

/** Sprouts of one living unit: one, and the further ones of a cluster as a binomial with the right mean. */
function germsOf(mean: number): Float64Array {
  const most = Math.ceil(2 * (mean - 1));
  return most <= 0 ? Float64Array.of(0, 1) : added([0, 1], binomial(most, (mean - 1) / most), most + 1);
}

/**
 * Plants from one pot into which so many living units were set: those that live
 * on, thinned to the keepers, and of these the ones worth keeping.
 */
function potOf(units: number, { survival = 1, keep = 1, germs = 1, keepers = 1 }: PlantRate): Float64Array {
  const unit = thinnedBy(germsOf(germs), survival);
  let standing: Float64Array = Float64Array.of(1);
  for (let i = 0; i < units; i++) standing = added(standing, unit, 64);
  const kept = new Float64Array(Math.min(keepers, standing.length - 1) + 1);
  standing.forEach((chance, n) => (kept[Math.min(n, kept.length - 1)] = (kept[Math.min(n, kept.length - 1)] as number) + chance));
  return thinnedBy(kept, keep);
}

/**
 * Chance of at least `wanted` plants for every number of sprouts, worked out as
 * far as it is asked for: it does not depend on how many seeds they came from.
 */
function fromSprouts(wanted: number, rate: PlantRate): (sprouts: number) => number {
  const { handling, perPot = 1 } = rate;
  const full = potOf(perPot, rate);
  const parts = Array.from({ length: perPot }, (_, rest) => potOf(rest, rate));
  const pots: Float64Array[] = [Float64Array.of(1)];
  const planted: number[] = [];
  const chances: number[] = [];
  const byPlanted = (count: number): number => {
    for (let n = planted.length; n <= count; n++) {
      const whole = Math.floor(n / perPot);
      for (let pot = pots.length; pot <= whole; pot++) pots.push(added(pots[pot - 1] as Float64Array, full, wanted));
      planted.push(added(pots[whole] as Float64Array, parts[n % perPot] as Float64Array, wanted)[wanted] ?? 0);
    }
    return planted[count] as number;
  };
  return (sprouts) => {
    for (let n = chances.length; n <= sprouts; n++) {
      let sum = 0;
      binomial(n, handling).forEach((chance, k) => (sum += chance * byPlanted(k)));
      chances.push(sum);
    }
    return chances[sprouts] as number;
  };
}

/** Fewest number from 0 to {@link MOST_SEEDS} that is enough, found by doubling and halving; null where none is. */
function fewest(enough: (seeds: number) => boolean, from: number): number | null {
  let low = 0;
  let high = Math.min(Math.max(from, 1), MOST_SEEDS);
  while (!enough(high)) {
    if (high === MOST_SEEDS) return null;
    low = high;
    high = Math.min(high * 2, MOST_SEEDS);
  }
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (enough(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** Chances of the wanted plants by seeds, and the fewest seeds that make it so sure. */
export interface PlantOdds {
  /** Chance from a number of seeds. */
  of(seeds: number): number;
  /** Chance from so many sprouts. */
  bySprouts(sprouts: number): number;
  /** Chance from a distribution of sprouts. */
  fromSprouts(sprouts: ArrayLike<number>): number;
  /** Fewest seeds, or null where even {@link MOST_SEEDS} do not. @param sureness inside (0, 1) */
  seedsFor(sureness: number): number | null;
}

/** The odds of so many plants at a rate; the work that seeds share is done once. */
export function plantOdds(wanted: number, rate: PlantRate): PlantOdds {
  const enough = fromSprouts(wanted, rate);
  const known = new Map<number, number>();
  const over = (sprouts: ArrayLike<number>): number => {
    let chance = 0;
    for (let n = 0; n < sprouts.length; n++) chance += (sprouts[n] as number) * enough(n);
    return Math.min(chance, 1);
  };
  const of = (seeds: number): number => {
    const kept = known.get(seeds);
    if (kept !== undefined) return kept;
    const chance = over(betaBinomial(seeds, rate));
    known.set(seeds, chance);
    return chance;
  };
  return {
    of,
    bySprouts: enough,
    fromSprouts: over,
    // The chance rises with the seeds.
    seedsFor: (sureness) => fewest((seeds) => of(seeds) >= sureness - CLOSE_ENOUGH, wanted),
  };
}

/**
 * Chance of at least `wanted` plants from `seeds`: sprouts are beta-binomial, and
 * each survives the move and what follows on its own.
 */
export const chanceOfPlants = (seeds: number, wanted: number, rate: PlantRate): number => plantOdds(wanted, rate).of(seeds);

/** Fewest seeds that give the wanted plants with the asked sureness, inside (0, 1); null where {@link MOST_SEEDS} do not. */
export const seedsFor = (wanted: number, sureness: number, rate: PlantRate): number | null => plantOdds(wanted, rate).seedsFor(sureness);

/** Most plants that so many seeds give with the asked sureness; 0 where not one is sure. */
export function mostPlants(seeds: number, sureness: number, rate: PlantRate): number {
  let [low, high] = [0, Math.ceil(seeds * (rate.germs ?? 1) * (rate.keepers ?? 1)) + 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (plantOdds(middle, rate).of(seeds) >= sureness - CLOSE_ENOUGH) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * Fewest seeds of another packet that, with all that is left of the first, give
 * the wanted plants; null where even {@link MOST_SEEDS} do not.
 */
export function filledUp(
  wanted: number,
  sureness: number,
  rate: PlantRate,
  left: number,
  other: Pick<PlantRate, 'mean' | 'weight'>,
): number | null {
  const odds = plantOdds(wanted, rate);
  const own = betaBinomial(left, rate);
  return fewest((seeds) => odds.fromSprouts(added(own, betaBinomial(seeds, other), left + seeds)) >= sureness - CLOSE_ENOUGH, 1);
}
