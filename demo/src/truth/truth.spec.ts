import { fairCoverage, logScore } from '@fresh-tuck/core/chance';
import { noHope, truthRow } from './table.js';

/** A small part of docs/truth.md with fixed seeds: enough to fall if the forecast turns too sure or too shy. */
describe('the forecast on seed that does not follow its law', () => {
  for (const world of ['weibull', 'gamma', 'a fifth late', 'rate 0.15 lower', 'lot x 1.4'] as const) {
    it(`keeps its word on ${world}, and knows more than the packet`, () => {
      const row = truthRow(world, 2, 'few', 90, 0.42, noHope());
      for (const coverage of [row.fairTwoDays, row.fairFinal]) {
        expect(coverage).toBeGreaterThan(0.7);
        expect(coverage).toBeLessThan(0.93);
      }
      expect(row.overPrinted).toBeGreaterThan(0.15);
      expect(row.overProportion).toBeGreaterThan(0.1);
    });
  }

  it('scores coverage fairly: a forecast that tells the truth gets 0.8, a sure wrong one 0', () => {
    const truth = Float64Array.from([0.1, 0.3, 0.4, 0.2]);
    expect(truth.reduce((sum, chance, y) => sum + chance * fairCoverage(truth, y), 0)).toBeCloseTo(0.8, 12);
    expect(fairCoverage(Float64Array.from([1, 0]), 1)).toBe(0);
    expect(logScore(Float64Array.from([1, 0]), 1)).toBeCloseTo(Math.log(0.005), 12);
  });
});
