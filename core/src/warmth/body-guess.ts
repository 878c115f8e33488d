import { runBody, type Body, type Happening } from './body.js';
import type { DayRange } from './spoken.js';

/** What a household tells of a warm spot beside its record. */
export interface SpotSetup {
  /** A lid, a closed box or a cover over what stands there. */
  readonly lidded: boolean;
  /** Folded cloths between mat and parcels. */
  readonly cloths: number;
  readonly mat: {
    readonly watts: number;
    /** Null where no thermostat switches it. */
    readonly setC: number | null;
    readonly bandC: number;
    readonly probe: 'fold' | 'mat';
  } | null;
  /** Hours of its day at which the sun reaches it; null where it never does. */
  readonly sun: { readonly fromHour: number; readonly toHour: number } | null;
}

/** Guesses for a tray of bags on a mat of about 25 by 50 cm; readings correct them. */
const TRAY = {
  heatWhPerK: 1.2,
  lossLiddedWPerK: 0.9,
  betweenKPerW: 0.3,
  clothKPerW: 0.5,
  belowKPerW: 1.5,
  lagHours: 0.05,
  sunLiddedWatts: 22,
  warmestHour: 16,
} as const;
/** Without its lid a tray loses so many times as much, and takes up less sun: nothing keeps the air. Guesses. */
export const OPEN_LOSS_TIMES = 2;
const OPEN_SUN_TIMES = 0.6;

/**
 * The body that a place is guessed to be before its readings say more.
 *
 * @param setup what stands there
 * @param around what surrounds it, by a day: the room for a mat, else what such a place is like, °C
 */
export function bodyOf({ lidded, cloths, mat, sun }: SpotSetup, around: DayRange): Body {
  return {
    heatWhPerK: TRAY.heatWhPerK,
    lossWPerK: TRAY.lossLiddedWPerK * (lidded ? 1 : OPEN_LOSS_TIMES),
    room: { meanC: (around.minC + around.maxC) / 2, halfSwingC: (around.maxC - around.minC) / 2, warmestHour: TRAY.warmestHour },
    mat: mat && {
      watts: mat.watts,
      betweenKPerW: TRAY.betweenKPerW + cloths * TRAY.clothKPerW,
      belowKPerW: TRAY.belowKPerW,
      thermostat: mat.setC === null ? null : { setC: mat.setC, bandC: mat.bandC, probe: mat.probe, lagHours: TRAY.lagHours },
    },
    sun: sun && { ...sun, watts: TRAY.sunLiddedWatts * (lidded ? 1 : OPEN_SUN_TIMES) },
  };
}

/**
 * A body whose household changes what stands there: the setting by as much as the dial
 * is turned, a cloth more, the lid away. What was fitted stays.
 */
export function changedBody(body: Body, from: SpotSetup, to: SpotSetup): Body {
  const [was, is] = [bodyOf(from, SAME_ROOM), bodyOf(to, SAME_ROOM)];
  const thermostat = body.mat?.thermostat ?? null;
  const [dialled, wished] = [was.mat?.thermostat ?? null, is.mat?.thermostat ?? null];
  return {
    ...body,
    lossWPerK: (body.lossWPerK * is.lossWPerK) / was.lossWPerK,
    mat: is.mat && {
      ...is.mat,
      betweenKPerW: Math.max(
        (body.mat?.betweenKPerW ?? is.mat.betweenKPerW) + is.mat.betweenKPerW - (was.mat?.betweenKPerW ?? is.mat.betweenKPerW),
        0.01,
      ),
      thermostat: wished && {
        ...wished,
        setC: wished.setC + (thermostat && dialled ? thermostat.setC - dialled.setC : 0),
        bandC: thermostat && dialled ? (thermostat.bandC * wished.bandC) / dialled.bandC : wished.bandC,
      },
    },
    sun: is.sun && { ...is.sun, watts: (is.sun.watts * (body.sun?.watts ?? 1)) / (body.sun ? (was.sun?.watts ?? body.sun.watts) : 1) },
  };
}
/** What surrounds a body says nothing of what stands there. */
const SAME_ROOM: DayRange = { minC: 20, maxC: 20 };

/** What a body comes to over a day that is like the others. */
export interface BodyDay extends DayRange {
  readonly meanC: number;
  /** Share of the day that the mat is on. */
  readonly on: number;
  /** Of the mat, by its plate, Wh. */
  readonly wattHours: number;
  /** Of the mat's own surface, at the mean; null where there is none. */
  readonly matC: number | null;
  /** From the room's warmth to within the band, or nine tenths of the way, h; null where it has no mat. */
  readonly warmUpHours: number | null;
  /** How far it goes beyond its setting when it is switched on cold, °C, 0 or more; null without a thermostat. */
  readonly overshootC: number | null;
  /** Whether its mat reaches what the thermostat is set to at every hour; null without one. */
  readonly reaches: boolean | null;
}

const DAY_HOURS = 24;
/** A mat that has not warmed its tray by then never does. */
const MOST_WARMING_HOURS = 48;

/**
 * A body's day: its warmth, what its mat takes, how long it needs from cold, and whether
 * it gets there.
 *
 * @param happenings of that day, by its hours
 */
export function bodyDay(body: Body, happenings: readonly Happening[] = []): BodyDay {
  const { hours } = runBody(body, { startHour: 0, hours: DAY_HOURS, happenings });
  const minC = Math.min(...hours.map((hour) => hour.minC));
  const maxC = Math.max(...hours.map((hour) => hour.maxC));
  const meanC = hours.reduce((sum, hour) => sum + hour.meanC, 0) / DAY_HOURS;
  const on = hours.reduce((sum, hour) => sum + hour.on, 0) / DAY_HOURS;
  const { mat } = body;
  if (!mat) return { minC, maxC, meanC, on: 0, wattHours: 0, matC: null, warmUpHours: null, overshootC: null, reaches: null };
  // On, off and between: the mean mat stands in balance between what it gives and what it loses below.
  const flow = (on * mat.watts * mat.belowKPerW - (meanC - body.room.meanC)) / (mat.betweenKPerW + mat.belowKPerW);
  const cold = runBody(body, { startHour: 0, hours: MOST_WARMING_HOURS, startC: body.room.meanC }).hours;
  const { thermostat } = mat;
  const goalC = thermostat ? thermostat.setC - thermostat.bandC / 2 : body.room.meanC + 0.9 * (meanC - body.room.meanC);
  const warmUp = cold.findIndex((hour) => hour.maxC >= goalC);
  return {
    ...{ minC, maxC, meanC, on },
    wattHours: on * mat.watts * DAY_HOURS,
    matC: meanC + flow * mat.betweenKPerW,
    warmUpHours: warmUp < 0 ? null : withinHour(cold, warmUp, goalC, body.room.meanC),
    overshootC: thermostat && Math.max(Math.max(...cold.map((hour) => hour.maxC)) - thermostat.setC, 0),
    reaches: thermostat && hours.every((hour) => hour.on < 1 - 1e-9),
  };
}

/** The moment within an hour at which something rising passes a level, h. */
function withinHour(hours: readonly { readonly maxC: number }[], nth: number, levelC: number, startC: number): number {
  const before = hours[nth - 1]?.maxC ?? startC;
  const after = hours[nth]?.maxC ?? levelC;
  return nth + (after > before ? Math.min(Math.max((levelC - before) / (after - before), 0), 1) : 0);
}
