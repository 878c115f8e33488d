import { chanceInWords } from '../units/index.js';

/** From here on a chance is told as near certainty. */
const CERTAIN = 0.995;

/** "has 5 chances in 10 of being alive", "is all but certainly alive". */
export const aliveInWords = (chance: number): string =>
  chance >= CERTAIN ? 'is all but certainly alive' : `has ${chanceInWords(chance)} of being alive`;
