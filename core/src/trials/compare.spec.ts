import type { ParcelFacts } from '../parcel/index.js';
import { basicsFor } from '../parcel/index.js';
import { look, NOW, parcel, randomFrom } from '../testing/index.js';
import { rateAt, responseOf } from '../warmth/index.js';
import { comparisonOf, type Compared } from './compare.js';
import { scoreOf } from './score.js';
import type { Arm, Question, Traits, TrialBatch } from './trial.js';

const DAYS = 14;
type Random = () => number;
const normal = (random: Random): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

interface Lot {
  readonly celsius?: number;
  /** Median over the crop's at its best, log. */
  readonly later?: number;
  readonly rate?: number;
  readonly seeds?: number;
  readonly traits?: Partial<Traits>;
  readonly facts?: Partial<ParcelFacts>;
}

/** A closed batch of tomatillo whose seeds come as they are drawn, looked at once a day for a fortnight. */
function batch(random: Random, number: number, { celsius = 25, later = 0, rate = 0.85, seeds = 24, traits, facts }: Lot = {}): TrialBatch {
  const plain = parcel('tomatillo', DAYS, celsius, { seeds, ...facts });
  const { crop } = plain;
  const median = (crop.days.tipAtOptimum / rateAt(responseOf(crop.temperature), celsius)) * Math.exp(later);
  const days = Array.from({ length: seeds }, () => (random() < rate ? median * Math.exp(0.25 * normal(random)) : Infinity));
  const looks = Array.from({ length: DAYS }, (_, day) =>
    look(24 * (DAYS - 1 - day), { tipped: days.filter((at) => at <= day + 1).length, rotten: 0 }),
  );
  return {
    traits: {
      number,
      packet: 'Harbour Lantern 2025',
      variety: 'Harbour Lantern',
      ageYears: 1,
      spots: ['hall cupboard'],
      people: ['Ada'],
      ...traits,
    },
    basics: basicsFor({ ...plain, looks }, NOW, 1),
    closedMs: NOW,
  };
}

function compared(question: Question, arms: readonly Arm[], draws = 400): Compared {
  const comparison = comparisonOf(question, arms, 11);
  comparison.step(draws);
  return comparison.result();
}
const pairOf = (question: Question, first: TrialBatch[], second: TrialBatch[]) =>
  compared(question, [{ name: 'soaked', batches: first }, { name: 'dry', batches: second }]); // prettier-ignore

describe('a trial', () => {
  it('finds what is there: as many, and sooner', () => {
    const random = randomFrom(5);
    const soaked = { facts: { soakUntilMs: NOW - DAYS * 86_400_000 + 12 * 3_600_000 }, later: -0.35 };
    const { arms, pairs } = pairOf('soak', [batch(random, 1, { ...soaked, seeds: 40 })], [batch(random, 2, { seeds: 40 })]);
    const [pair] = pairs;
    expect(arms.map(({ count }) => count.of)).toEqual([40, 40]);
    expect(pair?.days?.chance).toBeLessThan(0.02);
    expect(pair?.days?.high).toBeLessThan(0);
    expect(pair?.share.chance).toBeGreaterThan(0.05);
    expect(pair?.fair.days).toBe('fair');
  });

  it('calls nothing different more often than it says where nothing is', () => {
    const random = randomFrom(8);
    const trials = 100;
    let called = 0;
    for (let trial = 0; trial < trials; trial++) {
      const { pairs } = pairOf('medium', [batch(random, 1, { seeds: 12 })], [batch(random, 2, { seeds: 12 })]);
      const [pair] = pairs;
      if (Math.min(pair?.days?.amongAll ?? 1, pair?.share.amongAll ?? 1) <= 0.05) called++;
    }
    expect(called).toBeLessThanOrEqual(5);
  }, 60_000);

  it('takes out what the warmth did: the same seed at 21 and at 27 degrees is no difference', () => {
    const random = randomFrom(3);
    const { pairs, clock } = pairOf(
      'medium',
      [batch(random, 1, { celsius: 27, seeds: 40, facts: { setup: { medium: 'cloth', damped: 'water', wet: 'wrung', light: null } } })],
      [batch(random, 2, { celsius: 21, seeds: 40 })],
    );
    expect(clock).toBe('progress');
    expect(Math.abs(pairs[0]?.days?.difference ?? 9)).toBeLessThan(0.8);
    const warmth = pairs[0]?.unlike.find(({ factor }) => factor === 'warmth');
    expect(warmth?.days).toBeGreaterThan(0.2);
    // Where the place itself is asked about, the warmth is the answer.
    const places = pairOf('spot', [batch(random, 1, { celsius: 27, traits: { spots: ['mat'] } })], [batch(random, 2, { celsius: 21 })]);
    expect(places.clock).toBe('days');
    expect(places.pairs[0]?.days?.high).toBeLessThan(0);
  });

  it('does not call slow seed fewer, whoever closed the quick side when all of it had come', () => {
    const random = randomFrom(14);
    const mat = batch(random, 1, { celsius: 27, seeds: 30, rate: 0.93 });
    const sill = batch(random, 2, { celsius: 20, seeds: 30, rate: 0.93, traits: { spots: ['sill'] } });
    // The mat was closed on day 9, with nothing new for days and two still quiet.
    const endMs = mat.basics.facts.startMs + 9 * 86_400_000;
    const looks = mat.basics.facts.looks.filter(({ atMs }) => atMs <= endMs);
    const closed = { ...mat, closedMs: endMs, basics: basicsFor({ ...mat.basics.facts, looks }, endMs, 1) };
    const { arms, pairs } = pairOf('spot', [closed], [sill]);
    expect(arms[1]?.count.came).toBe(sill.basics.state.tipped);
    expect(pairs[0]?.share.chance).toBeGreaterThan(0.05);
    expect(pairs[0]?.days?.high).toBeLessThan(-0.5);
    expect(arms.map(({ over }) => over)).toEqual([true, true]);
    // One that was closed while it was still coming holds both to its own time.
    const early = mat.basics.facts.startMs + 4 * 86_400_000;
    const cut = mat.basics.facts.looks.filter(({ atMs }) => atMs <= early);
    const soon = { ...mat, closedMs: early, basics: basicsFor({ ...mat.basics.facts, looks: cut }, early, 1) };
    const cutShort = pairOf('spot', [soon], [sill]);
    expect(cutShort.watchedDays).toBeCloseTo(4, 1);
    expect(cutShort.arms.map(({ over }) => over)).toEqual([false, true]);
  });

  it('counts the days of chilled seed from the end of its cold, and weighs cold that only one side had', () => {
    const random = randomFrom(15);
    const plain = batch(random, 1, { seeds: 30 });
    const { facts } = plain.basics;
    const weeks = 28 * 86_400_000;
    const fridge = { fromMs: facts.startMs - weeks, readings: [], guess: { minC: 3, maxC: 5 } };
    const chilledFacts = { ...facts, startMs: fridge.fromMs, chillUntilMs: facts.startMs, stays: [fridge, ...facts.stays] };
    const chilled = { ...plain, basics: basicsFor(chilledFacts, NOW, 1) };
    const { pairs, clock } = pairOf('spot', [chilled], [batch(random, 2, { seeds: 30 })]);
    expect(clock).toBe('days');
    expect(Math.abs(pairs[0]?.days?.difference ?? 99)).toBeLessThan(1);
    expect(pairs[0]?.unlike.find(({ factor }) => factor === 'chill')?.first).toBeCloseTo(28, 6);
    expect(pairOf('chill', [chilled], [plain]).pairs[0]?.unlike.map(({ factor }) => factor)).not.toContain('chill');
  });

  it('calls a pair unfair that differs in its packet too, and a pellet no match for a towel', () => {
    const random = randomFrom(4);
    const two = pairOf('medium', [batch(random, 1)], [batch(random, 2, { traits: { packet: 'another' } })]);
    expect(two.pairs[0]?.fair).toEqual({ share: 'unfair', days: 'unfair' });
    const pellet = pairOf('method', [batch(random, 1)], [batch(random, 2, { facts: { method: 'pellet' } })]);
    expect(pellet.pairs[0]?.fair.days).toBe('spoilt');
    expect(pellet.pairs[0]?.unlike[0]?.factor).toBe('event');
  });

  it('compares within each rack where the racks were shared unevenly', () => {
    const random = randomFrom(6);
    const on = (rack: string, celsius: number, later: number, seeds: number, number: number) =>
      batch(random, number, { celsius, later, seeds, traits: { spots: [rack] } });
    const first = [on('upper', 28, 0.25, 36, 1), on('lower', 19, 0.25, 12, 2)];
    const second = [on('upper', 28, 0, 12, 3), on('lower', 19, 0, 36, 4)];
    const { within, pairs } = pairOf('closure', first, second);
    expect(within).toEqual(['upper', 'lower']);
    expect(pairs[0]?.days?.difference).toBeGreaterThan(0.3);
    expect(pairs[0]?.days?.chance).toBeLessThan(0.05);
  });

  it('raises the chances of three arms, and says which has no batch', () => {
    const random = randomFrom(9);
    const arms = ['paper', 'cloth', 'pads'].map((name, index) => ({ name, batches: [batch(random, index + 1)] }));
    const { pairs } = compared('medium', arms);
    expect(pairs.length).toBe(3);
    for (const { share } of pairs) expect(share.amongAll).toBeGreaterThanOrEqual(share.chance);
    expect(() => comparisonOf('medium', [...arms, { name: 'perlite', batches: [] }], 1)).toThrowError(/perlite has no batch/);
  });
});

describe('the score of finished batches', () => {
  it('finds four in five held where seed is as the forecast takes it to be', () => {
    const random = randomFrom(12);
    const sum = { asked: 0, held: 0, off: 0, batches: 0 };
    for (let index = 0; index < 40; index++) {
      const { basics, closedMs } = batch(random, index, { seeds: 12, later: 0.3 * normal(random), rate: 0.85 });
      const { asked, held, middle, end } = scoreOf(basics.facts, closedMs);
      sum.asked += asked;
      sum.held += held;
      if (middle) sum.off += Math.log(middle.cameDays / middle.saidDays);
      sum.batches += middle ? 1 : 0;
      expect(end.came).toBeLessThanOrEqual(12);
    }
    expect(sum.held / sum.asked).toBeGreaterThan(0.74);
    expect(sum.held / sum.asked).toBeLessThan(0.92);
    expect(Math.abs(sum.off / sum.batches)).toBeLessThan(0.2);
  }, 60_000);
});
