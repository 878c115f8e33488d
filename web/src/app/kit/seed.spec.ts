import fc from 'fast-check';
import { SEED_STAGES, type SeedStage } from '@fresh-tuck/core/parcel';
import { rootPath, seedShapes } from './seed';

const kinds = (stage: SeedStage, moved = false): string[] => seedShapes(stage, moved, 6, null).map(({ kind }) => kind);

describe('a drawn seed', () => {
  it('tells every stage by its shape, colour aside', () => {
    const told = SEED_STAGES.map((stage) => JSON.stringify(seedShapes(stage, false, 6, null).map(({ d }) => d)));
    expect(new Set(told).size).toBe(SEED_STAGES.length);
    expect(kinds('quiet')).toEqual(['body']);
    expect(kinds('swollen')).toEqual(['body', 'split']);
    expect(kinds('tip')).toEqual(['root-edge', 'root', 'body']);
    expect(kinds('leaves')).toEqual(['root-edge', 'root', 'leaf', 'body']);
    expect(kinds('rotten')).toEqual(['rotten', 'hatch']);
    expect(kinds('lost')).toEqual(['dimple', 'gone']);
  });

  it('leaves an empty dimple wherever it was moved from, whatever it was', () => {
    for (const stage of SEED_STAGES) expect(kinds(stage, true)).toEqual(['dimple']);
  });

  it('has its root to scale where it was measured, never shorter than can be seen, and no hole in its lines', () => {
    const length = fc.double({ min: 0.3, max: 40, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...SEED_STAGES), fc.boolean(), length, fc.option(length), (stage, moved, body, root) => {
        for (const { d, wide } of seedShapes(stage, moved, body, root)) {
          expect(d).toMatch(/^M[-\d.e ]/);
          expect(d).not.toMatch(/NaN|undefined|Infinity|null/);
          if (wide !== null) expect(wide).toBeGreaterThan(0);
        }
        const drawn = seedShapes('root', false, body, root).find(({ kind }) => kind === 'root')?.d;
        expect(drawn).toBe(rootPath(body * 0.45, Math.max(root ?? 1.5 * body, body * 0.4)));
      }),
    );
  });
});
