import { lateLength, methodOf } from '../method/index.js';
import { readyLength } from '../moving/index.js';
import { waysOf, type Answers, type ParcelFacts, type RootsNow } from '../parcel/index.js';
import { due, HOUR_MS } from '../units/index.js';
import type { Lengths, Lift } from './counsel.js';

export const countOf = (roots: readonly RootsNow[]): number => roots.reduce((total, root) => total + root.count, 0);

function lengthsOf(roots: readonly RootsNow[]): Lengths {
  const few = roots.length <= 4 && roots.every((root) => root.measured);
  return { measuredMm: few ? roots.map((root) => root.usualMm) : null, longestMm: Math.max(...roots.map((root) => root.usualMm), 1) };
}

/** What is ready so soon goes along with what is moved now, ms. */
const ALONG_MS = HOUR_MS;

/** Everything that what has shown asks for: lifting now, or waiting for its length. */
export function lifts(facts: ParcelFacts, { nowMs, roots, state }: Answers): Lift[] {
  const { event } = methodOf(facts.method);
  const leaves = new Set(state.seeds.filter(({ stage, moved }) => stage === 'leaves' && !moved).map(({ seed }) => seed));
  /** Open seed leaves are overdue in a bag; above ground they are as they should be. */
  const open = (root: RootsNow): boolean =>
    event === 'tip' && (due(root.overgrownMs, nowMs) || root.seeds.some((seed) => leaves.has(seed)));
  const ripe = roots.some((root) => due(root.readyMs, nowMs));
  const late = roots.filter((root) => due(root.usuallyLateMs, nowMs) || open(root));
  // With the bag open and others moved, what is ready within the hour goes along; after a test's count, whatever lives.
  const byMs = facts.test?.result ? Infinity : ripe || late.length > 0 ? nowMs + ALONG_MS : nowMs;
  const ready = roots.filter((root) => !late.includes(root) && (due(root.readyMs, nowMs) || root.readyMs <= byMs));
  const waiting = roots.filter((root) => !late.includes(root) && !ready.includes(root));
  const lift = (kind: 'rescue' | 'move', some: readonly RootsNow[]): Lift => ({
    kind,
    what: 'lift',
    grows: event === 'tip' ? 'root' : 'shoot',
    count: countOf(some),
    byMs: Math.min(...some.map((root) => root.usuallyLateMs)),
    lengths: lengthsOf(some),
    leavesOpen: some.some(open),
  });
  const found: Lift[] = [];
  if (late.length > 0) found.push(lift('rescue', late));
  if (ready.length > 0) found.push(lift('move', ready));
  if (waiting.length > 0) {
    found.push({
      kind: 'retuck',
      what: 'tips',
      count: countOf(waiting),
      readyMs: Math.min(...waiting.map((root) => root.readyMs)),
      readyMm: readyLength(facts.crop, waysOf(facts).rootSchool),
      lateMm: lateLength(facts.crop.root.lateMm, readyLength(facts.crop, waysOf(facts).rootSchool)),
    });
  }
  return found;
}
