import { readFileSync } from 'node:fs';
import { type Evidence } from './evidence.js';
import { logLikelihood } from './likelihood.js';
import { posteriorOf } from './posterior.js';
import { type Prior } from './prior.js';
import { lawShape, tippedShare } from './tip-law.js';

interface Fixture {
  name: string;
  left: (number | null)[];
  right: (number | null)[];
  count: number[];
  mu: number;
  sigma: number;
  logLik: number;
}

const { fixtures } = JSON.parse(readFileSync(new URL('../../../reference/survreg/fixtures.json', import.meta.url), 'utf8')) as {
  fixtures: Fixture[];
};
const PLAIN = { kernel: 'lognormal', stragglers: 0, weight: 1 } as const;

function evidenceOf({ left, right, count }: Fixture): Evidence {
  const rows = left.map((from, index) => ({ from: from ?? 0, to: right[index] ?? null, count: count[index] ?? 0 }));
  const quiet = rows.find(({ to }) => to === null);
  return {
    tips: rows.flatMap(({ from, to, count: n }) => (to === null ? [] : [{ fromProgress: from, toProgress: to, count: n }])),
    removed: [],
    quiet: { progress: quiet?.from ?? 0, count: quiet?.count ?? 0 },
    lastSeenMs: 0,
  };
}

describe('the censored likelihood', () => {
  for (const fixture of fixtures) {
    const evidence = evidenceOf(fixture);
    const at = (mu: number, sigma: number): number =>
      logLikelihood(evidence, 1, (progress) => tippedShare(PLAIN, lawShape(sigma), Math.log(progress) - mu));

    it(`agrees with R's survreg to four digits (${fixture.name})`, () => {
      const ours = at(fixture.mu, fixture.sigma);
      expect(Math.abs(ours / fixture.logLik - 1)).toBeLessThan(5e-5);
      for (const [mu, sigma] of [
        [0.01, 0],
        [-0.01, 0],
        [0, 0.01],
        [0, -0.01],
      ] as const) {
        expect(at(fixture.mu + mu, fixture.sigma + sigma))
          .withContext(`${mu}, ${sigma}`)
          .toBeLessThan(ours);
      }
    });
  }

  it("lets the posterior settle where survreg's fit is, once the data outweigh the prior", () => {
    const [fixture] = fixtures as [Fixture];
    const evidence = evidenceOf({ ...fixture, count: fixture.count.map((count) => count * 15) });
    const wide: Prior = { share: { mean: 0.95, weight: 6 }, logMedian: { mean: 1, sd: 1 }, spread: { median: 0.3, logSd: 0.8 } };
    const { columns } = posteriorOf(evidence, wide);
    const mean = columns.reduce((sum, { logMedian, weights }) => sum + logMedian * weights.reduce((a, b) => a + b, 0), 0);
    // Dead seeds and stragglers are allowed for here and not in survreg, so near is all that is asked.
    expect(Math.abs(mean - fixture.mu)).toBeLessThan(0.12);
  });
});
