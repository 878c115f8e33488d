import { USUAL_SETUP } from '../carrier/index.js';
import { lookQuestion, nextLook, type LookQuestion, type NextLook } from '../looking/index.js';
import { answersOf, workingsFor, type Answers, type ParcelFacts } from '../parcel/index.js';
import { opensCoat } from '../preparing/index.js';
import { supplyOf, type Supply } from '../sowing/index.js';
import { DAY_MS } from '../units/index.js';
import { mouldIndex } from './mould.js';

/** All that is answered about one parcel at one moment. */
export interface Report extends Answers {
  readonly next: NextLook;
  /** Mould index, 0 to 10: a rule of thumb, no chance. */
  readonly mould: number;
  /** Whether enough will come, and what would mend it. */
  readonly supply: Supply;
}

const mouldOf = (facts: ParcelFacts, { state, meanC, drying, nowMs }: Answers): number =>
  mouldIndex({
    crop: facts.crop,
    closure: facts.closure,
    setup: facts.setup ?? USUAL_SETUP,
    celsius: meanC,
    days: (nowMs - facts.startMs) / DAY_MS,
    wetness: drying.shareLeft,
    pooling: facts.looks.at(-1)?.damp === 'pooling',
    damaged: opensCoat(facts.prepared ?? []),
    found: (state.rotten + facts.looks.filter(({ troubles }) => troubles.includes('threads')).length) / facts.seeds,
  });

/**
 * Everything that is answered about a parcel, and the question of when to look with
 * its chances, for the other parcels of the bag. Tuck in, Today and every batch ask
 * this one function.
 *
 * @param facts looks after `nowMs` must not be in them
 * @throws RangeError where facts contradict each other (more tips than seeds)
 */
export function reportAndQuestion(facts: ParcelFacts, nowMs: number): { readonly report: Report; readonly question: LookQuestion } {
  const workings = workingsFor(facts, nowMs);
  const answers = answersOf(workings, nowMs);
  const question = lookQuestion(workings, answers, nowMs);
  return {
    report: { ...answers, next: nextLook(question), mould: mouldOf(facts, answers), supply: supplyOf(workings, nowMs) },
    question,
  };
}

/** Everything that is answered about a parcel; see {@link reportAndQuestion}. */
export const reportFor = (facts: ParcelFacts, nowMs: number): Report => reportAndQuestion(facts, nowMs).report;
