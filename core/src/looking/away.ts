import type { Crop } from '../crops/index.js';
import type { Progress } from '../warmth/index.js';
import { dryingForecast, lossPerDay, type Closure } from '../carrier/index.js';
import { methodOf } from '../method/index.js';
import { feltOf, type Absence, type Answers, type ParcelFacts } from '../parcel/index.js';
import type { LookQuestion } from './next-look.js';

/** What an absence does to a parcel that is left as it is. */
export interface AwayRisk {
  /** Chance that a root grows into the paper while nobody is there. */
  readonly late: number;
  /** Of that, what roots that show by the day of leaving have in it: they can be moved before. */
  readonly shownLate: boolean;
  /** When its towel begins to dry, or its water wants changing; null where that is before or after. */
  readonly driesMs: number | null;
  /** When it is to be out of its soak, and when it drowns there; null where neither is meanwhile. */
  readonly soakMs: number | null;
  /** A test's final count, an agreed second step, the end of a chill that fall into it. */
  readonly countMs: number | null;
  readonly secondMs: number | null;
  readonly chillMs: number | null;
}

const within = (ms: number | null | undefined, { fromMs, toMs }: Absence): number | null =>
  typeof ms === 'number' && ms >= fromMs && ms < toMs ? ms : null;

/**
 * What an absence does to a parcel that is looked at once more on leaving and then left
 * as it is. What is ready by then is moved, so only roots that pass "late" after it count.
 *
 * @param question of when to look, with the absence's looking times left out or not
 */
export function awayRisk(facts: ParcelFacts, answers: Answers, question: LookQuestion, absence: Absence): AwayRisk {
  const { fromMs, toMs } = absence;
  const before = question.quietLateBy(fromMs);
  const quiet = before >= 1 ? 0 : Math.max((question.quietLateBy(toMs) - before) / (1 - before), 0);
  const shownLate = answers.roots.some(({ usuallyLateMs }) => usuallyLateMs >= fromMs && usuallyLateMs < toMs);
  const { soaking, drying, state } = answers;
  const standing = state.quiet + state.showing > 0;
  return {
    late: shownLate ? 1 : quiet,
    shownLate,
    driesMs: standing && !soaking ? within(drying.dryingAtMs, absence) : null,
    soakMs: soaking ? within(soaking.outByMs, absence) : null,
    countMs: within(facts.test && !facts.test.result ? facts.test.finalMs : null, absence),
    secondMs: within(question.secondMs, absence),
    chillMs: within(question.chillUntilMs, absence),
  };
}

/** Whether an absence leaves a parcel nothing to be done about. */
export const isHarmless = (risk: AwayRisk, tolerance: number): boolean =>
  risk.late <= tolerance && [risk.driesMs, risk.soakMs, risk.countMs, risk.secondMs, risk.chillMs].every((ms) => ms === null);

/**
 * When a towel begins to dry that is given its dose on leaving, closed so.
 *
 * @param closure as it is closed then
 */
export function driesAfter(facts: ParcelFacts, { meanC }: Pick<Answers, 'meanC'>, leavingMs: number, closure: Closure): number {
  const method = methodOf(facts.method);
  // How fast it dries is the bag's own under the closure that it has had; another one changes it by the rule of thumb.
  const times = lossPerDay(closure) / lossPerDay(facts.closure);
  const loss = (method.lossPerDayAt25C ?? lossPerDay(facts.closure)) * (method.lossPerDayAt25C === null ? times : 1);
  return dryingForecast(loss, meanC, leavingMs, [...feltOf(facts), { atMs: leavingMs, damp: 'damp', rewetted: true }], leavingMs)
    .dryingAtMs;
}

/** One chance in ten lies before it, sd of log progress. */
const EARLY_SD = 1.28;

/**
 * How long a start takes at the earliest to a root too long to free, where that falls into an absence.
 *
 * @param prior of the lot: median of log progress at which the living tip, and its spread
 * @param progress of the place that it would lie in, from its start on
 * @returns ms from the start; null where nothing is late meanwhile
 */
export function lateStart(
  { lateMm, mmPerDayAtOptimum }: Crop['root'],
  { logMedian, spread }: { readonly logMedian: { readonly mean: number }; readonly spread: { readonly median: number } },
  progress: Pick<Progress, 'startMs' | 'when'>,
  { fromMs, toMs }: Absence,
): number | null {
  const grows = lateMm / mmPerDayAtOptimum;
  const early = progress.when(Math.exp(logMedian.mean - EARLY_SD * spread.median) + grows);
  const usual = progress.when(Math.exp(logMedian.mean) + grows);
  return early === null || early >= toMs || (usual ?? Infinity) < fromMs ? null : early - progress.startMs;
}

/**
 * The first absence in which what is begun now would be late, and from when a start is late enough; null where none is.
 *
 * @param window of the first sprout, as its forecast has it
 * @param away rising
 */
export function startedAway(
  { readyMs, lowMs, highMs, lateMs }: Pick<Answers['window'], 'readyMs' | 'lowMs' | 'highMs' | 'lateMs'>,
  away: readonly Absence[],
  startMs: number,
): { readonly absence: Absence; readonly beginMs: number } | null {
  if (readyMs === null || lateMs === null) return null;
  const stays = lateMs - readyMs;
  const earlyMs = (lowMs ?? readyMs) + stays;
  const absence = away.find(({ fromMs, toMs }) => earlyMs < toMs && (highMs ?? readyMs) + stays > fromMs);
  return absence ? { absence, beginMs: startMs + absence.toMs - earlyMs } : null;
}
