/** One look at a batch, as totals since the start; what was not looked at is null. */
export interface LookFact {
  readonly atMs: number;
  /** Opened, or read through the bag, where a quiet-looking seed may hide a tip. */
  readonly through: boolean;
  /** All seeds that have ever shown a tip, moved ones among them. */
  readonly tipped: number | null;
  /** Quiet seeds found rotten and taken out, since the start. */
  readonly rotten: number | null;
}

/** Seeds whose tip appeared between two progresses (days at the optimum). */
export interface TipInterval {
  readonly fromProgress: number;
  readonly toProgress: number;
  readonly count: number;
}

/** Seeds seen quiet at a progress and not since: alive and slow, or dead. */
export interface QuietGroup {
  readonly progress: number;
  readonly count: number;
}

/** What the looks say, ready for the likelihood. */
export interface Evidence {
  readonly tips: readonly TipInterval[];
  /** Rotten seeds: dead from the look that found them. */
  readonly removed: readonly QuietGroup[];
  /** The seeds that may still come. */
  readonly quiet: QuietGroup;
  /** When the quiet seeds were last seen quiet, ms; the start where never. */
  readonly lastSeenMs: number;
}

/**
 * Turns looks into interval-censored counts. Totals are absolute, so two
 * people's looks never add up, and the order in which they are entered does not
 * matter. Looks through the bag prove tips but not their absence: they close an
 * interval from above and never open the next one.
 *
 * @param seeds seeds in the batch, 1 or more
 * @param looks in any order
 * @param startMs when the batch was tucked in
 * @param progressAt progress by a moment
 * @throws RangeError where totals exceed the seeds
 */
export function evidenceFrom(seeds: number, looks: readonly LookFact[], startMs: number, progressAt: (ms: number) => number): Evidence {
  const tips: TipInterval[] = [];
  const removed: QuietGroup[] = [];
  let tipped = 0;
  let rotten = 0;
  let lastSeenMs = startMs;
  for (const look of [...looks].sort((a, b) => a.atMs - b.atMs)) {
    const seesTips = look.tipped !== null;
    const totalTipped = Math.max(tipped, look.tipped ?? 0);
    const totalRotten = Math.max(rotten, look.rotten ?? 0);
    if (totalTipped + totalRotten > seeds) {
      throw new RangeError(`looks: ${totalTipped} tips and ${totalRotten} rotten of ${seeds} seeds`);
    }
    const progress = progressAt(look.atMs);
    if (totalTipped > tipped) {
      tips.push({ fromProgress: progressAt(lastSeenMs), toProgress: progress, count: totalTipped - tipped });
    }
    if (totalRotten > rotten) removed.push({ progress, count: totalRotten - rotten });
    tipped = totalTipped;
    rotten = totalRotten;
    if (seesTips && !look.through) lastSeenMs = look.atMs;
  }
  return {
    tips,
    removed,
    quiet: { progress: progressAt(lastSeenMs), count: seeds - tipped - rotten },
    lastSeenMs,
  };
}
