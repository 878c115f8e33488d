import { hasTipped, type ParcelState } from '@fresh-tuck/core/parcel';
import { mark, unmark, type Draft } from './draft';

/** One towel of several with what was counted on it in this look. */
export interface TowelCount {
  /** 1, 2, 3 … */
  readonly number: number;
  readonly tips: number;
  /** Every seed on it has shown or is gone. */
  readonly full: boolean;
}

/** Seeds of a towel, 1 … n for the whole batch: they lie in their order. */
function seedsOn(shares: readonly number[], towel: number): number[] {
  const first = shares.slice(0, towel - 1).reduce((sum, share) => sum + share, 0);
  return Array.from({ length: shares[towel - 1] ?? 0 }, (_, index) => first + index + 1);
}

const fresh = (draft: Draft, before: ParcelState, seed: number): boolean =>
  hasTipped(draft.marks.get(seed)?.stage ?? 'quiet') && !hasTipped(before.seeds[seed - 1]?.stage ?? 'quiet');
const untouched = (draft: Draft, before: ParcelState, seed: number): boolean =>
  !draft.marks.has(seed) && ['quiet', 'swollen'].includes(before.seeds[seed - 1]?.stage ?? '');

/** What was counted on each towel. */
export const towelsOf = (shares: readonly number[], draft: Draft, before: ParcelState): TowelCount[] =>
  shares.map((_, index) => {
    const seeds = seedsOn(shares, index + 1);
    return {
      number: index + 1,
      tips: seeds.filter((seed) => fresh(draft, before, seed)).length,
      full: !seeds.some((seed) => untouched(draft, before, seed)),
    };
  });

/** One tip more or fewer on a towel: the next quiet seed on it is touched, or the last one is let go. */
export function countOnTowel(draft: Draft, before: ParcelState, shares: readonly number[], towel: number, by: 1 | -1): Draft {
  const seeds = seedsOn(shares, towel);
  if (by === 1) {
    const next = seeds.find((seed) => untouched(draft, before, seed));
    return next === undefined ? draft : mark(draft, { seed: next, stage: 'tip', rootMm: null });
  }
  const last = seeds.findLast((seed) => fresh(draft, before, seed));
  return last === undefined ? draft : unmark(draft, last);
}
