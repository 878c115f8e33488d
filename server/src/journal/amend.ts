import { all, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import type { AmendBody, Entry, EntryKind } from './entry.js';

interface Row {
  readonly entry_id: string;
  readonly before: string;
  readonly after: string;
}

/** What a batch was begun as, corrected. */
export function amendKind(db: Database) {
  const rows = all<Row, [string]>(db, 'SELECT * FROM amendment WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?)');
  const insert = write<[Row]>(db, 'INSERT INTO amendment (entry_id, before, after) VALUES (@entry_id, @before, @after)');
  const kind: EntryKind<'amend'> = {
    read(batchId) {
      const own = new Map(rows(batchId).map((row) => [row.entry_id, row]));
      return ({ id }) => {
        const row = own.get(id);
        if (!row) throw new Error(`the correction ${id} has lost its row`);
        return { before: JSON.parse(row.before) as AmendBody['before'], after: JSON.parse(row.after) as AmendBody['after'] };
      };
    },
  };
  return {
    ...kind,
    add(id: string, { before, after }: AmendBody): void {
      insert({ entry_id: id, before: JSON.stringify(before), after: JSON.stringify(after) });
    },
  };
}

const amendments = (entries: readonly Entry[]): Extract<Entry, { kind: 'amend' }>[] =>
  entries.filter((entry): entry is Extract<Entry, { kind: 'amend' }> => entry.kind === 'amend');

/** The last correction that counts; null where there is none. */
export const lastAmendment = (entries: readonly Entry[]): string | null => amendments(entries).findLast(({ counts }) => counts)?.id ?? null;

/**
 * What a batch's row must say after its journal changed: each column that was ever
 * corrected, as the last correction that counts has it, or as it was begun.
 */
export function amended(entries: readonly Entry[]): AmendBody['after'] {
  const columns: Record<string, unknown> = {};
  for (const { before } of [...amendments(entries)].reverse()) Object.assign(columns, before);
  for (const { after, counts } of amendments(entries)) if (counts) Object.assign(columns, after);
  return columns;
}
