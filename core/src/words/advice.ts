import type { Counsel } from '../judging/index.js';
import type { MethodId } from '../method/index.js';
import type { ClosingReason } from '../parcel/index.js';

/** The four inks a judgement is written in. */
export type Tone = 'trouble' | 'growth' | 'waiting' | 'water';

/** What a button beside an advice does. */
export type Act =
  /** Seed is tucked in: of the same packet or another of the crop, so many where it is said; and which way, where it is begun again. */
  | { readonly does: 'start'; readonly packet: 'same' | 'other'; readonly seeds: number; readonly again?: { readonly method: MethodId } }
  | { readonly does: 'close'; readonly reason: ClosingReason }
  /** The bag is moved to another board; the parcel is opened; its packet is tested; the test is counted. */
  | { readonly does: 'place' | 'open' | 'test' | 'count' };

/** The button of an advice: what it says and what it does. */
export interface Button {
  readonly label: string;
  readonly act: Act;
}

/** One thing to do, or to leave, in words. */
export interface Advice {
  readonly kind: Counsel['kind'];
  readonly lead: string;
  /** By when, in words, where it matters. */
  readonly by: string | null;
  readonly tone: Tone;
  readonly text: string;
  /** What can be done about it at once; null where there is nothing to press. */
  readonly button: Button | null;
}
