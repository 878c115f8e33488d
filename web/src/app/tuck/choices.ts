import type { BatchRequest } from '@fresh-tuck/contract';

export type Closure = Extract<BatchRequest['holder'], { newId: string }>['closure'];
export type Preparation = BatchRequest['prepared'][number];

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
