import { createHash, randomBytes } from 'node:crypto';
import type { Database } from '../db/database.js';
import { all, first, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';
import type { Entry } from './entry.js';

/** An entry as it is told: how often it changed, and when last. */
export interface Told extends Entry {
  readonly sequence: number;
  readonly changedMs: number;
}
interface FeedRow {
  readonly id: string;
  readonly name: string;
  readonly made_ms: number;
  readonly withdrawn_ms: number | null;
}

const sha = (text: string): string => createHash('sha256').update(text).digest('hex');

/** Addresses at which calendars read, and what was told of each entry last. */
export function calendarStore(db: Database) {
  const insert = write<[{ id: string; name: string; digest: string; nowMs: number }]>(
    db,
    'INSERT INTO calendar_feed (id, name, token_digest, made_ms) VALUES (@id, @name, @digest, @nowMs)',
  );
  const feeds = all<FeedRow, []>(
    db,
    'SELECT id, name, made_ms, withdrawn_ms FROM calendar_feed WHERE withdrawn_ms IS NULL ORDER BY made_ms',
  );
  const byToken = first<FeedRow, [string]>(db, 'SELECT id, name, made_ms, withdrawn_ms FROM calendar_feed WHERE token_digest = ?');
  const withdraw = write<[number, string]>(db, 'UPDATE calendar_feed SET withdrawn_ms = ? WHERE id = ? AND withdrawn_ms IS NULL');
  const known = first<{ digest: string; sequence: number; changed_ms: number }, [string]>(
    db,
    'SELECT digest, sequence, changed_ms FROM calendar_entry WHERE uid = ?',
  );
  const put = write<[{ uid: string; digest: string; sequence: number; nowMs: number }]>(
    db,
    `INSERT INTO calendar_entry (uid, digest, sequence, changed_ms) VALUES (@uid, @digest, @sequence, @nowMs)
      ON CONFLICT (uid) DO UPDATE SET digest = excluded.digest, sequence = excluded.sequence, changed_ms = excluded.changed_ms`,
  );
  return {
    /** @returns the token of a new address, which is told once */
    add(id: string, name: string, nowMs: number): string {
      const token = randomBytes(24).toString('base64url');
      insert({ id, name, digest: sha(token), nowMs });
      return token;
    },
    list: () => feeds().map(({ id, name, made_ms }) => ({ id, name, madeMs: made_ms })),
    withdraw(id: string, nowMs: number): void {
      if (withdraw(nowMs, id) === 0) throw Problem.unknown('calendar address');
    },
    /** @throws Problem where the address lets nobody in */
    letIn(token: string): void {
      const row = byToken(sha(token));
      if (!row) throw Problem.unknown('calendar at this address');
      if (row.withdrawn_ms !== null)
        throw new Problem(410, 'Withdrawn', `The address of ${row.name} was withdrawn. Make a new one in House and put it in its place.`);
    },
    /** Entries with their sequence: what reads otherwise than when it was told last has been changed once more. */
    tell: (entries: readonly Entry[], nowMs: number): Told[] =>
      entries.map((entry) => {
        const digest = sha(JSON.stringify([entry.fromMs, entry.toMs, entry.heading, entry.text]));
        const before = known(entry.uid);
        if (before?.digest === digest) return { ...entry, sequence: before.sequence, changedMs: before.changed_ms };
        const sequence = before ? before.sequence + 1 : 0;
        put({ uid: entry.uid, digest, sequence, nowMs });
        return { ...entry, sequence, changedMs: nowMs };
      }),
  };
}
export type CalendarStore = ReturnType<typeof calendarStore>;
