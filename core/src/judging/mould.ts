import type { Crop } from '../crops/index.js';
import { USUAL_SETUP, WETTER, type Closure, type Setup } from '../carrier/index.js';

/** What the index is made of. */
export interface MouldFacts {
  readonly crop: Crop;
  readonly closure: Closure;
  /** How it was laid: free water feeds mould, a little peroxide sets it back. */
  readonly setup?: Setup;
  readonly celsius: number;
  readonly days: number;
  /** Share of the dose in the towel, 1 when just wetted. */
  readonly wetness: number;
  readonly pooling: boolean;
  /** Nicked, filed or peeled seed is an open door. */
  readonly damaged: boolean;
  /** Rotten or mouldy seed found so far, as a share of all. */
  readonly found: number;
}

const CLOSED: Record<Closure, number> = { sealed_flat: 1, sealed_air: 0.8, lidded: 0.6, corner_open: 0.3 };

/** What a little peroxide leaves of it. Guess. */
const PEROXIDE = 0.6;

/**
 * A mould index from 0 to 10: a rule of thumb that sorts and warns, and no chance
 * of anything. Wet, warm, closed, long and damaged seed add up; what was found
 * already weighs most. Rule of thumb, no source.
 */
export function mouldIndex({ crop, closure, setup = USUAL_SETUP, celsius, days, wetness, pooling, damaged, found }: MouldFacts): number {
  const warm = Math.min(Math.max((celsius - 8) / 18, 0), 1);
  const wet = pooling ? 1.4 : Math.min(wetness, 1) * WETTER[setup.wet];
  const long = Math.min(days / 14, 1);
  const base = warm * wet * (0.4 + 0.6 * CLOSED[closure]) * (0.25 + 0.75 * long);
  const kind = 0.7 + 0.35 * crop.methods.mouldProne;
  const points = 4.5 * base * kind * (setup.damped === 'peroxide' ? PEROXIDE : 1) + (damaged ? 0.8 : 0) + 5 * Math.min(3 * found, 1);
  return Math.round(Math.min(points, 10));
}
