import type { Factor, FactorShare, TwoSteps } from '../sowing/index.js';
import { capital, chanceInWords, counted, type Words } from '../units/index.js';

/** What stands between a seed and a plant, as one would name it. */
export const FACTOR_WORDS: Readonly<Record<Factor, { readonly text: string; readonly out: string }>> = {
  shows: { text: 'show', out: 'show' },
  sound: { text: 'are sound', out: 'every sprout counts as sound' },
  moved: { text: 'reach their place unbroken', out: 'nothing is lost on the way: they stay where they lie' },
  lives: { text: 'live on there', out: 'nothing is lost after the move' },
};

/** "97 of 100 are sound, a guess", "93 of 100 live on there, your own 14 counted in". */
export function factorInWords({ factor, share, told, out }: FactorShare): string {
  if (out) return FACTOR_WORDS[factor].out;
  const whose = factor === 'shows' ? '' : told > 0 ? `, your own ${told} counted in` : ', a guess';
  return `${Math.round(share * 100)} of 100 ${FACTOR_WORDS[factor].text}${whose}`;
}

/** A sowing in two steps beside one at once, each with what it costs. */
export function stepsInWords(
  { first, second, expected, atOnce, needed, chance, lagDays }: TwoSteps,
  words: Pick<Words, 'when'>,
): { readonly steps: string; readonly once: string; readonly cost: string } {
  return {
    steps: `${first} now; if fewer than ${second.below} show by ${words.when(second.atMs)}, ${second.seeds} more`,
    once: `${atOnce} at once`,
    cost: `About ${Math.round(expected)} seeds on average instead of ${atOnce}, just as sure (${chanceInWords(chance)}). ${capital(chanceInWords(needed))} that the second step is needed; its plants come ${counted(lagDays, 'day')} later.`,
  };
}

/** What a board means for the seed, where its warmth keeps a part of it from coming; empty where nearly all come. */
export function comesInWords(comes: number): string {
  return comes >= 0.9 ? '' : `only ${Math.max(Math.round(comes * 100), 1)} of 100 live seeds come here`;
}
