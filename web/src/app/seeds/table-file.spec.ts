import { readTable } from './table-file';

const utf8 = (text: string): ArrayBuffer => new TextEncoder().encode(text).buffer;
/** Western European bytes: what old spreadsheets write. */
const latin1 = (text: string): ArrayBuffer => Uint8Array.from(text, (letter) => letter.charCodeAt(0)).buffer;

describe('a table in a file', () => {
  it('is read whatever parts its cells and however its letters are written', () => {
    const rows = [['Dill', 'Grün "klein"', '0,8']];
    for (const [bytes, encoding, separator] of [
      [utf8('\uFEFFCrop;Sort;Weight\r\nDill;"Grün ""klein""";0,8\r\n;;\r\n'), 'UTF-8', ';'],
      [latin1('Crop;Sort;Weight\nDill;"Grün ""klein""";0,8'), 'Latin-1', ';'],
      [utf8('Crop,Sort,Weight\nDill,"Grün ""klein""","0,8"\n'), 'UTF-8', ','],
      [utf8('Crop\tSort\tWeight\nDill\t"Grün ""klein"""\t0,8\n'), 'UTF-8', '\t'],
    ] as const) {
      expect(readTable(bytes)).toEqual({ headings: ['Crop', 'Sort', 'Weight'], rows, numbers: [2], encoding, separator });
    }
  });

  it('says in a sentence why it is none', () => {
    expect(() => readTable(utf8('only words\n'))).toThrowError(/first line must head them/);
    expect(() => readTable(utf8('Crop;Variety\n'))).toThrowError(/no row beneath/);
    expect(() => readTable(utf8(`Crop;Variety\n${'Dill;Quay\n'.repeat(1001)}`))).toThrowError(/at most 1000/);
    expect(() => readTable(new ArrayBuffer(2_000_001))).toThrowError(/more than 2 MB/);
    expect(() => readTable(utf8('PK\u0000\u0000;x\ny;z'))).toThrowError(/Save the sheet as CSV/);
  });
});
