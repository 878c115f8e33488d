import { createHash } from 'node:crypto';
import type { Clock } from '../clock.js';
import type { Database } from '../db/database.js';
import type { Changes } from './events.js';
import { Problem } from './problem.js';

/** Runs a request that changes something: once, whole, and known again when repeated. */
export type Act = <T>(kind: string, body: { readonly id: string; readonly [field: string]: unknown }, change: (nowMs: number) => T) => T;

/** Acts that change nothing anybody sees: open screens need not ask again. */
const QUIET: ReadonlySet<string> = new Set(['shown']);

/**
 * One transaction an action. The same id with the same body again returns the
 * first reply; with another body it is a conflict. Open screens are told after
 * the commit, never before.
 */
export function actIn(db: Database, clock: Clock, changes: Changes): Act {
  const find = db.prepare<unknown[], { hash: string; reply: string }>('SELECT body_hash AS hash, reply FROM act WHERE id = ?');
  const keep = db.prepare('INSERT INTO act (id, kind, body_hash, recorded_ms, reply) VALUES (?, ?, ?, ?, ?)');
  return (kind, body, change) => {
    const hash = createHash('sha256')
      .update(`${kind}\n${JSON.stringify(body)}`)
      .digest('hex');
    const run = db.transaction(() => {
      const before = find.get(body.id);
      if (before) {
        if (before.hash !== hash) {
          throw new Problem(409, 'Already used', 'This id was already used for something else.', [
            { field: 'id', message: 'id must be new for a new request' },
          ]);
        }
        return { reply: JSON.parse(before.reply) as ReturnType<typeof change>, changed: false };
      }
      const nowMs = clock.now();
      const reply = change(nowMs);
      keep.run(body.id, kind, hash, nowMs, JSON.stringify(reply ?? null));
      return { reply, changed: true };
    });
    const { reply, changed } = run.immediate();
    if (changed && !QUIET.has(kind)) changes.tell();
    return reply;
  };
}
