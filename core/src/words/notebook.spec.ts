import * as fc from 'fast-check';
import { look, NOW, parcel, words } from '../testing/index.js';
import { cameByDay, drawnByLot, foundOn, inPots, ownCurve, paceBeside, pastSum, tipsByDay, type PastBatch } from '../trials/index.js';
import { formatVolume, parseMillilitres, parseWeight } from '../units/index.js';
import { BENCH, benchValue, byChanceInWords, learntInWords, nextYearInWords, settingInWords, storyLines, storySetting } from './index.js';

const SETTING = { units: 'metric', millilitresPerSpray: 0.8, crop: parcel('okra', 1, 20).crop } as const;
/** What a tool says of fields as they were typed. */
function bench(id: string, typed: Readonly<Record<string, string>>, units: 'metric' | 'us' = 'metric'): readonly string[] {
  const tool = BENCH.find((one) => one.id === id);
  if (!tool) throw new Error(`no tool ${id}`);
  const values: Record<string, number> = {};
  const texts: Record<string, string> = {};
  for (const field of tool.fields) {
    texts[field.key] = typed[field.key] ?? field.initial;
    const value = benchValue(field, texts[field.key] ?? '', units);
    if (typeof value === 'number') values[field.key] = value;
    else if (value) throw new RangeError(value.fault);
  }
  return tool.work(values, texts, { ...SETTING, units }).lines;
}

describe('the bench', () => {
  it('agrees with what is worked out by hand, in either system', () => {
    // C1 V1 = C2 V2: a tenth of the strength takes a tenth of the bottle.
    expect(bench('dilution', { stock: '3', wanted: '0.3', bottle: '500 ml' })[0]).toMatch(/^50 ml \(1\.7 fl oz\) of the stock, 450 ml/);
    // 150 µmol for 14 h is 150 × 14 × 3600 / 10^6 mol.
    expect(bench('light', { micromol: '150', hours: '14' })[0]).toBe('7.6 mol a square metre and day.');
    expect(bench('light', { micromol: '100', wanted: '12', daylight: '3' })[1]).toMatch(/burns 25\.0 hours|would take 25 hours/);
    expect(bench('weighed', { counted: '50', sample: '0.4 g', all: '3 g' })[0]).toBe('About 375 seeds.');
    expect(bench('weighed', { counted: '50', sample: '0.4 g', all: '1 oz' })[1]).toBe(
      '125 to the gram, 3540 to the ounce; a thousand weigh 8 g.',
    );
    expect(bench('units', { typed: '1/8 in' })[0]).toBe('3.175 mm = 0.3175 cm = 0.125 in');
    expect(bench('units', { typed: '-4C' })[0]).toBe('-4 °C = 24.8 °F');
    expect(bench('mix', { pots: '10', holds: '100 ml', spare: '10' })[0]).toMatch(/^1\.10 l/);
    expect(bench('dose', { width: '11 in' }, 'us')[0]).toContain('ml');
  });

  it('refuses in a sentence what cannot be so', () => {
    const refused: [id: string, typed: Record<string, string>, says: RegExp][] = [
      ['dilution', { stock: '12' }, /stronger stock is not for homes/],
      ['dilution', { what: 'feed', stock: '1', wanted: '2' }, /must be weaker than the stock/],
      ['dose', { width: 'wide' }, /Open sheet, wide: a length from/],
      ['weighed', { sample: '0' }, /They weigh: a weight like/],
      ['units', { typed: 'seven' }, /That is no quantity/],
    ];
    for (const [id, typed, says] of refused)
      expect(() => bench(id, typed))
        .withContext(id)
        .toThrowError(RangeError, says);
  });

  it('reads volumes and weights in both systems, and writes what it reads back', () => {
    expect(parseMillilitres('1 1/2 cup', 'metric')).toBeCloseTo(354.88, 1);
    expect(parseMillilitres('2', 'us')).toBeCloseTo(59.147, 2);
    expect(parseWeight('1/4 oz')).toBeCloseTo(7.087, 3);
    for (const none of ['', 'cup', '-2 ml', '0', '3 stone', '1/0 tsp'])
      expect([parseMillilitres(none, 'metric'), none]).toEqual([null, none]);
    fc.assert(
      fc.property(fc.double({ min: 1, max: 5000, noNaN: true }), (ml) => {
        const [first = ''] = formatVolume(ml, 'metric').split(' (');
        expect(Math.abs((parseMillilitres(first, 'metric') ?? 0) / ml - 1)).toBeLessThan(0.006);
      }),
    );
  });
});

const past = (more: Partial<PastBatch> = {}): PastBatch => ({
  ...{ id: 'b', number: 1, packet: 'p', spot: 's', reason: null, packetDays: null, snapped: 0, crop: 'okra', method: 'towel' as const },
  ...{
    startMs: 0,
    closedMs: 10 * 86_400_000,
    seeds: 20,
    wanted: 10,
    came: 16,
    rotten: 1,
    quiet: 3,
    moved: 16,
    openings: 8,
    nothing: 3,
    tooSoon: 0,
  },
  ...{ shift: { mean: 0, sd: 0.1 }, logSpread: { mean: -1.3, sd: 0.2 }, meanC: 24, event: 'tip' as const },
  kept: { alive: 0.1, asleep: 0, cooked: 0, drowned: 0, atThisWarmth: 1, better: null },
  score: {
    asked: 4,
    held: 3,
    logScore: -1,
    middle: { saidDays: 5, cameDays: 4 },
    end: { low: 10, high: 18, mean: 14, mode: 14, came: 16 } as never,
  },
  ...more,
});
const noFate = () => ({ lived: 0, died: 0, composted: 0 });
const named = (id: string): string => ({ okra: 'Okra', p: 'Tall Mast', s: 'Hall cupboard', t: 'Porch' })[id] ?? id;

describe('looking back', () => {
  it('adds batches up, and says how far off the forecast and the packet were on the same ones', () => {
    const sum = pastSum([past(), past({ id: 'c', packetDays: [6, 10], moved: 10 })], (id) => ({
      lived: 5,
      died: 1,
      composted: id === 'c' ? 2 : 0,
    }));
    expect(sum).toEqual(
      jasmine.objectContaining({ batches: 2, seeds: 40, came: 32, openings: 16, thrown: 8, lived: 10, died: 2, days: 4 }),
    );
    expect(sum.timesOff).toBeCloseTo(1.25, 6);
    expect(sum.packet).toEqual({ batches: 1, timesOff: jasmine.any(Number) as never, forecastTimesOff: jasmine.any(Number) as never });
    expect(sum.packet?.timesOff).toBeCloseTo(2, 6);
  });

  it('says what to change only where it is a habit, with its figures, and five at the most', () => {
    expect(nextYearInWords([past()], noFate, named)).toEqual([]);
    const soon = [past({ tooSoon: 4 }), past({ id: 'c', tooSoon: 5 })];
    expect(nextYearInWords(soon, noFate, named)[0]?.text).toMatch(/^Okra was opened 9 times before a root was likely, of 16 times in all/);
    const poor = nextYearInWords([past({ came: 3, moved: 3, quiet: 17 })], noFate, named);
    expect(poor[0]?.text).toBe('Of okra (Tall Mast) 3 of 20 seeds came: get new seed, or start 7 for each plant.');
    // Seed that slept, cooked or was given up too soon is not the packet's fault.
    const kept = (more: Partial<PastBatch['kept']>, rotten = 0) =>
      nextYearInWords([past({ came: 3, moved: 3, rotten, quiet: 17 - rotten, kept: { ...past().kept, ...more } })], noFate, named)[0]?.text;
    expect(kept({ asleep: 0.6 })).toContain('came, and much of it still slept for want of cold');
    expect(kept({ cooked: 0.4, asleep: 0.6 })).toContain('hot enough to kill');
    expect(kept({ atThisWarmth: 0.5, better: 'warmer' })).toContain('quiet, not dead: try it somewhere warmer');
    expect(kept({ atThisWarmth: 0.5, better: 'cooler' })).toContain('try it somewhere cooler');
    expect(kept({ atThisWarmth: 0.5, better: null })).toContain('get new seed');
    expect(kept({ alive: 0.7 })).toContain('give it longer');
    expect(kept({}, 12)).toContain('most of the rest rotted');
    const slow = { score: { ...past().score, middle: { saidDays: 9, cameDays: 11 } } };
    expect(nextYearInWords([past(), past({ id: 'c', spot: 't', ...slow })], noFate, named)[0]?.text).toBe(
      'Okra took 11 days at Porch and 4 at Hall cupboard, where no fewer came: start it there.',
    );
    // A root on paper and a shoot out of soil are no two places; nor is quicker better where fewer come.
    expect(nextYearInWords([past(), past({ id: 'c', spot: 't', event: 'emergence', ...slow })], noFate, named)).toEqual([]);
    expect(nextYearInWords([past({ came: 12, moved: 12 }), past({ id: 'c', spot: 't', ...slow })], noFate, named)).toEqual([]);
    const many = ['a', 'b', 'c', 'd', 'e', 'f', 'g'].map((crop) => past({ crop, packet: crop, came: 2, moved: 2 }));
    expect(nextYearInWords(many, noFate, named).length).toBe(5);
  });

  it('tells another pace than the book’s once several batches agree on it, and lays its curve over the book’s', () => {
    const later = (meanC: number, mean = 0.3) => past({ shift: { mean, sd: 0.1 }, meanC });
    expect(learntInWords([past(), past()], 'Okra')).toBeNull();
    expect(learntInWords([later(20), later(22), later(24), later(26)], 'Okra')).toMatch(
      /^Okra takes \d+ % longer here than the book has it, likely \d+ to \d+ %/,
    );
    expect(paceBeside([later(20), later(26)]).times).toBeCloseTo(Math.exp(0.3), 9);
    // Where the cold alone is later than the book, the house's curve leans as its batches do.
    const leaning = ownCurve([later(16, 0.4), later(17, 0.4), later(18, 0.4), later(26, 0), later(27, 0), later(28, 0)]);
    expect(leaning.timesAt(16).times).toBeGreaterThan(1.25);
    expect(leaning.timesAt(28).times).toBeLessThan(1.1);
    expect(leaning.outweighs).toBeTrue();
    expect(ownCurve([later(20)]).outweighs).toBeFalse();
  });
});

describe('a trial in words', () => {
  it('names a side so that it goes on after “those”', () => {
    const name = (question: Parameters<typeof settingInWords>[0], setting: string): string => settingInWords(question, setting, named);
    expect([name('soak', '12'), name('soak', '0'), name('method', 'pellet'), name('medium', 'cloth'), name('prepared', 'nick')]).toEqual([
      ...['soaked 12 hours', 'not soaked', 'in a swollen pellet', 'on old cloth', 'nicked first'],
    ]);
    expect([name('packet', 'p'), name('spot', 's, t'), name('age', '1')]).toEqual([
      'of Tall Mast',
      'at Hall cupboard, then Porch',
      'of 1 year',
    ]);
    expect([0.001, 0.02, 0.3, 1].map(byChanceInWords)).toEqual(['less than 1 in 100', '2 in 100', '3 in 10', 'nearly always']);
  });

  it('draws every side as often as it has bags, the same by the same lot, and favours no place', () => {
    const firsts = Array.from({ length: 400 }, (_, lot) => drawnByLot(2, 2, lot + 1));
    for (const order of firsts) expect([...order].sort()).toEqual([0, 0, 1, 1]);
    expect(drawnByLot(3, 2, 9)).toEqual(drawnByLot(3, 2, 9));
    expect(Math.abs(firsts.filter(([first]) => first === 0).length - 200)).toBeLessThan(40);
  });

  it('draws what had come by each day between the looks, and counts sprouts into pots', () => {
    const stretches = [
      { left: 2, right: 4, count: 4 },
      { left: 4, right: Infinity, count: 4 },
    ];
    expect(cameByDay(stretches, 8, 8).map(({ came }) => came)).toEqual([0, 0, 0, 2, 4, 4, 4, 4, 4]);
    expect(foundOn(stretches)).toEqual([4, 4, 4, 4]);
    const side = (moved: number) => ({ name: '', seeds: 8, moved, lived: moved, died: 0 });
    // 1 of 8 against 7 of 8: two tables of 4 and 4 seeds or further out, 130 of 12870.
    expect(inPots(side(1), side(7)).moved).toBeCloseTo(130 / 12870, 12);
  });

  it('tells a story without the hand that wrote it: settings, and days', () => {
    const looks = [look(72, { tipped: 0 }), look(48, { tipped: 0 }), look(24, { tipped: 3 })];
    const facts = parcel('okra', 4, 27, { looks, moves: [{ atMs: NOW - 3_600_000, seeds: [1], uncounted: 1 }] });
    expect(storyLines(facts, NOW)).toEqual(['Days 1 to 2: nothing new', 'Day 3: 3 more, 3 of 8', 'Day 4: 2 moved', 'Day 4: closed']);
    expect(storySetting(facts, 27, words)).toMatch(/^8 seeds on a towel, kitchen paper, .*sealed bag with air, at about 27 °C\.$/);
    expect(tipsByDay([facts]).map(({ day, count }) => [Math.round(day), count])).toEqual([
      [1, 0],
      [2, 0],
      [3, 3],
    ]);
  });
});
