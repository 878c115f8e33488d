import { methodOf } from '../method/index.js';
import type { LookReason, NextLook } from '../looking/index.js';
import type { Answers, ParcelFacts } from '../parcel/index.js';
import { due } from '../units/index.js';
import type { Headline } from './counsel.js';
import { countOf } from './lift.js';
import { hopeOf } from './supplying.js';

function roots(facts: ParcelFacts, { roots: all, nowMs }: Answers): Headline {
  return {
    through: false,
    what: 'roots',
    grows: methodOf(facts.method).event === 'tip' ? 'root' : 'shoot',
    count: countOf(all),
    longestMm: Math.max(...all.map((root) => root.usualMm), 1),
    readyMs: Math.min(...all.map((root) => root.readyMs)),
    lateMs: Math.min(...all.map((root) => root.usuallyLateMs)),
    anyReady: all.some((root) => due(root.readyMs, nowMs)),
  };
}

/** Why a parcel is to be looked at when it is: what leads its line on Today. */
export function headlineOf(facts: ParcelFacts, answers: Answers, next: NextLook): Headline {
  const { now, longestMm, drying, soon } = answers;
  const through = next.via === 'through';
  const unsure = (what: 'unseen' | 'tips' | 'bag'): Headline => ({ through, what, now, longestMm, mate: facts.mates?.number ?? null });
  const water = (): Headline => ({
    through: false,
    what: 'water',
    dryingMs: drying.dryingAtMs,
    giveMl: facts.doseMl * (1 - drying.shareLeft),
    anyChance: now.anyChance,
  });
  // Where both are due, water that is sure to be needed leads a tip that is not.
  if (next.reason === 'tips' && drying.dryingAtMs <= soon.atMs && now.anyChance < 0.5) return water();
  const by: Record<LookReason, () => Headline> = {
    late: () => roots(facts, answers),
    move: () => roots(facts, answers),
    // Nobody has looked for so long that a root that nobody saw may be too long.
    tips: () => unsure(methodOf(facts.method).event === 'tip' && longestMm >= facts.crop.root.lateMm ? 'unseen' : 'tips'),
    water,
    chill: () => ({ through, what: 'chill' }),
    bag: () => unsure('bag'),
    patience: () => (facts.test ? { through, what: 'final_count', now } : { through, what: 'patience', hope: hopeOf(answers) }),
  };
  return by[next.reason]();
}
