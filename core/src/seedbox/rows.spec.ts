import fc from 'fast-check';
import { CROPS } from '../crops/index.js';
import { COLUMN_LABELS, PACKET_COLUMNS, recogniseColumns, type PacketColumn } from './columns.js';
import { differencesOf, laidOver, sameAsEarlier } from './again.js';
import { cropNamed, ratesOpen, readNumber, readPacketRow } from './rows.js';

const read = (cells: Partial<Record<PacketColumn, string>>) => readPacketRow({ crop: 'Leek', variety: 'Quay', ...cells }, CROPS, 2026);

describe('a row that may mean two things', () => {
  it('is asked: a date that may be of two years, a rate of 1', () => {
    expect(read({ year: '24/03/04' }).errors[0]?.message).toBe('“24/03/04” may be of 2004 or of 2024: write the year alone.');
    expect(read({ ratePercent: '1' }).errors[0]?.message).toContain('may be 1 in 100 or all of them');
    expect(readPacketRow({ crop: 'Leek', ratePercent: '1' }, CROPS, 2026, 'share').draft?.printedRatePercent).toBe(100);
    expect([read({ ratePercent: '1 %' }).draft?.printedRatePercent, ratesOpen(['0,8', '1']), ratesOpen(['0,8', '100'])]).toEqual([
      1,
      true,
      false,
    ]);
  });

  it('is held against the packet it is known as: blank cells say nothing, and nothing of the box is lost', () => {
    const { draft } = read({ year: '2024', note: 'tall', ratePercent: '80' });
    if (!draft) return fail('not read');
    const known = { ...draft, variety: 'quay', year: 2023, note: null, source: 'the market', printedRatePercent: 80, seedsLeft: 12 };
    expect(differencesOf(draft, known).map(({ column, box, table }) => [column, box, table])).toEqual([
      ['year', '2023', '2024'],
      ['note', 'not known', 'tall'],
    ]);
    expect(laidOver(draft, known)).toEqual(jasmine.objectContaining({ year: 2024, note: 'tall', source: 'the market' }));
    expect(sameAsEarlier([draft, null, { ...draft, variety: 'QUAY' }, { ...draft, year: 2020 }])).toEqual([null, null, 0, null]);
  });
});

describe('a table of packets', () => {
  it('knows its own headings, and those that people write', () => {
    expect(recogniseColumns(PACKET_COLUMNS.map((column) => COLUMN_LABELS[column]))).toEqual([...PACKET_COLUMNS]);
    expect(recogniseColumns(['Sorte', 'Kind', 'GERMINATION (%)', 'Weight, g', 'Qty.', 'Notes', 'Bought at', 'Harvest year', ''])).toEqual([
      'variety',
      'crop',
      'ratePercent',
      'grams',
      'seeds',
      'note',
      'source',
      'year',
      null,
    ]);
    // “Bought” is a date or a shop: its cells tell.
    expect(recogniseColumns(['Crop', 'Bought', 'Source'], [['Leek', '3/4/24', 'the market']])).toEqual(['crop', 'year', 'source']);
    expect(recogniseColumns(['Crop', 'Bought'], [['Leek', 'the market']])).toEqual(['crop', 'source']);
    // One heading that says it best has the column; a second one is left to the gardener.
    expect(recogniseColumns(['Packed', 'Year'])).toEqual(['year', null]);
  });

  it('finds a crop by any of its names, singular or plural, without accents or capitals', () => {
    for (const [text, id] of [
      ['tomatoes', 'tomato'],
      ['Lettuces', 'lettuce'],
      ['CILANTRO', 'coriander'],
      ['abelmoschus esculentus', 'okra'],
      ['Cardoon of the moon', null],
      ['', null],
    ] as const) {
      expect(cropNamed(text, CROPS)).withContext(text).toBe(id);
    }
    for (const { id, name } of CROPS) expect(cropNamed(name, CROPS)).toBe(id);
  });

  it('reads what old spreadsheets write', () => {
    for (const [cells, field, value] of [
      [{ ratePercent: '87,5 %' }, 'printedRatePercent', 87.5],
      [{ ratePercent: '0,85' }, 'printedRatePercent', 85],
      [{ seeds: '1.250' }, 'seedCount', 1250],
      [{ seeds: 'ca. 40' }, 'seedCount', 40],
      [{ seeds: '0' }, 'seedCount', 0],
      [{ grams: '0,8 g' }, 'grams', 0.8],
      [{ year: "'24" }, 'year', 2024],
      [{ year: '12/2023' }, 'year', 2023],
      [{ year: '' }, 'year', null],
      [{ days: '7 – 14 days' }, 'printedDays', [7, 14]],
      [{ dressed: 'ja' }, 'dressed', true],
      [{ generation: 'F2' }, 'generation', 2],
      [{ source: "'=SUM(A1)" }, 'source', '=SUM(A1)'],
      [{ year: '3/4/24' }, 'year', 2024],
      [{ year: '31.12.19' }, 'year', 2019],
      [{ grams: '2 oz' }, 'grams', 56.699],
      [{ grams: '1/4 oz' }, 'grams', 7.087],
      [{ grams: '300 mg' }, 'grams', 0.3],
      [{ seeds: '2 oz' }, 'grams', 56.699],
      [{ note: 'from the pier' }, 'note', 'from the pier'],
    ] as const) {
      const { draft, errors } = read(cells);
      expect(errors).withContext(JSON.stringify(cells)).toEqual([]);
      expect(draft?.[field])
        .withContext(JSON.stringify(cells))
        .toEqual(value as never);
    }
    expect(read({ place: 'in the fridge', celsius: '5 °C', dryness: 'dry' }).draft?.storage).toEqual({
      place: 'fridge',
      celsius: 5,
      dryness: 'dry',
    });
    expect(read({ year: '' }).notes).toEqual(['no year: its age is not known']);
  });

  it('names the cell that is wrong and what would be accepted', () => {
    for (const [cells, column, accepted] of [
      [{ crop: 'moon melon' }, 'crop', 'choose one'],
      [{ ratePercent: '150' }, 'ratePercent', 'a percentage from 1 to 100'],
      [{ seeds: '12,5' }, 'seeds', 'a whole number from 0 to 100000'],
      [{ seeds: 'a few' }, 'seeds', 'a whole number'],
      [{ year: '2031' }, 'year', 'must not be after 2027'],
      [{ year: 'last' }, 'year', 'or empty'],
      [{ days: '14 to 7' }, 'days', 'a stretch like 7-14'],
      [{ dressed: 'perhaps' }, 'dressed', 'neither yes nor no'],
      [{ place: 'the moon' }, 'place', 'cellar'],
      [{ variety: 'x'.repeat(81) }, 'variety', 'at most 80'],
    ] as const) {
      const { draft, errors } = read(cells);
      expect([draft, errors.map((error) => error.column)]).toEqual([null, [column]]);
      expect(errors[0]?.message).toContain(accepted);
    }
  });

  it('never throws, whatever stands in a cell', () => {
    const cell = fc.oneof(fc.string(), fc.double().map(String), fc.constantFrom('', '-', '1e400', '½', '٣', '0x10'));
    fc.assert(
      fc.property(fc.record(Object.fromEntries(PACKET_COLUMNS.map((column) => [column, cell]))), (cells) => {
        const { draft, errors } = readPacketRow(cells, CROPS, 2026);
        expect(draft === null).toBe(errors.length > 0);
        if (draft?.seedCount !== null && draft) expect(Number.isInteger(draft.seedCount)).toBeTrue();
      }),
      { numRuns: 300, seed: 11 },
    );
    expect(readNumber('1,2,3')).toBeNull();
  });
});
