import fc from 'fast-check';
import { reportFor } from '../judging/index.js';
import { type ParcelFacts } from '../parcel/index.js';
import { bookPrior } from '../forecast/index.js';
import { CROPS } from './all.js';
import { cropSchema } from './schema.js';
import { FIGURES } from './figures.js';
import { figureAsText, figureFrom } from '../words/index.js';
import { departures, FigureError, figureIn, withOwn } from './own.js';
import { SCHOOLS, schoolsFor } from './schools.js';

const [tomato] = CROPS.filter(({ id }) => id === 'tomato');
if (!tomato) throw new Error('no tomato');

describe('figures of one’s own', () => {
  it('accept every figure of every crop of the book, and lose nothing on the way through a field', () => {
    for (const crop of CROPS) {
      for (const figure of FIGURES) {
        const value = figureIn(crop, figure.path);
        // Spacing that does not apply has no figures to set back.
        if (value === null && !figure.nullable) continue;
        expect(() => withOwn(crop, { [figure.path]: value }))
          .withContext(`${crop.id} ${figure.path}`)
          .not.toThrow();
        for (const units of ['metric', 'us'] as const) {
          const text = figureAsText(figure, value, units);
          const back = figureFrom(figure, text, units);
          expect(back === undefined ? undefined : figureAsText(figure, back, units))
            .withContext(`${crop.id} ${figure.path} ${units}`)
            .toBe(text);
        }
      }
    }
  });

  it('give a whole entry, leave the book alone, and say where they differ', () => {
    const before = JSON.stringify(tomato);
    const own = { 'days.tipAtOptimum': 5.5, 'root.shy': '2', 'growing.minSoilC': null, 'preparation.steps': ['soak'] };
    const crop = withOwn(tomato, own);
    expect(cropSchema.safeParse(crop).success).toBeTrue();
    expect([crop.days.tipAtOptimum, crop.root.shy, crop.growing.minSoilC]).toEqual([5.5, 2, null]);
    expect(crop.days.source).toMatch(/^own figures; the rest: /);
    expect([crop.root.confidence, crop.viability.confidence]).toEqual(['med', tomato.viability.confidence]);
    expect(JSON.stringify(tomato)).toBe(before);
    expect(
      departures(tomato, { ...own, 'root.lateMm': tomato.root.lateMm })
        .map(({ figure }) => figure.path)
        .sort(),
    ).toEqual(['days.tipAtOptimum', 'growing.minSoilC', 'preparation.steps', 'root.shy']);
  });

  it('are refused with the figure and what it accepts', () => {
    const cases: [Record<string, unknown>, string, RegExp][] = [
      [{ 'days.tipAtOptimum': 0 }, 'days.tipAtOptimum', /a number from 0.3 to 400 days/],
      [{ 'days.tipAtOptimum': '5' }, 'days.tipAtOptimum', /a number/],
      [{ 'days.tipRange': [9, 3] }, 'days.tipRange', /the lower one first/],
      [{ 'root.lateMm': 3 }, 'root.lateMm', /longer than the root that is ready/],
      [{ 'temperature.beta.optimumC': 40 }, 'temperature.beta.ceilingC', /above the warmth/],
      [{ 'temperature.share': [[20, 0.5]] }, 'temperature.share', /two pairs/],
      [{ 'growing.light': 'moonlight' }, 'growing.light', /one of dark, needs light, either/],
      [{ id: 'leek' }, 'id', /no figure/],
      [{ 'days.__proto__': 1 }, 'days.__proto__', /no figure/],
    ];
    for (const [own, path, message] of cases) {
      try {
        withOwn(tomato, own as never);
        fail(`${path} was taken`);
      } catch (error) {
        expect(error instanceof FigureError && error.path)
          .withContext(path)
          .toBe(path);
        expect((error as Error).message).toMatch(message);
      }
    }
  });

  it('reach the forecast, whatever is set within its bounds', () => {
    const startMs = Date.parse('2026-04-08T18:30:00Z');
    const nowMs = startMs + 5 * 86_400_000;
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 400, noNaN: true }), fc.double({ min: 0.05, max: 1.5, noNaN: true }), (days, spread) => {
        const crop = withOwn(tomato, { 'days.tipAtOptimum': days, 'days.logSpread': spread });
        const facts: ParcelFacts = {
          crop,
          method: 'towel',
          seeds: 8,
          wanted: 4,
          startMs,
          chillUntilMs: null,
          prior: bookPrior(crop, { printedRate: null, ageYears: null, seen: 'tip' }),
          stays: [{ fromMs: startMs, readings: [], guess: { minC: 22, maxC: 26 } }],
          utcOffsetHours: 0,
          looks: [],
          moves: [],
          closure: 'sealed_air',
          doseMl: 7,
          lookTimesMs: [nowMs + 43_200_000, nowMs + 86_400_000],
          lateTolerance: 0.02,
        };
        const { now, end } = reportFor(facts, nowMs);
        return Number.isFinite(now.mean) && now.mean <= end.mean + 1e-9 && end.mean <= 8;
      }),
      { numRuns: 40, seed: 4 },
    );
  });
});

describe('schools', () => {
  it('have a usual choice among fair ones, and every crop one choice to each question', () => {
    for (const { id, usual, choices } of SCHOOLS) {
      expect(choices.map((choice) => choice.id))
        .withContext(id)
        .toContain(usual);
      expect(choices.every(({ reason }) => reason.length > 15))
        .withContext(id)
        .toBeTrue();
    }
    for (const crop of CROPS) {
      for (const { school, choice, why } of schoolsFor(crop)) {
        expect(school.choices.map(({ id }) => id))
          .withContext(`${crop.id} ${school.id}`)
          .toContain(choice);
        expect(why).not.toBe('');
      }
    }
  });

  it('move the root-shy at the first tip (common practice, no source)', () => {
    const root = (id: string) =>
      schoolsFor(CROPS.find((crop) => crop.id === id) ?? tomato).find(({ school }) => school.id === 'root')?.choice;
    expect([root('pea'), root('bean-bush'), root('courgette'), root('tomato')]).toEqual(['tip', 'tip', 'tip', 'short']);
  });
});
