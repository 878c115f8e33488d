import { inUnits } from './told.js';
import { chanceInWords, formatLength, formatTemperature, parseCelsius, parseMillimetres } from './quantity.js';
import { wordsFor } from './words.js';

describe('quantities', () => {
  it('reads both systems wherever they are typed', () => {
    const celsius: [string, 'metric' | 'us', number | null][] = [
      ['24', 'metric', 24],
      ['75F', 'metric', 23.889],
      ['24 C', 'us', 24],
      ['75', 'us', 23.889],
      ['23,5 °C', 'metric', 23.5],
      ['-3', 'metric', -3],
      ['warm', 'metric', null],
      ['', 'metric', null],
    ];
    for (const [text, system, expected] of celsius) {
      if (expected === null) expect(parseCelsius(text, system)).withContext(text).toBeNull();
      else expect(parseCelsius(text, system)).withContext(text).toBeCloseTo(expected, 2);
    }
    const lengths: [string, 'metric' | 'us', number | null][] = [
      ['3 mm', 'us', 3],
      ['1.5 cm', 'metric', 15],
      ['1/8 in', 'metric', 3.175],
      ['1 1/2 in', 'metric', 38.1],
      ['12', 'metric', 12],
      ['long', 'metric', null],
      ['1/0 in', 'metric', null],
    ];
    for (const [text, system, expected] of lengths) {
      if (expected === null) expect(parseMillimetres(text, system)).withContext(text).toBeNull();
      else expect(parseMillimetres(text, system)).withContext(text).toBeCloseTo(expected, 3);
    }
    expect([formatLength(12.4, 'metric'), formatLength(12.7, 'us'), formatTemperature(24, 'us')]).toEqual(['12 mm', '1/2 in', '75.2 °F']);
  });

  it('says chances as counts out of ten, small ones out of a hundred', () => {
    expect([0.7, 0.04, 0.001, 1, 0.97].map(chanceInWords)).toEqual([
      '7 chances in 10',
      '4 chances in 100',
      'less than 1 chance in 100',
      'all but certain',
      'more than 9 chances in 10',
    ]);
  });

  it('tells a text in the household’s units, ranges too, and leaves what is in them already', () => {
    const us = (text: string): string => inUnits(text, 'us');
    expect(us('Keep it at 15-18 °C, never below -3 °C or above 24 °C.')).toBe('Keep it at 59-64 °F, never below 27 °F or above 75 °F.');
    expect(us('cell 20-30 mm, then 90 mm pot')).toBe('cell 3/4 to 1 1/4 in, then 3 1/2 in pot');
    expect(us('5 to 12 mm; rows 40 cm apart; a bed of 80 by 120 cm; by 300 m')).toBe(
      '3/16 to 1/2 in; rows 16 in apart; a bed of 31 by 47 in; by 984 ft',
    );
    expect(us(us('20 to 30 °C'))).toBe('68 to 86 °F');
    // A limit is not rounded past what is taken.
    expect(inUnits('a number from 0.5 to 80 mm', 'us', true)).toBe('a number from 1/16 to 3 1/8 in');
    // What a gardener typed in the other scale is turned back.
    expect(inUnits('not above 75 °F, 3 mm deep', 'metric')).toBe('not above 24 °C, 3 mm deep');
    expect(us('2 minutes, 5 men, 12 metres')).toBe('2 minutes, 5 men, 12 metres');
  });

  it('says a moment from where the household stands', () => {
    const now = Date.parse('2026-04-11T07:10:00+02:00');
    const { when } = wordsFor('Europe/Copenhagen', 'metric', now, 0.8);
    const at = (iso: string): string => when(Date.parse(iso));
    expect(
      [
        '2026-04-11T13:00:00+02:00',
        '2026-04-11T18:30:00+02:00',
        '2026-04-12T07:00:00+02:00',
        '2026-04-14T07:00:00+02:00',
        '2026-05-02T07:00:00+02:00',
        '2027-01-02T07:00:00+01:00',
      ].map(at),
    ).toEqual(['13:00', 'tonight 18:30', 'tomorrow 07:00', 'Tuesday 07:00', '2 May', '2 January 2027']);
  });
});
