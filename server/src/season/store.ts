import { v5 as uuidFrom } from 'uuid';
import type { FrostRecordRequest, FrostWordRequest, Household, RoomRequest, SeasonActRequest, WishWords } from '@fresh-tuck/contract';
import { dayNumber, type DailyMinima } from '@fresh-tuck/core/season';
import type { Database } from '../db/database.js';
import { standing } from '../db/standing.js';
import { all, first, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';

/** A wish as it stands. */
export interface Wish {
  readonly wishId: string;
  readonly words: WishWords;
  /** The row that said so last: changes whenever the wish does. */
  readonly rowId: string;
}
interface WishRow {
  readonly id: string;
  readonly wish_id: string;
  readonly year: number;
  readonly told: string | null;
}
/** What frost is counted by, as it was said last. */
export interface FrostWord extends FrostWordRequest {
  /** The household's last frost before it and by it: put back where the word is taken back. */
  readonly before: Household['frost'];
  readonly by: Household['frost'];
}
interface RecordRow {
  readonly id: string;
  readonly name: string;
  readonly first_day: number;
  readonly minima: string;
}

/** Minima are kept in tenths of a degree. */
const TENTHS = 10;

/** What is wished for a season, how frost is counted, and how much stands under light. */
export function seasonPlanStore(db: Database) {
  const newest = `NOT EXISTS (SELECT 1 FROM wish_word later WHERE later.wish_id = w.wish_id AND later.rowid > w.rowid AND ${standing('later')})`;
  const ofYear = all<WishRow, [number]>(
    db,
    `SELECT id, wish_id, year, told FROM wish_word w WHERE year = ? AND ${standing('w')} AND ${newest} AND told IS NOT NULL ORDER BY
      (SELECT min(b.rowid) FROM wish_word b WHERE b.wish_id = w.wish_id)`,
  );
  const years = all<{ readonly year: number; readonly lots: number }, []>(
    db,
    `SELECT year, count(*) AS lots FROM wish_word w WHERE ${standing('w')} AND ${newest} AND told IS NOT NULL GROUP BY year ORDER BY year DESC`,
  );
  const insertWish = write<[{ id: string; actId: string; wishId: string; year: number; told: string | null; nowMs: number }]>(
    db,
    'INSERT INTO wish_word (id, act_id, wish_id, year, told, recorded_ms) VALUES (@id, @actId, @wishId, @year, @told, @nowMs)',
  );
  const ofAct = all<{ readonly id: string; readonly recorded_ms: number }, [string]>(
    db,
    `SELECT id, recorded_ms FROM wish_word w WHERE act_id = ? AND ${standing('w')}`,
  );
  const insertRecord = write<[{ id: string; name: string; firstDay: number; minima: string; nowMs: number }]>(
    db,
    'INSERT INTO frost_record (id, name, first_day, minima, recorded_ms) VALUES (@id, @name, @firstDay, @minima, @nowMs)',
  );
  const record = first<RecordRow, [string]>(db, `SELECT id, name, first_day, minima FROM frost_record r WHERE id = ? AND ${standing('r')}`);
  const insertFrost = write<[string, string, number]>(db, 'INSERT INTO frost_word (id, told, recorded_ms) VALUES (?, ?, ?)');
  const lastFrost = first<{ readonly id: string; readonly told: string }, []>(
    db,
    `SELECT id, told FROM frost_word w WHERE ${standing('w')} ORDER BY rowid DESC LIMIT 1`,
  );
  const insertRoom = write<[string, string, number | null, number]>(
    db,
    'INSERT INTO room_word (id, spot_id, cells, recorded_ms) VALUES (?, ?, ?, ?)',
  );
  const rooms = all<{ readonly spot_id: string; readonly cells: number | null }, []>(
    db,
    `SELECT spot_id, cells FROM room_word w WHERE ${standing('w')}
      AND NOT EXISTS (SELECT 1 FROM room_word later WHERE later.spot_id = w.spot_id AND later.rowid > w.rowid AND ${standing('later')})`,
  );
  const anyOf = first<{ readonly kind: string; readonly recorded_ms: number }, [string, string, string]>(
    db,
    `SELECT 'frost' AS kind, recorded_ms FROM frost_word w WHERE id = ? AND ${standing('w')}
      UNION ALL SELECT 'station', recorded_ms FROM frost_record r WHERE id = ? AND ${standing('r')}
      UNION ALL SELECT 'room', recorded_ms FROM room_word w WHERE id = ? AND ${standing('w')}`,
  );
  /** Minima are many: read once for as long as the record is the same. */
  let known: { readonly id: string; readonly minima: DailyMinima } | null = null;

  return {
    wishes: (year: number): Wish[] =>
      ofYear(year).map(({ id, wish_id, told }) => ({ wishId: wish_id, rowId: id, words: JSON.parse(told ?? '{}') as WishWords })),
    years: () => years(),
    say(
      {
        id,
        year,
        wishes,
      }: Pick<SeasonActRequest, 'id' | 'year'> & { readonly wishes: readonly { wishId: string; words: WishWords | null }[] },
      nowMs: number,
    ): void {
      wishes.forEach(({ wishId, words }, nth) =>
        insertWish({ id: uuidFrom(String(nth), id), actId: id, wishId, year, told: words && JSON.stringify(words), nowMs }),
      );
    },
    /** What an act said and that stands. */
    ofAct: (actId: string): { readonly id: string; readonly atMs: number }[] =>
      ofAct(actId).map(({ id, recorded_ms }) => ({ id, atMs: recorded_ms })),
    addRecord({ id, name, first: firstDay, celsius }: FrostRecordRequest, nowMs: number): void {
      const minima = JSON.stringify(celsius.map((value) => (value === null ? null : Math.round(value * TENTHS))));
      insertRecord({ id, name, firstDay: dayNumber(firstDay), minima, nowMs });
    },
    /** A station's nights; null where there is no such record, or it was taken back. */
    record(id: string): { readonly id: string; readonly name: string; readonly minima: DailyMinima } | null {
      const row = record(id);
      if (!row) return null;
      if (known?.id !== id) {
        const tenths = JSON.parse(row.minima) as (number | null)[];
        known = { id, minima: { first: row.first_day, celsius: tenths.map((value) => (value === null ? null : value / TENTHS)) } };
      }
      return { id, name: row.name, minima: known.minima };
    },
    sayFrost({ id, ...told }: FrostWord, nowMs: number): void {
      insertFrost(id, JSON.stringify(told), nowMs);
    },
    frost(): FrostWord | null {
      const row = lastFrost();
      return row ? { id: row.id, ...(JSON.parse(row.told) as Omit<FrostWord, 'id'>) } : null;
    },
    sayRoom: ({ id, spotId, cells }: RoomRequest, nowMs: number): void => void insertRoom(id, spotId, cells, nowMs),
    rooms: (): ReadonlyMap<string, number | null> => new Map(rooms().map(({ spot_id, cells }) => [spot_id, cells])),
    /** A word about frost, a station's record or a room, to be taken back. @throws Problem where none stands */
    recordOf(id: string): { readonly kind: 'frost' | 'station' | 'room'; readonly atMs: number } {
      const row = anyOf(id, id, id);
      if (!row) throw Problem.unknown('word of the season');
      return { kind: row.kind as 'frost' | 'station' | 'room', atMs: row.recorded_ms };
    },
  };
}
export type SeasonPlanStore = ReturnType<typeof seasonPlanStore>;
