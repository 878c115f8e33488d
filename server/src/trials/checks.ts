import { MOST_SEEDS_A_SIDE, type TrialWords } from '@fresh-tuck/contract';
import { listed } from '@fresh-tuck/core/units';
import type { Stores } from '../forecasts/facts.js';
import { Problem } from '../http/problem.js';
import { closedAt, isUntucked, seedsOf } from '../journal/read.js';

/**
 * What a trial names must be there and comparable. A trial put together afterwards has
 * batches on every side, all of them closed; one that is planned gets them as they are
 * begun.
 */
export function checkTrial(
  { arms, plan }: TrialWords,
  { batches, journal, packets }: Pick<Stores, 'batches' | 'journal' | 'packets'>,
): void {
  if (plan && !packets.find(plan.packetId)) throw Problem.field('words.plan.packetId', 'words.plan.packetId must be a packet in the box');
  const stands = new Map<string, string>();
  arms.forEach(({ name, batchIds }, nth) => {
    const field = `words.arms.${nth}.batchIds`;
    const refuse = (says: string): never => {
      throw Problem.field(field, `${field} ${says}`);
    };
    if (plan === null && batchIds.length === 0) refuse(`must not be empty: ${name} has no batch; choose one for it, or leave the side out`);
    let seeds = 0;
    for (const id of batchIds) {
      const row = batches.get(id);
      const entries = journal.entries(id);
      const other = stands.get(id);
      if (other !== undefined)
        refuse(
          `must not name number ${row.number} ${other === name ? 'twice' : `on this side, as it stands on ${other}`}: a batch cannot be compared with itself`,
        );
      stands.set(id, name);
      if (plan === null && !isUntucked(entries) && closedAt(entries) === null)
        refuse(`must be batches that are over: number ${row.number} still lies, and what it will come to is not known`);
      seeds += seedsOf(row, entries);
    }
    if (seeds > MOST_SEEDS_A_SIDE)
      refuse(
        `hold ${seeds.toLocaleString('en')} seeds on ${name}: at most ${MOST_SEEDS_A_SIDE.toLocaleString('en')} a side can be compared; leave some of ${listed(batchIds.slice(0, 3).map((id) => `number ${batches.get(id).number}`))} out`,
      );
  });
}
