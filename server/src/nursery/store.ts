import type { Seedling, SeedlingRequest } from '@fresh-tuck/contract';
import type { CropStore } from '../crops/store.js';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';

interface CupRow {
  readonly number: number;
  readonly seed: number | null;
  readonly planted: 0 | 1;
  readonly batchId: string;
  readonly batchNumber: number;
  readonly cropId: string;
  readonly variety: string;
  readonly destination: string;
  readonly bedName: string | null;
  readonly atMs: number;
}

interface EventRow {
  readonly id: string;
  readonly cup_number: number;
  readonly kind: 'stage' | 'lost' | 'given' | 'undo';
  readonly stage: string | null;
  readonly why: string | null;
  readonly at_ms: number;
  readonly supersedes: string | null;
}

/** Stages from which few are lost. Common practice, no source. */
const PAST_DANGER = ['true_leaves', 'planted_out', 'ripe'];

/** Seedlings by their labels, and what became of them. */
export function nurseryStore(db: Database, crops: CropStore) {
  const COUNTING = 'NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id)';
  const cups = db.prepare(`
    SELECT c.number, c.seed, c.planted, b.id AS batchId, b.number AS batchNumber, p.crop_id AS cropId, p.variety,
      m.destination, bed.name AS bedName, e.at_ms AS atMs
    FROM cup c JOIN entry e ON e.id = c.entry_id JOIN move m ON m.entry_id = e.id
      JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id LEFT JOIN bed ON bed.id = m.bed_id
    WHERE ${COUNTING} ORDER BY c.number`);
  const events = db.prepare('SELECT * FROM seedling_event ORDER BY recorded_ms, rowid');
  const insert = db.prepare(`
    INSERT INTO seedling_event (id, cup_number, kind, stage, why, at_ms, recorded_ms, supersedes)
    VALUES (@id, @number, @kind, @stage, @why, @nowMs, @nowMs, @supersedes)`);
  // Sprouts moved and snapped on the way, by crop: what the start count learns from.
  const handled = db.prepare(`
    SELECT p.crop_id AS cropId, sum((SELECT count(*) FROM cup c WHERE c.entry_id = m.entry_id AND c.planted = 0)) AS moved, sum(m.snapped) AS snapped
    FROM move m JOIN entry e ON e.id = m.entry_id JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id
    WHERE ${COUNTING} GROUP BY p.crop_id`);

  function list(): Seedling[] {
    const all = events.all() as EventRow[];
    const undone = new Set(all.flatMap(({ supersedes }) => (supersedes ? [supersedes] : [])));
    const byCup = new Map<number, EventRow[]>();
    for (const event of all) {
      if (event.kind !== 'undo' && !undone.has(event.id)) byCup.set(event.cup_number, [...(byCup.get(event.cup_number) ?? []), event]);
    }
    return (cups.all() as CupRow[]).map((cup) => {
      const own = byCup.get(cup.number) ?? [];
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
        lastEventId: own.at(-1)?.id ?? null,
      };
    });
  }

  const get = (number: number): Seedling => {
    const found = list().find((one) => one.number === number);
    if (!found) throw new Problem(404, 'Not found', 'There is no seedling with this label.');
    return found;
  };
  return {
    list,
    get,
    add(number: number, { id, kind, stage, why }: SeedlingRequest, nowMs: number): void {
      const seedling = get(number);
      if (seedling.gone) throw Problem.field('kind', `kind: label ${number} is ${seedling.gone.kind} already; undo that first`);
      insert.run({ id, number, kind, stage, why, nowMs, supersedes: null });
    },
    undo(number: number, id: string, entryId: string, nowMs: number): void {
      if (get(number).lastEventId !== entryId) throw Problem.field('entryId', 'entryId must be the last thing said of this seedling');
      insert.run({ id, number, kind: 'undo', stage: null, why: null, nowMs, supersedes: entryId });
    },
    /**
     * Seedlings of a crop by where they were moved to: those past danger (a true leaf, planted
     * out, given away) and those lost. The ones in between tell nothing yet.
     */
    fates(cropId: string): Record<string, { lived: number; lost: number }> {
      const fates: Record<string, { lived: number; lost: number }> = {};
      for (const { cropId: crop, destination, gone, proved, stage } of list()) {
        if (crop !== cropId || !proved) continue;
        const lost = gone?.kind === 'lost';
        const lived = !lost && (gone?.kind === 'given' || PAST_DANGER.includes(stage));
        const fate = (fates[destination] ??= { lived: 0, lost: 0 });
        if (lost) fate.lost++;
        if (lived) fate.lived++;
      }
      return fates;
    },
    /** Sprouts of a crop that were moved, and that snapped on the way. */
    handled: (cropId: string): { moved: number; snapped: number } => {
      const row = (handled.all() as { cropId: string; moved: number; snapped: number }[]).find((one) => one.cropId === cropId);
      return { moved: row?.moved ?? 0, snapped: row?.snapped ?? 0 };
    },
  };
}
export type NurseryStore = ReturnType<typeof nurseryStore>;
