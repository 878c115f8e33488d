import fc from 'fast-check';
import { bodyDay, bodyOf, OPEN_LOSS_TIMES } from './body-guess.js';
import { heatUp, roomAt, runBody, type Body } from './body.js';

const bare: Body = { heatWhPerK: 1.2, lossWPerK: 0.9, room: { meanC: 19, halfSwingC: 0, warmestHour: 16 }, mat: null, sun: null };
const mat = { watts: 18, betweenKPerW: 0.3, belowKPerW: 1.5 };
const held: Body = { ...bare, mat: { ...mat, thermostat: { setC: 27, bandC: 1, probe: 'fold', lagHours: 0 } } };
const one = fc.double({ min: 0, max: 1, noNaN: true });

describe('a warm spot as a lumped body', () => {
  it('follows its closed form: after a time t it is exp(-K t / C) of the way from where it was', () => {
    fc.assert(
      fc.property(one, one, one, (a, b, c) => {
        const body: Body = { ...bare, heatWhPerK: 0.2 + 5 * a, lossWPerK: 0.2 + 3 * b };
        const startC = 5 + 30 * c;
        const { hours } = runBody(body, { startHour: 0, hours: 30, startC });
        for (const hour of [0, 1, 7, 29]) {
          const at = (t: number): number => 19 + (startC - 19) * Math.exp((-t * body.lossWPerK) / body.heatWhPerK);
          const [first, last] = [at(hour), at(hour + 1)];
          expect(Math.abs((hours[hour]?.maxC ?? NaN) - Math.max(first, last))).toBeLessThan(1e-6);
          expect(Math.abs((hours[hour]?.minC ?? NaN) - Math.min(first, last))).toBeLessThan(1e-6);
        }
      }),
      { numRuns: 50 },
    );
  });

  it('under a mat without a thermostat rises as the sum of its ways out says', () => {
    // Worked by hand: 15 of 18 W come up, the ways out are 0.9 + 1 / 1.8 = 1.4556 W/K, so 10.305 K above the room.
    expect(heatUp({ ...mat, thermostat: null })).toBeCloseTo(15, 12);
    const last = runBody({ ...bare, mat: { ...mat, thermostat: null } }, { startHour: 0, hours: 1 }).hours[0];
    expect(last?.meanC).toBeCloseTo(19 + 15 / (0.9 + 1 / 1.8), 6);
    expect(last?.on).toBeCloseTo(1, 12);
  });

  it('switches its thermostat at the times of the closed form, and balances its duty', () => {
    const loss = 0.9 + 1 / 1.8;
    const tau = 1.2 / loss;
    const goalC = 19 + 15 / loss;
    const onHours = tau * Math.log((goalC - 26.5) / (goalC - 27.5));
    const offHours = tau * Math.log((27.5 - 19) / (26.5 - 19));
    const { hours, switchedHours } = runBody(held, { startHour: 0, hours: 24 });
    const spans = switchedHours.slice(1).map((at, nth) => at - (switchedHours[nth] ?? 0));
    const cycles = spans.slice(1).map((span, nth) => span + (spans[nth] ?? 0));
    for (const cycle of cycles) expect(cycle).toBeCloseTo(onHours + offHours, 6);
    const meanC = hours.reduce((sum, hour) => sum + hour.meanC, 0) / 24;
    const duty = hours.reduce((sum, hour) => sum + hour.on, 0) / 24;
    // What the mat gives is what goes out, but for what the last, broken cycle stores (at most a band's heat in a day).
    expect(Math.abs(duty * 15 - loss * (meanC - 19))).toBeLessThan(1.2 / 24);
    expect(Math.max(...hours.map(({ maxC }) => maxC))).toBeCloseTo(27.5, 6);
    expect(Math.min(...hours.map(({ minC }) => minC))).toBeCloseTo(26.5, 6);
  });

  it('overshoots by its probe’s lag, and is colder in the fold where the probe lies on the mat', () => {
    const swing = (body: Body): readonly [number, number] => {
      const { hours } = runBody(body, { startHour: 0, hours: 24 });
      return [Math.min(...hours.map(({ minC }) => minC)), Math.max(...hours.map(({ maxC }) => maxC))];
    };
    const lagging = (lagHours: number, probe: 'fold' | 'mat' = 'fold'): Body => ({
      ...bare,
      mat: { ...mat, thermostat: { setC: 27, bandC: 1, probe, lagHours } },
    });
    const [, prompt] = swing(lagging(0));
    const [, slow] = swing(lagging(0.2));
    expect(slow).toBeGreaterThan(prompt + 0.3);
    const [low, high] = swing(lagging(0.05, 'mat'));
    expect((low + high) / 2).toBeLessThan(26.5);
  });

  it('lags behind a room that swings, the less so the lighter it is', () => {
    // A first-order body passes a daily sine by 1 / sqrt(1 + (w tau)²) (worked from the equation).
    for (const heatWhPerK of [0.5, 2, 8]) {
      const body: Body = { ...bare, heatWhPerK, room: { meanC: 20, halfSwingC: 3, warmestHour: 15 } };
      const { hours } = runBody(body, { startHour: 0, hours: 24 });
      const swing = (Math.max(...hours.map(({ maxC }) => maxC)) - Math.min(...hours.map(({ minC }) => minC))) / 2;
      const tau = heatWhPerK / 0.9;
      expect(swing).toBeCloseTo(3 / Math.sqrt(1 + ((2 * Math.PI) / 24) ** 2 * tau ** 2), 3);
    }
    expect(roomAt({ meanC: 20, halfSwingC: 3, warmestHour: 15 }, 39)).toBeCloseTo(23, 12);
  });

  it('is heated by the sun in its hours alone, cools in a power cut, and loses more without its lid', () => {
    const sunny: Body = { ...bare, sun: { watts: 20, fromHour: 12, toHour: 16 } };
    const { hours } = runBody(sunny, { startHour: 0, hours: 24 });
    const warmest = hours.findIndex(({ maxC }) => maxC === Math.max(...hours.map((hour) => hour.maxC)));
    expect(warmest).toBeGreaterThanOrEqual(13);
    expect(warmest).toBeLessThan(16);
    const calm = runBody(held, { startHour: 0, hours: 24 }).hours;
    const cut = runBody(held, { startHour: 0, hours: 24, happenings: [{ kind: 'power_cut', fromHour: 6, toHour: 12 }] }).hours;
    expect(cut[5]).toEqual(calm[5]);
    expect(cut.slice(6, 12).every(({ on }) => on === 0)).toBeTrue();
    // Six hours at 1.2 / 1.4556 h: from 26.5 to 27.5 °C down to within 0.01 K of the room.
    expect(cut[11]?.minC).toBeCloseTo(19, 1);
    expect(cut[23]?.meanC).toBeCloseTo(27, 0);
    const open = runBody(
      { ...bare, mat: { ...mat, thermostat: null } },
      {
        startHour: 0,
        hours: 24,
        happenings: [{ kind: 'lid_off', fromHour: 0, toHour: 24, lossTimes: 2 }],
      },
    ).hours;
    expect(open[23]?.meanC).toBeCloseTo(19 + 15 / (1.8 + 1 / 1.8), 3);
  });

  it('counts a mat on only where there is one, and leaves it off through a power cut', () => {
    const on = (body: Body, more: object = {}): number[] =>
      runBody(body, { startHour: 0, hours: 6, startC: 15, ...more }).hours.map((hour) => hour.on);
    expect(on(bare)).toEqual([0, 0, 0, 0, 0, 0]);
    expect(on({ ...bare, mat: { ...mat, thermostat: null } }).every((share) => Math.abs(share - 1) < 1e-9)).toBeTrue();
    const cut = on(held, { happenings: [{ kind: 'power_cut', fromHour: 0, toHour: 3 }] });
    expect(cut.slice(0, 3)).toEqual([0, 0, 0]);
    expect(cut[3]).toBeCloseTo(1, 9);
  });

  it('takes sun up over midnight’s hours as over any, by the clock of its place', () => {
    const sunny: Body = { ...bare, sun: { watts: 20, fromHour: 12, toHour: 16 } };
    const day = runBody(sunny, { startHour: 0, hours: 24 }).hours;
    // Begun at noon of the same day the hours are the same, twelve later.
    const fromNoon = runBody(sunny, { startHour: 12, hours: 12 }).hours;
    fromNoon.forEach((hour, nth) => expect(hour.meanC).toBeCloseTo(day[nth + 12]?.meanC ?? NaN, 6));
    const veiled = runBody(sunny, { startHour: 0, hours: 24, happenings: [{ kind: 'sun', fromHour: 0, toHour: 24, times: 0 }] }).hours;
    for (const { meanC } of veiled.slice(12)) expect(meanC).toBeLessThan(19.2);
    const warm = runBody(bare, { startHour: 0, hours: 24, happenings: [{ kind: 'room', fromHour: 8, toHour: 20, addC: 6 }] }).hours;
    expect(Math.max(...warm.map(({ maxC }) => maxC))).toBeGreaterThan(24);
    expect(warm[7]?.meanC).toBeCloseTo(19, 6);
  });

  it('refuses what no body is', () => {
    expect(() => runBody({ ...bare, heatWhPerK: 0 }, { startHour: 0, hours: 1 })).toThrowError(/heatWhPerK/);
    expect(() => runBody({ ...bare, lossWPerK: -1 }, { startHour: 0, hours: 1 })).toThrowError(/lossWPerK/);
    expect(() => runBody(bare, { startHour: 0, hours: 0 })).toThrowError(/hours/);
  });

  it('comes to a day: warmth, watt-hours, the mat’s own surface, the time from cold, and whether it gets there', () => {
    const tray = { lidded: true, cloths: 0, mat: { watts: 18, setC: 27, bandC: 1, probe: 'fold' }, sun: null } as const;
    const kitchen = { minC: 19, maxC: 19 };
    const day = bodyDay(bodyOf(tray, kitchen));
    expect(day.meanC).toBeCloseTo(27, 0);
    expect(day.wattHours).toBeCloseTo(day.on * 18 * 24, 9);
    // Balance by hand at the mean: what comes up is 1.4556 x 8 less the part that the mat loses below.
    const up = 0.9 * (day.meanC - 19);
    expect(day.matC).toBeCloseTo(day.meanC + 0.3 * up, 1);
    const tau = 1.2 / (0.9 + 1 / 1.8);
    const goalC = 19 + 15 / (0.9 + 1 / 1.8);
    expect(day.warmUpHours).toBeCloseTo(tau * Math.log((goalC - 19) / (goalC - 26.5)), 0);
    expect(day.overshootC).toBeGreaterThan(0.4);
    expect(day.overshootC).toBeLessThan(1);
    expect(day.reaches).toBeTrue();
    // A mat of 10 W does not get there, nor does this one in a cold porch without its lid.
    expect(bodyDay(bodyOf({ ...tray, mat: { ...tray.mat, watts: 10 } }, kitchen)).reaches).toBeFalse();
    const porch = bodyDay(bodyOf({ ...tray, lidded: false }, { minC: 8, maxC: 12 }));
    expect([porch.reaches, porch.warmUpHours]).toEqual([false, null]);
    // A cloth between: the mat is hotter for as warm a fold, and takes longer to warm it.
    const cloth = bodyDay(bodyOf({ ...tray, cloths: 2 }, kitchen));
    expect(cloth.matC ?? 0).toBeGreaterThan((day.matC ?? 0) + 2);
    expect(cloth.warmUpHours ?? 0).toBeGreaterThan(day.warmUpHours ?? 0);
    expect(bodyOf({ ...tray, lidded: false }, kitchen).lossWPerK).toBeCloseTo(0.9 * OPEN_LOSS_TIMES, 12);
    expect(bodyDay(bodyOf({ ...tray, mat: null }, { minC: 20, maxC: 25 }))).toEqual(
      jasmine.objectContaining({ wattHours: 0, matC: null, warmUpHours: null, overshootC: null, reaches: null }),
    );
  });
});
