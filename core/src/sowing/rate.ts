import { lightShare } from '../carrier/index.js';
import { comesUp, methodOf } from '../method/index.js';
import { handlingFor, soundShare, survivalFor, type Handling, type Survival } from '../moving/index.js';
import type { PlantRate } from './how-many.js';
import type { Factor, FactorShare, PlanQuestion } from './question.js';

/** Half a husk is not left over: all of its seeds are laid. */
export const perTakenOf = ({ crop, prepared }: Pick<PlanQuestion, 'crop' | 'prepared'>): number =>
  prepared.includes('split') ? Math.max(Math.round(crop.seed.perUnit), 1) : 1;

/** The way from seed to plant, each share of it for itself. */
export interface Rates {
  readonly handling: Handling;
  readonly survival: Survival;
  /** At a place where such a share of the living comes. */
  at(comes: number): PlantRate;
  factors(comes: number): FactorShare[];
}

/** Shares along the way from seed to plant. */
export function ratesOf(question: PlanQuestion): Rates {
  const { crop, packet, destination, school, keep, perPot, keepers, without } = question;
  // What comes up where it was sown is not moved.
  const stays = methodOf(question.method).event === 'emergence';
  const handling = stays ? { mean: 1, told: 0 } : handlingFor(crop, packet.handled, school);
  const up = comesUp(crop, question.method) * lightShare(crop, question.setup?.light ?? null);
  const survival = survivalFor(destination, packet.fates[destination] ?? { lived: 0, lost: 0 });
  const sound = soundShare(packet.sound);
  const kept = (factor: Factor, share: number): number => (without.includes(factor) ? 1 : share);
  const shows = (comes: number): number => Math.max(packet.prior.share.mean * comes * up, 0.01);
  const germs = perTakenOf(question) > 1 ? 1 : crop.seed.perUnit;
  return {
    handling,
    survival,
    at: (comes) => ({
      mean: shows(comes),
      weight: packet.prior.share.weight,
      handling: kept('moved', handling.mean),
      survival: kept('lives', survival.mean) * kept('sound', sound),
      keep,
      perPot,
      keepers,
      germs,
    }),
    factors: (comes) => [
      { factor: 'shows', share: shows(comes), told: 0, out: false },
      { factor: 'sound', share: sound, told: packet.sound.normal + packet.sound.abnormal, out: without.includes('sound') },
      ...(stays ? [] : [{ factor: 'moved' as const, share: handling.mean, told: handling.told, out: without.includes('moved') }]),
      { factor: 'lives', share: survival.mean, told: survival.told, out: without.includes('lives') },
    ],
  };
}
