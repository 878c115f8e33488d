import { readFileSync } from 'node:fs';
import { minimaFrom } from './frost-file.js';
import { frostAfter, frostDates, frostDay, frostTable, saidFrost } from './frost-law.js';
import { frostSeason, lastFrostFrom, seasonYear } from './frost-known.js';
import { frostYears, summerInJuly } from './frost-years.js';
import { dayNumber, isoOf, newYear } from './days.js';

const rowsOf = (text: string): string[][] =>
  text
    .trim()
    .split(/\r?\n/)
    .map((line) => line.split(','));
const STATION = rowsOf(readFileSync(new URL('../../../reference/frost/station.csv', import.meta.url), 'utf8'));
interface Set {
  readonly threshold: number;
  readonly spring: number[];
  readonly springNone: number;
  readonly springAt: (number | null)[];
  readonly autumn: number[];
  readonly autumnNone: number;
  readonly autumnAt: (number | null)[];
}
/** Made by reference/frost/station.R with R's own `quantile`, type 6. */
const R = JSON.parse(readFileSync(new URL('../../../reference/frost/frost.json', import.meta.url), 'utf8')) as {
  readonly shares: number[];
  readonly sets: Set[];
};
const { minima } = minimaFrom(STATION);
const rising = (days: readonly number[]): number[] => [...days].sort((a, b) => a - b);

describe('frost of a station', () => {
  it('has the last days of spring and the first of autumn that R finds, and its quantiles, years without frost among them', () => {
    for (const { threshold, ...set } of R.sets) {
      const { spring, autumn } = frostYears(minima, { thresholdC: threshold, shelterK: 0, july: true });
      expect(spring.days as number[])
        .withContext(`spring at ${threshold}`)
        .toEqual(rising(set.spring));
      expect(spring.none).toBe(set.springNone);
      expect(autumn.days as number[])
        .withContext(`autumn at ${threshold}`)
        .toEqual(rising(set.autumn));
      expect(autumn.none).toBe(set.autumnNone);
      R.shares.forEach((share, nth) => {
        for (const [years, at] of [
          [spring, set.springAt[nth]],
          [autumn, set.autumnAt[nth]],
        ] as const) {
          if (at === null || at === undefined) expect(frostDay(years, share)).withContext(`${years.side} ${threshold} ${share}`).toBeNull();
          else expect(frostDay(years, share)).withContext(`${years.side} ${threshold} ${share}`).toBeCloseTo(at, 6);
        }
      });
    }
  });

  it('tells the chance of a day as the day of a chance, falling all the way, also beyond the years on record', () => {
    for (const years of [
      frostYears(minima, { thresholdC: 0, shelterK: 0, july: true }).spring,
      frostYears(minima, { thresholdC: -6, shelterK: 0, july: true }).autumn,
      saidFrost('spring', 129, 10),
    ]) {
      for (const share of [0.25, 0.5, 0.75]) {
        const day = frostDay(years, share);
        if (day !== null) expect(frostAfter(years, day)).toBeCloseTo(1 - share, 6);
      }
      const table = frostTable(years);
      let before = 1;
      for (let day = -100; day < 500; day += 3.5) {
        const chance = frostAfter(years, day);
        expect(chance).toBeLessThanOrEqual(before + 1e-12);
        expect(chance).toBeGreaterThanOrEqual(0);
        expect(table(day)).toBeCloseTo(chance, 2);
        before = chance;
      }
    }
    // Ten days either way hold eight years in ten.
    const said = frostDates(saidFrost('spring', 129, 10), newYear(2026));
    expect([said.at10, said.at50, said.at90].map((day) => isoOf(Math.round(day ?? 0)))).toEqual(['2026-04-30', '2026-05-10', '2026-05-20']);
  });

  it('moves with the shelter of a court and the cold of a hollow, leaves out years with gaps, and knows its hemisphere', () => {
    const at = (shelterK: number) => frostYears(minima, { thresholdC: 0, shelterK, july: true });
    const middle = (shelterK: number): number => frostDay(at(shelterK).spring, 0.5) ?? NaN;
    expect(middle(3)).toBeLessThan(middle(0));
    expect(middle(-2)).toBeGreaterThan(middle(0));
    // Three degrees warmer is a threshold three degrees lower.
    expect(at(2).spring.days).toEqual(frostYears(minima, { thresholdC: -2, shelterK: 0, july: true }).spring.days);
    const holes = { ...minima, celsius: minima.celsius.map((value, nth) => (nth > 400 && nth < 460 ? null : value)) };
    const left = frostYears(holes, { thresholdC: 0, shelterK: 0, july: true });
    expect(left.leftOut.some(({ year, side }) => year === 2000 && side === 'spring')).toBeTrue();
    expect(left.spring.days.length).toBe(at(0).spring.days.length - 1);
    expect(summerInJuly(minima)).toBeTrue();
    const turned = { first: minima.first + 182, celsius: minima.celsius };
    expect(summerInJuly(turned)).toBeFalse();
    expect(summerInJuly({ first: minima.first, celsius: minima.celsius.map(() => 20) })).toBeNull();
    // Half a year on, the south has the same springs.
    const south = frostYears(turned, { thresholdC: 0, shelterK: 0, july: false });
    expect(Math.abs((frostDay(south.spring, 0.5) ?? 0) - middle(0) - 182)).toBeLessThan(3);
  });

  it('counts a household’s season by its record, else by what was said, and says which', () => {
    const house = { monthDay: '05-10', giveDays: 10, guessed: true };
    const none = { minima: null, autumn: null, thresholdC: 0, shelterK: 0 };
    expect(frostSeason({ ...none, house: null }, 2026).source).toBe('none');
    expect(frostSeason({ ...none, house }, 2026).source).toBe('guess');
    const spring = { monthDay: '04-20', giveDays: 8, guessed: false };
    const said = frostSeason({ ...none, house: spring, autumn: { monthDay: '10-30', giveDays: 12 } }, 2026);
    expect([said.source, said.autumnGuessed]).toEqual(['said', false]);
    expect(isoOf(Math.round(said.dates('autumn')?.at50 ?? 0))).toBe('2026-10-30');
    const record = frostSeason({ ...none, house, minima }, 2026);
    expect(record.source).toBe('record');
    expect(record.dates('spring')?.years).toBe(24);
    expect(lastFrostFrom(saidFrost('spring', 129, 10))).toEqual({ monthDay: '05-10', giveDays: 10 });
    // November plans the next year in the north; in the south a spring in October is that of its own year.
    expect(seasonYear(dayNumber('2026-11-03'), false)).toBe(2027);
    expect(seasonYear(dayNumber('2026-04-03'), false)).toBe(2026);
    expect(seasonYear(dayNumber('2027-02-03'), true)).toBe(2026);
    const south = frostSeason({ ...none, house: { monthDay: '10-28', giveDays: 10, guessed: false } }, 2026);
    expect(isoOf(Math.round(south.dates('autumn')?.at50 ?? 0)).slice(0, 7)).toMatch(/^2027-0[45]$/);
  });
});

describe('a station’s file', () => {
  const day = (nth: number): string => isoOf(dayNumber('2014-01-01') + nth);
  const days = (count: number, row: (nth: number) => string[]): string[][] => Array.from({ length: count }, (_, nth) => row(nth));

  it('is read in any layout: one date or three columns, °C, °F or tenths, days or hours, missing days', () => {
    const dotted = (nth: number): string => day(nth).split('-').reverse().join('.');
    const values = (rows: string[][]) => minimaFrom(rows);
    const cases: [string, string[][], number | null][] = [
      ['plain', [['date', 'tmin'], ...days(10, (nth) => [day(nth), String(nth - 3)])], -3],
      ['a name above it', [['Harbour mast'], ['Datum', 'max °C', 'min °C'], ...days(10, (nth) => [dotted(nth), '9', String(nth - 3)])], -3],
      ['fahrenheit', [['Date', 'Low (°F)'], ...days(10, (nth) => [day(nth), String(23 + nth)])], -5],
      ['tenths', [['DATE', 'TMAX', 'TMIN'], ...days(40, (nth) => [day(nth).replaceAll('-', ''), '120', String(-31 + nth * 5)])], -3.1],
      ['three columns', [['year', 'month', 'day', 'tmin'], ...days(10, (nth) => [...day(nth).split('-'), String(nth - 3)])], -3],
      ['missing', [['date', 'tmin'], ...days(10, (nth) => [day(nth), nth === 0 ? '-9999' : '1'])], null],
      [
        'hours',
        [
          ['time', 'temperature'],
          ...days(48, (nth) => [`${day(Math.floor(nth / 24))} ${String(nth % 24).padStart(2, '0')}:00`, String(nth - 5)]),
        ],
        -5,
      ],
    ];
    for (const [name, rows, first] of cases) {
      const { minima: read } = values(rows);
      expect(isoOf(read.first)).withContext(name).toBe('2014-01-01');
      expect(read.celsius[0] ?? null)
        .withContext(name)
        .toBe(first);
    }
  });

  it('is refused in a sentence that names what is wrong', () => {
    const refused = (rows: string[][], why: RegExp): void => {
      expect(() => minimaFrom(rows)).toThrowError(why);
    };
    refused([['date', 'tmin']], /no rows under its headings/);
    refused(
      [
        ['place', 'tmin'],
        ['here', '3'],
      ],
      /No column holds days/,
    );
    refused([['date', 'rain', 'sun'], ...days(5, (nth) => [day(nth), '3', '4'])], /No column is headed as the lowest temperature/);
    refused(
      [
        ['date', 'tmin'],
        ['2014-02-30', '3'],
      ],
      /“2014-02-30” is no day that a calendar has/,
    );
    refused(
      [
        ['year', 'month', 'day', 'tmin'],
        ['2014', '13', '1', '3'],
      ],
      /no day that a calendar has/,
    );
    // A year of 400 days.
    const many = [...days(365, (nth) => [day(nth), '3']), ...days(35, (nth) => [day(nth), '3'])];
    refused([['date', 'tmin'], ...many], /2014 has 400 rows: 2014-01-01 and 34 more of its days stand there more than once/);
    refused(
      [
        ['date', 'tmin'],
        ['0214-01-01', '3'],
        ['2014-01-02', '3'],
      ],
      /look for a year that is mistyped/,
    );
    refused([['date', 'tmin °C'], ...days(9, (nth) => [day(nth), nth === 4 ? '66' : '3'])], /Row 6: 66 is no night’s temperature/);
  });
});
