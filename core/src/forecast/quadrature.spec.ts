import { outlookFor } from './predict.js';
import { posteriorOf } from './posterior.js';
import { type Evidence } from './evidence.js';
import { type Prior } from './prior.js';
import { lawShape, TIP_LAWS, tippedShare } from './tip-law.js';

/** The same posterior by brute force: a plain dense grid over everything, no recentring, no pruning, no tables of chances. */
function bruteForce(evidence: Evidence, prior: Prior, by: number): { alive: number; further: number } {
  const steps = { share: 60, median: 60, spread: 24 };
  let total = 0;
  let alive = 0;
  let further = 0;
  for (let i = 0; i < steps.median; i++) {
    const z = -4.5 + (9 * (i + 0.5)) / steps.median;
    const logMedian = prior.logMedian.mean + z * prior.logMedian.sd;
    for (let j = 0; j < steps.spread; j++) {
      const u = -4.5 + (9 * (j + 0.5)) / steps.spread;
      const shape = lawShape(prior.spread.median * Math.exp(u * prior.spread.logSd));
      for (const law of TIP_LAWS) {
        const F = (progress: number): number =>
          (evidence.origins ?? [{ progress: 0, weight: 1 }]).reduce(
            (sum, { progress: from, weight }) =>
              sum + (progress > from ? weight * tippedShare(law, shape, Math.log(progress - from) - logMedian) : 0),
            0,
          );
        let tips = law.weight * Math.exp(-(z * z + u * u) / 2);
        for (const { fromProgress, toProgress, count } of evidence.tips) tips *= (F(toProgress) - F(fromProgress)) ** count;
        const quiet = F(evidence.quiet.progress);
        const later = F(by);
        const n = evidence.tips.reduce((sum, { count }) => sum + count, 0);
        for (let k = 0; k < steps.share; k++) {
          const angle = ((k + 0.5) / steps.share) * (Math.PI / 2);
          const v = Math.sin(angle) ** 2;
          const beta = (a: number, b: number): number => v ** (a - 1) * (1 - v) ** (b - 1) * norm(a, b);
          const { mean, weight } = prior.share;
          const density = (0.96 * beta(mean * weight, (1 - mean) * weight) + 0.04 * beta(0.6, 15)) * Math.sin(2 * angle);
          const w = tips * density * v ** n * (1 - v * quiet) ** evidence.quiet.count;
          total += w;
          // What is held back for good is alive all the same.
          alive += (w * (v * (1 - quiet))) / (1 - v * quiet);
          further += (w * (v * (later - quiet))) / (1 - v * quiet);
        }
      }
    }
  }
  return { alive: alive / total, further: (evidence.quiet.count * further) / total };
}

const norms = new Map<string, number>();
/** One over the beta function, by its integral: slow and plain. */
function norm(a: number, b: number): number {
  const key = `${a} ${b}`;
  const known = norms.get(key);
  if (known !== undefined) return known;
  let sum = 0;
  const steps = 20_000;
  for (let i = 0; i < steps; i++) {
    const angle = ((i + 0.5) / steps) * (Math.PI / 2);
    sum += Math.sin(angle) ** (2 * a - 1) * Math.cos(angle) ** (2 * b - 1);
  }
  const value = 1 / (2 * sum * (Math.PI / 2 / steps));
  norms.set(key, value);
  return value;
}

const prior: Prior = { share: { mean: 0.8, weight: 6 }, logMedian: { mean: Math.log(4), sd: 0.4 }, spread: { median: 0.28, logSd: 0.4 } };
const tip = (fromProgress: number, toProgress: number, count: number) => ({ fromProgress, toProgress, count });

const CASES: readonly [string, Evidence, number][] = [
  ['before any look', { tips: [], removed: [], quiet: { progress: 0, count: 6 }, lastSeenMs: 0 }, 4],
  ['three of eight came', { tips: [tip(2.5, 3, 1), tip(3, 3.5, 2)], removed: [], quiet: { progress: 3.5, count: 5 }, lastSeenMs: 0 }, 4.2],
  ['silent for long', { tips: [], removed: [], quiet: { progress: 9, count: 10 }, lastSeenMs: 0 }, 10],
  [
    'forty seeds, well under way',
    { tips: [tip(3, 4, 9), tip(4, 4.5, 8), tip(4.5, 5, 6)], removed: [], quiet: { progress: 5, count: 17 }, lastSeenMs: 0 },
    6,
  ],
  [
    'some of it held back, a part for good',
    {
      origins: [
        { progress: 0, weight: 0.2 },
        { progress: 3, weight: 0.5 },
        { progress: Infinity, weight: 0.3 },
      ],
      tips: [tip(3, 4, 1), tip(6, 7, 2)],
      removed: [],
      quiet: { progress: 7, count: 9 },
      lastSeenMs: 0,
    },
    9,
  ],
];

describe('the quadrature', () => {
  for (const [name, evidence, by] of CASES) {
    it(`agrees with a dense grid: ${name}`, () => {
      const expected = bruteForce(evidence, prior, by);
      const outlook = outlookFor(posteriorOf(evidence, prior), evidence.quiet, null, evidence.origins);
      expect(Math.abs(outlook.chanceAlive(1) - expected.alive)).toBeLessThan(0.012);
      expect(Math.abs(evidence.quiet.count * outlook.meanTipped(by) - expected.further)).toBeLessThan(0.04 * Math.max(1, expected.further));
    });
  }
});
