import type { JournalEntry } from '@fresh-tuck/contract';
import { counted } from '@fresh-tuck/core/units';
import { DESTINATION_WORDS } from '@fresh-tuck/core/words';
import { SEEDLING_CLASSES, type SeedlingClass } from '@fresh-tuck/core/seedtest';
import type { Entry } from './journal.js';

const TROUBLE_WORDS: Record<string, string> = {
  fuzz: 'fuzz',
  threads: 'threads',
  soft_seed: 'soft seed',
  smell: 'a smell',
  too_hot: 'too hot',
  stain: 'a stain',
  green_film: 'a green film',
  drowned: 'under water',
};
const REASON_WORDS: Record<string, string> = {
  all_moved: 'everything moved',
  given_up: 'given up',
  rotten: 'rotten',
  other: 'another reason',
};
const STAGE_WORDS: Record<string, string> = {
  quiet: 'quiet',
  swollen: 'swollen',
  tip: 'tip',
  root: 'root',
  leaves: 'leaves open',
  rotten: 'rotten',
  lost: 'lost or given',
};

function lookText(entry: Entry, tippedBefore: number, rottenBefore: number): string {
  const { look } = entry;
  if (!look) return '';
  if (look.via === 'skipped') return 'Not opened.';
  const parts: string[] = [];
  if (entry.classes) {
    const total = (name: SeedlingClass): number => entry.classes?.reduce((sum, counts) => sum + counts[name], 0) ?? 0;
    const told = SEEDLING_CLASSES.filter((name) => total(name) > 0).map((name) => `${total(name)} ${name}`);
    return `Final count: ${told.join(', ')}.`;
  }
  if (look.tipped !== null) {
    const fresh = look.tipped - tippedBefore;
    parts.push(fresh > 0 ? `${counted(fresh, 'new tip')}, ${look.tipped} in all` : 'Nothing new');
  }
  const rotten = (look.rotten ?? rottenBefore) - rottenBefore;
  if (rotten > 0) parts.push(`${rotten} rotten`);
  const other = look.marks.filter(({ stage }) => stage !== 'tip' && stage !== 'rotten');
  if (other.length > 0) {
    parts.push(
      other
        .map(
          ({ seed, stage, rootMm }) => `seed ${seed} ${STAGE_WORDS[stage] ?? stage}${rootMm === null ? '' : ` ${Math.round(rootMm)} mm`}`,
        )
        .join(', '),
    );
  }
  if (look.damp) parts.push(`towel ${look.damp}${look.rewetted ? ', re-damped' : ''}`);
  if (look.troubles.length > 0) parts.push(look.troubles.map((trouble) => TROUBLE_WORDS[trouble] ?? trouble).join(', '));
  const how = look.via === 'through' ? ' Through the bag.' : '';
  return `${parts.length > 0 ? parts.join(' · ') : 'Opened, nothing noted'}.${how}`;
}

function textOf(entry: Entry, tippedBefore: number, rottenBefore: number, entries: readonly Entry[]): string {
  switch (entry.kind) {
    case 'look':
      return lookText(entry, tippedBefore, rottenBefore);
    case 'move': {
      const { move } = entry;
      if (!move) return 'Moved.';
      const labels = move.cups.map(({ number }) => number);
      const span = labels.length > 1 ? `labels ${labels[0]} to ${labels.at(-1)}` : labels.length === 1 ? `label ${labels[0]}` : 'no label';
      const sprouts = move.seeds.length + move.uncounted - move.rooted.snapped;
      const place = DESTINATION_WORDS[move.destination];
      const where = move.destination === 'bed' ? 'the bed' : sprouts === 1 ? `a ${place.one}` : place.many;
      const rooted = [
        move.rooted.freed > 0 ? `${move.rooted.freed} freed from the paper` : '',
        move.rooted.patched > 0 ? `${move.rooted.patched} with their patch` : '',
        move.rooted.snapped > 0 ? `${move.rooted.snapped} snapped` : '',
        move.quietPlanted > 0 ? `${counted(move.quietPlanted, 'quiet seed')} planted along` : '',
      ].filter(Boolean);
      return `${[`${counted(sprouts, 'sprout')} moved to ${where}: ${span}`, ...rooted].join('; ')}.`;
    }
    case 'recount':
      return `Starting count corrected to ${entry.seeds}.`;
    case 'close':
      return `Closed: ${REASON_WORDS[entry.reason ?? ''] ?? entry.reason}.`;
    case 'undo': {
      const target = entries.find(({ id }) => id === entry.supersedes);
      return `Took back the ${target?.kind === 'close' ? 'closing' : (target?.kind ?? 'entry')}.`;
    }
  }
}

/** The journal as people read it, newest first. */
export function journalInWords(entries: readonly Entry[]): JournalEntry[] {
  let tipped = 0;
  let rotten = 0;
  const last = entries.findLast((entry) => entry.counts && entry.kind !== 'undo');
  return [...entries]
    .sort((a, b) => a.atMs - b.atMs || a.recordedMs - b.recordedMs)
    .map((entry) => {
      const text = textOf(entry, tipped, rotten, entries);
      if (entry.counts && entry.look) {
        tipped = Math.max(tipped, entry.look.tipped ?? 0);
        rotten = Math.max(rotten, entry.look.rotten ?? 0);
      }
      return {
        id: entry.id,
        kind: entry.kind,
        atMs: entry.atMs,
        recordedMs: entry.recordedMs,
        who: entry.who,
        note: entry.note,
        text,
        photoIds: [...entry.photoIds],
        counts: entry.counts,
        undoable: entry.id === last?.id,
        finalCount: entry.classes !== null,
      };
    })
    .reverse();
}
