import { NURSERY_GROUPS, type NurseryGroup, type NurseryPage } from '@fresh-tuck/contract';
import type { Reader } from '../forecasts/reader.js';

/** One group alone, from a seedling on. */
export interface NurseryAsked {
  readonly group: NurseryGroup;
  readonly from: number;
}

/** Seedlings of a group that are sent at once. */
const PAGE = 20;
/** In the nursery the oldest want something first; of what has left it the latest is looked for. */
const LATEST_FIRST: readonly NurseryGroup[] = ['planted_out', 'ripe', 'harvested', 'gone'];

/** The labels of every group, in the order in which they were given. */
export function groupsOf(nursery: Reader['nursery']): Map<NurseryGroup, number[]> {
  const numbers = new Map<NurseryGroup, number[]>(NURSERY_GROUPS.map((group) => [group, []]));
  for (const { number, stage, gone } of nursery.standing()) numbers.get(gone ? 'gone' : stage)?.push(number);
  return numbers;
}

/** Seedlings of one group, a page at a time. */
export function nurseryPageView({ nursery }: Reader) {
  return ({ group, from }: NurseryAsked): NurseryPage => {
    const own = groupsOf(nursery).get(group) ?? [];
    if (LATEST_FIRST.includes(group)) own.reverse();
    return { group, count: own.length, from, seedlings: own.slice(from, from + PAGE).map((number) => nursery.get(number)) };
  };
}
