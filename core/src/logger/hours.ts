import { celsiusFromFahrenheit, HOUR_MS } from '../units/index.js';
import { LoggerProblem, MIXED, readFigure, type LoggerColumns } from './columns.js';
import { clockReader, readMoment } from './moments.js';

/** An hour of a logger's record, °C. */
export interface LoggedHour {
  readonly fromMs: number;
  readonly toMs: number;
  readonly minC: number;
  readonly maxC: number;
}

/** What a file came to. */
export interface Logged {
  readonly hours: readonly LoggedHour[];
  /** Lines that were read. */
  readonly lines: number;
  /** Lines that say nothing readable, the first of them by their numbers. */
  readonly unread: number;
  readonly unreadLines: readonly number[];
  /** Lines that say again what an earlier one said of the same moment. */
  readonly repeated: number;
  /** Gaps of more than so many hours between two lines. */
  readonly gaps: number;
}

/** What no thermometer of a home reads, °C. */
const READ_C = { least: -40, most: 85 } as const;
/** A logger that is silent for longer has a gap, ms. */
const GAP_MS = 3 * HOUR_MS;
const MOST_NAMED = 5;
/** More unreadable lines than this share make another kind of file of it. */
const MOST_UNREAD = 0.1;
/** No file of a home covers more, hours: its days are read wrong. */
const MOST_HOURS = 20 * 366 * 24;

/**
 * Gathers a logger's lines into hours as they come, so that a file of years need never
 * be held. Lines may come in any order.
 *
 * @param zone IANA zone of the logger's clock, where its lines do not say
 */
export function loggedHours(columns: LoggerColumns, zone: string) {
  const at = clockReader(zone);
  const hours = new Map<number, { minC: number; maxC: number }>();
  let [lines, unread, repeated, gaps, lastMs, lastC] = [0, 0, 0, 0, -Infinity, NaN];
  const unreadLines: number[] = [];

  function miss(line: number): void {
    unread++;
    if (unreadLines.length < MOST_NAMED) unreadLines.push(line);
  }
  return {
    /**
     * One line.
     *
     * @param line its number, for what is said of it
     * @throws LoggerProblem where its unit is another than the file's
     */
    take(row: readonly string[], line: number): void {
      lines++;
      const day = row[columns.moment] ?? '';
      const written = readMoment(columns.clock === null ? day : `${day.trim()} ${(row[columns.clock] ?? '').trim()}`, columns.order);
      const figure = readFigure(row[columns.celsius] ?? '');
      if (!written || !figure) return miss(line);
      if (figure.unit && figure.unit !== columns.unit) throw new LoggerProblem(`Line ${line}: ${MIXED}`);
      const celsius = columns.unit === 'F' ? celsiusFromFahrenheit(figure.value) : figure.value;
      if (celsius < READ_C.least || celsius > READ_C.most) return miss(line);
      const ms = written.offset === null ? at(written.clockMs) : written.clockMs - written.offset * HOUR_MS;
      if (ms === lastMs && celsius === lastC) repeated++;
      if (Math.abs(ms - lastMs) > GAP_MS && lastMs > -Infinity) gaps++;
      [lastMs, lastC] = [ms, celsius];
      const hour = Math.floor(ms / HOUR_MS);
      const known = hours.get(hour);
      if (!known) hours.set(hour, { minC: celsius, maxC: celsius });
      else {
        if (celsius < known.minC) known.minC = celsius;
        if (celsius > known.maxC) known.maxC = celsius;
      }
    },
    /** @throws LoggerProblem where it is no logger's file after all */
    done(): Logged {
      if (lines === unread) throw new LoggerProblem('No line could be read as a moment with a temperature.');
      if (unread > MOST_UNREAD * lines)
        throw new LoggerProblem(
          `${unread} of ${lines} lines could not be read, the first is line ${unreadLines[0] ?? 1}. Is it the logger’s own export?`,
        );
      const keys = [...hours.keys()].sort((a, b) => a - b);
      if ((keys.at(-1) ?? 0) - (keys[0] ?? 0) > MOST_HOURS)
        throw new LoggerProblem(
          'The first and the last line lie more than twenty years apart: the days are read wrong, or the logger’s clock was never set.',
        );
      const round = (celsius: number): number => Math.round(celsius * 100) / 100;
      return {
        hours: keys.map((hour) => {
          const { minC, maxC } = hours.get(hour) as { minC: number; maxC: number };
          return { fromMs: hour * HOUR_MS, toMs: (hour + 1) * HOUR_MS, minC: round(minC), maxC: round(maxC) };
        }),
        ...{ lines, unread, unreadLines, repeated, gaps },
      };
    },
  };
}
