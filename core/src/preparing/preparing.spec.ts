import fc from 'fast-check';
import { CROPS } from '../crops/index.js';
import { HOUR_MS } from '../units/index.js';
import { chillDue, chilledStays } from './chill.js';
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
    const at = (celsius: number) => [{ fromMs: START, readings: [], guess: { minC: celsius - 1, maxC: celsius + 1 } }];
    const due = (celsius: number, celsiusNow: number, nowMs: number, opened = false) =>
      chillDue({ chillUntilMs: end, stays: at(celsius) }, celsiusNow, nowMs, opened);
    expect(chillDue({ chillUntilMs: null, stays: at(4) }, 4, START, false)).toBeNull();
    expect(due(4, 4, START)).toBe(end);
    expect(due(4, 22, START)).toBe(end);
    expect(due(4, 4, end + HOUR_MS)).toBe(end);
    expect(due(4, 22, end + HOUR_MS)).toBeNull();
    // Named for a warm spot from the start it lies in the cold meanwhile: somebody has to fetch it.
    expect(due(22, 22, end + HOUR_MS)).toBe(end);
    expect(due(22, 22, end + HOUR_MS, true)).toBeNull();
  });

  it('seed named for a warm spot lies in the cold until its chill is done, and goes there', () => {
    const day = 24 * HOUR_MS;
    const end = START + 10 * day;
    const crop = CROPS.find(({ id }) => id === 'lavender');
    if (!crop) throw new Error('no lavender');
    const stay = (fromMs: number, celsius: number) => ({ fromMs, readings: [], guess: { minC: celsius - 2, maxC: celsius + 2 } });
    const where = (stays: Parameters<typeof chilledStays>[1], nowMs = START): [number, number][] =>
      chilledStays(crop, stays, end, nowMs).map(({ fromMs, guess }) => [(fromMs - START) / day, (guess.minC + guess.maxC) / 2]);
    expect(where([stay(START, 20)])).toEqual([
      [0, 4],
      [10, 20],
    ]);
    // In a fridge: nobody has said what follows, so a room is supposed until it is over.
    expect(where([stay(START, 4)])).toEqual([
      [0, 4],
      [10, 21],
    ]);
    expect(where([stay(START, 4)], end + day)).toEqual([[0, 4]]);
    // Taken out early it is out; put into the cold late it is in the cold from the start.
    expect(where([stay(START, 4), stay(START + 3 * day, 22)])).toEqual([
      [0, 4],
      [3, 22],
    ]);
    expect(where([stay(START, 22), stay(START + day, 5), stay(end, 20)], end + day)).toEqual([
      [0, 4],
      [1, 5],
      [10, 20],
    ]);
    // Moved from one warm spot to another meanwhile, it goes to the later one.
    expect(where([stay(START, 26), stay(START + 4 * day, 19)])).toEqual([
      [0, 4],
      [10, 19],
    ]);
  });
});
