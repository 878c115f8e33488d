import { counted, type Words } from '../units/words.js';
import { about, before, due, type Advice } from './advice.js';
import type { Answers } from './answers.js';
import { readyLength } from '../moving/rate.js';
import type { RootsNow } from './roots-now.js';
import { waysOf, type ParcelFacts } from './workings.js';

const HOUR_MS = 3_600_000;

export const countOf = (roots: readonly RootsNow[]): number => roots.reduce((total, root) => total + root.count, 0);

function lengths(roots: readonly RootsNow[], words: Words): string {
  const measured = roots.filter((root) => root.measured);
  if (measured.length > 0 && measured.length <= 4 && measured.length === roots.length) {
    const list = measured.map((root) => words.length(root.usualMm));
    return `${list.length > 1 ? `Roots of about ${list.slice(0, -1).join(', ')} and ${list.at(-1)}` : `A root of about ${list[0]}`}.`;
  }
  const longest = Math.max(...roots.map((root) => root.usualMm));
  return `The longest about ${words.length(Math.max(longest, 1))} by now.`;
}

function moveText({ crop }: ParcelFacts, words: Words): string {
  const { depthMm, surfaceSown, mix, pot } = crop.moving;
  const place = surfaceSown ? 'On the surface, pressed in' : `Root down, ${words.length(depthMm)} deep`;
  const hold = crop.root.shy === 2 ? 'It hates being moved: go gently, hold it by the coat.' : 'Hold it by the coat, never the root.';
  return `${place}, into damp ${mix} (${pot}). ${hold}`;
}

/** Everything the roots ask for: lifting now, or waiting for their length. */
export function rootAdvice(facts: ParcelFacts, answers: Answers, words: Words): Advice[] {
  const { nowMs, roots } = answers;
  const grown = roots.filter((root) => due(root.readyMs, nowMs) || due(root.usuallyLateMs, nowMs));
  const waiting = roots.filter((root) => !grown.includes(root));
  const late = grown.filter((root) => due(root.usuallyLateMs, nowMs));
  const advice: Advice[] = [];
  if (grown.length > 0) {
    const open = answers.state.overgrown > 0 || grown.some((root) => due(root.overgrownMs, nowMs));
    const rescue = late.length > 0 || open;
    const byMs = Math.min(...grown.map((root) => root.usuallyLateMs));
    const leaves = open ? 'Where seed leaves are open it is overdue: into light as soon as it is planted. ' : '';
    advice.push({
      kind: rescue ? 'rescue' : 'move',
      lead: `${rescue ? 'Rescue' : 'Move'} ${counted(countOf(grown), 'sprout')}`,
      by: rescue ? 'now' : `before ${words.when(before(byMs))}`,
      tone: rescue || byMs < nowMs + 14 * HOUR_MS ? 'trouble' : 'growth',
      text: rescue
        ? `${lengths(grown, words)} ${leaves}Longest first. A root in the paper stays there: wet it, tear the patch away and plant both. ${moveText(facts, words)}`
        : `${lengths(grown, words)} ${moveText(facts, words)}`,
    });
  }
  if (waiting.length > 0) {
    const readyMs = Math.min(...waiting.map((root) => root.readyMs));
    advice.push({
      kind: 'retuck',
      lead: `Re-tuck ${counted(countOf(waiting), 'tip')}`,
      by: `ready about ${words.when(about(readyMs))}`,
      tone: 'waiting',
      text: `Move at ${words.length(readyLength(facts.crop, waysOf(facts).rootSchool))}; roots enter the paper near ${words.length(facts.crop.root.lateMm)}.`,
    });
  }
  return advice;
}
