import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { runBody, type Body, type BodyHour } from './body.js';

/** What a thermometer said of a stretch, by the hours of the spot's clock: 0 is the midnight before the first day. */
export interface HourReading {
  readonly fromHour: number;
  readonly toHour: number;
  readonly minC: number;
  readonly maxC: number;
}

/** A body as its own readings have it. */
export interface FittedBody {
  readonly body: Body;
  /** Root of the mean square of what was read less what the body says, °C. */
  readonly errorC: number;
  /** Readings that it was fitted to. */
  readonly readings: number;
}

/** An extreme is known so well, °C: a household thermometer, and what lies a hand's breadth from it. Guess. */
const READ_SD_C = 0.5;
/** How well a guess of the body is believed: °C, hours, log ratios, W. What the dial says and what it keeps differ too. Guesses. */
const PRIOR_SD = { meanC: 3, swingC: 1.5, warmestHour: 3, logLoss: 0.4, logHeat: 0.5, sunWatts: 15, dialC: 1.2, logBand: 0.5 } as const;
/** Fewer than this leave the guess as it is. */
const LEAST_READINGS = 3;
/** Readings are taken from so many days back at most, hours: a spot is heated otherwise in another season. */
const MOST_HOURS = 5 * 24;
/** Nothing was won by more in the four kinds of place that it is tried on. */
const MOST_ROUNDS = 16;
/** A thermostat's cycle is about as long as a logger's hour: in which of them it turns is chance. A longer reading holds several. */
const MOST_CYCLE_HOURS = 2;
/** A mat that does not reach its setting looks like one that is set lower: both are tried, in sd of the prior. */
const LOSS_STARTS = [0, 1.5] as const;

type Name = keyof typeof PRIOR_SD;
type Departures = Partial<Record<Name, number>>;

/** The guess with some departures from it; the dial's error moves the setting that is really kept. */
function departed(guess: Body, by: Departures): Body {
  const thermostat = guess.mat?.thermostat ?? null;
  return {
    heatWhPerK: guess.heatWhPerK * Math.exp(by.logHeat ?? 0),
    lossWPerK: guess.lossWPerK * Math.exp(by.logLoss ?? 0),
    room: {
      meanC: guess.room.meanC + (by.meanC ?? 0),
      halfSwingC: Math.max(guess.room.halfSwingC + (by.swingC ?? 0), 0),
      warmestHour: guess.room.warmestHour + (by.warmestHour ?? 0),
    },
    mat: guess.mat && {
      ...guess.mat,
      thermostat: thermostat && {
        ...thermostat,
        setC: thermostat.setC + (by.dialC ?? 0),
        bandC: thermostat.bandC * Math.exp(by.logBand ?? 0),
      },
    },
    sun: guess.sun && { ...guess.sun, watts: Math.max(guess.sun.watts + (by.sunWatts ?? 0), 0) },
  };
}

/** Extremes that a run says of a stretch; by the whole hours that it touches by half or more. */
function extremes(hours: readonly BodyHour[], fromHour: number, toHour: number): readonly [number, number] {
  const first = Math.min(Math.round(fromHour), hours.length - 1);
  const last = Math.max(Math.min(Math.round(toHour), hours.length), first + 1);
  let [low, high] = [Infinity, -Infinity];
  for (let hour = first; hour < last; hour++) {
    low = Math.min(low, hours[hour]?.minC ?? Infinity);
    high = Math.max(high, hours[hour]?.maxC ?? -Infinity);
  }
  return [low, high];
}

/** The extremes of each and its neighbours so far away, one after another. */
function withNeighbours(all: readonly (readonly [number, number])[], around: number): number[] {
  return all.flatMap((_, nth) => {
    const near = all.slice(Math.max(nth - around, 0), nth + around + 1);
    return [Math.min(...near.map(([low]) => low)), Math.max(...near.map(([, high]) => high))];
  });
}

/**
 * Fits a body to what its spot's thermometer said, by least squares (Levenberg and
 * Marquardt) with the guess as a prior: what the readings do not tell stays as it was.
 *
 * @param guess by kind of place and what the household says of it
 * @param readings rising; those of the last five days are used
 * @returns null where there are fewer than three readings: the guess stands
 */
export function fitBody(guess: Body, readings: readonly HourReading[]): FittedBody | null {
  const lastHour = readings.at(-1)?.toHour ?? 0;
  const used = readings.filter(({ fromHour }) => fromHour >= lastHour - MOST_HOURS);
  if (used.length < LEAST_READINGS) return null;
  const firstHour = Math.floor(used[0]?.fromHour ?? 0);
  const hours = Math.max(Math.ceil(lastHour - firstHour), 1);
  // Where it begins is told by its first reading.
  const startC = ((used[0]?.minC ?? 0) + (used[0]?.maxC ?? 0)) / 2;
  const names = (Object.keys(PRIOR_SD) as Name[]).filter(
    (name) => (name !== 'sunWatts' || guess.sun !== null) && ((name !== 'dialC' && name !== 'logBand') || guess.mat?.thermostat),
  );
  const bodyFor = (scaled: readonly number[]): Body =>
    departed(guess, Object.fromEntries(names.map((name, nth) => [name, (scaled[nth] ?? 0) * PRIOR_SD[name]])));
  const around = guess.mat?.thermostat && used.every(({ fromHour, toHour }) => toHour - fromHour <= MOST_CYCLE_HOURS) ? 1 : 0;
  const said = (scaled: readonly number[]): number[] => {
    const run = runBody(bodyFor(scaled), { startHour: firstHour, hours, startC }).hours;
    return withNeighbours(
      used.map(({ fromHour, toHour }) => extremes(run, fromHour - firstHour, toHour - firstHour)),
      around,
    );
  };
  const read = withNeighbours(
    used.map(({ minC, maxC }) => [minC, maxC]),
    around,
  );
  const target = [...read.map((celsius) => celsius / READ_SD_C), ...names.map(() => 0)];
  const model = (scaled: number[]) => {
    const values = [...said(scaled).map((celsius) => celsius / READ_SD_C), ...scaled];
    return (at: number): number => values[at] ?? 0;
  };
  const fits = (guess.mat ? LOSS_STARTS : [0]).map((logLoss) =>
    levenbergMarquardt({ x: target.map((_, nth) => nth), y: target }, model, {
      initialValues: names.map((name) => (name === 'logLoss' ? logLoss : 0)),
      damping: 1,
      gradientDifference: 0.02,
      maxIterations: MOST_ROUNDS,
      improvementThreshold: 1e-3,
      errorTolerance: 1e-3,
    }),
  );
  const { parameterValues } = fits.reduce((best, each) => (each.parameterError < best.parameterError ? each : best));
  const residuals = said(parameterValues).map((celsius, nth) => celsius - (read[nth] ?? 0));
  const errorC = Math.sqrt(residuals.reduce((sum, each) => sum + each * each, 0) / residuals.length);
  return { body: bodyFor(parameterValues), errorC, readings: used.length };
}
