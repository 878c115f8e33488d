import { DRYNESSES, STORES } from './storage.js';
import { COLUMN_LABELS, plain, type PacketColumn } from './columns.js';
import type { PacketDraft } from './rows.js';

/** A packet of the box, as a row of a table is held against it. */
export interface KnownPacket extends Omit<PacketDraft, 'grams' | 'printedDays' | 'seedCount'> {
  readonly printedDays: readonly number[] | null;
  readonly seedsLeft: number | null;
}

/** Where a table says otherwise than the box. */
export interface Difference {
  readonly column: PacketColumn;
  readonly label: string;
  readonly box: string;
  readonly table: string;
}

const NOT_KNOWN = 'not known';
const words = (value: number | string | null): string => (value === null ? NOT_KNOWN : String(value));

/** What a row says otherwise than the packet that it is known as; what the row leaves blank is no difference. */
export function differencesOf(draft: PacketDraft, known: KnownPacket): Difference[] {
  const rows: [column: PacketColumn, box: string, table: string | null][] = [
    ['variety', known.variety, draft.variety],
    ['year', words(known.year), draft.year === null ? null : String(draft.year)],
    ['source', words(known.source), draft.source],
    ['ratePercent', words(known.printedRatePercent), draft.printedRatePercent === null ? null : String(draft.printedRatePercent)],
    ['days', known.printedDays?.join('-') ?? NOT_KNOWN, draft.printedDays?.join('-') ?? null],
    ['seeds', words(known.seedsLeft), draft.seedCount === null ? null : String(draft.seedCount)],
    // A weight is a count of its own: what is left by it is only known when it is laid in.
    ['grams', known.seedsLeft === null ? NOT_KNOWN : `${known.seedsLeft} seeds`, draft.grams === null ? null : `${draft.grams} g`],
    ['perGram', words(known.seedsPerGram), draft.seedsPerGram === null ? null : String(draft.seedsPerGram)],
    ['dressed', known.dressed ? 'yes' : 'no', draft.dressed ? 'yes' : null],
    ['trait', words(known.trait), draft.trait],
    ['generation', words(known.generation), draft.generation === null ? null : String(draft.generation)],
    [
      'place',
      known.storage.place ? STORES[known.storage.place].label : NOT_KNOWN,
      draft.storage.place && STORES[draft.storage.place].label,
    ],
    ['celsius', words(known.storage.celsius), draft.storage.celsius === null ? null : String(draft.storage.celsius)],
    [
      'dryness',
      known.storage.dryness ? DRYNESSES[known.storage.dryness].label : NOT_KNOWN,
      draft.storage.dryness && DRYNESSES[draft.storage.dryness].label,
    ],
    ['note', words(known.note), draft.note],
    ['price', words(known.price), draft.price === null ? null : String(draft.price)],
  ];
  return rows.flatMap(([column, box, table]) =>
    table === null || plain(table) === plain(box) ? [] : [{ column, label: COLUMN_LABELS[column], box, table }],
  );
}

/** A packet as the table has it, over what the box knows where the table leaves a cell blank. */
export function laidOver<Known extends KnownPacket>(draft: PacketDraft, known: Known): Omit<PacketDraft, 'grams' | 'seedCount'> {
  return {
    cropId: known.cropId,
    variety: draft.variety,
    year: draft.year ?? known.year,
    source: draft.source ?? known.source,
    printedRatePercent: draft.printedRatePercent ?? known.printedRatePercent,
    printedDays: draft.printedDays ?? (known.printedDays === null ? null : [known.printedDays[0] ?? 1, known.printedDays[1] ?? 1]),
    seedsPerGram: draft.seedsPerGram ?? known.seedsPerGram,
    dressed: draft.dressed || known.dressed,
    trait: draft.trait ?? known.trait,
    generation: draft.generation ?? known.generation,
    note: draft.note ?? known.note,
    price: draft.price ?? known.price,
    storage: {
      place: draft.storage.place ?? known.storage.place,
      celsius: draft.storage.celsius ?? known.storage.celsius,
      dryness: draft.storage.dryness ?? known.storage.dryness,
    },
  };
}

/**
 * Rows that name the same packet twice: of each the first that does, by its place in the
 * list; null where it is the first itself.
 */
export function sameAsEarlier(drafts: readonly (PacketDraft | null)[]): (number | null)[] {
  const first = new Map<string, number>();
  return drafts.map((draft, index) => {
    if (draft === null) return null;
    const key = JSON.stringify([draft.cropId, plain(draft.variety), draft.year, plain(draft.source ?? '')]);
    const earlier = first.get(key);
    if (earlier === undefined) first.set(key, index);
    return earlier ?? null;
  });
}
