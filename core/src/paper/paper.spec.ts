import fc from 'fast-check';
import {
  codeIn,
  codeText,
  gridFault,
  gridFor,
  labelPlaces,
  LABEL_KINDS,
  PAGE_SIZES,
  PAGES,
  perPage,
  spacedSpots,
  templatePages,
  USUAL_STICKERS,
  windowOf,
  type LabelGrid,
} from './index.js';

const grids: fc.Arbitrary<LabelGrid> = fc.record({
  page: fc.constantFrom(...PAGE_SIZES),
  columns: fc.integer({ min: 1, max: 6 }),
  rows: fc.integer({ min: 1, max: 20 }),
  widthMm: fc.double({ min: 5, max: 200, noNaN: true }),
  heightMm: fc.double({ min: 5, max: 250, noNaN: true }),
  leftMm: fc.double({ min: 0, max: 40, noNaN: true }),
  topMm: fc.double({ min: 0, max: 40, noNaN: true }),
  gapXMm: fc.double({ min: 0, max: 20, noNaN: true }),
  gapYMm: fc.double({ min: 0, max: 20, noNaN: true }),
});

describe('labels on a page', () => {
  it('lie within it and never over one another, whichever grid is accepted; a refusal says the size that would fit', () => {
    fc.assert(
      fc.property(grids, fc.integer({ min: 1, max: 90 }), fc.nat(), (grid, count, at) => {
        const fault = gridFault(grid);
        if (fault) {
          if (fault.mostMm >= 1) expect(gridFault({ ...grid, [fault.field]: fault.mostMm })?.field).not.toBe(fault.field);
          return;
        }
        const first = 1 + (at % perPage(grid));
        const places = labelPlaces(grid, count, first);
        const page = PAGES[grid.page];
        for (const { xMm, yMm, widthMm, heightMm } of places) {
          expect(xMm >= 0 && yMm >= 0).toBeTrue();
          expect(xMm + widthMm <= page.widthMm + 0.6 && yMm + heightMm <= page.heightMm + 0.6).toBeTrue();
        }
        places.forEach((one, index) => {
          const next = places[index + 1];
          if (!next || next.page !== one.page) return;
          expect(next.xMm >= one.xMm + one.widthMm - 1e-6 || next.yMm >= one.yMm + one.heightMm - 1e-6).toBeTrue();
        });
        expect(new Set(places.map(({ page: nth, xMm, yMm }) => `${nth} ${xMm} ${yMm}`)).size).toBe(count);
        // A half-used sheet is gone on with: place by place, sheet by sheet.
        expect(places[0]?.page).toBe(0);
        expect(places.at(-1)?.page).toBe(Math.floor((first - 1 + count - 1) / perPage(grid)));
      }),
    );
  });

  it('has a grid for every kind of sheet and page, and knows where a sheet ends', () => {
    for (const kind of LABEL_KINDS)
      for (const page of PAGE_SIZES) expect(gridFault(gridFor(kind, page, { ...USUAL_STICKERS, page: 'a4' }))).toBeNull();
    expect(() => labelPlaces(USUAL_STICKERS, 1, 25)).toThrowError(/from 1 to 24/);
    expect(() => labelPlaces(USUAL_STICKERS, 1, 0)).toThrowError(RangeError);
  });
});

describe('a template', () => {
  it('is covered by its pages exactly once, whatever its size', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 900, noNaN: true }),
        fc.double({ min: 20, max: 900, noNaN: true }),
        fc.constantFrom(...PAGE_SIZES),
        (width, height, page) => {
          const part = windowOf(page);
          const pages = templatePages(width, height, page);
          const area = pages.reduce((sum, one) => sum + one.widthMm * one.heightMm, 0);
          expect(area).toBeCloseTo(width * height, 3);
          for (const one of pages)
            expect(one.widthMm <= part.widthMm && one.heightMm <= part.heightMm && one.widthMm > 0 && one.heightMm > 0).toBeTrue();
        },
      ),
    );
    expect(() => templatePages(9000, 9000, 'a4')).toThrowError(/print a part/);
  });

  it('holds its distances and lies half a spacing from the edge, shifted rows too', () => {
    // 1.2 m by 0.8 m at 30 cm: four to a row, two rows (worked by hand).
    expect(spacedSpots(1200, 800, 300, 400).map(({ xMm, yMm }) => [xMm, yMm])).toEqual([
      [150, 200],
      [450, 200],
      [750, 200],
      [1050, 200],
      [150, 600],
      [450, 600],
      [750, 600],
      [1050, 600],
    ]);
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 1500 }),
        fc.integer({ min: 200, max: 1500 }),
        fc.integer({ min: 20, max: 400 }),
        fc.integer({ min: 20, max: 400 }),
        fc.boolean(),
        (width, length, inRow, rows, staggered) => {
          const spots = spacedSpots(width, length, inRow, rows, staggered);
          for (const { xMm, yMm } of spots) expect(xMm >= 0 && yMm >= 0 && xMm <= width && yMm <= length).toBeTrue();
          const first = spots.filter(({ yMm }) => yMm === spots[0]?.yMm);
          first.forEach((spot, index) => index > 0 && expect(spot.xMm - (first[index - 1]?.xMm ?? 0)).toBeCloseTo(inRow, 6));
        },
      ),
    );
    expect(() => spacedSpots(1000, 1000, -40, 40)).toThrowError(/inRowMm must be above 0/);
  });
});

describe('the code of a label', () => {
  it('leads back to its token, however it is written, and is nobody else’s', () => {
    fc.assert(
      fc.property(fc.uuid(), fc.option(fc.integer({ min: 1, max: 999_999 })), (token, number) => {
        const text = codeText(token, number);
        // Capitals and digits alone: a QR code packs them tightest.
        expect(text).toMatch(/^[0-9A-Z:.]+$/);
        expect(codeIn(text)).toEqual({ token, number });
        expect(codeIn(` ${text.toLowerCase()} `)).toEqual({ token, number });
        expect(codeIn(token)?.token).toBe(token);
      }),
    );
    for (const strange of ['', 'https://example.org', 'FT:', 'FT:12', '4006381333931']) expect(codeIn(strange)).toBeNull();
  });
});
