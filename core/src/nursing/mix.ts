import type { Crop } from '../crops/index.js';

/** An ingredient of a mix with its parts by volume. */
export interface Part {
  readonly what: string;
  readonly parts: number;
}
/** Something stirred in by weight. */
export interface Added {
  readonly what: string;
  readonly gramsPerLitre: number;
}
/** A mix by its parts. */
export interface MixRecipe {
  readonly id: string;
  readonly name: string;
  readonly use: string;
  readonly parts: readonly Part[];
  readonly added: readonly Added[];
  readonly note: string | null;
  readonly source: string;
}

const parts = (text: string): Part[] =>
  text.split('; ').map((one) => {
    const [what = '', count = '1'] = one.split(': ');
    return { what, parts: Number(count) };
  });
const PRACTICE = 'common practice, no source';
const PEAT_LITE = 'Boodley and Sheldrake, Cornell Peat-lite Mixes, Information Bulletin 43 (1977), from memory';
const LAWRENCE = 'Lawrence and Newell, Seed and Potting Composts (1939), from memory';
const recipe = (
  id: string,
  name: string,
  use: string,
  made: string,
  source: string,
  added: readonly Added[] = [],
  note: string | null = null,
): MixRecipe => ({
  ...{ id, name, use, added, note, source },
  parts: parts(made),
});
const LITE_FEED: readonly Added[] = [
  { what: 'ground dolomitic limestone', gramsPerLitre: 3 },
  { what: 'superphosphate', gramsPerLitre: 0.6 },
  { what: 'calcium nitrate', gramsPerLitre: 0.6 },
];

/** Mixes by volume; parts are held against reference/mix_recipes.csv. */
export const MIXES: readonly MixRecipe[] = [
  recipe(
    'peat_lite_a',
    'Peat-lite A',
    'seed',
    'peat: 1; vermiculite: 1',
    PEAT_LITE,
    LITE_FEED,
    'Peat alone is too sour: it needs its lime.',
  ),
  recipe('peat_lite_b', 'Peat-lite B', 'seed and potting', 'peat: 1; perlite: 1', PEAT_LITE, LITE_FEED),
  recipe('foliage', 'Foliage mix', 'potting, house plants', 'peat: 2; vermiculite: 1; perlite: 1', PEAT_LITE),
  recipe(
    'epiphyte',
    'Epiphyte mix',
    'aroids',
    'peat: 1; fir or pine bark (3-6 mm): 1; perlite: 1',
    PEAT_LITE,
    [],
    'Their roots want air: no firming.',
  ),
  recipe('loam_seed', 'Loam seed mix', 'seed', 'loam: 2; peat: 1; coarse sand: 1', LAWRENCE, [
    { what: 'superphosphate', gramsPerLitre: 1.2 },
    { what: 'ground chalk', gramsPerLitre: 0.6 },
  ]),
  recipe(
    'loam_potting',
    'Loam potting mix, weak',
    'first pots',
    'loam: 7; peat: 3; coarse sand: 2',
    LAWRENCE,
    [
      { what: 'base feed', gramsPerLitre: 3.1 },
      { what: 'ground chalk', gramsPerLitre: 0.6 },
    ],
    'Fed mix is not stored for months: ammonia builds up.',
  ),
  recipe(
    'sand_peat',
    'Sand and peat',
    'seed and potting',
    'fine sand: 1; peat: 1',
    'Baker (ed.), The U.C. System, California Manual 23 (1957), from memory',
    [],
    'Heavy when wet.',
  ),
  recipe(
    'coir_seed',
    'Coir seed mix',
    'seed',
    'coir: 1; vermiculite: 1',
    PRACTICE,
    [],
    'Some coir is salty: rinse it. It holds nothing to eat: feed from true leaves.',
  ),
  recipe('coir_potting', 'Coir potting mix', 'potting', 'coir: 2; perlite: 1; compost: 1', PRACTICE),
  recipe(
    'compost_potting',
    'Compost potting mix',
    'hungry crops',
    'mature compost: 1; coir or peat: 1; perlite: 1',
    'extension bulletins; common practice',
    [],
    'Weedkiller may linger in bought compost: grow a bean in it first.',
  ),
  recipe(
    'gritty_herbs',
    'Gritty mix, herbs',
    'lavender, thyme, rosemary, young trees',
    'seed or potting mix: 3; grit or coarse sand: 1',
    PRACTICE,
  ),
  recipe(
    'cactus_seed',
    'Cactus seed mix',
    'cactus and other succulents',
    'sieved seed mix: 1; fine grit or pumice (1-3 mm): 1',
    PRACTICE,
    [],
    'Salty grit is rinsed.',
  ),
  recipe('airy', 'Airy mix', 'trees and taproots, deep pots', 'potting mix: 2; perlite or fine bark: 1', PRACTICE),
];

/** The mix that suits a crop by its book, first in a small pot and then in a larger one. Common practice, no source. */
const FOR: Readonly<Record<string, { readonly seed: string; readonly potting: string }>> = {
  gritty: { seed: 'gritty_herbs', potting: 'gritty_herbs' },
  airy: { seed: 'airy', potting: 'airy' },
  aroid: { seed: 'epiphyte', potting: 'epiphyte' },
  rich: { seed: 'coir_seed', potting: 'compost_potting' },
};
const USUAL = { seed: 'coir_seed', potting: 'peat_lite_b' } as const;
const SUCCULENT = { seed: 'cactus_seed', potting: 'cactus_seed' } as const;

/** The recipe that is proposed for a crop. @param use for the sprout, or for what is potted on */
export function mixFor({ family, moving }: Pick<Crop, 'family' | 'moving'>, use: 'seed' | 'potting'): string {
  return (family === 'Cactaceae' ? SUCCULENT : (FOR[moving.mix] ?? USUAL))[use];
}

/** What is weighed or measured of one ingredient. */
export interface Measured {
  readonly what: string;
  /** Of the part, ml; of what is added, g. */
  readonly amount: number;
  readonly unit: 'ml' | 'g';
}

/**
 * A mix scaled to the pots at hand.
 *
 * @param count pots, 1 or more; @param potMl what one holds, above 0
 * @param spare share more that settles and spills, 0 to 1
 * @returns ml of each part, g of what is added, in the order in which they are stirred
 * @throws RangeError for a mix of no parts, or no pots
 */
export function scaleMix(
  { parts: own, added }: Pick<MixRecipe, 'parts' | 'added'>,
  count: number,
  potMl: number,
  spare = 0.1,
): { readonly totalMl: number; readonly measured: readonly Measured[] } {
  const sum = own.reduce((total, { parts: share }) => total + Math.max(share, 0), 0);
  if (!(sum > 0)) throw new RangeError('parts: a mix needs at least one part of something');
  if (!(count >= 1) || !(potMl > 0)) throw new RangeError('count and potMl: there must be a pot, and it must hold something');
  const totalMl = count * potMl * (1 + spare);
  return {
    totalMl,
    measured: [
      ...own
        .filter(({ parts: share }) => share > 0)
        .map(({ what, parts: share }) => ({ what, amount: (totalMl * share) / sum, unit: 'ml' as const })),
      ...added.map(({ what, gramsPerLitre }) => ({ what, amount: (gramsPerLitre * totalMl) / 1000, unit: 'g' as const })),
    ],
  };
}

/** A US teaspoon, ml (exact by definition of the inch: a 768th of a gallon of 231 cubic inches). */
export const TEASPOON_ML = (231 * 2.54 ** 3) / 768;
const SPOONS = [
  { ml: TEASPOON_ML * 48, one: 'cup', many: 'cups', step: 1 / 4 },
  { ml: TEASPOON_ML * 3, one: 'tbsp', many: 'tbsp', step: 1 / 2 },
  { ml: TEASPOON_ML, one: 'tsp', many: 'tsp', step: 1 / 4 },
] as const;
const FINEST = 1 / 32;

/** A fraction as it is engraved on spoons: "1 1/4", "1/32". */
function fraction(value: number, step: number): string {
  const parts = Math.round(value / step);
  const per = Math.round(1 / step);
  const whole = Math.floor(parts / per);
  let [over, under] = [parts % per, per];
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  return over === 0 ? String(whole) : `${whole > 0 ? `${whole} ` : ''}${over}/${under}`;
}

/** A volume by cups and spoons, to the nearest that is sold, down to 1/32 of a teaspoon. @param ml above 0 */
export function inSpoons(ml: number): string {
  const large = SPOONS.find((spoon) => ml >= spoon.ml * 0.99) ?? null;
  if (large) {
    const said = fraction(ml / large.ml, large.step);
    return `${said} ${said === '1' ? large.one : large.many}`;
  }
  const tsp = Math.max(ml / TEASPOON_ML, FINEST);
  return `${fraction(tsp, tsp >= 1 / 4 ? 1 / 8 : tsp >= 1 / 8 ? 1 / 16 : FINEST)} tsp`;
}
