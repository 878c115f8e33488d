import type { DayNumber } from './days.js';
import { after, dayBy, later, type DayLaw } from './day-law.js';
import { chanceFrom, outFrom, type Chain, type CropFrost, type Run, type SeasonGoal } from './chain.js';
import { usesOf, type LotRoom } from './lot.js';
import { lotNeeds, type LotNeed, type Room, type Span } from './space.js';

/** A way in which a lot could be raised instead: elsewhere, or sown where it stands. */
export interface LotWay {
  readonly kind: 'as_wished' | 'lit' | 'warm' | 'method';
  /** What its place or its way is called; the id that the wish is changed to. */
  readonly name: string;
  readonly id: string;
  readonly chain: Chain;
  readonly room: LotRoom;
}

/** A lot that a plan may move. */
export interface FitLot {
  readonly id: string;
  readonly title: string;
  /** Begun already, or to be left alone. */
  readonly fixed: boolean;
  readonly start: DayNumber;
  /** Sensible from and until; null on a side that has no end. */
  readonly from: DayNumber | null;
  readonly until: DayNumber | null;
  readonly gate: DayNumber | null;
  readonly frost: Pick<CropFrost, 'newYear' | 'kills' | 'ends'>;
  readonly goal: SeasonGoal;
  /** The first as it is wished. */
  readonly ways: readonly [LotWay, ...LotWay[]];
}

export interface FitQuestion {
  readonly rooms: readonly Room[];
  readonly lots: readonly FitLot[];
  /** What stands there already; some of it may be carried elsewhere. */
  readonly standing: readonly Standing[];
  readonly span: Span;
  readonly today: DayNumber;
}

/** What is changed of a lot, and what that costs. */
export interface FitChange {
  readonly lotId: string;
  /** Days later (or, negative, sooner). */
  readonly days: number;
  readonly way: LotWay;
  /** Share of its plants that is kept: 1, less, or none. */
  readonly keeps: number;
  /** Where it is split, the second half follows so many days later; null where it is not. */
  readonly splitDays: number | null;
  readonly cost: number;
  /** Chance of what is wished, before and after; null where nothing can be said. */
  readonly chanceBefore: number | null;
  readonly chanceAfter: number | null;
  /** Days by which its end comes later, in the middle. */
  readonly endLater: number;
}

/** Something that stands there already, with the room that it takes day by day. */
export interface Standing {
  readonly id: string;
  readonly need: readonly (readonly [roomId: string, mean: readonly number[], variance: readonly number[]])[];
  /** Null where it stays. */
  readonly carry: Carriable | null;
}
/** Seedlings that may be carried from where they stand. */
export interface Carriable {
  readonly trayIds: readonly string[];
  readonly title: string;
  readonly plants: number;
  /** The room that they leave. */
  readonly roomId: string;
  /** @property cold whether its nights are near those of outdoors */
  readonly places: readonly { readonly id: string; readonly name: string; readonly cold: boolean }[];
}
/** Seedlings that a plan carries elsewhere, today. */
export interface Carry extends Omit<Carriable, 'places' | 'roomId'> {
  readonly id: string;
  readonly place: Carriable['places'][number];
}

/** A plan: what is changed, what is carried, and whether all fits. */
export interface Fit {
  readonly changes: readonly FitChange[];
  /** What stands there already and is carried elsewhere. */
  readonly carries: readonly Carry[];
  readonly cost: number;
  /** Whether nothing better is left among all combinations. */
  readonly exact: boolean;
  /** Whether rooms overflow whatever is planned, as they are full already. */
  readonly overfullAnyway: boolean;
}

/**
 * What hurts, in points, the least first: seedlings carried where they stand as well; a day later
 * or sooner within its stretch; another place under light or in the warm; two halves; another way; a
 * plant less. A chance lost counts most.
 */
export const HURTS = {
  carry: 1.5,
  dayLater: 1,
  daySooner: 1.2,
  beyondDay: 3,
  place: 6,
  halves: 8,
  way: 14,
  less: 160,
  none: 40,
  chance: 120,
} as const;
/** Days by which a lot is moved, halves set apart, and shares that are kept. */
const SHIFTS = [-14, -10, -7, -5, -3, 0, 2, 4, 6, 8, 10, 13, 16, 20, 24, 28] as const;
const SPLITS = [10, 16, 24] as const;
const KEEPS = [0.75, 0.5] as const;
/** A start may lie this far beyond its stretch, days. */
const BEYOND = 10;
/** A chance that changes by less is the same. */
const SAME_CHANCE = 0.015;

/** A choice for a lot or for what stands there, with the room that it takes: rooms one after another, day by day. */
export interface FitOption {
  /** What it hurts, in points; 0 for what is left as it is. */
  readonly cost: number;
  /** Of a lot; null for what stands there already. */
  readonly change: FitChange | null;
  /** Of what stands there already; null where it stays. */
  readonly carry: Carry | null;
  readonly mean: Float64Array;
  readonly variance: Float64Array;
  /** First and last place that are not empty. */
  readonly low: number;
  readonly high: number;
}

/** Rooms whose size is known, as one long row of days. */
export interface FitSpace {
  readonly rooms: readonly Room[];
  readonly days: number;
  readonly size: number;
  readonly limit: Float64Array;
  readonly baseMean: Float64Array;
  readonly baseVariance: Float64Array;
  readonly overfullAnyway: boolean;
}

/** Less than this is no overflow. */
export const GRAIN = 0.05;
const Z = 0.8416;

/** Rooms whose size is known. */
export const knownRooms = (rooms: readonly Room[]): Room[] => rooms.filter(({ holds }) => holds !== null);

/** Needs by room, laid one after another. */
export function laidOut(
  needs: ReadonlyMap<string, LotNeed>,
  rooms: readonly Room[],
  days: number,
): Pick<FitOption, 'mean' | 'variance' | 'low' | 'high'> {
  const mean = new Float64Array(rooms.length * days);
  const variance = new Float64Array(rooms.length * days);
  let [low, high] = [mean.length, 0];
  rooms.forEach(({ id }, nth) => {
    const need = needs.get(id);
    if (!need) return;
    mean.set(need.mean, nth * days);
    variance.set(need.variance, nth * days);
  });
  for (let at = 0; at < mean.length; at++)
    if ((mean[at] as number) > 0) {
      low = Math.min(low, at);
      high = at + 1;
    }
  return { mean, variance, low: Math.min(low, high), high };
}

const scaled = (room: LotRoom, keeps: number): LotRoom => ({
  ...room,
  sprouts: Math.ceil(room.sprouts * keeps),
  plants: Math.ceil(room.plants * keeps),
  bags: keeps > 0 ? room.bags : 0,
});

function added(a: LotNeed | undefined, b: LotNeed): LotNeed {
  if (!a) return b;
  return {
    mean: a.mean.map((value, day) => value + (b.mean[day] ?? 0)),
    variance: a.variance.map((value, day) => value + (b.variance[day] ?? 0)),
  };
}

/** A run as far as a plan asks of it: its fruit only where a bed waits for it to be over. */
function tried({ chain, room }: LotWay, start: DayNumber, { gate }: Pick<FitLot, 'gate'>): Run {
  const at = (law: DayLaw): DayLaw => later(law, start);
  const out = outFrom(chain, start, gate);
  const hardened = gate === null ? out : at(chain.hardened);
  const ripe = room.bedId !== null && chain.ripening ? after(out, chain.ripening) : null;
  return {
    start,
    tips: at(chain.tips),
    moved: at(chain.moved),
    nursed: at(chain.nursed),
    hardened,
    out,
    ripe,
    ripeInTime: null,
    killedAfterOut: null,
  };
}

/** All that can be done with a lot, the cheapest first; as it is wished among them, at no cost. */
export function optionsFor(lot: FitLot, { span, today, rooms }: Pick<FitQuestion, 'span' | 'today' | 'rooms'>): FitOption[] {
  const known = knownRooms(rooms);
  const asWished = lot.ways[0];
  const runOf = (way: LotWay, start: DayNumber): Run => tried(way, start, lot);
  const reaches = new Map(lot.ways.map((way) => [way, chanceFrom(way.chain, lot.goal, lot.frost)]));
  const book = runOf(asWished, lot.start);
  const chanceOf = (way: LotWay, { out }: Run): number | null => reaches.get(way)?.(out) ?? null;
  const before = chanceOf(asWished, book);
  // What ripens takes as long from every planting out.
  const endOf = ({ out }: Run): number => dayBy(out, 0.5);
  const outside = (start: DayNumber): number => Math.max(start - (lot.until ?? Infinity), (lot.from ?? -Infinity) - start, 0);
  // What is wished outside its stretch is wished all the same.
  const beyond = (start: DayNumber): number => Math.max(outside(start) - outside(lot.start), 0);
  const found: FitOption[] = [];
  const put = (way: LotWay, days: number, keeps: number, splitDays: number | null): void => {
    const start = lot.start + days;
    if ((days !== 0 && start < today) || (days !== 0 && beyond(start) > BEYOND)) return;
    const last = splitDays === null ? start : start + splitDays;
    if (splitDays !== null && beyond(last) > BEYOND) return;
    const run = keeps === 0 ? null : runOf(way, start);
    const second = splitDays === null ? null : runOf(way, last);
    const chances = [run, second].flatMap((one) => (one ? [chanceOf(way, one)] : []));
    const after =
      keeps === 0
        ? 0
        : chances.some((chance) => chance === null)
          ? null
          : chances.reduce<number>((sum, chance) => sum + (chance ?? 0), 0) / Math.max(chances.length, 1);
    const lost = before === null || after === null || before - after < SAME_CHANCE ? 0 : before - after;
    const moved = (by: number): number => (by > 0 ? by * HURTS.dayLater : -by * HURTS.daySooner);
    const cost =
      keeps === 0
        ? HURTS.less + HURTS.none
        : moved(days) +
          beyond(start) * HURTS.beyondDay +
          (splitDays === null ? 0 : HURTS.halves + moved(splitDays) / 2 + (beyond(last) * HURTS.beyondDay) / 2) +
          (way === asWished ? 0 : way.kind === 'method' ? HURTS.way : HURTS.place) +
          (1 - keeps) * HURTS.less +
          lost * HURTS.chance;
    const halves = splitDays === null ? keeps : keeps / 2;
    const needs = new Map<string, LotNeed>();
    for (const one of [run, second])
      if (one)
        for (const [roomId, need] of lotNeeds(usesOf(lot.id, scaled(way.room, halves), one).uses, span))
          needs.set(roomId, added(needs.get(roomId), need));
    const endLater = run ? Math.round(endOf(run) - endOf(book)) : 0;
    found.push({
      ...{ cost, carry: null },
      change: { lotId: lot.id, days, way, keeps, splitDays, cost, chanceBefore: before, chanceAfter: after, endLater },
      ...laidOut(needs, known, span.days),
    });
  };
  put(asWished, 0, 1, null);
  if (lot.fixed) return found;
  for (const way of lot.ways) for (const days of SHIFTS) if (way !== asWished || days !== 0) put(way, days, 1, null);
  for (const split of SPLITS) put(asWished, 0, 1, split);
  for (const keeps of KEEPS) for (const days of [0, 6, 13] as const) put(asWished, days, keeps, null);
  put(asWished, 0, 0, null);
  return found.sort((a, b) => a.cost - b.cost || (a.change?.days ?? 0) - (b.change?.days ?? 0));
}

/**
 * Rooms and what stays there whatever is planned: a day that is overfull already can only get no worse.
 *
 * @param fixed what is not moved; @param movable what stands there already and may be, as it stands
 */
export function spaceOf(
  { rooms, span, today }: Pick<FitQuestion, 'rooms' | 'span' | 'today'>,
  fixed: readonly FitOption[],
  movable: readonly FitOption[] = [],
): FitSpace {
  const known = knownRooms(rooms);
  const size = known.length * span.days;
  const [baseMean, baseVariance, limit] = [new Float64Array(size), new Float64Array(size), new Float64Array(size)];
  for (const option of fixed) addTo(baseMean, baseVariance, option);
  const [allMean, allVariance] = [Float64Array.from(baseMean), Float64Array.from(baseVariance)];
  for (const option of movable) addTo(allMean, allVariance, option);
  let overfullAnyway = false;
  known.forEach(({ holds }, nth) => {
    for (let day = 0; day < span.days; day++) {
      const at = nth * span.days + day;
      const base = (allMean[at] as number) + Z * Math.sqrt(allVariance[at] as number);
      const over = base > (holds ?? Infinity) + GRAIN;
      // Days that are over plan nothing.
      limit[at] = span.first + day < today ? Infinity : over ? base + GRAIN : (holds ?? Infinity) + GRAIN;
      if (over && span.first + day >= today) overfullAnyway = true;
    }
  });
  return { rooms: known, days: span.days, size, limit, baseMean, baseVariance, overfullAnyway };
}

/** Lays an option into what is laid already, or (-1) takes it out. */
export function addTo(mean: Float64Array, variance: Float64Array, option: FitOption, sign: 1 | -1 = 1): void {
  for (let at = option.low; at < option.high; at++) {
    (mean[at] as number) += sign * (option.mean[at] as number);
    (variance[at] as number) = Math.max((variance[at] as number) + sign * (option.variance[at] as number), 0);
  }
}

/** Whether an option still fits beside what is laid already. */
export function fitsBeside(option: FitOption, mean: Float64Array, variance: Float64Array, limit: Float64Array): boolean {
  for (let at = option.low; at < option.high; at++) {
    const own = option.mean[at] as number;
    if (own === 0) continue;
    const need = (mean[at] as number) + own;
    const most = limit[at] as number;
    if (need > most) return false;
    const spread = (variance[at] as number) + (option.variance[at] as number);
    if (spread > 0 && need + Z * Math.sqrt(spread) > most) return false;
  }
  return true;
}
