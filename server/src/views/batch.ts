import type { Batch, BatchWithJournal, WhyPanel } from '@fresh-tuck/contract';
import { wordsFor } from '@fresh-tuck/core/units';
import type { Reader } from '../forecasts/reader.js';
import { closedAt, countingOf, looksOf } from '../journal/read.js';
import { journalFacts, journalView } from './journal.js';

/** A batch with its forecast and its journal in words. */
export function batchView(reader: Reader) {
  const { batches, forecasts, household, journal, nursery, packets } = reader;
  const facts = journalFacts(reader);
  return {
    whole(id: string, nowMs: number): BatchWithJournal {
      const entries = journal.entries(id);
      const home = household.get();
      const batch = forecasts.at(home, nowMs).batch(id);
      const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
      return {
        ...batch,
        oneOf: packets.packet(batch.packetId).oneOf,
        lookIds: looksOf(entries).map((look) => look.id),
        journal: journalView(facts, entries, {
          row: batches.get(id),
          crop: batch.facts.crop,
          untilMs: closedAt(entries) ?? Infinity,
          nowMs,
          words,
        }),
        rooted: nursery.rooted(batch.cropId),
        cups: countingOf(entries, 'move').flatMap(({ atMs, move: { cups, destination } }) =>
          cups.map((cup) => ({ ...cup, destination, atMs })),
        ),
      };
    },
    live: (nowMs: number): Batch[] => forecasts.at(household.get(), nowMs).live(),
    /** What the judgement of a batch rests on. */
    why: (id: string, nowMs: number): WhyPanel => forecasts.at(household.get(), nowMs).why(id),
  };
}
