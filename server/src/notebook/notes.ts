import type { NoteWords } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { counting, happened, standing, untucked } from '../db/standing.js';
import { all, first, value, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';

/** A line of what was written: a note of its own, or one at a line of a journal. */
export interface NoteRow {
  readonly id: string;
  readonly kind: 'note' | 'look';
  /** When it is about: a calendar day for a note, ms for a look. */
  readonly day: string | null;
  readonly at_ms: number;
  readonly text: string;
  readonly batch_id: string | null;
  readonly crop_id: string | null;
  readonly who: string | null;
}
/** Which notes are asked for. */
export interface NotesWanted {
  /** A word that each must hold, or the crop or batch it is about; null for any. */
  readonly words: string | null;
  /** Crops whose name holds the word. */
  readonly crops: readonly string[];
  readonly batchId: string | null;
  readonly cropId: string | null;
  readonly from: number;
  readonly most: number;
}

/** Notes by date, batch and crop; what was noted at looks stands among them. */
export function noteStore(db: Database) {
  const insert = write<[{ id: string; noteId: string; told: string | null; nowMs: number }]>(
    db,
    'INSERT INTO note_word (id, note_id, told, recorded_ms) VALUES (@id, @noteId, @told, @nowMs)',
  );
  const last = first<{ readonly id: string; readonly told: string | null; readonly recorded_ms: number }, [string]>(
    db,
    `SELECT id, told, recorded_ms FROM note_word w WHERE note_id = ? AND ${standing('w')} ORDER BY rowid DESC LIMIT 1`,
  );
  const newest = `NOT EXISTS (SELECT 1 FROM note_word later WHERE later.note_id = w.note_id AND later.rowid > w.rowid AND ${standing('later')})`;
  const both = `
    SELECT w.note_id AS id, 'note' AS kind, w.told ->> 'day' AS day, 1000 * unixepoch(w.told ->> 'day') + 43200000 AS at_ms,
        w.told ->> 'text' AS text, w.told ->> 'batchId' AS batch_id, coalesce(p.crop_id, w.told ->> 'cropId') AS crop_id, NULL AS who,
        b.number AS number, p.variety AS variety, w.recorded_ms AS recorded_ms
      FROM note_word w LEFT JOIN batch b ON b.id = w.told ->> 'batchId' LEFT JOIN packet p ON p.id = b.packet_id
      WHERE ${standing('w')} AND ${newest} AND w.told IS NOT NULL
    UNION ALL
    SELECT e.id, 'look', NULL, ${happened('e')}, e.note, e.batch_id, p.crop_id, e.who, b.number, p.variety, e.recorded_ms
      FROM entry e JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id
      WHERE e.note IS NOT NULL AND ${counting('e')} AND NOT ${untucked('e.batch_id')}`;
  const wanted = `(@batchId IS NULL OR batch_id = @batchId) AND (@cropId IS NULL OR crop_id = @cropId)
    AND (@words IS NULL OR instr(lower(text), @words) > 0 OR instr(lower(coalesce(variety, '')), @words) > 0 OR CAST(number AS TEXT) = @words
      OR crop_id IN (SELECT value FROM json_each(@crops)))`;
  type Asked = { words: string | null; crops: string; batchId: string | null; cropId: string | null; from: number; most: number };
  const rows = all<NoteRow, [Asked]>(
    db,
    `SELECT id, kind, day, at_ms, text, batch_id, crop_id, who FROM (${both}) WHERE ${wanted}
      ORDER BY at_ms DESC, recorded_ms DESC LIMIT @most OFFSET @from`,
  );
  const count = value<number, [Asked]>(db, `SELECT count(*) FROM (${both}) WHERE ${wanted} AND @from >= 0 AND @most >= 0`);
  const pictures = all<{ readonly id: string }, [{ id: string }]>(
    db,
    'SELECT id FROM note_photo WHERE note_id = @id UNION ALL SELECT id FROM photo WHERE entry_id = @id',
  );
  const asAsked = ({ words, crops, batchId, cropId, from, most }: NotesWanted): Asked => ({
    ...{ words: words === null ? null : words.toLowerCase(), crops: JSON.stringify(crops), batchId, cropId, from, most },
  });
  return {
    get(noteId: string): NoteWords {
      const found = last(noteId);
      if (!found || found.told === null) throw Problem.unknown('note');
      return JSON.parse(found.told) as NoteWords;
    },
    /** The last that was said of a note, be it that it was taken out. */
    last: (noteId: string): { readonly id: string; readonly atMs: number } | null => {
      const found = last(noteId);
      return found ? { id: found.id, atMs: found.recorded_ms } : null;
    },
    say: (id: string, noteId: string, words: NoteWords | null, nowMs: number): void =>
      void insert({ id, noteId, told: words && JSON.stringify(words), nowMs }),
    list: (asked: NotesWanted): NoteRow[] => rows(asAsked(asked)),
    count: (asked: NotesWanted): number => count(asAsked(asked)) ?? 0,
    photosOf: (id: string): string[] => pictures({ id }).map((photo) => photo.id),
  };
}
export type NoteStore = ReturnType<typeof noteStore>;
