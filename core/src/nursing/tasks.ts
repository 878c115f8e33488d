import type { Damp } from '../carrier/index.js';
import type { NETS, SUPPORTS } from '../crops/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import {
  countsOf,
  coverAtFirst,
  coverWanted,
  feedDue,
  thirstOf,
  type Cover,
  type Felt,
  type NursingSchools,
  type Thirst,
  type Watering,
} from './care.js';
import { reached, type SeedlingStage } from './stages.js';
import type { Thinning } from './thin.js';
import type { Awaited, TrayFacts } from './tray.js';

/** What was done for a tray, as far as it bears on what is to be done. */
export interface CareFacts {
  readonly cover: Cover;
  readonly felt: readonly Felt[];
  readonly fedMs: number | null;
  readonly airedMs: number | null;
  /** Mean temperature where it stands now, °C. */
  readonly celsius: number;
}

/** Something to be done for a tray; a moment that is past is now. */
export type TrayTask =
  | { readonly kind: 'uncover' | 'prop' | 'cover'; readonly dueMs: number; readonly up: number; readonly of: number }
  | { readonly kind: 'drain'; readonly dueMs: number }
  | { readonly kind: 'water'; readonly dueMs: number; readonly now: Thirst['now'] }
  | { readonly kind: 'pot_up'; readonly dueMs: number; readonly numbers: readonly number[] }
  | { readonly kind: 'look_below'; readonly dueMs: number; readonly numbers: readonly number[] }
  | { readonly kind: 'carry_in'; readonly dueMs: number; readonly nightC: number; readonly bearsC: number }
  | { readonly kind: 'carry_out'; readonly dueMs: number; readonly hours: number; readonly nth: number; readonly night: boolean }
  | {
      readonly kind: 'release';
      readonly dueMs: number;
      readonly numbers: readonly number[];
      readonly kept: number;
      readonly wanted: number;
      readonly chance: number;
    }
  | { readonly kind: 'harden'; readonly dueMs: number }
  | { readonly kind: 'thin'; readonly dueMs: number; readonly numbers: readonly number[]; readonly pots: readonly Thinning[] }
  | { readonly kind: 'air'; readonly dueMs: number }
  | { readonly kind: 'net'; readonly dueMs: number; readonly against: (typeof NETS)[number] }
  | { readonly kind: 'support'; readonly dueMs: number; readonly support: (typeof SUPPORTS)[number] }
  | { readonly kind: 'feed'; readonly dueMs: number; readonly strength: number; readonly first: boolean }
  | {
      readonly kind: 'late';
      readonly dueMs: number;
      readonly step: Awaited['step'];
      readonly numbers: readonly number[];
      readonly comes: number;
    };

/** Most urgent first: what kills before what waits. */
const URGENCY: readonly string[] = [
  'carry_in',
  'drain',
  'uncover',
  'prop',
  'net',
  'carry_out',
  'soil',
  'pot_up',
  'water',
  'cover',
  'thin',
  'support',
  'air',
  'read_soil',
  'take_in',
  'look_below',
  'late',
  'release',
  'harden',
  'feed',
];
/** How far a kind of task may wait against others, 0 for what may not; what is none of a tray's comes last. */
export function urgencyOf(kind: string): number {
  const at = URGENCY.indexOf(kind);
  return at < 0 ? URGENCY.length : at;
}

/** What lives in a glass case is aired so often, ms. Common practice, no source. */
const AIR_EVERY_MS = 2 * DAY_MS;
/** Nobody digs for one that is late every day: so long after a look it is asked for again, ms. */
const ASKED_AGAIN_MS = 2 * DAY_MS;
/** Gardeners water in the morning: what wants water before the next is told today, ms. */
const TODAY_MS = 12 * HOUR_MS;

/** When half of those that stand had come to a stage, ms; null where fewer have. */
export function halfAt(facts: TrayFacts, goal: SeedlingStage): number | null {
  const standing = facts.plants.filter(({ goneMs }) => goneMs === null);
  const times = standing.flatMap(({ marks }) => marks.find(({ stage }) => reached(stage, goal))?.atMs ?? []).sort((a, b) => a - b);
  return times.length * 2 < standing.length || times.length === 0 ? null : (times[Math.ceil(standing.length / 2) - 1] ?? null);
}

/**
 * What a tray asks for today, and what it will ask for next, the most urgent first.
 *
 * @param awaited what {@link trayAwaits} says of it
 */
export function trayTasks(
  facts: TrayFacts,
  care: CareFacts,
  awaited: readonly Awaited[],
  schools: NursingSchools,
  nowMs: number,
): TrayTask[] {
  const standing = facts.plants.filter(({ goneMs }) => goneMs === null);
  const stages = standing.map(({ marks }) => marks.at(-1)?.stage ?? 'moved');
  const nursed = stages.filter((stage) => !reached(stage, 'planted_out'));
  if (nursed.length === 0) return [];
  const counts = countsOf(nursed);
  const { destination } = facts;
  const tasks: TrayTask[] = [];
  const firstUpMs =
    standing.flatMap(({ marks }) => marks.find(({ stage }) => reached(stage, 'up'))?.atMs ?? []).sort((a, b) => a - b)[0] ?? null;
  const wanted = coverWanted(destination, counts, firstUpMs, schools.cover, nowMs);
  if (wanted !== care.cover && counts.up > 0 && ORDER[wanted] > ORDER[care.cover])
    tasks.push({ kind: wanted === 'off' ? 'uncover' : 'prop', dueMs: nowMs, up: counts.up, of: nursed.length });
  else if (care.cover === 'off' && wanted === 'on' && counts.up === 0 && coverAtFirst(destination) === 'on')
    tasks.push({ kind: 'cover', dueMs: nowMs, up: 0, of: nursed.length });
  const leaved = counts.leaved * 2 >= nursed.length;
  const thirst = thirstOf(facts.crop, { destination, movedMs: facts.pottedMs ?? facts.movedMs, ...care, leaved }, nowMs);
  if (thirst.pooling) tasks.push({ kind: 'drain', dueMs: nowMs });
  else if (destination !== 'bed') tasks.push({ kind: 'water', dueMs: Math.max(thirst.dueMs, nowMs), now: thirst.now });
  if (destination === 'terrarium' && counts.up > 0)
    tasks.push({ kind: 'air', dueMs: Math.max((care.airedMs ?? facts.movedMs) + AIR_EVERY_MS, nowMs) });
  const rooted = standing.filter(({ marks }) => marks.at(-1)?.stage === 'roots_out').map(({ number }) => number);
  if (rooted.length > 0 && !facts.finalPot) tasks.push({ kind: 'pot_up', dueMs: nowMs, numbers: rooted });
  for (const { step, numbers, usualMs, late } of awaited) {
    if (step === 'roots_out') {
      const seenMs = Math.max(0, ...facts.seenMs);
      // By even chances roots show: worth lifting one out, and again some days after a look that found none.
      if (usualMs !== null) tasks.push({ kind: 'look_below', dueMs: Math.max(usualMs, seenMs + ASKED_AGAIN_MS), numbers });
      continue;
    }
    const askedMs = Math.max(0, ...facts.seenMs) + ASKED_AGAIN_MS;
    if (late.length > 0)
      tasks.push({
        kind: 'late',
        dueMs: Math.max(askedMs, nowMs),
        step,
        numbers: late.map(({ number }) => number),
        comes: late.reduce((sum, { comes }) => sum + comes, 0) / late.length,
      });
  }
  const feed = feedDue(destination, {
    leavedMs: halfAt(facts, 'true_leaves'),
    standsMs: halfAt(facts, 'seed_leaves'),
    pottedMs: facts.pottedMs,
    fedMs: care.fedMs,
  });
  if (feed) tasks.push({ kind: 'feed', dueMs: Math.max(feed.dueMs, nowMs), strength: feed.strength, first: care.fedMs === null });
  return tasks.sort(
    (a, b) => Number(!dueToday(a, nowMs)) - Number(!dueToday(b, nowMs)) || urgencyOf(a.kind) - urgencyOf(b.kind) || a.dueMs - b.dueMs,
  );
}

const ORDER: Readonly<Record<Cover, number>> = { on: 0, propped: 1, off: 2 };

/** What has been done once a task is done, as it is written down. */
export type Settled =
  | { readonly kind: 'cover'; readonly cover: Cover }
  | { readonly kind: 'water'; readonly from: Watering | null; readonly finger: Damp | null }
  | { readonly kind: 'feed'; readonly strength: number }
  | { readonly kind: 'carried'; readonly out: boolean }
  | { readonly kind: 'seen' | 'air' | 'support' | 'net' };

/** What settles a task of a tray in one touch; null where it takes more than a touch. */
export function settledBy(task: TrayTask, { watered }: Pick<NursingSchools, 'watered'>): Settled | null {
  switch (task.kind) {
    case 'uncover':
      return { kind: 'cover', cover: 'off' };
    case 'prop':
      return { kind: 'cover', cover: 'propped' };
    case 'cover':
      return { kind: 'cover', cover: 'on' };
    case 'drain':
      return { kind: 'water', from: null, finger: 'damp' };
    case 'water':
      return { kind: 'water', from: watered, finger: null };
    case 'feed':
      return { kind: 'feed', strength: task.strength };
    case 'look_below':
    case 'late':
      return { kind: 'seen' };
    case 'carry_in':
      return { kind: 'carried', out: false };
    case 'carry_out':
      return { kind: 'carried', out: true };
    case 'air':
    case 'support':
    case 'net':
      return { kind: task.kind };
    case 'thin':
    case 'pot_up':
    case 'release':
    case 'harden':
      return null;
  }
}

/** What a task says of the labels that it is about, in one touch; null where it says nothing of them. */
export const saidBy = (task: TrayTask): { readonly kind: 'composted' } | null => (task.kind === 'thin' ? { kind: 'composted' } : null);

/** What a finger says instead of doing a task: it is damp still. Null where there is no such word. */
export const feltInstead = (task: TrayTask): Settled | null =>
  task.kind === 'water' && task.now !== null ? { kind: 'water', from: null, finger: 'damp' } : null;

/** Whether a task belongs to today's work. */
export const dueToday = ({ dueMs }: Pick<TrayTask, 'dueMs'>, nowMs: number): boolean => dueMs <= nowMs + TODAY_MS;
