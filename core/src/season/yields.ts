import type { Crop } from '../crops/index.js';

/** What a crop is grown for: what its drawing bears, and what ripe means of it. */
export const YIELDS = ['fruit', 'pod', 'head', 'root', 'leaf', 'flower', 'plant'] as const;
export type Yield = (typeof YIELDS)[number];

const IDS: Readonly<Partial<Record<Yield, string>>> = {
  pod: 'okra pea broad-bean bean-bush bean-runner bean-lima soybean cowpea chickpea peanut',
  head: 'globe-artichoke broccoli cauliflower cabbage chinese-cabbage brussels-sprout kohlrabi sweet-corn asparagus',
  root: 'leek onion spring-onion carrot parsnip beet turnip swede radish celeriac salsify',
  leaf: 'celery lettuce spinach perpetual-spinach new-zealand-spinach malabar-spinach chard kale mustard pak-choi rocket sorrel endive-chicory lambs-lettuce amaranth perilla basil coriander parsley dill fennel chives garlic-chives sage thyme oregano marjoram summer-savory rosemary mint lemon-balm lovage chervil rhubarb',
  flower:
    'lavender nasturtium sweet-pea morning-glory moonflower lupin zinnia sunflower cosmos marigold pot-marigold snapdragon petunia poppy campion foxglove borage black-eyed-susan-vine canna chamomile cobaea columbine cornflower delphinium echinacea four-oclock hibiscus hollyhock impatiens larkspur nigella pansy pelargonium primula',
  plant:
    'apple avocado cactus cherry chestnut citrus coffee date-palm mango maple-ornamental oak papaya peach pine plum pomegranate swiss-cheese-plant',
};
const BY_ID = new Map(Object.entries(IDS).flatMap(([what, ids]) => ids.split(' ').map((id) => [id, what as Yield])));

/** What is waited for of a crop; of one's own crops, fruit. */
export const yieldOf = ({ id }: Pick<Crop, 'id'>): Yield => BY_ID.get(id) ?? 'fruit';

/** A first harvest further off than this after planting out is another year's, days. Guess. */
const THIS_YEAR_DAYS = 200;
/** Whether a crop bears in the year in which it is planted out. */
export const bearsThisYear = ({ growing }: Pick<Crop, 'growing'>): boolean => {
  const range = growing.harvestDaysAfterPlantingOut;
  return range === null || (range[0] + range[1]) / 2 <= THIS_YEAR_DAYS;
};

/** What goes on bearing is to be picked for so long, or its start came too late, days. Guess. */
const PICKS: Readonly<Partial<Record<Yield, number>>> = { fruit: 21, pod: 21, flower: 28 };
export const picksDays = (crop: Pick<Crop, 'id'>): number => PICKS[yieldOf(crop)] ?? 0;
