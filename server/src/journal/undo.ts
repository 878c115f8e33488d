import { Problem } from '../http/problem.js';
import type { Entry, EntryHead, Subject } from './entry.js';

/** An undo says nothing of its own: what it takes back stands in its head. */
export const undoKind = { read: (_batchId: string) => (_head: EntryHead) => ({}) };

/**
 * The entry that an undo takes back.
 *
 * @throws Problem where there is none, or it counts no more
 */
export function checkUndo(entryId: string, { entries }: Pick<Subject, 'entries'>): Entry {
  const target = entries.find((entry) => entry.id === entryId);
  if (!target) throw Problem.unknown('entry in this journal');
  if (target.kind === 'undo') throw Problem.field('entryId', 'entryId must not be an undo: enter it again instead');
  if (!target.counts) throw Problem.field('entryId', 'entryId must be an entry that still counts');
  return target;
}
