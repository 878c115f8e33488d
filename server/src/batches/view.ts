import type { Batch, BatchWithJournal, WhyPanel } from '@fresh-tuck/contract';
import type { Reader } from '../asking/reader.js';
import { journalInWords } from './words.js';

/** A batch with its forecast and its journal in words. */
export function batchView({ forecasts, household, journal }: Reader) {
  return {
    whole(id: string, nowMs: number): BatchWithJournal {
      const entries = journal.entries(id);
      return {
        ...forecasts.at(household.get(), nowMs).batch(id),
        journal: journalInWords(entries),
        cups: entries.flatMap((entry) =>
          entry.counts && entry.move
            ? entry.move.cups.map((cup) => ({ ...cup, destination: entry.move?.destination ?? '', atMs: entry.atMs }))
            : [],
        ),
      };
    },
    live: (nowMs: number): Batch[] => forecasts.at(household.get(), nowMs).live(),
    /** What the judgement of a batch rests on. */
    why: (id: string, nowMs: number): WhyPanel => forecasts.at(household.get(), nowMs).why(id),
  };
}
