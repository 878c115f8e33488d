import type { Column, Posterior } from './column.js';
import { edgesOf } from './edges.js';
import type { Evidence } from './evidence.js';
import { axis, node, shareOf, type Axis, type Grid } from './grid.js';
import { asOneLaw, familiesOf, TIGHTER_BY, type Family } from './outlines.js';
import type { Prior } from './prior.js';
import { followingOf, seedsOf } from './scatter.js';
import { momentOf, sheetsOf, type Moment, type Sheet, type SheetPlan } from './sheet.js';

/** Reach of the prior that is looked through, sds. */
const REACH_SD = 3.8;
/** Columns that together hold less than this are dropped: nobody can see them, and every question asks each column. */
const PRUNE_TAIL = 1e-2;
/** A kernel that holds less than this is left out. */
const LEAST_KERNEL = 1e-3;
/** While steps are too wide to tell, only one that holds nothing at all. */
const NOTHING = 1e-9;
/** Nodes by axis, over so many sds to each side. */
interface Nodes extends Readonly<Record<keyof Grid, number>> {
  readonly reach: number;
}
/** While the posterior is looked for, and when it is found. */
const COARSE: Nodes = { angle: 9, logMedian: 9, logSpread: 5, reach: 3.8 };
const FINE: Nodes = { angle: 9, logMedian: 8, logSpread: 5, reach: 3.8 };
/** Lots of more seeds know their spread better, and may scatter. */
const CLOSER: Nodes = { angle: 10, logMedian: 10, logSpread: 8, reach: 4 };
/** Before any tip everything is open, and a tight lot's few days lie between wide steps. */
const OPEN: Nodes = { angle: 12, logMedian: 12, logSpread: 6, reach: 3.7 };
/** Of many seeds a lot that keeps to its law is known much better than one that scatters. */
const FINER: Nodes = { angle: 15, logMedian: 12, logSpread: 7, reach: 4.2 };
const MANY_SEEDS = 150;
/** Up to so many seeds one law a kernel finds where the posterior lies: forecasts within 0.03 of total variation, on average 0.001. */
const FEW_SEEDS = 30;
/** Steps towards a posterior that is much narrower than its prior. */
const MOST_STEPS = 3;
/** Steps resolve what has at least so many of them to its sd. */
const RESOLVED = 0.6;

/** Where the spread is looked for: further down where some lots are much tighter. */
function reachOfSpread({ median, logSd, tight = 0 }: Prior['spread'], count: number): Axis {
  const mean = Math.log(median);
  const down = Math.max(REACH_SD * logSd, tight > 0 ? TIGHTER_BY + 2.5 * logSd : 0);
  return axis(mean - down, mean + REACH_SD * logSd, count);
}

/** An axis around what was found on a wider one, inside where it was looked for. */
function around({ mean, sd }: Moment, found: Axis, start: Axis, count: number, reachSd: number): Axis {
  // Where one node holds everything the true sd is unknown: step in by degrees.
  const reach = reachSd * Math.max(sd, found.step * 0.4);
  return axis(Math.max(mean - reach, start.low), Math.min(mean + reach, start.low + start.step * start.count), count);
}

/** The columns of all sheets, of which only the least may be missing, with weights that sum to 1. */
function columnsOf(sheets: readonly Sheet[]): Column[] {
  const masses = Float64Array.from(sheets.flatMap(({ columns }) => columns.map(({ mass }) => mass)));
  const least = leastKept(masses, PRUNE_TAIL);
  const kept = sheets.flatMap(({ columns }) => columns.filter(({ mass }) => mass >= least));
  const total = kept.reduce((sum, { mass }) => sum + mass, 0);
  for (const { weights, scattered } of kept) {
    for (let index = 0; index < weights.length; index++) {
      weights[index] = (weights[index] as number) / total;
      if (scattered) scattered[index] = (scattered[index] as number) / total;
    }
  }
  return kept;
}

/** Smallest mass of a column that is kept where a tail may be dropped. */
function leastKept(masses: Float64Array, tail: number): number {
  const rising = masses.sort();
  let spare = 0;
  for (const mass of rising) spare += tail * mass;
  return rising.find((mass) => (spare -= mass) < 0) ?? 0;
}

/**
 * The posterior over living share, lot median, spread and law, given interval-censored
 * looks, by deterministic quadrature: a pass over the prior's reach, then recentred on
 * almost four standard deviations until the steps resolve the posterior. Each kernel is
 * recentred for itself: of one lot they see pace and spread in different ways. The
 * likelihood is multinomial over the intervals, times (1 - v F) for each seed still
 * quiet; a lot of more than a few seeds may scatter about its law (`scatter.ts`).
 *
 * @param following how the lot may follow the laws, by default as its looks can tell
 * @throws RangeError where the prior's mean share is not inside (0, 1)
 */
export function posteriorOf(evidence: Evidence, prior: Prior, following = followingOf(evidence)): Posterior {
  if (!(prior.share.mean > 0 && prior.share.mean < 1)) throw new RangeError('prior.share.mean must lie inside (0, 1)');
  const { mean, sd } = prior.logMedian;
  const start = {
    angle: axis(0, Math.PI / 2, COARSE.angle),
    logMedian: axis(mean - REACH_SD * sd, mean + REACH_SD * sd, COARSE.logMedian),
    logSpread: reachOfSpread(prior.spread, COARSE.logSpread),
  };
  const question = { edges: edgesOf(evidence), following, prior };
  const families = familiesOf(prior);
  const seeds = seedsOf(evidence);
  let grid: SheetPlan[] = (seeds > FEW_SEEDS ? families : families.map(asOneLaw)).map((family) => ({ family, grid: start }));
  let angle: Axis = start.angle;
  let sheets = sheetsOf(question, grid, true);
  const angleMoment = (): Moment => momentOf(sheets.map((sheet) => sheet.angle));
  const closer = ({ reach, ...counts }: Nodes): void => {
    angle = around(angleMoment(), angle, start.angle, counts.angle, reach);
    grid = grid.map(({ family, grid: found }, index) => {
      const { logMedian, logSpread } = sheets[index] as Sheet;
      return {
        family,
        grid: {
          angle,
          logMedian: around(momentOf([logMedian]), found.logMedian, start.logMedian, counts.logMedian, reach),
          logSpread: around(momentOf([logSpread]), found.logSpread, start.logSpread, counts.logSpread, reach),
        },
      };
    });
  };
  /** Leaves out kernels that hold nothing, or next to nothing. */
  const drop = (least: number): void => {
    const total = sheets.reduce((sum, { mass }) => sum + mass, 0);
    const kept = sheets.map(({ mass }) => mass > least * total);
    grid = grid.filter((_, index) => kept[index]);
    sheets = sheets.filter((_, index) => kept[index]);
  };
  const unresolved = (): boolean =>
    angleMoment().sd < RESOLVED * angle.step ||
    sheets.some(({ logMedian, logSpread }, index) => {
      const { grid: own } = grid[index] as SheetPlan;
      return momentOf([logMedian]).sd < RESOLVED * own.logMedian.step || momentOf([logSpread]).sd < RESOLVED * own.logSpread.step;
    });
  for (let step = 0; step < MOST_STEPS && unresolved(); step++) {
    drop(step > 0 ? LEAST_KERNEL : NOTHING);
    closer(COARSE);
    sheets = sheetsOf(question, grid, true);
  }
  drop(LEAST_KERNEL);
  closer(question.edges.tipCount === 0 ? OPEN : seeds > MANY_SEEDS ? FINER : seeds > FEW_SEEDS ? CLOSER : FINE);
  const shares = Float64Array.from({ length: angle.count }, (_, i) => shareOf(node(angle, i)));
  const whole = grid.map((plan) => ({ ...plan, family: families[plan.family.kernel] as Family }));
  const columns = columnsOf(sheetsOf(question, whole, false));
  return { shares, columns, concentration: following.scatter?.concentration ?? Infinity };
}
