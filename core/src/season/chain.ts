import type { Crop } from '../crops/index.js';
import type { Course } from '../sowing/index.js';
import type { DayNumber } from './days.js';
import { after, chanceBy, dayBy, expected, later, lawBy, normalDays, notBefore, type DayLaw } from './day-law.js';
import { frostDay, frostTable, type FrostYears } from './frost-law.js';
import { frostTender } from './hardiness.js';

/** What a sowing runs through, in its order. */
export const CHAIN_STAGES = ['chill', 'soak', 'tips', 'moved', 'nursed', 'hardened', 'planted_out', 'ripe'] as const;
export type ChainStage = (typeof CHAIN_STAGES)[number];

/** A week of hardening, and by how much the weather stretches it: sd, days. Guess. */
const HARDENING = { days: 7, sd: 2 } as const;
/** Roots of a lot are ready within about this of each other, sd, days: as the calendar of Tuck in has it. */
const ROOT_SD = 0.5;

/** What a sowing's days rest on, before a day is chosen for it. */
export interface ChainFacts {
  readonly crop: Pick<Crop, 'id' | 'growing'>;
  /** The forecast of its sprouts at its place, with what follows. */
  readonly course: Course;
  /** Days of chill and of soak that stand before anything can come. */
  readonly chillDays: number;
  readonly soakDays: number;
  /** Whether its lateness here is told by its planting out or by its fruit. */
  readonly lateKind: 'plant_out' | 'ripe';
  /** Whether it is planted out of doors in the end, and so hardened. */
  readonly outdoors: boolean;
}

/** A sowing's stages as days after its start, before frost holds it back. */
export interface Chain {
  readonly chillDays: number;
  readonly soakDays: number;
  readonly tips: DayLaw;
  readonly moved: DayLaw;
  /** Days from the move until it is big enough, and days of hardening; null where it stays under cover. */
  readonly nursing: DayLaw;
  readonly hardening: DayLaw | null;
  /** Big enough to be hardened; to be planted where it stays under cover. */
  readonly nursed: DayLaw;
  readonly hardened: DayLaw;
  /** From planting out to the first fruit or cut; null where that is not tabled. */
  readonly ripening: DayLaw | null;
  /** Chance that enough plants ever come. */
  readonly enough: number;
}

/** Puts the stages of a sowing one after another, each with its spread. */
export function chainOf({ course, chillDays, soakDays, lateKind, outdoors }: ChainFacts): Chain {
  const { enoughBy, rootDays, nursing, ripening, lateDays } = course;
  const tips = lawBy(enoughBy);
  const moved = after(tips, normalDays(rootDays, rootDays > 0 ? ROOT_SD : 0));
  const late = { plant_out: lateKind === 'plant_out' ? lateDays : 0, ripe: lateKind === 'ripe' ? lateDays : 0 };
  const harden = outdoors ? HARDENING : { days: 0, sd: 0 };
  const grows = normalDays(
    Math.max(nursing.days + late.plant_out - harden.days, 1),
    Math.sqrt(Math.max(nursing.sd ** 2 - harden.sd ** 2, 1)),
  );
  const hardening = outdoors ? normalDays(harden.days, harden.sd) : null;
  const nursed = after(moved, grows);
  return {
    chillDays,
    soakDays,
    tips,
    moved,
    nursing: grows,
    hardening,
    nursed,
    hardened: hardening ? after(nursed, hardening) : nursed,
    ripening: ripening && normalDays(Math.max(ripening.days + late.ripe, 1), ripening.sd),
    enough: Math.max(0, ...enoughBy.map(({ chance }) => chance)),
  };
}

/** Of a lot nobody forecasts: its tips take so many times their days at the best warmth, one sd of them so large a share. Guesses. */
const HOME_PACE = 1.4;
const HOME_SD = 0.3;

/** A chain by the book alone, for what takes room and is not planned. */
export function bookChain(crop: Crop, nursing: Course['nursing'], ripening: Course['ripening'], outdoors: boolean): Chain {
  const days = crop.days.tipAtOptimum * HOME_PACE;
  const tips = normalDays(days, days * HOME_SD);
  const grows = normalDays(Math.max(nursing.days - (outdoors ? HARDENING.days : 0), 1), nursing.sd);
  const hardening = outdoors ? normalDays(HARDENING.days, HARDENING.sd) : null;
  const moved = later(tips, 1);
  const nursed = after(moved, grows);
  return {
    ...{ chillDays: 0, soakDays: 0, tips, moved, nursing: grows, hardening, nursed, enough: 1 },
    hardened: hardening ? after(nursed, hardening) : nursed,
    ripening: ripening && normalDays(ripening.days, ripening.sd),
  };
}

/** Frost that bears on one crop of a season. */
export interface CropFrost {
  /** The season's 1 January. */
  readonly newYear: DayNumber;
  /** The last frost of spring as the household counts it; null where nobody said any. */
  readonly spring: FrostYears | null;
  /** The last night of spring that kills this crop; null where nobody said any. */
  readonly kills: FrostYears | null;
  /** The end of its season, with which it must be ripe; null where nobody said any frost. */
  readonly ends: FrostYears | null;
}

/**
 * The first day on which a crop goes out by the frost: a tender kind waits until nine springs in
 * ten are past theirs, every kind for its own weeks.
 *
 * @returns null where frost does not hold it
 */
export function gateDay(crop: Pick<Crop, 'id' | 'growing'>, { newYear, spring }: Pick<CropFrost, 'newYear' | 'spring'>): DayNumber | null {
  const { plantOutWeeksAfterFrost: weeks } = crop.growing;
  const tender = frostTender(crop);
  if (spring === null || (!tender && weeks === null)) return null;
  const middle = frostDay(spring, 0.5);
  if (middle === null) return null;
  const own = (weeks?.[0] ?? 0) * 7;
  return newYear + Math.ceil(tender ? (frostDay(spring, 0.9) ?? middle) + Math.max(own, 0) : middle + own);
}

/** What comes of a start: days of the calendar. */
export interface Run {
  readonly start: DayNumber;
  readonly tips: DayLaw;
  readonly moved: DayLaw;
  readonly nursed: DayLaw;
  readonly hardened: DayLaw;
  readonly out: DayLaw;
  readonly ripe: DayLaw | null;
  /** Chance that it is ripe before the frost that ends it; null where neither is known. */
  readonly ripeInTime: number | null;
  /** Chance that a frost still comes that kills what was planted out. */
  readonly killedAfterOut: number | null;
}

/** Runs a sowing from a start. @param gate the first day on which it may go out; null where nothing holds it */
export function runFrom(chain: Chain, start: DayNumber, gate: DayNumber | null, frost: Pick<CropFrost, 'newYear' | 'kills' | 'ends'>): Run {
  const at = (law: DayLaw): DayLaw => later(law, start);
  const hardened = at(chain.hardened);
  return onwards(chain, { start, tips: at(chain.tips), moved: at(chain.moved), nursed: at(chain.nursed), hardened }, gate, frost);
}

/** Goes on from what is known of a sowing's days in the nursery: to planting out and fruit. */
export function onwards(
  { ripening }: Pick<Chain, 'ripening'>,
  reached: Pick<Run, 'start' | 'tips' | 'moved' | 'nursed' | 'hardened'>,
  gate: DayNumber | null,
  { newYear, kills, ends }: Pick<CropFrost, 'newYear' | 'kills' | 'ends'>,
): Run {
  const out = gate === null ? reached.hardened : notBefore(reached.hardened, gate);
  const ripe = ripening && after(out, ripening);
  const lives = (law: DayLaw, years: FrostYears): number => {
    const chance = frostTable(years);
    return expected(law, (day) => chance(day - newYear));
  };
  return {
    ...reached,
    out,
    ripe,
    ripeInTime: ripe && ends && lives(ripe, ends),
    killedAfterOut: kills && lives(out, kills),
  };
}

/** What a sowing is wished for. */
export type SeasonGoal =
  | { readonly kind: 'season' }
  | { readonly kind: 'plant_out'; readonly day: DayNumber }
  | { readonly kind: 'ripe'; readonly day: DayNumber };

/** When a sowing goes out from a start. */
export const outFrom = ({ hardened }: Pick<Chain, 'hardened'>, start: DayNumber, gate: DayNumber | null): DayLaw =>
  gate === null ? later(hardened, start) : notBefore(later(hardened, start), gate);

/** Days between those for which a chance is worked out. */
const KNOT_DAYS = 3;

/**
 * Chance that what is wished is reached, for those who try many starts: by the day on which it goes
 * out, each worked out once. Null where nothing can be said of it.
 */
export function chanceFrom(
  { ripening }: Pick<Chain, 'ripening'>,
  goal: SeasonGoal,
  { newYear, ends }: Pick<CropFrost, 'newYear' | 'ends'>,
): ((out: DayLaw) => number) | null {
  if (goal.kind === 'plant_out') return (out) => chanceBy(out, goal.day);
  if (ripening === null || (goal.kind === 'season' && ends === null)) return null;
  const frost = ends && frostTable(ends);
  const ripeFrom = (day: number): number =>
    goal.kind === 'ripe' ? chanceBy(ripening, goal.day - day) : expected(ripening, (days) => (frost ? frost(day + days - newYear) : 1));
  const known = new Map<number, number>();
  const at = (knot: number): number => {
    const found = known.get(knot) ?? ripeFrom(knot * KNOT_DAYS);
    known.set(knot, found);
    return found;
  };
  // It changes slowly from day to day: straight between knots.
  const between = (day: number): number => {
    const low = Math.floor(day / KNOT_DAYS);
    const [before, share] = [at(low), day / KNOT_DAYS - low];
    return share === 0 ? before : before + (at(low + 1) - before) * share;
  };
  return (out) => expected(out, between);
}

/** Chance that a run reaches what is wished; null where nothing can be said of it. */
export function chanceOf(run: Run, goal: SeasonGoal): number | null {
  if (goal.kind === 'plant_out') return chanceBy(run.out, goal.day);
  if (goal.kind === 'ripe') return run.ripe && chanceBy(run.ripe, goal.day);
  return run.ripeInTime;
}

/** A run's days by stage: one in ten by the first, half by the second, nine in ten by the third. */
export interface StageDays {
  readonly stage: ChainStage;
  readonly at10: number;
  readonly at50: number;
  readonly at90: number;
}

/** The stages of a run as days, those it does not have left out. */
export function stageDays(run: Run, { chillDays, soakDays }: Pick<Chain, 'chillDays' | 'soakDays'>, outdoors: boolean): StageDays[] {
  const sure = (stage: ChainStage, days: number): StageDays[] =>
    days > 0 ? [{ stage, at10: run.start + days, at50: run.start + days, at90: run.start + days }] : [];
  const told = (stage: ChainStage, law: DayLaw | null): StageDays[] =>
    law ? [{ stage, at10: dayBy(law, 0.1), at50: dayBy(law, 0.5), at90: dayBy(law, 0.9) }] : [];
  return [
    ...sure('soak', soakDays),
    ...(chillDays > 0 ? sure('chill', chillDays + soakDays) : []),
    ...told('tips', run.tips),
    ...told('moved', run.moved),
    ...told('nursed', run.nursed),
    ...(outdoors ? [...told('hardened', run.hardened), ...told('planted_out', run.out)] : []),
    ...told('ripe', run.ripe),
  ];
}
