import { createHash, randomBytes } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import type { Database } from '../db/database.js';
import { all, first, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';

const HOUR_MS = 3_600_000;
/** What was sent is kept as it came for so long, ms; its hours stay for good. */
const KEPT_MS = 14 * 24 * HOUR_MS;
/** A probe's clock may be ahead by so much, ms. */
const AHEAD_MS = 5 * 60_000;
/** What lies further back is no reading of a probe that was let in lately, ms. */
const BACK_MS = 30 * 24 * HOUR_MS;
/** What no thermometer of a home reads, °C. */
const READ_C = { least: -40, most: 85 } as const;

interface ProbeRow {
  readonly id: string;
  readonly spot_id: string;
  readonly name: string;
  readonly made_ms: number;
  readonly withdrawn_ms: number | null;
}
/** What a probe said at a moment. */
export interface Sample {
  readonly atMs: number;
  readonly celsius: number;
}
/** A probe as its spot's page shows it. */
export interface Probe {
  readonly id: string;
  readonly name: string;
  readonly madeMs: number;
  readonly last: Sample | null;
}

const digest = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Thermometers that send what they read. */
export function probeStore(db: Database) {
  const insert = write<[{ id: string; spotId: string; name: string; digest: string; nowMs: number }]>(
    db,
    'INSERT INTO probe (id, spot_id, name, token_digest, made_ms) VALUES (@id, @spotId, @name, @digest, @nowMs)',
  );
  const byToken = first<ProbeRow, [string]>(db, 'SELECT id, spot_id, name, made_ms, withdrawn_ms FROM probe WHERE token_digest = ?');
  const atSpot = all<ProbeRow, [string]>(
    db,
    'SELECT id, spot_id, name, made_ms, withdrawn_ms FROM probe WHERE spot_id = ? AND withdrawn_ms IS NULL ORDER BY made_ms',
  );
  const everywhere = all<ProbeRow, []>(
    db,
    'SELECT id, spot_id, name, made_ms, withdrawn_ms FROM probe WHERE withdrawn_ms IS NULL ORDER BY made_ms',
  );
  const withdraw = write<[number, string, string]>(
    db,
    'UPDATE probe SET withdrawn_ms = ? WHERE id = ? AND spot_id = ? AND withdrawn_ms IS NULL',
  );
  const last = first<Sample, [string]>(
    db,
    'SELECT at_ms AS atMs, celsius FROM probe_sample WHERE probe_id = ? ORDER BY at_ms DESC LIMIT 1',
  );
  const between = all<Sample, [string, number, number]>(
    db,
    'SELECT at_ms AS atMs, celsius FROM probe_sample WHERE probe_id = ? AND at_ms >= ? AND at_ms < ? ORDER BY at_ms',
  );
  const put = write<[string, number, number, number]>(
    db,
    'INSERT INTO probe_sample (probe_id, at_ms, celsius, received_ms) VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING',
  );
  const forget = write<[string, number]>(db, 'DELETE FROM probe_sample WHERE probe_id = ? AND at_ms < ?');
  const folded = first<{ min_c: number; max_c: number }, [string, string, number]>(
    db,
    'SELECT min_c, max_c FROM reading WHERE spot_id = ? AND probe_id = ? AND from_ms = ? ORDER BY rowid DESC LIMIT 1',
  );
  const fold = write<
    [{ id: string; spotId: string; probeId: string; fromMs: number; toMs: number; minC: number; maxC: number; nowMs: number }]
  >(
    db,
    `INSERT INTO reading (id, spot_id, from_ms, to_ms, min_c, max_c, recorded_ms, probe_id)
      VALUES (@id, @spotId, @fromMs, @toMs, @minC, @maxC, @nowMs, @probeId)`,
  );
  const probeOf = ({ id, name, made_ms }: ProbeRow): Probe => ({ id, name, madeMs: made_ms, last: last(id) ?? null });

  return {
    /** Lets a probe in. @returns its token, which is told once and kept nowhere */
    add(id: string, spotId: string, name: string, nowMs: number): string {
      const token = randomBytes(24).toString('base64url');
      insert({ id, spotId, name, digest: digest(token), nowMs });
      return token;
    },
    at: (spotId: string): Probe[] => atSpot(spotId).map(probeOf),
    all: (): (Probe & { readonly spotId: string })[] => everywhere().map((row) => ({ ...probeOf(row), spotId: row.spot_id })),
    withdraw(spotId: string, id: string, nowMs: number): void {
      if (withdraw(nowMs, id, spotId) === 0) throw Problem.unknown('probe at this spot');
    },
    /** @throws Problem where the token lets nobody in */
    letIn(token: string | null): { readonly id: string; readonly spotId: string } {
      if (!token) throw new Problem(401, 'No token', 'Send the token of the probe: Authorization: Bearer followed by the token.');
      const row = byToken(digest(token));
      if (!row) throw new Problem(401, 'Unknown token', 'This token lets no probe in. Make a new one on the page of the warm spot.');
      if (row.withdrawn_ms !== null)
        throw new Problem(403, 'Token withdrawn', `The token of ${row.name} was withdrawn. Make a new one on the page of the warm spot.`);
      return { id: row.id, spotId: row.spot_id };
    },
    /** Of the running hour, and of the days that are kept as they came. */
    between,
    /**
     * Takes in what a probe sent: what it repeats is known again, what came late is
     * added to its hour, and an hour that is over becomes a reading of its spot.
     *
     * @throws Problem where a moment or a temperature cannot be true
     */
    take(probeId: string, spotId: string, samples: readonly Sample[], nowMs: number): { readonly taken: number; readonly known: number } {
      for (const { atMs, celsius } of samples) {
        if (atMs > nowMs + AHEAD_MS)
          throw Problem.field('readings.at', 'readings.at must not lie in the future: set the clock of the probe');
        if (atMs < nowMs - BACK_MS)
          throw Problem.field('readings.at', 'readings.at must not lie more than 30 days back: bring the file of the logger in instead');
        if (!(celsius >= READ_C.least && celsius <= READ_C.most))
          throw Problem.field('readings.value', 'readings.value must be a temperature from -40 to 85 °C (-40 to 185 °F)');
      }
      let taken = 0;
      const hours = new Set<number>();
      for (const { atMs, celsius } of samples) {
        if (put(probeId, atMs, celsius, nowMs) === 0) continue;
        taken++;
        hours.add(Math.floor(atMs / HOUR_MS));
      }
      // The hour before one that has begun is over, whoever sent last.
      const newest = last(probeId);
      if (newest) for (const back of [1, 2]) hours.add(Math.floor(newest.atMs / HOUR_MS) - back);
      const running = Math.floor(nowMs / HOUR_MS);
      for (const hour of [...hours].filter((each) => each < running).sort((a, b) => a - b)) {
        const of = between(probeId, hour * HOUR_MS, (hour + 1) * HOUR_MS).map(({ celsius }) => celsius);
        if (of.length === 0) continue;
        const [minC, maxC] = [Math.min(...of), Math.max(...of)];
        const before = folded(spotId, probeId, hour * HOUR_MS);
        if (before?.min_c === minC && before.max_c === maxC) continue;
        fold({ id: uuid(), spotId, probeId, fromMs: hour * HOUR_MS, toMs: (hour + 1) * HOUR_MS, minC, maxC, nowMs });
      }
      forget(probeId, nowMs - KEPT_MS);
      return { taken, known: samples.length - taken };
    },
  };
}
export type ProbeStore = ReturnType<typeof probeStore>;
