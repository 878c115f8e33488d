import type { DayNumber } from './days.js';
import { after, later, notBefore, surely } from './day-law.js';
import { chanceOf, onwards, runFrom, stageDays, type Chain, type CropFrost, type Run, type SeasonGoal, type StageDays } from './chain.js';
import { startsFor, type Starts } from './starts.js';

/** How far a lot has come: days of the calendar; null for what has not happened. */
export interface Reached {
  readonly start: DayNumber;
  readonly moved: DayNumber | null;
  readonly out: DayNumber | null;
  readonly ripe: DayNumber | null;
}

/** A lot as the year has it. */
export interface LotYear {
  readonly starts: Starts;
  /** The day that it is started, or was; of one that should have been, the day it was to be. */
  readonly start: DayNumber;
  /** The day that its run is counted from: no start that was not made lies behind today. */
  readonly countedFrom: DayNumber;
  readonly run: Run;
  readonly stages: readonly StageDays[];
  readonly chance: number | null;
}

/** A start that is behind us is not asked for, nor is room held for it, where its chance is less. */
const HARDLY = 0.1;
/** Whether the time of a lot that was never begun is over: from today it would hardly ever be in time. */
export const isOver = ({ start, countedFrom, chance }: Pick<LotYear, 'start' | 'countedFrom' | 'chance'>): boolean =>
  start < countedFrom && chance !== null && chance < HARDLY;

/** What a lot's year is worked out from. */
export interface LotQuestion {
  readonly chain: Chain;
  readonly gate: DayNumber | null;
  readonly frost: Pick<CropFrost, 'newYear' | 'kills' | 'ends'>;
  /** Picking that a start is to leave time for after the first, days. */
  readonly picksDays: number;
  readonly goal: SeasonGoal;
  readonly sureness: number;
  readonly today: DayNumber;
  readonly outdoors: boolean;
  /** The day that was chosen to start; null where it is counted back. */
  readonly chosen: DayNumber | null;
  /** What was really done of it; null where it is not begun. */
  readonly reached: Reached | null;
}

/** A run that has begun: what was done stands, what is to come goes on from it and lies ahead of today. */
function begun({ chain, gate, frost, today }: LotQuestion, { start, moved, out, ripe }: Reached): Run {
  const ahead = (law: Run['out']): Run['out'] => notBefore(law, today);
  const tips = moved === null ? ahead(later(chain.tips, start)) : later(chain.tips, start);
  const movedLaw = moved === null ? ahead(later(chain.moved, start)) : surely(moved);
  const nursedFrom = moved === null ? later(chain.nursed, start) : after(surely(moved), chain.nursing);
  const nursed = out === null ? ahead(nursedFrom) : nursedFrom;
  const hardened = out === null ? ahead(chain.hardening ? after(nursed, chain.hardening) : nursed) : surely(out);
  const run = onwards(chain, { start, tips, moved: movedLaw, nursed, hardened }, out === null ? gate : null, frost);
  if (ripe !== null) return { ...run, ripe: surely(ripe), ripeInTime: 1 };
  const kept = run.ripe && ahead(run.ripe);
  return { ...run, ripe: kept };
}

/** Works out a lot's year: when to start, or how it goes on from where it is. @param starts where they are known already */
export function lotYear(question: LotQuestion, starts: Starts = startsFor(question)): LotYear {
  const { chain, gate, frost, goal, chosen, reached, outdoors } = question;
  const start = reached?.start ?? chosen ?? starts.best;
  const countedFrom = reached ? start : Math.max(start, question.today);
  const run = reached ? begun(question, reached) : runFrom(chain, countedFrom, gate, frost);
  return { starts, start, countedFrom, run, stages: stageDays(run, chain, outdoors), chance: chanceOf(run, goal) };
}
