import type { BagMates } from '../parcel/index.js';

/** Why a parcel is to be opened when it is; where several fall due together, the first of these. */
export const LOOK_REASONS = ['heat', 'soak', 'late', 'move', 'second', 'patience', 'water', 'trouble', 'tips', 'chill', 'bag'] as const;
export type LookReason = (typeof LOOK_REASONS)[number];

/** The next look at a parcel. */
export interface NextLook {
  readonly atMs: number;
  readonly reason: LookReason;
  /** Whether it must be opened, or may be read through the bag. */
  readonly via: 'opened' | 'through';
}

/** What the decision hangs on. */
export interface LookQuestion {
  /** Moments at which somebody could look: now, then the household's looking times, rising. */
  readonly timesMs: readonly number[];
  /** Most a seed may be let past "late" unseen by waiting from a moment for the time after: chance for any seed of the bag; never rises. */
  readonly toleranceAt: (ms: number) => number;
  /** Own chance below which a parcel asks for nothing, whatever its mates do; a twentieth of the tolerance where nothing is said. */
  readonly leastOwn?: number;
  /** Until when a look at the quiet seeds can tell nothing new, as somebody has just looked. */
  readonly seenUntilMs: number;
  /** Chance that a quiet seed has gone past "late" by a moment; rises with time. */
  readonly quietLateBy: (ms: number) => number;
  /** Chance that some root already seen has gone past "late" by a moment; rises with time. */
  readonly shownLateBy: (ms: number) => number;
  /** When the first root already seen is ready to move, where there is one. */
  readonly readyMs: number | null;
  /** When the towel passes from damp to drying. */
  readonly dryingMs: number;
  /** A soak that is going on: nothing is looked at before it is to be out. */
  readonly soak?: { readonly enoughMs: number; readonly outByMs: number } | null;
  /** When the second of two steps is decided; null where none was agreed, or it is settled. */
  readonly secondMs?: number | null;
  /** Whether its place kills: it is fetched now. */
  readonly heat?: boolean;
  /** When to see whether a trouble has come back; null where none was seen last. */
  readonly troubleMs?: number | null;
  /** End of the chill, where it is still going on. */
  readonly chillUntilMs: number | null;
  /** When patience ends and the parcel is judged. */
  readonly patienceMs: number;
  /** Chance that a look through the bag notices the roots that would be late by the time after; 0 where it cannot be read. */
  readonly noticedThrough?: number;
  /** What the other parcels of the bag ask for; opening it opens all. */
  readonly mates?: BagMates | null;
}

/**
 * When to look next: at the first looking time where waiting for the one after
 * would let a seed of the bag pass "late" unseen with more than the household's
 * tolerance, or let the towel dry, or leave a ready root standing. Looking is a
 * decision, not a habit: each opening cools and dries.
 *
 * @throws RangeError where fewer than two times are given
 */
export function nextLook(question: LookQuestion): NextLook {
  const { timesMs, toleranceAt, mates } = question;
  const last = timesMs.length - 1;
  if (last < 1) throw new RangeError('timesMs: now and at least one looking time are needed');
  const time = (index: number): number => timesMs[Math.min(index, last)] as number;
  const firstIndex = (due: (index: number) => boolean): number => {
    // What is due is mostly due soon: steps double before they are halved.
    let low = 0;
    let high = 0;
    for (let step = 1; high < last && !due(high); step *= 2) {
      low = high + 1;
      high = Math.min(high + step, last);
    }
    while (low < high) {
      const middle = (low + high) >> 1;
      if (due(middle)) high = middle;
      else low = middle + 1;
    }
    return low;
  };
  // The chances of a bag add up over its seeds, whosoever's they are; the mates' are known at the first times.
  const matesBy = (index: number): number => (mates ? (mates.lateBy[Math.min(index - 1, mates.lateBy.length - 1)] ?? 0) : 0);
  // The chance rises with time, so the first time that is too late is found by halving.
  const late = (chance: (ms: number) => number): number =>
    firstIndex((index) => {
      const missed = 1 - (1 - chance(time(index + 1))) * (1 - matesBy(Math.min(index + 1, last)));
      return missed > 0 && missed > toleranceAt(time(index));
    });
  const opened = (atMs: number, reason: LookReason): NextLook => ({ atMs, reason, via: 'opened' });
  const soak = question.soak ?? null;
  if (soak !== null) return question.heat ? opened(time(0), 'heat') : opened(outOfSoak(timesMs, soak), 'soak');
  const options: NextLook[] = [
    opened(time(firstIndex((index) => time(index + 1) > question.dryingMs)), 'water'),
    opened(time(firstIndex((index) => time(index) >= question.patienceMs)), 'patience'),
  ];
  if (question.heat) options.push(opened(time(0), 'heat'));
  const second = question.secondMs ?? null;
  if (second !== null) options.push(opened(time(firstIndex((index) => time(index) >= second)), 'second'));
  const trouble = question.troubleMs ?? null;
  if (trouble !== null) options.push(opened(time(firstIndex((index) => time(index) >= trouble)), 'trouble'));
  if (question.readyMs !== null) {
    const ready = question.readyMs;
    options.push(opened(time(firstIndex((index) => time(index) >= ready)), 'move'));
  }
  // What only the mates ask for is theirs; alone, a parcel asks by its own seeds together with them.
  const asks = (chance: (ms: number) => number, index: number): boolean =>
    index < last && chance(time(index + 1)) > (question.leastOwn ?? toleranceAt(time(index)) / 20);
  const shownLate = late(question.shownLateBy);
  if (asks(question.shownLateBy, shownLate)) options.push(opened(time(shownLate), 'late'));
  const until = question.chillUntilMs;
  if (until !== null) options.push(opened(time(firstIndex((index) => time(index) >= until)), 'chill'));
  const tips = late(question.quietLateBy);
  const worthwhile = firstIndex((index) => time(index) >= question.seenUntilMs);
  if (asks(question.quietLateBy, tips)) {
    const index = Math.max(tips, worthwhile);
    const missed = question.quietLateBy(time(index + 1)) * (1 - (question.noticedThrough ?? 0));
    const enough = (question.noticedThrough ?? 0) > 0 && !mates && missed <= toleranceAt(time(index));
    options.push({ atMs: time(index), reason: 'tips', via: enough ? 'through' : 'opened' });
  }
  if (mates) options.push(opened(mates.nextMs, 'bag'));
  return options.reduce((best, option) =>
    option.atMs < best.atMs || (option.atMs === best.atMs && LOOK_REASONS.indexOf(option.reason) < LOOK_REASONS.indexOf(best.reason))
      ? option
      : best,
  );
}

/** When seed is taken out of its soak: at the first looking time by which it has drunk enough, and no later than it must. */
function outOfSoak(timesMs: readonly number[], { enoughMs, outByMs }: { readonly enoughMs: number; readonly outByMs: number }): number {
  const [nowMs = outByMs] = timesMs;
  return Math.max(timesMs.find((ms) => ms >= enoughMs && ms <= outByMs) ?? outByMs, nowMs);
}

/** How many looking times ahead a bag's mates are asked about: a fortnight of two a day. */
export const MATES_TIMES = 28;

/** What one parcel asks of the bag, for the others in it. */
export const asMate = (question: LookQuestion): { readonly lateBy: number[]; readonly nextMs: number } => ({
  lateBy: question.timesMs.slice(1, MATES_TIMES + 1).map((ms) => 1 - (1 - question.quietLateBy(ms)) * (1 - question.shownLateBy(ms))),
  nextMs: nextLook({ ...question, mates: null }).atMs,
});

/** Several mates as one: the chances of all their seeds, and whoever is due first. */
export function matesOf(
  others: readonly { readonly number: number; readonly lateBy: readonly number[]; readonly nextMs: number }[],
): BagMates | null {
  const [first, ...rest] = others;
  if (!first) return null;
  return rest.reduce<BagMates>(
    (all, one) => ({
      lateBy: all.lateBy.map((chance, index) => 1 - (1 - chance) * (1 - (one.lateBy[index] ?? 0))),
      nextMs: Math.min(all.nextMs, one.nextMs),
      number: one.nextMs < all.nextMs ? one.number : all.number,
    }),
    { lateBy: first.lateBy, nextMs: first.nextMs, number: first.number },
  );
}
