import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';

/** Photographs of looks, in the household's own database. */
export function photoStore(db: Database) {
  const insert = db.prepare('INSERT INTO photo (id, entry_id, type, bytes, recorded_ms) VALUES (?, ?, ?, ?, ?)');
  const one = db.prepare('SELECT type, bytes FROM photo WHERE id = ?');
  const look = db.prepare('SELECT entry_id FROM look WHERE entry_id = ?');
  return {
    get(id: string): { readonly type: string; readonly bytes: Buffer } {
      const photo = one.get(id) as { type: string; bytes: Buffer } | undefined;
      if (!photo) throw Problem.unknown('photograph');
      return photo;
    },
    /** @throws Problem where there is no such look */
    add(id: string, lookId: string, type: string, bytes: Buffer, nowMs: number): void {
      if (!look.get(lookId)) throw Problem.unknown('look');
      insert.run(id, lookId, type, bytes, nowMs);
    },
  };
}
