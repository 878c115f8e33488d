import { createHash } from 'node:crypto';
import QuickLRU from 'quick-lru';
import { reportAndQuestion, type Report } from '@fresh-tuck/core/judging';
import { type ParcelFacts } from '@fresh-tuck/core/parcel';

type Answered = ReturnType<typeof reportAndQuestion>;

/** Answers that are kept, the last used. */
const KEPT = 400;
const MINUTE_MS = 60_000;
/** Answers are good for so long, while nothing is said and no moment that they name is reached. */
const HOLD_MS = { least: 8 * MINUTE_MS, spread: 8 * MINUTE_MS } as const;

/** The first moment after an answer at which it may read otherwise. */
function turnsAt(
  { lookTimesMs, chillUntilMs, test, secondStep }: ParcelFacts,
  { nowMs, next, window, roots, drying, patienceMs, soaking }: Report,
): number {
  const moments = [
    lookTimesMs.find((ms) => ms > nowMs),
    chillUntilMs,
    test?.finalMs,
    secondStep?.atMs,
    soaking?.enoughMs,
    soaking?.outByMs,
    next.atMs,
    window.readyMs,
    window.lateMs,
    drying.dryingAtMs,
    patienceMs,
    ...roots.flatMap(({ readyMs, lateFromMs, usuallyLateMs }) => [readyMs, lateFromMs, usuallyLateMs]),
  ];
  return Math.min(...moments.filter((ms): ms is number => typeof ms === 'number' && ms > nowMs));
}

/**
 * Answers by the content that they depend on. What did not change is not worked
 * out again; parcels asked for together do not all fall due together.
 */
export function answerCache() {
  const kept = new QuickLRU<string, { readonly answered: Answered; readonly fromMs: number; readonly untilMs: number }>({ maxSize: KEPT });
  return (facts: ParcelFacts, cropVersion: string, nowMs: number): Answered => {
    const { crop, lookTimesMs, ...rest } = facts;
    const hash = createHash('sha1')
      .update(JSON.stringify([crop.id, cropVersion, lookTimesMs[0], lookTimesMs[1], rest]))
      .digest();
    const key = hash.toString('base64');
    const found = kept.get(key);
    if (found && nowMs >= found.fromMs && nowMs < found.untilMs) return found.answered;
    const answered = reportAndQuestion(facts, nowMs);
    const hold = HOLD_MS.least + (hash.readUInt8(0) / 255) * HOLD_MS.spread;
    kept.set(key, { answered, fromMs: nowMs, untilMs: Math.min(nowMs + hold, turnsAt(facts, answered.report)) });
    return answered;
  };
}
