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
};

/** Words by which people head such columns, beside our own. */
const HEADINGS: Readonly<Record<PacketColumn, readonly string[]>> = {
  crop: ['crop', 'kind', 'plant', 'species', 'vegetable', 'type', 'art', 'kultur'],
  variety: ['variety', 'cultivar', 'sort', 'sorte', 'name', 'title'],
  year: ['year', 'harvest', 'harvested', 'packed', 'packed for', 'vintage', 'jahr', 'seed year'],
  source: ['source', 'from', 'origin', 'supplier', 'bought', 'bought at', 'herkunft'],
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
};

/** Letters and digits alone, without accents, in lower case. */
export const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}%]+/gu, ' ')
    .trim();

/**
 * Which column of ours each heading means; null for what is not understood. A column
 * is given once: to the heading that says it best, else to the first.
 */
export function recogniseColumns(headings: readonly string[]): (PacketColumn | null)[] {
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
  return result;
}
