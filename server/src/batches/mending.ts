import { parcelState, type ParcelState } from '@fresh-tuck/core/parcel';
import type { BatchRow } from './row.js';
import type { BatchStore } from './store.js';
import { Problem } from '../http/problem.js';
import { amended } from '../journal/amend.js';
import type { Entry, Subject } from '../journal/entry.js';
import { countingOf, looksOf, movesOf, seedsOf } from '../journal/read.js';
import type { JournalStore } from '../journal/store.js';
import { checkUndo } from '../journal/undo.js';
import { checkWhole, type Changed } from '../journal/whole.js';

/** What taking an entry back does, worked out before anything is written. */
export interface Undoing {
  readonly target: Entry;
  /** Entries that cannot stand without it, the last first. */
  readonly along: readonly Entry[];
  /** Why it cannot be taken back alone; null where it can. */
  readonly refusal: Problem | null;
  readonly before: ParcelState;
  readonly after: ParcelState;
}

/** More than any journal would lose with one line. */
const MOST_ALONG = 200;

const stateOf = ({ seeds, startMs, entries }: Subject): ParcelState => parcelState(seeds, startMs, looksOf(entries), movesOf(entries));

/** Batches as entries find them, and what follows where one is taken back. */
export function mending({ batches, journal }: { readonly batches: BatchStore; readonly journal: JournalStore }) {
  const about = (row: BatchRow, entries: readonly Entry[]): Subject => ({
    seeds: seedsOf(row, entries),
    startMs: amended(entries).start_ms ?? row.start_ms,
    entries,
  });
  const subject = (id: string): Subject => about(batches.get(id), journal.entries(id));
  const without = (id: string, ids: readonly string[]): Subject => about(batches.get(id), journal.entriesWithout(id, ids));

  /** Why a batch would be no whole story; null where it is one. */
  function fault(one: Subject, changed: Changed): Problem | null {
    try {
      checkWhole(one, changed);
      return null;
    } catch (error) {
      if (error instanceof Problem) return error;
      throw error;
    }
  }

  /**
   * What goes with an entry: moves whose sprouts nobody would have seen, and the end that
   * a test's last count brought with it.
   *
   * @throws Problem where it cannot be taken back, whatever goes along
   */
  function undoing(batchId: string, entryId: string): Undoing {
    const now = subject(batchId);
    const target = checkUndo(entryId, now);
    const gone = [entryId];
    if (target.kind === 'look' && target.classes !== null) {
      const end = countingOf(now.entries, 'close').findLast(({ reason }) => reason === 'counted');
      if (end) gone.push(end.id);
    }
    let then = without(batchId, gone);
    let refusal: Problem | null = null;
    for (let nth = 0; nth < MOST_ALONG; nth++) {
      const wrong = fault(then, 'entryId');
      if (wrong === null) break;
      refusal ??= wrong;
      const move = countingOf(then.entries, 'move')
        .sort((a, b) => a.atMs - b.atMs)
        .at(-1);
      if (!move) throw wrong;
      gone.push(move.id);
      then = without(batchId, gone);
    }
    const along = gone.slice(1).flatMap((id) => now.entries.filter((entry) => entry.id === id));
    return { target, along, refusal, before: stateOf(now), after: stateOf(then) };
  }

  /** Lays into a batch's row what its journal says of it now. */
  function settle(batchId: string): void {
    batches.rewrite(batchId, amended(journal.entries(batchId)));
  }

  return { subject, undoing, settle };
}
