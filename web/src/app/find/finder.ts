import MiniSearch from 'minisearch';
import type { Found } from '@fresh-tuck/contract';

/** Something that can be gone to. */
export interface Hit {
  readonly id: string;
  readonly link: readonly string[];
  readonly query: Readonly<Record<string, string>>;
  readonly title: string;
  readonly kind: Found['kind'] | 'page' | 'do';
}

interface Entry extends Hit {
  readonly also: string;
}

const page = (title: string, link: string, also: string, kind: Hit['kind'] = 'page', query: Record<string, string> = {}): Entry => ({
  id: `${kind} ${title}`,
  link: [link],
  query,
  title,
  kind,
  also,
});

/** Screens and what can be done, with the words that somebody might ask for them by. */
const PAGES: readonly Entry[] = [
  page('Tuck in seed', '/tuck', 'start sow new batch parcel begin', 'do'),
  page('Start many in one sitting', '/sitting', 'sitting list evening labels supplies batch packets many', 'do'),
  page('Read a label', '/scan', 'qr code camera photograph scan sticker', 'do'),
  page('The round on paper', '/round/paper', 'print helper holiday enter paper pencil', 'do'),
  page('Add a packet', '/seeds', 'new seed buy stock', 'do', { add: '1' }),
  page('Type what a thermometer says', '/house', 'reading temperature minimum maximum warm spot', 'do'),
  page('Copies of the household', '/house', 'backup export copy save data download database restore put back', 'do'),
  page('Today', '/', 'round open look walk'),
  page('Bring in a table of packets', '/seeds/import', 'csv import spreadsheet box', 'do'),
  page('Seeds', '/seeds', 'box packets stock'),
  page('Nursery', '/nursery', 'seedlings cups pots labels lost given'),
  page('House', '/house', 'settings household units zone looking times spray warm spots'),
  page('Plan a trial', '/notebook/trials/plan', 'experiment test compare soak lots difference', 'do'),
  page('Compare what is over', '/notebook/trials/compare', 'trial fair difference method batches', 'do'),
  page('Write a note', '/notebook/notes', 'note diary photograph write remember', 'do'),
  page('Notebook', '/notebook', 'trials notes learn'),
  page('Looking back', '/notebook/back', 'score forecast history years losses rates what worked'),
  page('Practice', '/notebook/practice', 'train exercise game quiz learn'),
  page('Workbench', '/notebook/workbench', 'calculate dilution dose mix light units weight spacing convert'),
  page('Handbook', '/notebook/handbook', 'crops library sheets'),
  page(
    'What you may find on a towel',
    '/notebook/handbook/troubles',
    'trouble mould fuzz root hair dye stain algae rot smell hot dry drying pooling drowned',
  ),
  page('What to lay them on', '/notebook/handbook/media', 'medium paper cloth cotton pad perlite vermiculite water dose'),
  page('Where growers differ', '/notebook/handbook/schools', 'schools methods settings closure soak peroxide'),
  page('Safe practice', '/notebook/handbook/safety', 'caution danger poison peroxide mould blade heat mat dressed'),
  page('Where the figures come from', '/notebook/handbook/figures', 'sources tables trust'),
];

/** Where what the server found is to be seen. */
const SCREENS: Readonly<Record<Found['kind'], string>> = {
  parcel: '/batch',
  finished: '/batch',
  seedling: '/batch',
  packet: '/packet',
  crop: '/crop',
  line: '/sitting',
};

export const hitOf = ({ id, kind, title }: Found): Hit => ({ id: `${kind} ${id}`, link: [SCREENS[kind], id], query: {}, title, kind });

/** Finds screens and what can be done, a slip of a finger or two forgiven; parcels, packets and crops are the server's to find. */
export class Finder {
  private readonly index = new MiniSearch<Entry>({
    fields: ['title', 'also'],
    storeFields: ['link', 'query', 'title', 'kind'],
    searchOptions: {
      boost: { title: 2 },
      prefix: true,
      fuzzy: (term) => (term.length < 4 ? false : term.length < 7 ? 1 : 2),
      combineWith: 'AND',
    },
  });

  constructor() {
    this.index.addAll(PAGES);
  }

  /** Pages and actions by what was typed; what one can do where nothing is. */
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

  /** Both together: a page that is called so first, then what lives in the house, then what else fits. */
  merge(typed: string, found: readonly Found[], most = 9): Hit[] {
    const pages = this.find(typed, most);
    const words = typed.trim().toLowerCase();
    const called = pages.filter(({ title }) => words !== '' && title.toLowerCase().startsWith(words));
    const hits = [...called, ...found.map(hitOf), ...pages.filter((page) => !called.includes(page))];
    return hits.slice(0, most);
  }
}
