import type { Match, PacketRequest } from '@fresh-tuck/contract';
import {
  differencesOf,
  laidOver,
  PACKET_COLUMNS,
  readPacketRow,
  sameAsEarlier,
  type CropNames,
  type Difference,
  type PacketColumn,
  type PacketDraft,
  type RatesAre,
  type RowRead,
} from '@fresh-tuck/core/seedbox';
import type { Table } from './table-file';

/** What is done with a row that the box knows already. */
export type Known = 'leave' | 'take' | 'another';
type Cells = Readonly<Partial<Record<PacketColumn, string>>>;

/** A row of the table as it would come in. */
export interface ImportRow {
  readonly index: number;
  /** As the sheet numbers it. */
  readonly number: number;
  readonly cells: Cells;
  readonly read: RowRead;
  readonly left: boolean;
  /** The row that names the same packet before it; null where none does. */
  readonly sameAs: number | null;
  /** The packet that it is known as. */
  readonly known: NonNullable<Match> | null;
  readonly differences: readonly Difference[];
  readonly choice: Known;
}

/** A fault that many rows share: the same word in the same column. */
export interface SharedFault {
  readonly column: PacketColumn;
  readonly text: string;
  readonly message: string;
  readonly numbers: readonly number[];
  /** The first row that has it. */
  readonly index: number;
}

interface Reading {
  readonly table: Table;
  readonly columns: readonly (PacketColumn | null)[];
  readonly crops: readonly CropNames[];
  readonly thisYear: number;
  readonly ratesAre: RatesAre | null;
  /** What a word was mended to, by column and word: once for all the rows that have it. */
  readonly mended: ReadonlyMap<string, string>;
  /** Rows that are left out, or taken although they stand twice. */
  readonly chosen: ReadonlyMap<number, 'in' | 'out'>;
  readonly matches: ReadonlyMap<number, NonNullable<Match>>;
  readonly choices: ReadonlyMap<number, Known>;
}

/** What a mended cell goes by: its word for all the rows that have it; a blank one is its own row's. */
export const mendKey = (column: PacketColumn, text: string, index: number): string =>
  text.trim() === '' ? `${column} #${index}` : `${column} ${text.trim()}`;

/** Every row of a table as it would come in now. */
export function readRows({ table, columns, crops, thisYear, ratesAre, mended, chosen, matches, choices }: Reading): ImportRow[] {
  const read = table.rows.map((row, index) => {
    const cells: Partial<Record<PacketColumn, string>> = {};
    columns.forEach((column, at) => {
      if (column) cells[column] = row[at] ?? '';
    });
    for (const column of PACKET_COLUMNS) {
      const said = mended.get(mendKey(column, cells[column] ?? '', index));
      if (said !== undefined) cells[column] = said;
    }
    return { cells, read: readPacketRow(cells, crops, thisYear, ratesAre) };
  });
  const same = sameAsEarlier(read.map((row) => row.read.draft));
  return read.map((row, index): ImportRow => {
    const earlier = same[index] ?? null;
    const known = matches.get(index) ?? null;
    const { draft } = row.read;
    const differences = known && draft ? differencesOf(draft, known) : [];
    return {
      ...row,
      index,
      number: table.numbers[index] ?? index + 2,
      left: chosen.get(index) === 'out' || (earlier !== null && chosen.get(index) !== 'in'),
      sameAs: earlier === null ? null : (table.numbers[earlier] ?? null),
      known,
      differences,
      choice: choices.get(index) ?? 'leave',
    };
  });
}

/** Faults by what is wrong: one unknown spelling is mended once for all its rows. */
export function sharedFaults(rows: readonly ImportRow[]): SharedFault[] {
  const faults = new Map<string, { column: PacketColumn; text: string; message: string; numbers: number[]; index: number }>();
  for (const { left, read, cells, number, index } of rows) {
    if (left) continue;
    for (const { column, message } of read.errors) {
      const text = (cells[column] ?? '').trim();
      const key = mendKey(column, text, index);
      const found = faults.get(key);
      if (found) found.numbers.push(number);
      else faults.set(key, { column, text, message, numbers: [number], index });
    }
  }
  return [...faults.values()];
}

export const isNew = ({ left, read, known, choice }: ImportRow): boolean =>
  !left && read.draft !== null && (known === null || choice === 'another');
export const isChange = ({ left, read, known, choice, differences }: ImportRow): boolean =>
  !left && read.draft !== null && known !== null && choice === 'take' && differences.length > 0;

type Sent = Omit<PacketRequest, 'id'>;
const daysOf = (days: PacketDraft['printedDays']): [number, number] | null => days && [days[0], days[1]];

/** A new packet as it is sent. */
export const asPacket = (draft: PacketDraft): Sent => ({ ...draft, printedDays: daysOf(draft.printedDays) });

/** A packet of the box with what the table says laid over it. */
export function asChange(draft: PacketDraft, known: NonNullable<Match>) {
  const { id: packetId, version, motherId, fatherId, isolation, isolationM } = known;
  const laid = laidOver(draft, known);
  const { seedCount, grams } = draft;
  return {
    ...{ packetId, version, motherId, fatherId, isolation, isolationM },
    ...laid,
    printedDays: daysOf(laid.printedDays),
    // A count that stands so already is not counted anew.
    seedCount: seedCount === known.seedsLeft ? null : seedCount,
    grams: seedCount === null ? grams : null,
  };
}
