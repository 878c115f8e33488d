import { MEDIA } from '../carrier/index.js';
import { CROPS, type Crop } from '../crops/index.js';
import { METHODS, suited, unsuited } from '../method/index.js';
import { measured } from '../words/index.js';
import { waterFor, type Wetted } from './water.js';

const leek = CROPS.find(({ id }) => id === 'leek') as Crop;
const asked = (more: Partial<Wetted> = {}): Wetted => ({
  crop: leek,
  method: 'towel',
  places: 8,
  pane: { widthMm: 140, heightMm: 110, plies: 2 },
  drinkingGrams: 0,
  open: false,
  millilitresPerSpray: 0.8,
  ...more,
});

describe('water to begin with', () => {
  // 280 x 220 mm of two plies weigh 2.77 g: 2.0 to 3.0 g of water to a gram of dry paper (common practice, no source).
  it('follows the open sheet, the crop and what still drinks', () => {
    const { millilitres } = waterFor(asked());
    expect(millilitres).toBeGreaterThanOrEqual(5.5);
    expect(millilitres).toBeLessThanOrEqual(8.5);
    expect(waterFor(asked({ open: true })).millilitres).toBeGreaterThan(millilitres);
    expect(waterFor(asked({ drinkingGrams: 2 })).millilitres).toBeGreaterThan(millilitres);
    const twice = waterFor(asked({ pane: { widthMm: 140, heightMm: 220, plies: 2 } })).millilitres;
    expect(twice / millilitres).toBeCloseTo(2, 0);
    expect(measured(waterFor(asked({ pane: { widthMm: 30, heightMm: 30, plies: 1 } })))).toBe('0.5 ml: 1 spray, or about 0.25 teaspoons');
  });

  it('is a measurable amount for every way, more for more places, and none is drunk later but on a towel', () => {
    for (const method of METHODS) {
      const [few, many] = [waterFor(asked({ method, places: 2 })), waterFor(asked({ method, places: 6 }))];
      for (const { millilitres, sprays, teaspoons } of [few, many]) {
        expect(millilitres).withContext(method).toBeGreaterThanOrEqual(0.5);
        expect(millilitres).withContext(method).toBeLessThanOrEqual(500);
        expect(Number.isInteger(sprays) && teaspoons > 0)
          .withContext(method)
          .toBeTrue();
      }
      if (method === 'towel') expect(many).toEqual(few);
      else {
        expect(many.millilitres).withContext(method).toBeGreaterThan(few.millilitres);
        expect(many.laterMl).withContext(method).toBe(0);
        // Its medium is a towel's: a pot is not wetted by the paper it might have had.
        for (const medium of MEDIA) expect(waterFor(asked({ method, places: 6, setup: { medium } }))).toEqual(many);
      }
    }
  });

  it('offers no way that is refused, and every crop a towel and a pot', () => {
    for (const crop of CROPS) {
      const ways = suited(crop);
      expect(ways.filter((id) => unsuited(crop, id) !== null))
        .withContext(crop.id)
        .toEqual([]);
      expect(ways).withContext(crop.id).toContain('towel');
      expect(ways).withContext(crop.id).toContain('pot');
    }
  });
});
