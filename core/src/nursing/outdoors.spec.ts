import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { CROPS } from '../crops/index.js';
import { pooledFates, survivalFor } from '../moving/index.js';
import { randomFrom } from '../testing/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import {
  carryIn,
  hardeningWeek,
  nightBorne,
  NURSERY_TROUBLES,
  weatherFrom,
  type WeatherSpan,
  outdoorTasks,
  standsOut,
  weekOf,
  type Outdoors,
  type TrayFacts,
} from './index.js';

const MIDNIGHT = Date.parse('2026-04-11T00:00:00Z');
const crop = (id: string) => CROPS.find((one) => one.id === id) ?? fail(id);
function fail(what: string): never {
  throw new Error(what);
}

describe('hardening', () => {
  const day = (nth: number, minC: number, maxC: number, windKmh: number | null = 10): WeatherSpan => ({
    ...{ fromMs: MIDNIGHT + nth * DAY_MS, toMs: MIDNIGHT + (nth + 1) * DAY_MS, minC, maxC, windKmh },
  });
  const mild = Array.from({ length: 8 }, (_, nth) => day(nth, 12, 19));

  it('is a little longer out each fit day, nights last; cold and wind keep it in', () => {
    const week = hardeningWeek(crop('tomato'), mild, { doneDays: 0, midnightMs: MIDNIGHT, sheltered: false });
    expect(week.map(({ hours }) => hours)).toEqual([2, 3, 4, 6, 8, 10, 12]);
    expect(week.map(({ night }) => night)).toEqual([false, false, false, false, true, true, true]);
    const rough = mild.map((span, nth) => (nth === 1 ? { ...span, windKmh: 60 } : nth === 2 ? { ...span, maxC: 9, minC: 3 } : span));
    const kept = hardeningWeek(crop('tomato'), rough, { doneDays: 0, midnightMs: MIDNIGHT, sheltered: false });
    expect(kept.slice(0, 4).map(({ nth, kept: why }) => [nth, why])).toEqual([
      [1, null],
      [null, 'wind'],
      [null, 'cold'],
      [2, null],
    ]);
    // The cabbage shrugs at what keeps the tomato in.
    expect(hardeningWeek(crop('cabbage'), rough, { doneDays: 0, midnightMs: MIDNIGHT, sheltered: false })[2]?.hours).toBe(3);
    expect(
      hardeningWeek(crop('tomato'), [], { doneDays: 6, midnightMs: MIDNIGHT, sheltered: false }).every(
        ({ night, kept: why }) => !night && why === 'unknown',
      ),
    ).toBeTrue();
  });

  it('carries in what the night would harm, less of it the further it is hardened, and never a tender kind below its limit', () => {
    const night = (minC: number) => [day(0, minC, 14), day(1, minC, 14)];
    const ask = (id: string, minC: number, sinceDays: number | null, sheltered = false) =>
      carryIn(crop(id), night(minC), {
        hardeningSinceMs: sinceDays === null ? null : MIDNIGHT - sinceDays * DAY_MS,
        sheltered,
        eveningMs: MIDNIGHT + 17 * HOUR_MS,
      });
    expect(ask('tomato', 11, 0)).not.toBeNull();
    expect(ask('tomato', 11, 7)).toBeNull();
    expect(ask('tomato', 8, 7)).not.toBeNull();
    expect(ask('tomato', 8, 7, true)).toBeNull();
    expect(ask('leek', 5, 4)).not.toBeNull();
    expect(ask('leek', 5, 5)).toBeNull();
    expect(carryIn(crop('tomato'), [], { hardeningSinceMs: null, sheltered: false, eveningMs: MIDNIGHT })).toBeNull();
    const tender = parse<Record<string, string>>(readFileSync(new URL('../../../reference/frost_hardiness.csv', import.meta.url)), {
      columns: true,
    }).filter((row) => row['class'] === 'tender');
    for (const row of tender) {
      const own = CROPS.find(({ id }) => id === row['crop']);
      if (own?.growing.hardiness === 'tender')
        expect(nightBorne(own, 14))
          .withContext(own.id)
          .toBeGreaterThan(Number(row['killed_C_high']) + 1);
    }
  });

  it('is carried in and out by the evening and the morning, and begun when size and frost let it', () => {
    const up = { stage: 'up' as const, atMs: MIDNIGHT - 40 * DAY_MS };
    const leaves = { stage: 'true_leaves' as const, atMs: MIDNIGHT - 20 * DAY_MS };
    const hardening = { stage: 'hardening' as const, atMs: MIDNIGHT - DAY_MS };
    const tray = (marks: TrayFacts['plants'][number]['marks'], more: Partial<TrayFacts> = {}): TrayFacts => ({
      ...{ crop: crop('tomato'), destination: 'pot', movedMs: MIDNIGHT - 45 * DAY_MS, seenMs: [], finalPot: false, pottedMs: null },
      plants: [{ number: 1, proved: true, movedMs: MIDNIGHT - 45 * DAY_MS, marks, goneMs: null }],
      stays: [{ fromMs: MIDNIGHT - 45 * DAY_MS, readings: [], guess: { minC: 17, maxC: 22 } }],
      survival: { mean: 0.95, weight: 12 },
      ...more,
    });
    const out = (more: Partial<Outdoors> = {}): Outdoors => ({
      ...{ daylit: 'window', carried: null, spans: mild, midnightMs: MIDNIGHT, sizeMs: null, outMs: null },
      ...more,
    });
    const eight = MIDNIGHT + 8 * HOUR_MS;
    const kinds = (facts: TrayFacts, where: Outdoors) =>
      outdoorTasks(facts, where, eight).map(({ kind, dueMs }) => [kind, (dueMs - MIDNIGHT) / HOUR_MS]);
    // Hardened on a sill: out at nine today; carried in this morning, out at nine tomorrow.
    expect(kinds(tray([up, leaves, hardening]), out())).toEqual([['carry_out', 9]]);
    expect(kinds(tray([up, leaves, hardening]), out({ carried: { out: false, atMs: MIDNIGHT + HOUR_MS } }))).toEqual([['carry_out', 33]]);
    expect(kinds(tray([up, leaves, hardening]), out({ spans: [] }))).toEqual([]);
    // Out, and the night is cold: in by five. Of no weather nobody says anything.
    const cold = [day(0, 2, 14), day(1, 2, 14)];
    expect(kinds(tray([up, leaves, hardening]), out({ carried: { out: true, atMs: MIDNIGHT }, spans: cold }))).toEqual([['carry_in', 17]]);
    // What belongs on the porch was carried in for the night only.
    const porch = out({ daylit: 'roof', carried: { out: false, atMs: MIDNIGHT - 7 * HOUR_MS }, spans: cold });
    expect(standsOut(porch)).toBeTrue();
    expect(standsOut({ ...porch, carried: { out: false, atMs: MIDNIGHT + HOUR_MS } })).toBeFalse();
    expect(kinds(tray([up, leaves]), porch)).toEqual([['carry_in', 17]]);
    // Hardening begins eight days before it is both big enough and let out by the frost; never for what stays where it is.
    const soon = { sizeMs: MIDNIGHT + 20 * DAY_MS, outMs: MIDNIGHT + 30 * DAY_MS };
    expect(kinds(tray([up, leaves]), out(soon))).toEqual([['harden', 22 * 24]]);
    expect(kinds(tray([up, leaves], { destination: 'slot' }), out(soon))).toEqual([]);
    expect(kinds(tray([up]), out(soon))).toEqual([]);
    // A porch has hardened some of the way already.
    const [first] = weekOf(tray([up, leaves, hardening]), out({ daylit: 'roof' }));
    expect([first?.nth, first?.kept]).toEqual([3, null]);
  });

  it('reads weather of any station’s layout, by day or by hour, and says what it cannot read', () => {
    const rows = (text: string): string[][] =>
      text
        .trim()
        .split('\n')
        .map((line) => line.trim().split(';'));
    const [first] = weatherFrom(rows('Date;Tmin °C;Tmax °C;Gusts m/s\n2026-04-12;3,5;11;10\n2026-04-13;5;13;5'), 'Europe/Copenhagen');
    expect(first).toEqual({
      fromMs: Date.parse('2026-04-12T00:00:00+02:00'),
      toMs: Date.parse('2026-04-13T00:00:00+02:00'),
      minC: 3.5,
      maxC: 11,
      windKmh: 36,
    });
    const hourly = weatherFrom(rows('time;temp (°F);wind mph\n2026-04-12 00:00;41;10\n2026-04-12 01:00;40;12'), 'Europe/Copenhagen');
    expect(hourly.map(({ fromMs, toMs, minC }) => [(toMs - fromMs) / HOUR_MS, Number(minC.toFixed(1))])).toEqual([
      [1, 5],
      [1, 4.4],
    ]);
    expect(hourly[0]?.windKmh).toBeCloseTo(16.1, 1);
    const refused: readonly (readonly [string, RegExp])[] = [
      ['Date;Tmin;Tmax', /no rows/],
      ['Name;Tmin;Tmax\nhere;3;4', /No column holds days/],
      ['Date;Rain\n2026-04-12;3', /headed as a lowest/],
      ['Date;Tmin;Tmax\n2026-04-12;3;mild', /Row 2: “mild” is no temperature/],
      ['Date;Tmin;Tmax\n2026-02-30;3;9', /is no day that a calendar has/],
    ];
    for (const [text, why] of refused)
      expect(() => weatherFrom(rows(text), 'UTC'))
        .withContext(text)
        .toThrowError(why);
  });
});

describe('survival after the move', () => {
  it('is held by its 80 % stretch in simulated households of known survival, whose trays share their luck', () => {
    const random = randomFrom(5);
    const gamma = (shape: number): number => {
      // Marsaglia and Tsang (2000).
      const d = (shape < 1 ? shape + 1 : shape) - 1 / 3;
      const c = 1 / Math.sqrt(9 * d);
      for (;;) {
        const x = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
        const v = (1 + c * x) ** 3;
        if (v > 0 && Math.log(1 - random()) < (x * x) / 2 + d - d * v + d * Math.log(v))
          return d * v * (shape < 1 ? (1 - random()) ** (1 / shape) : 1);
      }
    };
    const beta = (mean: number, weight: number): number => {
      const [a, b] = [gamma(mean * weight), gamma((1 - mean) * weight)];
      return a / (a + b);
    };
    let [held, all] = [0, 0];
    for (let round = 0; round < 1500; round++) {
      const truth = beta(0.93, 12);
      // Between two and ten trays of three to forty; two seedlings of a tray are alike in one tray of ten.
      const trays = Array.from({ length: 2 + Math.floor(random() * 9) }, () => {
        const [count, own] = [3 + Math.floor(random() * 38), beta(truth, 9)];
        const lived = Array.from({ length: count }, () => random() < own).filter(Boolean).length;
        return { lived, lost: count - lived };
      });
      const { low, high } = survivalFor('cell', pooledFates(trays));
      all++;
      if (truth >= low && truth <= high) held++;
    }
    expect(held / all).toBeGreaterThanOrEqual(0.75);
    expect(held / all).toBeLessThanOrEqual(0.88);
  });

  it('falls where a tray was lost to damping off, less by one tray of sixty than by six of ten', () => {
    const before = survivalFor('cell', { lived: 0, lost: 0 });
    const one = survivalFor('cell', pooledFates([{ lived: 30, lost: 30 }]));
    const many = survivalFor('cell', pooledFates(Array.from({ length: 6 }, () => ({ lived: 5, lost: 5 }))));
    expect(one.mean).toBeLessThan(before.mean);
    expect(many.mean).toBeLessThan(one.mean);
    expect(one.told).toBe(60);
  });

  it('has a guide to what goes wrong, each with what it is not and what to do', () => {
    expect(new Set(NURSERY_TROUBLES.map(({ id }) => id)).size).toBe(NURSERY_TROUBLES.length);
    for (const { seen, name, act, not, cause } of NURSERY_TROUBLES) {
      for (const text of [seen, name, act, not, cause]) expect(text.length).withContext(seen).toBeGreaterThan(3);
      expect(not)
        .withContext(seen)
        .toMatch(/\bnot\b|rarely/i);
    }
  });
});
