import { looksLikeClock, looksLikeMoment, ordersOf, type DayOrder } from './moments.js';

/** Where a logger's file keeps what, and how it writes it. */
export interface LoggerColumns {
  /** Of the moment; with a time of its own beside it where the day stands alone. */
  readonly moment: number;
  readonly clock: number | null;
  readonly celsius: number;
  readonly unit: 'C' | 'F';
  /** Whether the heading or the cells say the unit; else it is taken from how high the figures are. */
  readonly unitSaid: boolean;
  readonly order: DayOrder;
  /** Both day and month first would do: nobody can tell which. */
  readonly orderDoubtful: boolean;
}

/** A heading that names a temperature, in the languages of cheap loggers. */
const WARMTH = /temp|°\s*[cf]\b|celsius|fahrenheit|wärme|\bt\s*\(|^t$|^[cf]$/i;
/** What is a temperature of something else. */
const NOT_WARMTH = /dew|taupunkt|humid|feucht|rh\b|%|batter|limit|alarm|min|max/i;
const MOMENT = /time|date|zeit|datum|fecha|heure|stamp|when|jour|hora/i;

/** A figure with a point or a comma, and its unit where it has one. */
const FIGURE = /^\s*([+-]?\d{1,4}(?:[.,]\d+)?)\s*(?:°|º|deg)?\s*([cf])?\s*$/i;

/** A cell's figure and unit; null where it is none. */
export function readFigure(cell: string): { readonly value: number; readonly unit: 'C' | 'F' | null } | null {
  const found = FIGURE.exec(cell);
  if (!found) return null;
  const unit = found[2]?.toUpperCase();
  return { value: Number((found[1] ?? '').replace(',', '.')), unit: unit === 'C' || unit === 'F' ? unit : null };
}

const unitOfHeading = (heading: string): 'C' | 'F' | null =>
  /°\s*f\b|fahrenheit|\(f\)|_f$|^f$|\bdegf\b/i.test(heading) ? 'F' : /°\s*c\b|celsius|\(c\)|_c$|^c$|\bdegc\b/i.test(heading) ? 'C' : null;

/** Above this median a file without a unit is in Fahrenheit: no bag lies in 45 °C for long, and 45 °F is a fridge. Guess. */
const FAHRENHEIT_ABOVE = 45;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** Why a file cannot be read, as a sentence. */
export class LoggerProblem extends Error {}

/**
 * Finds the columns of a logger's file by its headings and its first rows.
 *
 * @param headings empty where the file has none
 * @param rows some of the first
 * @throws LoggerProblem in a sentence where there is no moment or no temperature, or units are mixed
 */
export function columnsOf(headings: readonly string[], rows: readonly (readonly string[])[]): LoggerColumns {
  const width = Math.max(headings.length, ...rows.map((row) => row.length), 0);
  const cells = (column: number): string[] => rows.map((row) => row[column] ?? '').filter((cell) => cell.trim() !== '');
  const all = (column: number, holds: (cell: string) => boolean): boolean => {
    const filled = cells(column);
    return filled.length > 0 && filled.filter(holds).length >= 0.9 * filled.length;
  };
  const columns = Array.from({ length: width }, (_, column) => column);
  const named = (pattern: RegExp) => (column: number) => pattern.test(headings[column] ?? '');
  const moments = columns.filter((column) => all(column, looksLikeMoment));
  const moment = moments.find(named(MOMENT)) ?? moments[0];
  if (moment === undefined)
    throw new LoggerProblem(
      'No column holds days and times. Accepted: 2026-04-09 07:00, 09.04.2026 07:00, 04/09/2026 7:00 AM, or seconds since 1970.',
    );
  const dayOnly = cells(moment).every(
    (cell) => !/\d[:h.]\d{2}/.test(cell.replace(/^\s*\d{1,4}[-./]\d{1,2}[-./]\d{1,4}/, '')) && !/^\d{10,13}$/.test(cell.trim()),
  );
  const clock = dayOnly ? columns.find((column) => column !== moment && all(column, looksLikeClock)) : null;
  if (clock === undefined)
    throw new LoggerProblem('The days have no time beside them: a column with the time of day is needed, like 07:00.');
  const figures = columns.filter((column) => column !== moment && column !== clock && all(column, (cell) => readFigure(cell) !== null));
  const warm = figures.filter((column) => named(WARMTH)(column) && !NOT_WARMTH.test(headings[column] ?? ''));
  const withUnit = figures.filter((column) => cells(column).some((cell) => readFigure(cell)?.unit));
  const celsius = warm[0] ?? withUnit[0] ?? (figures.length === 1 ? figures[0] : undefined);
  if (celsius === undefined)
    throw new LoggerProblem(
      figures.length > 1
        ? 'Several columns hold figures and none is headed as a temperature. Head it Temperature °C or Temperature °F.'
        : 'No column holds temperatures. Accepted: 21.5, 21,5, 21.5 °C, 70.7 °F.',
    );
  const heading = unitOfHeading(headings[celsius] ?? '');
  const inCells = new Set(cells(celsius).flatMap((cell) => readFigure(cell)?.unit ?? []));
  if (inCells.size > 1 || (heading && inCells.size === 1 && !inCells.has(heading))) throw new LoggerProblem(MIXED);
  const said = heading ?? [...inCells][0] ?? null;
  const guess = median(cells(celsius).flatMap((cell) => readFigure(cell)?.value ?? [])) > FAHRENHEIT_ABOVE ? 'F' : 'C';
  const orders = (['ymd', 'dmy', 'mdy'] as const).filter((order) => cells(moment).every((cell) => ordersOf(cell).includes(order)));
  const [order, other] = orders;
  if (!order)
    throw new LoggerProblem('The days are written in more than one way. Accepted: one way throughout, like 2026-04-09 or 09.04.2026.');
  // A point parts days of the day-first countries; a slash may be either.
  const doubtful = order !== 'ymd' && other !== undefined && cells(moment).some((cell) => cell.includes('/'));
  return { moment, clock, celsius, unit: said ?? guess, unitSaid: said !== null, order, orderDoubtful: doubtful };
}

/** Said of a file in which °C and °F stand side by side. */
export const MIXED = 'Some temperatures are in °C and some in °F. Accepted: one unit throughout; export the file again with one set.';
