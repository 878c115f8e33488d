import type { Crop } from '../crops/index.js';
import { learn, type PastLot } from '../forecast/index.js';
import type { Destination } from '../moving/index.js';
import { DAY_MS } from '../units/index.js';
import { integrateProgress, type Progress, type Stay } from '../warmth/index.js';
import { expectedFrom, stillComes } from './expected.js';
import { reached, type SeedlingStage } from './stages.js';
import { STEPS, stepLesson, stepPosterior, stepPrior, stepRate, type Planted, type Step, type StepSeen } from './timing.js';

/** Something that was said of a seedling's stage. */
export interface StageMark {
  readonly stage: SeedlingStage;
  readonly atMs: number;
}

/** A seedling of a tray. */
export interface TrayPlant {
  readonly number: number;
  /** False for a seed that was planted while it was quiet. */
  readonly proved: boolean;
  /** When it was moved; sprouts of one towel are moved over some days, ms. */
  readonly movedMs: number;
  /** Rising by time; what came up where it was sown is up from the first. */
  readonly marks: readonly StageMark[];
  /** When it was lost, given or composted; null while it stands. */
  readonly goneMs: number | null;
}

/** Seedlings that stand together and are of one batch, as they are known. */
export interface TrayFacts {
  readonly crop: Crop;
  readonly destination: Destination;
  /** The first of them. */
  readonly movedMs: number;
  readonly plants: readonly TrayPlant[];
  /** Where it stood since the move, rising. */
  readonly stays: readonly Stay[];
  /** When somebody looked at all of it, beside the marks, ms. */
  readonly seenMs: readonly number[];
  /** Survival after the move, learnt. */
  readonly survival: Planted['survival'];
  /** Whether this is the pot that it stays in. */
  readonly finalPot: boolean;
  /** When it was last potted on, ms; null where it stands as it was moved. */
  readonly pottedMs: number | null;
}

/** When those that have not reached a step are expected to, ms: one in ten, half, nine in ten of those that come; null beyond half a year. */
export interface Awaited {
  readonly step: Step;
  readonly numbers: readonly number[];
  readonly earlyMs: number | null;
  readonly usualMs: number | null;
  readonly lateMs: number | null;
  /** Those of them that are late by now, with the chance that one still comes, had somebody looked now. */
  readonly late: readonly { readonly number: number; readonly comes: number }[];
}

/** Nobody is called late on the morrow of the others: so many times what nine in ten need. Guess. */
const LATE_TIMES = 1.25;
/** Half a year ahead is as far as anybody plans a tray. */
const AHEAD_MS = 185 * DAY_MS;

const stageOf = ({ marks }: TrayPlant): SeedlingStage => marks.at(-1)?.stage ?? 'moved';
/** The step that a stage leads to; null where nothing is awaited of it. */
export const stepAfter = (stage: SeedlingStage): Step | null =>
  (({ moved: 'up', up: 'seed_leaves', seed_leaves: 'true_leaves', true_leaves: 'roots_out' }) as Partial<Record<SeedlingStage, Step>>)[
    stage
  ] ?? null;

/** A tray's warmth as development: of the seed below, of the leaves above. */
interface Warmth {
  progressOf(step: Step): Progress;
}
function warmthOf({ crop, stays, movedMs }: TrayFacts, nowMs: number, utcOffsetHours: number): Warmth {
  const found = new Map<boolean, Progress>();
  return {
    progressOf(step) {
      const below = step === 'up';
      const known =
        found.get(below) ?? integrateProgress(stepRate(crop, step), stays, movedMs, Math.max(nowMs, movedMs) + AHEAD_MS, utcOffsetHours);
      found.set(below, known);
      return known;
    },
  };
}

/** When somebody saw the whole tray: said so, or marked some of it and so not the others. */
const visitsOf = ({ plants, seenMs }: TrayFacts): number[] =>
  [...new Set([...seenMs, ...plants.flatMap(({ marks }) => marks.map(({ atMs }) => atMs))])].sort((a, b) => a - b);

/** The last visit before a moment, or when it was moved. */
const before = (visits: readonly number[], movedMs: number, ms: number): number => visits.findLast((visit) => visit < ms) ?? movedMs;

/** When a plant got to a stage, as somebody saw it, ms. */
const seenAt = ({ marks }: TrayPlant, goal: SeedlingStage): number | null => marks.find(({ stage }) => reached(stage, goal))?.atMs ?? null;

/** Where a plant's step begins, as progress: at its move, or midway between the looks that its loop came between. */
function originOf(plant: TrayPlant, step: Step, facts: TrayFacts, visits: readonly number[], progress: Progress): number | null {
  const { movedMs } = plant;
  if (STEPS[step] === 'moved') return progress.at(movedMs);
  if (step === 'roots_out' && facts.pottedMs !== null) return progress.at(facts.pottedMs);
  const upMs = seenAt(plant, 'up');
  if (upMs === null) return null;
  return upMs <= movedMs ? progress.at(movedMs) : (progress.at(before(visits, movedMs, upMs)) + progress.at(upMs)) / 2;
}

/** Seedlings as they bear on a step; those whose step has not begun do not. */
function seenOf(
  facts: TrayFacts,
  step: Step,
  progress: Progress,
  among: (plant: TrayPlant) => boolean,
): (StepSeen & { readonly number: number })[] {
  if (step === 'size') return [];
  const visits = visitsOf(facts);
  return facts.plants.filter(among).flatMap((plant) => {
    const origin = originOf(plant, step, facts, visits, progress);
    if (origin === null) return [];
    const { number, movedMs, goneMs } = plant;
    const thereMs = seenAt(plant, step);
    const since = (ms: number): number => Math.max(progress.at(ms) - origin, 0);
    const lastMs = before(visits, movedMs, thereMs ?? goneMs ?? Infinity);
    return [{ number, fromProgress: since(lastMs), toProgress: thereMs === null ? null : since(thereMs) }];
  });
}

const plantedOf = ({ destination, survival, pottedMs }: TrayFacts, proved: boolean): Planted => ({
  ...{ destination, survival, proved },
  potted: pottedMs !== null,
});

/** What earlier trays of the household taught, by step. */
export type Lessons = Partial<Record<Step, readonly PastLot[]>>;
const HERE = { packet: 'here', crop: 'crop', spot: 'here' } as const;

function priorOf(facts: TrayFacts, step: Step, proved: boolean, lessons: Lessons) {
  const book = stepPrior(facts.crop, step, plantedOf(facts, proved));
  if (!book) return null;
  const past = lessons[step] ?? [];
  // Survival is learnt from what became of seedlings, not from when they came.
  return past.length === 0 ? book : { ...learn(book, HERE, past), share: book.share };
}

/**
 * What a tray teaches the next ones of its crop, by step; a step that nobody was seen to reach
 * teaches nothing.
 *
 * @param label of its own, unlike that of any other tray
 */
export function lessonsOf(facts: TrayFacts, label: string, nowMs: number, utcOffsetHours: number): Lessons {
  const warmth = warmthOf(facts, nowMs, utcOffsetHours);
  const lessons: Partial<Record<Step, PastLot[]>> = {};
  for (const step of ['up', 'seed_leaves', 'true_leaves', 'roots_out'] as const) {
    const book = stepPrior(facts.crop, step, plantedOf(facts, true));
    const seen = seenOf(facts, step, warmth.progressOf(step), ({ proved }) => proved);
    const lesson = book && stepLesson(book, seen, { packet: label, crop: HERE.crop, spot: label });
    if (lesson) lessons[step] = [lesson];
  }
  return lessons;
}

/** Awaited of one kind: those planted with a root and those planted while quiet differ below ground. */
function awaitedOf(
  facts: TrayFacts,
  step: Step,
  numbers: readonly number[],
  proved: boolean,
  warmth: Warmth,
  lessons: Lessons,
  nowMs: number,
): Awaited | null {
  const prior = priorOf(facts, step, proved, lessons);
  if (!prior) return null;
  const progress = warmth.progressOf(step);
  const seen = seenOf(facts, step, progress, (plant) => step !== 'up' || plant.proved === proved);
  const posterior = stepPosterior(prior, seen);
  const from = expectedFrom(posterior, 0);
  const visits = visitsOf(facts);
  const waiting = facts.plants.filter(({ number }) => numbers.includes(number));
  const origins = waiting.map((plant) => originOf(plant, step, facts, visits, progress) ?? 0).sort((a, b) => a - b);
  const origin = origins[origins.length >> 1] ?? 0;
  const [earlyMs, usualMs, lateMs] = [from.early, from.usual, from.late].map((value) => progress.when(origin + value));
  const late = waiting.flatMap((plant) => {
    const own = originOf(plant, step, facts, visits, progress) ?? 0;
    const now = progress.at(nowMs) - own;
    if (now <= from.late * LATE_TIMES) return [];
    const last = seen.find(({ number }) => number === plant.number)?.fromProgress ?? 0;
    return [{ number: plant.number, comes: stillComes(posterior, last, now) }];
  });
  return { step, numbers, earlyMs: earlyMs ?? null, usualMs: usualMs ?? null, lateMs: lateMs ?? null, late };
}

/**
 * What is awaited of a tray, step by step: when it is expected, and what of it is late by now.
 *
 * @param lessons of earlier trays of the crop
 */
export function trayAwaits(facts: TrayFacts, lessons: Lessons, nowMs: number, utcOffsetHours: number): Awaited[] {
  const warmth = warmthOf(facts, nowMs, utcOffsetHours);
  const standing = facts.plants.filter(({ goneMs }) => goneMs === null);
  const groups = new Map<string, { step: Step; proved: boolean; numbers: number[] }>();
  for (const plant of standing) {
    const step = stepAfter(stageOf(plant));
    // Potting up is never awaited in the pot that it stays in.
    if (step === null || (step === 'roots_out' && facts.finalPot)) continue;
    const proved = step !== 'up' || plant.proved;
    const key = `${step} ${proved}`;
    const group = groups.get(key) ?? { step, proved, numbers: [] };
    group.numbers.push(plant.number);
    groups.set(key, group);
  }
  return [...groups.values()].flatMap(({ step, proved, numbers }) => awaitedOf(facts, step, numbers, proved, warmth, lessons, nowMs) ?? []);
}

/** When a tray has the size to go out, ms: one in ten, half and nine in ten; null where nobody knows, or none is up. */
export function sizeMs(
  facts: TrayFacts,
  lessons: Lessons,
  nowMs: number,
  utcOffsetHours: number,
): Omit<Awaited, 'late' | 'numbers'> | null {
  const numbers = facts.plants
    .filter(({ goneMs, marks }) => goneMs === null && marks.some(({ stage }) => reached(stage, 'up')))
    .map(({ number }) => number);
  if (numbers.length === 0) return null;
  const found = awaitedOf(facts, 'size', numbers, true, warmthOf(facts, nowMs, utcOffsetHours), lessons, nowMs);
  return found && { step: 'size', earlyMs: found.earlyMs, usualMs: found.usualMs, lateMs: found.lateMs };
}
