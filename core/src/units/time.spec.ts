import fc from 'fast-check';
import { capital, counted, rangeInWords } from './counting.js';
import { about, before, due } from './half-hours.js';
import { lookingTimes } from './looking-times.js';
import { offsetHours, wallClock, yearAt } from './local-time.js';
import { formatLength, formatTemperature, parseCelsius, parseMetres, parseMillimetres } from './quantity.js';

const ZONES = [
  'Europe/Copenhagen',
  'America/St_Johns',
  'Australia/Lord_Howe',
  'Asia/Kathmandu',
  'America/Sao_Paulo',
  'Pacific/Auckland',
  'UTC',
];
const moment = fc.date({ min: new Date('2019-01-01'), max: new Date('2034-01-01'), noInvalidDate: true }).map((date) => date.getTime());

/** The clock on the wall as the platform's own calendar has it: another implementation than the one under test. */
const platform = (zone: string, ms: number): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' }).format(ms);

describe('a household’s clock', () => {
  it('shows what the platform’s calendar shows, in odd zones and across both changes of the clocks', () => {
    fc.assert(
      fc.property(fc.constantFrom(...ZONES), moment, (zone, ms) => {
        expect(wallClock(zone, ms).toFormat('yyyy-LL-dd HH:mm')).toBe(platform(zone, ms));
        expect(yearAt(zone, ms)).toBe(Number(platform(zone, ms).slice(0, 4)));
      }),
      { numRuns: 400 },
    );
    expect([offsetHours('Asia/Kathmandu', 0), offsetHours('UTC', 0)]).toEqual([5.5, 0]);
  });

  it('looks at its own times every day, also on the days of 23 and of 25 hours', () => {
    for (const [day, what] of [
      ['2026-03-28T12:00:00+01:00', 'spring'],
      ['2026-10-24T12:00:00+02:00', 'autumn'],
    ] as const) {
      const times = lookingTimes(Date.parse(day), 'Europe/Copenhagen', ['07:00', '18:30'], 3);
      expect(times.map((ms) => platform('Europe/Copenhagen', ms).slice(11)))
        .withContext(what)
        .toEqual(['18:30', '07:00', '18:30', '07:00', '18:30', '07:00', '18:30']);
      expect([...times].sort((a, b) => a - b)).toEqual(times);
    }
    // 02:30 does not exist that night: it falls on the next that does.
    const [skipped] = lookingTimes(Date.parse('2026-03-28T20:00:00+01:00'), 'Europe/Copenhagen', ['02:30'], 1);
    expect(platform('Europe/Copenhagen', skipped ?? 0)).toBe('2026-03-29 03:30');
  });

  it('never names a looking time that is past', () => {
    fc.assert(
      fc.property(fc.constantFrom(...ZONES), moment, (zone, ms) => {
        const times = lookingTimes(ms, zone, ['06:15', '12:00', '22:45'], 2);
        expect(times.every((time) => time > ms)).toBeTrue();
        expect(times.length).toBeGreaterThanOrEqual(6);
      }),
    );
  });

  it('tells deadlines early and hopes to the nearest, by half hours', () => {
    fc.assert(
      fc.property(moment, (ms) => {
        expect(before(ms)).toBeLessThanOrEqual(ms);
        expect(ms - before(ms)).toBeLessThan(1_800_000);
        expect(Math.abs(about(ms) - ms)).toBeLessThanOrEqual(900_000);
        expect(due(ms + 1_800_000, ms)).toBeTrue();
        expect(due(ms + 1_800_001, ms)).toBeFalse();
      }),
    );
  });
});

describe('what is typed and what is shown', () => {
  const system = fc.constantFrom('metric' as const, 'us' as const);

  it('a temperature that is shown is read back as itself, to a tenth', () => {
    fc.assert(
      fc.property(system, fc.double({ min: -30, max: 60, noNaN: true }), (units, celsius) => {
        expect(Math.abs((parseCelsius(formatTemperature(celsius, units), units) ?? NaN) - celsius)).toBeLessThanOrEqual(0.0501);
      }),
    );
  });

  it('a length that is shown is read back as itself, to half a millimetre or a thirty-second of an inch', () => {
    fc.assert(
      fc.property(system, fc.double({ min: 1, max: 400, noNaN: true }), (units, mm) => {
        const back = parseMillimetres(formatLength(mm, units), units) ?? NaN;
        expect(Math.abs(back - mm)).toBeLessThanOrEqual(units === 'metric' ? 0.5001 : 25.4 / 32 + 0.001);
      }),
    );
  });

  it('a bed’s side is metres or feet where nothing is written behind it', () => {
    const sides: [string, 'metric' | 'us', number | null][] = [
      ['1.2', 'metric', 1.2],
      ['1,2 m', 'us', 1.2],
      ['80 cm', 'us', 0.8],
      ['4', 'us', 1.2192],
      ['4 ft', 'metric', 1.2192],
      ["6'", 'metric', 1.8288],
      ['18"', 'metric', 0.4572],
      ['900mm', 'metric', 0.9],
      ['0', 'metric', null],
      ['-2', 'metric', null],
      ['wide', 'metric', null],
      ['', 'us', null],
    ];
    for (const [text, units, expected] of sides) {
      if (expected === null) expect(parseMetres(text, units)).withContext(text).toBeNull();
      else expect(parseMetres(text, units)).withContext(text).toBeCloseTo(expected, 6);
    }
  });

  it('counts one as one', () => {
    expect([
      counted(1, 'seed'),
      counted(0, 'seed'),
      counted(2, 'leaf', 'leaves'),
      rangeInWords(3, 3),
      rangeInWords(0, 4),
      capital('élan'),
    ]).toEqual(['1 seed', '0 seeds', '2 leaves', '3', '0 to 4', 'Élan']);
  });
});
