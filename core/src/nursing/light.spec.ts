import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { HOUR_MS } from '../units/index.js';
import {
  aboveAir,
  atGround,
  daylightShare,
  lampAt,
  lampGap,
  lampPlan,
  LUX_PER_MICROMOL,
  MOL_PER_HOUR,
  MOL_PER_MJ,
  openLight,
  placeDay,
  sunDay,
  wantedLight,
  type PlaceLight,
} from './index.js';

interface SunTold {
  readonly latitude: number;
  readonly longitude: number;
  readonly day: string;
  readonly rise: string;
  readonly set: string;
}
const read = (name: string): string => readFileSync(new URL(`../../../reference/${name}`, import.meta.url), 'utf8');
const ROWS = parse<Record<string, string>>(read('daily_light_mol.csv'), { columns: true });
const WINDOW: PlaceLight = { daylit: 'window', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp: null };
const NORTH = { latitude: 55.6 };
const noon = (day: string): number => Date.parse(`${day}T12:00:00Z`);

describe('the light of a day', () => {
  it('is as long as another package has it, within two minutes at three latitudes', () => {
    const { days } = JSON.parse(read('daylight/daylight.json')) as { days: SunTold[] };
    expect(new Set(days.map(({ latitude }) => latitude)).size).toBe(3);
    for (const { latitude, longitude, day, rise, set } of days) {
      const found = sunDay({ latitude }, longitude, noon(day) - (longitude / 15) * HOUR_MS);
      const minutes = (found.hours * HOUR_MS - (Date.parse(set) - Date.parse(rise))) / 60_000;
      expect(Math.abs(minutes)).withContext(`${latitude} ${day}`).toBeLessThan(2);
      expect(Math.abs(found.riseMs - Date.parse(rise)))
        .withContext(`${latitude} ${day}`)
        .toBeLessThan(2 * 60_000);
    }
    expect(() => sunDay({ latitude: 78 }, 15, noon('2026-06-21'))).toThrowError(/latitude must lie from -65 to 65/);
  });

  it('is the sun above the air and at the ground as FAO-56 works it out', () => {
    // Allen and others, FAO Irrigation and Drainage Paper 56 (1998): example 8, 20° S on 3 September, 32.2 MJ; example 10, Rio in May, 25.1 and 14.5 MJ.
    expect(aboveAir({ latitude: -20 }, noon('2026-09-03'))).toBeCloseTo(32.2, 1);
    expect(aboveAir({ latitude: -22.9 }, noon('2026-05-15'))).toBeCloseTo(25.1, 1);
    expect(atGround({ latitude: -22.9 }, noon('2026-05-15'), 7.1 / 10.9)).toBeCloseTo(14.5, 1);
  });

  it('turns units by the published factors', () => {
    const factor = (what: string): Record<string, string> => ROWS.find((row) => row['what'] === what) ?? {};
    expect(MOL_PER_HOUR).toBe(Number(factor('daily sum from a steady lamp')['low']));
    // 300 µmol for 12 h are 12.96 mol, 100 for 16 h 5.76.
    expect(300 * 12 * MOL_PER_HOUR).toBeCloseTo(12.96, 10);
    expect(100 * 16 * MOL_PER_HOUR).toBeCloseTo(5.76, 10);
    const { sun, tube }: Record<string, number> = LUX_PER_MICROMOL;
    expect(sun).toBe(Number(factor('sun and sky, lux per micromol')['low']));
    expect(tube).toBe(Number(factor('cool white tube, lux per micromol')['low']));
    const warmth = factor('all sun warmth to growing light');
    expect(MOL_PER_MJ).toBeGreaterThanOrEqual(Number(warmth['low']));
    expect(MOL_PER_MJ).toBeLessThanOrEqual(Number(warmth['high']));
  });

  it('comes to the tabled sums in the open, and to the tabled shares on a sill', () => {
    // Cloudy and maritime, 50 to 53° N: December 3 to 5, March 15 to 20, June 35 to 42.
    for (const [day, sunshine] of [
      ['2026-12-15', 0.25],
      ['2026-03-15', 0.3],
      ['2026-06-15', 0.4],
    ] as const) {
      const month = { '12': 'December', '03': 'March', '06': 'June' }[day.slice(5, 7)];
      const row = ROWS.find(({ crops_or_place: place, season }) => place?.startsWith('cloudy maritime') && season === month) ?? {};
      const sum = openLight({ latitude: 51.5 }, noon(day), sunshine);
      expect(sum)
        .withContext(day)
        .toBeGreaterThan(Number(row['low']) * 0.85);
      expect(sum)
        .withContext(day)
        .toBeLessThan(Number(row['high']) * 1.15);
    }
    const facings = { noon: 'facing the noon sun', side: 'facing east or west', away: 'facing away from noon sun' } as const;
    const seasons = { winter: '2026-01-10', 'spring and autumn': '2026-04-10', summer: '2026-07-10' } as const;
    for (const [facing, words] of Object.entries(facings))
      for (const [season, day] of Object.entries(seasons)) {
        const row = ROWS.find((one) => one['part'] === 'sill' && one['crops_or_place'] === words && one['season'] === season) ?? {};
        const share = daylightShare({ ...WINDOW, facing: facing as 'noon' }, NORTH, noon(day));
        expect([share.low, share.high].map((value) => Number(value.toFixed(3))))
          .withContext(`${words} ${season}`)
          .toEqual([Number(row['low']), Number(row['high'])]);
      }
    const deep = daylightShare({ ...WINDOW, metresIn: 1, opposite: true }, NORTH, noon('2026-04-10')).usual;
    expect(deep).toBeLessThan(daylightShare(WINDOW, NORTH, noon('2026-04-10')).usual / 3);
    // The south's summer is the north's winter.
    expect(daylightShare(WINDOW, { latitude: -35 }, noon('2026-01-10')).high).toBeCloseTo(0.35, 6);
  });

  it('is wanted by kin as tabled, and less by leaves that have just opened', () => {
    for (const row of ROWS.filter(({ part }) => part === 'target'))
      for (const id of (row['crops_or_place'] ?? '').split('; ')) {
        const found = wantedLight({ id }, 'true_leaves');
        if (!found?.source || found.source.startsWith('Torres')) continue;
        // Two rows speak of the same bedding plants: the one for a sunny place is wider.
        if (/^(plugs|microgreens)/.test(row['what'] ?? '')) continue;
        expect([found.low, found.high])
          .withContext(id)
          .toEqual([Number(row['low']), Number(row['high'])]);
      }
    expect(wantedLight({ id: 'leek' }, 'moved')).toBeNull();
    expect(wantedLight({ id: 'tomato' }, 'up')?.high).toBeLessThanOrEqual(8);
    expect(wantedLight({ id: 'nobody-tabled-it' }, 'true_leaves')).toEqual(jasmine.objectContaining({ low: 10, high: 12 }));
  });

  it('is made up by a lamp after dusk, and by day only where the evening is not enough', () => {
    expect(lampPlan(12, 12.4, 150, 13)).toEqual({ hours: 0, byDay: 0, brings: 0, short: 0 });
    const evening = lampPlan(12, 10, 150, 13);
    expect(evening.hours).toBe(3.75);
    expect([evening.byDay, evening.short]).toEqual([0, 0]);
    const all = lampPlan(14, 2, 60, 14);
    expect(all.hours).toBe(18);
    expect(all.byDay).toBe(14);
    expect(all.short).toBeCloseTo(12 - 18 * 60 * MOL_PER_HOUR, 9);
    const sky = { ...NORTH, longitude: 12.4, sunshine: 0.4 };
    const lamp = { kind: 'white', micromol: 190, gapCm: 28, watts: null } as const;
    const when = { noonMs: noon('2026-04-11'), covered: false, gapCm: 28, switched: null };
    const day = placeDay({ ...WINDOW, facing: 'side', metresIn: 1, lamp }, sky, { low: 10, high: 12 }, when);
    expect(day.lamp?.hours).toBeGreaterThan(8);
    expect(day.litHours).toBeLessThanOrEqual(18.01);
    expect(day.short).toBe(0);
    // What the switch gives is what there is, enough or not.
    const set = placeDay({ ...WINDOW, daylit: 'dark', lamp }, sky, { low: 10, high: 12 }, { ...when, switched: 6 });
    expect([set.riseMs, set.lamp?.hours]).toEqual([null, 6]);
    expect(set.short).toBeCloseTo(10 - 6 * 190 * MOL_PER_HOUR, 9);
  });

  it('falls off under a lamp by its kind, and asks to raise it when the leaves have grown into its gap', () => {
    const lamp = { micromol: 200, gapCm: 30, watts: null };
    expect(lampAt({ ...lamp, kind: 'tube' }, 60)).toBeCloseTo(100, 9);
    expect(lampAt({ ...lamp, kind: 'bulb' }, 60)).toBeCloseTo(50, 9);
    // Nearer than half of where it was measured nobody knows.
    expect(lampAt({ ...lamp, kind: 'tube' }, 1)).toBeCloseTo(400, 9);
    expect(lampGap({ ...lamp, kind: 'white' }, 5)).toEqual({ gapCm: 25, raiseCm: null });
    expect(lampGap({ ...lamp, kind: 'white' }, 14)).toEqual({ gapCm: 16, raiseCm: 14 });
  });
});
