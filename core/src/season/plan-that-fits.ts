import { fitsBeside, optionsFor, spaceOf, type Fit, type FitOption, type FitQuestion, type FitSpace } from './fitting.js';

/** Lots that are tried together, and how many ways of them at the most before the best so far is taken. */
const TOGETHER = 6;
const MOST_TRIES = { all: 60_000, some: 5_000 } as const;
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
  put({ mean, variance, low, high }: FitOption, sign: 1 | -1): void {
    for (let at = low; at < high; at++) {
      (this.mean[at] as number) += sign * (mean[at] as number);
      (this.variance[at] as number) = Math.max((this.variance[at] as number) + sign * (variance[at] as number), 0);
    }
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
  let bestCost = start.reduce((sum, { change }) => sum + change.cost, 0);
  let tries = 0;
  const picked: FitOption[] = [];
  // What the lots that are still to come cost at the least.
  const least = choices.map((options) => options[0]?.change.cost ?? 0);
  const rest = least.map((_, nth) => least.slice(nth + 1).reduce((sum, cost) => sum + cost, 0));
  const go = (nth: number, cost: number): void => {
    const options = choices[nth];
    if (!options) {
      best = [...picked];
      bestCost = cost;
      return;
    }
    for (const option of options) {
      const now = cost + option.change.cost;
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

/**
 * A plan in which everything fits, changing as little as can be: each lot is first laid where it hurts
 * least beside those before it, then neighbours in time are taken up again some at a time and laid in
 * the best of all ways. The same question has the same plan; no plan is dearer than dropping what has
 * no room, and where all fits as it is wished nothing is changed.
 *
 * @param progress is told the share that is done, 0 to 1; returns false to stop with what there is
 */
export function planThatFits(question: FitQuestion, progress: (done: number) => boolean = () => true): Fit {
  const free = question.lots.filter(({ fixed }) => !fixed);
  const fixed = question.lots.filter((lot) => lot.fixed).flatMap((lot) => optionsFor(lot, question));
  const space = spaceOf(question, fixed);
  let going = true;
  const options = free.map((lot, nth) => {
    going = going && progress((0.4 * nth) / Math.max(free.length, 1));
    return going ? optionsFor(lot, question) : optionsFor({ ...lot, ways: [lot.ways[0]] }, question);
  });
  const laid = new Laid(space);
  // Who has least leave is laid first.
  const order = free
    .map((lot, nth) => ({ nth, start: lot.start, leave: (lot.until ?? lot.start + 60) - lot.start }))
    .sort((a, b) => a.leave - b.leave || a.start - b.start || a.nth - b.nth)
    .map(({ nth }) => nth);
  const picked: FitOption[] = new Array<FitOption>(free.length);
  for (const nth of order) {
    const own = options[nth] ?? [];
    const option = own.find((one) => laid.holds(one)) ?? own.at(-1);
    if (!option) continue;
    picked[nth] = option;
    laid.put(option, 1);
  }
  const byTime = free
    .map((_, nth) => nth)
    .sort((a, b) => (free[a]?.gate ?? 0) - (free[b]?.gate ?? 0) || (free[a]?.start ?? 0) - (free[b]?.start ?? 0) || a - b);
  const small = free.length <= TOGETHER;
  let exact = small;
  for (let round = 0; round < (small ? 1 : ROUNDS) && going; round++) {
    let better = false;
    const step = small ? TOGETHER : TOGETHER / 2;
    for (let from = 0; from < byTime.length && going; from += step) {
      going = progress(0.4 + (0.6 * (round + from / byTime.length)) / ROUNDS);
      const group = groupAt(byTime, picked, from);
      // Nothing is better than what costs nothing.
      if (group.every((nth) => picked[nth]?.change.cost === 0)) continue;
      for (const nth of group) if (picked[nth]) laid.put(picked[nth], -1);
      const now = group.flatMap((nth) => picked[nth] ?? []);
      const { picked: best, whole } = bestOf(
        group.map((nth) => options[nth] ?? []),
        laid,
        now,
        small ? MOST_TRIES.all : MOST_TRIES.some,
      );
      exact = exact && whole;
      group.forEach((nth, index) => {
        const option = best[index];
        if (!option) return;
        if (option !== picked[nth]) better = true;
        picked[nth] = option;
        laid.put(option, 1);
      });
    }
    if (!better) break;
  }
  progress(1);
  const changes = picked.filter(({ change }) => change.cost > 0).map(({ change }) => change);
  return {
    changes: changes.sort((a, b) => b.cost - a.cost || a.lotId.localeCompare(b.lotId)),
    cost: changes.reduce((sum, { cost }) => sum + cost, 0),
    exact,
    overfullAnyway: space.overfullAnyway,
  };
}

/** Neighbours in time, those that are changed before those that are not. */
function groupAt(byTime: readonly number[], picked: readonly FitOption[], from: number): number[] {
  const near = byTime.slice(from, from + TOGETHER * 2);
  const changed = near.filter((nth) => (picked[nth]?.change.cost ?? 0) > 0);
  return [...changed, ...near.filter((nth) => !changed.includes(nth))].slice(0, TOGETHER);
}
