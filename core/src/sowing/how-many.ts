import betaln from '@stdlib/math-base-special-betaln';
import gammaln from '@stdlib/math-base-special-gammaln';

/** What is believed of one seed's way to a plant. */
export interface PlantRate {
  /** Share of seeds that show a tip: mean and weight of its beta. */
  readonly mean: number;
  readonly weight: number;
  /** Share of sprouts that reach a cup unbroken. */
  readonly handling: number;
}

const CLOSE_ENOUGH = 1e-12;
export const MOST_SEEDS = 400;

/**
 * Chance of at least `wanted` plants from `seeds`: sprouts are beta-binomial,
 * and each survives the move on its own.
 */
export function chanceOfPlants(seeds: number, wanted: number, { mean, weight, handling }: PlantRate): number {
  const a = mean * weight;
  const b = (1 - mean) * weight;
  let chance = 0;
  for (let sprouts = wanted; sprouts <= seeds; sprouts++) {
    const logSprouts = logChoose(seeds, sprouts) + betaln(sprouts + a, seeds - sprouts + b) - betaln(a, b);
    chance += Math.exp(logSprouts) * binomialAtLeast(sprouts, wanted, handling);
  }
  return Math.min(chance, 1);
}

const logChoose = (n: number, k: number): number => gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1);

function binomialAtLeast(n: number, k: number, p: number): number {
  if (k <= 0 || p >= 1) return n >= k ? 1 : 0;
  let sum = 0;
  for (let i = k; i <= n; i++) sum += Math.exp(logChoose(n, i) + i * Math.log(p) + (n - i) * Math.log1p(-p));
  return sum;
}

/**
 * Fewest seeds that give the wanted plants with the asked sureness.
 *
 * @param sureness inside (0, 1)
 * @returns seeds, or null where even {@link MOST_SEEDS} do not
 */
export function seedsFor(wanted: number, sureness: number, rate: PlantRate): number | null {
  for (let seeds = wanted; seeds <= MOST_SEEDS; seeds++) {
    if (chanceOfPlants(seeds, wanted, rate) >= sureness - CLOSE_ENOUGH) return seeds;
  }
  return null;
}
