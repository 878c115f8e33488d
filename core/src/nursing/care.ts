import { dryingForecast, wantsWater, type Damp } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import { methodOf, type MethodId } from '../method/index.js';
import type { Destination } from '../moving/index.js';
import { DAY_MS } from '../units/index.js';
import { reached, type SeedlingStage } from './stages.js';

/** How a lid or a bag is over a tray. */
export const COVERS = ['on', 'propped', 'off'] as const;
export type Cover = (typeof COVERS)[number];
/** Where water is given: into the tray below, and drained, or on the mix. */
export const WATERINGS = ['below', 'above'] as const;
export type Watering = (typeof WATERINGS)[number];

/** How a household raises what it moved: its sides in the questions on which practitioners differ. */
export interface NursingSchools {
  readonly set: 'hole' | 'laid' | 'side';
  readonly firm: 'loose' | 'settled';
  readonly pot: 'one' | 'several';
  readonly watered: Watering;
  readonly cover: 'up' | 'leaves';
}
export const USUAL_NURSING: NursingSchools = { set: 'hole', firm: 'settled', pot: 'one', watered: 'below', cover: 'up' };

/** Where nothing is covered, and what stays under its lid for good. */
const NEVER_COVERED: readonly Destination[] = ['bed', 'slot', 'glass'];
const ALWAYS_COVERED: readonly Destination[] = ['terrarium'];
/** What a destination holds its water like. */
const LIKE: Readonly<Record<Destination, MethodId>> = {
  cup: 'pot',
  cell: 'plug',
  pot: 'pot',
  slot: 'pod',
  pellet: 'pellet',
  glass: 'water',
  terrarium: 'surface',
  plug: 'plug',
  bed: 'bed',
};

/** How it is covered where nobody has said anything since the move; what was potted on has its leaves, and stands in the air. */
export const coverAtFirst = (destination: Destination, pottedOn = false): Cover =>
  NEVER_COVERED.includes(destination) || (pottedOn && !ALWAYS_COVERED.includes(destination)) ? 'off' : 'on';

/** How seedlings stand, by how many. */
export interface Counts {
  readonly below: number;
  readonly up: number;
  /** Of those up, how many show a true leaf or more. */
  readonly leaved: number;
}

/** So many of those that stand are up: the rest comes without a lid as well. Common practice, no source. */
const MOST_UP = 0.5;
/** The first ones are not kept under a lid longer than this for the sake of the last, ms. Common practice, no source. */
const LONGEST_UNDER_LID_MS = 3 * DAY_MS;

/**
 * How a tray should be covered now.
 *
 * @param firstUpMs when the first of it was seen up; null where none was
 */
export function coverWanted(
  destination: Destination,
  { below, up, leaved }: Counts,
  firstUpMs: number | null,
  school: NursingSchools['cover'],
  nowMs: number,
): Cover {
  if (NEVER_COVERED.includes(destination)) return 'off';
  if (ALWAYS_COVERED.includes(destination) || up === 0) return 'on';
  const time = up / (up + below) >= MOST_UP || (firstUpMs !== null && nowMs - firstUpMs >= LONGEST_UNDER_LID_MS);
  if (!time) return 'on';
  if (school === 'up') return 'off';
  return leaved / up >= MOST_UP ? 'off' : 'propped';
}

/** Under a lid so much of the water goes that goes without one. Rule of thumb, no source. */
const UNDER: Readonly<Record<Cover, number>> = { on: 0.2, propped: 0.6, off: 1 };
/** Leaves drink: times what bare mix loses. Guess. */
const LEAVES_DRINK = 1.5;

/** A watering, or a finger in the mix. */
export interface Felt {
  readonly atMs: number;
  /** Null where it was only felt. */
  readonly from: Watering | null;
  readonly finger: Damp | null;
}

/** When a tray wants water, and what it is by now. */
export interface Thirst {
  readonly dueMs: number;
  /** As a finger would find it; null while it is damp. */
  readonly now: 'dry' | 'drying' | null;
  /** Somebody found it standing in water, and it was not drained since. */
  readonly pooling: boolean;
}

/** Kinds that like to dry between are left so much longer once they stand, days. Common practice, no source. */
const DRY_BETWEEN_DAYS = 1;

/**
 * When a tray wants water: the arithmetic of the towel, with what the destination, the lid and
 * the leaves make of it; what fingers found corrects it.
 *
 * @param felt since the move, in any order; moving waters it
 */
export function thirstOf(
  { growing }: Pick<Crop, 'growing'>,
  {
    destination,
    movedMs,
    felt,
    cover,
    celsius,
    leaved,
  }: {
    readonly destination: Destination;
    readonly movedMs: number;
    readonly felt: readonly Felt[];
    readonly cover: Cover;
    readonly celsius: number;
    readonly leaved: boolean;
  },
  nowMs: number,
): Thirst {
  const method = methodOf(LIKE[destination]);
  const loss = (method.lossPerDayAt25C ?? 0.2) * UNDER[cover] * (leaved ? LEAVES_DRINK : 1);
  // A watering of which nobody says how it was found tells nothing of how fast it dries: like a pool, which tells of the dose alone.
  const looks = felt.map(({ atMs, from, finger }) => ({ atMs, damp: finger ?? 'pooling', rewetted: from !== null }) as const);
  const { dryingAtMs, shareLeft } = dryingForecast(loss, celsius, movedMs, looks, nowMs);
  const between = leaved && growing.keepMoist !== 'always' ? DRY_BETWEEN_DAYS * DAY_MS : 0;
  const last = [...felt].sort((a, b) => a.atMs - b.atMs).at(-1);
  return {
    dueMs: dryingAtMs + between,
    now: nowMs >= dryingAtMs + between ? (wantsWater(shareLeft) ?? 'drying') : null,
    pooling: last?.finger === 'pooling',
  };
}

/** Seedlings in fed mix need nothing for so long after potting up, ms; then a feed every so often. Common practice, no source. */
const FED_MIX_MS = 14 * DAY_MS;
export const FEED_EVERY_MS = 10 * DAY_MS;
/** The first feed is so weak, then it may be stronger, as a share of what the label gives. Common practice, no source; the label comes first. */
const FEED_STRENGTH = { first: 0.25, later: 0.5 } as const;
/** Nothing to eat but what it is given: water alone carries these. */
const FED_BY_WATER: readonly Destination[] = ['slot'];

/** When a tray is fed next and how strongly; null before the true leaf, and in a bed. */
export function feedDue(
  destination: Destination,
  {
    leavedMs,
    standsMs,
    pottedMs,
    fedMs,
  }: {
    /** When half of it had a true leaf; null where that is to come. */
    readonly leavedMs: number | null;
    /** When half of it stood with open seed leaves. */
    readonly standsMs: number | null;
    readonly pottedMs: number | null;
    readonly fedMs: number | null;
  },
): { readonly dueMs: number; readonly strength: number } | null {
  if (destination === 'bed' || destination === 'glass') return null;
  const from = FED_BY_WATER.includes(destination) ? standsMs : leavedMs;
  if (from === null) return null;
  const strength = fedMs === null ? FEED_STRENGTH.first : FEED_STRENGTH.later;
  const sinceMs = Math.max(from, pottedMs === null ? 0 : pottedMs + FED_MIX_MS, fedMs === null ? 0 : fedMs + FEED_EVERY_MS);
  return { dueMs: sinceMs, strength };
}

/**
 * Dilution: how much of a stock makes a volume of a strength, C1 V1 = C2 V2.
 *
 * @param stock strength of the stock, in whatever unit; above 0
 * @param wanted strength wanted, in the same unit, 0 to `stock`
 * @param millilitres of the mixture, above 0
 * @returns stock and water in ml
 * @throws RangeError where more is wanted than the stock holds
 */
export function dilution(stock: number, wanted: number, millilitres: number): { readonly stockMl: number; readonly waterMl: number } {
  if (!(stock > 0) || !(millilitres > 0) || !(wanted >= 0))
    throw new RangeError('stock and volume must be above 0, and the strength wanted not below it');
  if (wanted > stock) throw new RangeError('wanted must not be stronger than the stock: dilution only weakens');
  const stockMl = (wanted * millilitres) / stock;
  return { stockMl, waterMl: millilitres - stockMl };
}

/** How the seedlings of a tray stand. @param stages of those that stand still */
export function countsOf(stages: readonly SeedlingStage[]): Counts {
  const up = stages.filter((stage) => reached(stage, 'up'));
  return { below: stages.length - up.length, up: up.length, leaved: up.filter((stage) => reached(stage, 'true_leaves')).length };
}
