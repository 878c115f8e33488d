import { testResult, type TestResult } from '@fresh-tuck/core/seedtest';
import type { Entry, EntryKindId, EntryOf, LookBody, MoveBody } from './entry.js';

/** Entries of one kind that count, in the order they were written. */
export const countingOf = <Kind extends EntryKindId>(entries: readonly Entry[], kind: Kind): EntryOf<Kind>[] =>
  entries.filter((entry): entry is EntryOf<Kind> & Entry => entry.counts && entry.kind === kind);

/** The starting count as corrected. */
export const seedsOf = ({ seeds }: { readonly seeds: number }, entries: readonly Entry[]): number =>
  countingOf(entries, 'recount').at(-1)?.seeds ?? seeds;

/** When a batch was closed, ms; null while it is open. */
export const closedAt = (entries: readonly Entry[]): number | null => countingOf(entries, 'close').at(-1)?.atMs ?? null;

/** Whether the tuck-in was taken back. */
export const isUntucked = (entries: readonly Entry[]): boolean => countingOf(entries, 'untuck').length > 0;

/** Why a batch was closed; null while it is open. */
export const reasonOf = (entries: readonly Entry[]): string | null => countingOf(entries, 'close').at(-1)?.reason ?? null;

export const movesOf = (entries: readonly Entry[]): MoveBody['move'][] => countingOf(entries, 'move').map(({ move }) => move);

type SeenLook = LookBody['look'] & { readonly id: string };

/** Quiet seeds that were planted along have left without a word: that day tells so many lost. */
function plantedAlong(entries: readonly Entry[], seen: readonly SeenLook[]): SeenLook[] {
  let lost = 0;
  return countingOf(entries, 'move')
    .filter(({ move }) => move.quietPlanted > 0)
    .sort((a, b) => a.move.atMs - b.move.atMs)
    .map(({ id, move: { atMs, quietPlanted } }) => {
      const before = Math.max(0, ...seen.filter((look) => look.atMs <= atMs).map((look) => look.lost ?? 0));
      lost = Math.max(before, lost) + quietPlanted;
      const nothing = { tipped: null, rotten: null, basedOn: null, marks: [], damp: null, rewetted: false, troubles: [] };
      return { ...nothing, id, atMs, via: 'opened', through: false, lost };
    });
}

/** Looks that say something, oldest first, and the moves that tell what a look would. */
export function looksOf(entries: readonly Entry[]): SeenLook[] {
  const seen = countingOf(entries, 'look')
    .filter(({ look }) => look.via !== 'skipped')
    .map(({ id, look }) => ({ ...look, id }));
  return [...seen, ...plantedAlong(entries, seen)].sort((a, b) => a.atMs - b.atMs);
}

/** What a test's final count came to, the newest that counts. */
export function resultOf(entries: readonly Entry[]): TestResult | null {
  const classes = countingOf(entries, 'look').findLast((entry) => entry.classes !== null)?.classes;
  return classes ? testResult(classes) : null;
}
