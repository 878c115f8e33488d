import { bookPrior } from '@fresh-tuck/core/forecast';
import { CROPS, type Crop } from '@fresh-tuck/core/crops';
import { nextLook } from '@fresh-tuck/core/looking';
import { reportAndQuestion } from '@fresh-tuck/core/judging';
import { USUAL_LATE_RISK, type ParcelFacts, type ParcelLook } from '@fresh-tuck/core/parcel';
import { rateAt, responseOf } from '@fresh-tuck/core/warmth';
import { chanceFrom, drawTrueLot, PRINTED_RATE, type World } from '../truth/lots.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const SAID_C = 25;
const SEEDS = 12;
/** Looking times, hours of the day. */
const TIMES = { once: [7], twice: [7, 18.5] } as const;
/** Sd of log elongation between seeds, as the demo's laws have it. */
const ROOT_LOG_SD = 0.25;
/** Nobody looks longer than this many medians. */
const LAST_MEDIANS = 4;

/** Less than this chance of any tip is no reason to open for tips. */
const CREDIBLE = 0.05;

export const HABITS = ['once', 'twice', 'plan'] as const;
export type Habit = (typeof HABITS)[number];

/** What a habit costs one batch. */
export interface Outcome {
  /** Sprouts that were past "late" when first found. */
  readonly late: number;
  readonly sprouts: number;
  readonly openings: number;
  /** Openings, before any tip was seen, while the forecast itself gave less than 1 chance in 20 that there was one. */
  readonly early: number;
}

/** A crop of a given quickness, on the model of one of the book's. */
export function cropOf(days: number, mmPerDay: number): Crop {
  const like = CROPS.find(({ id }) => id === 'tomato');
  if (!like) throw new Error('the book holds no tomato');
  return {
    ...like,
    days: { ...like.days, tipAtOptimum: days },
    root: { ...like.root, mmPerDayAtOptimum: mmPerDay, readyMm: 5, lateMm: 15, shy: 0 },
  };
}

/**
 * One batch through its life: opened by habit or by the plan; at each opening
 * every sprout found is counted and those ready are moved. Damp is kept out of it.
 */
export function liveThrough(crop: Crop, world: World, habit: Habit, seed: number): Outcome {
  const chance = chanceFrom(seed);
  const lot = drawTrueLot(world, SEEDS, chance);
  const response = responseOf(crop.temperature);
  const trueRate = rateAt(response, SAID_C + lot.warmerC);
  const startMs = 18.5 * HOUR_MS;
  const tips = lot.needs.map((need) => startMs + ((need * crop.days.tipAtOptimum) / trueRate) * DAY_MS);
  const speeds = lot.needs.map(() => crop.root.mmPerDayAtOptimum * Math.exp(ROOT_LOG_SD * chance.normal()) * trueRate);
  const lateAt = tips.map((tip, index) => tip + (crop.root.lateMm / (speeds[index] ?? 1)) * DAY_MS);
  const lengthAt = (index: number, ms: number): number => (Math.max(ms - (tips[index] ?? Infinity), 0) / DAY_MS) * (speeds[index] ?? 0);
  const medianDays = crop.days.tipAtOptimum / rateAt(response, SAID_C);
  const endMs = startMs + LAST_MEDIANS * medianDays * DAY_MS;
  const times = Array.from({ length: Math.ceil(endMs / DAY_MS) + 70 }, (_, day) =>
    TIMES[habit === 'once' ? 'once' : 'twice'].map((hour) => day * DAY_MS + hour * HOUR_MS),
  ).flat();
  const found = new Set<number>();
  const gone = new Set<number>();
  const moves: { atMs: number; seeds: number[]; uncounted: number }[] = [];
  const looks: ParcelLook[] = [];
  const reading = { minC: SAID_C - 0.5, maxC: SAID_C + 0.5 };
  let late = 0;
  let openings = 0;
  let early = 0;
  const facts = (nowMs: number): ParcelFacts => ({
    crop,
    method: 'towel',
    seeds: SEEDS,
    wanted: null,
    startMs,
    chillUntilMs: null,
    prior: bookPrior(crop, { printedRate: PRINTED_RATE, ageYears: null, seen: 'tip' }),
    stays: [{ fromMs: startMs, readings: [{ fromMs: startMs, toMs: Math.max(nowMs, startMs + 1), ...reading }], guess: reading }],
    utcOffsetHours: 0,
    looks,
    moves,
    closure: 'sealed_air',
    doseMl: 7,
    lookTimesMs: times.filter((ms) => ms > nowMs),
    lateTolerance: USUAL_LATE_RISK,
  });
  const openAt = (nowMs: number): void => {
    openings++;
    const marks: ParcelLook['marks'][number][] = [];
    lot.needs.forEach((_, index) => {
      if ((tips[index] ?? Infinity) > nowMs || gone.has(index)) return;
      if (!found.has(index)) {
        found.add(index);
        if ((lateAt[index] ?? Infinity) < nowMs) late++;
      }
      const rootMm = lengthAt(index, nowMs);
      marks.push({ seed: index + 1, stage: rootMm < 4 ? 'tip' : 'root', rootMm: Math.max(Math.round(rootMm), 1) });
    });
    looks.push({ atMs: nowMs, through: false, tipped: found.size, rotten: null, marks, damp: null, rewetted: false, troubles: [] });
    const ready = marks.filter(({ rootMm }) => (rootMm ?? 0) >= crop.root.readyMm).map((mark) => mark.seed);
    for (const one of ready) gone.add(one - 1);
    if (ready.length > 0) moves.push({ atMs: nowMs, seeds: ready, uncounted: 0 });
  };
  if (habit === 'plan') {
    let nowMs = startMs;
    for (;;) {
      // The towel is kept damp in passing: only roots and tips are asked for here.
      const { question } = reportAndQuestion(facts(nowMs), nowMs);
      const { atMs } = nextLook({ ...question, dryingMs: Infinity });
      nowMs = atMs <= nowMs ? (times.find((ms) => ms > nowMs) ?? endMs) : atMs;
      if (nowMs >= endMs) break;
      if (found.size === 0 && reportAndQuestion(facts(nowMs), nowMs).report.now.anyChance < CREDIBLE) early++;
      openAt(nowMs);
      if (gone.size === SEEDS) break;
    }
  } else {
    for (const ms of times.filter((time) => time > startMs && time < endMs)) {
      openAt(ms);
      if (gone.size === SEEDS) break;
    }
  }
  const sprouts = tips.filter((tip) => tip < endMs).length;
  // Roots that nobody found in the end were late too.
  late += tips.filter((tip, index) => tip < endMs && !found.has(index) && (lateAt[index] ?? Infinity) < endMs).length;
  return { late, sprouts, openings, early };
}
