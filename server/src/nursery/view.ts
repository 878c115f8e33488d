import type { Nursery } from '@fresh-tuck/contract';
import { NURSERY_GROUPS, type NurseryGroup } from '@fresh-tuck/contract/choices';
import type { Reader } from '../forecasts/reader.js';

/** One group alone, from a seedling on. */
export interface NurseryPage {
  readonly group: NurseryGroup;
  readonly from: number;
}

/** Seedlings of a group that are sent at once. */
const PAGE = 20;
/** What stands in the garden or has left it: years of it are counted, and shown when asked for. */
const ASKED_FOR: readonly NurseryGroup[] = ['gone'];
/** In the nursery the oldest want something first; of what has left it the latest is looked for. */
const LATEST_FIRST: readonly NurseryGroup[] = ['planted_out', 'ripe', 'gone'];

/** Every seedling by its stage: how many, and a page of each. */
export function nurseryView({ nursery }: Reader) {
  return (page: NurseryPage | null): Nursery => {
    const numbers = new Map<NurseryGroup, number[]>(NURSERY_GROUPS.map((group) => [group, []]));
    for (const { number, stage, gone } of nursery.standing()) numbers.get(gone ? 'gone' : (stage as NurseryGroup))?.push(number);
    const groups = NURSERY_GROUPS.filter((group) => page === null || page.group === group).map((group) => {
      const own = numbers.get(group) ?? [];
      if (LATEST_FIRST.includes(group)) own.reverse();
      const from = page?.from ?? 0;
      const shown = page === null && ASKED_FOR.includes(group) ? [] : own.slice(from, from + PAGE);
      return { group, count: own.length, from, seedlings: shown.map((number) => nursery.get(number)) };
    });
    const gone = numbers.get('gone')?.length ?? 0;
    const all = [...numbers.values()].reduce((sum, { length }) => sum + length, 0);
    return { living: all - gone, groups: groups.filter(({ count }) => count > 0) };
  };
}
