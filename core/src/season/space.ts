import type { DayNumber } from './days.js';
import { STEP, type DayLaw } from './day-law.js';

/** Room is held free for this share of the ways a year can go: 1.2816 of a half, 8 in 10. */
export const PROMISED = 0.8;
const PROMISED_Z = 0.8416;

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

/** Chance by the end of each day of a span that it has come. */
function risen({ from, mass }: DayLaw, { first, days }: Span): Float64Array {
  const by = new Float64Array(days);
  let [sum, nth] = [0, 0];
  for (let day = 0; day < days; day++) {
    // Half a step on either side belongs to a step.
    while (nth < mass.length && from + nth * STEP <= first + day + 0.25) sum += mass[nth++] ?? 0;
    by[day] = Math.min(sum, 1);
  }
  return by;
}

/** What one use takes day by day, added to a need. */
function addUse(need: LotNeed, { size, from, to }: Use, span: Span): void {
  const [here, gone] = [risen(from, span), to && risen(to, span)];
  for (let day = 0; day < span.days; day++) {
    const chance = Math.max((here[day] ?? 0) - (gone?.[day] ?? 0), 0);
    if (chance === 0) continue;
    need.mean[day] = (need.mean[day] ?? 0) + size * chance;
    need.variance[day] = (need.variance[day] ?? 0) + size * size * chance * (1 - chance);
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
  readonly expected: readonly number[];
  readonly promised: readonly number[];
  /** Each lot that stands there, day by day, in the order in which they come. */
  readonly lots: readonly { readonly lotId: string; readonly mean: readonly number[] }[];
  readonly overflows: readonly Overflow[];
}

/** Room is counted to this part of its unit: less is no overflow. */
const GRAIN = 0.05;

/** Stretches of days on which a room does not hold what is promised of it. */
function overflowsOf(
  room: Room,
  need: LotNeed,
  lots: readonly { readonly lotId: string; readonly need: LotNeed }[],
  first: DayNumber,
): Overflow[] {
  const { holds } = room;
  if (holds === null) return [];
  const over = Array.from(need.mean, (mean, day) => promised(mean, need.variance[day] ?? 0) - holds);
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
  const known = lots.map(({ lotId, uses }) => ({ lotId, needs: lotNeeds(uses, span) }));
  return rooms.map((room) => {
    const here = known.flatMap(({ lotId, needs }) => {
      const need = needs.get(room.id);
      return need ? [{ lotId, need }] : [];
    });
    const all = nothing(span.days);
    for (const { need } of here)
      for (let day = 0; day < span.days; day++) {
        all.mean[day] = (all.mean[day] ?? 0) + (need.mean[day] ?? 0);
        all.variance[day] = (all.variance[day] ?? 0) + (need.variance[day] ?? 0);
      }
    const comes = ({ need }: { readonly need: LotNeed }): number => need.mean.findIndex((size) => size > GRAIN);
    return {
      room,
      expected: [...all.mean],
      promised: Array.from(all.mean, (mean, day) => promised(mean, all.variance[day] ?? 0)),
      lots: [...here].sort((a, b) => comes(a) - comes(b)).map(({ lotId, need }) => ({ lotId, mean: [...need.mean] })),
      overflows: overflowsOf(room, all, here, span.first),
    };
  });
}
