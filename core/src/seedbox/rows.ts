import { GRAMS_PER_OUNCE } from '../units/index.js';
import { DRYNESSES, STORES, type Dryness, type Store } from './storage.js';
import { plain, type PacketColumn } from './columns.js';

/** A packet as a row of a table told it. */
export interface PacketDraft {
  readonly cropId: string;
  readonly variety: string;
  readonly year: number | null;
  readonly source: string | null;
  readonly printedRatePercent: number | null;
  readonly printedDays: readonly [number, number] | null;
  readonly seedCount: number | null;
  readonly grams: number | null;
  readonly seedsPerGram: number | null;
  readonly dressed: boolean;
  readonly trait: string | null;
  readonly generation: number | null;
  readonly note: string | null;
  readonly price: number | null;
  readonly storage: { readonly place: Store | null; readonly celsius: number | null; readonly dryness: Dryness | null };
}

/** A cell that cannot be taken as it stands. */
export interface CellError {
  readonly column: PacketColumn;
  readonly message: string;
}

/** A row read: a packet, or what has to be mended first. */
export interface RowRead {
  readonly draft: PacketDraft | null;
  readonly errors: readonly CellError[];
  /** What was taken, and a reader should know. */
  readonly notes: readonly string[];
}

/** A crop by the names that a table may use. */
export interface CropNames {
  readonly id: string;
  readonly name: string;
  readonly otherNames: readonly string[];
  readonly latin: string;
}

class Unreadable extends Error {}

/** A number with a decimal point or comma; a unit or a percent sign behind it is let pass. */
export function readNumber(text: string): number | null {
  const cleaned = text
    .replace(/^['~≈]|^ca\.?\s|^about\s/i, '')
    .replace(/(%|g|°?\s?c|seeds?|pcs?\.?|st\.?)\s*$/i, '')
    .replace(/[\s\u00a0']/g, '');
  const decimal = cleaned.includes(',') && !cleaned.includes('.') ? cleaned.replace(',', '.') : cleaned;
  return /^-?\d+(\.\d+)?$/.test(decimal) ? Number(decimal) : null;
}

/** A whole number; 1.250 and 1,250 are a thousand and more. */
function readWhole(text: string): number | null {
  const cleaned = text.replace(/[\s\u00a0]/g, '');
  return /^\d{1,3}([.,]\d{3})+$/.test(cleaned) ? Number(cleaned.replace(/[.,]/g, '')) : readNumber(text);
}

function whole(text: string, low: number, high: number, what: string): number {
  const value = readWhole(text);
  if (value === null || !Number.isInteger(value) || value < low || value > high)
    throw new Unreadable(`“${text}” is no ${what}: a whole number from ${low} to ${high}, or empty.`);
  return value;
}

function measure(text: string, low: number, high: number, what: string): number {
  const value = readNumber(text);
  if (value === null || value < low || value > high)
    throw new Unreadable(`“${text}” is no ${what}: a number from ${low} to ${high}, or empty.`);
  return value;
}

const SHORT_DATE = /^(\d{1,2})[./-](\d{1,2})[./-](\d{2})$/;

/** The year of "3/4/24", whichever of the first two is the month; "24/03/04" may be either and is asked. */
function yearOfDate(text: string, thisYear: number): number | null {
  const [, first = '', , last = ''] = SHORT_DATE.exec(text) ?? [];
  if (last === '') return null;
  const [asFirst, asLast] = [2000 + Number(first), 2000 + Number(last)];
  const may = (value: number, part: string): boolean => part.length === 2 && value <= thisYear + 1;
  if (Number(first) > 31 || (may(asFirst, first) && !may(asLast, last) && Number(first) > 12)) return asFirst;
  if (Number(first) > 12 && may(asFirst, first) && may(asLast, last) && asFirst !== asLast)
    throw new Unreadable(`“${text}” may be of ${asLast} or of ${asFirst}: write the year alone.`);
  return asLast;
}

function year(text: string, thisYear: number): number {
  const found = /^'?(\d{2})$/.exec(text);
  const value =
    yearOfDate(text, thisYear) ?? (found ? 2000 + Number(found[1]) : Number(/(?:^|\D)((?:19|20)\d{2})(?:$|\D)/.exec(text)?.[1]));
  if (!(value >= 1950)) throw new Unreadable(`“${text}” is not a year: one like ${thisYear - 1}, or empty where nobody knows.`);
  if (value > thisYear + 1) throw new Unreadable(`${value} lies in the future: the year must not be after ${thisYear + 1}.`);
  return value;
}

/** Whether rates are shares of one or percentages, where a table leaves it open. */
export type RatesAre = 'share' | 'percent';

/** Whether a column of rates leaves open what its "1" means. */
export const ratesOpen = (cells: readonly string[]): boolean => cells.some((cell) => !cell.includes('%') && readNumber(cell.trim()) === 1);

function rate(text: string, are: RatesAre | null): number {
  const value = readNumber(text);
  if (value === null || value <= 0 || value > 100)
    throw new Unreadable(`“${text}” is no printed rate: a percentage from 1 to 100, or empty.`);
  if (value === 1 && !text.includes('%')) {
    if (are === null) throw new Unreadable(`“${text}” may be 1 in 100 or all of them: say which, or write 100 or 1 %.`);
    return are === 'share' ? 100 : 1;
  }
  // A share is meant where it is below one.
  return value < 1 ? Math.round(value * 1000) / 10 : value;
}

function days(text: string): [number, number] {
  const numbers = text.match(/\d+([.,]\d+)?/g)?.map((one) => Number(one.replace(',', '.'))) ?? [];
  const [low = NaN, high = low] = numbers;
  if (numbers.length > 2 || !(low >= 1 && high >= low && high <= 365))
    throw new Unreadable(`“${text}” are no days to germinate: a number or a stretch like 7-14, up to 365.`);
  return [low, high];
}

const GRAMS: Readonly<Record<string, number>> = {
  g: 1,
  gr: 1,
  gram: 1,
  grams: 1,
  mg: 0.001,
  kg: 1000,
  oz: GRAMS_PER_OUNCE,
  ounce: GRAMS_PER_OUNCE,
  ounces: GRAMS_PER_OUNCE,
  lb: 453.59237,
  lbs: 453.59237,
};
const WEIGHT = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)\s*([a-z]+)?\.?$|^(.+?)\s*([a-z]+)?\.?$/i;

/** A quantity that is weighed and not counted. */
const WEIGHED = /\d\s*(?:g|gr|grams?|mg|kg|oz|ounces?|lbs?)\.?$/i;

/** A weight in grams: "0,8 g", "2 oz", "1/4 oz", "300 mg". */
function weight(text: string): number {
  const [, whole, upper, lower, fractionUnit, number, unit] = WEIGHT.exec(text.trim()) ?? [];
  const value = upper !== undefined && lower !== undefined ? Number(whole ?? 0) + Number(upper) / Number(lower) : readNumber(number ?? '');
  const factor = GRAMS[(fractionUnit ?? unit ?? 'g').toLowerCase()];
  const grams = value === null || factor === undefined ? NaN : Math.round(value * factor * 1000) / 1000;
  if (!(grams >= 0 && grams <= 10_000))
    throw new Unreadable(`“${text}” is no weight: a number of grams from 0 to 10 000, or one with oz, mg or kg behind it; or empty.`);
  return grams;
}

const YES = ['yes', 'y', 'x', 'true', '1', 'ja', 'j', 'dressed', 'treated', 'coated', 'pelleted'];
const NO = ['no', 'n', 'false', '0', 'nein', 'untreated', '-'];
function yesNo(text: string): boolean {
  const word = plain(text) || text.trim();
  if (YES.includes(word)) return true;
  if (NO.includes(word)) return false;
  throw new Unreadable(`“${text}” is neither yes nor no.`);
}

function oneOf<K extends string>(choices: Readonly<Record<K, { readonly label: string }>>, text: string, what: string): K {
  const word = plain(text);
  const keys = Object.keys(choices) as K[];
  const found =
    keys.find((key) => key === word || plain(choices[key].label) === word) ??
    keys.find((key) => word.split(' ').some((part) => part.length > 2 && plain(choices[key].label).split(' ').includes(part)));
  if (!found) throw new Unreadable(`“${text}” is no ${what}: ${keys.map((key) => choices[key].label).join('; ')}; or empty.`);
  return found;
}

/** Plural and singular meet. */
const stem = (name: string): string => plain(name).replace(/s$/, '').replace(/e$/, '');

/** The crop that a name means, by any of its names; null where none does. */
export function cropNamed(text: string, crops: readonly CropNames[]): string | null {
  const word = plain(text);
  if (word === '') return null;
  const names = (crop: CropNames): string[] => [crop.name, crop.id.replaceAll('-', ' '), ...crop.otherNames, crop.latin].map(plain);
  return (
    crops.find((crop) => plain(crop.name) === word)?.id ??
    crops.find((crop) => names(crop).includes(word))?.id ??
    crops.find((crop) => names(crop).map(stem).includes(stem(text)))?.id ??
    null
  );
}

/**
 * Reads one row. Every cell that cannot be taken is named with what would be accepted.
 *
 * @param cells the row's text by column; what is missing or blank is not known
 */
export function readPacketRow(
  cells: Readonly<Partial<Record<PacketColumn, string>>>,
  crops: readonly CropNames[],
  thisYear: number,
  ratesAre: RatesAre | null = null,
): RowRead {
  const errors: CellError[] = [];
  const notes: string[] = [];
  // A spreadsheet's guard before = + - @ is no part of the text.
  const text = (column: PacketColumn): string => (cells[column] ?? '').trim().replace(/^'(?=[=+\-@])/, '');
  const take = <T>(column: PacketColumn, read: (value: string) => T): T | null => {
    if (text(column) === '') return null;
    try {
      return read(text(column));
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      errors.push({ column, message: error.message });
      return null;
    }
  };
  const words = (column: PacketColumn, most: number): string | null =>
    take(column, (value) => {
      if (value.length > most) throw new Unreadable(`This has ${value.length} characters: at most ${most} are kept.`);
      return value;
    });
  const cropId = cropNamed(text('crop'), crops);
  if (cropId === null) {
    errors.push({
      column: 'crop',
      message:
        text('crop') === ''
          ? 'Which crop is it? Choose one.'
          : `No crop here is called “${text('crop')}”: choose one, or add it in the Handbook first.`,
    });
  }
  const variety = words('variety', 80) ?? text('crop');
  if (text('variety') === '' && variety !== '') notes.push('no variety: its crop stands for it');
  if (variety === '') errors.push({ column: 'variety', message: 'Write the variety, or what you call it.' });
  if (text('year') === '') notes.push('no year: its age is not known');
  // A quantity with a unit of weight behind it is one, whatever the column is headed.
  const weighed = text('grams') === '' && WEIGHED.test(text('seeds'));
  const draft: PacketDraft = {
    cropId: cropId ?? '',
    variety,
    year: take('year', (value) => year(value, thisYear)),
    source: words('source', 80),
    printedRatePercent: take('ratePercent', (value) => rate(value, ratesAre)),
    printedDays: take('days', days),
    seedCount: weighed ? null : take('seeds', (value) => whole(value, 0, 100_000, 'number of seeds')),
    grams: weighed ? take('seeds', weight) : take('grams', weight),
    seedsPerGram: take('perGram', (value) => measure(value, 0.05, 100_000, 'number of seeds to a gram')),
    dressed: take('dressed', yesNo) ?? false,
    trait: words('trait', 120),
    generation: take('generation', (value) => whole(value.replace(/^f/i, ''), 1, 50, 'generation')),
    note: words('note', 500),
    price: take('price', (value) => measure(value, 0, 10_000, 'price')),
    storage: {
      place: take('place', (value) => oneOf(STORES, value, 'place')),
      celsius: take('celsius', (value) => measure(value, -40, 50, 'temperature in °C')),
      dryness: take('dryness', (value) => oneOf(DRYNESSES, value, 'dryness')),
    },
  };
  return { draft: errors.length > 0 ? null : draft, errors, notes };
}
