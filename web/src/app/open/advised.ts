import type { BatchWithJournal } from '@fresh-tuck/contract';

type Line = BatchWithJournal['judgement']['advice'][number];

/** The advice that some of it is to be moved now; null where none is. */
export const moveAdvised = (advice: readonly Line[]): Line | null =>
  advice.find(({ kind }) => kind === 'move' || kind === 'rescue') ?? null;
