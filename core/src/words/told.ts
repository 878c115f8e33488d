import { judge, type Counsel, type Judgement, type Report } from '../judging/index.js';
import { methodFor } from '../method/index.js';
import type { ParcelFacts } from '../parcel/index.js';
import { rangeInWords, type Words } from '../units/index.js';
import type { Advice } from './advice.js';
import { headlineInWords, type HeadlineTold } from './headline.js';
import { leaveInWords } from './leave.js';
import { liftInWords } from './lift.js';
import { mendInWords } from './mend.js';
import { nextInWords } from './next.js';
import { groundsInWords, reasonsInWords } from './reasons.js';
import { supplyInWords } from './supply.js';

/** What the gardener reads about one parcel: one judgement, told once for every screen, print and calendar. */
export interface Told extends Pick<Judgement, 'verdict' | 'deadlineMs' | 'giveMl'> {
  readonly advice: readonly Advice[];
  /** Why it should be opened at its next look, and how sure that is: for Today. */
  readonly headline: HeadlineTold;
  /** Why the next look is when it is. */
  readonly nextReason: string;
  /** Where this is going, in a sentence. */
  readonly outlook: string;
  /** Figures behind the judgement, for "Why?". */
  readonly reasons: readonly string[];
  /** What they rest on, in short; drawn at length by `whyFor`. */
  readonly grounds: readonly string[];
}

/** One counsel as advice. */
function adviceOf(one: Counsel, facts: ParcelFacts, { nowMs }: Report, { next }: Judgement, words: Words): Advice {
  const method = methodFor(facts.method, facts.crop);
  if (one.kind === 'leave') return leaveInWords(one, next, method, facts.mates ?? null, nowMs, words);
  if (one.kind === 'rescue' || one.kind === 'move') return liftInWords(one, facts.crop, method, nowMs, words);
  if (one.kind === 'mend') return mendInWords(one, method, words);
  if (one.kind === 'retuck')
    return one.what === 'tips' ? liftInWords(one, facts.crop, method, nowMs, words) : mendInWords(one, method, words);
  return supplyInWords(one, method, nowMs, words);
}

/** Where it is going: "Expect 5 to 8 of 8 (8 chances in 10); you wanted 6." */
function outlookInWords({ end }: Report, { low, high, seeds, wanted }: Judgement['total']): string {
  const sure = end.low === end.high ? '' : ' (8 chances in 10)';
  return `Expect ${rangeInWords(low, high)} of ${seeds}${sure}${wanted === null ? '' : `; you wanted ${wanted}`}.`;
}

/**
 * Tells a judgement.
 *
 * @param facts, report the same that it was made from
 */
export function tell(judgement: Judgement, facts: ParcelFacts, report: Report, words: Words): Told {
  const { verdict, deadlineMs, giveMl, total, next } = judgement;
  const method = methodFor(facts.method, facts.crop);
  return {
    verdict,
    deadlineMs,
    giveMl,
    advice: judgement.counsel.map((one) => adviceOf(one, facts, report, judgement, words)),
    headline: headlineInWords(judgement.headline, report.state, method, report.nowMs, words),
    nextReason: nextInWords(next, method, facts.mates ?? null),
    outlook: outlookInWords(report, total),
    reasons: reasonsInWords(facts, report, next, words),
    grounds: groundsInWords(facts, report),
  };
}

/** Judges a report and tells it. */
export const toldFor = (facts: ParcelFacts, report: Report, words: Words): Told => tell(judge(facts, report), facts, report, words);
