import fc from 'fast-check';
import type { Evidence } from './evidence.js';
import { lotCurve } from './lot-curve.js';
import type { Origin } from './origins.js';
import { posteriorOf } from './posterior.js';
import type { Prior } from './prior.js';
import { tippedShare } from './tip-law.js';

const prior: Prior = {
  share: { mean: 0.8, weight: 8 },
  logMedian: { mean: Math.log(4), sd: 0.3 },
  spread: { median: 0.25, logSd: 0.4 },
};
const seen: Evidence = {
  tips: [{ fromProgress: 3, toProgress: 4, count: 2 }],
  removed: [],
  quiet: { progress: 4, count: 6 },
  lastSeenMs: 0,
};
const posterior = posteriorOf(seen, prior);

/** The mean curve written out: every column at its weight, every origin at its own. */
const plainly = (origins: readonly Origin[], progress: number): number =>
  posterior.columns.reduce((sum, { law, shape, logMedian, weights }) => {
    const weight = weights.reduce((all, one) => all + one, 0);
    const share = origins.reduce(
      (part, { progress: from, weight: held }) =>
        part + (progress > from ? held * tippedShare(law, shape, Math.log(progress - from) - logMedian) : 0),
      0,
    );
    return sum + weight * share;
  }, 0);

/** Origins as they come: some at once, some later, some never. */
const held = fc
  .record({
    later: fc.double({ min: 0.1, max: 9, noNaN: true }),
    waiting: fc.double({ min: 0, max: 0.6, noNaN: true }),
    asleep: fc.double({ min: 0, max: 0.39, noNaN: true }),
  })
  .map(({ later, waiting, asleep }): Origin[] => [
    { progress: 0, weight: 1 - waiting - asleep },
    { progress: later, weight: waiting },
    { progress: Infinity, weight: asleep },
  ]);

describe('the curve of a lot', () => {
  it('gives the progress at which a share of what comes has come, whatever holds the rest', () => {
    fc.assert(
      fc.property(held, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (origins, share) => {
        const lot = lotCurve(posterior, origins);
        expect(lot.coming).toBeCloseTo(1 - (origins[2]?.weight ?? 0), 9);
        expect(plainly(origins, lot.progressOf(share)) / lot.coming).toBeCloseTo(share, 3);
      }),
      { numRuns: 60 },
    );
  });

  it('puts the middle of a stretch where half of its tips have come, and in the middle where none can be told apart', () => {
    fc.assert(
      fc.property(
        held,
        fc.double({ min: 2, max: 6, noNaN: true }),
        fc.double({ min: 0.2, max: 4, noNaN: true }),
        (origins, from, length) => {
          const to = from + length;
          const middle = lotCurve(posterior, origins).midway(from, to);
          const [low, high] = [plainly(origins, from), plainly(origins, to)];
          expect(middle).toBeGreaterThanOrEqual(from);
          expect(middle).toBeLessThanOrEqual(to);
          expect((plainly(origins, middle) - low) / (high - low)).toBeCloseTo(0.5, 1);
        },
      ),
      { numRuns: 60 },
    );
    expect(lotCurve(posterior).midway(1e-6, 3e-6)).toBeCloseTo(2e-6, 9);
  });
});
