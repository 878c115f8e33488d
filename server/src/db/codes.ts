import {
  CARES,
  CARRIERS,
  CLOSING_REASONS,
  CLOSURES,
  DAMPINGS,
  DAMPS,
  ENTRY_KINDS,
  HOLDER_KINDS,
  LIGHTS,
  LINK_KINDS,
  MEDIA,
  METHODS,
  OCCURRENCE_KINDS,
  PLACE_KINDS,
  PURPOSES,
  SEEDLING_EVENTS,
  SEEDLING_STAGES,
  SOIL_SOURCES,
  UNIT_SYSTEMS,
  VIAS,
  WETNESSES,
} from '@fresh-tuck/contract';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { SEED_STAGES } from '@fresh-tuck/core/parcel';
import type { Database } from 'better-sqlite3';

/** Lookup tables by the lists that fill them: a new code is an entry in its list, and no rebuilt table. */
export const CODES: Readonly<Record<string, readonly string[]>> = {
  unit_system: UNIT_SYSTEMS,
  place_kind: Object.keys(PLACE_KINDS),
  holder_kind: HOLDER_KINDS,
  closure: CLOSURES,
  method: METHODS,
  carrier_kind: CARRIERS,
  purpose: PURPOSES,
  entry_kind: ENTRY_KINDS,
  via: VIAS,
  damp: DAMPS,
  seed_stage: SEED_STAGES,
  destination: DESTINATIONS,
  closing_reason: CLOSING_REASONS,
  seedling_event_kind: SEEDLING_EVENTS,
  care_kind: CARES,
  seedling_stage: SEEDLING_STAGES,
  soil_source: SOIL_SOURCES,
  medium: MEDIA,
  damping: DAMPINGS,
  wetness: WETNESSES,
  light: LIGHTS,
  link_kind: LINK_KINDS,
  spot_event_kind: OCCURRENCE_KINDS,
};

/** Lays down the codes that a database does not know yet. */
export function addCodes(db: Database): void {
  const tables = new Set(db.prepare<[], string>("SELECT name FROM sqlite_schema WHERE type = 'table'").pluck().all());
  for (const [table, codes] of Object.entries(CODES)) {
    // A database of an older schema knows fewer lists.
    if (!tables.has(table)) continue;
    const known = new Set(db.prepare<[], string>(`SELECT code FROM ${table}`).pluck().all());
    const missing = codes.filter((code) => !known.has(code));
    if (missing.length === 0) continue;
    const insert = db.prepare<[string]>(`INSERT INTO ${table} (code) VALUES (?)`);
    for (const code of missing) insert.run(code);
  }
}
