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
}

/** Chance that a moved sprout lives on, and how many seedlings told it. */
export interface Survival {
  readonly mean: number;
  readonly told: number;
}

/** Survival after the move from own records of the crop in such places, else as stated. */
export const survivalFor = (destination: Destination, { lived, lost }: Fates): Survival => ({
  mean: ((STATED[destination] ?? 0.9) * STATED_WEIGHT + lived) / (STATED_WEIGHT + lived + lost),
  told: lived + lost,
});
