import { learn, type PastLot, TIP_LAWS } from '../forecast/index.js';
import { pastLotOf, quietPast, workingsFor, type ParcelFacts } from '../parcel/index.js';
import { look, NOW, parcel, words } from '../testing/parcel.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import { closedInWords, toldFor } from '../words/index.js';
import { judge } from './judgement.js';
import { quietChoices } from './quiet.js';
import { reportFor } from './report.js';

const told = (facts: ParcelFacts) => toldFor(facts, reportFor(facts, NOW), words);
const counsel = (facts: ParcelFacts) => judge(facts, reportFor(facts, NOW)).counsel;
const moved = (hoursAgo: number, uncounted: number) => ({ atMs: NOW - hoursAgo * HOUR_MS, seeds: [], uncounted });
const damp = { damp: 'damp' as const };

describe('patience', () => {
  /** Parsnip that came in dribs: two, then one a week later. */
  const slow = (days: number): ParcelFacts =>
    parcel('parsnip', days, 20, {
      seeds: 14,
      wanted: 9,
      looks: [
        look((days - 11) * 24, { tipped: 5, ...damp }),
        look((days - 19) * 24, { tipped: 7, ...damp }),
        look(0, { tipped: 7, ...damp }),
      ],
      moves: [moved((days - 19) * 24 - 1, 7)],
    });

  it('follows what is known of the lot: a lot with stragglers waits longer than one that came at once', () => {
    const at = (first: number, second: number) =>
      reportFor(
        parcel('tomatillo', 16, 26, {
          seeds: 14,
          looks: [
            look((16 - 3.5) * 24, { tipped: 0, ...damp }),
            look((16 - 5) * 24, { tipped: first, ...damp }),
            look((16 - 12) * 24, { tipped: second, ...damp }),
            look(0, { tipped: second, ...damp }),
          ],
        }),
        NOW,
      );
    expect(at(8, 11).patienceMs).toBeGreaterThan(at(11, 11).patienceMs + DAY_MS);
  });

  it('promises nothing in the past, and says what may come ever beside what may come soon', () => {
    for (const days of [26, 40, 70, 120]) {
      const facts = slow(days);
      const report = reportFor(facts, NOW);
      expect(report.hopeUntilMs).withContext(`${days}`).toBeGreaterThan(NOW);
      expect(report.chanceEver).toBeGreaterThanOrEqual(report.chanceAnyFurther - 1e-9);
      const ending = counsel(facts).find(({ kind }) => kind === 'give_up' || kind === 'restart');
      if (ending) expect(report.chanceAnyFurther).toBeLessThan(0.1);
    }
    const ended = [24, 28, 32, 36, 40, 44, 48].find((days) => counsel(slow(days)).some(({ kind }) => kind === 'give_up')) ?? 0;
    const [over] = counsel(slow(ended)).filter(({ kind }) => kind === 'give_up');
    expect(over).toEqual(jasmine.objectContaining({ aside: true }));
    const said = told(slow(ended)).advice.find(({ kind }) => kind === 'give_up');
    expect(said?.lead).toBe('Set it aside: 7 seeds still quiet');
    expect(said?.text).toMatch(/that one comes ever; .* in a corner; a late one can still be written down\.$/);
    expect(said?.button).toEqual({ label: 'Set it aside', act: { does: 'close', reason: 'set_aside' } });
    expect(closedInWords(7, 0.21, 'set_aside')).toBe(
      '2 chances in 10 that one of the 7 quiet seeds still comes: leave the bag in a corner.',
    );
  });

  it('counts no days on which nothing could come: in the cold a lot is as young as it was', () => {
    const warm = { fromMs: NOW - 20 * DAY_MS, readings: [], guess: { minC: 26, maxC: 26 } };
    const facts = parcel('okra', 20, 26, {
      looks: [look(15 * 24, { tipped: 1, ...damp }), look(0, { tipped: 1, ...damp })],
      moves: [moved(300, 1)],
    });
    const chilly = { ...facts, stays: [warm, { fromMs: NOW - 17 * DAY_MS, readings: [], guess: { minC: 6, maxC: 7 } }] };
    expect(counsel(facts).some(({ kind }) => kind === 'give_up' || kind === 'restart')).toBeTrue();
    expect(counsel(chilly).some(({ kind }) => kind === 'give_up' || kind === 'restart')).toBeFalse();
    expect(reportFor(chilly, NOW).chanceQuietAlive).toBeGreaterThan(reportFor(facts, NOW).chanceQuietAlive + 0.3);
  });

  it('learns from closed batches how many straggle, from the packet most and the household least', () => {
    const strag = parcel('leek', 60, 20, {
      seeds: 30,
      looks: [
        look(52 * 24, { tipped: 0 }),
        look(48 * 24, { tipped: 18 }),
        look(44 * 24, { tipped: 20 }),
        look(34 * 24, { tipped: 24 }),
        look(20 * 24, { tipped: 27 }),
        look(0, { tipped: 28 }),
      ],
    });
    const neat = parcel('leek', 60, 20, {
      seeds: 30,
      looks: [look(52 * 24, { tipped: 0 }), look(48 * 24, { tipped: 22 }), look(45 * 24, { tipped: 28 }), look(0, { tipped: 28 })],
    });
    const lot = (facts: ParcelFacts, labels = { packet: 'p', crop: 'leek', spot: 's' }): PastLot => pastLotOf(facts, NOW, labels);
    const straggling = (past: readonly PastLot[]): number =>
      (learn({ ...strag.prior }, { packet: 'p', crop: 'leek', spot: 's' }, past).laws ?? TIP_LAWS.map(({ weight }) => weight)).reduce(
        (sum, weight, index) => sum + weight * (TIP_LAWS[index]?.stragglers ?? 0),
        0,
      );
    const usual = straggling([]);
    expect(straggling([lot(strag), lot(strag)])).toBeGreaterThan(usual * 1.3);
    expect(straggling([lot(neat), lot(neat)])).toBeLessThan(usual);
    const others = [
      { packet: 'q', crop: 'leek', spot: 's' },
      { packet: 'r', crop: 'dill', spot: 's' },
    ].map((labels) => straggling([lot(strag, labels)]));
    expect(straggling([lot(strag)])).toBeGreaterThan(others[0] ?? 0);
    expect(others[0]).toBeGreaterThan(others[1] ?? 0);
    // And what is learnt waits longer for the next lot.
    const next = (past: readonly PastLot[]) => {
      const facts = parcel('leek', 16, 20, { looks: [look(150, { tipped: 4, ...damp }), look(0, { tipped: 4, ...damp })] });
      return reportFor(
        {
          ...facts,
          prior: {
            ...facts.prior,
            ...learn(facts.prior, { packet: 'p', crop: 'leek', spot: 's' }, past),
            logMedian: facts.prior.logMedian,
            share: facts.prior.share,
            spread: facts.prior.spread,
          },
        },
        NOW,
      ).patienceMs;
    };
    expect(next([lot(strag), lot(strag), lot(strag)])).toBeGreaterThan(next([lot(neat), lot(neat), lot(neat)]));
  });
});

describe('what is added', () => {
  it('means something: within reach, capped by the wish, and where it cannot be had that is said', () => {
    const thin = (packetLeft: number, more: Partial<ParcelFacts> = {}) =>
      parcel('celeriac', 11, 20, {
        seeds: 20,
        wanted: 12,
        packetLeft,
        looks: [look(0, { tipped: 2, rotten: 9, ...damp })],
        moves: [moved(0, 2)],
        ...more,
      });
    const [more] = counsel(thin(300)).filter(({ kind }) => kind === 'top_up');
    expect(more).toEqual(jasmine.objectContaining({ what: 'more' }));
    if (more && 'chance' in more) {
      expect(more.seeds).toBeLessThanOrEqual(31);
      expect(more.chance).toBeGreaterThanOrEqual(0.5);
    }
    for (const left of [0, 1, 3]) {
      const found = counsel(thin(left));
      expect(found.some(({ kind }) => kind === 'top_up'))
        .withContext(`${left}`)
        .toBeFalse();
      expect(found.at(-1)).toEqual(jasmine.objectContaining({ kind: 'short', packet: null }));
    }
    const other = thin(1, { otherPackets: [{ title: 'Kelp, 2024', share: { mean: 0.8, weight: 6 }, left: 90 }] });
    const said = told(other).advice.at(-1);
    expect(said?.lead).toMatch(/^Expect \d+ to \d+ and not 12$/);
    expect(said?.text).toMatch(/^All 1 that the packet has .* Another packet, Kelp, 2024, could fill it up\.$/);
    expect(said?.button?.act).toEqual(jasmine.objectContaining({ does: 'start', packet: 'other' }));
    // Six weeks on it is a sowing of its own.
    const late = parcel('leek', 44, 14, {
      seeds: 20,
      wanted: 18,
      packetLeft: 200,
      looks: [look(20 * 24, { tipped: 9, ...damp }), look(0, { tipped: 9, ...damp })],
      moves: [moved(400, 9)],
    });
    expect(counsel(late).some(({ kind }) => kind === 'top_up')).toBeFalse();
  });

  it('in the second of two steps comes due by itself on its day, and only if too few have shown', () => {
    const agreed = (hours: number, tipped: number, more: Partial<ParcelFacts> = {}) =>
      parcel('parsnip', 12, 21, {
        seeds: 9,
        wanted: 8,
        packetLeft: 60,
        secondStep: { atMs: NOW + hours * HOUR_MS, below: 4, seeds: 7 },
        looks: [look(2, { tipped, ...damp })],
        ...more,
      });
    expect(counsel(agreed(30, 2)).some(({ kind }) => kind === 'top_up')).toBeFalse();
    expect(reportFor(agreed(12, 2), NOW).next.atMs).toBeLessThanOrEqual(NOW + 24 * HOUR_MS);
    const due = told(agreed(-1, 2));
    const line = due.advice.find(({ kind }) => kind === 'top_up');
    expect(line?.lead).toBe('The second step: start 7 more seeds');
    expect(line?.text).toContain('if fewer than 4 had shown; 2 have');
    expect(line?.button).toEqual({ label: 'Start 7 more', act: { does: 'start', packet: 'same', seeds: 7 } });
    expect(counsel(agreed(-1, 4)).some((one) => 'what' in one && one.what === 'second_step')).toBeFalse();
    expect(counsel(agreed(-1, 2, { followedBy: 31 })).some(({ kind }) => kind === 'top_up')).toBeFalse();
  });
});

describe('a rescue', () => {
  it('is of the long ones only: the others are moved, and what is ready within the hour goes along', () => {
    const root = (seed: number, rootMm: number) => ({ seed, stage: 'root' as const, rootMm });
    const lifts = counsel(
      parcel('dill', 7, 22, {
        looks: [look(0, { tipped: 4, ...damp, marks: [root(1, 34), root(2, 11), root(3, 11), { seed: 4, stage: 'tip', rootMm: 1 }] })],
      }),
    ).filter((one) => one.kind === 'rescue' || one.kind === 'move' || (one.kind === 'retuck' && one.what === 'tips'));
    expect(lifts.map((one) => [one.kind, 'count' in one ? one.count : 0])).toEqual([
      ['rescue', 1],
      ['move', 2],
      ['retuck', 1],
    ]);
    const facts = parcel('dill', 7, 22, { looks: [look(0, { tipped: 2, ...damp, marks: [root(1, 11), root(2, 4)] })] });
    const { roots } = reportFor(facts, NOW);
    const soon = roots.map((one, index) => (index === 1 ? { ...one, readyMs: NOW + 50 * 60_000 } : one));
    const report = { ...reportFor(facts, NOW), roots: soon };
    expect(judge(facts, report).counsel.filter(({ kind }) => kind === 'move')).toEqual([jasmine.objectContaining({ count: 2 })]);
  });

  it('never calls the household’s own length late, and knows no root that no towel holds', () => {
    for (const rootSchool of ['tip', 'short', 'finger'] as const) {
      for (const crop of ['tomato', 'lettuce', 'celeriac', 'onion', 'petunia']) {
        const { growth } = workingsFor(parcel(crop, 3, 22, { ways: { rootSchool } }), NOW);
        expect(growth.lateMm)
          .withContext(`${crop} ${rootSchool}`)
          .toBeGreaterThanOrEqual(1.25 * growth.readyMm - 1e-9);
      }
    }
    const forgotten = parcel('bean-runner', 30, 24, { looks: [look(26 * 24, { tipped: 3, ...damp })] });
    const report = reportFor(forgotten, NOW);
    expect(Math.max(report.longestMm, ...report.roots.map(({ usualMm }) => usualMm))).toBeLessThanOrEqual(120);
  });

  it('after four weeks unopened it is opened, and not judged', () => {
    const unopened = told(parcel('sweet-pea', 28, 19, { bagDamp: [{ atMs: NOW - 2 * HOUR_MS, damp: 'damp', rewetted: false }] }));
    expect(JSON.stringify(unopened)).not.toContain('Patience');
    const cold = parcel('lupin', 28, 16, { looks: [], wanted: 4 });
    const said = told({ ...cold, bagDamp: [{ atMs: NOW - 27 * DAY_MS, damp: 'damp', rewetted: true }] });
    expect(said.advice.some(({ kind }) => kind === 'give_up' || kind === 'restart')).toBeFalse();
    expect(said.headline.lead).not.toBe('decide');
  });
});

describe('a germination test', () => {
  const test = (finalHours: number, more: Partial<ParcelFacts> = {}) =>
    parcel('onion', 12, 21, {
      seeds: 20,
      wanted: null,
      looks: [look(20, { tipped: 14, damp: 'drying', troubles: ['threads'] })],
      test: { finalMs: NOW + finalHours * HOUR_MS, result: null },
      ...more,
    });
  const counts = { normal: 12, abnormal: 2, hard: 0, fresh: 1, dead: 5 };
  const result = {
    seeds: 20,
    totals: counts,
    rate: 0.6,
    wilson: { low: 0.39, high: 0.78 },
    exact: { low: 0.36, high: 0.81 },
    replicates: null,
  };

  it('is counted on its day before all else, and after that only what lives of it is moved', () => {
    const due = told(test(2));
    expect([due.verdict, due.advice.length, due.advice[0]?.lead]).toEqual(['count', 1, 'Count the test']);
    expect(due.headline.lead).toBe('final count');
    expect(told(test(90)).advice[0]?.lead).not.toBe('Count the test');
    const counted = test(-3, { test: { finalMs: NOW, result } });
    const after = judge(counted, reportFor(counted, NOW));
    expect(after.counsel.map(({ kind }) => kind)).not.toContain('mend');
    expect(after.headline).toEqual({ through: false, what: 'counted', showing: 12 });
    expect(after.next).toEqual({ atMs: NOW, reason: 'move', via: 'opened' });
    const lifted = after.counsel.filter((one) => one.kind === 'move' || one.kind === 'rescue');
    expect(lifted.every((one) => 'count' in one && one.count <= 12)).toBeTrue();
    expect(told(counted).advice[0]?.button).toEqual({ label: 'Move them now', act: { does: 'open' } });
    const gone = { ...counted, moves: [moved(0, 12)] };
    expect(reportFor(gone, NOW).next.atMs).toBeGreaterThan(NOW + 30 * DAY_MS);
    expect(told(gone).advice.map(({ lead }) => lead)).toEqual(['60 in 100 are good']);
  });
});

describe('forecasts', () => {
  it('agree: the same seeds are no surer planted along than waited for', () => {
    for (const crop of ['leek', 'okra', 'parsnip', 'radish', 'apple'])
      for (const days of [0.5, 3, 8, 15])
        for (const tipped of [0, 2, 6]) {
          const [wait, plant] = quietChoices(reportFor(parcel(crop, days, 20, { seeds: 9, looks: [look(3, { tipped, ...damp })] }), NOW));
          const about = `${crop} ${days} ${tipped}`;
          expect(plant?.low)
            .withContext(about)
            .toBeLessThanOrEqual(wait?.low ?? -1);
          expect(plant?.high)
            .withContext(about)
            .toBeLessThanOrEqual(wait?.high ?? -1);
        }
  });

  it('give counted tips the length that the looks allow, not its top', () => {
    const facts = parcel('okra', 5, 27, { looks: [look(48, { tipped: 0, ...damp }), look(0, { tipped: 3, ...damp })] });
    const { progress, growth } = workingsFor(facts, NOW);
    const top = growth.mmPerDayAtOptimum * (progress.at(NOW) - progress.at(NOW - 48 * HOUR_MS));
    for (const { usualMm } of reportFor(facts, NOW).roots) {
      expect(usualMm).toBeGreaterThan(0.2 * top);
      expect(usualMm).toBeLessThan(0.75 * top);
    }
  });

  it('date what shows through the bag from when it would have been seen', () => {
    const through = { ...damp, through: true };
    const looks = [look(90, { tipped: 0, ...damp }), look(24, { tipped: 0, ...through }), look(0, { tipped: 2, ...through })];
    const [silent, unseen] = [parcel('tomato', 5, 24, { looks }), parcel('tomato', 5, 24, { looks: looks.filter((_, nth) => nth !== 1) })];
    const longest = (facts: ParcelFacts) => Math.max(...reportFor(facts, NOW).roots.map(({ usualMm }) => usualMm));
    expect(longest(silent)).toBeLessThan(0.75 * longest(unseen));
    const late = (facts: ParcelFacts) => quietPast(workingsFor(facts, NOW), 1)(NOW);
    expect(late(silent)).toBeLessThanOrEqual(1);
  });
});
