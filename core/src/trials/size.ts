import { binomial } from '../chance/index.js';
import { fisherExact } from './fisher.js';

/**
 * Chance that a trial of so many seeds a side is called different by Fisher's exact
 * test, where the true shares are these: every outcome by its binomial chance.
 *
 * @param seeds a side, 1 or more
 * @param shares that truly come, each 0 to 1
 * @param level below which a difference is called one
 */
export function chanceToSeeShares(seeds: number, shares: readonly [number, number], level = 0.05): number {
  const [first, second] = [binomial(seeds, shares[0]), binomial(seeds, shares[1])];
  let total = 0;
  for (let a = 0; a <= seeds; a++) {
    for (let b = 0; b <= seeds; b++) {
      const chance = (first[a] as number) * (second[b] as number);
      if (chance > 1e-12 && fisherExact({ came: a, of: seeds }, { came: b, of: seeds }).either <= level) total += chance;
    }
  }
  return total;
}
