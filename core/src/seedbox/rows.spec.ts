import fc from 'fast-check';
import { CROPS } from '../crops/index.js';
import { COLUMN_LABELS, PACKET_COLUMNS, recogniseColumns, type PacketColumn } from './columns.js';
import { cropNamed, readNumber, readPacketRow } from './rows.js';

const read = (cells: Partial<Record<PacketColumn, string>>) => readPacketRow({ crop: 'Leek', variety: 'Quay', ...cells }, CROPS, 2026);

describe('a table of packets', () => {
  it('knows its own headings, and those that people write', () => {
    expect(recogniseColumns(PACKET_COLUMNS.map((column) => COLUMN_LABELS[column]))).toEqual([...PACKET_COLUMNS]);
    expect(recogniseColumns(['Sorte', 'Kind', 'GERMINATION (%)', 'Weight, g', 'Qty.', 'Notes', 'Bought at', 'Harvest year', ''])).toEqual([
      'variety',
      'crop',
      'ratePercent',
      'grams',
      'seeds',
      null,
      'source',
      'year',
      null,
    ]);
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
