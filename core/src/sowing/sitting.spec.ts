import fc from 'fast-check';
import { USUAL_SETUP } from '../carrier/index.js';
import { CROPS } from '../crops/index.js';
import { reportFor } from '../judging/index.js';
import { look, NOW, parcel, slipsIn } from '../testing/index.js';
import { wordsFor } from '../units/index.js';
import {
  clashInWords,
  labelCountInWords,
  minutesInWords,
  ROUND_CAUTIONS,
  roundRowInWords,
  sittingHeadline,
  suppliesInWords,
} from '../words/index.js';
import { alike, clashesOf, handsFor, keptApart, suppliesFor, timedHands, type Clash, type SeatedLine, type SittingLine } from './index.js';

const crop = (id: string) => CROPS.find((one) => one.id === id) ?? fail(id);
const towel: SittingLine = {
  method: 'towel',
  setup: USUAL_SETUP,
  pane: { widthMm: 140, heightMm: 110 },
  seeds: 8,
  places: null,
  doseMl: 7,
  closure: 'sealed_air',
  prepared: [],
  bag: null,
  bagThere: false,
};
const seated = (key: string, more: Partial<SeatedLine> = {}): SeatedLine => ({
  key,
  crop: crop('okra'),
  seeds: 10,
  spotId: 'warm',
  bag: null,
  bagged: true,
  standing: [
    { spotId: 'warm', comes: 0.9, halfDays: 3, refused: null },
    { spotId: 'cool', comes: 0.85, halfDays: 6, refused: null },
  ],
  ...more,
});
const spots = [
  { id: 'warm', holds: null, taken: 0 },
  { id: 'cool', holds: null, taken: 0 },
];

describe('supplies of a sitting', () => {
  it('are counted whole: sheets are cut from whole ones, shared bags once, labels twice where a bag is shared', () => {
    // Three half sheets are one and a half, so two; two lots share a bag (worked by hand).
    const supplies = suppliesFor([{ ...towel, bag: 'x' }, { ...towel, bag: 'x' }, towel]);
    expect([supplies.media, supplies.bags, supplies.waterMl, supplies.labels]).toEqual([
      [{ medium: 'paper', sheets: 2, litres: 0 }],
      2,
      21,
      5,
    ]);
    expect(labelCountInWords(supplies)).toBe('5 labels: two of them twice, in and on the shared bag');
    // Six cells and three pots: 0.045 l and 0.35 l each, and some spare.
    const others = suppliesFor([
      { ...towel, method: 'plug', places: 6, closure: 'lidded' },
      { ...towel, method: 'pot', places: 3, closure: 'lidded' },
    ]);
    expect([others.cells, others.pots, others.trays, others.bags, others.mixLitres]).toEqual([6, 3, 2, 0, 1.5]);
    // One part of the household bottle to nine of water.
    expect(suppliesFor([{ ...towel, doseMl: 40, setup: { ...USUAL_SETUP, damped: 'peroxide' } }]).peroxideMl).toBe(4);
    expect(suppliesFor([{ ...towel, bag: 'there', bagThere: true }]).bags).toBe(0);
  });

  it('name nothing that is not needed, and each caution where its hazard stands', () => {
    const lines = suppliesInWords(
      suppliesFor([
        { ...towel, setup: { ...USUAL_SETUP, medium: 'perlite', damped: 'peroxide' } },
        { ...towel, method: 'pot', places: 2 },
      ]),
    );
    expect(lines.map(({ what }) => what)).toEqual(['loose', 'bags', 'trays', 'water', 'peroxide', 'pots', 'mix']);
    expect(lines.filter(({ caution }) => caution !== null).map(({ what }) => what)).toEqual(['loose', 'bags', 'peroxide', 'mix']);
    expect(suppliesInWords(suppliesFor([towel])).map(({ what }) => what)).toEqual(['sheets', 'bags', 'water']);
  });

  it('are told in minutes that follow the household’s own clock as it comes in', () => {
    const guess = handsFor({ method: 'towel', seeds: 8, prepared: [] }, null);
    const few = handsFor({ method: 'towel', seeds: 8, prepared: [] }, { packets: 1, minutes: 2 });
    const many = handsFor({ method: 'towel', seeds: 8, prepared: [] }, { packets: 40, minutes: 2 });
    expect(guess > few && few > many && many < 2.6).toBeTrue();
    expect(handsFor({ method: 'towel', seeds: 8, prepared: ['nick'] }, null)).toBeGreaterThan(guess);
    const { minutes } = suppliesFor([towel, { ...towel, method: 'pot', places: 4 }]);
    expect(minutesInWords(minutes)).toBe(
      `Towels first, ${minutes.towels} minutes; pots and trays after them, ${minutes.others}; wiping down, 10.`,
    );
    expect(sittingHeadline(13, 71)).toBe('Thirteen packets, about 70 minutes');
    expect(sittingHeadline(1, 6.4)).toBe('One packet, about 6 minutes');
  });
});

describe('what would go wrong with a sitting', () => {
  const names = {
    crop: (key: string) => key,
    seeds: () => 10,
    number: () => 7,
    spot: (id: string) => `the ${id} board`,
    warmth: () => '28 °C, steady',
  };

  it('takes the middle of the timed ones, so that one long call does not count', () => {
    const towels = [180, 200, 3600].map((seconds) => ({ method: 'towel' as const, seconds }));
    expect(timedHands(towels)).toEqual({ towel: { packets: 3, minutes: 3.3 } });
    expect(timedHands([...towels, { method: 'towel', seconds: 240 }, { method: 'pot', seconds: 90 }])).toEqual({
      towel: { packets: 4, minutes: 3.7 },
      pot: { packets: 1, minutes: 1.5 },
    });
    expect(timedHands([])).toEqual({});
  });

  it('is nothing where every lot stands well and apart', () => {
    expect(clashesOf([seated('okra'), seated('leek', { crop: crop('leek') })], spots)).toEqual([]);
  });

  it('names a spot that keeps seed shut, with what it costs and where it would do better', () => {
    const leek = seated('leek', {
      crop: crop('leek'),
      standing: [
        { spotId: 'warm', comes: 0.4, halfDays: 4, refused: null },
        { spotId: 'cool', comes: 0.9, halfDays: 8, refused: null },
      ],
    });
    const [clash] = clashesOf([leek], spots);
    expect(clash).toEqual(jasmine.objectContaining({ kind: 'warmth', loses: 5, to: 'cool', slowerDays: 4 }));
    expect(clashInWords(clash ?? fail('none'), names)).toEqual({
      text: 'The warm board gives 28 °C, steady: 5 of 10 leek would stay shut that come elsewhere. The cool board has room; 4 days slower there.',
      mend: 'Put it at the cool board',
    });
    // In one bag with another it cannot go alone.
    const [shared] = clashesOf([seated('okra', { bag: 'x' }), { ...leek, bag: 'x' }], spots);
    expect(clashInWords(shared ?? fail('none'), names)).toEqual({
      text: jasmine.stringContaining('In one bag with 7, it cannot stand anywhere else') as unknown as string,
      mend: 'Give it a bag of its own at the cool board',
    });
  });

  it('names a full board once, and never sends anything to one that is full too', () => {
    const lines = ['a', 'b', 'c'].map((key, nth) => seated(key, { crop: crop(['okra', 'leek', 'dill'][nth] ?? '') }));
    const found = clashesOf(lines, [
      { id: 'warm', holds: 3, taken: 2 },
      { id: 'cool', holds: 4, taken: 3 },
    ]);
    expect(found).toEqual([{ kind: 'full', key: 'c', spotId: 'warm', over: 2, to: 'cool' }]);
    expect(
      clashesOf(lines, [
        { id: 'warm', holds: 1, taken: 0 },
        { id: 'cool', holds: 1, taken: 1 },
      ])[0],
    ).toEqual(jasmine.objectContaining({ over: 2, to: null }));
    // Lots of one bag take one place.
    expect(
      clashesOf(
        lines.map((line) => ({ ...line, bag: 'x' })),
        [{ id: 'warm', holds: 1, taken: 0 }],
      ),
    ).toEqual([]);
  });

  it('takes for alike what a tired eye would, and keeps it apart wherever that can be done', () => {
    const pairs: [string, string, boolean][] = [
      ['leek', 'onion', true],
      ['leek', 'chives', true],
      ['cabbage', 'broccoli', true],
      ['tomato', 'pepper-sweet', true],
      ['tomato', 'tomato', true],
      ['cucumber', 'courgette', false],
      ['okra', 'pea', false],
      ['leek', 'carrot', false],
    ];
    for (const [a, b, yes] of pairs)
      expect(alike(crop(a), crop(b)))
        .withContext(`${a} ${b}`)
        .toBe(yes);
    const kinds = ['leek', 'onion', 'okra', 'cabbage', 'broccoli', 'dill', 'pea'];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...kinds), { minLength: 1, maxLength: 12 }), (ids) => {
        const lines = ids.map((id, nth) => ({ nth, crop: crop(id), bagged: true }));
        const order = keptApart(lines);
        expect([...order].sort((a, b) => a.nth - b.nth)).toEqual(lines);
        const clashes = (all: readonly { crop: SeatedLine['crop'] }[]): number =>
          all.filter((one, nth) => nth > 0 && alike(one.crop, (all[nth - 1] ?? one).crop)).length;
        expect(clashes(order)).toBeLessThanOrEqual(clashes(lines));
        const groups = [['leek', 'onion'], ['okra'], ['cabbage', 'broccoli'], ['dill'], ['pea']];
        const largest = Math.max(...groups.map((group) => ids.filter((id) => group.includes(id)).length));
        // What no kind outnumbers can be kept apart whole.
        if (largest <= Math.ceil(ids.length / 2)) expect(clashes(order)).withContext(ids.join()).toBe(0);
      }),
    );
  });
});

describe('the sheet of a round', () => {
  it('and every sentence of a sitting is heard without a slip, in both systems', () => {
    const names = { crop: () => 'leek', seeds: () => 10, number: () => 7, spot: () => 'the mat', warmth: () => '28 °C, steady' };
    const warmth = { key: 'a', spotId: 'x', loses: 3, kills: false, to: 'y', slowerDays: 3 } as const;
    const clashes: Clash[] = [
      { kind: 'warmth', ...warmth },
      { kind: 'warmth', ...warmth, kills: true, to: null, slowerDays: null },
      { kind: 'warmth', ...warmth, loses: 0, slowerDays: -2 },
      { kind: 'bag', ...warmth, other: 'b' },
      { kind: 'full', key: 'a', spotId: 'x', over: 1, to: null },
      { kind: 'full', key: 'a', spotId: 'x', over: 3, to: 'y' },
      { kind: 'alike', key: 'a', other: 'b', same: true },
      { kind: 'alike', key: 'a', other: 'b', same: false },
    ];
    const supplies = suppliesInWords(
      suppliesFor([
        { ...towel, setup: { ...USUAL_SETUP, damped: 'peroxide' } },
        { ...towel, method: 'pot', places: 2 },
      ]),
    );
    for (const units of ['metric', 'us'] as const) {
      const words = wordsFor('Europe/Copenhagen', units, NOW, 0.8);
      const rows = (['towel', 'pot', 'water', 'surface'] as const).flatMap((method) => {
        const facts = parcel('sweet-pea', 4, 24, { method, looks: [look(24, { tipped: 2, damp: 'damp' })] });
        const { last, look: seen, act, caution } = roundRowInWords(facts, reportFor(facts, NOW), units, words);
        return [last, seen, act, caution ?? ''];
      });
      const said = [
        ...clashes.map((clash) => clashInWords(clash, names).text),
        ...supplies.map(({ caution }) => caution ?? ''),
        ...rows,
        ...ROUND_CAUTIONS,
      ];
      const slips = said
        .filter((text) => text !== '')
        .flatMap((text) => slipsIn(units === 'us' ? text.replace('28 °C', '82 °F') : text, units).map((slip) => `${slip}: ${text}`));
      expect(slips).toEqual([]);
    }
  });
});

function fail(why: string): never {
  throw new Error(why);
}
