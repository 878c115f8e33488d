import { clockReader, LoggerProblem, looksLikeMoment, ordersOf, readFigure, readMoment } from '../logger/index.js';
import { celsiusFromFahrenheit, DAY_MS, HOUR_MS } from '../units/index.js';
import type { WeatherSpan } from './hardening.js';

const LOW = /min|low|night|tief|nacht/i;
const HIGH = /max|high|hoch|tag\b/i;
const WARMTH = /temp|°\s*[cf]\b|celsius|fahrenheit|^t$/i;
const NOT_WARMTH = /dew|feel|apparent|soil|humid|rain|precip|sun|cloud|wind|gust/i;
const WIND = /gust|wind|böe|rafale/i;
const TURN = /dir|deg|bearing/i;

/** Outdoors nothing is colder or warmer, °C, and nothing blows harder, km/h. */
const READ = { least: -60, most: 60, wind: 300 } as const;
const MPS_KMH = 3.6;
const MPH_KMH = 1.609344;
const KNOT_KMH = 1.852;

/** How many km/h a heading's unit is. */
const windFactor = (heading: string): number =>
  /m\/s|mps|ms\b/i.test(heading) ? MPS_KMH : /mph|mi\/h/i.test(heading) ? MPH_KMH : /kn|kt/i.test(heading) ? KNOT_KMH : 1;

/**
 * Weather from a table of any station's layout: rows by day or by hour, columns told by their
 * headings, °C or °F, wind in km/h, m/s, mph or knots.
 *
 * @param rows the headings first
 * @param zone IANA zone of its clock, where its rows do not say
 * @throws LoggerProblem in a sentence where no day or no temperature is found, or a row cannot be
 */
export function weatherFrom(rows: readonly (readonly string[])[], zone: string): WeatherSpan[] {
  const [headings = [], ...rest] = rows;
  const lines = rest.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (lines.length === 0)
    throw new LoggerProblem('The file has no rows under its headings. Accepted: a line of headings, then a row for each day or hour.');
  const columns = headings.map((_, column) => column);
  const cell = (row: readonly string[], column: number): string => row[column] ?? '';
  const moment = columns.find((column) => lines.every((row) => looksLikeMoment(cell(row, column))));
  if (moment === undefined)
    throw new LoggerProblem('No column holds days. Accepted: 2026-04-12, 12.04.2026 or 2026-04-12 14:00, one way throughout.');
  const warm = columns.filter((column) => column !== moment && !NOT_WARMTH.test(headings[column] ?? ''));
  const named = (pattern: RegExp): number | undefined => warm.find((column) => pattern.test(headings[column] ?? ''));
  const [low, high] = [named(LOW), named(HIGH)];
  const only = low === undefined || high === undefined ? named(WARMTH) : undefined;
  if ((low === undefined || high === undefined) && only === undefined)
    throw new LoggerProblem('No column is headed as a lowest and a highest temperature, or as a temperature. Head them min °C and max °C.');
  const wind = columns.find((column) => WIND.test(headings[column] ?? '') && !TURN.test(headings[column] ?? ''));
  const order = (['ymd', 'dmy', 'mdy'] as const).find((one) => lines.every((row) => ordersOf(cell(row, moment)).includes(one)));
  if (!order) throw new LoggerProblem('The days are written in more than one way. Accepted: one way throughout, like 2026-04-12.');
  const at = clockReader(zone);
  const fahrenheit = (column: number): boolean => /°?\s*f\b|fahrenheit/i.test((headings[column] ?? '').replace(WIND, ''));

  const figure = (row: readonly string[], column: number, line: number): number => {
    const read = readFigure(cell(row, column));
    const value = read && ((read.unit ?? (fahrenheit(column) ? 'F' : 'C')) === 'F' ? celsiusFromFahrenheit(read.value) : read.value);
    if (value === null || value < READ.least || value > READ.most)
      throw new LoggerProblem(
        `Row ${line}: “${cell(row, column)}” is no temperature out of doors. Accepted: figures like 7.5, from ${READ.least} to ${READ.most} °C.`,
      );
    return value;
  };
  const spans = lines.map((row, index): WeatherSpan => {
    const line = index + 2;
    const written = readMoment(cell(row, moment), order);
    if (!written) throw new LoggerProblem(`Row ${line}: “${cell(row, moment)}” is no day that a calendar has.`);
    const fromMs = written.offset === null ? at(written.clockMs) : written.clockMs - written.offset * HOUR_MS;
    const [a, b] = [figure(row, low ?? only ?? 0, line), figure(row, high ?? only ?? 0, line)];
    const blows = wind === undefined ? null : readFigure(cell(row, wind));
    const windKmh = blows && Math.min(Math.max(blows.value, 0) * windFactor(headings[wind ?? 0] ?? ''), READ.wind);
    return { fromMs, toMs: fromMs + DAY_MS, minC: Math.min(a, b), maxC: Math.max(a, b), windKmh };
  });
  return withEnds(spans.sort((a, b) => a.fromMs - b.fromMs));
}

/** Each row speaks until the next begins: an hour, three hours or a day. */
function withEnds(spans: readonly WeatherSpan[]): WeatherSpan[] {
  const steps = spans
    .slice(1)
    .map(({ fromMs }, index) => fromMs - (spans[index]?.fromMs ?? fromMs))
    .filter((step) => step > 0);
  const step = Math.min(...steps, DAY_MS);
  // A day's clock change makes it an hour longer or shorter.
  const length = step > 20 * HOUR_MS ? DAY_MS : step;
  return spans.map((span) => ({ ...span, toMs: span.fromMs + length }));
}
