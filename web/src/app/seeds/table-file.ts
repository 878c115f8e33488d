import Papa from 'papaparse';

/** A table as it lay in its file: headings and rows of text. */
export interface Table {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** The number of each row as the sheet counts them, its blank rows among them. */
  readonly numbers: readonly number[];
  readonly encoding: 'UTF-8' | 'Latin-1';
  readonly separator: string;
}

const MOST_BYTES = 2_000_000;

/** UTF-8 where it is that, else Western European, which old spreadsheets write. */
function decode(bytes: ArrayBuffer): { text: string; encoding: Table['encoding'] } {
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Latin-1' };
  }
}

/**
 * Reads a CSV file, whatever separates its cells.
 *
 * @throws Error in a sentence where it is no table of packets
 */
export function readTable(bytes: ArrayBuffer): Table {
  if (bytes.byteLength > MOST_BYTES) throw new Error('This file has more than 2 MB: a table of packets is far smaller.');
  const { text, encoding } = decode(bytes);
  if (text.includes('\u0000')) throw new Error('This is no table of text. Save the sheet as CSV first.');
  const plain = text.replace(/^\uFEFF/, '');
  // What parts the cells is guessed without the blank rows, which part nothing; they still count in the sheet's numbers.
  const { delimiter } = Papa.parse<string[]>(plain, { skipEmptyLines: 'greedy', delimitersToGuess: [';', ',', '\t', '|'] }).meta;
  const { data } = Papa.parse<string[]>(plain, { delimiter });
  const filled = data.map((cells, index) => ({ cells, number: index + 1 })).filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const [head, ...body] = filled;
  const headings = head?.cells;
  const rows = body.map(({ cells }) => cells);
  if (!headings || headings.length < 2) throw new Error('No columns were found: the first line must head them, like Crop;Variety;Year.');
  if (rows.length === 0) throw new Error('There is no row beneath the headings.');
  if (rows.length > 1000) throw new Error(`There are ${rows.length} rows: at most 1000 come in at once.`);
  return { headings, rows, numbers: body.map(({ number }) => number), encoding, separator: delimiter };
}
