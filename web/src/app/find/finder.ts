import MiniSearch from 'minisearch';
import type { CropSummary, Findable } from '@fresh-tuck/contract';

/** Something that can be gone to. */
export interface Hit {
  readonly id: string;
  readonly link: readonly string[];
  readonly query: Readonly<Record<string, string>>;
  readonly title: string;
  readonly kind: 'parcel' | 'finished' | 'packet' | 'crop' | 'page' | 'do';
}

interface Entry extends Hit {
  readonly number: string;
  readonly also: string;
}

const page = (title: string, link: string, also: string, kind: Hit['kind'] = 'page', query: Record<string, string> = {}): Entry => ({
  id: `${kind} ${title}`,
  link: [link],
  query,
  title,
  kind,
  number: '',
  also,
});

/** Screens and what can be done, with the words that somebody might ask for them by. */
const PAGES: readonly Entry[] = [
  page('Tuck in seed', '/tuck', 'start sow new batch parcel begin', 'do'),
  page('Add a packet', '/seeds', 'new seed buy stock', 'do', { add: '1' }),
  page('Type what a thermometer says', '/house', 'reading temperature minimum maximum warm spot', 'do'),
  page('Download the database', '/house', 'backup export copy save data', 'do'),
  page('Today', '/', 'round open look walk'),
  page('Bring in a table of packets', '/seeds/import', 'csv import spreadsheet box', 'do'),
  page('Seeds', '/seeds', 'box packets stock'),
  page('Nursery', '/nursery', 'seedlings cups pots labels lost given'),
  page('House', '/house', 'settings household units zone looking times spray warm spots'),
  page('Handbook', '/handbook', 'crops library sheets'),
  page(
    'What you may find on a towel',
    '/handbook/troubles',
    'trouble mould fuzz root hair dye stain algae rot smell hot dry drying pooling drowned',
  ),
  page('What to lay them on', '/handbook/media', 'medium paper cloth cotton pad perlite vermiculite water dose'),
  page('Where growers differ', '/handbook/schools', 'schools methods settings closure soak peroxide'),
  page('Safe practice', '/handbook/safety', 'caution danger poison peroxide mould blade heat mat dressed'),
  page('Where the figures come from', '/handbook/figures', 'sources tables trust'),
];

const digits = (term: string): boolean => /^\d+$/.test(term);

/** Finds what is meant by what was typed, a slip of a finger or two forgiven. */
export class Finder {
  private readonly index = new MiniSearch<Entry>({
    fields: ['title', 'number', 'also'],
    storeFields: ['link', 'query', 'title', 'kind'],
    searchOptions: {
      boost: { number: 4, title: 2 },
      boostDocument: (_id, _term, stored) => ({ finished: 0.6, parcel: 1.6 })[stored?.['kind'] as string] ?? 1,
      // A number is meant as it stands; a word may be unfinished or misspelt.
      prefix: (term) => !digits(term),
      fuzzy: (term) => (digits(term) || term.length < 4 ? false : term.length < 7 ? 1 : 2),
      combineWith: 'AND',
    },
  });

  /** Reads everything in, a bit at a time, so that no key waits. */
  async fill(found: Findable, crops: readonly CropSummary[]): Promise<void> {
    const plain = { query: {}, number: '', also: '' };
    await this.index.addAllAsync(
      [
        ...PAGES,
        ...found.batches.map((batch): Entry => ({
          ...plain,
          id: batch.id,
          link: ['/batch', batch.id],
          title: batch.title,
          kind: batch.live ? 'parcel' : 'finished',
          number: String(batch.number),
        })),
        ...found.packets.map((packet): Entry => ({
          ...plain,
          id: packet.id,
          link: ['/packet', packet.id],
          title: packet.title,
          kind: 'packet',
          also: `${packet.year ?? ''} ${packet.also}`,
        })),
        ...crops.map((crop): Entry => ({
          ...plain,
          id: crop.id,
          link: ['/crop', crop.id],
          title: crop.name,
          kind: 'crop',
          also: `${crop.otherNames.join(' ')} ${crop.latin} ${crop.family}`,
        })),
      ].map((entry) => (entry.number ? { ...entry, title: `${entry.number} ${entry.title}` } : entry)),
      { chunkSize: 100 },
    );
  }

  /** The best few; what one can do where nothing is typed. */
  find(typed: string, most = 9): Hit[] {
    if (typed.trim() === '') return PAGES.slice(0, most);
    return this.index
      .search(typed)
      .slice(0, most)
      .map((hit) => {
        const { link, query, title, kind } = hit as unknown as Hit;
        return { id: String(hit.id), link, query, title, kind };
      });
  }
}
