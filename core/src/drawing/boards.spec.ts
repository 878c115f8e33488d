import fc from 'fast-check';
import { boardScale, standOn, type ToStand } from './index.js';

const HOUR_MS = 3_600_000;

describe('a board', () => {
  const scale = boardScale(0, 900, 120);

  it('runs from what is to be moved, over now, to what is far, and never back', () => {
    const hours = [-500, -36, -12, -1, 0, 6, 12, 24, 72, 168, 336, 384, 5000];
    const places = hours.map((hour) => scale.x(hour * HOUR_MS));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect([places[0], scale.x(0), places.at(-1)]).toEqual([0, 120, 900]);
    // The first day has as much room as the second week.
    expect(scale.x(24 * HOUR_MS) - scale.x(0)).toBeGreaterThan(scale.x(336 * HOUR_MS) - scale.x(168 * HOUR_MS));
  });

  it('lets neither drawings nor names meet, however many stand there, and loses none', () => {
    const thing = fc.record({
      x: fc.double({ min: 0, max: 900, noNaN: true }),
      drawing: fc.constantFrom(60, 118),
      name: fc.integer({ min: 30, max: 190 }),
    });
    fc.assert(
      fc.property(fc.array(thing, { maxLength: 60 }), fc.boolean(), (things: readonly ToStand[], beside) => {
        const { stood, lanes } = standOn(things, 900, beside);
        expect(stood.length).toBe(things.length);
        for (let lane = 0; lane < lanes; lane++) {
          const boxes = things
            .flatMap(({ drawing, name }, nth) => {
              const one = stood[nth];
              if (one?.lane !== lane) return [];
              return [{ from: Math.min(one.left, one.nameLeft), to: Math.max(one.left + drawing, one.nameLeft + name) }];
            })
            .sort((a, b) => a.from - b.from);
          boxes.forEach((box, nth) => nth > 0 && expect(box.from).toBeGreaterThanOrEqual((boxes[nth - 1]?.to ?? 0) + 9.999));
          for (const { from, to } of boxes) expect(from >= 0 && to <= 900 + 1e-9).toBeTrue();
        }
        expect(standOn(things, 900, beside)).toEqual({ stood, lanes });
      }),
      { numRuns: 200, seed: 17 },
    );
  });
});
