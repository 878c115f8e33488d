import type { Ahead } from '../looking/index.js';
import { parcel, NOW, slipsIn, words } from '../testing/index.js';
import { carriedTo, goesOn, type GoesOn } from '../judging/index.js';
import { methodOf } from '../method/index.js';
import { wordsFor } from '../units/index.js';
import {
  alarmInWords,
  aheadInWords,
  awayInWords,
  boardInWords,
  changedInWords,
  energyInWords,
  remedyInWords,
  shiftInWords,
  silentInWords,
  startAwayInWords,
} from './index.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const sill = { name: 'South sill', setup: { lidded: true, mat: null, sun: { fromHour: 10, toHour: 15 } }, guessed: true };
const said = { nowMs: NOW, chillDays: null, coldThere: false };

describe('what is said of warmth', () => {
  it('tells a shift by what one would say, not to the minute', () => {
    const told: readonly [hours: number, text: string][] = [
      [0, 'about as soon'],
      [3, 'about as soon'],
      [-3, 'about as soon'],
      [8, '8 hours later'],
      [-8, '8 hours sooner'],
      [24, 'a day later'],
      [-36, '1.5 days sooner'],
      [24 * 6.3, '6.5 days later'],
      [24 * 28, '4 weeks later'],
    ];
    for (const [hours, text] of told) expect(shiftInWords(NOW, NOW + hours * HOUR_MS)).toBe(text);
  });

  it('of another board says how much sooner or later, how many fewer, and refuses the one that kills', () => {
    const leek = parcel('leek', 3, 20);
    const at = (minC: number, maxC: number): GoesOn =>
      goesOn(carriedTo(leek, { guess: { minC, maxC }, readings: [{ fromMs: NOW - DAY_MS, toMs: NOW, minC, maxC }] }, NOW), NOW);
    const here = goesOn(leek, NOW);
    expect(boardInWords(here, here, said, words)).toEqual(jasmine.objectContaining({ lead: 'about as soon', notes: [], refused: null }));
    const cool = boardInWords(here, at(8, 10), said, words);
    expect(cool.lead).toMatch(/days later$/);
    const hot = boardInWords(here, at(29, 31), said, words);
    expect(hot.notes.join(' ')).toMatch(/^About \d+ fewer come there\./);
    expect(hot.tone).toBe('trouble');
    expect(boardInWords(here, at(38, 46), said, words).refused).toMatch(/^Read up to 46 °C: .* of this seed would die in a day there/);
    // Its own board changed is not "there".
    expect(boardInWords(here, at(29, 31), { ...said, elsewhere: false }, words).notes.join(' ')).not.toContain('there');
    // Out of its chill early it is told so, whatever its speed.
    expect(boardInWords(here, at(20, 22), { ...said, chillDays: 8 }, words).notes[0]).toBe(
      'It has 8 days of its cold to go, and earns none there.',
    );
  });

  it('before a harm says what to do now, and reads without a slip in either system', () => {
    const harms: readonly Ahead[] = [
      { kind: 'hot', dies: 0.4, fromMs: NOW + 20 * HOUR_MS, peakC: 41 },
      { kind: 'frozen', fromMs: NOW + 20 * HOUR_MS, lowC: -3 },
      { kind: 'chilled', fromMs: NOW + 14 * HOUR_MS, lowC: 5 },
      { kind: 'unchilled', fromMs: NOW + 14 * HOUR_MS, peakC: 17 },
    ];
    for (const units of ['metric', 'us'] as const) {
      const own = wordsFor('Europe/Copenhagen', units, NOW, 0.8);
      const hours = [20, 24, 31].map((celsius, nth) => ({
        fromMs: NOW + nth * HOUR_MS,
        toMs: NOW + (nth + 1) * HOUR_MS,
        minC: celsius,
        maxC: celsius,
      }));
      const texts = [
        ...harms.flatMap((harm) => [
          aheadInWords(harm, own),
          ...[[7], [7, 9]].map((numbers) => alarmInWords(sill, harm, numbers, own).text),
        ]),
        silentInWords('the wire', 'Mat', { atMs: NOW - 40 * 60_000, celsius: 27.3 }, NOW, own),
        changedInWords(hours, 30, own),
      ];
      for (const text of texts) expect(slipsIn(text, units)).withContext(text).toEqual([]);
      expect(alarmInWords(sill, harms[0] as Ahead, [7], own).text).toContain(
        'Carry it to a cooler board before then, or lay a cloth over the window and lift the lid; it goes back when it has passed. That is guessed',
      );
      expect(
        alarmInWords({ ...sill, setup: { lidded: false, mat: null, sun: null }, guessed: false }, harms[0] as Ahead, [7, 9], own).text,
      ).toMatch(/^7 and 9 stand there; .* Carry them to a cooler board before then; they go back when it has passed\.$/);
    }
    expect(silentInWords('the wire', 'Mat', { atMs: NOW - 40 * 60_000, celsius: 27.3 }, NOW, words)).toContain(
      'for 40 minutes; it said 27.3 °C last (',
    );
  });

  it('of an absence names every harm once, and a remedy with what it leaves', () => {
    const none = { late: 0, shownLate: false, driesMs: null, soakMs: null, countMs: null, secondMs: null, chillMs: null };
    const towel = methodOf('towel');
    expect(awayInWords(none, towel, 0.01, words)).toEqual([]);
    expect(awayInWords({ ...none, late: 0.3 }, towel, 0.01, words)).toEqual(['A root would be in the paper by then: 3 chances in 10.']);
    expect(awayInWords({ ...none, late: 0.3 }, { ...towel, event: 'emergence' }, 0.01, words)[0]).toMatch(
      /^A seedling would be up and drawn/,
    );
    expect(awayInWords({ ...none, late: 1, shownLate: true, driesMs: NOW + DAY_MS }, towel, 0.01, words).length).toBe(2);
    const cooler = { kind: 'cooler', place: 'Back porch', delayMs: 30 * HOUR_MS, left: 0.02, fewer: false, along: [9] } as const;
    expect(remedyInWords(cooler, words)).toEqual({
      text: 'At Back porch it waits 30 hours longer, and 2 chances in 100 of that is left. 9 in the same bag goes along.',
      label: 'Carried to Back porch',
    });
  });

  it('says what is begun now would be late while nobody is there, by what would happen to it, and from which day it is not', () => {
    const days = { moment: (ms: number): string => `day ${Math.round((ms - NOW) / DAY_MS)}, 07:00` };
    const clash = { absence: { fromMs: NOW + 4 * DAY_MS, toMs: NOW + 8 * DAY_MS }, beginMs: NOW + 4 * DAY_MS };
    const said = (way: 'towel' | 'water' | 'pot'): string => startAwayInWords(clash, methodOf(way), days);
    expect(said('towel')).toBe(
      'Nobody is there from day 4 to day 8: a root may be in the paper before you are back. Begun on day 5 or later it is not.',
    );
    expect(said('water')).toContain('seed may drown');
    expect(said('pot')).toContain('what is up may be drawn');
  });

  it('of a mat says what it takes and costs, in whole hours', () => {
    const day = { meanC: 27, minC: 26, maxC: 28, on: 0.42, wattHours: 182, matC: 31, warmUpHours: 3.2, overshootC: 0.6, reaches: true };
    expect(energyInWords(day, 0.3)).toBe(
      'The mat is on 10 hours a day and takes 182\u00a0Wh, 0.05 a day of your money. From cold it needs about 3 hours.',
    );
    expect(energyInWords({ ...day, on: 1, warmUpHours: null }, null)).toBe('The mat is on all day and takes 182\u00a0Wh.');
    expect(energyInWords({ ...day, on: 0.04, warmUpHours: 0.4 }, null)).toBe(
      'The mat is on 1 hour a day and takes 182\u00a0Wh. From cold it needs less than an hour.',
    );
  });
});
