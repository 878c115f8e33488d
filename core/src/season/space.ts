import type { DayNumber } from './days.js';
import { STEP, type DayLaw } from './day-law.js';

/** Room is held free for this share of the ways a year can go: 8 in 10. */
export const PROMISED = 0.8;
/** The normal quantile of {@link PROMISED}. */
export const PROMISED_Z = 0.8416;

/** What room is counted in: bags and trays in the warm, cells of 4 cm under light, slots, and square metres. */
export const ROOM_KINDS = ['warm', 'lit', 'slots', 'bed'] as const;
export type RoomKind = (typeof ROOM_KINDS)[number];

/** A place with room, by what it is counted in. */
export interface Room {
  readonly id: string;
  readonly name: string;
  readonly kind: RoomKind;
  /** The place of the house that it is, where it is one. */
  readonly spotId?: string;
  /** Null where nobody said. */
  readonly holds: number | null;
}

/** Something that takes room from a day until another. */
export interface Use {
  readonly roomId: string;
  readonly size: number;
  readonly from: DayLaw;
  /** Null where it stays. */
  readonly to: DayLaw | null;
}

/** What a lot takes of which rooms. */
export interface LotUses {
  readonly lotId: string;
  readonly uses: readonly Use[];
}

/** A stretch of days, day by day. */
export interface Span {
  readonly first: DayNumber;
  readonly days: number;
}

/** A lot's room day by day: what is expected of it and the square of how far that may be off. */
export interface LotNeed {
  readonly mean: Float64Array;
  readonly variance: Float64Array;
}

/** The chance that it has come, day after day. @returns what is asked for each next day, rising */
function risingFrom({ from, mass }: DayLaw): (day: number) => number {
  let [sum, nth] = [0, 0];
  return (day) => {
    // Half a step on either side belongs to a step.
    while (nth < mass.length && from + nth * STEP <= day + STEP / 2) sum += mass[nth++] as number;
    return Math.min(sum, 1);
  };
}

/** What one use takes day by day, added to a need. */
function addUse(need: LotNeed, { size, from, to }: Use, { first, days }: Span): void {
  // Nothing is there before the first day of its coming, nor after the last of its going.
  const begins = Math.max(Math.floor(from.from), first);
  const ends = to ? Math.min(Math.ceil(to.from + to.mass.length * STEP) + 1, first + days) : first + days;
  const [here, gone] = [risingFrom(from), to && risingFrom(to)];
  for (let day = begins; day < ends; day++) {
    const chance = here(day) - (gone ? gone(day) : 0);
    if (chance <= 0) continue;
    (need.mean[day - first] as number) += size * chance;
    (need.variance[day - first] as number) += size * size * chance * (1 - chance);
  }
}

const nothing = (days: number): LotNeed => ({ mean: new Float64Array(days), variance: new Float64Array(days) });

/** A lot's room by room, day by day. What it takes of one room at several stages is added up. */
export function lotNeeds(uses: readonly Use[], span: Span): Map<string, LotNeed> {
  const rooms = new Map<string, LotNeed>();
  for (const use of uses) {
    const need = rooms.get(use.roomId) ?? nothing(span.days);
    rooms.set(use.roomId, need);
    addUse(need, use, span);
  }
  return rooms;
}

/** What a room must hold on a day so that it is enough 8 times in 10, all lots together: they come and go apart from each other. */
export const promised = (mean: number, variance: number): number => mean + PROMISED_Z * Math.sqrt(Math.max(variance, 0));

/** Too much for a room, and for how long. */
export interface Overflow {
  readonly roomId: string;
  readonly from: DayNumber;
  readonly to: DayNumber;
  /** The most that is too much. */
  readonly by: number;
  /** On which day that is. */
  readonly at: DayNumber;
  /** Who stands there then, the largest first. */
  readonly lots: readonly { readonly lotId: string; readonly size: number }[];
}

/** A room through the season. */
export interface RoomYear {
  readonly room: Room;
  /** Day by day: what is expected, and what is promised. */
  readonly expected: Float64Array;
  readonly promised: Float64Array;
  /** Each lot that stands there, day by day, in the order in which they come. */
  readonly lots: readonly { readonly lotId: string; readonly mean: Float64Array }[];
  readonly overflows: readonly Overflow[];
}

/** Room is counted to this part of its unit: less is no overflow. */
export const GRAIN = 0.05;

/** Stretches of days on which a room does not hold what is promised of it. */
function overflowsOf(
  room: Room,
  need: Float64Array,
  lots: readonly { readonly lotId: string; readonly need: LotNeed }[],
  first: DayNumber,
): Overflow[] {
  const { holds } = room;
  if (holds === null) return [];
  const over = need.map((value) => value - holds);
  const found: Overflow[] = [];
  let day = 0;
  while (day < over.length) {
    if ((over[day] ?? 0) <= GRAIN) {
      day++;
      continue;
    }
    let end = day;
    while (end + 1 < over.length && (over[end + 1] ?? 0) > GRAIN) end++;
    const stretch = over.slice(day, end + 1);
    const worst = day + stretch.indexOf(Math.max(...stretch));
    found.push({
      roomId: room.id,
      from: first + day,
      to: first + end,
      by: over[worst] ?? 0,
      at: first + worst,
      lots: lots
        .map(({ lotId, need: own }) => ({ lotId, size: own.mean[worst] ?? 0 }))
        .filter(({ size }) => size > GRAIN)
        .sort((a, b) => b.size - a.size || a.lotId.localeCompare(b.lotId)),
    });
    day = end + 1;
  }
  return found;
}

/** Every room through a span: who stands there, what must be held free, and where it overflows. */
export function roomYears(rooms: readonly Room[], lots: readonly LotUses[], span: Span): RoomYear[] {
  const byRoom = new Map<string, { readonly lotId: string; readonly need: LotNeed; readonly comes: number }[]>();
  for (const { lotId, uses } of lots)
    for (const [roomId, need] of lotNeeds(uses, span)) {
      const here = byRoom.get(roomId) ?? [];
      here.push({ lotId, need, comes: need.mean.findIndex((size) => size > GRAIN) });
      byRoom.set(roomId, here);
    }
  return rooms.map((room) => {
    const here = (byRoom.get(room.id) ?? []).sort((a, b) => a.comes - b.comes);
    const all = nothing(span.days);
    for (const { need } of here)
      for (let day = 0; day < span.days; day++) {
        if (need.mean[day] === 0) continue;
        (all.mean[day] as number) += need.mean[day] as number;
        (all.variance[day] as number) += need.variance[day] as number;
      }
    const held = all.mean.map((mean, day) => promised(mean, all.variance[day] as number));
    return {
      room,
      expected: all.mean,
      promised: held,
      lots: here.map(({ lotId, need }) => ({ lotId, mean: need.mean })),
      overflows: overflowsOf(room, held, here, span.first),
    };
  });
}
