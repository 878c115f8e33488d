import { readFileSync } from 'node:fs';
import type { Evidence, Stretch } from './evidence.js';
import { posteriorOf } from './posterior.js';
import { outlookFor } from './predict.js';
import type { Prior } from './prior.js';

interface Span {
  readonly from: number;
  readonly to: number;
  readonly weight: number;
}
interface Group {
  readonly at: number;
  readonly count: number;
  readonly through?: number;
  readonly leads?: readonly { readonly lead: number; readonly weight: number }[];
}
/** A case with what a plain dense grid in R came to: `reference/forecast/grid.R`. */
interface Case {
  readonly name: string;
  readonly origins?: readonly { readonly at: number | null; readonly weight: number }[];
  readonly tips: readonly { readonly from: number; readonly to: number; readonly count: number; readonly noticed?: readonly Span[] }[];
  readonly removed: readonly Group[];
  readonly quiet: Group;
  readonly by: number;
  readonly expected: Readonly<Record<'now' | 'end' | 'plain_now' | 'plain_end', readonly number[]>> & { readonly alive: number };
}

const { prior: given, cases } = JSON.parse(readFileSync(new URL('../../../reference/forecast/grid.json', import.meta.url), 'utf8')) as {
  prior: { share: Prior['share']; median: { mean: number; sd: number }; spread: { median: number; sd: number; tight: number } };
  cases: readonly Case[];
};
const prior: Prior = {
  share: given.share,
  logMedian: given.median,
  spread: { median: given.spread.median, logSd: given.spread.sd, tight: given.spread.tight },
};

function evidenceOf({ origins, tips, removed, quiet }: Case): Evidence {
  const stretch = ({ from, to, weight }: Span): Stretch => ({ fromProgress: from, toProgress: to, weight });
  const group = ({ at, count, through, leads }: Group) => ({
    progress: at,
    count,
    ...(through === undefined
      ? {}
      : { through: { progress: through, leads: (leads ?? []).map(({ lead, weight }) => ({ progress: lead, weight })) } }),
  });
  return {
    ...(origins ? { origins: origins.map(({ at, weight }) => ({ progress: at ?? Infinity, weight })) } : {}),
    tips: tips.map(({ from, to, count, noticed }) => ({
      fromProgress: from,
      toProgress: to,
      count,
      ...(noticed ? { noticed: noticed.map(stretch) } : {}),
    })),
    removed: removed.map(group),
    quiet: group(quiet),
    lastSeenMs: 0,
  };
}

/** Total variation: the most by which two forecasts of a count can differ about anything. */
const variation = (a: ArrayLike<number>, b: readonly number[]): number =>
  b.reduce((sum, chance, count) => sum + Math.abs(chance - (a[count] ?? 0)), 0) / 2;

/**
 * Where many seeds have shown nothing yet every law and pace is still open, and two flushes
 * are told in several ways that lie far apart: there some more is allowed.
 */
const mostOff = ({ name, tips, quiet }: Case): number =>
  name === 'a hundred seeds in two flushes' ? 0.05 : tips.length === 0 && quiet.count >= 60 ? 0.03 : 0.02;

describe('the quadrature', () => {
  it('is held against lots of 12, 60 and 200 seeds', () => expect(cases.length).toBeGreaterThanOrEqual(14));

  for (const one of cases) {
    it(`agrees with a dense grid in R: ${one.name}`, () => {
      const evidence = evidenceOf(one);
      const outlook = outlookFor(posteriorOf(evidence, prior), evidence.quiet, null, evidence.origins);
      const { now, end, alive } = one.expected;
      expect(variation(outlook.furtherTips(one.by), now))
        .withContext('by then')
        .toBeLessThan(mostOff(one));
      expect(variation(outlook.furtherTips(Infinity), end))
        .withContext('in the end')
        .toBeLessThan(mostOff(one));
      expect(Math.abs(outlook.chanceAlive(1) - alive)).toBeLessThan(0.012);
    });
  }

  it('would see a plain likelihood where the lot scatters about its law', () => {
    for (const [name, least] of [
      ['sixty seeds, well under way', 0.025],
      ['a hundred seeds in two flushes', 0.04],
      ['two hundred seeds, well under way', 0.04],
    ] as const) {
      const expected = cases.find((one) => one.name === name)?.expected;
      expect(expected && variation(expected.plain_now, expected.now))
        .withContext(name)
        .toBeGreaterThan(least);
    }
  });
});
