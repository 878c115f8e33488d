import { HOUR_MS } from '../units/index.js';
import { runBody, type Body, type BodyHour, type Happening } from './body.js';
import { bodyOf, changedBody, OPEN_LOSS_TIMES, type SpotSetup } from './body-guess.js';
import { assumedHours } from './progress.js';
import type { DayRange, Reading } from './spoken.js';

/** What comes over a spot, or came, by the clock. */
export type Occurrence = { readonly fromMs: number; readonly toMs: number } & (
  | { readonly kind: 'warm' | 'cold'; /** By how much at its height, K, above 0. */ readonly byC: number }
  | { readonly kind: 'sunny' | 'power_cut' | 'thermostat_off' | 'lid_off' }
);
export type OccurrenceKind = Occurrence['kind'];

/** A warm spot as its hours ahead hang on it. */
export interface SpotBody {
  readonly readings: readonly Reading[];
  /** What such a place is usually like. */
  readonly guess: DayRange;
  /** How it is set up now. */
  readonly setup: SpotSetup;
  /** What is around it: the room of a mat; for a place without one, what it is like itself. */
  readonly around: DayRange;
  /** As its own readings have it; null where there are too few. */
  readonly fitted: Body | null;
}

/** Clear sky on a day that is told to be sunny: what the sun adds against the usual, mixed day. Guess. */
const CLEAR_TIMES = 1.8;
/** What a body says of a change is off by this share of it. Guess. */
const CHANGE_ERROR = 0.3;
/** So long the hours ahead are worked out, days: what stays changed is by then the place's own pattern. */
export const AHEAD_DAYS = 14;

/** What began longer ago has done what it does, ms. */
const MOST_GOING_ON_MS = 48 * HOUR_MS;

/** An occurrence in the hours that a run counts. */
function happeningOf(one: Occurrence, hourOf: (ms: number) => number): Happening {
  const span = { fromHour: hourOf(one.fromMs), toHour: hourOf(one.toMs) };
  switch (one.kind) {
    case 'warm':
      return { ...span, kind: 'room', addC: one.byC };
    case 'cold':
      return { ...span, kind: 'room', addC: -one.byC };
    case 'sunny':
      return { ...span, kind: 'sun', times: CLEAR_TIMES };
    case 'lid_off':
      return { ...span, kind: 'lid_off', lossTimes: OPEN_LOSS_TIMES };
    default:
      return { ...span, kind: 'power_cut' };
  }
}

/** The body that a spot is: by its own readings, else as such a place is guessed. */
export const bodyNow = ({ setup, around, fitted }: Pick<SpotBody, 'setup' | 'around' | 'fitted'>): Body => fitted ?? bodyOf(setup, around);

/**
 * The hours that lie ahead of a spot where something is to come or to be changed: what
 * its own record says of them, and what its body says the change adds. The body's own
 * bias so falls out, and where nothing changes nothing is added.
 *
 * @param occurrences that are to come, or still go on; those that are over are in the record
 * @param setup as it is to be from now on; the present one where nothing is touched
 * @param days how far ahead, above 0
 * @returns a reading an hour, with its error; empty where nothing is to change
 */
export function hoursAhead(
  spot: SpotBody,
  {
    nowMs,
    utcOffsetHours,
    occurrences = [],
    setup = spot.setup,
    days = AHEAD_DAYS,
  }: {
    readonly nowMs: number;
    readonly utcOffsetHours: number;
    readonly occurrences?: readonly Occurrence[];
    readonly setup?: SpotSetup;
    readonly days?: number;
  },
): Reading[] {
  const fromMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
  const coming = occurrences.filter(({ toMs }) => toMs > fromMs);
  const touched = setup !== spot.setup && JSON.stringify(setup) !== JSON.stringify(spot.setup);
  if (coming.length === 0 && !touched) return [];
  // What goes on already has changed it already.
  const beganMs = coming.reduce((first, one) => Math.min(first, Math.floor(one.fromMs / HOUR_MS) * HOUR_MS), fromMs);
  const startMs = Math.max(beganMs, fromMs - MOST_GOING_ON_MS);
  const lead = Math.round((fromMs - startMs) / HOUR_MS);
  const hours = lead + Math.ceil(days * 24);
  const startHour = (startMs / HOUR_MS + utcOffsetHours) % 24;
  const hourOf = (ms: number): number => startHour + (ms - startMs) / HOUR_MS;
  const before = bodyNow(spot);
  const after = touched ? changedBody(before, spot.setup, setup) : before;
  // Both begin where it stands now: what was changed works in from there.
  const startC = runBody(before, { startHour: startHour - 1, hours: 1 }).hours[0]?.meanC ?? before.room.meanC;
  const run = (body: Body, happenings: readonly Happening[]): readonly BodyHour[] =>
    runBody(body, { startHour, hours, startC, happenings }).hours;
  const as = run(before, []);
  const other = run(
    after,
    coming.map((one) => happeningOf(one, hourOf)),
  );
  const hoursOfPlace = assumedHours({ fromMs: startMs, readings: spot.readings, guess: spot.guess }, startMs, hours, utcOffsetHours);
  return hoursOfPlace.slice(lead).map(({ celsius, errorC }, nth) => {
    const hour = lead + nth;
    const [was, is] = [as[hour], other[hour]];
    const adds = was && is ? is.meanC - was.meanC : 0;
    const swing = is ? [is.minC - is.meanC, is.maxC - is.meanC] : [0, 0];
    return {
      fromMs: startMs + hour * HOUR_MS,
      toMs: startMs + (hour + 1) * HOUR_MS,
      minC: celsius + adds + (swing[0] ?? 0),
      maxC: celsius + adds + (swing[1] ?? 0),
      errorC: Math.hypot(errorC, CHANGE_ERROR * adds),
    };
  });
}

/** So long after it is over something is still felt, h: by then the body has settled. */
export const SETTLES_HOURS = 24;
/** Less than this nobody would feel, K. */
const FELT_C = 0.1;
/** Nobody having measured, it is not taken to have been hotter than wet seed mostly bears, °C: a guess kills none. */
const MOST_TOLD_C = 38;

/**
 * The hours that were told to have come over a spot: what its own record says of such days, and what its body says
 * the happening added. To be counted before the readings of its thermometer, which know better.
 *
 * @param occurrences in any order, past or to come
 * @returns a reading an hour with its error, rising; each marked as having come once
 */
export function hoursTold(spot: SpotBody, occurrences: readonly Occurrence[], utcOffsetHours: number): Reading[] {
  return apart(occurrences).flatMap((together) => {
    const startMs = Math.floor(Math.min(...together.map(({ fromMs }) => fromMs)) / HOUR_MS) * HOUR_MS;
    const hours = Math.ceil((Math.max(...together.map(({ toMs }) => toMs)) - startMs) / HOUR_MS) + SETTLES_HOURS;
    const startHour = (startMs / HOUR_MS + utcOffsetHours) % 24;
    const body = bodyNow(spot);
    const startC = runBody(body, { startHour: startHour - 1, hours: 1 }).hours[0]?.meanC ?? body.room.meanC;
    const hourOf = (ms: number): number => startHour + (ms - startMs) / HOUR_MS;
    const as = runBody(body, { startHour, hours, startC, happenings: [] }).hours;
    const told = runBody(body, { startHour, hours, startC, happenings: together.map((one) => happeningOf(one, hourOf)) }).hours;
    const usual = assumedHours({ fromMs: startMs, readings: spot.readings, guess: spot.guess }, startMs, hours, utcOffsetHours);
    return usual.flatMap(({ celsius, errorC }, hour) => {
      const adds = (told[hour]?.meanC ?? 0) - (as[hour]?.meanC ?? 0);
      if (Math.abs(adds) < FELT_C) return [];
      const was = Math.min(celsius + adds, Math.max(celsius, MOST_TOLD_C));
      const fromMs = startMs + hour * HOUR_MS;
      return { fromMs, toMs: fromMs + HOUR_MS, minC: was, maxC: was, errorC: Math.hypot(errorC, CHANGE_ERROR * adds), once: true };
    });
  });
}

/** What came over a spot in groups, each settled before the next begins, rising. */
function apart(occurrences: readonly Occurrence[]): Occurrence[][] {
  const groups: Occurrence[][] = [];
  let settledMs = -Infinity;
  for (const one of [...occurrences].sort((a, b) => a.fromMs - b.fromMs)) {
    const last = groups.at(-1);
    if (last && one.fromMs < settledMs) last.push(one);
    else groups.push([one]);
    settledMs = Math.max(settledMs, one.toMs + SETTLES_HOURS * HOUR_MS);
  }
  return groups;
}
