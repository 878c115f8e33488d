import { due, HOUR_MS } from '../units/index.js';
import { methodOf } from '../method/index.js';
import type { Answers, ParcelFacts, Trouble } from '../parcel/index.js';
import { betterSpot } from '../warmth/index.js';
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

/** Fuzz where no root was ever seen is no root hair. */
const findingOf = (trouble: Trouble, rooted: boolean): FindingId => (trouble === 'fuzz' && !rooted ? 'mould' : FINDING_OF[trouble]);

const troubleOf = (trouble: Trouble, rooted: boolean): Mend => {
  const finding = findingOf(trouble, rooted);
  const harmless = FINDINGS.some(({ id, harm }) => id === finding && harm === 'none');
  return { kind: harmless ? 'retuck' : 'mend', what: 'trouble', trouble, finding };
};

/** Whether its spot keeps a part of it quiet, and which way is better; while it is chilled or its place kills that is no question. */
export const elsewhere = ({ crop, chillUntilMs }: ParcelFacts, { toll, heat, nowMs }: Answers): 'cooler' | 'warmer' | null =>
  heat !== null || (chillUntilMs !== null && chillUntilMs > nowMs) ? null : betterSpot(crop, toll);

/** So much of a lot must sleep for want of cold before it is worth a word. Guess. */
const ASLEEP = 0.15;

/** Living seed that sleeps for want of cold, out in the warm: it is sent there and not called dead. */
export const wantsCold = ({ chillUntilMs }: ParcelFacts, { chill, state, nowMs }: Answers): boolean =>
  chill !== null && chill.asleep >= ASLEEP && state.quiet > 0 && (chillUntilMs === null || chillUntilMs <= nowMs);

function cold(facts: ParcelFacts, answers: Answers): Mend[] {
  const { chill, chanceQuietAlive } = answers;
  if (chill === null || !wantsCold(facts, answers)) return [];
  return [{ kind: 'mend', what: 'wants_cold', ...chill, celsius: facts.crop.chill.celsius, alive: chanceQuietAlive }];
}

/** What the warmth asks for: seed kept quiet by heat or cold is not dead. */
function warmth(facts: ParcelFacts, answers: Answers): Mend[] {
  const { crop } = facts;
  const { state, toll, heat } = answers;
  const found: Mend[] = heat ? [{ kind: 'mend', what: 'heat', survival: toll.survival, ...heat }] : [];
  if (state.quiet === 0) return found;
  if (heat === null && toll.survival < HARMED) {
    found.push({ kind: 'mend', what: 'overheated', injuryC: crop.temperature.injuryC, survival: toll.survival });
  }
  const way = elsewhere(facts, answers);
  if (way !== null) {
    found.push({
      kind: 'mend',
      what: 'other_board',
      way,
      meanC: toll.meanC,
      share: toll.share,
      waiting: Math.max(Math.round(state.quiet * (1 - toll.share)), 1),
    });
  }
  return found;
}

/** Seed that lies in water near its limit, or past it. */
function drowning({ crop }: ParcelFacts, { drownsMs, afloat, state, nowMs }: Answers): Mend[] {
  if (drownsMs === null || state.quiet + state.showing === 0 || nowMs < drownsMs - WARNED_MS) return [];
  return [
    { kind: 'mend', what: 'drowning', drownsMs, limitHours: crop.water.drowningLimitHours, over: due(drownsMs, nowMs), survival: afloat },
  ];
}

/** Water that it wants: as felt, or where it is more likely dry than not; what only may be drying is felt at its look. */
const thirst = ({ doseMl }: ParcelFacts, { thirst: wants }: Answers): Mend[] =>
  wants === null || (!wants.felt && wants.damp === 'drying')
    ? []
    : [{ kind: 'mend', what: 'thirst', damp: wants.damp, felt: wants.felt, doseMl: doseMl * REFILL[wants.damp] }];

/** What to mend before anything else: heat first, then water, then what rots. */
export function mends(facts: ParcelFacts, answers: Answers): Mend[] {
  const found: Mend[] = [...warmth(facts, answers), ...cold(facts, answers), ...drowning(facts, answers), ...thirst(facts, answers)];
  const last = facts.looks.at(-1);
  if (!last) return found;
  const { damp, troubles } = last;
  if (troubles.includes('too_hot')) found.unshift(troubleOf('too_hot', false));
  // Where water is meant to stand a pool is no trouble.
  if (damp === 'pooling' && methodOf(facts.method).water !== 'standing') found.push({ kind: 'mend', what: 'pool' });
  const rooted = answers.state.tipped > 0;
  found.push(...troubles.filter((trouble) => trouble !== 'too_hot').map((trouble) => troubleOf(trouble, rooted)));
  return found;
}
