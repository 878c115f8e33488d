/** How a bag is closed. */
export const CLOSURES = ['sealed_air', 'sealed_flat', 'corner_open', 'lidded'] as const;
export type Closure = (typeof CLOSURES)[number];
/** What a finger on the towel says. */
export const DAMPS = ['dry', 'drying', 'damp', 'pooling'] as const;
export type Damp = (typeof DAMPS)[number];

/**
 * Saturation vapour pressure of water.
 *
 * Source: R. G. Allen et al., Crop evapotranspiration, FAO Irrigation and
 * Drainage Paper 56 (1998), eq. 11.
 *
 * @param celsius air temperature
 * @returns kPa
 */
export const saturationVapourPressureKPa = (celsius: number): number => 0.6108 * Math.exp((17.27 * celsius) / (celsius + 237.3));

/** Share of the dose lost a day at 25 °C. Rule of thumb, no source; each bag's own looks correct it. */
const LOSS_PER_DAY_AT_25C: Record<Closure, number> = {
  sealed_air: 0.05,
  sealed_flat: 0.035,
  corner_open: 0.12,
  lidded: 0.16,
};

/** Share of its dose that a bag loses a day at 25 °C, by its closure. */
export const lossPerDay = (closure: Closure): number => LOSS_PER_DAY_AT_25C[closure];

/** Share of the dose left at the borders between pooling, damp, drying and dry. Rule of thumb, no source. */
const BORDER = { pooling: 1.2, drying: 0.6, dry: 0.35 } as const;
const FINGER_SD = 0.12;
/** Sd of the log of a bag's own drying rate around the rule of thumb. */
const BAG_LOG_SD = 0.6;

/** A moment when someone felt the towel; `given` says that it was brought back to its dose. */
export interface DampLook {
  readonly atMs: number;
  readonly damp: Damp;
  readonly rewetted: boolean;
}

/** What a kitchen scale says of how much of the water is left. */
export interface Weighing {
  readonly atMs: number;
  /** Share of the dose still there. */
  readonly shareLeft: number;
  /** When it was last given its full dose. */
  readonly fullMs: number;
}
/** A kitchen scale is good to about this share of a dose. Common practice, no source. */
const SCALE_SD = 0.06;

/** When a towel will want water. */
export interface DryingForecast {
  /** When it passes from damp to drying, ms. */
  readonly dryingAtMs: number;
  /** Share of the dose expected to be left at the moment asked for. */
  readonly shareLeft: number;
  /** This bag against the rule of thumb: 1 as expected, 2 dries twice as fast. */
  readonly factor: number;
}

const DAY_MS = 86_400_000;

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

/** Chance that a finger calls a share of the dose by a word. */
function chanceOf(damp: Damp, shareLeft: number): number {
  const above = (border: number): number => logistic((1.7 * (shareLeft - border)) / FINGER_SD);
  switch (damp) {
    case 'pooling':
      return above(BORDER.pooling);
    case 'damp':
      return above(BORDER.drying) - above(BORDER.pooling);
    case 'drying':
      return above(BORDER.dry) - above(BORDER.drying);
    case 'dry':
      return 1 - above(BORDER.dry);
  }
}

/**
 * When a towel dries. Loss is proportional to the vapour pressure at its
 * temperature and to what is left; the bag's own rate is learnt from what
 * fingers said.
 *
 * @param lossPerDayAt25C share of its water that goes in a day at 25 °C
 * @param wettedMs when it was given its dose
 * @param celsius mean temperature of its place
 * @param looks of any parcel of the bag, in any order; only those up to `nowMs` count
 * @param weighings of the bag, in any order
 */
export function dryingForecast(
  lossPerDayAt25C: number,
  celsius: number,
  wettedMs: number,
  looks: readonly DampLook[],
  nowMs: number,
  weighings: readonly Weighing[] = [],
): DryingForecast {
  const perDay = (lossPerDayAt25C * saturationVapourPressureKPa(celsius)) / saturationVapourPressureKPa(25);
  const past = looks.filter((look) => look.atMs <= nowMs).sort((a, b) => a.atMs - b.atMs);
  let total = 0;
  let sumLog = 0;
  for (let step = -20; step <= 20; step++) {
    const log = (step / 20) * 3 * BAG_LOG_SD;
    let weight = Math.exp(-((log / BAG_LOG_SD) ** 2) / 2);
    let fullMs = wettedMs;
    for (const look of past) {
      const left = Math.exp((-perDay * Math.exp(log) * Math.max(look.atMs - fullMs, 0)) / DAY_MS);
      // A pool says that the dose was too big, nothing of how fast it goes.
      if (look.damp !== 'pooling') weight *= Math.max(chanceOf(look.damp, left), 1e-6);
      if (look.rewetted) fullMs = look.atMs;
    }
    for (const { atMs, shareLeft, fullMs: full } of weighings) {
      const left = Math.exp((-perDay * Math.exp(log) * Math.max(atMs - full, 0)) / DAY_MS);
      weight *= Math.max(Math.exp(-(((shareLeft - left) / SCALE_SD) ** 2) / 2), 1e-9);
    }
    total += weight;
    sumLog += weight * log;
  }
  const factor = Math.exp(sumLog / total);
  const given = weighings.reduce((full, weighing) => Math.max(full, weighing.fullMs), wettedMs);
  const fullMs = past.reduce((full, look) => (look.rewetted ? Math.max(full, look.atMs) : full), given);
  const rate = perDay * factor;
  /** How long it takes from one share to a smaller one, ms. */
  const between = (from: number, to: number): number => (Math.log(from / to) / rate) * DAY_MS;
  const reckonedMs = fullMs + between(1, BORDER.drying);
  const felt = past.findLast(({ damp, atMs, rewetted }) => damp !== 'pooling' && !rewetted && atMs >= fullMs);
  const dryingAtMs = felt ? byFinger(felt, reckonedMs, between) : reckonedMs;
  return { dryingAtMs, shareLeft: Math.min(BORDER.drying * Math.exp((-rate * (nowMs - dryingAtMs)) / DAY_MS), 1), factor };
}

/** A towel that a finger calls damp has this much above the border at the least. Guess. */
const STILL_DAMP = 1.1;

/** When it passed, or will pass, the border: no later than a finger felt it, and no sooner than one that felt it damp allows. */
function byFinger({ damp, atMs }: DampLook, reckonedMs: number, between: (from: number, to: number) => number): number {
  if (damp === 'damp') return Math.max(reckonedMs, atMs + between(STILL_DAMP * BORDER.drying, BORDER.drying));
  return Math.min(reckonedMs, damp === 'dry' ? atMs - between(BORDER.drying, BORDER.dry) : atMs);
}

/** What a towel with a share of its dose left is called; null while it is damp. */
export const wantsWater = (shareLeft: number): 'dry' | 'drying' | null =>
  shareLeft < BORDER.dry ? 'dry' : shareLeft <= BORDER.drying * (1 + 1e-9) ? 'drying' : null;
