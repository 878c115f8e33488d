import { PARTINGS, type Role } from '@fresh-tuck/contract';
import type { Destination } from '@fresh-tuck/core/moving';
import { afterPotting, reached, type SeedlingStage, type TrayPlant } from '@fresh-tuck/core/nursing';
import type { Database } from '../db/database.js';
import { bedOf, happened, wentTo } from '../db/standing.js';
import { all, value } from '../db/statements.js';
import { Problem } from '../http/problem.js';
import { MOVED, said, STAGE_AT_FIRST } from './standing.js';

interface Row {
  readonly number: number;
  readonly planted: 0 | 1;
  readonly batchId: string;
  readonly batchNumber: number;
  readonly wanted: number | null;
  readonly cropId: string;
  readonly variety: string;
  readonly destination: Destination;
  readonly bedId: string | null;
  readonly perPot: number;
  /** The first label of its move. */
  readonly firstNumber: number;
  readonly movedMs: number;
  readonly atFirst: SeedlingStage;
}
interface EventRow {
  readonly number: number;
  readonly kind: string;
  readonly stage: SeedlingStage | null;
  readonly told: string | null;
  readonly act_id: string | null;
  readonly at_ms: number;
}

/** A seedling of a tray with what it is kept as. */
export interface StandingPlant extends TrayPlant {
  readonly stage: SeedlingStage;
  readonly role: Role | null;
  readonly grade: number | null;
  /** The first label of its pot where several went into one; null where it stands alone. */
  readonly pot: number | null;
  /** Its last photograph; null where there is none. */
  readonly photoId: string | null;
  /** Its place in a rack; null where it has none. */
  readonly slot: { readonly rackId: string; readonly slot: number } | null;
  /** Where it grows on; null where it is in no bed, or nobody said in which. */
  readonly bedId: string | null;
}

/** Seedlings of one batch that stand together in the same kind of thing. */
export interface StandingTray {
  /** Of their batch, or of the act that put them together. */
  readonly id: string;
  readonly batchId: string;
  readonly batchNumber: number;
  /** Plants that its batch was begun for; null where nobody said. */
  readonly wanted: number | null;
  readonly cropId: string;
  readonly variety: string;
  readonly destination: Destination;
  readonly bedId: string | null;
  readonly movedMs: number;
  readonly pottedMs: number | null;
  readonly last: boolean;
  readonly plants: readonly StandingPlant[];
}

/** What was said of a seedling, as it stands now. */
function plantOf(row: Row, events: readonly EventRow[]) {
  const told = events.map((event) => ({ ...event, said: event.told === null ? {} : (JSON.parse(event.told) as Record<string, unknown>) }));
  const last = (kind: string) => told.findLast((event) => event.kind === kind);
  const potted = last('potted');
  const marks = afterPotting(
    [
      ...(reached(row.atFirst, 'up') ? [{ stage: row.atFirst, atMs: row.movedMs }] : []),
      ...events.flatMap(({ stage, at_ms }) => (stage === null ? [] : [{ stage, atMs: at_ms }])),
    ],
    potted?.at_ms ?? null,
  );
  const apart = told.findLast(({ kind }) => kind === 'potted' || kind === 'together');
  const out = told.findLast(({ stage }) => stage === 'planted_out');
  const slotted = told.findLast(({ kind }) => kind === 'potted' || kind === 'slotted');
  return {
    // Potted on, they stand apart from those they stood with, under the act that did it.
    trayId: (apart?.kind === 'together' ? (apart.said['trayId'] as string) : apart?.act_id) ?? row.batchId,
    destination: (potted?.said['destination'] as Destination | undefined) ?? row.destination,
    last: potted?.said['last'] === true,
    pottedMs: potted?.at_ms ?? null,
    plant: {
      number: row.number,
      proved: row.planted === 0,
      movedMs: row.movedMs,
      marks,
      stage: marks.at(-1)?.stage ?? row.atFirst,
      goneMs: told.find(({ kind }) => (PARTINGS as readonly string[]).includes(kind))?.at_ms ?? null,
      role: (last('role')?.said['role'] as Role | null | undefined) ?? null,
      grade: (last('graded')?.said['grade'] as number | null | undefined) ?? null,
      photoId: (last('pictured')?.said['photoId'] as string | undefined) ?? null,
      pot: potted || row.perPot === 1 ? null : row.firstNumber + Math.floor((row.number - row.firstNumber) / row.perPot) * row.perPot,
      slot: slotted?.kind === 'slotted' ? { rackId: slotted.said['rackId'] as string, slot: slotted.said['slot'] as number } : null,
      bedId: (out?.said['bedId'] as string | null | undefined) ?? row.bedId,
    },
  };
}

/** Seedlings as they stand together. */
export function trayStore(db: Database) {
  const SELECT = `SELECT c.number, c.planted, b.id AS batchId, b.number AS batchNumber, b.wanted, p.crop_id AS cropId, p.variety,
      ${wentTo('m')} AS destination, ${bedOf('m')} AS bedId, m.per_pot AS perPot,
      (SELECT min(f.number) FROM cup f WHERE f.entry_id = c.entry_id) AS firstNumber, ${happened('e')} AS movedMs, ${STAGE_AT_FIRST} AS atFirst`;
  const FROM = `JOIN entry e ON e.id = c.entry_id JOIN move m ON m.entry_id = e.id JOIN batch b ON b.id = e.batch_id
      JOIN packet p ON p.id = b.packet_id WHERE ${MOVED}`;
  // All of the batches of those asked for: who is gone tells of the others.
  const rows = all<Row, [string]>(
    db,
    `${SELECT} FROM cup c ${FROM} AND e.batch_id IN (SELECT we.batch_id FROM json_each(?) n JOIN cup w ON w.number = n.value JOIN entry we ON we.id = w.entry_id) ORDER BY c.number`,
  );
  const ofCrop = all<Row, [string, number]>(
    db,
    `${SELECT} FROM cup c ${FROM} AND c.entry_id IN (SELECT le.id FROM entry le JOIN batch lb ON lb.id = le.batch_id JOIN packet lp ON lp.id = lb.packet_id
      WHERE le.kind = 'move' AND lp.crop_id = ? ORDER BY le.at_ms DESC LIMIT ?) ORDER BY c.number`,
  );
  const events = all<EventRow, [string]>(
    db,
    `SELECT s.cup_number AS number, s.kind, s.stage, s.told, s.act_id, s.at_ms FROM json_each(?) n JOIN seedling_event s ON s.cup_number = n.value
    WHERE s.kind <> 'undo' AND ${said()} ORDER BY s.at_ms, s.rowid`,
  );

  function traysFrom(found: readonly Row[]): StandingTray[] {
    const byNumber = new Map<number, EventRow[]>();
    for (const event of events(JSON.stringify(found.map(({ number }) => number))))
      byNumber.set(event.number, [...(byNumber.get(event.number) ?? []), event]);
    const trays = new Map<string, Omit<StandingTray, 'plants'> & { plants: StandingPlant[] }>();
    for (const row of found) {
      const { trayId, destination, last, pottedMs, plant } = plantOf(row, byNumber.get(row.number) ?? []);
      const key = `${trayId} ${row.batchId} ${destination}`;
      const tray = trays.get(key);
      if (tray) trays.set(key, { ...tray, movedMs: Math.min(tray.movedMs, row.movedMs), plants: [...tray.plants, plant] });
      else {
        const { batchId, batchNumber, wanted, cropId, variety, bedId, movedMs } = row;
        trays.set(key, {
          id: trayId,
          batchId,
          batchNumber,
          wanted,
          cropId,
          variety,
          destination,
          bedId,
          movedMs,
          pottedMs,
          last,
          plants: [plant],
        });
      }
    }
    return [...trays.values()].sort((a, b) => (a.plants[0]?.number ?? 0) - (b.plants[0]?.number ?? 0));
  }

  const known = value<number, [string, string, string]>(
    db,
    `SELECT EXISTS (SELECT 1 FROM batch WHERE id = ?) OR EXISTS (SELECT 1 FROM seedling_event WHERE act_id = ? AND kind = 'potted')
      OR EXISTS (SELECT 1 FROM seedling_event WHERE kind = 'together' AND json_extract(told, '$.trayId') = ?)`,
  );

  return {
    /** @throws Problem for an id under which nothing ever stood */
    checkKnown(trayIds: readonly string[], field = 'trayIds'): void {
      const odd = trayIds.find((id) => known(id, id, id) !== 1);
      if (odd !== undefined) throw Problem.field(field, `${field} must be trays that stand in the nursery; "${odd}" is none`);
    },
    /** The trays that hold any of these labels, with all that was moved along. */
    with: (numbers: readonly number[]): StandingTray[] => traysFrom(rows(JSON.stringify(numbers))),
    /** Trays of a crop, of its latest moves. */
    ofCrop: (cropId: string, most: number): StandingTray[] => traysFrom(ofCrop(cropId, most)),
  };
}
export type TrayStore = ReturnType<typeof trayStore>;
