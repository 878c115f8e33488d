import type { Carry, FitChange, FitQuestion } from './fit-question.js';
import { GRAIN, promised, PROMISED_Z, type LotNeed, type Room } from './space.js';

/** A choice for a lot or for what stands there, with the room that it takes: rooms one after another, day by day. */
export interface FitOption {
  /** What it hurts, in points; 0 for what is left as it is. */
  readonly cost: number;
  /** Of a lot; null for what stands there already. */
  readonly change: FitChange | null;
  /** Of what stands there already; null where it stays. */
  readonly carry: Carry | null;
  /** The days on which it takes room, in the long row of a {@link FitSpace}; and how much on each. */
  readonly at: Int32Array;
  readonly mean: Float64Array;
  readonly variance: Float64Array;
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

/** Rooms whose size is known. */
export const knownRooms = (rooms: readonly Room[]): Room[] => rooms.filter(({ holds }) => holds !== null);

/** Needs by room, laid one after another: of the days alone on which something is taken. */
export function laidOut(
  needs: ReadonlyMap<string, LotNeed>,
  rooms: readonly Room[],
  days: number,
): Pick<FitOption, 'at' | 'mean' | 'variance'> {
  const [at, mean, variance]: [number[], number[], number[]] = [[], [], []];
  rooms.forEach(({ id }, nth) => {
    const need = needs.get(id);
    if (!need) return;
    for (let day = 0; day < days; day++) {
      const taken = need.mean[day] as number;
      if (taken <= 0) continue;
      at.push(nth * days + day);
      mean.push(taken);
      variance.push(need.variance[day] as number);
    }
  });
  return { at: Int32Array.from(at), mean: Float64Array.from(mean), variance: Float64Array.from(variance) };
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
      const base = promised(allMean[at] as number, allVariance[at] as number);
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
  for (let nth = 0; nth < option.at.length; nth++) {
    const at = option.at[nth] as number;
    (mean[at] as number) += sign * (option.mean[nth] as number);
    variance[at] = Math.max((variance[at] as number) + sign * (option.variance[nth] as number), 0);
  }
}

/** Whether an option still fits beside what is laid already. */
export function fitsBeside(option: FitOption, mean: Float64Array, variance: Float64Array, limit: Float64Array): boolean {
  for (let nth = 0; nth < option.at.length; nth++) {
    const at = option.at[nth] as number;
    const need = (mean[at] as number) + (option.mean[nth] as number);
    const most = limit[at] as number;
    if (need > most) return false;
    const spread = (variance[at] as number) + (option.variance[nth] as number);
    if (spread > 0 && need + PROMISED_Z * Math.sqrt(spread) > most) return false;
  }
  return true;
}
