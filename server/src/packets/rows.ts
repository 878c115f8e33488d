import type { Packet as WholePacket } from '@fresh-tuck/contract';
import { ageingPace } from '@fresh-tuck/core/seedbox';

export interface PacketRow {
  readonly id: string;
  readonly crop_id: string;
  readonly variety: string;
  readonly year: number | null;
  readonly source: string | null;
  readonly printed_rate_percent: number | null;
  readonly printed_days_low: number | null;
  readonly printed_days_high: number | null;
  readonly dressed: 0 | 1;
  readonly trait: string | null;
  readonly generation: number | null;
  readonly mother_id: string | null;
  readonly father_id: string | null;
  readonly isolation: WholePacket['isolation'];
  readonly isolation_m: number | null;
  readonly store_place: WholePacket['storage']['place'];
  readonly store_c: number | null;
  readonly store_dryness: WholePacket['storage']['dryness'];
  readonly seeds_per_gram: number | null;
  readonly note: string | null;
  readonly price: number | null;
  readonly created_ms: number;
  readonly version: number;
  readonly put_away_ms: number | null;
}

export interface BatchLine {
  readonly id: string;
  readonly number: number;
  readonly seeds: number;
  readonly taken: number;
  readonly closed: 0 | 1;
  readonly purpose: 'plants' | 'test';
  readonly start_ms: number;
}

/** A packet's columns, in their order. */
export type PacketValues = readonly unknown[];

export type UsedRow = Omit<BatchLine, 'taken'> & {
  readonly packet_id: string;
  readonly laid: number;
  readonly taken: number | null;
  readonly split: 0 | 1 | null;
  readonly joined: number;
  readonly other: number;
};
export interface CountRow {
  readonly id: string;
  readonly packet_id: string;
  readonly seeds: number;
  readonly grams: number | null;
  readonly after_number: number;
  readonly at_ms: number;
  readonly recorded_ms: number;
}

export const storageOf = (row: PacketRow) => ({ place: row.store_place, celsius: row.store_c, dryness: row.store_dryness });

/** Years that a packet has aged by its store, and by the calendar; null where its year is not known. */
export function ageOf(row: PacketRow, thisYear: number): { aged: number | null; calendar: number | null; pace: number } {
  const pace = ageingPace(storageOf(row));
  const calendar = row.year === null ? null : Math.max(thisYear - row.year, 0);
  return { aged: calendar === null ? null : calendar * pace, calendar, pace };
}

export const COLUMNS = {
  crop_id: 'cropId',
  variety: 'variety',
  year: 'year',
  source: 'source',
  printed_rate_percent: 'printedRatePercent',
  printed_days_low: 'daysLow',
  printed_days_high: 'daysHigh',
  dressed: 'dressed',
  trait: 'trait',
  generation: 'generation',
  mother_id: 'motherId',
  father_id: 'fatherId',
  isolation: 'isolation',
  isolation_m: 'isolationM',
  store_place: 'place',
  store_c: 'celsius',
  store_dryness: 'dryness',
  seeds_per_gram: 'seedsPerGram',
  note: 'note',
  price: 'price',
} as const;
