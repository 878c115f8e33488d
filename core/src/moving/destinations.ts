import type { Crop } from '../crops/index.js';

/** Where a sprout can go. */
export const DESTINATIONS = ['cup', 'cell', 'pot', 'slot', 'pellet', 'glass', 'terrarium', 'plug', 'bed'] as const;
export type Destination = (typeof DESTINATIONS)[number];

/** Mix that one holds, ml, with the tenth that settles and spills. Common practice, no source. */
export const MIX_ML: Partial<Record<Destination, number>> = { cup: 220, cell: 50, pot: 400, terrarium: 300, plug: 25 };
/** Water that swells a pellet until it weeps, and the reserve in its tray, ml. Common practice, no source. */
export const PELLET_ML = 40;
export const PELLET_RESERVE_ML = 10;

/** Depth at which a sprout is set, mm: on the surface where light is wanted. */
export const depthMm = ({ moving }: Crop): number => (moving.surfaceSown ? 0 : moving.depthMm);
