import type { Closure } from '@fresh-tuck/core/carrier';
import { PREPARATIONS, type Preparation } from '@fresh-tuck/core/preparing';
import { STEP_WORDS } from '@fresh-tuck/core/words';

export type { Closure, Preparation };
/** A wished date. */
export interface Goal {
  readonly kind: 'plant_out' | 'ripe';
  readonly day: string;
}

/** Folded panes that fit common bags, mm. */
export const PANES = [
  { name: 'half sheet', widthMm: 140, heightMm: 110 },
  { name: 'whole sheet', widthMm: 140, heightMm: 220 },
  { name: 'quarter sheet', widthMm: 110, heightMm: 70 },
] as const;
export type Pane = (typeof PANES)[number];
export const PLIES = 2;

/** Preparations as one chooses them. */
export const STEPS = PREPARATIONS.map((step): [Preparation, string] => [step, STEP_WORDS[step].thing]);

/** What is done with a soak when a batch is tucked in. */
export const SOAKS = [
  { value: 'now', text: 'into the water now', follows: 'it is on Today when it is to come out' },
  { value: 'before', text: 'soaked already', follows: 'straight on to the towel' },
] as const;

export const SURENESS = [
  { value: 0.6, text: 'six times in ten' },
  { value: 0.8, text: 'eight times in ten' },
  { value: 0.9, text: 'nine times in ten' },
  { value: 0.95, text: 'nineteen times in twenty' },
] as const;

/** How many come to be chosen from: the kept share of the plants. */
export const KEEPS = [
  { value: 1, text: 'every plant', follows: 'as many as are wanted' },
  { value: 2 / 3, text: 'the best two of three', follows: 'the weakest third goes' },
  { value: 1 / 2, text: 'the better half', follows: 'two raised for one kept' },
  { value: 1 / 3, text: 'the best of three', follows: 'three raised for one kept' },
] as const;

/** What goes into one pot, and what is left in it. */
export const POTS = [
  { perPot: 1, keepers: 1, text: 'one to each', follows: 'every sprout is proved already' },
  { perPot: 2, keepers: 1, text: 'two to each, one kept', follows: 'a loss leaves no gap' },
  { perPot: 3, keepers: 1, text: 'three to each, the strongest kept', follows: 'chosen where it can be seen' },
  { perPot: 3, keepers: 3, text: 'in clumps of three', follows: 'all are left to grow together' },
] as const;
export type Pot = (typeof POTS)[number];
