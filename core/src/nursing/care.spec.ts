import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { parse } from 'csv-parse/sync';
import { CROPS } from '../crops/index.js';
import { DAY_MS } from '../units/index.js';
import {
  coverWanted,
  dilution,
  feedDue,
  goesBackwards,
  inSpoons,
  livesOn,
  MIXES,
  scaleMix,
  SEEDLING_STAGES,
  sparesOf,
  TEASPOON_ML,
  thirstOf,
  vigourOrder,
  type Rated,
  type SeedlingStage,
} from './index.js';

const NOW = Date.parse('2026-04-11T07:10:00Z');
const crop = (id: string) => CROPS.find((one) => one.id === id) ?? fail(id);
function fail(what: string): never {
  throw new Error(what);
}

describe('what seedlings need', () => {
  it('is a lid until most are up, then air, by the side that the household takes', () => {
    const below = { below: 12, up: 0, leaved: 0 };
    const most = { below: 19, up: 41, leaved: 0 };
    expect(coverWanted('cell', below, null, 'up', NOW)).toBe('on');
    expect(coverWanted('cell', most, NOW - DAY_MS, 'up', NOW)).toBe('off');
    expect(coverWanted('cell', most, NOW - DAY_MS, 'leaves', NOW)).toBe('propped');
    expect(coverWanted('cell', { ...most, leaved: 30 }, NOW - DAY_MS, 'leaves', NOW)).toBe('off');
    // The first few are not kept under it for the sake of the last.
    const few = { below: 8, up: 2, leaved: 0 };
    expect(coverWanted('cup', few, NOW - DAY_MS, 'up', NOW)).toBe('on');
    expect(coverWanted('cup', few, NOW - 4 * DAY_MS, 'up', NOW)).toBe('off');
    expect(coverWanted('slot', below, null, 'up', NOW)).toBe('off');
    expect(coverWanted('terrarium', most, NOW, 'up', NOW)).toBe('on');
  });

  it('is water by how fast it goes: leaves, warmth and air take more, and a finger corrects it', () => {
    const base = { destination: 'cell', movedMs: NOW, felt: [], cover: 'off', celsius: 20, leaved: false } as const;
    const days = (more: object, id = 'leek') => (thirstOf(crop(id), { ...base, ...more }, NOW).dueMs - NOW) / DAY_MS;
    expect(days({})).toBeGreaterThan(1);
    expect(days({ cover: 'on' })).toBeGreaterThan(3 * days({}));
    expect(days({ leaved: true })).toBeLessThan(days({}));
    expect(days({ celsius: 26 })).toBeLessThan(days({}));
    // What likes to dry between is left a day longer once it stands.
    expect(crop('tomato').growing.keepMoist).not.toBe('always');
    expect(days({ leaved: true }, 'tomato') - days({ leaved: true })).toBeCloseTo(1, 6);
    const felt = (finger: 'damp' | 'dry', day: number) => ({ felt: [{ atMs: NOW + day * DAY_MS, from: null, finger }] });
    const later = NOW + 4 * DAY_MS;
    const due = (more: object) => thirstOf(crop('leek'), { ...base, ...more }, later).dueMs;
    expect(due(felt('damp', 4))).toBeGreaterThan(later);
    expect(due(felt('dry', 1.5))).toBeLessThan(due({}));
    expect(thirstOf(crop('leek'), { ...base, felt: [{ atMs: NOW, from: null, finger: 'pooling' }] }, NOW).pooling).toBeTrue();
    // A watering of which nobody said how it was found starts anew and teaches nothing.
    expect(due({ felt: [{ atMs: later, from: 'below', finger: null }] }) - later).toBeCloseTo(days({}) * DAY_MS, -5);
  });

  it('is a weak feed from the true leaf, later after fed mix, and by the water in a slot', () => {
    const none = { leavedMs: null, standsMs: null, pottedMs: null, fedMs: null };
    expect(feedDue('cell', none)).toBeNull();
    expect(feedDue('cell', { ...none, leavedMs: NOW })).toEqual({ dueMs: NOW, strength: 0.25 });
    expect(feedDue('pot', { ...none, leavedMs: NOW, pottedMs: NOW + DAY_MS })?.dueMs).toBe(NOW + 15 * DAY_MS);
    expect(feedDue('cell', { ...none, leavedMs: NOW, fedMs: NOW })).toEqual({ dueMs: NOW + 10 * DAY_MS, strength: 0.5 });
    expect(feedDue('slot', { ...none, standsMs: NOW })?.dueMs).toBe(NOW);
    expect(feedDue('bed', { ...none, leavedMs: NOW })).toBeNull();
  });

  it('is diluted by C1 V1 = C2 V2', () => {
    // A worked example of any chemistry primer: 100 ml of 0.3 % from 3 % take 10 ml of it and 90 of water.
    expect(dilution(3, 0.3, 100)).toEqual({ stockMl: 10, waterMl: 90 });
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 1, max: 9000, noNaN: true }),
        (stock, share, ml) => {
          const { stockMl, waterMl } = dilution(stock, stock * share, ml);
          expect(stockMl * stock).toBeCloseTo(stock * share * ml, 5);
          expect(stockMl + waterMl).toBeCloseTo(ml, 6);
        },
      ),
    );
    expect(() => dilution(3, 6, 100)).toThrowError(/must not be stronger than the stock/);
  });

  it('goes forward only', () => {
    const marks = [
      { stage: 'moved' as SeedlingStage, atMs: NOW },
      { stage: 'true_leaves' as SeedlingStage, atMs: NOW + 5 * DAY_MS },
    ];
    expect(goesBackwards(marks, 'up', NOW + 6 * DAY_MS)?.stage).toBe('true_leaves');
    expect(goesBackwards(marks, 'up', NOW + 2 * DAY_MS)).toBeNull();
    expect(goesBackwards(marks, 'hardening', NOW + 2 * DAY_MS)?.stage).toBe('true_leaves');
    expect(goesBackwards(marks, 'hardening', NOW + 6 * DAY_MS)).toBeNull();
  });
});

describe('mixes', () => {
  const ROWS = parse<Record<string, string>>(readFileSync(new URL('../../../reference/mix_recipes.csv', import.meta.url)), {
    columns: true,
  });

  it('have the parts that were published', () => {
    const published = {
      'peat-lite A': 'peat_lite_a',
      'peat-lite B': 'peat_lite_b',
      'foliage mix': 'foliage',
      'epiphyte mix': 'epiphyte',
      'loam seed mix': 'loam_seed',
      'loam potting mix, weak': 'loam_potting',
      'sand and peat': 'sand_peat',
    };
    for (const [name, id] of Object.entries(published)) {
      const row = ROWS.find(({ recipe }) => recipe === name) ?? fail(name);
      const own = MIXES.find((mix) => mix.id === id) ?? fail(id);
      expect(own.parts.map(({ what, parts: count }) => `${what}:${count}`).join('; ')).toBe(row['parts_by_volume'] ?? '');
    }
  });

  it('are scaled to the pots at hand with spare', () => {
    // Loam seed mix for ten pots of a litre, a tenth to spare: 11 litres as 2:1:1, with 1.2 g of superphosphate a litre.
    const { totalMl, measured } = scaleMix(MIXES.find(({ id }) => id === 'loam_seed') ?? fail('mix'), 10, 1000);
    expect(totalMl).toBeCloseTo(11_000, 6);
    expect(measured.map(({ amount }) => Number(amount.toFixed(3)))).toEqual([5500, 2750, 2750, 13.2, 6.6]);
    for (const mix of MIXES) {
      const { totalMl: all, measured: parts } = scaleMix(mix, 3, 250, 0.2);
      expect(parts.reduce((sum, { amount, unit }) => sum + (unit === 'ml' ? amount : 0), 0)).toBeCloseTo(all, 6);
    }
    expect(() => scaleMix({ parts: [], added: [] }, 3, 250)).toThrowError(/at least one part/);
    expect(() => scaleMix({ parts: [{ what: 'peat', parts: 0 }], added: [] }, 3, 250)).toThrowError(/at least one part/);
    expect(() => scaleMix(MIXES[0] ?? fail('mix'), 0, 250)).toThrowError(/must be a pot/);
  });

  it('are measured by cups and spoons, down to the thirty-second of a teaspoon', () => {
    expect(TEASPOON_ML).toBeCloseTo(4.92892, 5);
    const told: readonly (readonly [number, string])[] = [
      [TEASPOON_ML, '1 tsp'],
      [TEASPOON_ML / 32, '1/32 tsp'],
      [TEASPOON_ML / 1000, '1/32 tsp'],
      [TEASPOON_ML / 8, '1/8 tsp'],
      [(TEASPOON_ML * 3) / 8, '3/8 tsp'],
      [TEASPOON_ML * 1.25, '1 1/4 tsp'],
      [TEASPOON_ML * 3, '1 tbsp'],
      [TEASPOON_ML * 48, '1 cup'],
      [TEASPOON_ML * 48 * 2.5, '2 1/2 cups'],
    ];
    for (const [ml, words] of told) expect(inSpoons(ml)).toBe(words);
  });
});

describe('the best of a tray', () => {
  const one = (number: number, stage: SeedlingStage, upDay: number, more: Partial<Rated> = {}): Rated => ({
    ...{ number, stage, grade: null, role: null, movedMs: NOW },
    marks: [{ stage: 'up', atMs: NOW + upDay * DAY_MS }],
    ...more,
  });

  it('is ordered by stage, by how early it came up and by grade, with its reason', () => {
    const order = vigourOrder([
      one(1, 'true_leaves', 6),
      one(2, 'true_leaves', 4),
      one(3, 'up', 5),
      one(4, 'true_leaves', 6, { grade: 5 }),
    ]);
    expect(order.map(({ number }) => number)).toEqual([4, 2, 1, 3]);
    expect(order.find(({ number }) => number === 2)?.first).toBeTrue();
    expect(order.at(-1)?.behind).toBeTrue();
    expect(vigourOrder([one(1, 'up', 9), one(2, 'true_leaves', 4), one(3, 'up', 5, { role: 'main' })])[0]?.number).toBe(3);
  });

  it('lets spares go only when the wish is as sure as wanted without them, and never below the wish', () => {
    const plants = Array.from({ length: 12 }, (_, nth) => one(nth + 1, nth < 8 ? 'true_leaves' : 'seed_leaves', 4 + nth * 0.1));
    const stages = new Map(plants.map(({ number, stage }) => [number, stage]));
    const found = sparesOf(vigourOrder(plants), stages, 3, 0.9, 0.9) ?? fail('spares');
    expect(found.kept).toEqual([1, 2, 3]);
    expect(found.chance).toBeCloseTo(livesOn('true_leaves', 0.9) ** 3, 9);
    const careful = sparesOf(vigourOrder(plants), stages, 3, 0.9, 0.99) ?? fail('spares');
    expect(careful.kept.length).toBeGreaterThan(3);
    expect(sparesOf(vigourOrder(plants), stages, 12, 0.9, 0.9)).toBeNull();
    // Nobody knows the best before they have shown a true leaf.
    const young = new Map(plants.map(({ number }) => [number, 'seed_leaves' as const]));
    expect(sparesOf(vigourOrder(plants), young, 3, 0.9, 0.9)).toBeNull();
    expect(SEEDLING_STAGES.map((stage) => livesOn(stage, 0.8))).toEqual(
      [...SEEDLING_STAGES.map((stage) => livesOn(stage, 0.8))].sort((a, b) => a - b),
    );
  });
});
