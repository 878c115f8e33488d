import type { BatchRequest } from '@fresh-tuck/contract';
import type { RootSchool } from '@fresh-tuck/core/moving';

export type Closure = Extract<BatchRequest['holder'], { newId: string }>['closure'];
export type Preparation = BatchRequest['prepared'][number];
/** A wished date. */
export interface Goal {
  readonly kind: 'plant_out' | 'ripe';
  readonly day: string;
}

/** How a bag is closed, as the sentence says it, with what follows from it. */
export const CLOSURE_WORDS: Record<Closure, { text: string; kind: 'bag' | 'tray'; follows: string }> = {
  sealed_air: { text: 'sealed bag with air', kind: 'bag', follows: 'keeps damp longest and lets seed breathe' },
  sealed_flat: { text: 'bag sealed flat', kind: 'bag', follows: 'keeps damp, takes least room, less air' },
  corner_open: { text: 'bag with a corner open', kind: 'bag', follows: 'dries about twice as fast, less mould' },
  lidded: { text: 'lidded tray', kind: 'tray', follows: 'dries fastest; easy to look into' },
};

export const PREPARATION_WORDS: Record<Preparation, string> = {
  soak: 'soak',
  nick: 'nick',
  file: 'file',
  split: 'split',
  peel: 'peel',
  inoculate: 'inoculate',
};

/** A preparation as the sentence names it, with the crop's hours where it is a soak. */
export function preparationText(step: Preparation, soakHours: readonly [number, number]): string {
  return step === 'soak' && soakHours[1] > 0
    ? `${soakHours[0] === soakHours[1] ? soakHours[0] : `${soakHours[0]} to ${soakHours[1]}`} h soak`
    : PREPARATION_WORDS[step];
}

/** Folded panes that fit common bags, mm. */
export const PANES = [
  { name: 'half sheet', widthMm: 140, heightMm: 110 },
  { name: 'whole sheet', widthMm: 140, heightMm: 220 },
  { name: 'quarter sheet', widthMm: 110, heightMm: 70 },
] as const;
export const PLIES = 2;

export const SURENESS = [
  { value: 0.6, text: 'six times in ten' },
  { value: 0.8, text: 'eight times in ten' },
  { value: 0.9, text: 'nine times in ten' },
  { value: 0.95, text: 'nineteen times in twenty' },
] as const;

/** How many come to be chosen from: the kept share of the plants. */
export const KEEPS = [
  { share: 1, text: 'every plant', follows: 'as many as are wanted' },
  { share: 2 / 3, text: 'the best two of three', follows: 'the weakest third goes' },
  { share: 1 / 2, text: 'the better half', follows: 'two raised for one kept' },
  { share: 1 / 3, text: 'the best of three', follows: 'three raised for one kept' },
] as const;

export const ROOT_WORDS: Readonly<Record<RootSchool, { text: string; follows: string }>> = {
  crop: { text: 'when its sheet says', follows: 'as the crop’s sheet advises' },
  tip: { text: 'at the first tip', follows: '1 to 4 mm: least to break' },
  short: { text: 'at a short root', follows: '5 to 12 mm: proved and still stiff' },
  finger: { text: 'at a finger-wide root', follows: '13 to 20 mm: easier to hold, breaks sooner' },
};

/** What goes into one pot, and what is left in it. */
export const POTS = [
  { perPot: 1, keepers: 1, text: 'one to each', follows: 'every sprout is proved already' },
  { perPot: 2, keepers: 1, text: 'two to each, one kept', follows: 'a loss leaves no gap' },
  { perPot: 3, keepers: 1, text: 'three to each, the strongest kept', follows: 'chosen where it can be seen' },
  { perPot: 3, keepers: 3, text: 'in clumps of three', follows: 'all are left to grow together' },
] as const;
