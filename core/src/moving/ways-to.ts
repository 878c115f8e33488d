import type { Crop } from '../crops/index.js';
import { unsuited, type MethodId } from '../method/index.js';
import type { Destination } from './destinations.js';

/** Whether seed is started where it is to stand: nothing is moved. */
const STANDS: Readonly<Record<Destination, readonly MethodId[]>> = {
  slot: ['pod'],
  pellet: ['pellet'],
  bed: ['bed'],
  plug: ['plug'],
  cell: ['plug', 'surface'],
  cup: ['pot', 'surface'],
  pot: ['pot', 'surface'],
  terrarium: ['surface', 'pot'],
  glass: [],
};
/** Where sprouts are moved from: whatever the destination. */
const MOVED: readonly MethodId[] = ['towel', 'water'];
/** Raised in something small first and moved with its mix. */
const RAISED: Readonly<Partial<Record<Destination, readonly MethodId[]>>> = { bed: ['plug', 'pot'], pot: ['plug'], cup: ['plug'] };

/** Seed that is sown deeper is not left on a surface, mm. Common practice, no source. */
const SHALLOW_MM = 5;

/** Ways by which a crop can come to a destination, and whether it stands there from the start. */
export function waysTo(
  crop: Pick<Crop, 'seed' | 'water' | 'days' | 'moving'>,
  destination: Destination,
): { readonly method: MethodId; readonly stands: boolean }[] {
  const stands = STANDS[destination];
  return [...stands, ...(RAISED[destination] ?? []), ...MOVED]
    .filter((method) => unsuited(crop, method) === null && (method !== 'surface' || crop.moving.depthMm <= SHALLOW_MM))
    .map((method) => ({ method, stands: stands.includes(method) }));
}

/** Where seed that comes up where it was sown stands: as it was begun for, else the usual place of its method. */
export function standsIn(method: MethodId, wished: Destination | null): Destination {
  if (wished !== null && STANDS[wished].includes(method)) return wished;
  const [usual] = Object.entries(STANDS).find(([, methods]) => methods[0] === method) ?? ['cup'];
  return usual as Destination;
}
