import fc from 'fast-check';
import { judge, reportFor, whyFor } from '../judging/index.js';
import type { ParcelFacts } from '../parcel/index.js';

import { anyParcel, NOW, words } from '../testing/index.js';
import { tell, type Told } from './told.js';
import { whyInWords } from './why.js';

/** What lies there: the same each time, so that each is judged once. */
const PARCELS = fc.sample(anyParcel, { numRuns: 400, seed: 20260411 });
const HOLE = /undefined|NaN|Infinity|\bnull\b|\[object|\{|\}/;
const ONE_OF_MANY = /\b(?<![.\d])1 (seeds|sprouts|tips|roots|seedlings|days|sprays|husks)\b/;
const SLIP = / {2}|\.\.| ,| \.|,,|;\.|\ba [aeio][a-z]+ (seed|tip)|\( | \)/;

/** All that is said of a parcel, sentence by sentence. */
const sentences = ({ advice, headline, outlook, reasons, grounds }: Told): string[] => [
  ...advice.map(({ text }) => text),
  headline.text,
  outlook,
  ...reasons,
  ...grounds,
];
const fragments = ({ advice, headline, nextReason }: Told): string[] => [
  ...advice.flatMap(({ lead, by }) => [lead, by ?? '']),
  headline.lead,
  nextReason,
];
const tellAll = (facts: ParcelFacts) => {
  const report = reportFor(facts, NOW);
  const judgement = judge(facts, report);
  return { report, judgement, told: tell(judgement, facts, report, words) };
};

describe('whatever a household has lying there', () => {
  let all: readonly (ReturnType<typeof tellAll> & { readonly facts: ParcelFacts })[] = [];
  beforeAll(() => (all = PARCELS.map((facts) => ({ facts, ...tellAll(facts) }))));

  it('every sentence is whole: no hole, no "1 seeds", no slip of the pen', () => {
    for (const { told } of all) {
      for (const text of [...sentences(told), ...fragments(told)]) {
        for (const fault of [HOLE, ONE_OF_MANY, SLIP]) if (fault.test(text)) throw new Error(`${fault.source}: ${text}`);
      }
      for (const text of sentences(told)) if (!/^[A-Z0-9“].*[.!?”]$/.test(text)) throw new Error(`no whole sentence: ${text}`);
      for (const { lead } of told.advice) if (!/^[A-Z0-9]/.test(lead)) throw new Error(`no lead: ${lead}`);
    }
  });

  it('the figures stand in order: what is expected between what was seen and what lies there, nothing asked for in the past', () => {
    for (const { facts, report, judgement } of all) {
      const { state, end } = report;
      const { total, next, deadlineMs, giveMl, counsel } = judgement;
      expect(total.low).toBeGreaterThanOrEqual(state.tipped);
      expect(total.high).toBeGreaterThanOrEqual(total.low);
      expect(total.high).toBeLessThanOrEqual(facts.seeds);
      expect(end.high).toBeLessThanOrEqual(state.quiet);
      expect(next.atMs).toBeGreaterThanOrEqual(NOW);
      if (deadlineMs !== null && deadlineMs < NOW) throw new Error(`${new Date(deadlineMs).toISOString()} ${JSON.stringify(counsel)}`);
      expect(giveMl).toBeGreaterThanOrEqual(0);
      expect(counsel.length).toBeGreaterThan(0);
      expect(counsel.map(({ kind }) => kind)).toContain(judgement.verdict);
    }
  });

  it('a chance is a chance, and a stretch lies within what is there', () => {
    for (const { report } of all) {
      for (const chance of [report.chanceQuietAlive, report.now.anyChance, report.tomorrow.anyChance, report.end.anyChance]) {
        expect(chance).toBeGreaterThanOrEqual(0);
        expect(chance).toBeLessThanOrEqual(1);
      }
      for (const { low, mostLikely, high, anyChance } of [report.now, report.tomorrow, report.end]) {
        // Where a lot may be dead the likeliest is none, and the shortest stretch may lie above it: then none has no more than the stretch leaves out.
        const left = 1 - anyChance;
        expect(low <= high && ((low <= mostLikely && mostLikely <= high) || (mostLikely === 0 && left <= 0.2 + 1e-9))).toBeTrue();
      }
      // What may come by now may come by tomorrow.
      expect(report.tomorrow.anyChance).toBeGreaterThanOrEqual(report.now.anyChance - 1e-9);
      expect(report.end.anyChance).toBeGreaterThanOrEqual(report.tomorrow.anyChance - 1e-9);
    }
  });

  it('looks may come in any order, and a report is plain values', () => {
    for (const { facts, report } of all.slice(0, 100)) {
      const turned = reportFor({ ...facts, looks: [...facts.looks].reverse() }, NOW);
      for (const what of ['now', 'end', 'chanceQuietAlive'] as const) expect(turned[what]).toEqual(report[what]);
      expect(structuredClone(report)).toEqual(report);
    }
  });

  it('one more quiet seed found rotten never makes more be expected', () => {
    for (const { facts, report } of all.slice(0, 100)) {
      if (report.state.quiet < 2) continue;
      const seen = { tipped: report.state.tipped, rotten: report.state.rotten, marks: [], damp: null, rewetted: false, troubles: [] };
      const look = (rotten: number) => ({ ...seen, atMs: NOW, through: false, rotten: seen.rotten + rotten });
      const [firm, soft] = [0, 1].map((rotten) => reportFor({ ...facts, looks: [...facts.looks, look(rotten)] }, NOW));
      expect(soft?.end.high).toBeLessThanOrEqual(firm?.end.high ?? 0);
    }
  });

  it('Why adds up: what it rests on is told whole, from the book to the last look', () => {
    for (const { facts } of all.slice(0, 100)) {
      const panel = whyInWords(whyFor(facts, NOW), facts, words);
      for (const { text, moved } of panel.contributions) {
        for (const line of [text, moved]) {
          if (HOLE.test(line) || ONE_OF_MANY.test(line) || SLIP.test(line)) throw new Error(line);
        }
      }
      for (const { with: now } of panel.contributions) {
        expect(now.low).toBeLessThanOrEqual(now.high);
        expect(now.high).toBeLessThanOrEqual(facts.seeds);
      }
    }
  });

  it('what was lifted out is not asked for again', () => {
    for (const { facts, report, judgement } of all) {
      for (const one of judgement.counsel) {
        if (one.kind !== 'move' && one.kind !== 'rescue') continue;
        expect(one.count).toBeLessThanOrEqual(report.state.showing);
        expect(one.count).toBeGreaterThan(0);
      }
      if (report.state.showing === 0) expect(judgement.counsel.some(({ kind }) => kind === 'move' || kind === 'rescue')).toBeFalse();
      expect(report.state.showing + report.state.quiet + report.state.moved + report.state.rotten + report.state.lost).toBe(facts.seeds);
    }
  });
});
