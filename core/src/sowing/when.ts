import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import type { Crop } from '../crops/index.js';

/** A stretch of days with its spread. */
export interface Stretch {
  readonly days: number;
  readonly sd: number;
  /** Own records that told it. */
  readonly told: number;
}

/** A tabled range is taken to hold 8 times in 10. */
const EIGHTY_Z = 1.2816;
/** Where a crop has no weeks: a cool sill slows it to this share of its best pace, and hardening off takes a week. Guess. */
const SILL_PACE = 0.6;
const HARDENING_DAYS = 7;
/** Nursing differs from year to year by at least this, days. Guess. */
const LEAST_SD = 4;
/** From the best warmth to a home's: the tip comes later by about this. Guess. */
const HOME_PACE = 0.75;
/** As many own records as the book counts for. */
const BOOK_WEIGHT = 2;

/**
 * Days from the move to planting out: the crop's weeks from start to planting out
 * less its days to the tip, else from its true leaf; own records take over.
 *
 * @param own days that earlier batches of the crop took
 */
export function nursingFor({ growing, days }: Crop, own: readonly number[] = []): Stretch {
  const { startWeeksBeforeFrost: start, plantOutWeeksAfterFrost: out, daysToTrueLeaf } = growing;
  const tip = days.tipAtOptimum / HOME_PACE;
  const shortest = days.tipToEmergence / SILL_PACE + HARDENING_DAYS;
  const book =
    start && out
      ? {
          days: Math.max(7 * ((start[0] + start[1]) / 2 + (out[0] + out[1]) / 2) - tip, shortest),
          sd: Math.max((7 * (start[1] - start[0])) / 2 / EIGHTY_Z, LEAST_SD),
        }
      : { days: (days.tipToEmergence + daysToTrueLeaf) / SILL_PACE + HARDENING_DAYS, sd: 2 * LEAST_SD };
  if (own.length === 0) return { ...book, told: 0 };
  const sum = own.reduce((total, value) => total + value, 0);
  return {
    days: (BOOK_WEIGHT * book.days + sum) / (BOOK_WEIGHT + own.length),
    sd: Math.max(book.sd * Math.sqrt(BOOK_WEIGHT / (BOOK_WEIGHT + own.length)), LEAST_SD),
    told: own.length,
  };
}

/** Days from planting out to the first ripe fruit or cut; null for a crop whose harvest is not tabled. */
export function ripeningFor({ growing }: Crop): Stretch | null {
  const range = growing.harvestDaysAfterPlantingOut;
  return range && { days: (range[0] + range[1]) / 2, sd: Math.max((range[1] - range[0]) / 2 / EIGHTY_Z, LEAST_SD), told: 0 };
}

/** How much later than wished the crop has been here. */
export interface CropLateness {
  /** Mean of the last season's batches, days; negative is early. */
  readonly lastDays: number;
  readonly year: number;
  readonly batches: number;
  /** By how much this year's start moves: what one year proves, and no more. */
  readonly shiftDays: number;
}

/** CropLateness differs between years by this and between crops by as much again. Guess: half of one record is the crop's. */
const RECORD_WEIGHT = 1;

/**
 * CropLateness of a crop from batches that had a wished date and reached it or missed it.
 * Only the last season that has any counts; the fewer its batches, the less it shifts.
 *
 * @param records year and days after the wish
 */
export function latenessOf(records: readonly { readonly year: number; readonly days: number }[]): CropLateness | null {
  if (records.length === 0) return null;
  const year = Math.max(...records.map((record) => record.year));
  const last = records.filter((record) => record.year === year);
  const lastDays = last.reduce((sum, { days }) => sum + days, 0) / last.length;
  return { lastDays, year, batches: last.length, shiftDays: Math.round((lastDays * last.length) / (last.length + RECORD_WEIGHT)) };
}

/** What a sowing runs through, from tucking in. */
export interface Course {
  /** Chance that enough sprouts have shown by so many days after the start, rising, chill among them. */
  readonly enoughBy: readonly { readonly day: number; readonly chance: number }[];
  /** Days from a tip to a root that is ready to be moved. */
  readonly rootDays: number;
  readonly nursing: Stretch;
  readonly ripening: Stretch | null;
  /** Days by which the crop has been running late here. */
  readonly lateDays: number;
}

/** What is wished for by a date. */
export type Goal = 'move' | 'plant_out' | 'ripe';

/** Days after the start at which a stage is reached, if enough come. */
export interface Reached {
  readonly goal: Goal;
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

interface Waits {
  readonly after: number;
  readonly sd: number;
}

function waitsFor(course: Course, goal: Goal): Waits | null {
  const { rootDays, nursing, ripening, lateDays } = course;
  if (goal === 'move') return { after: rootDays, sd: 0.5 };
  if (goal === 'plant_out') return { after: rootDays + nursing.days + lateDays, sd: nursing.sd };
  return ripening && { after: rootDays + nursing.days + ripening.days + lateDays, sd: Math.hypot(nursing.sd, ripening.sd) };
}

/** Chance that the goal is reached within so many days of the start, enough sprouts or not. */
function chanceWithin(days: number, { enoughBy }: Course, { after, sd }: Waits): number {
  let before = 0;
  let sum = 0;
  for (const { day, chance } of enoughBy) {
    sum += Math.max(chance - before, 0) * normalCdf((days - after - day) / sd, 0, 1);
    before = Math.max(before, chance);
  }
  return sum;
}

/** A stretch of days long enough for every course, halved to an hour. */
const LONGEST_DAYS = 1500;
function dayOf(level: number, course: Course, waits: Waits): number {
  let [low, high] = [0, LONGEST_DAYS];
  while (high - low > 0.04) {
    const middle = (low + high) / 2;
    if (chanceWithin(middle, course, waits) < level) low = middle;
    else high = middle;
  }
  return high;
}

const everEnough = ({ enoughBy }: Course): number => Math.max(0, ...enoughBy.map(({ chance }) => chance));

/** The days forward from a start: when each goal is reached if enough come, with the stretch that holds 8 times in 10. */
export function daysForward(course: Course): Reached[] {
  const most = everEnough(course);
  if (most < 0.02) return [];
  return (['move', 'plant_out', 'ripe'] as const).flatMap((goal) => {
    const waits = waitsFor(course, goal);
    if (!waits) return [];
    const at = (level: number): number => dayOf(level * most, course, waits);
    return [{ goal, low: at(0.1), likely: at(0.5), high: at(0.9) }];
  });
}

/** A start counted back from a date. */
export interface CountedBack {
  /** Latest start that is on time as surely as asked, days before the date. */
  readonly daysBefore: number;
  /** Chance of enough plants by the date, from that start. */
  readonly chance: number;
}

/**
 * Counts back from a wished date.
 *
 * @param sureness of being in time if enough come, inside (0, 1)
 * @returns null where the crop has no such goal or too few would ever come
 */
export function countBack(course: Course, goal: Exclude<Goal, 'move'>, sureness: number): CountedBack | null {
  const waits = waitsFor(course, goal);
  const most = everEnough(course);
  if (!waits || most < 0.02) return null;
  const daysBefore = Math.ceil(dayOf(sureness * most, course, waits));
  return { daysBefore, chance: chanceWithin(daysBefore, course, waits) };
}

/** Chance of enough plants by a date that lies so many days after the start. */
export function chanceInTime(course: Course, goal: Exclude<Goal, 'move'>, days: number): number | null {
  const waits = waitsFor(course, goal);
  return waits && chanceWithin(days, course, waits);
}
