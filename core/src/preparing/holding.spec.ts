import fc from 'fast-check';
import { reportFor } from '../judging/index.js';
import { factsOf, USUAL_WAYS, type ParcelFacts } from '../parcel/index.js';
import { look, NOW, parcel } from '../testing/index.js';
import { DAY_MS } from '../units/index.js';
import { integrateProgress, responseOf, type Stay } from '../warmth/index.js';
import { coldRate, creditOf } from './credit.js';
import { hardShare, heldBack, medianFactor } from './holding.js';

const apple = parcel('apple', 1, 4).crop;
const HOUSE = { zone: 'Europe/Copenhagen', lookingTimes: ['07:00'], ways: { ...USUAL_WAYS, lateTolerance: 0.02 } };
/** Places one after another, each for so many days, the last until now. */
function lain(...parts: readonly (readonly [days: number, celsius: number])[]): { startMs: number; stays: Stay[] } {
  const startMs = NOW - parts.reduce((sum, [days]) => sum + days, 0) * DAY_MS;
  let fromMs = startMs;
  const stays = parts.map(([days, celsius]): Stay => {
    const stay = { fromMs, toMs: fromMs + days * DAY_MS };
    fromMs = stay.toMs;
    const range = { minC: celsius - 0.5, maxC: celsius + 0.5 };
    return { fromMs: stay.fromMs, readings: [{ ...stay, ...range }], guess: range };
  });
  return { startMs, stays };
}

/** Pips as a household has them, their steps done. */
function pips(more: Partial<ParcelFacts>, places: ReturnType<typeof lain>): ParcelFacts {
  const {
    utcOffsetHours: _,
    lookTimesMs: __,
    lateTolerance: ___,
    ways: ____,
    ...own
  } = { ...parcel('apple', 1, 4), seeds: 12, prepared: ['soak'], ...places, ...more };
  return factsOf(own, HOUSE, NOW);
}

describe('chill and coats', () => {
  it('cold counts within the crop’s range, less beyond it, and not at all where it is warm or frozen', () => {
    const rate = coldRate(apple);
    expect([-4, -1, 3, 5].map(rate)).toEqual([0, 0, 1, 1]);
    expect([7, 8].every((celsius) => rate(celsius) > 0 && rate(celsius) < 1)).toBeTrue();
    expect([10, 15, 20, 30].map(rate)).toEqual([0, 0, 0, 0]);
    fc.assert(
      fc.property(fc.double({ min: -20, max: 40, noNaN: true }), (celsius) => {
        expect(rate(celsius)).toBeGreaterThanOrEqual(0);
        expect(rate(celsius)).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('a warm spell earns nothing and takes nothing away', () => {
    const { startMs, stays } = lain([20, 4], [6, 20], [9, 4]);
    const credit = creditOf(apple, stays, startMs, NOW, 0);
    const at = (day: number): number => credit.at(startMs + day * DAY_MS);
    expect([20, 26, 35].map((day) => Math.round(at(day)))).toEqual([20, 20, 29]);
    expect(Math.round(((credit.when(25) ?? 0) - startMs) / DAY_MS)).toBe(31);
    // What it brought is there from the start; warmth that must go before the cold is waited for.
    expect(Math.round(creditOf(apple, stays, startMs, NOW, 0, 30).at(startMs))).toBe(30);
    const raspberry = parcel('raspberry', 1, 4).crop;
    const warmed = lain([100, 20], [60, 4]);
    const two = creditOf(raspberry, warmed.stays, warmed.startMs, NOW, 0);
    expect(Math.round(((two.when(30, 84) ?? 0) - warmed.startMs) / DAY_MS)).toBe(130);
    expect(two.when(30, 120)).toBeNull();
  });

  it('holds back parts that are a whole lot together, none before its chill, more of it the less cold it had', () => {
    const asleep = (...parts: readonly (readonly [days: number, celsius: number])[]): number => {
      const { startMs, stays } = lain(...parts);
      const endMs = NOW + 5 * DAY_MS;
      const progress = integrateProgress(responseOf(apple.temperature), stays, startMs, endMs);
      const held = heldBack(apple, ['soak'], progress, creditOf(apple, stays, startMs, endMs, 0));
      expect(held.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
      return held.filter(({ progress: from }) => from === Infinity).reduce((sum, { weight }) => sum + weight, 0);
    };
    const [none, half, whole] = [asleep([40, 18]), asleep([35, 4], [10, 18]), asleep([70, 4], [10, 18])];
    expect(none).toBeGreaterThan(0.9);
    expect(half).toBeGreaterThan(0.4);
    expect(half).toBeLessThan(none);
    expect(whole).toBeLessThan(0.12);
  });

  it('pips quiet through the seventy days that were prescribed keep their chance, looked at or entered late', () => {
    const chilled = lain([70, 4]);
    const chillUntilMs = NOW;
    const looked = reportFor(
      pips({ looks: [20, 41, 55, 70].map((day) => look((70 - day) * 24, { tipped: 0 })), chillUntilMs }, chilled),
      NOW,
    );
    const late = reportFor(pips({ chillUntilMs }, chilled), NOW);
    for (const { chanceQuietAlive, chanceEver, supply } of [looked, late]) {
      expect(chanceQuietAlive).toBeGreaterThan(0.5);
      expect(chanceEver).toBeGreaterThan(0.85);
      expect(supply.deadChance).toBeLessThan(0.1);
    }
  });

  it('with chill, half of it and none, what is to be expected differs as it should, and what sleeps is sent into the cold', () => {
    const quiet = { looks: [look(24, { tipped: 0 })] };
    const half = reportFor(pips(quiet, lain([35, 4], [16, 18])), NOW);
    const none = reportFor(pips(quiet, lain([16, 18])), NOW);
    const whole = reportFor(pips({}, lain([70, 4])), NOW);
    expect(whole.end.mean).toBeGreaterThan(6);
    expect(half.end.mean).toBeLessThan(1.5);
    expect(none.end.mean).toBeLessThan(0.5);
    // Held back is not dead: the less it could have come, the likelier it still lives.
    expect(none.chanceQuietAlive).toBeGreaterThan(half.chanceQuietAlive);
    expect(half.chanceQuietAlive).toBeGreaterThan(0.3);
    expect([half.chill?.earnedDays, none.chill?.earnedDays].map((days) => Math.round(days ?? -1))).toEqual([35, 0]);
  });

  it('seed put into the cold without a plan is chilled by it until its weeks are earned', () => {
    const facts = pips({}, lain([16, 18], [20, 4]));
    expect(facts.chillUnplanned).toBeTrue();
    expect(Math.round(((facts.chillUntilMs ?? 0) - NOW) / DAY_MS)).toBe(50);
    // A warm spell within a planned chill is made up for; dry cold earns none and ends by the calendar.
    const spell = pips({ chillUntilMs: NOW + 40 * DAY_MS }, lain([20, 4], [5, 20], [5, 4]));
    expect(Math.round(((spell.chillUntilMs ?? 0) - NOW) / DAY_MS)).toBe(45);
    const dry = pips({ chillUntilMs: NOW + 40 * DAY_MS, chillDry: true }, lain([30, 4]));
    expect(dry.chillUntilMs).toBe(NOW + 40 * DAY_MS);
    expect(reportFor(dry, NOW).end.mean).toBeLessThan(1);
  });

  it('whole stones and whole coats take longer, and opened ones do not', () => {
    const crop = (id: string) => parcel(id, 1, 25).crop;
    expect([medianFactor(crop('avocado'), ['soak']), medianFactor(crop('avocado'), ['peel', 'soak'])]).toEqual([1.5, 1]);
    expect(medianFactor(crop('avocado'), ['peel'])).toBe(1.1);
    expect([hardShare(crop('canna'), []), hardShare(crop('canna'), ['file', 'soak'])].map((share) => Math.round(share * 100))).toEqual([
      86, 0,
    ]);
    expect(hardShare(crop('morning-glory'), ['soak'])).toBeGreaterThan(0.1);
    // A crop without a coat worth the name is not held back by anything.
    expect(hardShare(crop('leek'), [])).toBe(0);
    const half = (prepared: readonly string[]): number =>
      (reportFor({ ...parcel('canna', 0, 25), prepared }, NOW).halfMs ?? Infinity) - NOW;
    expect(half([])).toBeGreaterThan(2 * half(['file', 'soak']));
  });
});
