import { moveRequest, type StayRequest } from '@fresh-tuck/contract';
import { Problem } from '../http/problem.js';
import { refuseClosed } from '../journal/close.js';
import { checkMove } from '../journal/move.js';
import { mending } from '../batches/mending.js';
import { spotOf } from '../forecasts/facts.js';
import type { Services } from '../services.js';
import { arrivingOf } from './arriving.js';

/** Seedlings that came up where they were sown stay there: the move that gives each its label, where its batch stands. */
export function stayingOn({ batches, care, holders, household, journal }: Services) {
  const { subject } = mending({ batches, journal });

  /** @throws Problem where nothing of it is up, or it stands in a bed, which has to be named */
  return ({ id, batchId }: StayRequest, atMs: number, nowMs: number): void => {
    const about = subject(batchId);
    refuseClosed(about);
    const { row, seeds, counted, stands } = arrivingOf({ batches, journal }, batchId);
    if (stands === null) throw Problem.field('batchId', 'batchId must be a batch that was sown where it stands');
    if (stands === 'bed') throw Problem.field('batchId', 'batchId must not be a row of a bed: move it, and say which bed');
    if (seeds.length + counted === 0) throw Problem.field('batchId', 'batchId must have seedlings up that have no label yet');
    const move = moveRequest.parse({ id, at: null, seeds, uncounted: counted, destination: stands, who: null });
    checkMove(move, atMs, about);
    journal.addMove({ id, batchId, atMs, nowMs, who: null }, move, household.takeNumber);
    const spotId = spotOf(row, { batches, holders });
    if (spotId && care.spotOf(batchId, atMs) === null) care.add([batchId], id, { kind: 'place', spotId }, atMs, nowMs);
  };
}
