import { reached } from './stages.js';
import type { Ranked, Rated } from './vigour.js';

/** A seedling that may share its pot. */
export interface Potted extends Rated {
  /** What names its pot, the same for all that share it; null where it stands alone. */
  readonly pot: number | null;
}

/** A pot with several of which one stays. */
export interface Thinning {
  readonly keep: number;
  readonly out: readonly number[];
}

/**
 * Pots that are thinned to the stronger now: several are up, and the best has its true leaf, so
 * that it can be told. What has not come up is no rival and is left. Common practice, no source.
 *
 * @param plants those that stand; @param order of the same, the best first
 */
export function thinnings(plants: readonly Potted[], order: readonly Ranked[]): Thinning[] {
  const place = new Map(order.map(({ number }, index) => [number, index]));
  const pots = new Map<number, Potted[]>();
  for (const plant of plants) {
    if (plant.pot === null || !reached(plant.stage, 'up') || reached(plant.stage, 'planted_out')) continue;
    pots.set(plant.pot, [...(pots.get(plant.pot) ?? []), plant]);
  }
  return [...pots.values()].flatMap((sharing) => {
    const [best, ...rest] = [...sharing].sort((a, b) => (place.get(a.number) ?? 0) - (place.get(b.number) ?? 0));
    if (!best || rest.length === 0 || !reached(best.stage, 'true_leaves')) return [];
    return [{ keep: best.number, out: rest.map(({ number }) => number) }];
  });
}
