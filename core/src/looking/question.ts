import { noticingAt } from '../forecast/index.js';
import { quietPast, SLOT_MS, waysOf, type Answers, type ParcelFacts, type Workings } from '../parcel/index.js';
import { chillDue } from '../preparing/index.js';
import type { LookQuestion } from './next-look.js';

/** Closures that no lamp shines through. */
const HIDES: readonly ParcelFacts['closure'][] = ['lidded'];
/** Shorter seed cannot be read through paper, mm. Guess. */
const LEAST_SEEN_MM = 1.5;

/** Chance that a look through the bag notices a root that would be in the paper one looking time on. */
function noticedThrough({ facts, method, growth, progress }: Workings, stepMs: number, nowMs: number): number {
  if (!method.bagged) return 0;
  if (!waysOf(facts).unopenedFirst || HIDES.includes(facts.closure) || facts.crop.seed.lengthMm < LEAST_SEEN_MM) return 0;
  const grows = growth.mmPerDayAtOptimum * (progress.at(nowMs + stepMs) - progress.at(nowMs));
  return noticingAt(Math.max(growth.lateMm - grows, 0));
}

/** A chance by moment that is worked out once a moment: the same looking times are asked about again and again. */
function remembered(chance: (ms: number) => number): (ms: number) => number {
  const known = new Map<number, number>();
  return (ms) => {
    const found = known.get(ms) ?? chance(ms);
    known.set(ms, found);
    return found;
  };
}

/** What the decision of when to look hangs on, for one parcel at one moment. */
export function lookQuestion(workings: Workings, answers: Answers, nowMs: number): LookQuestion {
  const { facts, method, progress, evidence, growth } = workings;
  const { roots, drying, drownsMs, patienceMs, soon } = answers;
  const { test } = facts;
  const patience = evidence.quiet.count > 0 ? patienceMs : Infinity;
  return {
    timesMs: [nowMs, ...facts.lookTimesMs.filter((ms) => ms > nowMs + SLOT_MS)],
    tolerance: facts.lateTolerance,
    seenUntilMs: evidence.lastSeenMs > facts.startMs ? evidence.lastSeenMs + SLOT_MS : 0,
    // What lies in water drowns all at once, whatever shows.
    quietLateBy:
      drownsMs === null ? remembered(quietPast(workings, growth.lateMm)) : (ms) => (ms > drownsMs && evidence.quiet.count > 0 ? 1 : 0),
    shownLateBy: (ms) => (roots.some((root) => root.lateFromMs <= ms) ? 1 : 0),
    readyMs: roots.length > 0 ? Math.min(...roots.map((root) => root.readyMs)) : null,
    dryingMs: drying.dryingAtMs,
    chillUntilMs: chillDue(facts.chillUntilMs, progress.celsiusAt(nowMs), nowMs),
    patienceMs: test ? (test.result ? Infinity : test.finalMs) : patience,
    noticedThrough: method.bagged ? noticedThrough(workings, soon.atMs - nowMs, nowMs) : 0,
    mates: facts.mates ?? null,
  };
}
