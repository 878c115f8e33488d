import { ageingPace } from '../seedbox/index.js';
import { chanceInTime, countBack, daysForward, latenessOf, nursingFor, type Course } from './when.js';
import { CROPS, type Crop } from '../crops/index.js';
import { plantsForBed, plantsForRack } from './wish.js';

const tomato = CROPS.find(({ id }) => id === 'tomato') as Crop;

describe('when to start', () => {
  const course: Course = {
    // Enough tips on day 4, 5 or 6, nine times in ten in all.
    enoughBy: [
      { day: 3, chance: 0 },
      { day: 4, chance: 0.3 },
      { day: 5, chance: 0.6 },
      { day: 6, chance: 0.9 },
    ],
    rootDays: 1,
    nursing: { days: 40, sd: 4, told: 0 },
    ripening: { days: 60, sd: 6, told: 0 },
    lateDays: 0,
  };

  it('counts back so that it is on time as surely as asked, if enough come', () => {
    const back = countBack(course, 'plant_out', 0.9);
    expect(back?.daysBefore).toBeGreaterThan(46);
    // In time nine times in ten of the nine in ten in which enough come at all.
    expect(back?.chance).toBeGreaterThanOrEqual(0.81);
    expect(chanceInTime(course, 'plant_out', (back?.daysBefore ?? 0) - 1)).toBeLessThan(0.81);
    expect(countBack(course, 'ripe', 0.9)?.daysBefore).toBeGreaterThan((back?.daysBefore ?? 0) + 55);
    expect(countBack({ ...course, ripening: null }, 'ripe', 0.9)).toBeNull();
    expect(countBack({ ...course, enoughBy: [{ day: 9, chance: 0.01 }] }, 'plant_out', 0.9)).toBeNull();
  });

  it('tells the days forward with the stretch that holds 8 times in 10', () => {
    const [move, out] = daysForward(course);
    expect(move).toEqual(jasmine.objectContaining({ goal: 'move' }));
    expect(move?.likely).toBeCloseTo(6, 0);
    expect(out?.likely).toBeCloseTo(46, 0);
    // Normal of sd 4 with a little more: 1.28 sd either way.
    expect((out?.high ?? 0) - (out?.low ?? 0)).toBeGreaterThan(2 * 1.28 * 4);
    expect((out?.high ?? 0) - (out?.low ?? 0)).toBeLessThan(2 * 1.28 * 4.4);
  });

  it('shifts this start by what last year proves and no more', () => {
    expect(latenessOf([])).toBeNull();
    expect(
      latenessOf([
        { year: 2024, days: 30 },
        { year: 2025, days: 12 },
      ]),
    ).toEqual({ lastDays: 12, year: 2025, batches: 1, shiftDays: 6 });
    expect(latenessOf([8, 10, 12].map((days) => ({ year: 2025, days })))?.shiftDays).toBe(8);
    const late = countBack({ ...course, lateDays: 6 }, 'plant_out', 0.9)?.daysBefore ?? 0;
    expect(late - (countBack(course, 'plant_out', 0.9)?.daysBefore ?? 0)).toBe(6);
  });

  it('nurses by the book until own records outweigh it', () => {
    const book = nursingFor(tomato).days;
    const own = nursingFor(tomato, [book + 20, book + 20, book + 20, book + 20]);
    expect(own.days).toBeGreaterThan(book + 10);
    expect(own.sd).toBeLessThan(nursingFor(tomato).sd + 1e-9);
    // Vavrina's tables give tomato 5 to 7 weeks from sowing to transplanting (Knott's Handbook, from memory).
    expect(book).toBeGreaterThan(28);
    expect(book).toBeLessThan(60);
  });
});

describe('storage', () => {
  const pace = (celsius: number, dryness: 'sealed' | 'dry' | 'damp') => ageingPace({ place: null, celsius, dryness });
  // Harrington's rule, from memory: life halves with each 5 °C more and each 1 % more seed moisture.
  it('follows Harrington’s rule where it holds, and stops where it is not trusted', () => {
    expect(pace(25, 'dry') / pace(20, 'dry')).toBeCloseTo(2, 9);
    expect(pace(20, 'dry') / pace(15, 'dry')).toBeCloseTo(2, 9);
    expect(ageingPace({ place: 'room', celsius: null, dryness: 'dry' })).toBe(1);
    expect(ageingPace({ place: null, celsius: null, dryness: null })).toBe(1);
    expect(pace(30, 'damp')).toBe(6);
    expect(pace(-18, 'sealed')).toBe(pace(0, 'sealed'));
    expect(ageingPace({ place: 'fridge', celsius: null, dryness: 'sealed' })).toBe(0.15);
  });
});

describe('plants for a place', () => {
  it('fills a bed at a spacing, the better way round, and refuses what cannot be in a sentence', () => {
    const bed = { widthM: 1.2, lengthM: 0.8 };
    // 30 by 40 cm: three across 1.2 m at 40 and two along 0.8 m at 30, or four and two.
    expect(plantsForBed(bed, { inRow: 30, rows: 40 })).toEqual({ plants: 8 });
    const refused = (wish: ReturnType<typeof plantsForBed>) => ('refused' in wish ? wish.refused : '');
    expect(refused(plantsForBed(bed, { inRow: 90, rows: 90 }))).toContain('wider than the bed’s 80 cm'.replace('’', "'"));
    expect(refused(plantsForBed({ widthM: 0.2, lengthM: 0.3 }, { inRow: 45, rows: 60 }))).toContain('smaller than the room of one plant');
    expect(refused(plantsForBed(bed, { inRow: 0, rows: 30 }))).toContain('more than 0 cm');
    expect(refused(plantsForBed({ widthM: 10, lengthM: 40 }, { inRow: 5, rows: 10 }))).toContain('at most 400');
  });

  it('fills the free slots of a rack', () => {
    expect(plantsForRack(8, 3)).toEqual({ plants: 5 });
    expect('refused' in plantsForRack(8, 8)).toBeTrue();
  });
});
