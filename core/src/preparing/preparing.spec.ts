import fc from 'fast-check';
import { CROPS } from '../crops/index.js';
import { HOUR_MS } from '../units/index.js';
import { chillDue } from './chill.js';
import { soakClock, soakHours } from './soak.js';
import { inOrder, opensCoat, PREPARATIONS, type PreparationStep } from './steps.js';

const START = Date.parse('2026-10-24T20:00:00Z');
const ALL: readonly PreparationStep[] = [...PREPARATIONS, 'chill'];
const RANK = { drinking: 0, due: 1, overdue: 2, drowning: 3 } as const;

describe('seed made ready', () => {
  it('a soak only ever goes on: drinking, due out, overdue, drowning, each at its hour', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CROPS),
        fc.double({ min: 0, max: 120, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (crop, hours, later) => {
          const at = (after: number) => soakClock(crop, START, START + after * HOUR_MS);
          const [now, then] = [at(hours), at(hours + later)];
          expect(RANK[then.state]).toBeGreaterThanOrEqual(RANK[now.state]);
          expect(now.enoughMs).toBeLessThanOrEqual(now.outByMs);
          expect(now.outByMs).toBeLessThanOrEqual(now.drownsMs);
          expect((now.state === 'drowning') === START + hours * HOUR_MS >= now.drownsMs).toBeTrue();
          expect(now.hours).toBeCloseTo(hours, 6);
        },
      ),
    );
  });

  it('seed left in water until it roots has its limit and no other hour', () => {
    for (const crop of CROPS) {
      const clock = soakClock(crop, START, START + HOUR_MS, true);
      expect([clock.enoughMs, clock.outByMs]).withContext(crop.id).toEqual([clock.drownsMs, clock.drownsMs]);
      expect(clock.state).toBe('drinking');
      const hours = soakHours(crop);
      if (hours)
        expect(soakClock(crop, START, START + (hours[0] + 0.01) * HOUR_MS).state)
          .withContext(crop.id)
          .not.toBe('drinking');
    }
  });

  it('a clock that is behind the start has soaked for no time', () => {
    const [crop] = CROPS;
    if (crop) expect(soakClock(crop, START, START - HOUR_MS).hours).toBe(0);
  });

  it('steps keep one order, whatever order they were chosen in, and none is lost', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...ALL]), (steps) => {
        const ordered = inOrder(steps);
        expect([...ordered].sort()).toEqual([...steps].sort());
        expect(ordered).toEqual(inOrder([...steps].reverse()));
        const at = (step: PreparationStep): number => (ordered.includes(step) ? ordered.indexOf(step) : -1);
        // A coat is opened dry; the inoculant is not washed off; the cold comes when all is done.
        for (const opening of ['nick', 'file', 'peel'] as const)
          if (at('soak') >= 0 && at(opening) >= 0) expect(at(opening)).toBeLessThan(at('soak'));
        if (at('inoculate') >= 0 && at('soak') >= 0) expect(at('inoculate')).toBeGreaterThan(at('soak'));
        if (at('chill') >= 0) expect(at('chill')).toBe(ordered.length - 1);
      }),
    );
    expect(inOrder(['soak', 'nick'])).toEqual(['nick', 'soak']);
  });

  it('knows an opened coat from a soaked one', () => {
    expect([['soak'], ['nick'], ['file', 'soak'], ['peel'], []].map(opensCoat)).toEqual([false, true, true, true, false]);
  });

  it('a chill is due at its end, stays due while the seed is still in the cold, and is over once it is out', () => {
    const end = START + 10 * 24 * HOUR_MS;
    expect(chillDue(null, 4, START)).toBeNull();
    expect(chillDue(end, 4, START)).toBe(end);
    expect(chillDue(end, 22, START)).toBe(end);
    expect(chillDue(end, 4, end + HOUR_MS)).toBe(end);
    expect(chillDue(end, 22, end + HOUR_MS)).toBeNull();
  });
});
