import { DateTime } from 'luxon';
import { dayNumber, type DayNumber, type Reached } from '@fresh-tuck/core/season';
import { reached, type SeedlingStage } from '@fresh-tuck/core/nursing';
import { closed, counting, happened, untucked } from '../db/standing.js';
import type { Database } from '../db/database.js';
import { all } from '../db/statements.js';
import { said, STAGE } from '../nursery/standing.js';

/** Plants of a sowing that stand together in the nursery. */
export interface SownTray {
  readonly trayId: string;
  readonly plants: number;
  /** The stage that the last of them is at. */
  readonly stage: SeedlingStage;
}

/** A sowing of a season as far as it has come. */
export interface Sowing {
  readonly batchId: string;
  readonly number: number;
  readonly packetId: string;
  readonly cropId: string;
  readonly variety: string;
  /** Plants that it was begun for; null where nobody said. */
  readonly wanted: number | null;
  readonly seeds: number;
  /** Whether nothing more is awaited of its seed. */
  readonly closed: boolean;
  /** Plants that were moved, and those of them that are not lost or given. */
  readonly moved: number;
  readonly living: number;
  /** Those that stand in the nursery still, as they stand together. */
  readonly nursed: number;
  readonly trays: readonly SownTray[];
  readonly reached: Reached;
}

interface Row {
  readonly id: string;
  readonly number: number;
  readonly packetId: string;
  readonly cropId: string;
  readonly variety: string;
  readonly aim: string;
  readonly wanted: number | null;
  readonly seeds: number;
  readonly startMs: number;
  readonly closed: 0 | 1;
}
interface PlantRow {
  readonly batchId: string;
  readonly movedMs: number;
  readonly outMs: number | null;
  readonly ripeMs: number | null;
  readonly leftAs: string | null;
  readonly trayId: string;
  readonly stage: SeedlingStage;
}

const GONE: readonly string[] = ['lost', 'given', 'composted'];

/** When half of them were there, rising; null where fewer were. */
const half = (days: readonly (number | null)[]): number | null => {
  const known = days.filter((ms) => ms !== null).sort((a, b) => a - b);
  return known.length * 2 < days.length ? null : (known[Math.ceil(days.length / 2) - 1] ?? null);
};

/** Potted on or put together, they stand apart from the rest of their batch, under the act that did it. */
const TOGETHER = `(SELECT CASE s.kind WHEN 'together' THEN json_extract(s.told, '$.trayId') ELSE s.act_id END FROM seedling_event s
  WHERE s.cup_number = c.number AND s.kind IN ('potted', 'together') AND ${said()} ORDER BY s.at_ms DESC, s.rowid DESC LIMIT 1)`;

/** Those that stand in the nursery, as they stand together. */
function traysOf(plants: readonly PlantRow[]): SownTray[] {
  const trays = new Map<string, SownTray>();
  for (const { trayId, stage, leftAs } of plants) {
    if (leftAs !== null) continue;
    const tray = trays.get(trayId);
    const last = tray && reached(stage, tray.stage) ? tray.stage : stage;
    trays.set(trayId, { trayId, plants: (tray?.plants ?? 0) + 1, stage: last });
  }
  return [...trays.values()].sort((a, b) => b.plants - a.plants || a.trayId.localeCompare(b.trayId));
}

/** What was really begun of a season: every sowing with how far it has come. */
export function sowingStore(db: Database) {
  const begun = all<Row, [number, number]>(
    db,
    `SELECT b.id, b.number, b.packet_id AS packetId, p.crop_id AS cropId, p.variety, b.aim, b.wanted, b.seeds, b.start_ms AS startMs, ${closed('b.id')} AS closed
    FROM batch b JOIN packet p ON p.id = b.packet_id
    WHERE b.start_ms >= ? AND b.start_ms < ? AND b.purpose = 'plants' AND NOT ${untucked('b.id')} ORDER BY b.start_ms, b.number`,
  );
  // By its label: stages of that name are many.
  const stage = (name: string): string =>
    `(SELECT min(s.at_ms) FROM seedling_event s WHERE s.cup_number = c.number AND s.kind = 'stage' AND +s.stage = '${name}'
      AND NOT EXISTS (SELECT 1 FROM seedling_event u WHERE u.supersedes = s.id))`;
  const plants = all<PlantRow, [string]>(
    db,
    `SELECT e.batch_id AS batchId, ${happened('e')} AS movedMs, ${stage('planted_out')} AS outMs, ${stage('ripe')} AS ripeMs, n.left_as AS leftAs,
      CASE WHEN n.left_as IS NULL THEN coalesce(${TOGETHER}, e.batch_id) ELSE '' END AS trayId, ${STAGE} AS stage
    FROM json_each(?) b CROSS JOIN entry e ON e.batch_id = b.value AND e.kind = 'move' AND ${counting('e')} CROSS JOIN cup c ON c.entry_id = e.id
      LEFT JOIN seedling_now n ON n.cup_number = c.number`,
  );
  return {
    /** Sowings that were begun between two days, the first first. */
    between(from: DayNumber, to: DayNumber, zone: string): Sowing[] {
      const dayOf = (ms: number): DayNumber => dayNumber(DateTime.fromMillis(ms, { zone }).toISODate() ?? '');
      const rows = begun(from * 86_400_000, to * 86_400_000);
      const own = new Map<string, PlantRow[]>();
      for (const plant of plants(JSON.stringify(rows.map(({ id }) => id)))) {
        const list = own.get(plant.batchId) ?? [];
        list.push(plant);
        own.set(plant.batchId, list);
      }
      return rows.map(({ id, startMs, aim, closed: ended, wanted, ...row }) => {
        const cups = own.get(id) ?? [];
        const when = (ms: number | null): DayNumber | null => (ms === null ? null : dayOf(ms));
        const { plants: aimed = null } = JSON.parse(aim) as { plants?: number | null };
        return {
          ...row,
          batchId: id,
          wanted: aimed ?? wanted,
          closed: ended === 1,
          moved: cups.length,
          nursed: cups.filter(({ leftAs }) => leftAs === null).length,
          trays: traysOf(cups),
          living: cups.filter(({ leftAs }) => leftAs === null || !GONE.includes(leftAs)).length,
          reached: {
            start: dayOf(startMs),
            // The first that were moved tell of a lot that is still coming, half of it of one that is through.
            moved: when(
              cups.length === 0
                ? null
                : ended === 1
                  ? half(cups.map(({ movedMs }) => movedMs))
                  : Math.min(...cups.map(({ movedMs }) => movedMs)),
            ),
            out: when(half(cups.map(({ outMs }) => outMs))),
            ripe: when(half(cups.map(({ ripeMs }) => ripeMs))),
          },
        };
      });
    },
  };
}
export type SowingStore = ReturnType<typeof sowingStore>;
