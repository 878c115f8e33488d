import type { Database } from '../db/database.js';
import { certain } from '../db/statements.js';
import { Problem } from '../http/problem.js';
import type { PhotoFiles } from './files.js';

export interface PhotoRow {
  readonly id: string;
  readonly type: string;
  /** SHA-256 of its bytes: the name of its file. */
  readonly content: string;
  readonly size: number;
}

/** A look is told by a few pictures; more is an album. */
export const MOST_PHOTOS = 4;

/** Which photographs there are; their bytes are files. */
export function photoStore(db: Database) {
  const insert = db.prepare('INSERT INTO photo (id, entry_id, type, content, size, recorded_ms) VALUES (?, ?, ?, ?, ?, ?)');
  const one = db.prepare<unknown[], PhotoRow>(
    'SELECT id, type, content, size FROM photo WHERE id = @id UNION ALL SELECT id, type, content, size FROM note_photo WHERE id = @id',
  );
  const all = db.prepare<unknown[], PhotoRow>(
    'SELECT id, type, content, size FROM photo UNION ALL SELECT id, type, content, size FROM note_photo',
  );
  const inside = db.prepare<unknown[], { type: string; bytes: Buffer }>('SELECT type, bytes FROM photo_inside WHERE id = ?');
  const look = db.prepare('SELECT entry_id FROM look WHERE entry_id = ?');
  const count = db.prepare<unknown[], { count: number }>(`
    SELECT (SELECT count(*) FROM photo WHERE entry_id = @lookId AND id <> @id)
      + (SELECT count(*) FROM photo_inside WHERE entry_id = @lookId AND id <> @id) AS count`);
  const insertOfNote = db.prepare('INSERT INTO note_photo (id, note_id, type, content, size, recorded_ms) VALUES (?, ?, ?, ?, ?, ?)');
  const countOfNote = db.prepare<unknown[], { count: number }>(
    'SELECT count(*) AS count FROM note_photo WHERE note_id = @noteId AND id <> @id',
  );
  const nextInside = db.prepare<unknown[], { id: string; entry_id: string; type: string; bytes: Buffer; recorded_ms: number }>(
    'SELECT id, entry_id, type, bytes, recorded_ms FROM photo_inside ORDER BY rowid LIMIT 1',
  );
  const forgetInside = db.prepare('DELETE FROM photo_inside WHERE id = ?');
  const countInside = db.prepare<unknown[], { count: number }>('SELECT count(*) AS count FROM photo_inside');
  return {
    /** @throws Problem where there is no such photograph */
    get(id: string): PhotoRow | { readonly type: string; readonly bytes: Buffer } {
      const photo = one.get({ id }) ?? inside.get(id);
      if (!photo) throw Problem.unknown('photograph');
      return photo;
    },
    all: () => all.all(),
    /** Photographs that still lie inside the database. */
    inside: (): number => certain(countInside.get()).count,
    /** @throws Problem where there is no such look, or it has its pictures already */
    check(id: string, lookId: string): void {
      if (!look.get(lookId)) throw Problem.unknown('look');
      if (certain(count.get({ id, lookId })).count >= MOST_PHOTOS)
        throw Problem.field('photo', `photo must be one of at most ${MOST_PHOTOS} of a look; this one has so many`);
    },
    add(photo: PhotoRow, lookId: string, nowMs: number): void {
      insert.run(photo.id, lookId, photo.type, photo.content, photo.size, nowMs);
    },
    /** @throws Problem where a note has its pictures already */
    checkNote(id: string, noteId: string): void {
      if (certain(countOfNote.get({ id, noteId })).count >= MOST_PHOTOS)
        throw Problem.field('photo', `photo must be one of at most ${MOST_PHOTOS} of a note; this one has so many`);
    },
    addToNote(photo: PhotoRow, noteId: string, nowMs: number): void {
      insertOfNote.run(photo.id, noteId, photo.type, photo.content, photo.size, nowMs);
    },
    /** Moves one photograph out of the database into its file. @returns whether there was one */
    async moveOne(files: PhotoFiles): Promise<boolean> {
      const row = nextInside.get();
      if (!row) return false;
      const content = await files.put(row.bytes, row.type);
      db.transaction(() => {
        if (forgetInside.run(row.id).changes > 0) insert.run(row.id, row.entry_id, row.type, content, row.bytes.length, row.recorded_ms);
      }).immediate();
      return true;
    },
  };
}
export type PhotoStore = ReturnType<typeof photoStore>;
