import { DAY_MS } from '../units/index.js';

/** A day of the calendar by its number: whole days since 1 January 1970, wherever one lives. */
export type DayNumber = number;

/** @param iso "2026-05-10" */
export const dayNumber = (iso: string): DayNumber => Math.round(Date.parse(`${iso}T00:00:00Z`) / DAY_MS);

/** "2026-05-10"; parts of a day are left out. */
export const isoOf = (day: DayNumber): string => new Date(Math.floor(day) * DAY_MS).toISOString().slice(0, 10);

/** The first of January of a year. */
export const newYear = (year: number): DayNumber => Date.UTC(year, 0, 1) / DAY_MS;

export const yearOf = (day: DayNumber): number => new Date(Math.floor(day) * DAY_MS).getUTCFullYear();

/** Month of a day, 0 for January. */
export const monthOf = (day: DayNumber): number => new Date(Math.floor(day) * DAY_MS).getUTCMonth();

/** The day of a year that is said without one. @param monthDay "05-10"; 29 February is the day before March */
export function dayIn(year: number, monthDay: string): DayNumber {
  const [month = 1, day = 1] = monthDay.split('-').map(Number);
  const last = new Date(Date.UTC(year, month, 0)).getUTCDate();
  return Date.UTC(year, month - 1, Math.min(day, last)) / DAY_MS;
}
