import type { Workings } from '../parcel/index.js';
import { betterSpot, keptQuiet } from '../warmth/index.js';

/** What kept seed of a finished batch from showing, beside the seed itself. */
export interface KeptQuiet {
  /** Chance that a seed still quiet at its end was alive. */
  readonly alive: number;
  /** Share of the living that had not had its cold. */
  readonly asleep: number;
  /** Share that heat, and water over it for too long, had killed. */
  readonly cooked: number;
  readonly drowned: number;
  /** Share of the living that comes at the warmth it had; and which way more would. */
  readonly atThisWarmth: number;
  readonly better: 'cooler' | 'warmer' | null;
}

/** What kept its seed quiet, at its end. */
export function keptQuietBy({ facts, outlook, lot, toll, drowned }: Workings): KeptQuiet {
  const atThisWarmth = keptQuiet(toll);
  return {
    alive: outlook.chanceAlive(atThisWarmth),
    asleep: 1 - lot.coming,
    cooked: 1 - toll.survival,
    drowned: 1 - (drowned?.survival ?? 1),
    atThisWarmth,
    better: betterSpot(facts.crop, toll),
  };
}

/** What most likely kept a packet's seed from coming; the seed itself only where nothing else did. */
export const FAULTS = ['cooked', 'drowned', 'asleep', 'too_warm', 'too_cold', 'rotted', 'given_up_early', 'seed'] as const;
export type Fault = (typeof FAULTS)[number];

/** From so much on a cause is named before the seed is blamed. Guesses: shares of the seed, and of what did not come. */
const BLAMED = { killed: 0.2, keptQuiet: 0.25, asleep: 0.3, rotted: 0.5, alive: 0.4 } as const;

/** A finished batch as far as its fault is asked for. */
export interface Failing {
  readonly seeds: number;
  readonly came: number;
  readonly rotten: number;
  readonly quiet: number;
  readonly kept: KeptQuiet;
}

/** Why so few of some batches came. @param batches one or more */
export function faultOf(batches: readonly Failing[]): Fault {
  const total = (of: (batch: Failing) => number): number => batches.reduce((sum, batch) => sum + of(batch), 0);
  const seeds = Math.max(
    total((batch) => batch.seeds),
    1,
  );
  const mean = (of: (kept: KeptQuiet) => number): number => total((batch) => batch.seeds * of(batch.kept)) / seeds;
  if (mean(({ cooked }) => cooked) >= BLAMED.killed) return 'cooked';
  if (mean(({ drowned }) => drowned) >= BLAMED.killed) return 'drowned';
  if (mean(({ asleep }) => asleep) >= BLAMED.asleep) return 'asleep';
  if (mean(({ atThisWarmth }) => 1 - atThisWarmth) >= BLAMED.keptQuiet) {
    // One that lies well by now tells no side.
    const warmer = mean(({ better }) => (better === 'warmer' ? 1 : better === 'cooler' ? -1 : 0));
    if (warmer !== 0) return warmer > 0 ? 'too_cold' : 'too_warm';
  }
  const missing = Math.max(
    total(({ seeds: own, came }) => own - came),
    1,
  );
  if (total(({ rotten }) => rotten) >= BLAMED.rotted * missing) return 'rotted';
  if (total(({ quiet, kept: { alive } }) => quiet * alive) >= BLAMED.alive * missing) return 'given_up_early';
  return 'seed';
}
