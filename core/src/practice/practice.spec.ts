import * as fc from 'fast-check';
import { CROPS } from '../crops/index.js';
import { bestDeed, marked, practiceRun, practiceTally, RUN, SURENESSES, type Exercise } from './index.js';

const crops = CROPS.filter(({ id }) => ['tomatillo', 'okra', 'leek', 'melon', 'sweet-pea', 'dill'].includes(id));

describe('a run of practice', () => {
  it('holds ten answerable exercises, the same for the same number, and a right answer to each of what and what to do', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.999, noNaN: true }), (seed) => {
        const run = practiceRun(crops, seed);
        expect(run.map(({ kind }) => kind)).toEqual([...RUN]);
        expect(practiceRun(crops, seed)).toEqual(run);
        for (const exercise of run) {
          expect(exercise.options.length).toBeGreaterThan(1);
          expect(new Set(exercise.options as readonly unknown[]).size).toBe(exercise.options.length);
          const answers = exercise.options.map((_, option) => marked(exercise, { option, sureness: null }));
          const right = answers.filter((one) => one.right).length;
          if (exercise.kind === 'what' || exercise.kind === 'do') expect(right).toBe(1);
          else expect(right).toBeGreaterThan(0);
          if (exercise.kind === 'do') expect(bestDeed(exercise.towel, exercise.parcel)).toBe(exercise.best);
        }
      }),
      { numRuns: 12, seed: 7 },
    );
  });

  it('asks for all four deeds in turn, so that no habit answers it', () => {
    const deeds = Array.from({ length: 12 }, (_, nth) => practiceRun(crops, nth / 12)).flatMap((run) =>
      run.flatMap((exercise: Exercise) => (exercise.kind === 'do' ? [exercise.best] : [])),
    );
    for (const deed of ['leave', 'move', 'rescue', 'rot'])
      expect(deeds.filter((one) => one === deed).length)
        .withContext(deed)
        .toBeGreaterThan(2);
  });

  it('marks a sureness by what happened: Brier’s score of a coin called a coin is a quarter', () => {
    const count = (held: boolean, sureness: number) => ({ right: held, days: null, count: { held, sureness, planHeld: true } });
    expect(practiceTally([count(true, 0.5), count(false, 0.5)]).brier).toBeCloseTo(0.25, 12);
    expect(practiceTally([count(true, 0.9)]).brier).toBeCloseTo(0.01, 12);
    const tally = practiceTally([count(true, 0.9), count(false, 0.9), count(true, 0.7)]);
    expect(tally.sure).toEqual([
      { sureness: 0.7, asked: 1, held: 1 },
      { sureness: 0.9, asked: 2, held: 1 },
    ]);
    expect(SURENESSES.length).toBe(3);
  });

  it('counts days off from the days that would have been right', () => {
    const exercise: Exercise = {
      ...{ kind: 'open', options: [1, 2, 3, 4, 5, 6], good: { from: 3, to: 4 }, plan: 2 },
      parcel: { crop: { id: 'okra', name: 'Okra' }, seeds: 8, days: 2, celsius: 25, looks: [], readyMm: 5, lateMm: 20, seedMm: 5 },
    };
    expect(exercise.options.map((_, option) => marked(exercise, { option, sureness: null }).days)).toEqual(
      [2, 1, 0, 0, 1, 2].map((own) => ({ own, plan: 1 })),
    );
    expect(() => marked(exercise, { option: 9, sureness: null })).toThrowError(RangeError);
  });
});
