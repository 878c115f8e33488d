import { due, HOUR_MS } from '../units/index.js';
import { methodOf } from '../method/index.js';
import type { Answers, ParcelFacts, Trouble } from '../parcel/index.js';
import { BETTER_ELSEWHERE } from '../warmth/index.js';
import type { Mend } from './counsel.js';
import { FINDINGS, type FindingId } from './trouble-guide.js';

/** Below this survival the heat is said to have harmed. */
const HARMED = 0.9;
/** Share of a dose that brings a dry and a drying towel back. Rule of thumb, no source. */
const REFILL = { dry: 0.7, drying: 0.4 } as const;
/** Seed in water is told so long before it drowns, ms: a look is made twice a day. */
const WARNED_MS = 12 * HOUR_MS;

/** What each trouble is in the guide. */
export const FINDING_OF: Readonly<Record<Trouble, FindingId>> = {
  fuzz: 'hair',
  stain: 'dye',
  green_film: 'algae',
  threads: 'mould',
  soft_seed: 'rot',
  smell: 'smell',
  too_hot: 'heat',
  drowned: 'drowned',
};

const troubleOf = (trouble: Trouble): Mend => {
  const finding = FINDING_OF[trouble];
  const harmless = FINDINGS.some(({ id, harm }) => id === finding && harm === 'none');
  return { kind: harmless ? 'retuck' : 'mend', what: 'trouble', trouble, finding };
};

/** What the warmth asks for: seed kept quiet by heat or cold is not dead. */
function warmth({ crop }: ParcelFacts, { state, toll }: Answers): Mend[] {
  if (state.quiet === 0) return [];
  const found: Mend[] = [];
  if (toll.survival < HARMED) {
    found.push({ kind: 'mend', what: 'overheated', injuryC: crop.temperature.injuryC, survival: toll.survival });
  }
  if (toll.share < BETTER_ELSEWHERE) {
    found.push({
      kind: 'mend',
      what: 'other_board',
      way: toll.meanC > crop.temperature.beta.optimumC ? 'cooler' : 'warmer',
      meanC: toll.meanC,
      share: toll.share,
      waiting: Math.max(Math.round(state.quiet * (1 - toll.share)), 1),
    });
  }
  return found;
}

/** Seed that lies in water near its limit, or past it. */
function drowning({ crop }: ParcelFacts, { drownsMs, state, nowMs }: Answers): Mend[] {
  if (drownsMs === null || state.quiet + state.showing === 0 || nowMs < drownsMs - WARNED_MS) return [];
  return [{ kind: 'mend', what: 'drowning', drownsMs, limitHours: crop.water.drowningLimitHours, over: due(drownsMs, nowMs) }];
}

/** What to mend before anything else: heat first, then water, then what rots. */
export function mends(facts: ParcelFacts, answers: Answers): Mend[] {
  const found: Mend[] = [...warmth(facts, answers), ...drowning(facts, answers)];
  const last = facts.looks.at(-1);
  if (!last) return found;
  const { damp, rewetted, troubles } = last;
  if (troubles.includes('too_hot')) found.push(troubleOf('too_hot'));
  if ((damp === 'dry' || damp === 'drying') && !rewetted) {
    found.push({ kind: 'mend', what: 'thirst', damp, doseMl: facts.doseMl * REFILL[damp] });
  }
  // Where water is meant to stand a pool is no trouble.
  if (damp === 'pooling' && methodOf(facts.method).water !== 'standing') found.push({ kind: 'mend', what: 'pool' });
  found.push(...troubles.filter((trouble) => trouble !== 'too_hot').map(troubleOf));
  return found;
}
