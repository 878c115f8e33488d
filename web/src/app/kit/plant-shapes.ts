import type { Destination } from '@fresh-tuck/core/moving';
import type { SeedlingStage } from '@fresh-tuck/core/nursing';

/** Lines of a seedling in a drawing 64 wide and 116 high, its mix level with y = 70; the shape tells the stage, colour only follows. */
export interface PlantShape {
  readonly stem: string;
  readonly leaves: string;
  /** Veins and folds over the leaves. */
  readonly veins: string;
  readonly roots: string;
  /** The seed or its coat. */
  readonly coat: { readonly x: number; readonly y: number } | null;
  /** Air and wind on what is being hardened. */
  readonly wind: string;
}

const BARE: PlantShape = { stem: '', leaves: '', veins: '', roots: '', coat: null, wind: '' };
/** A leaf from the stem at (32, y), so long and so high, to both sides. */
const pair = (y: number, long: number, high: number): string =>
  [-1, 1]
    .map((side) => {
      const tip = 32 + side * long;
      const belly = 32 + side * long * 0.45;
      return `M32 ${y}C${belly} ${y + high * 0.25} ${tip} ${y - high * 0.15} ${tip} ${y - high}C${tip - side * long * 0.55} ${y - high * 1.1} 32 ${y - high * 0.7} 32 ${y}Z`;
    })
    .join('');
const vein = (y: number, long: number, high: number): string =>
  [-1, 1].map((side) => `M32 ${y}L${32 + side * long * 0.72} ${y - high * 0.66}`).join('');
const ROOTS = {
  few: 'M32 78v14M32 80q-6 6-7 12M32 80q6 6 7 12',
  many: 'M32 78v26M32 78q-8 8-10 24M32 78q8 8 10 24M32 80q-4 10-4 22M32 80q4 10 4 22',
  out: 'M32 78v34M32 78q-9 8-11 32M32 78q9 8 11 32M32 80q-5 10-5 33M32 80q5 10 5 33',
};
const WIND = 'M4 26h11q4 0 4-4M2 34h16';

/** Seedlings with two seed leaves. */
const LEAVES: Readonly<Record<SeedlingStage, PlantShape>> = {
  moved: { ...BARE, coat: { x: 32, y: 86 }, roots: 'M35 88q4 4 2 10' },
  up: { ...BARE, stem: 'M28 76V58q0-10 8-10t7 9', coat: { x: 43, y: 60 }, roots: ROOTS.few },
  seed_leaves: { ...BARE, stem: 'M32 76V52', leaves: pair(53, 15, 9), roots: ROOTS.few },
  true_leaves: { ...BARE, stem: 'M32 76V34', leaves: pair(56, 12, 6) + pair(38, 18, 17), veins: vein(38, 18, 17), roots: ROOTS.many },
  roots_out: {
    ...BARE,
    stem: 'M32 76V20',
    leaves: pair(58, 11, 5) + pair(44, 20, 16) + pair(26, 16, 17),
    veins: vein(44, 20, 16) + vein(26, 16, 17),
    roots: ROOTS.out,
  },
  hardening: {
    ...BARE,
    stem: 'M32 76V20',
    leaves: pair(58, 11, 5) + pair(44, 20, 16) + pair(26, 16, 17),
    veins: vein(44, 20, 16) + vein(26, 16, 17),
    roots: ROOTS.many,
    wind: WIND,
  },
  planted_out: { ...BARE, stem: 'M32 76V14', leaves: pair(46, 22, 18) + pair(30, 18, 16) + pair(18, 12, 12), roots: '' },
  ripe: { ...BARE, stem: 'M32 76V14', leaves: pair(46, 22, 18) + pair(30, 18, 16) + pair(18, 12, 12), coat: { x: 40, y: 50 } },
  harvested: { ...BARE, stem: 'M32 76V60' },
};
/** Onion kin and grasses: a loop, then blades. */
const BLADES: Readonly<Record<SeedlingStage, PlantShape>> = {
  ...LEAVES,
  up: { ...BARE, stem: 'M28 76V54q0-10 6-10t5 10v6', coat: null, roots: ROOTS.few },
  seed_leaves: { ...BARE, stem: 'M31 76q-1-22 4-38', leaves: '', roots: ROOTS.few },
  true_leaves: { ...BARE, stem: 'M31 76q-1-24 4-44M32 76q-2-20-10-36', roots: ROOTS.many },
  roots_out: { ...BARE, stem: 'M31 76q-1-30 4-58M32 76q-2-26-12-48M32 76q3-22 13-38', roots: ROOTS.out },
  hardening: { ...BARE, stem: 'M31 76q-1-30 4-58M32 76q-2-26-12-48M32 76q3-22 13-38', roots: ROOTS.many, wind: WIND },
};

/** How a seedling is drawn. @param blade onion kin and grasses */
export const plantShape = (stage: SeedlingStage, blade: boolean): PlantShape => (blade ? BLADES : LEAVES)[stage];

/** What it stands in, from the side, cut open so that its roots show. */
export interface Vessel {
  readonly wall: string;
  readonly mix: string;
  /** Standing water. */
  readonly water: string;
}
const POT: Vessel = { wall: 'M10 62l7 50h30l7-50M6 62h9M49 62h9', mix: 'M11.2 70h41.6l-6 42h-29.6z', water: '' };
const VESSELS: Partial<Record<Destination, Vessel>> = {
  slot: { wall: 'M18 66l5 24h18l5-24M10 66h44', mix: 'M19 71h26l-4 19h-18z', water: 'M0 92h64v24h-64z' },
  pellet: { wall: 'M14 70q-3 0-3 4v32q0 6 6 6h30q6 0 6-6v-32q0-4-3-4', mix: 'M12 71h40v36q0 4-5 4h-30q-5 0-5-4z', water: '' },
  glass: { wall: 'M16 56v56h32v-56', mix: '', water: 'M17.5 76h29v35h-29z' },
  terrarium: { wall: 'M4 18h56v94h-56zM2 18h60', mix: 'M5 74h54v37h-54z', water: '' },
  bed: { wall: '', mix: 'M0 72h64v44h-64z', water: '' },
};
export const vesselOf = (destination: Destination): Vessel => VESSELS[destination] ?? POT;

/** Seedlings in their cells, 20 by 18, by strokes from the cell's corner on; the shape tells the stage. */
const CELL_LEAVES: Partial<Record<SeedlingStage, string>> = {
  up: 'm8 14v-6q0-4 3-4t3 4',
  seed_leaves: 'm10 15v-4l-5-6m5 6l5-6',
  true_leaves: 'm10 16v-8m0 4l-6-3m6 3l6-3m-6-1l-5-5m5 5l5-5',
};
const CELL_BLADES: Partial<Record<SeedlingStage, string>> = {
  up: 'm8 14v-6q0-4 3-4t3 4',
  seed_leaves: 'm8 15l5-12',
  true_leaves: 'm9 15l5-12m-5 12l-4-10',
};
const CELL_FULL = { leaves: 'm10 17v-11m0 7l-7-2m7 2l7-2m-7-2l-6-4m6 4l6-4m-6 1l-3-5m3 5l3-5', blades: 'm9 16l6-14m-6 14l-5-13m5 13l8-9' };
/** What stands in a cell, as strokes from its corner; nothing while it is below. */
export const cellShape = (stage: SeedlingStage, blade: boolean): string =>
  stage === 'moved' ? '' : ((blade ? CELL_BLADES : CELL_LEAVES)[stage] ?? (blade ? CELL_FULL.blades : CELL_FULL.leaves));
