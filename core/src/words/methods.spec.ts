import { daysToEvent, METHODS, methodOf, paneOf, type MethodId } from '../method/index.js';
import { bookPrior } from '../forecast/index.js';
import { judge, reportFor } from '../judging/index.js';
import type { ParcelFacts } from '../parcel/index.js';
import { CROPS } from '../crops/index.js';
import { look, NOW, parcel, words } from '../testing/parcel.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import { journalInWords } from './journal.js';
import { toldFor } from './told.js';
import { METHOD_WORDS } from './vocabulary.js';

/** What is true of a towel and of nothing else. */
const TOWEL_WORDS = /\b(towel|paper|bag|re-tuck|tuck|folded?|sprays?)\b/i;
const EMERGING = METHODS.filter((id) => methodOf(id).event === 'emergence');

/** A parcel started some way, its prior for what is watched there. */
function started(method: MethodId, cropId: string, days: number, more: Partial<ParcelFacts> = {}): ParcelFacts {
  const facts = parcel(cropId, days, 25, { method, ...more });
  return { ...facts, prior: bookPrior(facts.crop, { printedRate: 0.9, ageYears: null, seen: methodOf(method).event }) };
}
const told = (facts: ParcelFacts) => toldFor(facts, reportFor(facts, NOW), words);
/** Every word that is said of a parcel, the book's own sentences left out. */
const all = (facts: ParcelFacts): string => {
  const { grounds, ...rest } = told(facts);
  return JSON.stringify([rest, grounds.slice(1)]);
};
const up = (hoursAgo: number, tipped: number) => ({
  looks: [look(hoursAgo + 14, { tipped: 0 }), look(hoursAgo, { tipped })],
  bagDamp: [{ atMs: NOW - HOUR_MS, damp: 'damp' as const, rewetted: true }],
});

describe('a method', () => {
  it('is one entry with everything that follows from it', () => {
    for (const id of METHODS) {
      const method = methodOf(id);
      expect(method.id).toBe(id);
      expect(METHOD_WORDS[id]).toContain(method.nouns.way.split(' ').at(-1) ?? '');
      expect((method.water === 'dosed') === (method.lossPerDayAt25C === null))
        .withContext(id)
        .toBeTrue();
      const { widthMm, heightMm } = paneOf(method, 13);
      expect(Math.min(widthMm, heightMm)).withContext(id).toBeGreaterThanOrEqual(20);
    }
    expect(() => methodOf('spoon')).toThrowError(/method: "spoon" is none of towel, water/);
  });

  it('waits longer where the seed is out of sight, by the crop’s days to emergence', () => {
    for (const crop of CROPS) {
      const [tip, emergence] = [daysToEvent(methodOf('towel'), crop), daysToEvent(methodOf('pot'), crop)];
      expect(emergence - tip).toBeCloseTo(crop.days.tipToEmergence, 9);
      const prior = bookPrior(crop, { printedRate: null, ageYears: null, seen: 'emergence' });
      expect(Math.exp(prior.logMedian.mean)).toBeCloseTo(emergence, 9);
    }
  });

  for (const id of METHODS) {
    it(`speaks of the thing that lies there: ${METHOD_WORDS[id]}`, () => {
      const { event } = methodOf(id);
      const shown = started(id, 'tomato', 9, up(1, 3));
      const { state } = reportFor(shown, NOW);
      expect([state.tipped, state.showing, state.quiet]).toEqual([3, 3, 5]);
      const days = [1, 6, 9, 30].map((day) => started(id, 'tomato', day));
      const situations = [
        ...days,
        shown,
        started(id, 'tomato', 12, up(80, 3)),
        started(id, 'tomato', 9, { looks: [look(1, { tipped: 2, damp: 'drying' })] }),
        started(id, 'tomato', 40, { looks: [look(30, { tipped: 1 }), look(1, { tipped: 1 })], packetLeft: 20 }),
      ];
      for (const facts of situations) {
        const text = all(facts);
        expect(text).not.toMatch(/NaN|undefined|Infinity/);
        // What is begun another way may well be begun on a towel.
        if (id !== 'towel')
          expect(
            text
              .replaceAll('"method":"towel"', '')
              .replaceAll(/(O|o)n a (damp )?towel,?[^.]*\./g, '')
              .replaceAll(/a (damp )?towel( barely damp)?/g, ''),
          ).not.toMatch(TOWEL_WORDS);
        if (event === 'emergence') expect(text).not.toMatch(/\btips?\b/);
      }
      const journal = journalInWords(
        { kind: 'look', via: 'opened', look: look(1, { tipped: 3, damp: 'drying' }), before: { tipped: 1, rotten: 0 }, classes: null },
        methodOf(id),
        words,
      );
      expect(journal).toMatch(event === 'tip' ? /^2 new tips, 3 in all/ : /^2 new seedlings, 3 in all/);
    });
  }

  it('late is in the paper on a towel, drawn for want of light in a pot, and drowned in water', () => {
    const late = (id: MethodId) => told(started(id, 'tomato', 12, up(96, 3)));
    const towel = late('towel');
    expect([towel.verdict, towel.headline.lead]).toEqual(['rescue', 'rescue now']);
    expect(JSON.stringify(towel.advice)).toContain('A root in the paper stays there');
    for (const id of EMERGING) {
      const pot = late(id);
      expect([pot.verdict, pot.headline.lead]).withContext(id).toEqual(['rescue', 'light now']);
      expect(pot.advice[0]?.lead).toBe('Light now for 3 seedlings');
    }
    const water = late('water');
    expect(water.verdict).toBe('mend');
    expect(water.advice[0]?.lead).toBe('Out of the water');
  });

  it('a pot that has three up is told to bring them into the light, and nothing of a root', () => {
    const pot = told(started('pot', 'tomato', 12, up(2, 3)));
    expect(pot.verdict).toBe('move');
    expect(pot.advice[0]).toEqual(jasmine.objectContaining({ kind: 'move', lead: 'Bring 3 seedlings into the light' }));
    expect(pot.headline.text).toMatch(/^3 seedlings up in the pot; drawn about .* without light\.$/);
  });

  it('water is changed every day, and warns before the kind’s drowning limit', () => {
    const okra = CROPS.find(({ id }) => id === 'okra');
    const limit = okra?.water.drowningLimitHours ?? 0;
    const after = (hours: number) => started('water', 'okra', hours / 24);
    const fresh = reportFor(after(2), NOW);
    expect((fresh.drownsMs ?? 0) - after(2).startMs).toBe(limit * HOUR_MS);
    expect(told(after(2)).verdict).toBe('leave');
    expect(told(after(limit - 6)).advice[0]).toEqual(jasmine.objectContaining({ lead: 'Soon out of the water', tone: 'water' }));
    expect(told(after(limit + 1)).advice[0]?.lead).toBe('Out of the water');
    // Changed an hour ago, it wants nothing for a day.
    const changed = { ...after(20), looks: [look(1, { damp: 'pooling', rewetted: true })] };
    expect(reportFor(changed, NOW).drying.dryingAtMs - NOW).toBe(DAY_MS - HOUR_MS);
    expect(judge(changed, reportFor(changed, NOW)).counsel.some((one) => 'what' in one && one.what === 'pool')).toBeFalse();
  });

  it('the judgement is one typed value, and what is told of it says the same', () => {
    const thirsty = started('towel', 'tomato', 4, { looks: [look(1, { tipped: 0, damp: 'dry' })] });
    const report = reportFor(thirsty, NOW);
    const judgement = judge(thirsty, report);
    expect(judgement.giveMl).toBeCloseTo(thirsty.doseMl * 0.7, 9);
    expect(judgement.deadlineMs).toBe(NOW);
    expect(judgement.next).toEqual(report.next);
    const said = told(thirsty);
    expect([said.verdict, said.giveMl, said.deadlineMs]).toEqual([judgement.verdict, judgement.giveMl, judgement.deadlineMs]);
    expect(said.advice.map(({ kind }) => kind)).toEqual(judgement.counsel.map(({ kind }) => kind));
  });
});
