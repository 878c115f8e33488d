/// <reference lib="webworker" />
import Papa from 'papaparse';
import { columnsOf, loggedHours, LoggerProblem, readFigure, type LoggerColumns } from '@fresh-tuck/core/logger';
import type { LoggerReply, LoggerRequest } from './logger.messages';

/** So much is read at once, bytes: what is read is forgotten but for its hours. */
const CHUNK = 1_000_000;
/** Lines whose cells tell the columns; and how far a heading may lie down the file. */
const SHOWN = { lines: 200, heading: 30 } as const;
const say = (reply: LoggerReply): void => postMessage(reply);

/** Where the table begins: loggers write their name and serial above it. A line of headings is the last that has no figure. */
function tableOf(rows: readonly (readonly string[])[]): { headings: readonly string[]; first: number } {
  const width = Math.max(...rows.map((row) => row.length));
  const isData = (row: readonly string[]): boolean =>
    row.length >= Math.min(width, 2) &&
    row.some((cell) => readFigure(cell) !== null) &&
    row.some((cell) => (/\d/.test(cell) && readFigure(cell) === null) || /^\d{10,13}$/.test(cell.trim()));
  const first = rows.slice(0, SHOWN.heading).findIndex(isData);
  if (first < 0) throw new LoggerProblem('No table was found in this file: no line holds a moment and a figure side by side.');
  const headings = first > 0 ? (rows[first - 1] ?? []) : [];
  return { headings, first };
}

/** What parts the cells: decimal commas must not be taken for it where something else parts most lines. */
function delimiterOf(sample: string): string {
  const lines = sample.split(/\r?\n/).filter((line) => line.trim() !== '');
  return [';', '\t', '|'].find((sign) => lines.filter((line) => line.includes(sign)).length >= 0.8 * lines.length) ?? ',';
}

onmessage = ({ data }: MessageEvent<LoggerRequest>): void => {
  try {
    void read(data);
  } catch (error) {
    failed(error);
  }
};

function failed(error: unknown): void {
  if (!(error instanceof LoggerProblem)) console.error(error);
  say({ kind: 'failed', why: error instanceof LoggerProblem ? error.message : 'This file could not be read as a table of text.' });
}

/** Reads a file in pieces, its head first. */
async function read({ file, zone, unit, order }: LoggerRequest): Promise<void> {
  const head = await file.slice(0, 64_000).arrayBuffer();
  const bytes = new Uint8Array(head);
  if (bytes.includes(0) && !(bytes[0] === 0xff && bytes[1] === 0xfe))
    return failed(new LoggerProblem('This is no table of text. Export the logger’s readings as CSV.'));
  const encoding = bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : isUtf8(head) ? 'utf-8' : 'windows-1252';
  const sample = new TextDecoder(encoding).decode(head).replace(/^\uFEFF/, '');
  try {
    const delimiter = delimiterOf(sample);
    const { data: rows } = Papa.parse<string[]>(sample, { delimiter, skipEmptyLines: 'greedy', preview: SHOWN.lines });
    const { headings, first } = tableOf(rows);
    const found = columnsOf(headings, rows.slice(first, -1));
    const columns: LoggerColumns = { ...found, unit: unit ?? found.unit, order: order ?? found.order };
    const reader = loggedHours(columns, zone);
    let line = 0;
    let broken = false;
    Papa.parse<string[]>(file as unknown as Papa.LocalFile, {
      delimiter,
      encoding,
      skipEmptyLines: 'greedy',
      chunkSize: CHUNK,
      chunk: ({ data, meta: at }, parser) => {
        try {
          for (const row of data) if (++line > first) reader.take(row, line);
          say({ kind: 'read', share: Math.min(at.cursor / Math.max(file.size, 1), 1) });
        } catch (error) {
          broken = true;
          parser.abort();
          failed(error);
        }
      },
      complete: () => {
        if (broken) return;
        try {
          const { hours, ...rest } = reader.done();
          say({
            kind: 'done',
            hours: hours.map(({ fromMs, minC, maxC }) => [fromMs / 3_600_000, minC, maxC] as const),
            ...rest,
            ...{ unit: columns.unit, unitSaid: found.unitSaid, order: columns.order, orderDoubtful: found.orderDoubtful },
            column: headings[columns.celsius] ?? `column ${columns.celsius + 1}`,
          });
        } catch (error) {
          failed(error);
        }
      },
      error: failed,
    });
  } catch (error) {
    failed(error);
  }
}

/** A piece may end within a letter: that is none of its faults. */
function isUtf8(bytes: ArrayBuffer): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes, { stream: true });
    return true;
  } catch {
    return false;
  }
}
