import type { FitQuestion, Standing } from './fit-question.js';
import { addTo, knownRooms, laidOut, type FitOption, type FitSpace } from './fit-space.js';
import { HURTS } from './fitting.js';
import { GRAIN, promised, type LotNeed } from './space.js';

/** What can be done with what stands there: it stays, or it is carried to a place that has room for it. */
export function standingOptions({ id, need, carry }: Standing, { rooms, span }: Pick<FitQuestion, 'rooms' | 'span'>): FitOption[] {
  const known = knownRooms(rooms);
  const needs = (from: string | null, to: string | null): ReadonlyMap<string, LotNeed> =>
    new Map(
      need.map(([roomId, mean, variance]) => [
        roomId === from && to !== null ? to : roomId,
        { mean: Float64Array.from(mean), variance: Float64Array.from(variance) },
      ]),
    );
  const stays: FitOption = { cost: 0, change: null, carry: null, ...laidOut(needs(null, null), known, span.days) };
  if (!carry) return [stays];
  const { trayIds, title, plants, roomId, places } = carry;
  return [
    stays,
    ...places.map((place) => ({
      ...{ cost: HURTS.carry, change: null, carry: { id, trayIds, title, plants, place } },
      ...laidOut(needs(roomId, place.id), known, span.days),
    })),
  ];
}

/** By how much all rooms, or one of them, are over, day by day from today, together. */
function excessOf(space: FitSpace, mean: Float64Array, variance: Float64Array, from: number, roomId: string | null): number {
  let sum = 0;
  space.rooms.forEach(({ id, holds }, nth) => {
    if (roomId !== null && id !== roomId) return;
    for (let day = from; day < space.days; day++) {
      const at = nth * space.days + day;
      const over = promised(mean[at] as number, variance[at] as number) - (holds ?? Infinity) - GRAIN;
      if (over > 0) sum += over;
    }
  });
  return sum;
}

/** A gain of less than this many cells and days is none. */
const GAIN = 0.01;

/**
 * Where what stands there is too much by itself: as little of it carried as makes it fit, the most
 * helpful first; where it cannot be made to fit, as near to it as can be.
 *
 * @param options of each that may be carried, as it stands the first; @param space the rooms with what is not moved in them
 * @returns of each the option that is taken
 */
export function relieved(
  { span, today }: Pick<FitQuestion, 'span' | 'today'>,
  options: readonly (readonly [FitOption, ...FitOption[]])[],
  space: FitSpace,
): FitOption[] {
  const taken = options.map(([stays]) => stays);
  const [mean, variance] = [Float64Array.from(space.baseMean), Float64Array.from(space.baseVariance)];
  for (const option of taken) addTo(mean, variance, option);
  const from = Math.max(today - span.first, 0);
  const excess = (roomId: string | null = null): number => excessOf(space, mean, variance, from, roomId);
  const swap = (out: FitOption, into: FitOption): void => {
    addTo(mean, variance, out, -1);
    addTo(mean, variance, into);
  };
  /** What is over once one is taken for another; it is put back. Nothing is carried to where it is too much. */
  const tried = (out: FitOption, into: FitOption): number => {
    const there = into.carry?.place.id ?? null;
    const before = there === null ? Infinity : excess(there);
    swap(out, into);
    const now = there !== null && excess(there) > before + GAIN ? Infinity : excess();
    swap(into, out);
    return now;
  };
  let over = excess();
  while (over > GAIN) {
    let best: { readonly nth: number; readonly option: FitOption; readonly over: number } | null = null;
    options.forEach(([stays, ...carried], nth) => {
      if (taken[nth] !== stays) return;
      for (const option of carried) {
        const now = tried(stays, option);
        if (now < (best?.over ?? over) - GAIN) best = { nth, option, over: now };
      }
    });
    const found = best as { readonly nth: number; readonly option: FitOption; readonly over: number } | null;
    if (!found) break;
    swap(taken[found.nth] as FitOption, found.option);
    taken[found.nth] = found.option;
    over = found.over;
  }
  // What later ones have made needless goes back.
  options.forEach(([stays], nth) => {
    const now = taken[nth] as FitOption;
    if (now === stays || tried(now, stays) > over + GAIN) return;
    swap(now, stays);
    taken[nth] = stays;
  });
  return taken;
}
