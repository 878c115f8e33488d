import { stageRank, type SeedlingStage } from './stages.js';
import type { StageMark } from './tray.js';

/**
 * Why a stage cannot be said of a seedling at a moment: it would go backwards. Null where it can.
 *
 * @param marks what was said of it, rising by time, what it began with among them
 */
export function goesBackwards(marks: readonly StageMark[], stage: SeedlingStage, atMs: number): StageMark | null {
  const rank = stageRank(stage);
  const before = marks.filter((mark) => mark.atMs <= atMs && stageRank(mark.stage) >= rank && mark.stage !== 'moved').at(-1) ?? null;
  return before ?? marks.find((mark) => mark.atMs > atMs && stageRank(mark.stage) <= rank) ?? null;
}

/**
 * Marks that count after potting on: roots at the base of the old pot say nothing of the new
 * one, but whoever showed them had its true leaves.
 */
export const afterPotting = (marks: readonly StageMark[], pottedMs: number | null): StageMark[] =>
  marks.flatMap((mark, index) => {
    if (mark.stage !== 'roots_out' || pottedMs === null || mark.atMs > pottedMs) return [mark];
    return marks.slice(0, index).some(({ stage }) => stage === 'true_leaves') ? [] : [{ ...mark, stage: 'true_leaves' as const }];
  });
