import { v5 as uuidFrom } from 'uuid';
import type { CareWord, PlaceLight } from '@fresh-tuck/contract';
import type { Damp } from '@fresh-tuck/core/carrier';
import { coverAtFirst, type Cover, type Felt, type Watering } from '@fresh-tuck/core/nursing';
import type { Destination } from '@fresh-tuck/core/moving';
import type { Database } from '../db/database.js';
import { standing } from '../db/standing.js';
import { all, first, write } from '../db/statements.js';

interface CareRow {
  readonly id: string;
  readonly act_id: string;
  readonly tray_id: string;
  readonly kind: CareWord['kind'];
  readonly at_ms: number;
  readonly spot_id: string | null;
  readonly told: string;
}

/** Where a tray stands from a moment on. */
export interface TrayPlace {
  readonly spotId: string;
  readonly fromMs: number;
}

/** All that was done for a tray and stands. */
export interface TrayCare {
  readonly places: readonly TrayPlace[];
  readonly cover: Cover;
  readonly felt: readonly Felt[];
  readonly fedMs: number | null;
  readonly airedMs: number | null;
  /** What was put up on planting day. */
  readonly planted: { readonly support: boolean; readonly net: boolean };
  readonly seenMs: readonly number[];
  /** Carried out, or in again, last; null where it never was. */
  readonly carried: { readonly out: boolean; readonly atMs: number } | null;
}

/** A tray as far as its lid goes. */
interface Covered {
  readonly id: string;
  readonly destination: Destination;
  readonly pottedMs: number | null;
}

/** How far back what was done still bears on today, ms. */
const BEARS_MS = 60 * 86_400_000;

/** What is done for seedlings that stand together. */
export function careStore(db: Database) {
  const ofTrays = all<CareRow, [string, number]>(
    db,
    `SELECT id, act_id, tray_id, kind, at_ms, spot_id, told FROM care k WHERE tray_id IN (SELECT value FROM json_each(?))
      AND (kind IN ('place', 'cover') OR at_ms >= ?) AND ${standing('k')} ORDER BY at_ms, rowid`,
  );
  const ofAct = all<{ id: string; at_ms: number }, [string]>(db, `SELECT id, at_ms FROM care k WHERE act_id = ? AND ${standing('k')}`);
  const place = first<{ spot_id: string }, [string, number]>(
    db,
    `SELECT spot_id FROM care k WHERE tray_id = ? AND kind = 'place' AND at_ms <= ? AND ${standing('k')} ORDER BY at_ms DESC, rowid DESC LIMIT 1`,
  );
  const insert = write<[CareRow & { nowMs: number }]>(
    db,
    'INSERT INTO care (id, act_id, tray_id, kind, at_ms, spot_id, told, recorded_ms) VALUES (@id, @act_id, @tray_id, @kind, @at_ms, @spot_id, @told, @nowMs)',
  );
  const light = first<{ light: string; from_ms: number }, [string, number]>(
    db,
    `SELECT light, from_ms FROM spot_light l WHERE spot_id = ? AND from_ms <= ? AND ${standing('l')} ORDER BY from_ms DESC, rowid DESC LIMIT 1`,
  );
  const insertLight = write<[{ id: string; spotId: string; fromMs: number; light: string; nowMs: number }]>(
    db,
    'INSERT INTO spot_light (id, spot_id, from_ms, light, recorded_ms) VALUES (@id, @spotId, @fromMs, @light, @nowMs)',
  );

  function careOf(rows: readonly CareRow[], { destination, pottedMs }: Covered): TrayCare {
    const told = rows.map((row) => ({ row, told: JSON.parse(row.told) as Record<string, unknown> }));
    const last = (kind: CareRow['kind']) => told.findLast(({ row }) => row.kind === kind);
    const carried = last('carried');
    return {
      places: rows.flatMap(({ kind, spot_id, at_ms }) => (kind === 'place' && spot_id ? [{ spotId: spot_id, fromMs: at_ms }] : [])),
      cover: (last('cover')?.told['cover'] as Cover | undefined) ?? coverAtFirst(destination, pottedMs !== null),
      felt: told.flatMap(({ row, told: { from, finger } }) =>
        row.kind === 'water' ? [{ atMs: row.at_ms, from: from as Watering | null, finger: (finger ?? null) as Damp | null }] : [],
      ),
      fedMs: last('feed')?.row.at_ms ?? null,
      airedMs: last('air')?.row.at_ms ?? null,
      planted: { support: last('support') !== undefined, net: last('net') !== undefined },
      seenMs: rows.flatMap(({ kind, at_ms }) => (kind === 'seen' ? [at_ms] : [])),
      carried: carried ? { out: carried.told['out'] === true, atMs: carried.row.at_ms } : null,
    };
  }

  return {
    /** What was done for trays, by their ids. @param trays what they stand in says how they are covered at first */
    of(trays: readonly Covered[], nowMs: number): Map<string, TrayCare> {
      const rows = new Map<string, CareRow[]>();
      for (const row of ofTrays(JSON.stringify(trays.map(({ id }) => id)), nowMs - BEARS_MS))
        rows.set(row.tray_id, [...(rows.get(row.tray_id) ?? []), row]);
      return new Map(trays.map((tray) => [tray.id, careOf(rows.get(tray.id) ?? [], tray)]));
    },
    /** Where a tray stood at a moment; null where nobody had said. */
    spotOf: (trayId: string, atMs: number): string | null => place(trayId, atMs)?.spot_id ?? null,
    /** @param id of the act, from which those of its trays are made; @param actId where it is part of a larger act */
    add(trayIds: readonly string[], id: string, done: CareWord, atMs: number, nowMs: number, actId = id): void {
      const { kind, ...rest } = done;
      const spotId = done.kind === 'place' ? done.spotId : null;
      for (const trayId of trayIds)
        insert({
          ...{ id: trayIds.length > 1 ? uuidFrom(trayId, id) : id, act_id: actId, tray_id: trayId, kind, at_ms: atMs },
          ...{ spot_id: spotId, nowMs, told: JSON.stringify(done.kind === 'place' ? {} : rest) },
        });
    },
    /** What an act did and that stands. */
    ofAct: (actId: string): { readonly id: string; readonly atMs: number }[] => ofAct(actId).map(({ id, at_ms }) => ({ id, atMs: at_ms })),
    /** How light gets to a place at a moment; null where nobody said. */
    lightAt(spotId: string, ms: number): { readonly light: PlaceLight; readonly fromMs: number } | null {
      const row = light(spotId, ms);
      return row ? { light: JSON.parse(row.light) as PlaceLight, fromMs: row.from_ms } : null;
    },
    setLight(id: string, spotId: string, setup: PlaceLight, fromMs: number, nowMs: number): void {
      insertLight({ id, spotId, fromMs, light: JSON.stringify(setup), nowMs });
    },
  };
}
export type CareStore = ReturnType<typeof careStore>;
