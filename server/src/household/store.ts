import type { Paper, Household, HouseholdRequest, NursingRequest, WaysRequest } from '@fresh-tuck/contract';
import { USUAL_NURSING } from '@fresh-tuck/core/nursing';
import { USUAL_LATE_RISK, USUAL_WAYS, type HouseWays } from '@fresh-tuck/core/parcel';
import type { AbsenceStore } from './absences.js';
import type { Database } from '../db/database.js';
import { certain } from '../db/statements.js';
import { changedMeanwhile, Problem } from '../http/problem.js';

interface Row {
  readonly name: string;
  readonly zone: string;
  readonly units: Household['units'];
  readonly looking_times: string;
  readonly millilitres_per_spray: number;
  readonly late_tolerance: number;
  readonly ways: string;
  readonly version: number;
  readonly frost: string | null;
  readonly paper: string | null;
  readonly nursing: string | null;
}

/** The household with the paper that it prints on. */
export type HouseholdRecord = Household & { readonly paper: Paper | null };

/** A clock that is set by the network jumps by less, ms. */
const CLOCK_SLACK_MS = 2 * 60_000;

export function householdStore(db: Database, absences: AbsenceStore) {
  const select = db.prepare<unknown[], Row>('SELECT * FROM household WHERE id = 1');
  const upsert = db.prepare(`
    INSERT INTO household (id, name, zone, units, looking_times, millilitres_per_spray, late_tolerance, changed_ms)
    VALUES (1, @name, @zone, @units, @lookingTimes, @millilitresPerSpray, @lateTolerance, @nowMs)
    ON CONFLICT (id) DO UPDATE SET name = @name, zone = @zone, units = @units, looking_times = @lookingTimes,
      millilitres_per_spray = @millilitresPerSpray, changed_ms = @nowMs, version = version + 1`);
  const setPaper = db.prepare('UPDATE household SET paper = ? WHERE id = 1');
  const setFrost = db.prepare('UPDATE household SET frost = ? WHERE id = 1');
  const updateWays = db.prepare('UPDATE household SET ways = ?, late_tolerance = ?, changed_ms = ?, version = version + 1 WHERE id = 1');
  const setNursing = db.prepare('UPDATE household SET nursing = ?, changed_ms = ?, version = version + 1 WHERE id = 1');
  const newest = db.prepare<unknown[], number>('SELECT max(recorded_ms) FROM act').pluck();
  const settled = db.prepare<unknown[], number>('SELECT clock_settled_ms FROM household WHERE id = 1').pluck();
  const settle = db.prepare('UPDATE household SET clock_settled_ms = (SELECT max(recorded_ms) FROM act), changed_ms = ? WHERE id = 1');
  const takeNumber = db.prepare<unknown[], { number: number }>(
    "UPDATE serial SET next = next + 1 WHERE name = 'label' RETURNING next - 1 AS number",
  );
  const peekNumber = db.prepare<unknown[], { next: number }>("SELECT next FROM serial WHERE name = 'label'");

  function find(): HouseholdRecord | null {
    const row = select.get();
    if (!row) return null;
    return {
      name: row.name,
      zone: row.zone,
      units: row.units,
      lookingTimes: JSON.parse(row.looking_times) as string[],
      millilitresPerSpray: row.millilitres_per_spray,
      version: row.version,
      frost: row.frost === null ? null : (JSON.parse(row.frost) as Household['frost']),
      away: absences.last(),
      nursing: { schools: USUAL_NURSING, sky: null, ...(JSON.parse(row.nursing ?? '{}') as Partial<Household['nursing']>) },
      paper: row.paper === null ? null : (JSON.parse(row.paper) as Paper),
      ways: { ...USUAL_WAYS, ...(JSON.parse(row.ways) as Partial<HouseWays>), lateTolerance: row.late_tolerance },
    };
  }
  function checkVersion(version: number | null): void {
    const now = find()?.version ?? null;
    if (now !== version) throw changedMeanwhile('Somebody changed the household meanwhile.');
  }
  return {
    find,
    /** @throws Problem before the first run */
    get(): HouseholdRecord {
      const household = find();
      if (!household) throw new Problem(409, 'Not set up', 'Say first where the household is: the first run asks for it.');
      return household;
    },
    /** @throws Problem where somebody changed it since the version that this was made on */
    save({ name, zone, units, lookingTimes, millilitresPerSpray, frost, version = null }: HouseholdRequest, nowMs: number): void {
      checkVersion(version);
      upsert.run({
        name,
        zone,
        units,
        lookingTimes: JSON.stringify(lookingTimes),
        millilitresPerSpray,
        lateTolerance: USUAL_LATE_RISK,
        nowMs,
      });
      if (frost !== undefined) setFrost.run(frost && JSON.stringify(frost));
    },
    saveWays({ id: _, version = null, lateTolerance, ...ways }: WaysRequest, nowMs: number): void {
      checkVersion(version);
      const { laid } = find()?.ways ?? {};
      updateWays.run(JSON.stringify({ ...(laid ? { laid } : {}), ...ways }), lateTolerance, nowMs);
    },
    /** How it raises what it moved, and under which sky. */
    saveNursing({ schools, sky, version = null }: NursingRequest, nowMs: number): void {
      checkVersion(version);
      setNursing.run(JSON.stringify({ schools, sky }), nowMs);
    },
    /** The last frost, as the season counts it. */
    saveFrost: (frost: Household['frost']): void => void setFrost.run(frost && JSON.stringify(frost)),
    savePaper: (paper: Paper): void => void setPaper.run(JSON.stringify(paper)),
    /** The newest record, where it lies ahead of a moment and nobody has settled that, ms. */
    aheadOf(nowMs: number): number | null {
      const newestMs = newest.get() ?? null;
      if (newestMs === null || newestMs <= nowMs + CLOCK_SLACK_MS) return null;
      return newestMs > (settled.get() ?? 0) ? newestMs : null;
    },
    /** The clock is right: what is written until now was written while it ran ahead. */
    settleClock: (nowMs: number): void => void settle.run(nowMs),
    /** The next label number; it is used up even if what it labels is undone. */
    takeNumber: (): number => certain(takeNumber.get()).number,
    nextNumber: (): number => certain(peekNumber.get()).next,
  };
}
export type HouseholdStore = ReturnType<typeof householdStore>;
