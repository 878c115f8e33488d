import type { Crop } from '../crops/index.js';
import type { MethodId } from './methods.js';

/** Share of what sprouts that a soilless slot brings up, by the crop's sheet. Guesses; own records take over. */
const SOILLESS = { fine: 0.92, uncertain: 0.7, poor: 0.42 } as const;
/** Share of tips that come up through mix, a bed, an open surface. Guesses. */
const COMES_UP: Readonly<Partial<Record<MethodId, number>>> = { plug: 0.95, pellet: 0.93, pot: 0.95, bed: 0.86, surface: 0.85 };
/** On the surface, of a kind that belongs there. Guess. */
const SURFACE_KIND = 0.94;

/** Share of the seed that sprouts which comes up where it was sown; 1 where the tip itself is watched. */
export function comesUp({ methods, moving, growing }: Pick<Crop, 'methods' | 'moving' | 'growing'>, method: MethodId): number {
  if (method === 'pod') return SOILLESS[methods.soilless];
  if (method === 'surface' && (moving.surfaceSown || growing.light === 'needs_light')) return SURFACE_KIND;
  return COMES_UP[method] ?? 1;
}
