import { fitBody, type HourReading } from './body-fit.js';
import { runBody, type Body } from './body.js';

/** Steady pseudo-random numbers of a bell, by their number (Box and Muller). */
function bells(seed: number): () => number {
  let state = seed >>> 0;
  const one = (): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state + 0.5) / 2 ** 32;
  };
  return () => Math.sqrt(-2 * Math.log(one())) * Math.cos(2 * Math.PI * one());
}
const room = { meanC: 19.5, halfSwingC: 1.5, warmestHour: 16 };
const mat = { watts: 18, betweenKPerW: 0.3, belowKPerW: 1.5 };
const passive: Body = { heatWhPerK: 1.2, lossWPerK: 0.9, room, mat: null, sun: null };
const thermostat = { setC: 26, bandC: 1, probe: 'fold', lagHours: 0.05 } as const;
const worlds: Readonly<Record<string, { readonly guess: Body; readonly truth: (bell: () => number) => Body }>> = {
  'a cupboard': {
    guess: passive,
    truth: (bell) => ({ ...passive, room: { meanC: 22 + bell(), halfSwingC: 2 + 0.5 * bell(), warmestHour: 18 + bell() }, heatWhPerK: 2 }),
  },
  'a mat on its thermostat': {
    guess: { ...passive, mat: { ...mat, thermostat } },
    truth: (bell) => ({
      ...passive,
      lossWPerK: 1.2,
      mat: { ...mat, thermostat: { ...thermostat, setC: 26 + bell(), bandC: 1.4, lagHours: 0.1 } },
    }),
  },
  'a mat that is always on': {
    guess: { ...passive, mat: { ...mat, thermostat: null } },
    truth: (bell) => ({ ...passive, lossWPerK: 0.9 * Math.exp(0.3 * bell()), mat: { ...mat, thermostat: null } }),
  },
  'a sill in the sun': {
    guess: { ...passive, sun: { watts: 15, fromHour: 11, toHour: 17 } },
    truth: (bell) => ({
      ...passive,
      heatWhPerK: 1.8,
      room: { meanC: 18 + bell(), halfSwingC: 2, warmestHour: 15 },
      sun: { watts: 24 + 4 * bell(), fromHour: 11, toHour: 17 },
    }),
  },
};
const dayOf = (body: Body, day: number) => {
  const hours = runBody(body, { startHour: 0, hours: 48 }).hours.slice(day * 24, day * 24 + 24);
  return {
    hours,
    meanC: hours.reduce((sum, { meanC }) => sum + meanC, 0) / 24,
    swingC: Math.max(...hours.map(({ maxC }) => maxC)) - Math.min(...hours.map(({ minC }) => minC)),
  };
};

describe('a body fitted to its spot’s readings', () => {
  for (const [name, { guess, truth }] of Object.entries(worlds))
    it(`predicts the day after within half a degree, and its swing within one: ${name}`, () => {
      for (let seed = 1; seed <= 8; seed++) {
        const bell = bells(seed * 7919);
        const real = truth(bell);
        const readings: HourReading[] = dayOf(real, 0).hours.map(({ minC, maxC }, hour) => ({
          ...{ fromHour: hour, toHour: hour + 1 },
          ...{ minC: minC + 0.2 * bell(), maxC: maxC + 0.2 * bell() },
        }));
        const fitted = fitBody(guess, readings);
        if (!fitted) return fail('no fit');
        const [said, comes] = [dayOf(fitted.body, 1), dayOf(real, 1)];
        expect(Math.abs(said.meanC - comes.meanC))
          .withContext(`mean, seed ${seed}`)
          .toBeLessThan(0.5);
        expect(Math.abs(said.swingC - comes.swingC))
          .withContext(`swing, seed ${seed}`)
          .toBeLessThan(1);
        expect(fitted.errorC).withContext(`seed ${seed}`).toBeLessThan(0.6);
        expect(fitted.readings).toBe(24);
      }
    });

  it('is drawn from its guess by days of a minimum thermometer too, and stays by it with two readings', () => {
    const real: Body = { ...passive, room: { meanC: 24, halfSwingC: 2.5, warmestHour: 16 } };
    const day = dayOf(real, 1);
    const [minC, maxC] = [Math.min(...day.hours.map((hour) => hour.minC)), Math.max(...day.hours.map((hour) => hour.maxC))];
    const days = [0, 1, 2, 3].map((nth) => ({ fromHour: nth * 24, toHour: nth * 24 + 24, minC, maxC }));
    const fitted = fitBody(passive, days);
    expect(Math.abs(dayOf(fitted!.body, 1).meanC - 24)).toBeLessThan(0.5);
    expect(fitBody(passive, days.slice(0, 2))).toBeNull();
  });

  it('takes each day’s extremes for that day’s, also under a thermostat: a cold night is not laid over its neighbours', () => {
    const world = worlds['a mat on its thermostat'];
    if (!world) return fail('no such world');
    const day = (nth: number, minC: number) => ({ fromHour: nth * 24, toHour: nth * 24 + 24, minC, maxC: 26.6 });
    const calm = fitBody(
      world.guess,
      [0, 1, 2, 3, 4].map((nth) => day(nth, 25.4)),
    );
    const once = fitBody(
      world.guess,
      [0, 1, 2, 3, 4].map((nth) => day(nth, nth === 2 ? 21 : 25.4)),
    );
    expect(calm?.errorC).toBeLessThan(0.4);
    // One night of five that no body repeats: its miss is shared by ten figures, not by six.
    expect(once?.errorC).toBeGreaterThan(0.5);
    expect(once?.errorC).toBeLessThan(2);
  });

  it('takes the last five days alone: what was in winter says nothing of spring', () => {
    const of = (day: number, celsius: number): HourReading => ({
      ...{ fromHour: day * 24, toHour: day * 24 + 24 },
      ...{ minC: celsius - 1, maxC: celsius + 1 },
    });
    const spring = [60, 61, 62, 63, 64].map((day) => of(day, 23));
    expect(fitBody(passive, [0, 1, 2].map((day) => of(day, 8)).concat(spring))).toEqual(fitBody(passive, spring));
  });
});
