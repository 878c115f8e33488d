import { after, dayBy, later, type DayLaw } from './day-law.js';
import { chanceFrom, outFrom, type Run } from './chain.js';
import type { DayNumber } from './days.js';
import type { FitLot, FitQuestion, LotWay } from './fit-question.js';
import { knownRooms, laidOut, type FitOption } from './fit-space.js';
import { usesOf, type LotRoom } from './lot.js';
import { lotNeeds, type LotNeed } from './space.js';

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
