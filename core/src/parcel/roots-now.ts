import { passing, usualLength, type RootCohort, type RootGrowth } from '../moving/index.js';
import { hasTipped, type ParcelState, type SeedState } from './state.js';
import { soakClock } from '../preparing/index.js';
import { momentOf, type Workings } from './workings.js';

/** A cohort of roots with where it stands. */
export interface RootsNow {
  readonly seeds: readonly number[];
  readonly count: number;
  readonly usualMm: number;
  readonly measured: boolean;
  readonly readyMs: number;
  /** Ready from then at the earliest, and by then at the latest, 8 chances in 10. */
  readonly readyFromMs: number;
  readonly readyByMs: number;
  /** The fastest that could be among them enter the paper. */
  readonly lateFromMs: number;
  readonly usuallyLateMs: number;
  /** When its seed leaves usually open, and it is overgrown. */
  readonly overgrownMs: number;
}

/** Lengths that the words for a stage stand for, mm, where nobody measured: a nib, and the least that is called a root. */
const STAGE_MM = { tip: 1.5, root: 4 } as const;

interface Roots extends RootCohort {
  readonly seeds: readonly number[];
  readonly measured: boolean;
}

/** One touched seed's root: as measured, else as its stage says, else from when its tip can have come. */
function rootOf(seed: SeedState, { method, progress, growth, lot }: Workings): Roots {
  const from = progress.at(seed.tipFromMs ?? progress.startMs);
  const to = progress.at(seed.tipToMs ?? progress.startMs);
  const cohort = {
    seeds: [seed.seed],
    count: 1,
    fromProgress: from,
    toProgress: to,
    usualProgress: lot.midway(from, to),
    measuredMm: null,
    measured: false,
  };
  // What a touched seed shows below ground is known only where it lies open.
  if (method.event === 'emergence') return cohort;
  const seenAt = progress.at(seed.stageAtMs ?? seed.tipToMs ?? progress.startMs);
  if (seed.measuredMm !== null && seed.measuredAtMs === seed.stageAtMs) {
    return { ...cohort, toProgress: seenAt, measuredMm: seed.measuredMm, measured: true };
  }
  if (seed.stage === 'tip') return { ...cohort, toProgress: seenAt, measuredMm: STAGE_MM.tip };
  const usualMm = usualLength(growth, cohort, seenAt);
  return usualMm < STAGE_MM.root ? { ...cohort, toProgress: seenAt, measuredMm: STAGE_MM.root } : cohort;
}

/** Roots on the towel: touched ones each for itself, counted ones by when they came. */
function cohortsOf(state: ParcelState, workings: Workings): Roots[] {
  const { progress, lot } = workings;
  const touched = state.seeds
    .filter((seed) => seed.tipToMs !== null && !seed.moved && hasTipped(seed.stage))
    .map((seed) => rootOf(seed, workings));
  const counted = state.counted.map((tips) => {
    const fromProgress = progress.at(tips.fromMs);
    const toProgress = progress.at(tips.toMs);
    return {
      seeds: [],
      count: tips.count,
      fromProgress,
      toProgress,
      usualProgress: lot.midway(fromProgress, toProgress),
      measuredMm: null,
      measured: false,
    };
  });
  return [...touched, ...counted];
}

/** When a measured root's tip came, by its length. */
const tipOf = ({ mmPerDayAtOptimum }: RootGrowth, { toProgress, measuredMm }: RootCohort): number =>
  toProgress - (measuredMm ?? 0) / mmPerDayAtOptimum;

/** Every root on the towel, and when it is ready and late. */
export function rootsNow(workings: Workings, nowMs: number): RootsNow[] {
  const { facts, method, progress, growth, state } = workings;
  const drownsMs = method.late === 'drowned' ? soakClock(facts.crop, facts.startMs, nowMs, true).drownsMs : null;
  return cohortsOf(state, workings).map((cohort) => {
    const late = passing(growth, cohort, growth.lateMm);
    const ready = passing(growth, cohort, growth.readyMm);
    const lateFromMs = drownsMs ?? momentOf(progress, late.earliest);
    return {
      seeds: cohort.seeds,
      count: cohort.count,
      usualMm: usualLength(growth, cohort, progress.at(nowMs)),
      measured: cohort.measured,
      readyMs: momentOf(progress, ready.usual),
      readyFromMs: momentOf(progress, ready.earliest),
      readyByMs: momentOf(progress, ready.latest),
      lateFromMs,
      usuallyLateMs: drownsMs ?? momentOf(progress, late.usual),
      // The seed leaves open when the sprout would have come up; above ground that is as it should be.
      overgrownMs:
        method.event === 'emergence'
          ? progress.endMs
          : momentOf(
              progress,
              (cohort.measuredMm === null ? cohort.usualProgress : tipOf(growth, cohort)) + facts.crop.days.tipToEmergence,
            ),
    };
  });
}
