import type { batchRequest } from '@fresh-tuck/contract';
import type * as z from 'zod';
import { Problem } from '../http/problem.js';

/** Refuses a batch that does not fit itself. */
export function checkBatch({ purpose, replicates, seeds, taken, finalDays, soaking, prepared }: z.output<typeof batchRequest>): void {
  if (soaking && !prepared.includes('soak')) throw Problem.field('soaking', 'soaking must be left out where the seed is not soaked first');
  if (taken !== null && taken > seeds) throw Problem.field('taken', `taken must be at most ${seeds}: no more is taken than is laid`);
  if (replicates > seeds) throw Problem.field('replicates', `replicates must be at most ${seeds}: each needs a seed`);
  if (purpose === 'plants' && replicates > 1) throw Problem.field('replicates', 'replicates must be 1 where it is not a test');
  if ((purpose === 'test') !== (finalDays !== null))
    throw Problem.field('finalDays', 'finalDays must say when a test is counted for the last time, and only there');
}
