import { v5 as uuidFrom } from 'uuid';
import type { TrialWords } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { closed, standing, untucked } from '../db/standing.js';
import { all, first, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';
import { LIVED, LOST, MOVED } from '../nursery/standing.js';

interface WordRow {
  readonly id: string;
  readonly trial_id: string;
  readonly told: string | null;
  readonly recorded_ms: number;
}
/** A trial as it stands: what was said of it last. */
export interface TrialSaid {
  readonly trialId: string;
  readonly wordId: string;
  readonly words: TrialWords;
  readonly saidMs: number;
}

const saidOf = ({ id, trial_id, told, recorded_ms }: WordRow): TrialSaid => ({
  trialId: trial_id,
  wordId: id,
  words: JSON.parse(told ?? '{}') as TrialWords,
  saidMs: recorded_ms,
});

/** What was said of trials, and what became of sprouts of a batch. */
export function trialStore(db: Database) {
  const insert = write<[{ id: string; trialId: string; told: string | null; nowMs: number }]>(
    db,
    'INSERT INTO trial_word (id, trial_id, told, recorded_ms) VALUES (@id, @trialId, @told, @nowMs)',
  );
  const newest = `NOT EXISTS (SELECT 1 FROM trial_word later WHERE later.trial_id = w.trial_id AND later.rowid > w.rowid AND ${standing('later')})`;
  const rows = all<WordRow, []>(
    db,
    `SELECT id, trial_id, told, recorded_ms FROM trial_word w WHERE ${standing('w')} AND ${newest} AND told IS NOT NULL
      ORDER BY (SELECT min(b.rowid) FROM trial_word b WHERE b.trial_id = w.trial_id) DESC`,
  );
  const row = first<WordRow, [string]>(
    db,
    `SELECT id, trial_id, told, recorded_ms FROM trial_word w WHERE trial_id = ? AND ${standing('w')} ORDER BY rowid DESC LIMIT 1`,
  );
  const fates = first<{ readonly moved: number; readonly lived: number; readonly died: number }, [string]>(
    db,
    `SELECT count(*) AS moved, coalesce(sum(${LIVED}), 0) AS lived, coalesce(sum(${LOST}), 0) AS died
      FROM entry e JOIN cup c ON c.entry_id = e.id AND c.planted = 0 LEFT JOIN seedling_now now ON now.cup_number = c.number
      WHERE e.batch_id = ? AND e.kind = 'move' AND ${MOVED}`,
  );
  const crops = all<{ readonly id: string; readonly batches: number }, []>(
    db,
    `SELECT p.crop_id AS id, count(DISTINCT b.id) AS batches FROM batch b JOIN packet p ON p.id = b.packet_id
      WHERE b.purpose = 'plants' AND ${closed('b.id')} AND NOT ${untucked('b.id')}
      GROUP BY p.crop_id`,
  );
  const ofCrop = all<{ readonly id: string }, [string, number]>(
    db,
    `SELECT b.id FROM batch b JOIN packet p ON p.id = b.packet_id
      WHERE p.crop_id = ? AND b.purpose = 'plants' AND ${closed('b.id')} AND NOT ${untucked('b.id')} ORDER BY b.start_ms DESC, b.rowid DESC LIMIT ?`,
  );
  const find = (trialId: string): TrialSaid | null => {
    const found = row(trialId);
    return found && found.told !== null ? saidOf(found) : null;
  };
  const say = (id: string, trialId: string, words: TrialWords | null, nowMs: number): void =>
    void insert({ id, trialId, told: words && JSON.stringify(words), nowMs });

  return {
    /** All trials, the newest first. */
    list: (): TrialSaid[] => rows().map(saidOf),
    find,
    get(trialId: string): TrialSaid {
      const found = find(trialId);
      if (!found) throw Problem.unknown('trial');
      return found;
    },
    say,
    /** The last that was said of a trial, be it that it was taken out. */
    last: (trialId: string): { readonly id: string; readonly atMs: number } | null => {
      const found = row(trialId);
      return found ? { id: found.id, atMs: found.recorded_ms } : null;
    },
    /** A batch that was begun for a side stands on it from then on. */
    join({ trialId, arm }: { readonly trialId: string; readonly arm: number }, batchId: string, nowMs: number): void {
      const said = find(trialId);
      if (!said) throw Problem.field('trial.trialId', 'trial.trialId must be a trial of the notebook');
      const { words } = said;
      if (words.plan === null) throw Problem.field('trial.trialId', 'trial.trialId must be a trial that was planned ahead');
      if (arm >= words.arms.length)
        throw Problem.field('trial.arm', `trial.arm must be a whole number from 0 to ${words.arms.length - 1}: one of its sides`);
      const arms = words.arms.map((side, nth) => (nth === arm ? { ...side, batchIds: [...side.batchIds, batchId] } : side));
      say(uuidFrom(`trial ${arm}`, batchId), trialId, { ...words, arms }, nowMs);
    },
    /** Sprouts of a batch that were moved on, those past danger by now, and those lost. */
    fates: (batchId: string) => fates(batchId) ?? { moved: 0, lived: 0, died: 0 },
    /** Crops with batches that were closed. */
    crops: () => crops(),
    /** Batches of a crop that were closed, the newest first. */
    closedOf: (cropId: string, most: number): string[] => ofCrop(cropId, most).map(({ id }) => id),
  };
}
export type TrialStore = ReturnType<typeof trialStore>;
