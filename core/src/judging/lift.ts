import { methodOf } from '../method/index.js';
import { readyLength } from '../moving/index.js';
import { waysOf, type Answers, type ParcelFacts, type RootsNow } from '../parcel/index.js';
import { due } from '../units/index.js';
import type { Lengths, Lift } from './counsel.js';

export const countOf = (roots: readonly RootsNow[]): number => roots.reduce((total, root) => total + root.count, 0);

function lengthsOf(roots: readonly RootsNow[]): Lengths {
  const few = roots.length <= 4 && roots.every((root) => root.measured);
  return { measuredMm: few ? roots.map((root) => root.usualMm) : null, longestMm: Math.max(...roots.map((root) => root.usualMm), 1) };
}

/** Everything that what has shown asks for: lifting now, or waiting for its length. */
export function lifts(facts: ParcelFacts, { nowMs, roots, state }: Answers): Lift[] {
  const { event } = methodOf(facts.method);
  const grown = roots.filter((root) => due(root.readyMs, nowMs) || due(root.usuallyLateMs, nowMs));
  const waiting = roots.filter((root) => !grown.includes(root));
  const found: Lift[] = [];
  if (grown.length > 0) {
    // Open seed leaves are overdue in a bag; above ground they are as they should be.
    const leavesOpen = event === 'tip' && (state.overgrown > 0 || grown.some((root) => due(root.overgrownMs, nowMs)));
    const late = grown.some((root) => due(root.usuallyLateMs, nowMs));
    found.push({
      kind: late || leavesOpen ? 'rescue' : 'move',
      what: 'lift',
      grows: event === 'tip' ? 'root' : 'shoot',
      count: countOf(grown),
      byMs: Math.min(...grown.map((root) => root.usuallyLateMs)),
      lengths: lengthsOf(grown),
      leavesOpen,
    });
  }
  if (waiting.length > 0) {
    found.push({
      kind: 'retuck',
      what: 'tips',
      count: countOf(waiting),
      readyMs: Math.min(...waiting.map((root) => root.readyMs)),
      readyMm: readyLength(facts.crop, waysOf(facts).rootSchool),
      lateMm: facts.crop.root.lateMm,
    });
  }
  return found;
}
