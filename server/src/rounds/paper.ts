import { moveRequest, type paperRoundRequest } from '@fresh-tuck/contract';
import { v5 as named } from 'uuid';
import type * as z from 'zod';
import { mending } from '../batches/mending.js';
import { momentFrom } from '../clock.js';
import { Problem } from '../http/problem.js';
import { refuseClosed } from '../journal/close.js';
import { checkMove } from '../journal/move.js';
import { checkWhole } from '../journal/whole.js';
import { toldLater } from '../mending/told-later.js';
import type { Services } from '../services.js';

/** A round that came back on paper: every line at its own time, all of them or none. */
export function paperRound({ batches, household, journal }: Pick<Services, 'batches' | 'household' | 'journal'>) {
  const { subject } = mending({ batches, journal });
  const { tellLook } = toldLater({ journal, subject });
  return ({ looks, who }: z.output<typeof paperRoundRequest>, nowMs: number): void => {
    const { zone } = household.get();
    const rows = looks
      .map((look, index) => ({ ...look, index, atMs: momentFrom(look.at, zone, nowMs, `looks.${index}.at`) }))
      .sort((a, b) => a.atMs - b.atMs);
    for (const { batchId, moved, ...row } of rows) {
      const about = subject(batchId);
      refuseClosed(about);
      if (row.atMs < about.startMs)
        throw Problem.field(`looks.${row.index}.at`, `looks.${row.index}.at must not lie before it was tucked in`);
      tellLook(batchId, row, who, nowMs);
      if (moved > 0) move(batchId, moved, row, who, nowMs);
      checkWhole(subject(batchId), 'at');
    }
  };

  /** Sprouts that a helper has moved: to where the batch was begun for, each with a label of its own. */
  function move(
    batchId: string,
    moved: number,
    row: { readonly id: string; readonly at: string; readonly atMs: number; readonly index: number },
    who: string | null,
    nowMs: number,
  ): void {
    const { destination } = batches.aimOf(batches.get(batchId));
    // Which bed it was stands on no paper: it is said at the batch.
    const into = destination === null || destination === 'bed' ? 'cup' : destination;
    const body = moveRequest.parse({ id: named('moved', row.id), at: row.at, seeds: [], uncounted: moved, destination: into, who });
    try {
      checkMove(body, row.atMs, subject(batchId));
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      const name = `looks.${row.index}.moved`;
      throw Problem.field(name, error.detail.replace(/^\w+(?:\.\w+)*/, name));
    }
    journal.addMove({ id: body.id, batchId, atMs: row.atMs, nowMs, who }, body, household.takeNumber);
  }
}
