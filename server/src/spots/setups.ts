import type { PlaceKind, SpotSetup } from '@fresh-tuck/contract';
import type { Occurrence, OccurrenceKind } from '@fresh-tuck/core/warmth';
import type { Database } from '../db/database.js';
import { standing } from '../db/standing.js';
import { all, first, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';

const BARE: SpotSetup = { lidded: false, cloths: 0, mat: null, sun: null, room: null, pricePerKWh: null };
/** How a place of a kind is usually set up, until its household says. Common practice, no source. */
const USUAL: Readonly<Record<PlaceKind, SpotSetup>> = {
  mat: { ...BARE, lidded: true, mat: { watts: 20, setC: 27, bandC: 1, probe: 'fold' } },
  heater: BARE,
  fridge_top: BARE,
  cupboard: BARE,
  room: BARE,
  sill: { ...BARE, sun: { fromHour: 10, toHour: 15 } },
  plot: { ...BARE, sun: { fromHour: 7, toHour: 18 } },
  cool_room: BARE,
  fridge: BARE,
};

interface SetupRow {
  readonly id: string;
  readonly from_ms: number;
  readonly setup: string;
}
interface EventRow {
  readonly id: string;
  readonly kind: OccurrenceKind;
  readonly from_ms: number;
  readonly to_ms: number;
  readonly by_c: number | null;
  readonly note: string | null;
}

/** Something that came over a spot, or is to come, as it was told. */
export type SpotEvent = Occurrence & { readonly id: string; readonly note: string | null };

const eventOf = ({ id, kind, from_ms, to_ms, by_c, note }: EventRow): SpotEvent => ({
  ...{ id, note, fromMs: from_ms, toMs: to_ms },
  ...(kind === 'warm' || kind === 'cold' ? { kind, byC: by_c ?? 0 } : { kind }),
});

/** How warm spots are set up, and what comes over them. */
export function setupStore(db: Database) {
  const at = first<SetupRow, [string, number]>(
    db,
    `SELECT id, from_ms, setup FROM spot_setup s WHERE spot_id = ? AND from_ms <= ? AND ${standing('s')} ORDER BY from_ms DESC, rowid DESC LIMIT 1`,
  );
  const setups = all<SetupRow, [string]>(
    db,
    `SELECT id, from_ms, setup FROM spot_setup s WHERE spot_id = ? AND ${standing('s')} ORDER BY from_ms DESC, rowid DESC`,
  );
  const insertSetup = write<[{ id: string; spotId: string; fromMs: number; setup: string; nowMs: number }]>(
    db,
    'INSERT INTO spot_setup (id, spot_id, from_ms, setup, recorded_ms) VALUES (@id, @spotId, @fromMs, @setup, @nowMs)',
  );
  const events = all<EventRow, [string, number, number]>(
    db,
    `SELECT id, kind, from_ms, to_ms, by_c, note FROM spot_event e WHERE spot_id = ? AND to_ms > ? AND from_ms < ? AND ${standing('e')} ORDER BY from_ms, rowid`,
  );
  const insertEvent = write<[EventRow & { spotId: string; nowMs: number }]>(
    db,
    'INSERT INTO spot_event (id, spot_id, kind, from_ms, to_ms, by_c, note, recorded_ms) VALUES (@id, @spotId, @kind, @from_ms, @to_ms, @by_c, @note, @nowMs)',
  );
  return {
    /** How it stands at a moment: as was said last of then, else as such places do. */
    at(spotId: string, kind: PlaceKind, ms: number): SpotSetup {
      const row = at(spotId, ms);
      return row ? (JSON.parse(row.setup) as SpotSetup) : USUAL[kind];
    },
    /** As such places are set up where nobody says. */
    usual: (kind: PlaceKind): SpotSetup => USUAL[kind],
    /** Every word on how it is set up, the newest first. */
    all: (spotId: string) =>
      setups(spotId).map(({ id, from_ms, setup }) => ({ id, fromMs: from_ms, setup: JSON.parse(setup) as SpotSetup })),
    set(id: string, spotId: string, setup: SpotSetup, fromMs: number, nowMs: number): void {
      insertSetup({ id, spotId, fromMs, setup: JSON.stringify(setup), nowMs });
    },
    /** What comes over it within a stretch, rising. */
    events: (spotId: string, fromMs: number, toMs: number): SpotEvent[] => events(spotId, fromMs, toMs).map(eventOf),
    note(spotId: string, event: SpotEvent, nowMs: number): void {
      const byC = 'byC' in event ? event.byC : null;
      const { id, kind, fromMs, toMs, note } = event;
      insertEvent({ id, kind, from_ms: fromMs, to_ms: toMs, by_c: byC, note, spotId, nowMs });
    },
    /** What a word on the spot spoke of, for taking it back. @throws Problem where there is none that stands */
    spanOf(spotId: string, id: string): { readonly kind: 'setup' | 'event'; readonly fromMs: number; readonly toMs: number } {
      const setup = setups(spotId).find((row) => row.id === id);
      if (setup) return { kind: 'setup', fromMs: setup.from_ms, toMs: setup.from_ms };
      const event = events(spotId, -8.64e15, 8.64e15).find((row) => row.id === id);
      if (!event) throw Problem.unknown('note at this spot');
      return { kind: 'event', fromMs: event.from_ms, toMs: event.to_ms };
    },
  };
}
export type SetupStore = ReturnType<typeof setupStore>;
