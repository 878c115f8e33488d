import type { batchRequest, LookRequest, MoveRequest } from '@fresh-tuck/contract';
import type * as z from 'zod';
import { hasTipped, parcelState } from '@fresh-tuck/core/parcel';
import { Problem } from '../http/problem.js';
import type { Entry } from '../journal/entry.js';
import { looksOf, movesOf } from '../journal/read.js';

interface Subject {
  readonly seeds: number;
  readonly startMs: number;
  readonly entries: readonly Entry[];
}

/**
 * Refuses a look that cannot be: before the batch, more seeds than there are, or
 * tips that would go back into the seed.
 */
export function checkLook(look: LookRequest, atMs: number, { seeds, startMs, entries }: Subject): void {
  if (atMs < startMs) throw Problem.field('at', 'at must not lie before the batch was tucked in');
  for (const { seed } of look.marks) {
    if (seed > seeds) throw Problem.field('marks', `marks must name seeds from 1 to ${seeds}`);
  }
  const { seen } = look;
  if (!seen) return;
  const seenLost = seen.lost ?? 0;
  if (seen.tipped + seen.rotten + seenLost > seeds) {
    throw Problem.field(
      'seen.tipped',
      `seen.tipped, seen.rotten and seen.lost must add up to at most ${seeds}: the batch has ${seeds} seeds`,
    );
  }
  const marked = look.marks.filter(({ stage }) => hasTipped(stage)).length;
  if (marked > seen.tipped)
    throw Problem.field('seen.tipped', `seen.tipped must be at least ${marked}: so many seeds are marked with a tip`);
  if (seen.basedOn !== null && !entries.some((entry) => entry.id === seen.basedOn && entry.kind === 'look')) {
    throw Problem.field('seen.basedOn', 'seen.basedOn must be a look of this batch');
  }
  // Totals rise with time; a look based on an older one is another pair of eyes and may know less.
  const others = looksOf(entries).filter((other) => other.id !== look.supersedes);
  const earlier = others.filter((other) => other.atMs <= atMs && other.tipped !== null);
  const known = earlier.at(-1);
  if (known && seen.basedOn === known.id) {
    const least = Math.max(...earlier.map((other) => other.tipped ?? 0));
    const leastRotten = Math.max(...earlier.map((other) => other.rotten ?? 0));
    if (seen.tipped < least)
      throw Problem.field(
        'seen.tipped',
        `seen.tipped must be at least ${least}: so many were seen before. Correct that look if it was wrong`,
      );
    if (seen.rotten < leastRotten)
      throw Problem.field('seen.rotten', `seen.rotten must be at least ${leastRotten}: so many were taken out before`);
  }
  const all = [...others, { tipped: seen.tipped, rotten: seen.rotten, lost: seenLost }];
  const most = (pick: (look: (typeof all)[number]) => number | null | undefined): number => Math.max(...all.map((one) => pick(one) ?? 0));
  if (most((one) => one.tipped) + most((one) => one.rotten) + most((one) => one.lost) > seeds) {
    throw Problem.field('seen.tipped', `seen.tipped, seen.rotten and seen.lost must fit the ${seeds} seeds together with the other looks`);
  }
}

/** Refuses to move what is not there. */
export function checkMove(move: MoveRequest, atMs: number, { seeds, startMs, entries }: Subject): void {
  if (atMs < startMs) throw Problem.field('at', 'at must not lie before the batch was tucked in');
  // What had been seen by then: a sprout cannot be lifted out before its tip was there.
  const seenBy = looksOf(entries).filter((look) => look.atMs <= atMs);
  const state = parcelState(seeds, startMs, seenBy, movesOf(entries));
  for (const number of move.seeds) {
    const seed = state.seeds[number - 1];
    if (!seed) throw Problem.field('seeds', `seeds must name seeds from 1 to ${seeds}`);
    if (seed.moved) throw Problem.field('seeds', `seed ${number} was moved before`);
    if (!hasTipped(seed.stage)) throw Problem.field('seeds', `seed ${number} shows no tip by then; mark it in a look first`);
  }
  const counted = state.counted.reduce((sum, { count }) => sum + count, 0);
  if (move.uncounted > counted) {
    throw Problem.field('uncounted', `uncounted must be at most ${counted}: so many tips were counted by then and not touched`);
  }
}

/** Refuses to plant more quiet seeds than there are. */
export function checkQuiet(quietPlanted: number, { seeds, startMs, entries }: Subject): void {
  const { quiet } = parcelState(seeds, startMs, looksOf(entries), movesOf(entries));
  if (quietPlanted > quiet) throw Problem.field('quietPlanted', `quietPlanted must be at most ${quiet}: so many are still quiet`);
}

/** Refuses a starting count below what was already seen. */
export function checkRecount(count: number, { seeds, startMs, entries }: Subject): void {
  const looks = looksOf(entries);
  const state = parcelState(seeds, startMs, looks, movesOf(entries));
  const named = Math.max(0, ...looks.flatMap((look) => look.marks.map(({ seed }) => seed)));
  const least = Math.max(state.tipped + state.rotten + state.lost, named, 1);
  if (count < least) throw Problem.field('seeds', `seeds must be at least ${least}: so many were already seen`);
}

/** Refuses a batch that does not fit itself. */
export function checkBatch({ purpose, replicates, seeds, taken, finalDays }: z.output<typeof batchRequest>): void {
  if (taken !== null && taken > seeds) throw Problem.field('taken', `taken must be at most ${seeds}: no more is taken than is laid`);
  if (replicates > seeds) throw Problem.field('replicates', `replicates must be at most ${seeds}: each needs a seed`);
  if (purpose === 'plants' && replicates > 1) throw Problem.field('replicates', 'replicates must be 1 where it is not a test');
  if ((purpose === 'test') !== (finalDays !== null))
    throw Problem.field('finalDays', 'finalDays must say when a test is counted for the last time, and only there');
}

/** Refuses a final count that does not add up, towel by towel and with what was seen. */
export function checkClasses({ classes, seen, via }: LookRequest, purpose: 'plants' | 'test', replicates: readonly number[]): void {
  if (!classes) return;
  if (purpose !== 'test') throw Problem.field('classes', 'classes belong to a germination test');
  if (via !== 'opened' || !seen) throw Problem.field('classes', 'classes must come with an opened look and its totals');
  if (classes.length !== replicates.length)
    throw Problem.field('classes', `classes must name ${replicates.length} towels: the test has so many`);
  classes.forEach(({ normal, abnormal, hard, fresh, dead }, index) => {
    const sum = normal + abnormal + hard + fresh + dead;
    if (sum !== replicates[index])
      throw Problem.field(
        `classes.${index}`,
        `classes of towel ${index + 1} must add up to its ${replicates[index]} seeds; they are ${sum}`,
      );
  });
  const total = (pick: (count: NonNullable<LookRequest['classes']>[number]) => number): number =>
    classes.reduce((sum, count) => sum + pick(count), 0);
  if (seen.tipped !== total(({ normal, abnormal }) => normal + abnormal))
    throw Problem.field('seen.tipped', 'seen.tipped must be the normal and abnormal seedlings together');
  if (seen.rotten !== total(({ dead }) => dead)) throw Problem.field('seen.rotten', 'seen.rotten must be the dead seeds');
}
