import { DAY_MS } from '../units/index.js';
import { waysOf, type ParcelFacts } from './facts.js';
import { momentOf, type Workings } from './workings.js';

/** Lots straggle more often than the law that tells them best: hope is judged with this to spare (docs/patience.md). */
const TO_SPARE = 0.6;
/** Chance of a further tip below which a lot is judged. */
export const judgedBelow = (facts: Pick<ParcelFacts, 'ways'>): number => TO_SPARE * waysOf(facts).leastHope;

/** What may still come of the quiet seeds, and until when one waits. */
export interface Waiting {
  /** Chance of any further tip in the next half of the time so far. */
  readonly chanceAnyFurther: number;
  /** Until when that reaches, ms; never past. */
  readonly hopeUntilMs: number;
  /** Chance that any comes ever. */
  readonly chanceEver: number;
  /** When the lot is judged if nothing more shows till then, ms. */
  readonly patienceMs: number;
}

/** A promise reaches this far beyond the time so far. */
const NEXT_HALF = 1.5;
/** Two steps are the next half, so that each chance serves twice. */
const STEP = Math.sqrt(NEXT_HALF);
/** After so many steps nobody looks for an end. */
const MOST_STEPS = 14;
/** Beyond so many times the crop's usual days nobody looks for an end. */
const LONGEST_TIMES = 40;

/**
 * Step at which the chance of a tip within two steps more, none having shown, falls
 * below a level; between two steps it falls as if straight.
 *
 * @param any chance that one has shown by a step
 */
function fallsAt(any: (step: number) => number, level: number): number {
  const known: number[] = [];
  const by = (step: number): number => (known[step] ??= any(step));
  const hope = (step: number): number => (by(step) >= 1 ? 0 : (by(step + 2) - by(step)) / (1 - by(step)));
  let before = hope(0);
  if (before < level) return 0;
  for (let step = 1; step < MOST_STEPS; step++) {
    const now = hope(step);
    if (now < level) return step - 1 + (before - level) / Math.max(before - now, 1e-12);
    before = now;
  }
  return MOST_STEPS;
}

/**
 * Patience follows what is known of the lot: it is judged when the chance of a tip in
 * the next half of the time so far, nothing having shown, falls below the household's
 * least hope, and never before its least patience. Time is progress: days on which
 * nothing could come do not count.
 */
export function waitingOf({ facts, progress, outlook, evidence, slower }: Workings, nowMs: number): Waiting {
  const { patienceTimes } = waysOf(facts);
  const leastHope = judgedBelow(facts);
  const from = progress.at(facts.chillUntilMs ?? facts.startMs);
  const usual = slower * Math.exp(facts.prior.logMedian.mean);
  const soFar = Math.max(progress.at(nowMs) - from, 0);
  const start = Math.max(patienceTimes * usual, Math.min(soFar, LONGEST_TIMES * usual));
  const judged =
    evidence.quiet.count === 0 ? start : start * STEP ** fallsAt((step) => outlook.chanceAny(from + start * STEP ** step), leastHope);
  const untilMs = Math.max(momentOf(progress, from + NEXT_HALF * Math.max(soFar, (patienceTimes * usual) / 2)), nowMs + DAY_MS);
  return {
    chanceAnyFurther: outlook.chanceAny(progress.at(untilMs)),
    hopeUntilMs: untilMs,
    chanceEver: outlook.chanceAny(Infinity),
    patienceMs: momentOf(progress, from + judged),
  };
}
