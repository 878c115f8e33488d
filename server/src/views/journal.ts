import type { JournalEntry } from '@fresh-tuck/contract';
import type { MethodId } from '@fresh-tuck/core/method';
import type { Words } from '@fresh-tuck/core/units';
import { journalInWords, type JournalFact } from '@fresh-tuck/core/words';
import type { Entry } from '../journal/entry.js';

/** What an entry tells, with the totals that were known before it. */
function factOf(entry: Entry, before: { tipped: number; rotten: number }, entries: readonly Entry[]): JournalFact {
  switch (entry.kind) {
    case 'look':
      return { kind: 'look', via: entry.look.via, look: entry.look, before: { ...before }, classes: entry.classes };
    case 'move': {
      const { destination, seeds, uncounted, cups, rooted, quietPlanted } = entry.move;
      const sprouts = seeds.length + uncounted - rooted.snapped;
      return { kind: 'move', destination, sprouts, labels: cups.map(({ number }) => number), ...rooted, quietPlanted };
    }
    case 'recount':
      return { kind: 'recount', seeds: entry.seeds };
    case 'close':
      return { kind: 'close', reason: entry.reason };
    case 'undo': {
      const target = entries.find(({ id }) => id === entry.supersedes);
      return { kind: 'undo', what: target && target.kind !== 'undo' ? target.kind : null };
    }
  }
}

/** The journal as people read it, newest first. */
export function journalView(entries: readonly Entry[], method: MethodId, words: Words): JournalEntry[] {
  const before = { tipped: 0, rotten: 0 };
  const last = entries.findLast((entry) => entry.counts && entry.kind !== 'undo');
  return [...entries]
    .sort((a, b) => a.atMs - b.atMs || a.recordedMs - b.recordedMs)
    .map((entry) => {
      const text = journalInWords(factOf(entry, before, entries), method, words);
      if (entry.counts && entry.kind === 'look') {
        before.tipped = Math.max(before.tipped, entry.look.tipped ?? 0);
        before.rotten = Math.max(before.rotten, entry.look.rotten ?? 0);
      }
      const { id, kind, atMs, recordedMs, who, note, counts } = entry;
      return {
        id,
        kind,
        atMs,
        recordedMs,
        who,
        note,
        text,
        photoIds: entry.kind === 'look' ? [...entry.photoIds] : [],
        counts,
        undoable: id === last?.id,
        finalCount: entry.kind === 'look' && entry.classes !== null,
      };
    })
    .reverse();
}
