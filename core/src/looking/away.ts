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
