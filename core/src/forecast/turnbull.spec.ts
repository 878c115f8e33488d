import { readFileSync } from 'node:fs';
import { turnbull } from './turnbull.js';

interface Curve {
  name: string;
  left: number[];
  right: (number | null)[];
  count: number[];
  at: number[];
  surviving: number[];
}

const { curves } = JSON.parse(readFileSync(new URL('../../../reference/survreg/fixtures.json', import.meta.url), 'utf8')) as {
  curves: Curve[];
};

describe('the non-parametric curve', () => {
  for (const curve of curves) {
    // Compared between the stretches that hold mass: inside one, survfit draws a drop at the middle and nobody knows.
    it(`agrees with R's survfit (${curve.name})`, () => {
      const stretches = turnbull(
        curve.left.map((left, index) => ({ left, right: curve.right[index] ?? Infinity, count: curve.count[index] ?? 0 })),
      );
      expect(stretches.reduce((sum, { mass }) => sum + mass, 0)).toBeCloseTo(1, 9);
      curve.at.forEach((at, index) => {
        if (stretches.some(({ from, to }) => from < at && at < to)) return;
        const surviving = stretches.filter(({ to }) => to > at).reduce((sum, { mass }) => sum + mass, 0);
        // survfit stops its rounds early: on the slowest fixture it is 2e-4 short of the self-consistent masses.
        expect(Math.abs(surviving - (curve.surviving[index] ?? NaN)))
          .withContext(`at ${at}`)
          .toBeLessThan(5e-4);
      });
    });
  }

  it('refuses what is no interval', () => {
    expect(() => turnbull([])).toThrowError(/at least one/);
    expect(() => turnbull([{ left: 2, right: 2, count: 1 }])).toThrowError(/before right/);
  });
});
