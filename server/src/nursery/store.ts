import type { BatchWithJournal, Seedling, SeedlingRequest } from '@fresh-tuck/contract';
import type { CropStore } from '../crops/store.js';
import type { Database } from '../db/database.js';
import { bedOf, closed, counting, happened, untucked, wentTo } from '../db/standing.js';
import { certain } from '../db/statements.js';
import { Problem } from '../http/problem.js';

interface CupRow {
  readonly number: number;
  readonly planted: 0 | 1;
  readonly batchId: string;
  readonly batchNumber: number;
  readonly cropId: string;
  readonly variety: string;
  readonly destination: string;
  readonly bedId: string | null;
  readonly bedName: string | null;
  readonly atMs: number;
}

interface EventRow {
  readonly id: string;
  readonly kind: 'stage' | 'lost' | 'given';
  readonly stage: string | null;
  readonly why: string | null;
  readonly at_ms: number;
}

/** A seedling by its label alone: the stage that was said last, and whether it is gone. */
export interface Standing {
  readonly number: number;
  readonly stage: string;
  readonly gone: 0 | 1;
}

/** Stages from which few are lost. Common practice, no source. */
const PAST_DANGER = ['true_leaves', 'planted_out', 'ripe'];

/** Seedlings by their labels, and what became of them. */
export function nurseryStore(db: Database, crops: CropStore) {
  const COUNTING = `${counting('e')} AND NOT ${untucked('e.batch_id')}`;
  /** An event that nobody took back. */
  const STANDS = 'NOT EXISTS (SELECT 1 FROM seedling_event u WHERE u.supersedes = s.id)';
  const STAGE = `coalesce((SELECT s.stage FROM seedling_event s WHERE s.cup_number = c.number AND s.kind = 'stage' AND ${STANDS}
    ORDER BY s.at_ms DESC, s.rowid DESC LIMIT 1), 'moved')`;
  const GONE = (kinds: string): string =>
    `EXISTS (SELECT 1 FROM seedling_event s WHERE s.cup_number = c.number AND s.kind IN (${kinds}) AND ${STANDS})`;

  const one = db.prepare<unknown[], CupRow>(`
    SELECT c.number, c.planted, b.id AS batchId, b.number AS batchNumber, p.crop_id AS cropId, p.variety,
      ${wentTo('m')} AS destination, bed.id AS bedId, bed.name AS bedName, ${happened('e')} AS atMs
    FROM cup c JOIN entry e ON e.id = c.entry_id JOIN move m ON m.entry_id = e.id
      JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id LEFT JOIN bed ON bed.id = ${bedOf('m')}
    WHERE c.number = ? AND ${COUNTING}`);
  const events = db.prepare<unknown[], EventRow>(`
    SELECT s.id, s.kind, s.stage, s.why, s.at_ms FROM seedling_event s WHERE s.cup_number = ? AND s.kind <> 'undo' AND ${STANDS} ORDER BY s.at_ms, s.rowid`);
  const standing = db.prepare<unknown[], Standing>(`
    SELECT c.number, ${STAGE} AS stage, ${GONE("'lost', 'given'")} AS gone
    FROM cup c JOIN entry e ON e.id = c.entry_id WHERE ${COUNTING} ORDER BY c.number`);
  const inSlots = db.prepare<unknown[], { count: number }>(`
    SELECT count(*) AS count FROM move m JOIN entry e ON e.id = m.entry_id JOIN cup c ON c.entry_id = m.entry_id
    WHERE ${wentTo('m')} = 'slot' AND ${COUNTING} AND NOT ${GONE("'lost', 'given'")}`);
  // Slots that seed was started in, and that is not closed yet.
  const sown = db.prepare<unknown[], { count: number }>(`
    SELECT coalesce(sum(coalesce(c.places, b.seeds)), 0) AS count FROM batch b JOIN carrier c ON c.batch_id = b.id
    WHERE b.method = 'pod' AND NOT ${closed('b.id')} AND NOT ${untucked('b.id')}`);
  const insert = db.prepare(`
    INSERT INTO seedling_event (id, cup_number, kind, stage, why, at_ms, recorded_ms, supersedes)
    VALUES (@id, @number, @kind, @stage, @why, @atMs, @nowMs, @supersedes)`);
  // Sprouts moved and snapped on the way, by crop: what the start count learns from.
  const handled = db.prepare<unknown[], { moved: number; snapped: number }>(`
    SELECT coalesce(sum((SELECT count(*) FROM cup c WHERE c.entry_id = m.entry_id AND c.planted = 0)), 0) AS moved,
      coalesce(sum(m.snapped), 0) AS snapped
    FROM packet p JOIN batch b ON b.packet_id = p.id JOIN entry e ON e.batch_id = b.id JOIN move m ON m.entry_id = e.id
    WHERE p.crop_id = ? AND ${COUNTING}`);
  // How sprouts that had rooted into the paper came out, and what became of the labels of moves that were all of one kind.
  const PAST = `(${GONE("'given'")} OR ${STAGE} IN (${PAST_DANGER.map((stage) => `'${stage}'`).join(', ')}))`;
  const fate = (kind: 'freed' | 'patched', other: 'freed' | 'patched', what: string): string =>
    `coalesce(sum((SELECT count(*) FROM cup c WHERE c.entry_id = m.entry_id AND m.${kind} > 0 AND m.${other} = 0 AND ${what})), 0)`;
  const rooted = db.prepare<unknown[], BatchWithJournal['rooted']>(`
    SELECT coalesce(sum(m.freed), 0) AS freed, coalesce(sum(m.patched), 0) AS patched, coalesce(sum(m.snapped), 0) AS snapped,
      ${fate('freed', 'patched', `NOT ${GONE("'lost'")} AND ${PAST}`)} AS freedLived, ${fate('freed', 'patched', GONE("'lost'"))} AS freedLost,
      ${fate('patched', 'freed', `NOT ${GONE("'lost'")} AND ${PAST}`)} AS patchedLived, ${fate('patched', 'freed', GONE("'lost'"))} AS patchedLost
    FROM packet p JOIN batch b ON b.packet_id = p.id JOIN entry e ON e.batch_id = b.id JOIN move m ON m.entry_id = e.id
    WHERE p.crop_id = ? AND m.freed + m.patched + m.snapped > 0 AND ${COUNTING}`);
  const fates = db.prepare<unknown[], { destination: string; lived: number; lost: number }>(`
    SELECT destination, sum(lost) AS lost, sum(NOT lost AND (given OR stage IN (${PAST_DANGER.map((stage) => `'${stage}'`).join(', ')}))) AS lived
    FROM (SELECT ${wentTo('m')} AS destination, ${STAGE} AS stage, ${GONE("'lost'")} AS lost, ${GONE("'given'")} AS given
      FROM packet p JOIN batch b ON b.packet_id = p.id JOIN entry e ON e.batch_id = b.id JOIN move m ON m.entry_id = e.id
        JOIN cup c ON c.entry_id = e.id AND c.planted = 0
      WHERE p.crop_id = ? AND ${COUNTING})
    GROUP BY destination`);

  function find(number: number): Seedling | null {
    const cup = one.get(number);
    if (!cup) return null;
    const own = events.all(number);
    const stage = own.findLast(({ kind }) => kind === 'stage');
    const gone = own.findLast(({ kind }) => kind === 'lost' || kind === 'given');
    return {
      number: cup.number,
      batchId: cup.batchId,
      batchNumber: cup.batchNumber,
      title: `${crops.crop(cup.cropId).name}, ${cup.variety}`,
      cropId: cup.cropId,
      destination: cup.destination,
      bedName: cup.bedName,
      proved: cup.planted === 0,
      movedMs: cup.atMs,
      stage: stage?.stage ?? 'moved',
      stageMs: stage?.at_ms ?? cup.atMs,
      gone: gone ? { kind: gone.kind as 'lost' | 'given', why: gone.why, atMs: gone.at_ms } : null,
      events: own.map(({ id, kind, stage: said, why, at_ms }) => ({ id, kind, stage: said, why, atMs: at_ms })),
    };
  }

  function get(number: number): Seedling {
    const found = find(number);
    if (!found) throw new Problem(404, 'Not found', 'There is no seedling with this label.');
    return found;
  }
  return {
    get,
    /** How every seedling stands, by its label. */
    standing: () => standing.all(),
    /** What a label's seedling is; null where no seedling wears it. */
    titleOf: (number: number): { batchId: string; title: string } | null => (Number.isSafeInteger(number) ? find(number) : null),
    /** Soilless slots that hold a living seedling, or seed that was started in them. */
    inSlots: (): number => certain(inSlots.get()).count + certain(sown.get()).count,
    /** What was said of a label's seedling so far. */
    told: (number: number): { readonly marks: number; readonly out: boolean } => {
      const own = events.all(number);
      return { marks: own.length, out: own.some(({ stage }) => stage === 'planted_out') };
    },
    /** @param atMs when it was seen */
    add(number: number, { id, kind, stage = null, why = null }: SeedlingRequest, atMs: number, nowMs: number): void {
      const seedling = get(number);
      if (seedling.gone) throw Problem.field('kind', `label ${number} is ${seedling.gone.kind} already; undo that first`);
      if (atMs < seedling.movedMs) throw Problem.field('at', 'at must not lie before it was moved');
      const later = seedling.events.find((event) => event.atMs > atMs);
      if (later && kind !== 'stage') throw Problem.field('at', 'at must not lie before what was said of it since; undo that first');
      insert.run({ id, number, kind, stage, why, atMs, nowMs, supersedes: null });
    },
    /** Anything that was said of it, not only the last. */
    undo(number: number, id: string, entryId: string, nowMs: number): void {
      if (!get(number).events.some((event) => event.id === entryId))
        throw Problem.field('entryId', 'entryId must be something that was said of this seedling and still counts');
      insert.run({ id, number, kind: 'undo', stage: null, why: null, atMs: nowMs, nowMs, supersedes: entryId });
    },
    /**
     * Seedlings of a crop by where they were moved to: those past danger (a true leaf, planted
     * out, given away) and those lost. The ones in between tell nothing yet.
     */
    fates: (cropId: string): Record<string, { lived: number; lost: number }> =>
      Object.fromEntries(fates.all(cropId).map(({ destination, lived, lost }) => [destination, { lived, lost }])),
    /** Sprouts of a crop that had rooted into the paper, how they came out and fared. */
    rooted: (cropId: string): BatchWithJournal['rooted'] => certain(rooted.get(cropId)),
    /** Sprouts of a crop that were moved, and that snapped on the way. */
    handled: (cropId: string): { moved: number; snapped: number } => certain(handled.get(cropId)),
  };
}
export type NurseryStore = ReturnType<typeof nurseryStore>;
