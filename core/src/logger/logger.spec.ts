import fc from 'fast-check';
import { columnsOf, loggedHours, LoggerProblem, type Logged } from './index.js';

const HOUR_MS = 3_600_000;
/** Reads a whole file as the page does: its head first, then line by line. */
function read(headings: readonly string[], rows: readonly (readonly string[])[], zone = 'Europe/Copenhagen'): Logged {
  const reader = loggedHours(columnsOf(headings, rows.slice(0, 50)), zone);
  rows.forEach((row, nth) => reader.take(row, nth + 2));
  return reader.done();
}
const problem = (run: () => unknown): string => {
  try {
    run();
  } catch (error) {
    if (error instanceof LoggerProblem) return error.message;
    throw error;
  }
  return 'read';
};
const pad = (value: number, width = 2): string => String(value).padStart(width, '0');
/** The ways in which loggers write a moment of UTC and a temperature. */
const WAYS: readonly { readonly name: string; readonly headings: string[]; readonly row: (at: Date, celsius: number) => string[] }[] = [
  {
    name: 'ISO with its zone, a column of humidity beside it',
    headings: ['Timestamp', 'Temperature_C', 'Relative Humidity %'],
    row: (at, celsius) => [at.toISOString(), celsius.toFixed(2), '61'],
  },
  {
    name: 'days with points, commas in figures, a dew point first',
    headings: ['Nr', 'Datum', 'Taupunkt °C', 'Temperatur °C'],
    row: (at, celsius) => [
      '7',
      `${pad(at.getUTCDate())}.${pad(at.getUTCMonth() + 1)}.${at.getUTCFullYear()} ${pad(at.getUTCHours())}:${pad(at.getUTCMinutes())}:00`,
      '3,1',
      celsius.toFixed(2).replace('.', ','),
    ],
  },
  {
    name: 'month first, halves of the day, Fahrenheit in its cells',
    headings: ['Date', 'Time', 'Value'],
    row: (at, celsius) => [
      `${at.getUTCMonth() + 1}/${at.getUTCDate()}/${at.getUTCFullYear()}`,
      `${at.getUTCHours() % 12 || 12}:${pad(at.getUTCMinutes())} ${at.getUTCHours() < 12 ? 'AM' : 'PM'}`,
      `${(celsius * 1.8 + 32).toFixed(3)} F`,
    ],
  },
  {
    name: 'seconds since 1970, no headings',
    headings: [],
    row: (at, celsius) => [String(at.getTime() / 1000), celsius.toFixed(3)],
  },
];

describe('a logger’s file', () => {
  it('comes to the same hours however it is written, in whatever order its lines lie', () => {
    const startMs = Date.UTC(2026, 3, 20);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 72 * 12 - 1 }), fc.integer({ min: -500, max: 4500 })), {
          minLength: 30,
          maxLength: 200,
        }),
        fc.boolean(),
        (samples, sorted) => {
          const lines = new Map(samples.map(([slot, hundredths]) => [startMs + slot * 300_000, hundredths / 100]));
          const all = [...lines.entries()];
          if (sorted) all.sort(([a], [b]) => a - b);
          // A day past the twelfth tells months from days; without one both orders would do.
          all.unshift([startMs, 20]);
          const expected = new Map<number, number[]>();
          for (const [ms, celsius] of all)
            expected.set(Math.floor(ms / HOUR_MS), [...(expected.get(Math.floor(ms / HOUR_MS)) ?? []), celsius]);
          for (const { headings, row } of WAYS) {
            const { hours, unread } = read(
              headings,
              all.map(([ms, celsius]) => row(new Date(ms), celsius)),
              'UTC',
            );
            expect(unread).toBe(0);
            expect(hours.map(({ fromMs }) => fromMs / HOUR_MS)).toEqual([...expected.keys()].sort((a, b) => a - b));
            for (const { fromMs, minC, maxC } of hours) {
              const said = expected.get(fromMs / HOUR_MS) ?? [];
              expect(minC).toBeCloseTo(Math.min(...said), 1);
              expect(maxC).toBeCloseTo(Math.max(...said), 1);
            }
          }
        },
      ),
      { numRuns: 40, seed: 17 },
    );
  });

  it('of a local clock is read by its zone, and an autumn night has its hour twice', () => {
    const rows = ['00:30', '01:30', '02:30', '02:30', '03:30'].map((time, nth) => [`2026-10-25 ${time}`, String(10 + nth)]);
    const { hours } = read(['Time', 'Temp'], rows);
    expect(hours.map(({ fromMs, minC }) => [new Date(fromMs).toISOString().slice(11, 13), minC])).toEqual([
      ['22', 10],
      ['23', 11],
      ['00', 12],
      ['01', 13],
      ['02', 14],
    ]);
    const spring = read(
      ['Time', 'Temp'],
      [
        ['2026-03-29 01:30', '5'],
        ['2026-03-29 03:30', '6'],
      ],
    );
    expect(spring.hours.map(({ fromMs }) => new Date(fromMs).toISOString().slice(11, 13))).toEqual(['00', '01']);
  });

  it('that cannot be read says why, and what would be', () => {
    const rows = (...cells: string[]) => cells.map((cell, nth) => [`2026-04-${pad(nth + 1)} 07:00`, cell]);
    expect(problem(() => read(['Time', 'Temp'], rows('21.5 C', '70.1 F')))).toMatch(/some in °F.*Accepted: one unit/);
    expect(problem(() => read(['Time', 'Temp °F'], rows('70.1', '21.5 C')))).toMatch(/some in °F/);
    const late = [
      ...rows(...Array.from({ length: 28 }, () => '21.5 C')),
      ...rows(...Array.from({ length: 28 }, () => '21.5 C')),
      ['2026-05-01 07:00', '70 F'],
    ];
    expect(problem(() => read(['Time', 'Temp'], late))).toMatch(/^Line 58: Some temperatures/);
    expect(problem(() => read(['Time', 'Note'], rows('warm', 'cold')))).toMatch(/No column holds temperatures.*21,5/);
    expect(problem(() => read(['Time', 'A', 'B'], [['2026-04-01 07:00', '1', '2']]))).toMatch(/Head it Temperature/);
    expect(problem(() => read(['When', 'Temp'], [['soon', '21']]))).toMatch(/No column holds days and times/);
    expect(problem(() => read(['Day', 'Temp'], [['2026-04-01', '21']]))).toMatch(/no time beside them/);
    expect(
      problem(() =>
        read(
          ['Time', 'Temp'],
          [
            ['31.12.2026 07:00', '21'],
            ['12.31.2026 07:00', '21'],
          ],
        ),
      ),
    ).toMatch(/more than one way/);
    const noise = Array.from({ length: 10 }, (_, nth) => (nth < 2 ? ['2026-04-01 07:00', 'ERR'] : ['2026-04-01 07:00', '21']));
    expect(problem(() => read(['Time', 'Temp'], noise))).toMatch(/hold|could not be read/);
    expect(
      problem(() =>
        read(
          ['Time', 'Temp'],
          [
            ['2001-01-01 00:00', '21'],
            ['2026-04-01 07:00', '21'],
          ],
        ),
      ),
    ).toMatch(/twenty years apart/);
  });

  it('without a unit is taken for Fahrenheit only where it is too hot for Celsius; days that could be months are asked about', () => {
    const columns = (...cells: string[]) =>
      columnsOf(
        ['Time', 'Temp'],
        cells.map((cell) => ['04/05/2026 07:00', cell]),
      );
    expect(columns('70.2', '71')).toEqual(jasmine.objectContaining({ unit: 'F', unitSaid: false, orderDoubtful: true }));
    expect(columns('21.2', '39')).toEqual(jasmine.objectContaining({ unit: 'C', unitSaid: false }));
    const points = columnsOf(['Time', 'Temp °C'], [['04.05.2026 07:00', '21']]);
    expect(points).toEqual(jasmine.objectContaining({ order: 'dmy', orderDoubtful: false, unitSaid: true }));
  });

  it('counts what it repeats, what it leaves out and where it is silent', () => {
    const rows = [
      ...['07:00', '07:00', '08:00', '14:00'].map((time) => [`2026-04-01 ${time}`, '21']),
      ...Array.from({ length: 20 }, (_, nth) => [`2026-04-01 14:${pad(nth)}`, '22']),
      ['2026-04-01 15:00', '---'],
    ];
    const { lines, repeated, gaps, unread, unreadLines } = read(['Time', 'Temp'], rows);
    expect({ lines, repeated, gaps, unread, unreadLines }).toEqual({ lines: 25, repeated: 1, gaps: 1, unread: 1, unreadLines: [26] });
  });
});
