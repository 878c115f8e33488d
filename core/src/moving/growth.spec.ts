import { leadsTo, passing, usualLength, type RootCohort } from './growth.js';

const growth = { mmPerDayAtOptimum: 10, logSd: 0.3, readyMm: 5, lateMm: 15 };
const unmeasured: RootCohort = { fromProgress: 2, toProgress: 4, usualProgress: 3.4, count: 1, measuredMm: null };
const measured: RootCohort = { ...unmeasured, measuredMm: 8 };

describe('growing roots', () => {
  it('spread around the kind’s own speed', () => {
    const leads = leadsTo(growth, 15);
    expect(leads.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 5);
    expect(leads.find(({ weight }) => weight > 0.5)?.progress).toBeCloseTo(1.5, 9);
    const mean = leads.reduce((sum, { progress, weight }) => sum + weight * Math.log(progress), 0);
    expect(mean).toBeCloseTo(Math.log(1.5), 5);
  });

  it('pass a length soonest if they came right after the earlier look and are quick', () => {
    const { earliest, usual, latest } = passing(growth, unmeasured, 15);
    expect(usual).toBeCloseTo(3.4 + 1.5, 9);
    expect(earliest).toBeGreaterThan(2 + 0.9);
    expect(earliest).toBeLessThan(2 + 1.5);
    expect(latest).toBeGreaterThan(4 + 1.5);
  });

  it('are told from their measure once there is one', () => {
    expect(passing(growth, measured, 15).usual).toBeCloseTo(4 + 0.7, 9);
    // What is longer already passed it, however quick.
    expect(passing(growth, measured, 5)).toEqual({ earliest: 3.7, usual: 3.7, latest: 3.7 });
    expect(usualLength(growth, measured, 4.5)).toBeCloseTo(13, 9);
    expect(usualLength(growth, unmeasured, 3)).toBe(0);
  });
});
