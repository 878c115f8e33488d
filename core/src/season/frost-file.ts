import { LoggerProblem, looksLikeMoment, ordersOf, readFigure, readMoment, type DayOrder } from '../logger/index.js';
import { celsiusFromFahrenheit, DAY_MS } from '../units/index.js';
import { isoOf, yearOf, type DayNumber } from './days.js';
import type { DailyMinima } from './frost-years.js';

const LOW = /\bt?min|lowest|\blow\b|mini|tief|nacht|\btn\b|tn_/i;
const WARMTH = /temp|°\s*[cf]\b|celsius|fahrenheit|\bt\b/i;
const OTHER =
  /max|dew|feel|apparent|soil|grass|humid|rain|precip|prcp|snow|sun|cloud|wind|gust|press|flag|attr|qual|hour|time|stn|station|lat|lon|elev/i;
const YEAR = /^\W*(year|jahr|yr|yyyy|ano|année|rok)\W*$/i;
const MONTH = /^\W*(month|monat|mo|mm|mes|mois)\W*$/i;
const DAY = /^\W*(day|tag|dy|dd|dia|jour)\W*$/i;
const FAHRENHEIT = /°?\s*f\b|fahrenheit|deg_?f/i;
/** Written where nobody read: empty, letters, or a row of nines. */
const MISSING = /^\s*(?:|na|nan|n\/a|null|none|m|t|-+|\.+|-?9{3,5}(?:[.,]\d+)?|-?99[.,]9+)\s*$/i;
/** No night is colder or warmer, °C; figures beyond are tenths. */
const COLDEST_C = -70;
const WARMEST_C = 50;
/** Rows that may be more than one to a day only where they are readings of its hours. */
const HOURLY = 2;
/** As many years as anybody brings. */
const MOST_YEARS = 160;

/** How a station's table was read, so that it can be said. */
export interface FrostFile {
  readonly minima: DailyMinima;
  readonly heading: string;
  readonly unit: 'C' | 'F' | 'tenths';
  readonly order: DayOrder;
  /** Whether its rows are hours, of which the coldest of a day counts. */
  readonly hourly: boolean;
}

interface Read {
  readonly day: DayNumber;
  readonly value: number | null;
  readonly row: number;
}

type Rows = readonly (readonly string[])[];
const cell = (row: readonly string[], column: number): string => row[column] ?? '';

/** Day by day from a column of dates, or from three of year, month and day. */
function daysOf(
  headings: readonly string[],
  lines: Rows,
): { readonly day: (row: readonly string[], line: number) => DayNumber; readonly used: readonly number[]; readonly order: DayOrder } {
  const find = (pattern: RegExp): number => headings.findIndex((heading) => pattern.test(heading));
  const [year, month, day] = [find(YEAR), find(MONTH), find(DAY)];
  if (year >= 0 && month >= 0 && day >= 0) {
    return {
      used: [year, month, day],
      order: 'ymd',
      day(row, line) {
        const [y, m, d] = [year, month, day].map((column) => Number(cell(row, column)));
        return calendar(y ?? NaN, m ?? NaN, d ?? NaN, [year, month, day].map((column) => cell(row, column)).join('-'), line);
      },
    };
  }
  const compact = /^\s*(\d{4})(\d{2})(\d{2})\s*$/;
  const holds = (column: number, test: (text: string) => boolean): boolean => lines.slice(0, 400).every((row) => test(cell(row, column)));
  const column = headings.findIndex((_, nth) => holds(nth, looksLikeMoment) && !holds(nth, (text) => /^\s*\d{10,13}\s*$/.test(text)));
  const tight = headings.findIndex((_, nth) => holds(nth, (text) => compact.test(text)));
  if (column < 0 && tight < 0)
    throw new LoggerProblem(
      'No column holds days. Accepted: a column like 2014-05-03, 03.05.2014 or 20140503, or one each for year, month and day.',
    );
  if (column < 0)
    return {
      used: [tight],
      order: 'ymd',
      day(row, line) {
        const [, y, m, d] = compact.exec(cell(row, tight)) ?? [];
        return calendar(Number(y), Number(m), Number(d), cell(row, tight), line);
      },
    };
  const order = (['ymd', 'dmy', 'mdy'] as const).find((one) => lines.every((row) => ordersOf(cell(row, column)).includes(one)));
  if (!order) throw new LoggerProblem('The days are written in more than one way. Accepted: one way throughout, like 2014-05-03.');
  return {
    used: [column],
    order,
    day(row, line) {
      const written = readMoment(cell(row, column), order);
      if (!written) throw new LoggerProblem(`Row ${line}: “${cell(row, column)}” is no day that a calendar has.`);
      return Math.floor(written.clockMs / DAY_MS);
    },
  };
}

function calendar(year: number, month: number, day: number, text: string, line: number): DayNumber {
  const ms = Date.UTC(year, month - 1, day);
  const back = new Date(ms);
  if (!Number.isFinite(ms) || back.getUTCMonth() !== month - 1 || back.getUTCDate() !== day)
    throw new LoggerProblem(`Row ${line}: “${text}” is no day that a calendar has.`);
  return ms / DAY_MS;
}

/** The column of the night's coldest: headed as a minimum, else the only one headed as a temperature. */
function lowColumn(headings: readonly string[], lines: Rows, used: readonly number[]): number {
  const columns = headings.map((_, nth) => nth).filter((nth) => !used.includes(nth));
  const figures = columns.filter((nth) => {
    const filled = lines.map((row) => cell(row, nth)).filter((text) => !MISSING.test(text));
    return filled.length > 0 && filled.slice(0, 400).every((text) => readFigure(text) !== null);
  });
  const low = figures.find((nth) => LOW.test(headings[nth] ?? '') && !OTHER.test((headings[nth] ?? '').replace(LOW, '')));
  if (low !== undefined) return low;
  const warm = figures.filter((nth) => WARMTH.test(headings[nth] ?? '') && !OTHER.test(headings[nth] ?? ''));
  const only = warm.length === 1 ? warm[0] : figures.length === 1 ? figures[0] : undefined;
  if (only === undefined)
    throw new LoggerProblem('No column is headed as the lowest temperature of a day. Head it min °C or min °F, and bring the file again.');
  return only;
}

/**
 * The coldest of every day from a table of any station's layout: a line of headings, then a row a
 * day (or an hour). Columns are told by their headings; °C, °F or tenths of °C; what nobody read
 * may be empty, a word, or a row of nines.
 *
 * @throws LoggerProblem in a sentence where it cannot be read so
 */
export function minimaFrom(rows: Rows): FrostFile {
  const start = rows.findIndex((row) => row.filter((text) => text.trim() !== '').length > 1);
  const [headings = [], ...rest] = rows.slice(Math.max(start, 0));
  const lines = rest.filter((row) => row.some((text) => text.trim() !== ''));
  if (lines.length === 0)
    throw new LoggerProblem('The file has no rows under its headings. Accepted: a line of headings, then a row for each day.');
  const { day, used, order } = daysOf(headings, lines);
  const low = lowColumn(headings, lines, used);
  const read = lines.map((row, nth): Read => {
    const text = cell(row, low);
    return { day: day(row, nth + start + 2), value: MISSING.test(text) ? null : (readFigure(text)?.value ?? NaN), row: nth + start + 2 };
  });
  const broken = read.find(({ value }) => Number.isNaN(value));
  if (broken)
    throw new LoggerProblem(
      `Row ${broken.row}: “${cell(lines[broken.row - start - 2] ?? [], low)}” is no temperature. Accepted: figures like -1.5.`,
    );
  const unit = unitOf(headings[low] ?? '', read);
  const celsius = (value: number): number => (unit === 'F' ? celsiusFromFahrenheit(value) : unit === 'tenths' ? value / 10 : value);
  const byDay = new Map<DayNumber, number | null>();
  const counts = new Map<DayNumber, number>();
  for (const { day: at, value, row } of read) {
    const own = value === null ? null : celsius(value);
    if (own !== null && (own < COLDEST_C || own > WARMEST_C))
      throw new LoggerProblem(`Row ${row}: ${value} is no night’s temperature. Accepted: ${COLDEST_C} to ${WARMEST_C} °C.`);
    const before = byDay.get(at) ?? null;
    byDay.set(at, before === null ? own : own === null ? before : Math.min(before, own));
    counts.set(at, (counts.get(at) ?? 0) + 1);
  }
  const hourly = read.length / counts.size > HOURLY;
  if (!hourly) refuseTwice(counts);
  return { minima: inOrder(byDay), heading: headings[low] ?? '', unit, order, hourly };
}

/** A day that stands twice in a table of days is one too many: of which year, so that it can be found. */
function refuseTwice(counts: ReadonlyMap<DayNumber, number>): void {
  const twice = [...counts].filter(([, count]) => count > 1);
  const [first] = twice;
  if (!first) return;
  const year = yearOf(first[0]);
  const rows = [...counts].filter(([day]) => yearOf(day) === year).reduce((sum, [, count]) => sum + count, 0);
  const same = twice.filter(([day]) => yearOf(day) === year).length;
  throw new LoggerProblem(
    `${year} has ${rows} rows: ${isoOf(first[0])}${same > 1 ? ` and ${same - 1} more of its days stand` : ' stands'} there more than once. Accepted: one row a day.`,
  );
}

function unitOf(heading: string, read: readonly Read[]): FrostFile['unit'] {
  if (FAHRENHEIT.test(heading)) return 'F';
  const values = read.flatMap(({ value }) => value ?? []).sort((a, b) => a - b);
  const at = (share: number): number => values[Math.floor(share * (values.length - 1))] ?? 0;
  if (/tenth|0\.1|1\/10/i.test(heading) || at(0.95) > 60 * 1.5 || at(0.02) < COLDEST_C) return 'tenths';
  // Without a unit: nights of a year whose middle is above 30 are in Fahrenheit.
  return !/°?\s*c\b|celsius/i.test(heading) && at(0.5) > 30 ? 'F' : 'C';
}

function inOrder(byDay: ReadonlyMap<DayNumber, number | null>): DailyMinima {
  const days = [...byDay.keys()];
  const first = days.reduce((low, day) => Math.min(low, day), Infinity);
  const last = days.reduce((high, day) => Math.max(high, day), -Infinity);
  if (yearOf(last) - yearOf(first) > MOST_YEARS)
    throw new LoggerProblem(
      `The days reach from ${yearOf(first)} to ${yearOf(last)}. Accepted: at most ${MOST_YEARS} years; look for a year that is mistyped.`,
    );
  const celsius = Array.from({ length: last - first + 1 }, (_, nth) => {
    const value = byDay.get(first + nth) ?? null;
    return value === null ? null : Math.round(value * 10) / 10;
  });
  return { first, celsius };
}
