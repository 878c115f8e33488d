import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import type { Destination } from './destinations.js';

/** Share of moved sprouts that live on to be plants, by where they went. Guess; own records take over. */
const STATED: Readonly<Record<Destination, number>> = {
  cup: 0.97,
  cell: 0.96,
  pot: 0.97,
  slot: 0.9,
  pellet: 0.95,
  glass: 0.9,
  terrarium: 0.92,
  plug: 0.95,
  bed: 0.92,
};
/** As many seedlings' worth as the statement counts for. */
const STATED_WEIGHT = 12;

/** Sprouts without a flaw of an untested packet (a printed rate counts normal seedlings already), and as many sprouts' worth as that counts for. Guess. */
const SOUND = { share: 0.99, weight: 12 } as const;

/** Share of sprouts that would make a plant, from the normal and abnormal seedlings of the packet's tests. */
export const soundShare = ({ normal, abnormal }: { readonly normal: number; readonly abnormal: number }): number =>
  (SOUND.share * SOUND.weight + normal) / (SOUND.weight + normal + abnormal);

/** Seedlings of a crop in one kind of place: how many are past danger, and how many were lost. */
export interface Fates {
  readonly lived: number;
  readonly lost: number;
  /** What each of them is worth, 0 to 1: those of one tray share its luck. All, where nobody says. */
  readonly worth?: number;
}

/** Seedlings of one tray go together, so much that two of them are alike in so many of a hundred trays beyond chance. Guess. */
const TOGETHER = 0.1;

/**
 * Fates of several trays as one: damping off takes half a tray or none, so that sixty seedlings
 * of one tray tell little more than a dozen of as many trays.
 *
 * @param trays each by its own seedlings that are past danger or lost
 */
export function pooledFates(trays: readonly Pick<Fates, 'lived' | 'lost'>[]): Fates {
  const sum = (of: (tray: Pick<Fates, 'lived' | 'lost'>) => number): number => trays.reduce((total, tray) => total + of(tray), 0);
  const all = sum(({ lived, lost }) => lived + lost);
  if (all === 0) return { lived: 0, lost: 0 };
  const worth = sum(({ lived, lost }) => (lived + lost) / (1 + Math.max(lived + lost - 1, 0) * TOGETHER));
  return { lived: sum(({ lived }) => lived), lost: sum(({ lost }) => lost), worth: worth / all };
}

/** Chance that a moved sprout lives on, and how many seedlings told it. */
export interface Survival {
  readonly mean: number;
  /** As many seedlings' worth as it rests on. */
  readonly weight: number;
  /** It lies between these eight times in ten. */
  readonly low: number;
  readonly high: number;
  readonly told: number;
}

/** Survival after the move from own records of the crop in such places, else as stated. */
export function survivalFor(destination: Destination, { lived, lost, worth = 1 }: Fates): Survival {
  const stated = STATED[destination] ?? 0.9;
  const weight = STATED_WEIGHT + (lived + lost) * worth;
  const mean = (stated * STATED_WEIGHT + lived * worth) / weight;
  const at = (share: number): number => betaQuantile(share, mean * weight, (1 - mean) * weight);
  return { mean, weight, low: at(0.1), high: at(0.9), told: lived + lost };
}
