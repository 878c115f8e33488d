import fc from 'fast-check';
import { CROPS, NETS, SUPPORTS } from '../crops/index.js';
import { DESTINATIONS, survivalFor, type Destination } from '../moving/index.js';
import { bedTaskInWords, plantingInWords, seedSavingInWords, soilInWords, trayTaskInWords } from '../words/index.js';
import { DAY_MS, wordsFor } from '../units/index.js';
import {
  afterPotting,
  bedTasks,
  MIXES,
  mixFor,
  nextStage,
  plantingDayTasks,
  SEEDLING_STAGES,
  stageRank,
  thinnings,
  touchSays,
  USUAL_NURSING,
  vigourOrder,
  type BedKnown,
  type SeedlingStage,
  type TrayFacts,
} from './index.js';

const NOW = Date.parse('2026-04-20T07:10:00Z');
const words = wordsFor('Europe/Copenhagen', 'metric', NOW, 0.8);
const crop = (id: string) => CROPS.find((one) => one.id === id) ?? fail(id);
function fail(what: string): never {
  throw new Error(what);
}
const plant = (number: number, stage: SeedlingStage, pot: number | null, upDay = 4) => ({
  ...{ number, stage, pot, grade: null, role: null, movedMs: NOW - 20 * DAY_MS },
  marks:
    stage === 'moved'
      ? []
      : [{ stage: 'up' as const, atMs: NOW - (20 - upDay) * DAY_MS }, ...(stage === 'up' ? [] : [{ stage, atMs: NOW }])],
});

describe('several to a pot', () => {
  const thin = (plants: ReturnType<typeof plant>[]) => thinnings(plants, vigourOrder(plants));

  it('are thinned once the best has its true leaf: who is ahead stays, else who came first', () => {
    expect(thin([plant(1, 'up', 1), plant(2, 'true_leaves', 1)])).toEqual([{ keep: 2, out: [1] }]);
    expect(thin([plant(1, 'true_leaves', 1, 5), plant(2, 'true_leaves', 1, 3)])).toEqual([{ keep: 2, out: [1] }]);
    expect(thin([plant(1, 'seed_leaves', 1), plant(2, 'seed_leaves', 1)])).toEqual([]);
  });

  it('leave what stands alone, what is not up, and what is planted out', () => {
    expect(thin([plant(1, 'true_leaves', null), plant(2, 'true_leaves', null)])).toEqual([]);
    expect(thin([plant(1, 'true_leaves', 1), plant(2, 'moved', 1)])).toEqual([]);
    expect(thin([plant(1, 'planted_out', 1), plant(2, 'planted_out', 1)])).toEqual([]);
  });

  it('always leave exactly one of those that are up in a pot', () => {
    const stage = fc.constantFrom<SeedlingStage>('moved', 'up', 'seed_leaves', 'true_leaves', 'roots_out');
    fc.assert(
      fc.property(fc.array(fc.tuple(stage, fc.integer({ min: 0, max: 3 })), { minLength: 2, maxLength: 24 }), (drawn) => {
        const plants = drawn.map(([at, pot], nth) => plant(nth + 1, at, pot * 100));
        const pots = thin(plants);
        for (const { keep, out } of pots) {
          const own = plants.find(({ number }) => number === keep)?.pot;
          const up = plants.filter(({ pot, stage: at }) => pot === own && at !== 'moved').map(({ number }) => number);
          expect([keep, ...out].sort((a, b) => a - b)).toEqual(up);
        }
      }),
      { seed: 18, numRuns: 150 },
    );
  });
});

describe('beds and their soil', () => {
  const bed = (name: string, celsius: number | null, ageDays = 0, more: Partial<BedKnown> = {}): BedKnown => ({
    ...{ id: name, name, widthM: 1.2, lengthM: 2, madeYear: 2025 },
    soil: celsius === null ? null : { celsius, source: 'soil', ageDays },
    ...more,
  });
  const beans = { crop: crop('broad-bean'), nursed: 20, sprouts: 20, outMs: null };
  const told = (waiting: Parameters<typeof bedTasks>[0], beds: BedKnown[]) => bedTasks(waiting, beds, NOW, 2026);

  it('the one that is warm enough is named, and no other has to be read', () => {
    const tasks = told([beans], [bed('Cold', 4), bed('Warm', 10)]);
    expect(tasks.map(({ kind, bed: { name } }) => [kind, name])).toEqual([['soil', 'Warm']]);
  });

  it('a cold or unread one is read again after three days, while something waits for it', () => {
    const due = (one: BedKnown) => told([beans], [one]).map(({ kind, dueMs }) => [kind, (dueMs - NOW) / DAY_MS]);
    expect(due(bed('A', null))).toEqual([['read_soil', 0]]);
    expect(due(bed('A', 4))).toEqual([['read_soil', 3]]);
    expect(due(bed('A', 4, 2))).toEqual([['read_soil', 1]]);
    expect(due(bed('A', 4, 9))).toEqual([['read_soil', 0]]);
    expect(told([], [bed('A', null)])).toEqual([]);
  });

  it('frost far ahead asks for nothing, frost near by is waited for, a full bed takes none', () => {
    const frost = (days: number) => told([{ ...beans, outMs: NOW + days * DAY_MS }], [bed('A', 10)]);
    expect(frost(20)).toEqual([]);
    expect(frost(4)[0]?.dueMs).toBe(NOW + 4 * DAY_MS);
    expect(told([beans], [bed('A', 10, 0, { takenM2: 2.4 })])).toEqual([]);
  });

  it('is told with its chance, who goes, what does not fit and what a young bed wants', () => {
    const [warm, read] = [
      told([beans], [bed('Court bed', 9.5)])[0],
      told([beans, { ...beans, crop: crop('pea') }], [bed('Court bed', null)])[0],
    ];
    if (!warm || !read) fail('no task');
    expect(bedTaskInWords(warm, words)).toEqual({
      lead: 'Court bed is warm enough for broad bean',
      text: 'About 9.5 °C when it was read, 7 °C wanted: all but certain. 20 in the nursery, once hardened, and 20 on the towel. Only 20 fit there. The bed is young: roll the roots in rhizobium powder.',
      ...{ act: 'To the bed', tone: 'growth' },
    });
    expect(bedTaskInWords(read, words).text).toBe(
      'Broad bean waits for 7 °C and pea for 7 °C. Nobody has read it yet. A hand deep, in the morning, three days running.',
    );
    expect([soilInWords(null, words), soilInWords({ celsius: 8.1, source: 'air', ageDays: 0 }, words)]).toEqual([
      'its soil was never read',
      'soil about 8 °C, by the air',
    ]);
  });

  it('rows are told as they are measured out', () => {
    const laid = { lengthwise: false, rows: 3, toARow: 4, fromEndCm: 20, fromSideCm: 15, over: 2, spots: [] };
    const spots = Array.from({ length: 10 }, () => ({ alongCm: 0, acrossCm: 0 }));
    expect(plantingInWords({ ...laid, spots }, { inRow: 30, rows: 40 }, words)).toBe(
      '3 rows of 4, the last of 2, 40 cm apart; the first row 20 cm from the end, its first plant 15 cm from the side, then every 30 cm. 2 more do not fit.',
    );
    expect(plantingInWords(laid, { inRow: 30, rows: 40 }, words)).toBe('No room for one at its spacing.');
  });
});

describe('planting day', () => {
  const facts = (id: string, destination: Destination, stage: SeedlingStage, atMs: number): TrayFacts => ({
    ...{ crop: crop(id), destination, movedMs: atMs, stays: [], seenMs: [], finalPot: destination === 'bed', pottedMs: null },
    survival: survivalFor(destination, { lived: 0, lost: 0 }),
    plants: [{ number: 1, proved: true, movedMs: atMs, marks: [{ stage, atMs }], goneMs: null }],
  });
  const kinds = (one: TrayFacts, done = { support: false, net: false }) => plantingDayTasks(one, done, NOW).map(({ kind }) => kind);

  it('asks for net and support until they are up, for a fortnight, and of what stands in a pot for neither', () => {
    const peas = facts('pea', 'bed', 'up', NOW);
    expect(kinds(peas)).toEqual(['net', 'support']);
    expect(kinds(peas, { support: true, net: false })).toEqual(['net']);
    expect(kinds(facts('pea', 'bed', 'up', NOW - 15 * DAY_MS))).toEqual([]);
    expect(kinds(facts('pea', 'plug', 'true_leaves', NOW))).toEqual([]);
    expect(kinds(facts('pea', 'plug', 'planted_out', NOW))).toEqual(['net', 'support']);
    expect(kinds(facts('sorrel', 'bed', 'up', NOW))).toEqual([]);
  });

  it('each kind of support and net that the book names has its sentence', () => {
    const named = CROPS.filter(({ growing: { support, net } }) => support ?? net);
    expect(new Set(named.flatMap(({ growing: { support } }) => support ?? []))).toEqual(new Set(SUPPORTS));
    expect(new Set(named.flatMap(({ growing: { net } }) => net ?? []))).toEqual(new Set(NETS));
    for (const { id, name } of named)
      for (const task of plantingDayTasks(facts(id, 'bed', 'up', NOW), { support: false, net: false }, NOW)) {
        const spoken = { name, variety: 'Quay', destination: 'bed' as const, plants: 3, blade: false };
        const said = trayTaskInWords(task, spoken, USUAL_NURSING, 12, words);
        expect(said.lead).toMatch(/^[A-Z].* the .* plants$/);
        expect(said.act).not.toBeNull();
      }
  });
});

describe('one touch', () => {
  it('never takes a seedling back, and says nothing that cannot be where it stands', () => {
    for (const stage of SEEDLING_STAGES)
      for (const destination of DESTINATIONS)
        for (const finalPot of [false, true]) {
          const next = touchSays(stage, { destination, finalPot });
          if (next === null) continue;
          expect(stageRank(next)).toBeGreaterThan(stageRank(stage));
          // Below its true leaves a seedling grows alike everywhere.
          if (stageRank(stage) < stageRank('true_leaves')) expect(next).toBe(nextStage(stage) as SeedlingStage);
        }
    const grown = (destination: Destination, finalPot = false) => touchSays('true_leaves', { destination, finalPot });
    expect([grown('cup'), grown('pot', true), grown('slot'), grown('bed'), grown('terrarium'), grown('glass')]).toEqual([
      ...(['roots_out', 'hardening', 'ripe', 'planted_out'] as const),
      ...[null, null],
    ]);
  });
});

describe('potted on', () => {
  it('roots at the base are of the old pot, and never is a seedling said to be below again', () => {
    const mark = (stage: SeedlingStage, day: number) => ({ stage, atMs: NOW + day * DAY_MS });
    const all = [mark('up', 0), mark('true_leaves', 4), mark('roots_out', 9)];
    expect(afterPotting(all, null)).toEqual(all);
    expect(afterPotting(all, NOW + 10 * DAY_MS)).toEqual(all.slice(0, 2));
    expect(afterPotting([...all, mark('roots_out', 20)], NOW + 10 * DAY_MS).at(-1)).toEqual(mark('roots_out', 20));
    expect(afterPotting([mark('roots_out', 9)], NOW + 10 * DAY_MS)).toEqual([mark('true_leaves', 9)]);
  });
});

describe('the mix for a crop', () => {
  it('is one of the recipes for every crop of the book, twice', () => {
    const known = new Set(MIXES.map(({ id }) => id));
    for (const one of CROPS) for (const use of ['seed', 'potting'] as const) expect(known.has(mixFor(one, use))).toBeTrue();
    expect([mixFor(crop('cactus'), 'seed'), mixFor(crop('lavender'), 'potting'), mixFor(crop('swiss-cheese-plant'), 'potting')]).toEqual([
      ...['cactus_seed', 'gritty_herbs', 'epiphyte'],
    ]);
  });
});

describe('seed of one’s own', () => {
  it('is said to cross where kin stands, to come from afar where none does, and to be a mixture of a first cross', () => {
    const said = (variety: string, kin: string[]) => seedSavingInWords(crop('sorrel'), variety, kin);
    expect(said('Weir', ['Quay', 'Tide'])).toContain('Quay and Tide stand here too: nearer than 800 m they cross.');
    expect(said('Weir', [])).toContain('may come from 800 m away');
    expect(said('Weir F1', [])).toContain('It is a first cross: its seed comes as a mixture.');
  });
});
