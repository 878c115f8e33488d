import { v7 as uuid } from 'uuid';
import type { Services } from '@fresh-tuck/server';

const DAY_MS = 86_400_000;
/** Written each year by a household that keeps its notebook. */
const A_YEAR = { notes: 60, trials: 6 } as const;
const WROTE = [
  'Turned the mat down after the hot week: the paper on its edge was dry by noon, the middle still damp.',
  'Half of them stood in the draught of the door. Next year on the second board.',
  'Grey fuzz on two, misted, gone: root hair.',
  'Ran out of the coarse mix; the last tray has sieved garden soil under it.',
];

/** Fills a notebook: notes by day, some of a crop, and trials of two batches each that were read. */
export function fillNotebook(
  { notes, trials }: Pick<Services, 'notes' | 'trials'>,
  db: Services['db'],
  nowMs: number,
  years: number,
): void {
  const batches = db
    .prepare(
      `SELECT b.id, p.crop_id AS cropId FROM batch b JOIN packet p ON p.id = b.packet_id
        WHERE EXISTS (SELECT 1 FROM entry e WHERE e.batch_id = b.id AND e.kind = 'close') ORDER BY p.crop_id, b.start_ms`,
    )
    .all() as { id: string; cropId: string }[];
  db.transaction(() => {
    for (let nth = 0; nth < A_YEAR.notes * years; nth++) {
      const ms = nowMs - ((nth + 1) * 365 * DAY_MS) / A_YEAR.notes;
      const cropId = nth % 3 === 0 ? (batches[(nth * 37) % batches.length]?.cropId ?? null) : null;
      const text = `${WROTE[nth % WROTE.length]} (${nth})`;
      notes.say(
        uuid({ msecs: ms }),
        uuid({ msecs: ms }),
        { day: new Date(ms).toISOString().slice(0, 10), text, batchId: null, cropId },
        ms,
      );
    }
    for (let nth = 0; nth < A_YEAR.trials * years; nth++) {
      const first = (nth * 61) % Math.max(batches.length - 1, 1);
      const arms = [batches[first], batches[first + 1]].map((batch, side) => ({
        name: side === 0 ? 'Soaked 12 hours' : 'Not soaked',
        setting: side === 0 ? '12' : '0',
        batchIds: batch ? [batch.id] : [],
      }));
      const words = { name: `The soak, ${nth}`, question: 'soak' as const, arms, plan: null, read: 'Cannot tell', better: null };
      const ms = nowMs - ((nth + 1) * 365 * DAY_MS) / A_YEAR.trials;
      trials.say(uuid({ msecs: ms }), uuid({ msecs: ms }), words, ms);
    }
  })();
}
