import type { NurseryGroup, NurseryPage } from '@fresh-tuck/contract';
import type { Reader } from '../forecasts/reader.js';

/** One group alone, from a seedling on. */
export interface NurseryAsked {
  readonly group: NurseryGroup;
  readonly from: number;
}

/** Seedlings of a group that are sent at once. */
const PAGE = 20;

/** Seedlings of one group, a page at a time. In the nursery the oldest want something first; of what has left it the latest is looked for. */
export function nurseryPageView({ nursery, stands }: Reader) {
  return ({ group, from }: NurseryAsked): NurseryPage => {
    const { count, numbers } = stands.page(group, from, PAGE);
    return { group, count, from, seedlings: numbers.map((number) => nursery.get(number)) };
  };
}
