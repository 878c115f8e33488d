import { lookRequest } from '@fresh-tuck/contract';
import { Problem } from '../http/problem.js';
import type { Subject } from '../journal/entry.js';
import { checkLook } from '../journal/look.js';
import { countingOf, looksOf } from '../journal/read.js';
import type { JournalStore } from '../journal/store.js';

/** One line of what somebody kept on paper or in mind: what is null was not looked at. */
export interface ToldLook {
  readonly id: string;
  readonly index: number;
  readonly at: string;
  readonly atMs: number;
  readonly tipped: number | null;
  readonly rotten: number | null;
  readonly damp: 'dry' | 'drying' | 'damp' | 'pooling' | null;
  readonly rewetted?: boolean;
  readonly skipped?: boolean;
  readonly note: string | null;
}

/** Looks that are written down after the fact, each with its true time. */
export function toldLater({ journal, subject }: { readonly journal: JournalStore; readonly subject: (batchId: string) => Subject }) {
  return {
    /** @throws Problem at the line and its field */
    tellLook(
      batchId: string,
      { index, atMs, tipped, rotten, skipped = false, rewetted = false, ...row }: ToldLook,
      who: string | null,
      nowMs: number,
    ): void {
      const about = subject(batchId);
      const known = looksOf(about.entries).filter((one) => one.atMs <= atMs);
      const least = Math.max(0, ...known.map((one) => one.rotten ?? 0));
      const showing = Math.max(0, ...known.map((one) => one.tipped ?? 0));
      const last = countingOf(about.entries, 'look').filter((one) => one.atMs <= atMs && one.look.tipped !== null);
      const basedOn = last.sort((a, b) => a.atMs - b.atMs).at(-1)?.id ?? null;
      const seen = tipped === null && rotten === null ? null : { tipped: tipped ?? showing, rotten: rotten ?? least, basedOn };
      const look = lookRequest.parse({
        ...{ id: row.id, at: row.at, via: skipped ? 'skipped' : 'opened', marks: [], damp: row.damp, rewetted, troubles: [] },
        ...{ who, note: row.note, supersedes: null, seen },
      });
      inRow(index, () => checkLook(look, atMs, about));
      journal.addLook({ id: row.id, batchId, atMs, nowMs, who, note: row.note }, look);
    },
  };
}

/** A refusal names the row that it is about. */
export function inRow(index: number, check: () => void): void {
  try {
    check();
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    const field = error.errors[0]?.field.startsWith('seen.rotten') ? 'rotten' : error.errors[0]?.field === 'at' ? 'at' : 'tipped';
    const name = `looks.${index}.${field}`;
    throw Problem.field(name, error.detail.replace(/^(?:seen\.\w+|at)\b/, name));
  }
}
