/** What a table of packets can say. */
export const PACKET_COLUMNS = [
  'crop',
  'variety',
  'year',
  'source',
  'ratePercent',
  'days',
  'seeds',
  'grams',
  'perGram',
  'dressed',
  'trait',
  'generation',
  'place',
  'celsius',
  'dryness',
  'note',
  'price',
] as const;
export type PacketColumn = (typeof PACKET_COLUMNS)[number];

/** How each is called where we write it. */
export const COLUMN_LABELS: Readonly<Record<PacketColumn, string>> = {
  crop: 'Crop',
  variety: 'Variety',
  year: 'Year of the seed',
  source: 'Where from',
  ratePercent: 'Printed rate %',
  days: 'Printed days',
  seeds: 'Seeds left',
  grams: 'Grams left',
  perGram: 'Seeds per gram',
  dressed: 'Dressed',
  trait: 'Trait hoped for',
  generation: 'Generation',
  place: 'Kept in',
  celsius: 'Kept at °C',
  dryness: 'Kept how dry',
  note: 'Notes',
  price: 'Price',
};

/** Words by which people head such columns, beside our own. */
const HEADINGS: Readonly<Record<PacketColumn, readonly string[]>> = {
  crop: ['crop', 'kind', 'plant', 'species', 'vegetable', 'type', 'art', 'kultur'],
  variety: ['variety', 'cultivar', 'sort', 'sorte', 'name', 'title'],
  year: ['year', 'harvest', 'harvested', 'packed', 'packed for', 'vintage', 'jahr', 'seed year'],
  source: ['source', 'from', 'origin', 'supplier', 'bought at', 'bought from', 'shop', 'herkunft'],
  ratePercent: ['rate', 'germination', 'germination rate', 'germ', 'germ %', 'viability', 'keimrate', 'printed rate'],
  days: ['days', 'days to germinate', 'germination days', 'keimtage'],
  seeds: ['seeds', 'count', 'number', 'left', 'quantity', 'qty', 'amount', 'remaining', 'anzahl'],
  grams: ['grams', 'gram', 'weight', 'weight g', 'g', 'gewicht'],
  perGram: ['per gram', 'seeds per g', 'seeds g'],
  dressed: ['treated', 'coated', 'dressing', 'pelleted', 'gebeizt'],
  trait: ['trait', 'hoped for', 'goal', 'selection'],
  generation: ['gen', 'filial', 'saved generation'],
  place: ['place', 'stored', 'storage', 'stored in', 'kept', 'location', 'lagerort'],
  celsius: ['temperature', 'temp', 'stored at', 'c'],
  dryness: ['dry', 'dryness', 'moisture', 'humidity'],
  note: ['note', 'notes', 'remark', 'remarks', 'comment', 'comments', 'bemerkung', 'notizen'],
  price: ['price', 'cost', 'paid', 'preis'],
};

/** Letters and digits alone, without accents, in lower case. */
export const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}%]+/gu, ' ')
    .trim();

/** Headings under which some write when and some write where: the cells tell which. */
const WHEN_OR_WHERE = ['bought', 'purchased', 'acquired', 'ordered', 'gekauft'];
/** A year, or a date with one. */
const DATED = /(?:^|\D)(?:19|20)\d{2}(?:$|\D)|^'?\d{2}$|^\d{1,2}[./-]\d{1,2}[./-]\d{2}$/;

/**
 * Which column of ours each heading means; null for what is not understood. A column
 * is given once: to the heading that says it best, else to the first.
 *
 * @param rows cells beneath the headings, which tell a "Bought" that is a date from one that is a shop
 */
export function recogniseColumns(headings: readonly string[], rows: readonly (readonly string[])[] = []): (PacketColumn | null)[] {
  const result: (PacketColumn | null)[] = headings.map(() => null);
  const rules: ((column: PacketColumn, heading: string) => boolean)[] = [
    (column, heading) => heading === plain(COLUMN_LABELS[column]),
    (column, heading) => HEADINGS[column].includes(heading.replace(/ ?%$/, '')) || HEADINGS[column].includes(heading),
    (column, heading) => HEADINGS[column].some((word) => word.length > 3 && heading.split(' ').includes(word)),
  ];
  for (const rule of rules) {
    headings.forEach((heading, index) => {
      if (result[index] !== null || plain(heading) === '') return;
      const found = PACKET_COLUMNS.find((column) => !result.includes(column) && rule(column, plain(heading)));
      if (found) result[index] = found;
    });
  }
  headings.forEach((heading, index) => {
    if (result[index] !== null || !WHEN_OR_WHERE.includes(plain(heading))) return;
    const cells = rows.map((row) => (row[index] ?? '').trim()).filter((cell) => cell !== '');
    const dated = cells.length > 0 && cells.filter((cell) => DATED.test(cell)).length * 2 > cells.length;
    const meant = dated ? 'year' : 'source';
    if (!result.includes(meant)) result[index] = meant;
  });
  return result;
}
