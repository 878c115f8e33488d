import { CROPS, type Crop } from '@fresh-tuck/core/crops';
import { WORLDS, type World } from './lots.js';
import { fairCoverage, logScore } from '@fresh-tuck/core/chance';
import { plainProportion, printedDays, shownCoverage } from './score.js';
import { trialOf } from './trial.js';

const DAY_MS = 86_400_000;
export const SIZES = { few: [4, 24], many: [40, 100] } as const;
export type Size = keyof typeof SIZES;
const SPREADS = [0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.65, 0.8] as const;

export interface TruthRow {
  readonly world: World;
  readonly perDay: 1 | 2;
  readonly size: Size;
  readonly trials: number;
  readonly fairTwoDays: number;
  readonly fairFinal: number;
  readonly shownTwoDays: number;
  readonly shownFinal: number;
  /** Log score of tomorrow's count, and by how much it beats each rival, nats a forecast. */
  readonly logScore: number;
  readonly overPrinted: number;
  readonly overProportion: number;
  readonly overTuned: number;
}

/** Chance of any further tip as said, and how often one came, in tenths. */
export interface HopeBin {
  said: number;
  came: number;
  trials: number;
}

const cropIn = (cropId: string): Crop => {
  const crop = CROPS.find(({ id }) => id === cropId);
  if (!crop) throw new Error(`the library has no ${cropId}`);
  return crop;
};
/** What a world is tried on: tomato, and an apple where it is chilled. */
export const cropOf = (world: World): Crop => cropIn(world === 'chill too short' ? 'apple' : 'tomato');
export const tomato = (): Crop => cropIn('tomato');

/** One row of the table: a world, a rhythm of looking, a size. */
export function truthRow(world: World, perDay: 1 | 2, size: Size, trials: number, seed: number, hope: HopeBin[]): TruthRow {
  const crop = cropOf(world);
  const sums = { fairTwoDays: 0, fairFinal: 0, shownTwoDays: 0, shownFinal: 0, log: 0, printed: 0, proportion: 0 };
  const tuned = SPREADS.map(() => 0);
  let scored = 0;
  for (let index = 0; index < trials; index++) {
    const trial = trialOf(crop, world, perDay, SIZES[size], (seed + (index * 7919 + 13) / 1_000_003) % 1);
    const quiet = trial.seeds - (trial.looks.at(-1)?.tipped ?? 0);
    if (quiet === 0) continue;
    scored++;
    const by = (ms: number): Float64Array => trial.outlook.furtherTips(trial.progressAt(ms));
    const twoDays = by(trial.nowMs + 2 * DAY_MS);
    const final = trial.outlook.furtherTips(Infinity);
    const [yTwo, yEnd] = [trial.cameBy(trial.nowMs + 2 * DAY_MS), trial.cameBy(Number.MAX_VALUE)];
    sums.fairTwoDays += fairCoverage(twoDays, yTwo);
    sums.fairFinal += fairCoverage(final, yEnd);
    sums.shownTwoDays += shownCoverage(twoDays, yTwo);
    sums.shownFinal += shownCoverage(final, yEnd);
    const tomorrowMs = trial.nowMs + DAY_MS;
    const y = trial.cameBy(tomorrowMs);
    sums.log += logScore(by(tomorrowMs), y);
    sums.printed += logScore(printedDays(crop, trial, tomorrowMs, 0.25), y);
    sums.proportion += logScore(plainProportion(trial), y);
    SPREADS.forEach((spread, at) => {
      tuned[at] = (tuned[at] ?? 0) + logScore(printedDays(crop, trial, tomorrowMs, spread), y);
    });
    const said = 1 - (final[0] ?? 0);
    const bin = hope[Math.min(Math.floor(said * 10), 9)];
    if (bin) {
      bin.said += said;
      bin.came += yEnd > 0 ? 1 : 0;
      bin.trials++;
    }
  }
  const mean = (sum: number): number => sum / scored;
  return {
    world,
    perDay,
    size,
    trials: scored,
    fairTwoDays: mean(sums.fairTwoDays),
    fairFinal: mean(sums.fairFinal),
    shownTwoDays: mean(sums.shownTwoDays),
    shownFinal: mean(sums.shownFinal),
    logScore: mean(sums.log),
    overPrinted: mean(sums.log - sums.printed),
    overProportion: mean(sums.log - sums.proportion),
    overTuned: mean(sums.log - Math.max(...tuned)),
  };
}

export const noHope = (): HopeBin[] => Array.from({ length: 10 }, () => ({ said: 0, came: 0, trials: 0 }));

/** What came where little hope was said, in one world. */
export interface GiveUpRow {
  readonly world: World;
  readonly trials: number;
  /** Forecasts that said less than {@link LITTLE_HOPE} of another tip in the next half of the time so far. */
  readonly given: number;
  /** Of these: what was said on average, and how often one came by then. */
  readonly said: number;
  readonly came: number;
  /** The same for ever. */
  readonly saidEver: number;
  readonly cameEver: number;
}

/** Below this chance a lot is given up, where nobody has set it otherwise. */
export const LITTLE_HOPE = 0.1;
const NEXT_HALF = 1.5;
/** Late enough in a lot's life to give it up, medians of the book. */
const LATE = [1.5, 5] as const;

/** Looks at lots late in their lives, and counts what came of those that would be given up. */
export function giveUpRow(world: World, size: Size, trials: number, seed: number): GiveUpRow {
  const crop = cropOf(world);
  const sum = { given: 0, said: 0, came: 0, saidEver: 0, cameEver: 0 };
  for (let index = 0; index < trials; index++) {
    const trial = trialOf(crop, world, 1, SIZES[size], (seed + (index * 7919 + 13) / 1_000_003) % 1, LATE);
    if (trial.seeds === (trial.looks.at(-1)?.tipped ?? 0)) continue;
    const untilMs = trial.startMs + NEXT_HALF * (trial.nowMs - trial.startMs);
    const said = trial.outlook.chanceAny(trial.progressAt(untilMs));
    if (said >= LITTLE_HOPE) continue;
    sum.given++;
    sum.said += said;
    sum.came += trial.cameBy(untilMs) > 0 ? 1 : 0;
    sum.saidEver += trial.outlook.chanceAny(Infinity);
    sum.cameEver += trial.cameBy(Number.MAX_VALUE) > 0 ? 1 : 0;
  }
  const { given } = sum;
  const mean = (total: number): number => total / Math.max(given, 1);
  return { world, trials, given, said: mean(sum.said), came: mean(sum.came), saidEver: mean(sum.saidEver), cameEver: mean(sum.cameEver) };
}

/** The whole table, row by row. */
export function truthTable(trials: number, seed: number, each: (row: TruthRow) => void): HopeBin[] {
  const hope = noHope();
  for (const size of ['few', 'many'] as const) {
    for (const world of WORLDS) {
      for (const perDay of [1, 2] as const)
        each(truthRow(world, perDay, size, size === 'few' ? trials : Math.ceil(trials / 2), seed, hope));
    }
  }
  return hope;
}
