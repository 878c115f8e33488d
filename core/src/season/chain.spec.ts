import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { CROPS, type Crop } from '../crops/index.js';
import { nursingFor, ripeningFor, type Course } from '../sowing/index.js';
import { chainOf, chanceOf, gateDay, runFrom, type Chain, type SeasonGoal } from './chain.js';
import { chanceBy, dayBy, type DayLaw } from './day-law.js';
import { dayNumber, isoOf, newYear } from './days.js';
import { minimaFrom } from './frost-file.js';
import { frostSeason } from './frost-known.js';
import { frostAfter } from './frost-law.js';
import { frostTender, killedBy } from './hardiness.js';
import { lotYear } from './lot-year.js';
import { shiftedBy, startsFor, successions } from './starts.js';
import { bearsThisYear, YIELDS, yieldOf } from './yields.js';

const crop = (id: string): Crop => CROPS.find((one) => one.id === id) ?? CROPS[0] ?? fail('no crops');
function fail(why: string): never {
  throw new Error(why);
}
/** A small fixed generator, so that the draws are the same every time. */
function draws(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state ^ (state >>> 15), 2246822519) + 0x9e3779b9) | 0;
    const mixed = Math.imul(state ^ (state >>> 13), 3266489917);
    return ((mixed ^ (mixed >>> 16)) >>> 0) / 4294967296;
  };
}
const FROST = frostSeason(
  {
    minima: null,
    house: { monthDay: '05-10', giveDays: 10, guessed: false },
    autumn: { monthDay: '10-17', giveDays: 16 },
    thresholdC: 0,
    shelterK: 0,
  },
  2026,
);
/** Sprouts that come about the crop's own days, spread as a lot is. */
const courseFor = (one: Crop, lateDays = 0): Course => {
  const tip = one.days.tipAtOptimum * 1.3;
  const enoughBy = Array.from({ length: 40 }, (_, nth) => ({ day: (nth * tip) / 12, chance: 0.93 / (1 + Math.exp(-(nth - 14) / 2)) }));
  return {
    enoughBy: [{ day: 0, chance: 0 }, ...enoughBy.slice(1)],
    rootDays: 1.4,
    nursing: nursingFor(one),
    ripening: ripeningFor(one),
    lateDays,
  };
};
const chainFor = (one: Crop, lateDays = 0): Chain =>
  chainOf({ crop: one, course: courseFor(one, lateDays), chillDays: 0, soakDays: 0, lateKind: 'plant_out', outdoors: true });

describe('the chain of a sowing', () => {
  it('agrees with ten thousand draws of its stages within half a day at 10, 50 and 90 in 100', () => {
    for (const id of ['okra', 'leek', 'melon', 'celeriac', 'sweet-pea']) {
      const one = crop(id);
      const course = courseFor(one);
      const gate = gateDay(one, FROST.of(one)) ?? fail('no gate');
      const start = gate - Math.round(dayBy(chainFor(one).hardened, 0.4));
      const run = runFrom(chainFor(one), start, gate, FROST.of(one));
      const next = draws(id.length * 7919);
      const normal = (mean: number, sd: number): number =>
        Math.max(mean + sd * Math.sqrt(-2 * Math.log(next() || 1e-12)) * Math.cos(2 * Math.PI * next()), 0);
      const most = Math.max(...course.enoughBy.map(({ chance }) => chance));
      const tip = (): number => {
        const share = next() * most;
        const high = course.enoughBy.findIndex(({ chance }) => chance >= share);
        const [a, b] = [course.enoughBy[Math.max(high - 1, 0)], course.enoughBy[high]];
        if (!a || !b || b.chance === a.chance) return b?.day ?? 0;
        return a.day + ((b.day - a.day) * (share - a.chance)) / (b.chance - a.chance);
      };
      const { nursing, ripening } = course;
      const drawn = Array.from({ length: 10_000 }, () => {
        const moved = start + tip() + normal(course.rootDays, 0.5);
        const nursed = moved + normal(nursing.days - 7, Math.sqrt(nursing.sd ** 2 - 4));
        const out = Math.max(nursed + normal(7, 2), gate);
        return { moved, nursed, out, ripe: out + normal(ripening?.days ?? 0, ripening?.sd ?? 0) };
      });
      for (const stage of ['moved', 'nursed', 'out', 'ripe'] as const) {
        const sorted = drawn.map((each) => each[stage]).sort((a, b) => a - b);
        const law = run[stage] as DayLaw;
        // Half a day, and what ten thousand draws of a wide stretch themselves leave open.
        const open = stage === 'ripe' ? 0.75 : 0.5;
        for (const share of [0.1, 0.5, 0.9])
          expect(Math.abs(dayBy(law, share) - (sorted[Math.floor(share * 10_000)] ?? 0)))
            .withContext(`${id} ${stage} at ${share}`)
            .toBeLessThan(open);
      }
      const inTime =
        drawn.filter(({ ripe }) => next() < frostAfter(FROST.of(one).ends ?? fail('no frost'), ripe - newYear(2026))).length / 10_000;
      expect(Math.abs((run.ripeInTime ?? 0) - inTime))
        .withContext(id)
        .toBeLessThan(0.02);
    }
  });

  it('keeps a law a law, whatever is put after what', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CROPS), fc.integer({ min: -60, max: 120 }), fc.integer({ min: -10, max: 30 }), (one, off, late) => {
        const chain = chainFor(one, late);
        const gate = gateDay(one, FROST.of(one));
        const run = runFrom(chain, newYear(2026) + 90 + off, gate, FROST.of(one));
        for (const law of [run.tips, run.moved, run.nursed, run.hardened, run.out, run.ripe]) {
          if (!law) continue;
          expect(law.mass.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 6);
          expect(dayBy(law, 0.1)).toBeLessThanOrEqual(dayBy(law, 0.9));
        }
        // One thing after another, and nothing before its gate.
        const middles = [run.tips, run.moved, run.nursed, run.hardened, run.out].map((law) => dayBy(law, 0.5));
        expect([...middles].sort((a, b) => a - b)).toEqual(middles);
        if (gate !== null) expect(dayBy(run.out, 0.02)).toBeGreaterThanOrEqual(gate - 0.5);
      }),
      { numRuns: 40, seed: 3 },
    );
  });
});

describe('tenderness', () => {
  interface Row {
    readonly crop: string;
    readonly kind: string;
    readonly low: number;
    readonly high: number;
    readonly conf: string;
  }
  const rows = readFileSync(new URL('../../../reference/frost_hardiness.csv', import.meta.url), 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line): Row => {
      const cells = [...line.matchAll(/("([^"]*)"|[^,]*)(?:,|$)/g)].map(([, raw = '', quoted]) => quoted ?? raw);
      return { crop: cells[0] ?? '', kind: cells[2] ?? '', low: Number(cells[3]), high: Number(cells[4]), conf: cells[8] ?? '' };
    });

  it('is that of the table, crop by crop, and the surely tender rows are held back as tender', () => {
    for (const { crop: id, low, high, kind, conf } of rows) {
      const one = CROPS.find((each) => each.id === id);
      if (!one) continue;
      expect(killedBy(one)).withContext(id).toEqual({ low, high, own: true });
      // Whatever its class in catalogues: marigold and its like are called half-hardy, and a light frost kills them.
      if (conf === 'high' && kind === 'tender') expect(frostTender(one)).withContext(id).toBeTrue();
    }
  });

  it('sends no tender crop out while nights of +1 °C still come, by a station’s own years', () => {
    const { minima } = minimaFrom(
      readFileSync(new URL('../../../reference/frost/station.csv', import.meta.url), 'utf8')
        .trim()
        .split('\n')
        .map((line) => line.split(',')),
    );
    const frost = frostSeason({ minima, autumn: null, house: null, thresholdC: 0, shelterK: 0 }, 2021);
    for (const one of CROPS.filter(frostTender)) {
      const gate = gateDay(one, frost.of(one)) ?? fail(`${one.id} has no gate`);
      const nights = Array.from({ length: 22 }, (_, nth) => {
        const from = newYear(1999 + nth) + (gate - newYear(2021)) - minima.first;
        return Math.min(...minima.celsius.slice(from, from + 40).flatMap((value) => value ?? []));
      }).sort((a, b) => a - b);
      // The coldest night after it, in the middle of the years; and a frost in no more than about one of ten.
      expect(nights[11] ?? -9)
        .withContext(one.id)
        .toBeGreaterThan(1);
      expect(nights.filter((night) => night <= 0).length)
        .withContext(one.id)
        .toBeLessThanOrEqual(3);
    }
  });

  it('knows what is waited for of every crop', () => {
    for (const one of CROPS) expect(YIELDS).toContain(yieldOf(one));
    expect(['sweet-pea', 'melon', 'soybean', 'leek', 'globe-artichoke', 'sorrel'].map((id) => yieldOf(crop(id)))).toEqual([
      'flower',
      'fruit',
      'pod',
      'root',
      'head',
      'leaf',
    ]);
    expect([bearsThisYear(crop('melon')), bearsThisYear(crop('passion-fruit'))]).toEqual([true, false]);
  });
});

describe('the day to start', () => {
  const asked = (one: Crop, goal: SeasonGoal = { kind: 'season' }, late = 0) => ({
    chain: chainFor(one, late),
    gate: gateDay(one, FROST.of(one)),
    frost: FROST.of(one),
    goal,
    sureness: 0.9,
    today: dayNumber('2026-01-10'),
  });

  it('is ready when it may go out, or soon enough to be ripe; later only loses chances', () => {
    for (const one of CROPS.filter(
      ({ growing }) => growing.startWeeksBeforeFrost !== null && growing.harvestDaysAfterPlantingOut !== null,
    )) {
      const question = asked(one);
      const { best, from, until, chance, sure } = startsFor(question);
      if (from !== null) expect(best).withContext(one.id).toBeGreaterThanOrEqual(from);
      if (until !== null) expect(until).withContext(one.id).toBeGreaterThanOrEqual(best);
      if (sure && chance !== null)
        expect(chance)
          .withContext(one.id)
          .toBeGreaterThanOrEqual(0.9 - 0.02);
      const shifts = shiftedBy(question, best, [-14, -7, 0, 7, 14, 28]);
      const chances = shifts.map((shift) => shift.chance ?? 1);
      chances.slice(1).forEach((later, nth) =>
        expect(later)
          .withContext(one.id)
          .toBeLessThanOrEqual((chances[nth] ?? 1) + 1e-9),
      );
    }
  });

  it('leaves lettuce until summer, and a melon time to be picked', () => {
    const until = (id: string, picked = 0): string => isoOf(startsFor({ ...asked(crop(id)), picksDays: picked }).until ?? 0).slice(5);
    expect(until('lettuce') > '07-10').toBeTrue();
    expect([until('melon') < '07-15', until('melon', 40) < until('melon')]).toEqual([true, true]);
    expect(until('leek') < '07-01').toBeTrue();
  });

  it('is counted back from a day that is wished, moves with last year’s lateness, and says where a day cannot be had', () => {
    const melon = crop('melon');
    const day = dayNumber('2026-09-05');
    const wished = startsFor(asked(melon, { kind: 'ripe', day }));
    expect(wished.sure).toBeTrue();
    expect(wished.chance ?? 0).toBeGreaterThanOrEqual(0.9);
    const dayLater = chanceOf(runFrom(chainFor(melon), wished.best + 3, gateDay(melon, FROST.of(melon)), FROST.of(melon)), {
      kind: 'ripe',
      day,
    });
    expect(dayLater ?? 1).toBeLessThan(0.91);
    // Nineteen days late last year, one batch of it: the half of that is the crop's.
    const late = startsFor(asked(melon, { kind: 'season' }, 10));
    expect(startsFor(asked(melon)).best - late.best).toBe(10);
    const never = startsFor(asked(melon, { kind: 'ripe', day: dayNumber('2026-06-20') }));
    expect([never.sure, (never.chance ?? 1) < 0.05]).toEqual([false, true]);
  });

  it('is set apart for an even harvest, and goes on from what was really done', () => {
    const question = asked(crop('dill'));
    const first = startsFor(question).best;
    const starts = successions(question, first, 14, 4);
    const ripe = starts.map((start) => dayBy(runFrom(question.chain, start, question.gate, question.frost).ripe ?? fail('not ripe'), 0.5));
    ripe.slice(1).forEach((day, nth) => expect(Math.abs(day - (ripe[0] ?? 0) - 14 * (nth + 1))).toBeLessThan(1.01));
    const base = { ...question, outdoors: true, chosen: null, picksDays: 0 };
    const [start, today] = [dayNumber('2026-04-01'), dayNumber('2026-05-20')];
    const begun = lotYear({ ...base, today, reached: { start, moved: dayNumber('2026-04-09'), out: null, ripe: null } });
    expect(begun.start).toBe(start);
    expect(dayBy(begun.run.moved, 0.5)).toBe(dayNumber('2026-04-09'));
    expect(dayBy(begun.run.out, 0.01)).toBeGreaterThanOrEqual(today - 0.5);
    const ended = lotYear({ ...base, today, reached: { start, moved: start + 8, out: start + 40, ripe: start + 48 } });
    expect([dayBy(ended.run.out, 0.5), dayBy(ended.run.ripe ?? fail('not ripe'), 0.5), ended.chance]).toEqual([start + 40, start + 48, 1]);
    expect(chanceBy(ended.run.out, start + 40)).toBeGreaterThan(0.49);
  });
});
