import fc from 'fast-check';
import { anyParcel, look, NOW, parcel } from '../testing/index.js';

import { DAY_MS, HOUR_MS } from '../units/index.js';
import { hasLookedSince, hasTipped, parcelState, SEED_STAGES, type ParcelLook, type ParcelMove } from './state.js';
import { waysOf } from './facts.js';
import { USUAL_WAYS } from './ways.js';

const START = NOW - 6 * DAY_MS;
const mark = (seed: number, stage: (typeof SEED_STAGES)[number], rootMm: number | null = null) => ({ seed, stage, rootMm });
const state = (looks: readonly ParcelLook[], moves: readonly ParcelMove[] = [], seeds = 8) => parcelState(seeds, START, looks, moves);

describe('a parcel as its looks and moves leave it', () => {
  it('every seed is in one place, whatever was seen', () => {
    fc.assert(
      fc.property(anyParcel, ({ seeds, startMs, looks, moves }) => {
        const now = parcelState(seeds, startMs, looks, moves);
        expect(now.quiet + now.showing + now.moved + now.rotten + now.lost).toBe(seeds);
        for (const count of [now.quiet, now.showing, now.moved, now.rotten, now.lost, now.overgrown])
          expect(count).toBeGreaterThanOrEqual(0);
        expect(now.counted.reduce((sum, { count }) => sum + count, 0)).toBeLessThanOrEqual(now.tipped);
      }),
      { numRuns: 300 },
    );
  });

  it('a tip came between the look that did not see it and the one that did', () => {
    const now = state([
      look(50, { tipped: 0 }),
      look(30, { tipped: 1, marks: [mark(3, 'tip')] }),
      look(6, { tipped: 3, marks: [mark(5, 'root', 9)] }),
    ]);
    expect(now.seeds[2]).toEqual(jasmine.objectContaining({ tipFromMs: NOW - 50 * HOUR_MS, tipToMs: NOW - 30 * HOUR_MS }));
    expect(now.seeds[4]).toEqual(jasmine.objectContaining({ tipFromMs: NOW - 30 * HOUR_MS, tipToMs: NOW - 6 * HOUR_MS, measuredMm: 9 }));
    expect(now.counted).toEqual([{ fromMs: NOW - 30 * HOUR_MS, toMs: NOW - 6 * HOUR_MS, count: 1 }]);
  });

  it('a look through the bag sees tips, and does not say that there were no others', () => {
    const now = state([look(50, { tipped: 0 }), look(30, { tipped: 0, through: true }), look(6, { tipped: 2 })]);
    expect(now.counted).toEqual([{ fromMs: NOW - 50 * HOUR_MS, toMs: NOW - 6 * HOUR_MS, count: 2 }]);
  });

  it('counting and touching are one and the same: who is touched later takes a counted place', () => {
    const counted = state([look(30, { tipped: 3 })]);
    const touched = state([look(30, { tipped: 3 }), look(6, { tipped: 3, marks: [mark(1, 'tip'), mark(2, 'root', 6)] })]);
    expect([counted.tipped, touched.tipped]).toEqual([3, 3]);
    expect(touched.counted).toEqual([{ fromMs: START, toMs: NOW - 30 * HOUR_MS, count: 1 }]);
    expect(touched.showing).toBe(3);
  });

  it('a total never falls: two people’s looks at one parcel are not added up, and not subtracted', () => {
    const now = state([look(20, { tipped: 4 }), look(19, { tipped: 3 }), look(2, { tipped: null, damp: 'damp' })]);
    expect([now.tipped, now.quiet]).toEqual([4, 4]);
  });

  it('a sprout that rots or is lost has tipped and is there no more', () => {
    const now = state([
      look(30, { tipped: 2, marks: [mark(1, 'root', 8), mark(2, 'tip')] }),
      look(5, { tipped: 2, marks: [mark(2, 'lost')] }),
    ]);
    expect([now.tipped, now.showing, now.quiet]).toEqual([2, 1, 6]);
  });

  it('what was moved is gone from its place, the oldest counted first', () => {
    const looks = [look(50, { tipped: 2 }), look(20, { tipped: 5, marks: [mark(8, 'leaves', 30)] })];
    const now = state(looks, [{ atMs: NOW - HOUR_MS, seeds: [8], uncounted: 3 }]);
    expect([now.moved, now.showing, now.overgrown]).toEqual([4, 1, 0]);
    expect(now.counted).toEqual([{ fromMs: NOW - 50 * HOUR_MS, toMs: NOW - 20 * HOUR_MS, count: 1 }]);
    expect(now.seeds[7]?.moved).toBeTrue();
  });

  it('marks on seeds that are not there change nothing', () => {
    expect(state([look(5, { tipped: 0, marks: [mark(99, 'quiet')] })]).quiet).toBe(8);
  });

  it('knows which stages have tipped, and whether somebody has looked since', () => {
    expect(SEED_STAGES.filter(hasTipped)).toEqual(['tip', 'root', 'leaves']);
    const looks = [look(10, { tipped: 0 }), look(2, { tipped: null, damp: 'damp' })];
    expect(hasLookedSince(looks, NOW - 12 * HOUR_MS)).toBeTrue();
    // A towel that was only felt has not been looked at.
    expect(hasLookedSince(looks, NOW - 5 * HOUR_MS)).toBeFalse();
  });

  it('a household’s ways are what is usual where it never said', () => {
    const facts = parcel('leek', 2, 20, { ways: { sureness: 0.8 } });
    expect(waysOf(facts)).toEqual({ ...USUAL_WAYS, sureness: 0.8 });
  });
});
