import type { Crop } from '../crops/index.js';
import { reached, type SeedlingStage } from './stages.js';
import type { Stretch } from './place-light.js';

/** Light that seedlings of a kind want. */
interface Wanted extends Stretch {
  readonly crops: readonly string[];
  readonly source: string;
}

const PRACTICE = 'common practice, no source';
const wanted = (low: number, high: number, source: string, crops: string): Wanted => ({ low, high, source, crops: crops.split(' ') });

/** mol per m² and day by kin; aims for advice, held against reference/daily_light_mol.csv. */
const WANTED: readonly Wanted[] = [
  wanted(
    10,
    16,
    'Fan and others, Scientia Horticulturae 153 (2013) for tomato, from memory; its kin by likeness',
    'tomato pepper-sweet pepper-hot pepper-very-hot aubergine tomatillo ground-cherry',
  ),
  wanted(10, 16, PRACTICE, 'cucumber melon watermelon courgette winter-squash giant-pumpkin okra'),
  wanted(
    10,
    14,
    'Both, Albright and others, Cornell lettuce handbook, from memory; seedlings common practice',
    'lettuce endive-chicory rocket pak-choi chard spinach',
  ),
  wanted(8, 14, PRACTICE, 'cabbage broccoli cauliflower kale brussels-sprout kohlrabi'),
  wanted(8, 14, PRACTICE, 'onion leek spring-onion chives garlic-chives'),
  wanted(8, 12, PRACTICE, 'celery celeriac parsley'),
  wanted(10, 13, 'Dou and others, HortScience 53 (2018), from memory', 'basil'),
  wanted(8, 14, PRACTICE, 'coriander dill chervil mint lemon-balm'),
  wanted(10, 16, PRACTICE, 'lavender rosemary sage thyme oregano'),
  wanted(10, 18, PRACTICE, 'pea broad-bean bean-bush bean-runner sweet-corn sunflower soybean cowpea'),
  wanted(5, 12, 'Faust, Holcombe, Rajapakse and Layne, HortScience 40 (2005), from memory', 'impatiens'),
  wanted(10, 20, 'Faust, Holcombe, Rajapakse and Layne, HortScience 40 (2005), from memory', 'petunia marigold zinnia snapdragon cosmos'),
  wanted(8, 14, PRACTICE, 'pansy primula sweet-pea delphinium'),
  wanted(3, 8, PRACTICE, 'coffee swiss-cheese-plant avocado'),
  wanted(6, 12, PRACTICE, 'cactus'),
  wanted(8, 16, PRACTICE, 'citrus pomegranate passion-fruit papaya mango'),
  wanted(8, 16, PRACTICE, 'apple peach pine maple-ornamental'),
];
/** What most seedlings are given (Torres and Lopez, Purdue Extension HO-238, about 2010, from memory). */
const MOST: Stretch & { readonly source: string } = {
  low: 10,
  high: 12,
  source: 'Torres and Lopez, Purdue Extension HO-238 (about 2010), from memory',
};
/** Just opened seed leaves want less, and scorch. Common practice, no source. */
const FRESH: Stretch & { readonly source: string } = { low: 4, high: 8, source: PRACTICE };

/** The sum of light that a crop's seedlings want at a stage, mol per m² and day, with where that comes from; null while all is below ground. */
export function wantedLight({ id }: Pick<Crop, 'id'>, stage: SeedlingStage): (Stretch & { readonly source: string }) | null {
  if (!reached(stage, 'up')) return null;
  const own = WANTED.find(({ crops }) => crops.includes(id)) ?? MOST;
  const { low, high, source } = own;
  if (reached(stage, 'true_leaves')) return { low, high, source };
  return { low: Math.min(FRESH.low, low), high: Math.min(FRESH.high, high), source: FRESH.source };
}
