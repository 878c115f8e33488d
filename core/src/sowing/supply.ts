import type { Crop } from '../crops/index.js';
import { betaBinomial, betaBinomialAt, binomial, countForecast } from '../chance/index.js';
import { chanceOfPlants, MOST_SEEDS, seedsFor } from './how-many.js';
import { waysOf, type OtherPacket, type ParcelFacts, type Workings } from '../parcel/index.js';
import { DAY_MS } from '../units/index.js';
import { betterSpot } from '../warmth/index.js';

/** Another way to begin a packet that failed one way. */
export type OtherWay = 'prepared' | 'warmer' | 'cooler' | 'pot' | 'pod' | 'towel' | 'packet';

/** Whether enough will come, and what would mend it. */
export interface Supply {
  /** Chance that what is there meets the wish; null without a wish. */
  readonly enoughChance: number | null;
  /** Further seeds of the packet that would make it sure, where it has them. */
  readonly topUp: {
    readonly seeds: number;
    readonly chance: number;
    /** Started by then they are no more than a week behind; they lag by so many days. */
    readonly byMs: number;
    readonly lagDays: number;
  } | null;
  /** No number that makes sense would mend it: the most there is to add, and the chance with it; null where that is not so. */
  readonly short: { readonly seeds: number; readonly chance: number; readonly why: 'packet' | 'late' | 'lot' } | null;
  /** Another way, how many to begin so, and what they give if the seed is sound. */
  readonly restart: {
    readonly way: OtherWay;
    readonly step: string | null;
    /** Of the other packet, where that is the way. */
    readonly packet: string | null;
    readonly seeds: number;
    readonly low: number;
    readonly high: number;
    /** Chance that hardly any seed of the lot lives. */
    readonly deadChance: number;
  } | null;
  /** Chance that hardly any seed of the lot lives. */
  readonly deadChance: number;
  /** Chance of so few by what the packet was known for, once nearly all should have shown; null before. */
  readonly asFewChance: number | null;
}

/** The new seeds may lag by this much, days. Guess. */
const LAG_DAYS = 7;
/** A top-up is offered where it brings the wish within reach by this chance at the least. Guess. */
const REACH = 0.5;
/** And by so much more than without it: where the lot may be slow, more of it is no help. Guess. */
const GAIN = 0.15;
/** Nobody adds more than so many seeds for each plant that is missing. Guess. */
const SEEDS_A_PLANT = 3;
/** Seeds that would come later than this behind the others are a sowing of their own, days. Guess. */
const MOST_BEHIND_DAYS = 28;
/** A lot that is dead with this chance is not tried another way: another packet is. */
export const DEAD_CHANCE = 0.8;
/** Below this living share a lot is as good as dead. */
const DEAD_SHARE = 0.15;
/** Nearly all of the living have shown by this quantile of what was known before. */
const NEARLY_ALL_Z = 1.645;
const LEAST_TRIAL = 4;
/** Of what is held back, a part smaller than this is not waited for. */
const LAST_PART = 0.05;
const TIGHT = 1e-12;

/** Chance that the quiet seeds and some new ones of the same lot bring so many tips. */
function chanceWith(newSeeds: number, need: number, { outlook, evidence }: Workings): number {
  const quiet = evidence.quiet.count;
  return outlook.byShare().reduce((sum, { share, weight, further, flatness }) => {
    const old = flatness > 0 ? betaBinomialAt(quiet, further, 1 / flatness - 1) : binomial(quiet, further);
    const fresh = binomial(newSeeds, share);
    // Chance of at least so many new ones, from the most down.
    const atLeast = [...fresh];
    for (let k = newSeeds - 1; k >= 0; k--) atLeast[k] = (atLeast[k] ?? 0) + (atLeast[k + 1] ?? 0);
    let met = 0;
    old.forEach((chance, k) => {
      const wanting = need - k;
      met += chance * (wanting <= 0 ? 1 : (atLeast[wanting] ?? 0));
    });
    return sum + weight * met;
  }, 0);
}

const NOTHING = { topUp: null, short: null } as const;

/** Most seeds that it makes sense to add: of what the packet has, for what is missing. */
const mostAdded = (packetLeft: number | null | undefined, need: number): number =>
  Math.min(packetLeft ?? MOST_SEEDS, SEEDS_A_PLANT * need + 1);

function topUpFor(workings: Workings, need: number, enough: number, nowMs: number): Pick<Supply, 'topUp' | 'short'> {
  const { facts, lot, progress } = workings;
  const most = mostAdded(facts.packetLeft, need);
  let low = 0;
  let high = most;
  const { sureness } = waysOf(facts);
  const reach = high > 0 ? chanceWith(high, need, workings) : 0;
  const short = (why: 'packet' | 'late' | 'lot'): Pick<Supply, 'topUp' | 'short'> => ({
    topUp: null,
    short: { seeds: most, chance: reach, why },
  });
  if (reach < REACH) return enough >= REACH ? NOTHING : short(most === facts.packetLeft ? 'packet' : 'lot');
  // Where the lot may be poor, no number makes it sure: then most of what can be had at all.
  const goal = reach >= sureness ? sureness : sureness * reach;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (chanceWith(middle, need, workings) >= goal - TIGHT) high = middle;
    else low = middle;
  }
  // Days that a seed started now takes to its half, at the place's present pace.
  const pace = Math.max(progress.at(nowMs + DAY_MS) - progress.at(nowMs), 1e-6);
  const halfDays = lot.progressOf(0.5) / pace;
  const ownHalfMs = progress.when(lot.progressOf(0.5)) ?? nowMs;
  const latest = ownHalfMs + (LAG_DAYS - halfDays) * DAY_MS;
  const byMs = Math.max(latest, nowMs);
  const lagDays = Math.max(Math.round((byMs + halfDays * DAY_MS - ownHalfMs) / DAY_MS), 0);
  if (lagDays > MOST_BEHIND_DAYS) return short('late');
  const chance = chanceWith(high, need, workings);
  return chance - enough < GAIN ? NOTHING : { topUp: { seeds: high, chance, byMs, lagDays }, short: null };
}

/** What was not tried: the missing preparation first, then the board, then another bed to lie in. */
function otherWay({ facts, toll }: Workings): { way: OtherWay; step: string | null } {
  const { crop } = facts;
  const done = new Set(facts.prepared ?? []);
  if (facts.chillUntilMs !== null) done.add('chill');
  const step = crop.preparation.steps.find((one) => !done.has(one) && one !== 'inoculate') ?? null;
  if (step !== null) return { way: 'prepared', step };
  const spot = betterSpot(crop, toll);
  if (spot !== null) return { way: spot, step: null };
  if ((facts.method ?? 'towel') !== 'towel') return { way: 'towel', step: null };
  return { way: crop.methods.soilless === 'fine' && !hatesPods(crop) ? 'pod' : 'pot', step: null };
}
/** Big seed does not go through a pod's sponge, mm. Common practice, no source. */
const hatesPods = ({ seed }: Crop): boolean => seed.lengthMm > 8;

/** Chance that the lot is as good as dead. */
const deadChanceOf = (outlook: Workings['outlook']): number =>
  outlook.byShare().reduce((sum, { share, weight }) => sum + (share < DEAD_SHARE ? weight : 0), 0);

function restartFor(workings: Workings, need: number): Supply['restart'] {
  const { facts, outlook } = workings;
  const rate = { ...facts.prior.share, handling: 1 };
  const dead = deadChanceOf(outlook);
  const [other] = facts.otherPackets ?? [];
  if (dead >= DEAD_CHANCE) return other ? fromOther(other, need, dead, facts) : null;
  const most = mostAdded(facts.packetLeft, need);
  if (most <= 0) return other ? fromOther(other, need, dead, facts) : null;
  // Where no number makes it sure, a sensible trial and not the whole packet.
  const full = Math.min(seedsFor(need, waysOf(facts).sureness, rate) ?? most, most);
  // A lot that is most likely dead is tried on a few first.
  const seeds = dead > 0.5 ? Math.min(full, Math.max(Math.ceil(full / 3), LEAST_TRIAL)) : full;
  const { low, high } = countForecast(betaBinomial(seeds, rate));
  return { ...otherWay(workings), packet: null, seeds, low, high, deadChance: dead };
}

/** The wish begun anew from another packet of the crop. */
function fromOther(other: OtherPacket, need: number, deadChance: number, facts: ParcelFacts): NonNullable<Supply['restart']> {
  const rate = { ...other.share, handling: 1 };
  const most = mostAdded(other.left, need);
  const seeds = Math.min(seedsFor(need, waysOf(facts).sureness, rate) ?? most, most);
  const { low, high } = countForecast(betaBinomial(seeds, rate));
  return { way: 'packet', step: null, packet: other.title, seeds, low, high, deadChance };
}

/** Chance of so few by what was known of the packet; null while more could still be on their way. */
function asFewChance({ facts, evidence, progress, toll, state, slower }: Workings, nowMs: number): number | null {
  const { logMedian, spread, share } = facts.prior;
  const last = Math.max(0, ...(evidence.origins ?? []).filter(({ weight }) => weight > LAST_PART).map((part) => part.progress));
  const nearlyAll = last + slower * Math.exp(logMedian.mean + NEARLY_ALL_Z * Math.hypot(logMedian.sd, spread.median));
  const seenAt = Math.min(progress.at(evidence.lastSeenMs), progress.at(nowMs));
  const seeds = facts.seeds - state.lost;
  if (seenAt < nearlyAll || seeds < 1 || state.tipped >= seeds) return null;
  const mean = Math.min(Math.max(share.mean * toll.share * toll.survival, 0.02), 0.98);
  return 1 - chanceOfPlants(seeds, state.tipped + 1, { mean, weight: share.weight, handling: 1 });
}

/** What was begun sure enough may slip by this much before more is asked for; a count chosen smaller, by this share. */
const SLIP = 0.1;
const SLIP_SHARE = 0.75;

/**
 * Chance of enough below which more is asked for. It is the looks that must have
 * made it short: a gardener who chose fewer seeds than the sureness wants is not
 * told so again every morning.
 */
function topUpBelow({ facts }: Workings, wanted: number): number {
  const { sureness } = waysOf(facts);
  const begun = chanceOfPlants(facts.seeds, Math.min(wanted, facts.seeds), { ...facts.prior.share, handling: 1 });
  if (wanted > facts.seeds) return sureness;
  return begun >= sureness ? sureness - SLIP : SLIP_SHARE * begun;
}

/**
 * Whether a batch will meet its wish, and what would mend it: more of the packet,
 * or the packet begun another way.
 */
export function supplyOf(workings: Workings, nowMs: number): Supply {
  const { facts, outlook, state } = workings;
  const deadChance = deadChanceOf(outlook);
  const as = asFewChance(workings, nowMs);
  if (facts.wanted === null)
    return {
      enoughChance: null,
      topUp: null,
      short: null,
      restart: restartFor(workings, Math.max(facts.seeds - state.tipped, 1)),
      deadChance,
      asFewChance: as,
    };
  const need = facts.wanted - state.tipped;
  if (need <= 0) return { enoughChance: 1, topUp: null, short: null, restart: null, deadChance, asFewChance: as };
  const further = outlook.furtherTips(Infinity);
  const enough = further.slice(need).reduce((sum, chance) => sum + chance, 0);
  const short = enough < topUpBelow(workings, facts.wanted);
  return {
    enoughChance: Math.min(enough, 1),
    ...(short ? topUpFor(workings, need, enough, nowMs) : { topUp: null, short: null }),
    restart: short ? restartFor(workings, need) : null,
    deadChance,
    asFewChance: as,
  };
}
