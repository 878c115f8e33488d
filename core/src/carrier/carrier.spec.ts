import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { dryingForecast, lossPerDay, saturationVapourPressureKPa } from './drying.js';
import { doseFor } from './dose.js';
import { looseLitres, MEDIA, mediumOf } from './media.js';
import { diluted } from './setup.js';
import { layOut, spacingNeededMm } from './layout.js';

const DAY_MS = 86_400_000;

describe('water', () => {
  // FAO Irrigation and Drainage Paper 56, annex 2, table 2.3 (eq. 11).
  it('knows the vapour pressure of FAO-56', () => {
    for (const [celsius, kPa] of [
      [20, 2.338],
      [25, 3.168],
      [30, 4.243],
    ] as const) {
      expect(saturationVapourPressureKPa(celsius)).toBeCloseTo(kPa, 3);
    }
  });

  it('doses by dry paper, and says it in millilitres, sprays and spoons', () => {
    // 280 x 220 mm of two plies weigh 2.77 g; at 2.5 g a gram, 6.9 ml.
    expect(doseFor({ widthMm: 280, heightMm: 220, plies: 2 }, 2.5, 0, 0.8)).toEqual({
      millilitres: 7,
      sprays: 9,
      teaspoons: 1.5,
      laterMl: 0,
    });
    expect(doseFor({ widthMm: 60, heightMm: 60, plies: 1 }, 2, 0, 5)).toEqual({ millilitres: 0.5, sprays: 1, teaspoons: 0.25, laterMl: 0 });
  });

  // Laboratories' 2.5 g of water to a gram of dry paper, 2.0 for kinds that rot, 3.0 in open trays; paper 20 to 25 g/m²
  // a ply: common practice, no source. Perlite and vermiculite by their dry litre as bags of them are labelled.
  it('gives each medium its own water, by its dry mass', () => {
    const sheet = { widthMm: 400, heightMm: 250, plies: 2 };
    const ml = (ratio: number, more: Parameters<typeof doseFor>[4] = {}): number => doseFor(sheet, ratio, 0, 1, more).millilitres;
    // 0.1 m² of two plies of 22.5 g/m² is 4.5 g.
    expect([ml(2), ml(2.5), ml(2.5, { open: true })]).toEqual([9, 11.5, 13.5]);
    expect([ml(2.5, { wet: 'free' }), ml(2.5, { wet: 'pool' })]).toEqual([14, 17]);
    // Tissue is thinner; a cloth takes half its mass as paper does; pads hold most to a gram.
    expect([ml(2.5, { medium: 'tissue' }), ml(2.5, { medium: 'cloth' }), ml(2.5, { medium: 'pad' })]).toEqual([8, 35, 144]);
    // A bag of 200 x 125 mm takes half a litre of loose stuff: 50 g of perlite, 55 g of vermiculite.
    expect(looseLitres({ widthMm: 200, heightMm: 125 })).toBeCloseTo(0.5, 9);
    expect([ml(2.5, { medium: 'perlite' }), ml(2.5, { medium: 'vermiculite' })]).toEqual([100, 137.5]);
    for (const medium of MEDIA) {
      expect(ml(2, { medium })).withContext(medium).toBeLessThan(ml(2.5, { medium }));
      expect(mediumOf(medium).readable).toBeGreaterThan(0);
    }
    expect(() => mediumOf('moss')).toThrowError(/is none of paper/);
  });

  it('mixes a bottle by C1 V1 = C2 V2, from household stock and no other', () => {
    // One part of 3 % to nine of water is 0.3 %.
    expect(diluted(3, 0.3, 500)).toEqual({ stockMl: 50, waterMl: 450 });
    expect(diluted(1.5, 0.3, 250)).toEqual({ stockMl: 50, waterMl: 200 });
    for (const strong of [6, 12, 35]) expect(() => diluted(strong, 0.3, 500)).toThrowError(/at most 3/);
    expect(() => diluted(0.2, 0.3, 500)).toThrowError(/at most the stock/);
  });

  it('dries faster when warm and open, and learns from what fingers say', () => {
    const at = (closure: 'sealed_air' | 'lidded', celsius: number, looks: Parameters<typeof dryingForecast>[3] = []) =>
      dryingForecast(lossPerDay(closure), celsius, 0, looks, 2 * DAY_MS);
    expect(at('sealed_air', 30).dryingAtMs).toBeLessThan(at('sealed_air', 20).dryingAtMs);
    expect(at('lidded', 25).dryingAtMs).toBeLessThan(at('sealed_air', 25).dryingAtMs);
    const found = { atMs: 1.5 * DAY_MS, damp: 'drying', rewetted: true } as const;
    const dry = [found];
    expect(at('sealed_air', 25, dry).factor).toBeGreaterThan(1.5);
    const damp = [{ atMs: 2 * DAY_MS, damp: 'damp', rewetted: false } as const];
    expect(at('lidded', 25, damp).dryingAtMs).toBeGreaterThanOrEqual(at('lidded', 25).dryingAtMs);
    // Wetted again it starts from its dose.
    expect(at('sealed_air', 25, dry).shareLeft).toBeGreaterThan(at('sealed_air', 25, [{ ...found, rewetted: false }]).shareLeft);
  });
});

describe('the towel', () => {
  // Published packings of points in a square: Schaer (1965), de Groot, Peikert and Würtz (1990), Peikert (1994); see reference/README.md.
  it('reaches 98 % of the published packings for 2 to 20 seeds', () => {
    const table = readFileSync(new URL('../../../reference/point_packing.csv', import.meta.url), 'utf8')
      .split('\n')
      .slice(2);
    for (const line of table.filter(Boolean)) {
      const [count = 0, best = 0] = line.split(',').map(Number);
      // The pane's margins are 14 mm all round.
      expect(layOut(count, 128, 128).nearestMm / 100 / best)
        .withContext(`${count} seeds`)
        .toBeGreaterThan(0.98);
    }
  });

  it('keeps every seed on the pane and apart, the same way every time', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 120 }),
        fc.integer({ min: 60, max: 400 }),
        fc.integer({ min: 60, max: 400 }),
        (seeds, width, height) => {
          const layout = layOut(seeds, width, height);
          expect(layout.spots.length).toBe(seeds);
          expect(
            layout.spots.every(({ xMm, yMm }) => xMm >= 13.99 && xMm <= width - 13.99 && yMm >= 13.99 && yMm <= height - 13.99),
          ).toBeTrue();
          expect(layout.nearestMm).toBeGreaterThan(seeds === 1 ? 0 : Math.sqrt(((width - 28) * (height - 28)) / seeds) * 0.45);
          expect(layOut(seeds, width, height)).toEqual(layout);
        },
      ),
      { numRuns: 60, seed: 3 },
    );
    expect(spacingNeededMm(5, 15)).toBe(35);
    expect(() => layOut(3, 20, 200)).toThrowError(/larger than 28 mm/);
  });
});
