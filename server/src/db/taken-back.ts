import { write } from './statements.js';
import type { Database } from './database.js';

/** A record outside a batch's journal, and the span that it spoke of. */
export interface Gone {
  readonly id: string;
  readonly kind:
    | ('reading' | 'import' | 'setup' | 'event' | 'absence' | 'probe' | 'weighing' | 'place' | 'closure' | 'rebag' | 'soil' | 'count')
    | ('care' | 'light' | 'weather')
    | ('wish' | 'frost' | 'station' | 'room')
    | ('trial' | 'note');
  readonly fromMs: number;
  readonly toMs: number;
}

/** Later than anything, ms: what was said holds until somebody says otherwise. */
export const ONWARD_MS = 8_640_000_000_000_000;

/** What was taken back outside the journals of batches: named, never deleted. */
export function takenBackStore(db: Database) {
  const insert = write<[Gone & { readonly nowMs: number }]>(
    db,
    'INSERT INTO taken_back (id, kind, from_ms, to_ms, recorded_ms) VALUES (@id, @kind, @fromMs, @toMs, @nowMs)',
  );
  return { add: (gone: Gone, nowMs: number): void => void insert({ ...gone, nowMs }) };
}
export type TakenBackStore = ReturnType<typeof takenBackStore>;
