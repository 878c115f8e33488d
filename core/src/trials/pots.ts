import { fisherExact } from './fisher.js';

/** What became of one side's sprouts. */
export interface SideInPots {
  readonly name: string;
  readonly seeds: number;
  /** Sprouts that were moved into something. */
  readonly moved: number;
  /** Of these, past danger by now; and lost. The others tell nothing yet. */
  readonly lived: number;
  readonly died: number;
}

/** Survival of two sides to the pot, and in it. */
export interface PotsShown {
  /** How often chance alone makes as uneven a pair: of seeds that got into a pot, and of those in it that lived. Null where nothing is known. */
  readonly moved: number;
  readonly lived: number | null;
}

/**
 * Whether two sides differ in what got as far as a pot, and in what lived there, by
 * Fisher's exact test.
 *
 * @throws RangeError where a side has no seed
 */
export function inPots(first: SideInPots, second: SideInPots): PotsShown {
  const known = ({ lived, died }: SideInPots): number => lived + died;
  return {
    moved: fisherExact({ came: first.moved, of: first.seeds }, { came: second.moved, of: second.seeds }).either,
    lived:
      known(first) > 0 && known(second) > 0
        ? fisherExact({ came: first.lived, of: known(first) }, { came: second.lived, of: known(second) }).either
        : null,
  };
}
