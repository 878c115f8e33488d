import type { Origin } from './origins.js';

/** One look at a batch, as totals since the start; what was not looked at is null. */
export interface LookFact {
  readonly atMs: number;
  /** Opened, or read through the bag, where a quiet-looking seed may hide a tip. */
  readonly through: boolean;
  /** All seeds that have ever shown a tip, moved ones among them. */
  readonly tipped: number | null;
  /** Quiet seeds found rotten and taken out, since the start. */
  readonly rotten: number | null;
  /** Quiet seeds lost or given away, since the start: not known to be dead. */
  readonly lost?: number | null;
}

/** A stretch of progress in which a tip may have come, with its weight among others. */
export interface Stretch {
  readonly fromProgress: number;
  readonly toProgress: number;
  readonly weight: number;
}

/** Seeds whose tip appeared between two progresses (days at the optimum). */
export interface TipInterval {
  readonly fromProgress: number;
  readonly toProgress: number;
  readonly count: number;
  /**
   * Where looks through the bag say more than that: when a tip came that this look was the
   * first to notice, by how long a root must be to be noticed. Absent where only openings tell.
   */
  readonly noticed?: readonly Stretch[];
}

/** Share of the living whose tip would be found as these were. */
export const foundShare = ({ fromProgress, toProgress, noticed }: TipInterval, tippedBy: (progress: number) => number): number =>
  noticed
    ? noticed.reduce((sum, { fromProgress: from, toProgress: to, weight }) => sum + weight * (tippedBy(to) - tippedBy(from)), 0)
    : tippedBy(toProgress) - tippedBy(fromProgress);

/** Seeds seen quiet at a progress and not since: alive and slow, or dead. */
export interface QuietGroup {
  readonly progress: number;
  readonly count: number;
  /** A later look through the bag that noticed nothing. */
  readonly through?: ThroughLook | null;
}

/** A look through the bag notices a root with a chance that grows with its length. */
export interface ThroughLook {
  readonly progress: number;
  /** Progress after the tip at which one of so many roots would be noticed; weights sum to the best chance of noticing. */
  readonly leads: readonly { readonly progress: number; readonly weight: number }[];
}

/** Chance that even a long root is noticed through a folded towel. Guess. */
const BEST_NOTICING = 0.75;
const MOST_NOTICING = 0.9;
/** Lengths at which thirds of the roots that will be noticed are, mm: as if exponential with a mean of 5 mm. Guess. */
const NOTICED_AT_MM = [0.9, 3.5, 9] as const;
/** Roots longer than this are mostly noticed, mm. */
export const MOSTLY_NOTICED_MM = NOTICED_AT_MM[1];

/** How a look through the bag sees, for roots of a speed. @param readable against one sheet of kitchen paper */
export const throughLook = (progress: number, mmPerDayAtOptimum: number, readable = 1): ThroughLook => ({
  progress,
  leads: NOTICED_AT_MM.map((mm) => ({
    progress: mm / mmPerDayAtOptimum,
    weight: Math.min(BEST_NOTICING * readable, MOST_NOTICING) / NOTICED_AT_MM.length,
  })),
});

/** Chance that a root of a length is noticed through a folded towel. */
export const noticingAt = (lengthMm: number, readable = 1): number =>
  (Math.min(BEST_NOTICING * readable, MOST_NOTICING) * NOTICED_AT_MM.filter((mm) => mm <= lengthMm).length) / NOTICED_AT_MM.length;

/**
 * Share of the living whose tip would have been seen by now in a quiet group: all
 * that tipped before it was last opened, and those since that a look through the
 * bag would have noticed.
 */
export function seenShare(group: QuietGroup, tippedBy: (progress: number) => number): number {
  const opened = tippedBy(group.progress);
  if (!group.through) return opened;
  const { progress, leads } = group.through;
  return leads.reduce(
    (sum, lead) => sum + lead.weight * Math.max(tippedBy(Math.max(progress - lead.progress, group.progress)) - opened, 0),
    opened,
  );
}

/** Heat that killed some of the seeds that had not shown by then. */
export interface Harm {
  /** Progress at which it struck. */
  readonly progress: number;
  /** Share of them that lived through it. */
  readonly survival: number;
}

/** Share that has tipped by a progress, where heat took some of what was still to come. */
export const thinned = (tipped: number, atHarm: number, survival: number): number => atHarm + survival * (tipped - atHarm);

/** What the looks say, ready for the likelihood. */
export interface Evidence {
  /** Heat on the way; absent where it did no harm. */
  readonly harm?: Harm | null;
  /** What holds some of the seed back; absent where nothing does. */
  readonly origins?: readonly Origin[];
  readonly tips: readonly TipInterval[];
  /** Seeds that left without a tip: rotten ones, dead from the look that found them; lost ones, censored when last seen. */
  readonly removed: readonly QuietGroup[];
  /** The seeds that may still come. */
  readonly quiet: QuietGroup;
  /** When the quiet seeds were last seen quiet, ms; the start where never. */
  readonly lastSeenMs: number;
}

/**
 * When a tip came that one look was the first to find, where looks through the bag came
 * between: each part of the roots is noticed once it is so long, and a part never is.
 *
 * @param openedAt progress at the last opening; @param before the last look through since then, if any
 * @returns null where that says nothing, or calls what was seen impossible
 */
function stretchesFor(
  openedAt: number,
  before: number | null,
  at: number,
  through: boolean,
  leads: ThroughLook['leads'],
): Stretch[] | null {
  if (!through && before === null) return null;
  const unnoticed = (lead: number): number => (before === null ? openedAt : Math.max(before - lead, openedAt));
  const stretches = leads.map((lead) => ({
    fromProgress: unnoticed(lead.progress),
    toProgress: through ? Math.max(at - lead.progress, openedAt) : at,
    weight: lead.weight,
  }));
  const never = 1 - leads.reduce((sum, { weight }) => sum + weight, 0);
  if (!through) stretches.push({ fromProgress: openedAt, toProgress: at, weight: never });
  const possible = stretches.filter(({ fromProgress, toProgress }) => toProgress > fromProgress);
  return possible.length > 0 ? possible : null;
}

/**
 * Turns looks into interval-censored counts. Totals are absolute, so two
 * people's looks never add up, and the order in which they are entered does not
 * matter. Looks through the bag prove tips, and date them by when they would have been
 * noticed; of the rest they say only that nothing was noticed.
 *
 * @param seeds seeds in the batch, 1 or more
 * @param looks in any order
 * @param startMs when the batch was tucked in
 * @param progressAt progress by a moment
 * @param mmPerDayAtOptimum speed of the roots, which tells what a look through the bag can notice
 * @param readable how well what shows is seen through the closed bag, against one sheet of kitchen paper
 * @throws RangeError where totals exceed the seeds
 */
export function evidenceFrom(
  seeds: number,
  looks: readonly LookFact[],
  startMs: number,
  progressAt: (ms: number) => number,
  mmPerDayAtOptimum: number,
  readable = 1,
): Evidence {
  const { leads } = throughLook(0, mmPerDayAtOptimum, readable);
  const tips: TipInterval[] = [];
  const removed: QuietGroup[] = [];
  let tipped = 0;
  let rotten = 0;
  let lost = 0;
  let throughMs: number | null = null;
  let lastSeenMs = startMs;
  for (const look of [...looks].sort((a, b) => a.atMs - b.atMs)) {
    const seesTips = look.tipped !== null;
    const totalTipped = Math.max(tipped, look.tipped ?? 0);
    const totalRotten = Math.max(rotten, look.rotten ?? 0);
    const totalLost = Math.max(lost, look.lost ?? 0);
    if (totalTipped + totalRotten + totalLost > seeds) {
      throw new RangeError(`looks: ${totalTipped} tips, ${totalRotten} rotten and ${totalLost} lost of ${seeds} seeds`);
    }
    const progress = progressAt(look.atMs);
    if (totalTipped > tipped) {
      const openedAt = progressAt(lastSeenMs);
      const before = throughMs === null ? null : progressAt(throughMs);
      // What shows through the bag would have shown at the last look through it, had it come long before that.
      const through = before === null || !look.through ? 0 : before - MOSTLY_NOTICED_MM / mmPerDayAtOptimum;
      const noticed = stretchesFor(openedAt, before, progress, look.through, leads);
      const fromProgress = Math.max(openedAt, through);
      tips.push({ fromProgress, toProgress: progress, count: totalTipped - tipped, ...(noticed ? { noticed } : {}) });
    }
    if (totalRotten > rotten) removed.push({ progress, count: totalRotten - rotten });
    if (totalLost > lost) removed.push({ progress: progressAt(lastSeenMs), count: totalLost - lost });
    tipped = totalTipped;
    rotten = totalRotten;
    lost = totalLost;
    if (seesTips && look.through) throughMs = look.atMs;
    if (seesTips && !look.through) {
      lastSeenMs = look.atMs;
      throughMs = null;
    }
  }
  return {
    tips,
    removed,
    quiet: {
      progress: progressAt(lastSeenMs),
      count: seeds - tipped - rotten - lost,
      through: throughMs === null ? null : throughLook(progressAt(throughMs), mmPerDayAtOptimum, readable),
    },
    lastSeenMs,
  };
}
