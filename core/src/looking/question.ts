import { mediumOf, USUAL_SETUP } from '../carrier/index.js';
import { noticingAt } from '../forecast/index.js';
import { quietPast, SLOT_MS, waysOf, type Answers, type ParcelFacts, type Trouble, type Workings } from '../parcel/index.js';
import { methodOf } from '../method/index.js';
import { chillDue } from '../preparing/index.js';
import { HOUR_MS } from '../units/index.js';
import { toleranceOf } from './budget.js';
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
  return noticingAt(Math.max(growth.lateMm - grows, 0), mediumOf((facts.setup ?? USUAL_SETUP).medium).readable);
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

/** Whether seed was taken out of its chill: opened, or moved to another spot, since it was done. */
const takenOut = ({ chillUntilMs, looks, stays }: ParcelFacts): boolean =>
  chillUntilMs !== null &&
  (looks.some(({ atMs, through }) => !through && atMs >= chillUntilMs) || stays.some(({ fromMs }) => fromMs >= chillUntilMs));

/** Troubles that may come back overnight. */
const LINGERS: readonly Trouble[] = ['threads', 'soft_seed', 'smell', 'drowned'];
/** So long after they were seen one looks again, ms: by the next day's time. */
const NEXT_DAY_MS = 20 * HOUR_MS;

/** The trouble of the last look that asks for another the next day; null where there was none. */
export function lingering({ looks, method }: ParcelFacts): { readonly atMs: number; readonly trouble: Trouble | 'pool' } | null {
  const last = looks.at(-1);
  if (!last) return null;
  const trouble =
    last.damp === 'pooling' && methodOf(method).water !== 'standing' ? 'pool' : LINGERS.find((one) => last.troubles.includes(one));
  return trouble ? { atMs: last.atMs, trouble } : null;
}

const troubleDue = (facts: ParcelFacts): number | null => {
  const found = lingering(facts);
  return found && found.atMs + NEXT_DAY_MS;
};

const timesFrom = ({ lookTimesMs }: ParcelFacts, nowMs: number): number[] => [nowMs, ...lookTimesMs.filter((ms) => ms > nowMs + SLOT_MS)];

/** A test that was counted asks for nothing but that what lives is moved. */
const afterCount = ({ facts }: Workings, { state }: Answers, nowMs: number): LookQuestion => ({
  timesMs: timesFrom(facts, nowMs),
  toleranceAt: () => facts.lateTolerance,
  seenUntilMs: 0,
  quietLateBy: () => 0,
  shownLateBy: () => 0,
  readyMs: state.moved < (facts.test?.result?.totals.normal ?? 0) ? nowMs : null,
  dryingMs: Infinity,
  chillUntilMs: null,
  patienceMs: Infinity,
});

/** What the decision of when to look hangs on, for one parcel at one moment. */
export function lookQuestion(workings: Workings, answers: Answers, nowMs: number): LookQuestion {
  if (workings.facts.test?.result) return afterCount(workings, answers, nowMs);
  const { facts, method, progress, evidence, growth } = workings;
  const { roots, drying, drownsMs, patienceMs, soon, heat, soaking, state } = answers;
  const { test } = facts;
  const patience = evidence.quiet.count > 0 ? patienceMs : Infinity;
  return {
    timesMs: timesFrom(facts, nowMs),
    toleranceAt: remembered(toleranceOf(workings, facts.lateTolerance)),
    leastOwn: facts.lateTolerance / 10,
    seenUntilMs: evidence.lastSeenMs > facts.startMs ? evidence.lastSeenMs + SLOT_MS : 0,
    // What lies in water drowns all at once, whatever shows.
    quietLateBy:
      drownsMs === null ? remembered(quietPast(workings, growth.lateMm)) : (ms) => (ms > drownsMs && evidence.quiet.count > 0 ? 1 : 0),
    shownLateBy: (ms) => (roots.some((root) => root.lateFromMs <= ms) ? 1 : 0),
    readyMs: roots.length > 0 ? Math.min(...roots.map((root) => root.readyMs)) : null,
    dryingMs: drying.dryingAtMs,
    soak: soaking,
    heat: heat !== null,
    secondMs: facts.secondStep && !facts.followedBy && state.tipped < facts.secondStep.below ? facts.secondStep.atMs : null,
    troubleMs: troubleDue(facts),
    chillUntilMs: chillDue(facts, progress.celsiusAt(nowMs), nowMs, takenOut(facts)),
    patienceMs: test ? test.finalMs : patience,
    noticedThrough: method.bagged ? noticedThrough(workings, soon.atMs - nowMs, nowMs) : 0,
    mates: facts.mates ?? null,
  };
}
