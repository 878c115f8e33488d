import { relieved, standingOptions } from './carrying.js';
import type { Fit, FitQuestion } from './fit-question.js';
import { addTo, fitsBeside, spaceOf, type FitOption, type FitSpace } from './fit-space.js';
import { optionsFor } from './fitting.js';

/** Lots that are tried together, and how many ways of them at the most before the best so far is taken. */
const TOGETHER = 6;
const MOST_TRIES = { all: 60_000, some: 5_000, carried: 1_500 } as const;
/** Rounds over all lots; most plans stand still after two. */
const ROUNDS = 4;
/** So much better is better. */
const BETTER = 1e-9;

/** What is laid in the rooms at a moment of the search. */
class Laid {
  readonly mean: Float64Array;
  readonly variance: Float64Array;
  constructor(private readonly space: FitSpace) {
    this.mean = Float64Array.from(space.baseMean);
    this.variance = Float64Array.from(space.baseVariance);
  }
  put(option: FitOption, sign: 1 | -1): void {
    addTo(this.mean, this.variance, option, sign);
  }
  holds(option: FitOption): boolean {
    return fitsBeside(option, this.mean, this.variance, this.space.limit);
  }
}

/** The best of all ways of some lots beside what is laid: depth first, the cheapest first, cut off where it cannot win. */
function bestOf(
  choices: readonly (readonly FitOption[])[],
  laid: Laid,
  start: readonly FitOption[],
  mostTries: number,
): { readonly picked: readonly FitOption[]; readonly whole: boolean } {
  let best = start;
  let bestCost = start.reduce((sum, { cost }) => sum + cost, 0);
  let tries = 0;
  const picked: FitOption[] = [];
  // What the lots that are still to come cost at the least.
  const least = choices.map((options) => options[0]?.cost ?? 0);
  const rest = least.map((_, nth) => least.slice(nth + 1).reduce((sum, cost) => sum + cost, 0));
  const go = (nth: number, cost: number): void => {
    const options = choices[nth];
    if (!options) {
      best = [...picked];
      bestCost = cost;
      return;
    }
    for (const option of options) {
      const now = cost + option.cost;
      if (now + (rest[nth] ?? 0) >= bestCost - BETTER) return;
      if (++tries > mostTries) return;
      if (!laid.holds(option)) continue;
      laid.put(option, 1);
      picked.push(option);
      go(nth + 1, now);
      picked.pop();
      laid.put(option, -1);
    }
  };
  go(0, 0);
  return { picked: best, whole: tries <= mostTries };
}

/** What a plan may do something with: a lot, or what stands there already. */
interface Item {
  readonly options: readonly FitOption[];
  readonly start: number;
  /** Days that a start may be put off. */
  readonly leave: number;
  readonly gate: number;
}

/**
 * A plan in which everything fits, changing as little as can be. What stands there already and is too
 * much by itself is carried elsewhere first. Then each lot is laid where it hurts least beside those
 * before it, and neighbours in time are taken up again some at a time and laid in the best of all
 * ways, with what might be carried to make room for them. The same question has the same plan; no plan
 * is dearer than dropping what has no room, and where all fits as it is wished nothing is changed.
 *
 * @param progress is told the share that is done, 0 to 1; returns false to stop with what there is
 */
export function planThatFits(question: FitQuestion, progress: (done: number) => boolean = () => true): Fit {
  const lots = question.lots.filter(({ fixed }) => !fixed);
  let going = true;
  const ofLots = lots.map((lot, nth): Item => {
    going = going && progress((0.4 * nth) / Math.max(lots.length, 1));
    const { start, until, gate } = lot;
    const options = optionsFor(going ? lot : { ...lot, ways: [lot.ways[0]] }, question);
    return { options, start, leave: (until ?? start + 60) - start, gate: gate ?? 0 };
  });
  const { fixed, movable, space } = standingIn(question);
  const free: Item[] = [...ofLots, ...movable.map((options) => ({ options, start: question.today, leave: -Infinity, gate: -Infinity }))];
  const options = free.map((item) => item.options);
  const laid = new Laid(space);
  // Who has least leave is laid first: what stands there stands.
  const order = free.map((item, nth) => ({ ...item, nth })).sort((a, b) => a.leave - b.leave || a.start - b.start || a.nth - b.nth);
  const picked: FitOption[] = new Array<FitOption>(free.length);
  for (const { nth, options: own } of order) {
    const option = own.find((one) => laid.holds(one)) ?? own.at(-1);
    if (!option) continue;
    picked[nth] = option;
    laid.put(option, 1);
  }
  let exact = true;
  /** Lays some of them anew in the best of all ways. */
  const again = (group: readonly number[], mostTries: number): boolean => {
    // Nothing is better than what costs nothing.
    if (group.every((nth) => picked[nth]?.cost === 0)) return false;
    for (const nth of group) if (picked[nth]) laid.put(picked[nth], -1);
    const now = group.flatMap((nth) => picked[nth] ?? []);
    const own = group.map((nth) => options[nth] ?? []);
    const { picked: best, whole } = bestOf(own, laid, now, mostTries);
    exact = exact && whole;
    let better = false;
    group.forEach((nth, index) => {
      const option = best[index];
      if (!option) return;
      if (option !== picked[nth]) better = true;
      picked[nth] = option;
      laid.put(option, 1);
    });
    return better;
  };
  const byTime = lots
    .map((_, nth) => nth)
    .sort((a, b) => (free[a]?.gate ?? 0) - (free[b]?.gate ?? 0) || (free[a]?.start ?? 0) - (free[b]?.start ?? 0) || a - b);
  const small = free.length <= TOGETHER;
  if (small && going) {
    progress(0.4);
    again(
      free.map((_, nth) => nth),
      MOST_TRIES.all,
    );
  }
  for (let round = 0; round < ROUNDS && going && !small; round++) {
    let better = false;
    const dear = movable.length === 0 ? [] : byTime.filter((lot) => (picked[lot]?.cost ?? 0) > 0);
    for (const nth of dear) if (again([nth, ...inItsWay(nth, free, picked, lots.length)], MOST_TRIES.carried)) better = true;
    for (let from = 0; from < byTime.length && going; from += TOGETHER / 2) {
      going = progress(0.4 + (0.6 * (round + from / byTime.length)) / ROUNDS);
      if (again(groupAt(byTime, picked, from), MOST_TRIES.some)) better = true;
    }
    if (!better) break;
  }
  progress(1);
  const taken = [...fixed, ...picked];
  const changes = taken.flatMap(({ change, cost }) => (change && cost > 0 ? [change] : []));
  return {
    changes: changes.sort((a, b) => b.cost - a.cost || a.lotId.localeCompare(b.lotId)),
    carries: taken.flatMap(({ carry }) => carry ?? []).sort((a, b) => b.plants - a.plants || a.id.localeCompare(b.id)),
    cost: taken.reduce((sum, { cost }) => sum + cost, 0),
    exact: exact && small,
    overfullAnyway: space.overfullAnyway,
  };
}

/** What stands in the rooms: what stays, what was carried as it was too much by itself, and what may still be. */
function standingIn(question: FitQuestion) {
  const all = question.standing.map((one) => standingOptions(one, question));
  const stays = [
    ...question.lots.filter(({ fixed }) => fixed).flatMap((lot) => optionsFor(lot, question)),
    ...all.filter(({ length }) => length === 1).flat(),
  ];
  const may = all.filter((own): own is [FitOption, ...FitOption[]] => own.length > 1);
  const taken = relieved(question, may, spaceOf(question, stays));
  const fixed = [...stays, ...taken.filter(({ carry }) => carry !== null)];
  const movable = may.filter((_, nth) => taken[nth]?.carry === null);
  return {
    fixed,
    movable,
    space: spaceOf(
      question,
      fixed,
      movable.map(([stays]) => stays),
    ),
  };
}

/** What stands there already and takes most of the room that a lot would have as it is wished: as many as are tried together. */
function inItsWay(lot: number, free: readonly Item[], picked: readonly FitOption[], from: number): number[] {
  const wished = free[lot]?.options.find(({ cost }) => cost === 0);
  if (!wished) return [];
  const own = new Set(wished.at);
  const shared = (nth: number): number =>
    picked[nth]?.at.reduce((sum, at, index) => sum + (own.has(at) ? (picked[nth]?.mean[index] as number) : 0), 0) ?? 0;
  return free
    .map((_, nth) => nth)
    .slice(from)
    .map((nth) => ({ nth, shares: shared(nth) }))
    .filter(({ shares }) => shares > 0)
    .sort((a, b) => b.shares - a.shares || a.nth - b.nth)
    .slice(0, TOGETHER - 1)
    .map(({ nth }) => nth);
}

/** Neighbours in time, those that are changed before those that are not. */
function groupAt(byTime: readonly number[], picked: readonly FitOption[], from: number): number[] {
  const near = byTime.slice(from, from + TOGETHER * 2);
  const changed = near.filter((nth) => (picked[nth]?.cost ?? 0) > 0);
  return [...changed, ...near.filter((nth) => !changed.includes(nth))].slice(0, TOGETHER);
}
