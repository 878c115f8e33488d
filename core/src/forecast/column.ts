import type { LawShape, TipLaw } from './tip-law.js';

/** One cell of the posterior in everything but the living share, which has its nodes in `shares`. */
export interface Column {
  readonly law: TipLaw;
  readonly logMedian: number;
  readonly spread: number;
  readonly shape: LawShape;
  /** Weights by living share; all columns together sum to 1. */
  readonly weights: Float64Array;
  /** The part of each for which the lot scatters about the law; null where it keeps to the letter. */
  readonly scattered: Float64Array | null;
}

/** The posterior on a grid. The same evidence gives the same grid, to the digit. */
export interface Posterior {
  readonly shares: Float64Array;
  readonly columns: readonly Column[];
  /** How closely what scatters follows its law, as so many seeds' worth; Infinity where nothing does. */
  readonly concentration: number;
}
