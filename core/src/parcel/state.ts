import type { LookFact } from '../forecast/index.js';
import type { Damp } from '../carrier/index.js';

/** What one seed shows, in the order it comes. */
export const SEED_STAGES = ['quiet', 'swollen', 'tip', 'root', 'leaves', 'rotten', 'lost'] as const;
export type SeedStage = (typeof SEED_STAGES)[number];

/** What may be wrong in a bag. */
export const TROUBLES = ['fuzz', 'stain', 'green_film', 'threads', 'soft_seed', 'smell', 'too_hot', 'drowned'] as const;
export type Trouble = (typeof TROUBLES)[number];

/** A touched seed. */
export interface SeedMark {
  /** 1 … seeds, for life. */
  readonly seed: number;
  readonly stage: SeedStage;
  readonly rootMm: number | null;
}

/** A look with everything that was seen; null is "not looked at". */
export interface ParcelLook extends LookFact {
  readonly marks: readonly SeedMark[];
  readonly damp: Damp | null;
  readonly rewetted: boolean;
  readonly troubles: readonly Trouble[];
}

/** Why a batch was closed. */
export const CLOSING_REASONS = ['all_moved', 'set_aside', 'given_up', 'rotten', 'counted', 'joined', 'other'] as const;
export type ClosingReason = (typeof CLOSING_REASONS)[number];

/** Sprouts lifted out: touched ones by seed, the rest by count. */
export interface ParcelMove {
  readonly atMs: number;
  readonly seeds: readonly number[];
  readonly uncounted: number;
}

/** One seed as it is known now. */
export interface SeedState {
  readonly seed: number;
  readonly stage: SeedStage;
  readonly moved: boolean;
  /** Between which looks its tip came, ms; null while quiet. */
  readonly tipFromMs: number | null;
  readonly tipToMs: number | null;
  readonly measuredMm: number | null;
  readonly measuredAtMs: number | null;
  /** When its stage was last seen, ms; null where it never was touched. */
  readonly stageAtMs: number | null;
}

/** Tips that were counted, not touched. */
export interface CountedTips {
  readonly fromMs: number;
  readonly toMs: number;
  readonly count: number;
}

/** A parcel as its looks and moves leave it. */
export interface ParcelState {
  readonly seeds: readonly SeedState[];
  /** Still on the towel, oldest first. */
  readonly counted: readonly CountedTips[];
  readonly tipped: number;
  readonly rotten: number;
  readonly lost: number;
  readonly moved: number;
  /** Neither tipped nor rotten nor lost. */
  readonly quiet: number;
  /** Tipped and still on the towel. */
  readonly showing: number;
  readonly overgrown: number;
}

const TIPPED: readonly SeedStage[] = ['tip', 'root', 'leaves'];
export const hasTipped = (stage: SeedStage): boolean => TIPPED.includes(stage);

/**
 * Plays looks and moves through: what each touched seed shows, what is only
 * counted, what has left.
 *
 * @param seeds seeds in the batch
 * @param startMs when it was tucked in
 * @param noticeMs how long before a look through the bag a tip must have come to be noticed, ms
 */
export function parcelState(
  seeds: number,
  startMs: number,
  looks: readonly ParcelLook[],
  moves: readonly ParcelMove[],
  noticeMs: (atMs: number) => number = () => Infinity,
): ParcelState {
  const states: SeedState[] = Array.from({ length: seeds }, (_, index) => ({
    seed: index + 1,
    stage: 'quiet',
    moved: false,
    tipFromMs: null,
    tipToMs: null,
    measuredMm: null,
    measuredAtMs: null,
    stageAtMs: null,
  }));
  let counted: CountedTips[] = [];
  let tipped = 0;
  let rotten = 0;
  let lost = 0;
  let lastSeenMs = startMs;
  let throughMs = startMs;
  for (const look of [...looks].sort((a, b) => a.atMs - b.atMs)) {
    let touchedNew = 0;
    // What shows through the bag would have shown at the last look through it, had it come long before that.
    const fromMs = look.through ? Math.max(lastSeenMs, throughMs - noticeMs(throughMs)) : lastSeenMs;
    for (const mark of look.marks) {
      const before = states[mark.seed - 1];
      if (!before) continue;
      const comes = hasTipped(mark.stage) && before.tipToMs === null;
      if (comes) touchedNew++;
      states[mark.seed - 1] = {
        ...before,
        stage: mark.stage,
        tipFromMs: comes ? fromMs : before.tipFromMs,
        tipToMs: comes ? look.atMs : before.tipToMs,
        measuredMm: mark.rootMm ?? before.measuredMm,
        measuredAtMs: mark.rootMm === null ? before.measuredAtMs : look.atMs,
        stageAtMs: look.atMs,
      };
    }
    const total = Math.max(tipped, look.tipped ?? 0);
    const unplaced = total - tipped - touchedNew;
    if (unplaced > 0) counted.push({ fromMs, toMs: look.atMs, count: unplaced });
    // Touching seeds that were only counted before gives those counts their places.
    if (unplaced < 0) counted = take(counted, -unplaced);
    tipped = total;
    rotten = Math.max(rotten, look.rotten ?? 0);
    lost = Math.max(lost, look.lost ?? 0);
    if (look.tipped !== null && look.through) throughMs = look.atMs;
    if (look.tipped !== null && !look.through) lastSeenMs = throughMs = look.atMs;
  }
  let moved = 0;
  for (const move of moves) {
    for (const seed of move.seeds) {
      const state = states[seed - 1];
      if (state) states[seed - 1] = { ...state, moved: true };
    }
    counted = take(counted, move.uncounted);
    moved += move.seeds.length + move.uncounted;
  }
  return {
    seeds: states,
    counted,
    tipped,
    rotten,
    lost,
    moved,
    quiet: seeds - tipped - rotten - lost,
    // A sprout that rotted or was lost has shown its tip and is there no more.
    showing: tipped - moved - states.filter((state) => state.tipToMs !== null && !state.moved && !hasTipped(state.stage)).length,
    overgrown: states.filter((state) => state.stage === 'leaves' && !state.moved).length,
  };
}

/** Takes a number of tips out, the oldest first. */
function take(counted: readonly CountedTips[], number: number): CountedTips[] {
  let left = number;
  return counted.flatMap((tips) => {
    const taken = Math.min(tips.count, left);
    left -= taken;
    return tips.count > taken ? [{ ...tips, count: tips.count - taken }] : [];
  });
}

/** Whether somebody has looked at the seeds since a moment. */
export const hasLookedSince = (looks: readonly LookFact[], sinceMs: number): boolean =>
  looks.some(({ atMs, tipped }) => atMs > sinceMs && tipped !== null);
