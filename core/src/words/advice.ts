import type { Counsel } from '../judging/index.js';

/** The four inks a judgement is written in. */
export type Tone = 'trouble' | 'growth' | 'waiting' | 'water';

/** One thing to do, or to leave, in words. */
export interface Advice {
  readonly kind: Counsel['kind'];
  readonly lead: string;
  /** By when, in words, where it matters. */
  readonly by: string | null;
  readonly tone: Tone;
  readonly text: string;
}
