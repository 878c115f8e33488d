import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { CROPS } from '../crops/index.js';
import { chainOf } from './chain.js';
import type { Fit, FitLot, FitQuestion, Standing } from './fit-question.js';
import { fitsBeside, spaceOf, type FitOption } from './fit-space.js';
import { HURTS, optionsFor } from './fitting.js';
import { boltsAfterCold } from './hardiness.js';
import { planThatFits } from './plan-that-fits.js';
import { saidFrost } from './frost-law.js';
import { newYear } from './days.js';
import { lotNeeds, roomYears, type Room } from './space.js';
import { usesOf, type LotRoom } from './lot.js';
import { runFrom } from './chain.js';
import { potCells } from './pots.js';

const NEW_YEAR = newYear(2026);
const TODAY = NEW_YEAR + 95;
const SPAN = { first: TODAY, days: 220 };
const FROST = { newYear: NEW_YEAR, kills: saidFrost('spring', 125, 10), ends: saidFrost('autumn', 290, 14) };
const KINDS = ['okra', 'leek', 'tomatillo', 'melon', 'sweet-pea', 'celeriac', 'kale', 'dill'].map(
  (id) => CROPS.find((crop) => crop.id === id) ?? CROPS[0],
);

/** A lot drawn at random: kind, plants, day, leave. */
const lots = (count: { min: number; max: number }) =>
  fc.array(
    fc.record({
      kind: fc.nat({ max: KINDS.length - 1 }),
      plants: fc.integer({ min: 2, max: 14 }),
      start: fc.integer({ min: 2, max: 30 }),
      leave: fc.integer({ min: 5, max: 35 }),
      porch: fc.boolean(),
      pinned: fc.integer({ min: 0, max: 9 }).map((nth) => nth === 0),
    }),
    { minLength: count.min, maxLength: count.max },
  );
type Drawn = (ReturnType<typeof lots> extends fc.Arbitrary<infer T> ? T : never)[number];

function question(drawn: readonly Drawn[], share: number): FitQuestion {
  const all = drawn.map(({ kind, plants, start, leave, porch, pinned }, nth): FitLot => {
    const crop = KINDS[kind];
    if (!crop) throw new Error('no crop');
    const enoughBy = [0, 3, 5, 7, 10, 14].map((day, at) => ({ day, chance: [0, 0.1, 0.5, 0.8, 0.92, 0.93][at] ?? 0 }));
    const nursing = { days: 24 + (kind % 4) * 8, sd: 4 + (kind % 3), told: 0 };
    const chain = chainOf({
      crop,
      course: { enoughBy, rootDays: 1, nursing, ripening: { days: 60, sd: 9, told: 0 }, lateDays: 0 },
      chillDays: 0,
      soakDays: 0,
      lateKind: 'plant_out',
      outdoors: true,
    });
    const room: LotRoom = {
      crop,
      destination: 'cell',
      sprouts: plants + 2,
      plants,
      perPot: 1,
      bags: 1,
      warmId: 'warm',
      litId: 'lit',
      rackId: null,
      bedId: null,
    };
    const at = TODAY + start;
    return {
      ...{ id: `lot ${nth}`, title: crop.name, fixed: pinned, start: at, from: at - 12, until: at + leave, gate: TODAY + 50 },
      ...{ frost: FROST, goal: { kind: 'season' } },
      ways: [
        { kind: 'as_wished', id: '', name: '', chain, room },
        ...(porch ? [{ kind: 'lit' as const, id: 'porch', name: 'Porch', chain, room: { ...room, litId: 'porch' } }] : []),
      ],
    };
  });
  const rooms = (lit: number): Room[] => [
    { id: 'warm', name: 'Mat', kind: 'warm', holds: Math.max(Math.ceil(all.length * 0.7), 1) },
    { id: 'lit', name: 'Lit shelf', kind: 'lit', holds: lit },
    { id: 'porch', name: 'Porch', kind: 'lit', holds: 30 },
  ];
  // So much room as a share of what all of it would take.
  const [lit] = roomYears(
    [rooms(0)[1] as Room],
    all.map(({ id, ways: [way], start, gate, frost }) => usesOf(id, way.room, runFrom(way.chain, start, gate, frost))),
    SPAN,
  );
  const most = Math.max(...(lit?.promised ?? [0]));
  return { rooms: rooms(Math.max(Math.round(most * share), 1)), lots: all, standing: [], span: SPAN, today: TODAY };
}

/** Every combination, tried one after another: nothing but the plain rule. */
function exhaustively({ lots: all, ...rest }: FitQuestion): number {
  const free = all.filter(({ fixed }) => !fixed);
  const space = spaceOf(
    rest,
    all.filter(({ fixed }) => fixed).flatMap((lot) => optionsFor(lot, rest)),
  );
  const options = free.map((lot) => optionsFor(lot, rest));
  let best = Infinity;
  const [mean, variance] = [Float64Array.from(space.baseMean), Float64Array.from(space.baseVariance)];
  const put = (option: FitOption, sign: number): void => {
    option.at.forEach((at, nth) => {
      mean[at] = (mean[at] ?? 0) + sign * (option.mean[nth] ?? 0);
      variance[at] = (variance[at] ?? 0) + sign * (option.variance[nth] ?? 0);
    });
  };
  const go = (nth: number, cost: number): void => {
    const own = options[nth];
    if (!own) {
      best = Math.min(best, cost);
      return;
    }
    for (const option of own) {
      if (cost + option.cost >= best || !fitsBeside(option, mean, variance, space.limit)) continue;
      put(option, 1);
      go(nth + 1, cost + option.cost);
      put(option, -1);
    }
  };
  go(0, 0);
  return best;
}

/** Whether what a plan promises holds in every room on every day that could be helped. */
function holds(asked: FitQuestion): boolean {
  const { changes } = planThatFits(asked);
  const uses = asked.lots.flatMap((lot) => {
    const change = changes.find(({ lotId }) => lotId === lot.id);
    const way = change?.way ?? lot.ways[0];
    const keeps = change?.keeps ?? 1;
    if (keeps === 0) return [];
    const halves = change && change.splitDays !== null ? [0, change.splitDays] : [0];
    return halves.map((after, nth) => {
      const share = keeps / halves.length;
      const room = { ...way.room, sprouts: Math.ceil(way.room.sprouts * share), plants: Math.ceil(way.room.plants * share) };
      return usesOf(`${lot.id} ${nth}`, room, runFrom(way.chain, lot.start + (change?.days ?? 0) + after, lot.gate, lot.frost));
    });
  });
  const fixed = asked.lots
    .filter((lot) => lot.fixed)
    .map((lot) => usesOf(lot.id, lot.ways[0].room, runFrom(lot.ways[0].chain, lot.start, lot.gate, lot.frost)));
  const anyway = roomYears(asked.rooms, fixed, asked.span);
  return roomYears(asked.rooms, uses, asked.span).every(({ room, promised }, nth) =>
    promised.every((value, day) => value <= Math.max(room.holds ?? Infinity, anyway[nth]?.promised[day] ?? 0) + 0.11),
  );
}

describe('a plan that fits', () => {
  it('is as good as the best of all combinations on thirty small cases, and never over the room it promised', () => {
    const cases = fc.sample(fc.tuple(lots({ min: 2, max: 4 }), fc.double({ min: 0.5, max: 1.1, noNaN: true })), { numRuns: 30, seed: 19 });
    let tight = 0;
    for (const [drawn, share] of cases) {
      const asked = question(drawn, share);
      const fit = planThatFits(asked);
      const best = exhaustively(asked);
      if (best > 0) tight++;
      expect(fit.cost)
        .withContext(JSON.stringify([drawn, share]))
        .toBeLessThanOrEqual(best * 1.05 + 1e-6);
      expect(fit.cost).toBeGreaterThanOrEqual(best - 1e-6);
      expect(holds(asked))
        .withContext(JSON.stringify([drawn, share]))
        .toBeTrue();
    }
    // The cases must want planning, or they prove nothing.
    expect(tight).toBeGreaterThan(12);
  });

  it('holds for larger ones too, is the same every time, leaves alone what is pinned, and changes nothing where all fits', () => {
    const cases = fc.sample(fc.tuple(lots({ min: 9, max: 16 }), fc.double({ min: 0.6, max: 0.95, noNaN: true })), { numRuns: 5, seed: 4 });
    for (const [drawn, share] of cases) {
      const asked = question(drawn, share);
      const fit = planThatFits(asked);
      expect(planThatFits(asked)).toEqual(fit);
      expect(holds(asked)).toBeTrue();
      const pinned = new Set(asked.lots.filter(({ fixed }) => fixed).map(({ id }) => id));
      expect(fit.changes.some(({ lotId }) => pinned.has(lotId))).toBeFalse();
      // Nothing is dearer than leaving out whatever has no room.
      expect(fit.cost).toBeLessThanOrEqual((HURTS.less + HURTS.none) * asked.lots.length);
      const roomy = planThatFits({ ...asked, rooms: asked.rooms.map((room) => ({ ...room, holds: 10_000 })) });
      expect([roomy.changes.length, roomy.cost, roomy.exact]).toEqual([0, 0, roomy.exact]);
    }
  });

  it('tells how far it is, and can be stopped with what there is', () => {
    const asked = question(fc.sample(lots({ min: 12, max: 12 }), { numRuns: 1, seed: 8 })[0] ?? [], 0.7);
    const told: number[] = [];
    planThatFits(asked, (done) => {
      told.push(done);
      return true;
    });
    expect([...told].sort((a, b) => a - b)).toEqual(told);
    expect(told.at(-1)).toBe(1);
    const stopped = planThatFits(asked, () => false);
    expect(stopped.cost).toBeGreaterThanOrEqual(planThatFits(asked).cost);
  });
});

describe('what stands there already', () => {
  const day = (count: number, size: number): number[] => Array.from({ length: SPAN.days }, (_, nth) => (nth < count ? size : 0));
  /** A tray under the lamp for so many days. */
  const tray = (id: string, cells: number, places: readonly string[], days = 40): Standing => ({
    id,
    need: [['lit', day(days, cells), day(days, 0)]],
    carry:
      places.length === 0
        ? null
        : {
            trayIds: [id],
            title: id,
            plants: cells,
            roomId: 'lit',
            places: places.map((place) => ({ id: place, name: place, cold: true })),
          },
  });
  const rooms = (lit: number, porch: number): Room[] => [
    { id: 'lit', name: 'Lit shelf', kind: 'lit', holds: lit },
    { id: 'porch', name: 'Porch', kind: 'lit', holds: porch },
    { id: 'attic', name: 'Attic', kind: 'lit', holds: 900 },
  ];
  const asked = (standing: readonly Standing[], lit: number, porch = 30, sown: readonly FitLot[] = []): FitQuestion => ({
    ...{ rooms: rooms(lit, porch), lots: sown, standing, span: SPAN, today: TODAY },
  });
  const carried = ({ carries }: Fit): string[] => carries.map(({ id }) => id).sort();

  it('is carried no more than need be, never over the other place’s room, and the rest is said', () => {
    const trays = [tray('kale', 12, ['porch']), tray('leek', 10, ['porch']), tray('onion', 6, ['porch']), tray('okra', 8, [])];
    expect(carried(planThatFits(asked(trays, 36)))).toEqual([]);
    // One of them is enough, and a larger one than needed would do no harm either.
    const one = planThatFits(asked(trays, 30));
    expect([one.carries.length, one.overfullAnyway, one.changes]).toEqual([1, false, []]);
    const two = planThatFits(asked(trays, 18));
    expect([carried(two).length, two.overfullAnyway]).toEqual([2, false]);
    // The porch takes what it holds, and no more.
    const full = planThatFits(asked(trays, 10, 13));
    expect([carried(full), full.overfullAnyway]).toEqual([['kale'], true]);
    expect(planThatFits(asked(trays, 10, 13))).toEqual(full);
    // What may not be carried is not.
    expect(carried(planThatFits(asked(trays, 0)))).not.toContain('okra');
  });

  it('is carried rather than a sowing put off, and only where the sowing would have no room', () => {
    const sown = question([{ kind: 7, plants: 10, start: 8, leave: 30, porch: false, pinned: false }], 1).lots;
    const needs = (holds: number): Fit => planThatFits(asked([tray('kale', 20, ['porch'], 90), tray('okra', 4, [], 90)], holds, 30, sown));
    expect([needs(60).cost, carried(needs(60))]).toEqual([0, []]);
    const tight = needs(26);
    expect([carried(tight), tight.changes]).toEqual([['kale'], []]);
    // With nine more elsewhere, so that they are tried in groups, it is the same.
    const many = question(
      Array.from({ length: 9 }, (_, nth) => ({ kind: 7, plants: 2, start: 20 + nth, leave: 30, porch: false, pinned: false })),
      1,
    ).lots.map(({ ways: [{ room, ...way }], ...lot }): FitLot => ({
      ...lot,
      id: `other ${lot.id}`,
      ways: [{ ...way, room: { ...room, litId: 'attic' } }],
    }));
    const crowd = planThatFits(asked([tray('kale', 20, ['porch'], 90), tray('okra', 4, [], 90)], 26, 30, [...sown, ...many]));
    expect([carried(crowd), crowd.changes]).toEqual([['kale'], []]);
  });

  it('of kinds that run to flower after cold is told by the table', () => {
    const rows = readFileSync(new URL('../../../reference/frost_hardiness.csv', import.meta.url), 'utf8').split('\n');
    const bolting = rows.filter((row) => /bolt/.test(row)).map((row) => row.split(',')[0] ?? '');
    expect(bolting.length).toBeGreaterThan(3);
    for (const id of bolting) expect(boltsAfterCold({ id })).withContext(id).toBeTrue();
    expect(['celeriac', 'kale', 'leek', 'sweet-pea'].map((id) => boltsAfterCold({ id }))).toEqual([true, false, false, false]);
  });
});

describe('room through time', () => {
  it('adds up lots as they come and go, and finds where a room overflows, by how much and who stands there', () => {
    const asked = question(
      [
        { kind: 2, plants: 10, start: 5, leave: 20, porch: false, pinned: false },
        { kind: 3, plants: 6, start: 8, leave: 20, porch: false, pinned: false },
      ],
      0.6,
    );
    const uses = asked.lots.map(({ id, ways: [way], start, gate, frost }) => usesOf(id, way.room, runFrom(way.chain, start, gate, frost)));
    const years = roomYears(asked.rooms, uses, asked.span);
    const lit = years.find(({ room }) => room.id === 'lit');
    const [over] = lit?.overflows ?? [];
    expect(over?.lots.map(({ lotId }) => lotId).sort()).toEqual(['lot 0', 'lot 1']);
    expect(Math.max(...(lit?.promised ?? []))).toBeCloseTo((lit?.room.holds ?? 0) + (over?.by ?? 0), 6);
    // What is expected is never more than what is promised, and one bag is one bag.
    lit?.expected.forEach((value, day) => expect(value).toBeLessThanOrEqual((lit.promised[day] ?? 0) + 1e-9));
    const [bag] = [
      ...lotNeeds([{ roomId: 'warm', size: 1, from: { from: TODAY, mass: [1] }, to: { from: TODAY + 10, mass: [1] } }], SPAN).values(),
    ];
    expect([bag?.mean[0], bag?.mean[9], bag?.mean[10]]).toEqual([1, 1, 0]);
    // Tomatillo: a cell of 4 cm, then a pot of 9.
    expect(potCells(KINDS[2] ?? { moving: { pot: '' } as never })).toEqual({ first: 1, second: (90 / 40) ** 2 });
  });
});
