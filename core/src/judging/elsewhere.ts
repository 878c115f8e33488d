import { harmAhead, ALARM_AHEAD_MS, type Ahead } from '../looking/index.js';
import { answersOf, liesIn, workingsFor, type Answers, type ParcelFacts } from '../parcel/index.js';
import { comesAt } from '../sowing/index.js';
import { HOUR_MS } from '../units/index.js';
import { assumedHours, heatNow, type DeadlyWarmth, type Reading, type Stay } from '../warmth/index.js';

/** A parcel as it goes on where it stands, or would if it were carried elsewhere. */
export interface GoesOn {
  readonly window: Answers['window'];
  readonly nextTip: Answers['nextTip'];
  /** Further tips to be expected there, in the end. */
  readonly further: number;
  /** Share of the living that come by that warmth, its heat considered. */
  readonly comes: number;
  readonly driesMs: number;
  /** The place kills by what was read there last; null where it does not. */
  readonly heat: DeadlyWarmth | null;
  /** What is foreseen there within two days; null where it is harmless. */
  readonly harm: Ahead | null;
  readonly ribbon: Answers['ribbon'];
}

/** A parcel's hours ahead where it lies. */
export function hoursWhereItLies(facts: ParcelFacts, nowMs: number): Reading[] {
  const here = liesIn(facts, nowMs).findLast(({ fromMs }) => fromMs <= nowMs) ?? facts.stays[0];
  if (!here) return [];
  const fromMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
  const hours = assumedHours(here, fromMs, ALARM_AHEAD_MS / HOUR_MS, facts.utcOffsetHours);
  return hours.map(({ celsius }, hour) => ({
    ...{ fromMs: fromMs + hour * HOUR_MS, toMs: fromMs + (hour + 1) * HOUR_MS },
    ...{ minC: celsius, maxC: celsius },
  }));
}

/** Whether it lies in a chill that is not done. */
export const isChilling = ({ chillUntilMs }: Pick<ParcelFacts, 'chillUntilMs'>, nowMs: number): boolean =>
  chillUntilMs !== null && chillUntilMs > nowMs;

/** The facts of a parcel that is carried to another place at a moment. */
export const carriedTo = (facts: ParcelFacts, stay: Omit<Stay, 'fromMs'>, atMs: number): ParcelFacts => ({
  ...facts,
  stays: [...facts.stays.filter(({ fromMs }) => fromMs < atMs), { ...stay, fromMs: atMs }],
});

/**
 * How a parcel goes on by its facts: with {@link carriedTo} at another place, or with
 * another record ahead where it stands.
 */
export function goesOn(facts: ParcelFacts, nowMs: number): GoesOn {
  const workings = workingsFor(facts, nowMs);
  const answers = answersOf(workings, nowMs);
  return {
    window: answers.window,
    nextTip: answers.nextTip,
    further: answers.end.mean,
    comes: comesAt(facts.crop, workings.progress, Math.max(nowMs, facts.startMs)),
    driesMs: answers.drying.dryingAtMs,
    heat: heatNow(facts.crop, liesIn(facts, nowMs), nowMs),
    harm: harmAhead(facts.crop, hoursWhereItLies(facts, nowMs), isChilling(facts, nowMs), nowMs),
    ribbon: answers.ribbon,
  };
}

/** Further tips at another place: as many as here, by what the two warmths let come. */
export const furtherThere = (here: Pick<GoesOn, 'further' | 'comes'>, there: Pick<GoesOn, 'comes'>): number =>
  here.comes > 0 ? here.further * (there.comes / here.comes) : here.further;
