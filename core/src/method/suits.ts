import type { Crop } from '../crops/index.js';
import { METHODS, methodOf, type MethodId } from './methods.js';

/** Why a crop cannot be started a way. */
export type Unsuited =
  /** Seed too big for the hole of a sponge or a pellet, mm. */
  | { readonly why: 'hole'; readonly seedMm: number; readonly mostMm: number }
  /** Too big to lie open on a surface. */
  | { readonly why: 'open'; readonly seedMm: number; readonly mostMm: number }
  /** Not asked to rot: it lives under water for so few hours, and takes days. */
  | { readonly why: 'drowns'; readonly limitHours: number; readonly days: number };

/** Widest seed that goes into each, mm. Common practice, no source: the slit of a sponge, the hollow of a pellet, a surface under its lid. */
const MOST_MM: Readonly<Partial<Record<MethodId, number>>> = { pod: 12, pellet: 14, surface: 8 };
const HOURS_A_DAY = 24;
/** Seed that takes this many times its drowning limit to its tip, at best, never roots in water. Guess. */
const HOPELESS_TIMES = 6;

/** Why a crop is not started a way at all; null where it can be. */
export function unsuited({ seed, water, days }: Pick<Crop, 'seed' | 'water' | 'days'>, id: MethodId): Unsuited | null {
  const mostMm = MOST_MM[id];
  if (mostMm !== undefined && seed.lengthMm > mostMm)
    return { why: methodOf(id).carrier === 'lid' ? 'open' : 'hole', seedMm: seed.lengthMm, mostMm };
  if (id === 'water' && days.tipAtOptimum * HOURS_A_DAY > HOPELESS_TIMES * water.drowningLimitHours)
    return { why: 'drowns', limitHours: water.drowningLimitHours, days: Math.round(days.tipAtOptimum) };
  return null;
}

/** Ways in which a crop can be started, in their order. */
export const suited = (crop: Parameters<typeof unsuited>[0]): MethodId[] => METHODS.filter((id) => unsuited(crop, id) === null);
