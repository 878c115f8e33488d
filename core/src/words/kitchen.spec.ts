import { doseFor, doseOf, USUAL_SETUP } from '../carrier/index.js';
import { CROPS } from '../crops/index.js';
import { FINDINGS, type Mend } from '../judging/index.js';
import { METHODS, methodOf } from '../method/index.js';
import { DESTINATIONS } from '../moving/index.js';
import { TROUBLES } from '../parcel/index.js';
import { soakHours, usualSteps } from '../preparing/index.js';
import { look, NOW, parcel, words } from '../testing/index.js';
import { HOUR_MS, wordsFor } from '../units/index.js';
import { journalInWords, type JournalFact } from './journal.js';
import { mendInWords } from './mend.js';
import { moveCard } from './move-card.js';
import { missedSoak, preparingInWords, soakLine } from './soak.js';
import { worktop, type WorktopSetting } from './worktop.js';

const crop = (id: string) => parcel(id, 1, 20).crop;

describe('the worktop', () => {
  const laid = (more: Partial<WorktopSetting> = {}) =>
    worktop({
      crop: crop('okra'),
      method: 'towel',
      setup: USUAL_SETUP,
      places: null,
      pane: { widthMm: 140, heightMm: 110 },
      seeds: 12,
      taken: 12,
      dose: { ...doseOf(7.2, 0.8), laterMl: 0 },
      prepared: ['soak', 'nick'],
      chillDays: null,
      closure: 'sealed_air',
      dressed: false,
      units: 'metric',
      ...more,
    });

  it('begins with the label and ends with the bag, whatever lies between', () => {
    const steps = laid().map(({ text }) => text);
    expect(steps[0]).toBe('Write the label before you open the packet.');
    expect(steps.at(-1)).toBe('Lay, fold, smooth, bag with a pocket of air.');
    // Okra is nicked after the soak, and only what has not swollen; a gourd's coat is opened dry.
    const at = (lead: string, of = steps): number => of.findIndex((text) => text.startsWith(lead));
    expect(at('Soak')).toBeLessThan(at('Nick: only hard seed'));
    // Put into water at the table, the paper is for when it is out.
    const soaking = laid({ soaking: true });
    expect(soaking.map(({ later }) => later ?? false)).toEqual(
      soaking.map((_, nth) => nth > soaking.findIndex(({ text }) => text.startsWith('Soak'))),
    );
    expect(laid({ soaking: false }).some(({ later }) => later)).toBeFalse();
    const gourd = laid({ crop: crop('luffa') }).map(({ text }) => text);
    expect(at('Nick: the edge filed, or a sliver off the narrow root end.', gourd)).toBeLessThan(at('Soak', gourd));
    expect(steps.at(-2)).toBe(
      'Wet the paper with 7 ml: 9 sprays, or about 1.5 teaspoons. Soaked seed brings its own drink: no more than this.',
    );
  });

  it('puts each caution at its step and nowhere else', () => {
    const cautions = (more: Partial<WorktopSetting>) => laid(more).map(({ caution }) => caution);
    expect(cautions({ dressed: true })[0]).toContain('gloves');
    expect(cautions({ dressed: false })[0]).toBeNull();
    expect(cautions({ prepared: ['nick'] })[1]).toContain('Blade away from the fingers');
    expect(cautions({ prepared: ['file'] })[1]).toContain('pliers');
    expect(cautions({ prepared: ['inoculate'] })[1]).toContain('Do not breathe the dust');
    expect(cautions({ closure: 'sealed_flat' }).at(-1)).toContain('suffocation');
    expect(cautions({ closure: 'lidded' }).at(-1)).toBeNull();
  });

  it('counts husks that split, one seed as one, and the cold in the household’s degrees', () => {
    const texts = (more: Partial<WorktopSetting>) => laid(more).map(({ text }) => text);
    const split = (cropId: string, taken: number) => texts({ crop: crop(cropId), prepared: ['split'], taken, seeds: 2 * taken })[1];
    expect(split('chard', 5)).toBe('Press 5 husks apart between two boards: 10 seeds.');
    expect(split('coriander', 1)).toMatch(/^Split: press the round husk between two boards .* 1 husk gives? 2 seeds\.$/);
    expect(texts({ crop: crop('beet'), prepared: ['nick'], seeds: 1, taken: 1 })).toContain(
      'Nick the seed away from the scar until pale shows.',
    );
    expect(texts({ crop: crop('strawberry'), chillDays: 21, units: 'us' }).at(-1)).toMatch(/^Into the cold at about [\d.]+ °F for 21 days/);
  });

  it('says each crop’s own preparation: stones, gourds and hard peas are not treated alike', () => {
    const step = (cropId: string, prepared: WorktopSetting['prepared']) => laid({ crop: crop(cropId), prepared })[1]?.text;
    expect(step('mango', ['peel'])).toMatch(/^Peel: scrub and dry the husk a day, open it along the thin edge/);
    expect(step('peach', ['split'])).toMatch(/^Split: crack the stone in a vice/);
    expect(step('coffee', ['peel'])).toMatch(/^Peel: rub off the parchment skin/);
    expect(step('watermelon', ['nick'])).toMatch(/^Nick: only seedless/);
    expect(step('beet', ['peel'])).toBe('Take the coat off.');
    // What only some of the seed wants is not done to all of it unasked; the inoculant comes last.
    expect(usualSteps(crop('okra'))).toEqual(['soak']);
    expect(usualSteps(crop('luffa'))).toEqual(['nick', 'soak']);
    const cowpea = laid({ crop: crop('cowpea'), prepared: ['inoculate', 'nick', 'soak'] }).map(({ text }) => text.split(':')[0]);
    expect(cowpea.slice(1, 4)).toEqual(['Soak', 'Nick', 'Inoculate']);
    for (const one of CROPS) {
      const said = worktop({
        crop: one,
        method: 'towel',
        setup: USUAL_SETUP,
        places: null,
        pane: { widthMm: 140, heightMm: 110 },
        prepared: usualSteps(one),
        seeds: 4,
        taken: 4,
        dose: { ...doseOf(5, 0.8), laterMl: 0 },
        chillDays: null,
        closure: 'sealed_air',
        dressed: false,
        units: 'metric',
      });
      expect(said.length)
        .withContext(one.id)
        .toBe(3 + usualSteps(one).length);
    }
  });

  it('gives soaked seed no drink twice, and never so much at once that it lies in it', () => {
    const half = { widthMm: 280, heightMm: 220, plies: 2 };
    const beans = 0.2 * 300;
    const [dry, soaked] = [doseFor(half, 2.5, beans, 0.8), doseFor(half, 2.5, 0, 0.8)];
    expect(soaked.millilitres).toBe(7);
    // Paper of 2.8 g holds about 11 ml without a pool; 36 ml in all are drunk.
    expect(dry.millilitres).toBe(11);
    expect(dry.laterMl).toBe(32);
    expect(laid({ prepared: [], dose: dry }).at(-2)?.text).toContain('They drink about 32 ml more: give it in two goes as the paper dries');
    // Small seed is as before: its drink is a drop.
    expect(doseFor(half, 2.5, 0.05, 0.8)).toEqual({ ...doseOf(7, 0.8), laterMl: 0 });
  });
});

describe('a soak in words', () => {
  it('names for every crop its hours and its limit in one breath, and never hours beyond the limit', () => {
    for (const one of CROPS) {
      const hours = soakHours(one);
      const line = soakLine(one);
      expect(line).withContext(one.id).toContain(`${one.water.drowningLimitHours} h at the very most; then dry them off.`);
      expect(line)
        .withContext(one.id)
        .not.toMatch(/undefined|null|NaN|\b0 /);
      // Where it may be left out no gardener is told to soak for no hours.
      expect(preparingInWords(['soak'], one))
        .withContext(one.id)
        .toMatch(/^soaking( for (up to )?\d+( to \d+)? h)?$/);
      if (hours === null) expect(preparingInWords(['soak'], one)).toBe('soaking');
      else expect(hours[1]).withContext(one.id).toBeLessThanOrEqual(one.water.drowningLimitHours);
    }
  });

  it('warns before the limit with its time, and past it says that some may have drowned, not that all are dead', () => {
    const soon = missedSoak(
      { kind: 'mend', what: 'drowning', survival: 1, over: false, drownsMs: NOW + 5 * HOUR_MS, limitHours: 24 },
      words,
    );
    expect([soon.lead, soon.by, soon.tone]).toEqual(['Soon out of the water', 'before 12:00', 'water']);
    const over = missedSoak(
      { kind: 'mend', what: 'drowning', survival: 0.7, over: true, drownsMs: NOW - 9 * HOUR_MS, limitHours: 24 },
      words,
    );
    expect([over.by, over.tone]).toEqual(['now', 'trouble']);
    expect(over.text).toMatch(/some may have drowned.*the rest keep their time/);
    expect(over.text).not.toMatch(/dead/);
  });
});

describe('what is to be mended, in words', () => {
  it('has for every trouble a lead, a way to mend it and its caution', () => {
    for (const trouble of TROUBLES) {
      for (const { id, caution } of FINDINGS) {
        const mend: Mend = { kind: 'mend', what: 'trouble', trouble, finding: id };
        const told = mendInWords(mend, methodOf('towel'), words);
        expect(told.lead.length).withContext(trouble).toBeGreaterThan(5);
        expect(told.text)
          .withContext(`${trouble} ${id}`)
          .toMatch(/[.!?]$/);
        if (caution) expect(told.text).withContext(id).toContain(caution);
      }
    }
  });

  it('says where warmth is wrong which way to go, in the household’s degrees', () => {
    const us = wordsFor('America/Chicago', 'us', NOW, 0.8);
    const board = (way: 'cooler' | 'warmer') =>
      mendInWords({ kind: 'mend', what: 'other_board', way, meanC: 31, share: 0.32, waiting: 7 }, methodOf('towel'), us);
    expect(board('cooler').lead).toBe('A cooler spot');
    expect(board('warmer').text).toBe(
      'At 87.8 °F about 3 in 10 of the live seeds come; the other 7 quiet seeds or so wait, and a warmer spot brings them.',
    );
    const hot = mendInWords({ kind: 'mend', what: 'overheated', injuryC: 38, survival: 0.4 }, methodOf('towel'), words);
    expect(hot.text).toContain('about 6 in 10 may not have lived through that, by rule of thumb');
  });

  it('waters each method in its own way', () => {
    for (const id of METHODS) {
      const method = methodOf(id);
      const dry = mendInWords({ kind: 'mend', what: 'thirst', damp: 'dry', felt: true, doseMl: 4 }, method, words).text;
      const pool = mendInWords({ kind: 'mend', what: 'pool' }, method, words).text;
      expect(dry.includes('5 sprays'))
        .withContext(id)
        .toBe(method.water === 'dosed');
      expect(pool).withContext(id).toContain('seed under water cannot breathe');
    }
  });
});

describe('a move in words', () => {
  it('has a card for every place and crop without a hole', () => {
    for (const destination of DESTINATIONS) {
      for (const one of CROPS.filter((_, nth) => nth % 6 === 0)) {
        const { lines, cautions } = moveCard(one, destination, 3, words);
        expect(lines.length).withContext(`${one.id} ${destination}`).toBeGreaterThan(2);
        for (const { what, text } of lines)
          expect(`${what} ${text}`)
            .withContext(one.id)
            .not.toMatch(/undefined|NaN|\bnull\b| {2}/);
        for (const caution of cautions) expect(caution).toMatch(/\.$/);
      }
    }
  });
});

describe('the journal in words', () => {
  const say = (fact: JournalFact, method: (typeof METHODS)[number] = 'towel') => journalInWords(fact, methodOf(method), words);
  const seen = (more: Parameters<typeof look>[1], via: 'opened' | 'through' | 'skipped' = 'opened') =>
    say({ kind: 'look', via, look: look(1, more), before: { tipped: 2, rotten: 1 }, classes: null });

  it('tells a look by what was new in it', () => {
    expect(seen({ tipped: 5, rotten: 1 })).toBe('3 new tips, 5 in all.');
    expect(seen({ tipped: 3, rotten: 3 })).toBe('1 new tip, 3 in all · 2 rotten.');
    expect(seen({ tipped: 2 })).toBe('Nothing new.');
    expect(seen({ tipped: null })).toBe('Opened, nothing noted.');
    expect(seen({ tipped: 2, damp: 'dry', rewetted: true }, 'through')).toBe('Nothing new · towel dry, re-damped. Through the bag.');
    expect(seen({}, 'skipped')).toBe('Not opened.');
    expect(seen({ tipped: 3, marks: [{ seed: 4, stage: 'root', rootMm: 11 }], troubles: ['fuzz', 'smell'] })).toMatch(
      /^1 new tip, 3 in all · seed 4 root 11 mm · .*, .*\.$/,
    );
  });

  it('tells a move by its labels and what happened on the way', () => {
    const moved = {
      kind: 'move',
      destination: 'cup',
      sprouts: 3,
      labels: [40, 41, 42],
      freed: 0,
      patched: 0,
      snapped: 0,
      quietPlanted: 0,
    } as const;
    expect(say(moved)).toBe('3 sprouts moved into cups: labels 40 to 42.');
    expect(say({ ...moved, sprouts: 1, labels: [40] })).toBe('1 sprout moved into a cup: label 40.');
    expect(say({ ...moved, destination: 'bed', labels: [], snapped: 2, quietPlanted: 1 })).toBe(
      '3 sprouts moved into the bed: no label; 2 snapped; 1 quiet seed planted too.',
    );
  });

  it('tells counts, closings and what was taken back', () => {
    expect(say({ kind: 'recount', seeds: 9 })).toBe('Starting count corrected to 9.');
    expect(say({ kind: 'close', reason: 'all_moved' })).toMatch(/^Closed: .*\.$/);
    expect([null, 'look', 'move', 'recount', 'close'].map((what) => say({ kind: 'undo', what: what as 'look' | null }))).toEqual([
      'Took back the entry.',
      'Took back the look.',
      'Took back the move.',
      'Took back the corrected count.',
      'Took back the closing.',
    ]);
    const classes = [
      { normal: 9, abnormal: 1, hard: 0, fresh: 0, dead: 2 },
      { normal: 8, abnormal: 0, hard: 0, fresh: 2, dead: 0 },
    ];
    expect(say({ kind: 'look', via: 'opened', look: look(1, {}), before: { tipped: 0, rotten: 0 }, classes })).toMatch(
      /^Final count: 17 normal, 1 abnormal, 2 fresh, 2 dead\.$/,
    );
  });
});
