import { type Crop, CROPS, FigureError, kindsIn, oneOf, type OwnFigures, withOwn } from '@fresh-tuck/core/crops';
import type { Database } from '../db/database.js';
import { certain } from '../db/statements.js';
import { Problem } from '../http/problem.js';

const book = new Map(CROPS.map((crop) => [crop.id, crop]));

interface Version {
  readonly id: string;
  readonly crop_id: string;
  readonly book_id: string;
  readonly name: string | null;
  readonly figures: string;
  readonly removed: 0 | 1;
}

/** A crop as the household knows it, with what it rests on. */
export interface KnownCrop {
  readonly crop: Crop;
  /** The shipped entry below it. */
  readonly book: Crop;
  readonly own: OwnFigures;
  /** Whether it was added here, or is one of the book's. */
  readonly added: boolean;
  /** Changes with every saved figure. */
  readonly version: string;
}

/** The library with the household's own figures over it. */
export function cropStore(db: Database) {
  const NEWEST = 'v.rowid = (SELECT w.rowid FROM crop_version w WHERE w.crop_id = v.crop_id ORDER BY w.rowid DESC LIMIT 1)';
  const newest = db.prepare<unknown[], Version>(`SELECT * FROM crop_version v WHERE v.crop_id = ? AND ${NEWEST}`);
  const added = db.prepare<unknown[], Version>(`SELECT * FROM crop_version v WHERE v.crop_id <> v.book_id AND v.removed = 0 AND ${NEWEST}`);
  const insert = db.prepare(`
    INSERT INTO crop_version (id, crop_id, book_id, name, figures, removed, recorded_ms)
    VALUES (@id, @cropId, @bookId, @name, @figures, @removed, @nowMs)`);
  const used = db.prepare<unknown[], { count: number }>('SELECT count(*) AS count FROM packet WHERE crop_id = ?');
  const kept = new Map<string, KnownCrop>();

  function laid(version: Version): KnownCrop {
    const found = kept.get(version.id);
    if (found) return found;
    const shipped = book.get(version.book_id);
    // A crop that a later book no longer holds would leave its packets without one.
    if (!shipped) throw new Problem(500, 'Crop lost', `The library no longer holds "${version.book_id}".`);
    const own = JSON.parse(version.figures) as OwnFigures;
    const as = version.name === null ? {} : { id: version.crop_id, name: version.name };
    const known = { crop: withOwn(shipped, own, as), book: shipped, own, added: version.name !== null, version: version.id };
    kept.set(version.id, known);
    return known;
  }

  /** Seed of which only this is known, that it is one of several kinds. */
  function among(kinds: readonly KnownCrop[]): KnownCrop {
    const version = kinds.map((kind) => `${kind.crop.id} ${kind.version}`).join(' ');
    const found = kept.get(version);
    if (found) return found;
    const crop = oneOf(kinds.map((kind) => kind.crop));
    const fresh = { crop, book: crop, own: {}, added: false, version };
    kept.set(version, fresh);
    return fresh;
  }

  /** @throws Problem for an id that neither book nor household holds */
  function known(id: string): KnownCrop {
    const kinds = kindsIn(id);
    if (kinds) return among(kinds.map(known));
    const version = newest.get(id);
    if (version && (version.removed === 0 || version.name === null)) return laid(version);
    const shipped = book.get(id);
    if (!shipped || version) throw Problem.field('cropId', `cropId must be a crop of the library; "${id}" is none`);
    return { crop: shipped, book: shipped, own: {}, added: false, version: 'book' };
  }

  const list = (): KnownCrop[] => [...CROPS.map(({ id }) => known(id)), ...added.all().map(laid)];

  function checkName(name: string, exceptId: string): void {
    const taken = list().find(({ crop }) => crop.id !== exceptId && crop.name.toLowerCase() === name.toLowerCase());
    if (taken) throw Problem.field('name', `name must be new: there is a crop called ${taken.crop.name}`);
  }

  /** Refuses figures that cannot be, at the figure. */
  function check(shipped: Crop, own: OwnFigures): void {
    try {
      withOwn(shipped, own);
    } catch (error) {
      if (error instanceof FigureError) throw Problem.field(error.path, error.message);
      throw error;
    }
  }

  return {
    known,
    crop: (id: string): Crop => known(id).crop,
    list,
    /** A crop of one's own, laid on another's figures. */
    add(id: string, like: string, name: string, figures: OwnFigures, nowMs: number): void {
      const base = known(like);
      checkName(name, id);
      const own = { ...base.own, ...figures };
      check(base.book, own);
      insert.run({ id, cropId: id, bookId: base.book.id, name, figures: JSON.stringify(own), removed: 0, nowMs });
    },
    /** Sets all own figures of a crop; none is the book again. */
    set(id: string, cropId: string, name: string | null, figures: OwnFigures, nowMs: number): void {
      const before = known(cropId);
      if (!before.added && name !== null) throw Problem.field('name', 'name must be left out: a crop of the library keeps its name');
      const called = before.added ? (name ?? before.crop.name) : null;
      if (called !== null) checkName(called, cropId);
      check(before.book, figures);
      insert.run({ id, cropId, bookId: before.book.id, name: called, figures: JSON.stringify(figures), removed: 0, nowMs });
    },
    /** Takes a crop of one's own out of the library. @throws Problem while a packet is of it */
    remove(id: string, cropId: string, nowMs: number): void {
      const { added: own, book: shipped, crop } = known(cropId);
      if (!own) throw Problem.field('cropId', 'cropId must be a crop of your own: those of the library stay');
      const { count } = certain(used.get(cropId));
      if (count > 0)
        throw new Problem(
          409,
          'In use',
          `There ${count === 1 ? 'is a packet' : `are ${count} packets`} of ${crop.name}; it stays as long.`,
        );
      insert.run({ id, cropId, bookId: shipped.id, name: crop.name, figures: '{}', removed: 1, nowMs });
    },
  };
}
export type CropStore = ReturnType<typeof cropStore>;
