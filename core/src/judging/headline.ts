import { methodOf } from '../method/index.js';
import { lingering, type LookReason, type NextLook } from '../looking/index.js';
import type { Answers, ParcelFacts } from '../parcel/index.js';
import { DAY_MS, due } from '../units/index.js';
import type { Headline } from './counsel.js';
import { countOf } from './lift.js';
import { countDue, hopeless, hopeOf, survivorsOf } from './supplying.js';

function roots(facts: ParcelFacts, { roots: all, nowMs, thirst, drying }: Answers): Headline {
  return {
    through: false,
    what: 'roots',
    grows: methodOf(facts.method).event === 'tip' ? 'root' : 'shoot',
    count: countOf(all),
    longestMm: Math.max(...all.map((root) => root.usualMm), 1),
    readyMs: Math.min(...all.map((root) => root.readyMs)),
    lateMs: Math.min(...all.map((root) => root.usuallyLateMs)),
    anyReady: all.some((root) => due(root.readyMs, nowMs)),
    giveMl: thirst ? facts.doseMl * (1 - drying.shareLeft) : 0,
  };
}

/** Not opened for so long it is opened before it is judged, ms. */
const LONG_MS = 4 * DAY_MS;

/** Even chances that a root is in the paper: one that was seen, or of a tip that nobody saw. */
export const paperByNow = ({ method }: ParcelFacts, { window, nowMs }: Answers): boolean =>
  methodOf(method).event === 'tip' && window.lateMs !== null && window.lateMs <= nowMs;

/** Why a parcel is to be looked at when it is: what leads its line on Today. */
export function headlineOf(facts: ParcelFacts, answers: Answers, next: NextLook): Headline {
  const { now, longestMm, drying, soon } = answers;
  const through = next.via === 'through';
  const unsure = <What extends 'unseen' | 'tips' | 'bag' | 'unlooked'>(what: What) =>
    ({ through, what, now, longestMm, mate: facts.mates?.number ?? null }) as const;
  const { thirst, heat } = answers;
  const water = (): Headline => ({
    through: false,
    what: 'water',
    thirst,
    dryingMs: drying.dryingAtMs,
    giveMl: facts.doseMl * (1 - drying.shareLeft),
    anyChance: now.anyChance,
  });
  if (facts.test?.result) return { through: false, what: 'counted', showing: survivorsOf(facts.test.result, answers.state) };
  // What kills leads, then what dries, until it is settled.
  if (heat) return { through: false, what: 'heat', peakC: heat.peakC, dies: heat.dies };
  if (countDue(facts, answers.nowMs)) return { through: false, what: 'final_count', now };
  const unseenRoot = paperByNow(facts, answers);
  if (thirst && (thirst.felt || thirst.damp === 'dry' || (!unseenRoot && next.reason !== 'late' && next.reason !== 'move'))) return water();
  // Where both are due, water that is sure to be needed leads a tip that is not.
  if (next.reason === 'tips' && drying.dryingAtMs <= soon.atMs && now.anyChance < 0.5) return water();
  const by: Record<LookReason, () => Headline> = {
    late: () => roots(facts, answers),
    move: () => roots(facts, answers),
    // Nobody has looked for so long that a root that nobody saw may be too long.
    tips: () => unsure(unseenRoot ? 'unseen' : 'tips'),
    water,
    chill: () => ({ through, what: 'chill' }),
    bag: () => unsure('bag'),
    heat: () => unsure('tips'),
    soak: () => ({
      through: false,
      what: 'soak',
      outByMs: answers.soaking?.outByMs ?? answers.nowMs,
      drownsMs: answers.soaking?.drownsMs ?? answers.nowMs,
    }),
    trouble: () => {
      const { atMs, trouble } = lingering(facts) ?? { atMs: answers.nowMs, trouble: 'threads' as const };
      return { through, what: 'trouble', trouble, sinceMs: atMs };
    },
    second: () => ({
      through,
      what: 'second',
      seeds: facts.secondStep?.seeds ?? 0,
      below: facts.secondStep?.below ?? 0,
      shown: answers.state.tipped,
    }),
    // Nobody has looked for so long that nothing is known: it is opened, and not judged.
    patience: () =>
      facts.test
        ? { through, what: 'final_count', now }
        : hopeless(facts, answers) || answers.nowMs - answers.openedMs < LONG_MS
          ? { through, what: 'patience', hope: hopeOf(answers) }
          : { ...unsure('unlooked'), sinceMs: answers.openedMs },
  };
  return by[next.reason]();
}
