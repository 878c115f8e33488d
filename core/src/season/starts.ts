import type { DayNumber } from './days.js';
import { dayBy } from './day-law.js';
import { frostDay } from './frost-law.js';
import { chanceFrom, chanceOf, outFrom, runFrom, type Chain, type CropFrost, type SeasonGoal } from './chain.js';

/** A plant that is ready so long before it may go out has outgrown its pot, days. Guess. */
const WAITS_AT_MOST = 14;
/** Of what bears another year, or nobody knows when: it is in its place so long before the season ends and has taken root, days. Common practice (six weeks), no source. */
const ROOTS_IN = 42;
/** Where nobody said any frost either: planted out so long after it could be, the season is going to waste, days. Guess. */
const WASTES_AT_MOST = 28;
/** A start is looked for so far on either side of the day that would just do, days. */
const REACH = 240;

/** Where no start is sure enough, one is late that has lost so much of the chance. Guess. */
const FADES = 0.1;

/** When a sowing is started, and how much leave there is. */
export interface Starts {
  /** The day to start for the chosen sureness. */
  readonly best: DayNumber;
  /** Sensible from here: sooner, and it waits overgrown; until here: later, and it is late. Null where any day will do. */
  readonly from: DayNumber | null;
  readonly until: DayNumber | null;
  /** Chance of what is wished from the best day; null where nothing can be said. */
  readonly chance: number | null;
  /** Whether the sureness can be had at all. */
  readonly sure: boolean;
}

/** What a day to start is chosen by. */
export interface StartQuestion {
  readonly chain: Chain;
  readonly gate: DayNumber | null;
  readonly frost: Pick<CropFrost, 'newYear' | 'kills' | 'ends'>;
  /** Picking that a start is to leave time for after the first, days. */
  readonly picksDays?: number;
  readonly goal: SeasonGoal;
  readonly sureness: number;
  readonly today: DayNumber;
}

/** The last day of a stretch on which something still holds that gets rarer; null where it does not even on the first. */
function lastWith(from: DayNumber, to: DayNumber, holds: (day: DayNumber) => boolean): DayNumber | null {
  if (!holds(from)) return null;
  let [low, high] = [from, to];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return holds(high) ? high : low;
}

/**
 * Counts back to the day to start: so that it is ready when it may go out, or soon enough to be
 * ripe before the frost, or by the day that is wished; but no sooner than it would stand overgrown.
 * A start that is behind us stays behind us: whoever asks says what today still gives.
 */
export function startsFor({ chain, gate, frost, goal, sureness, today, picksDays = 0 }: StartQuestion): Starts {
  const half = Math.round(dayBy(chain.hardened, 0.5));
  const reaches = chanceFrom(chain, goal, frost);
  const chance = (day: DayNumber): number | null => reaches && reaches(outFrom(chain, day, gate));
  const wished = goal.kind === 'season' ? null : goal.day;
  const about = wished ?? gate ?? today;
  // Where nothing can be said of it, nothing is late.
  const known = chance(about - half) !== null;
  const enough = known ? lastWith(about - half - REACH, about - half + REACH, (day) => (chance(day) ?? 0) >= sureness) : null;
  const soonest = gate === null ? null : gate - WAITS_AT_MOST - half;
  // A day that is wished is counted back from; else it is to be ready half of the time on the day on which it may go out.
  const ready = wished === null ? (gate === null ? today : gate - half) : Infinity;
  const wanted = Math.min(ready, enough ?? (known || wished !== null ? (soonest ?? today) : Infinity));
  const best = Math.max(wanted, soonest ?? -Infinity);
  // Where so much cannot be had, until most of what can be had is lost.
  const most = known && enough === null ? chance(best) : null;
  const fading = most === null ? null : lastWith(best, best + REACH, (day) => (chance(day) ?? 0) >= most - FADES);
  const latest = Math.min(enough ?? fading ?? Infinity, wished === null ? (grownBy() ?? Infinity) : Infinity);
  return {
    best,
    from: soonest,
    until: Number.isFinite(latest) ? Math.max(latest, best) : null,
    chance: chance(best),
    sure: !known || (enough !== null && enough >= best),
  };

  /** The last start that is ripe, and picked for a while, when its season ends; of what bears another year, one that takes root by then. */
  function grownBy(): DayNumber | null {
    const { ripening } = chain;
    const ends = frost.ends ? frostDay(frost.ends, 0.5) : null;
    if (ends === null) return gate === null ? null : gate + WASTES_AT_MOST - half;
    const takes = ripening === null ? ROOTS_IN : dayBy(ripening, 0.5) + picksDays;
    return lastWith(best, best + REACH, (day) => dayBy(outFrom(chain, day, gate), 0.5) + takes <= frost.newYear + ends);
  }
}

/** What a start some days off does. */
export interface Shifted {
  readonly days: number;
  readonly start: DayNumber;
  readonly outAt50: number;
  readonly ripeAt50: number | null;
  readonly chance: number | null;
  /** Days that it stands ready before it may go out, half of the time. */
  readonly waits: number;
}

/** What a week or two earlier and later do. */
export function shiftedBy(
  { chain, gate, frost, goal }: Pick<StartQuestion, 'chain' | 'gate' | 'frost' | 'goal'>,
  start: DayNumber,
  days: readonly number[],
): Shifted[] {
  return days.map((by) => {
    const run = runFrom(chain, start + by, gate, frost);
    return {
      days: by,
      start: start + by,
      outAt50: dayBy(run.out, 0.5),
      ripeAt50: run.ripe && dayBy(run.ripe, 0.5),
      chance: chanceOf(run, goal),
      waits: gate === null ? 0 : Math.max(gate - dayBy(run.hardened, 0.5), 0),
    };
  });
}

/**
 * Starts of further lots, each meant to be ripe (else planted out) so many days after the one
 * before: where frost holds the first ones they must not come due together.
 *
 * @param every days between harvests; @param times lots in all, the first among them
 */
export function successions(
  { chain, gate, frost }: Pick<StartQuestion, 'chain' | 'gate' | 'frost'>,
  first: DayNumber,
  every: number,
  times: number,
): DayNumber[] {
  const due = (start: DayNumber): number => {
    const run = runFrom(chain, start, gate, frost);
    return dayBy(run.ripe ?? run.out, 0.5);
  };
  const begun = due(first);
  const starts = [first];
  for (let nth = 1; nth < times; nth++) {
    const before = starts.at(-1) ?? first;
    const goal = begun + nth * every;
    let start = before + 1;
    while (start < before + every + REACH && due(start) < goal - 0.5) start++;
    starts.push(start);
  }
  return starts;
}
