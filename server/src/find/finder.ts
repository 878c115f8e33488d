import MiniSearch from 'minisearch';
import type { Found } from '@fresh-tuck/contract';
import type { Reader } from '../forecasts/reader.js';

interface Entry extends Found {
  /** Its number, where it has one. */
  readonly number: string;
  readonly also: string;
}

const MOST = 9;
const digits = (term: string): boolean => /^\d+$/.test(term);

/**
 * Finds packets, batches, crops and labels by what was typed, a slip of a finger
 * or two forgiven. The index is laid once and mended where the household changed.
 */
export function finder({ batches, crops, nursery, packets, sittings, stamp }: Reader) {
  const index = new MiniSearch<Entry>({
    fields: ['title', 'number', 'also'],
    storeFields: ['id', 'kind', 'title'],
    searchOptions: {
      boost: { number: 4, title: 2 },
      boostDocument: (_id, _term, stored) => ({ finished: 0.6, parcel: 1.6 })[stored?.['kind'] as string] ?? 1,
      // A number is meant as it stands; a word may be unfinished or misspelt.
      prefix: (term) => !digits(term),
      fuzzy: (term) => (digits(term) || term.length < 4 ? false : term.length < 7 ? 1 : 2),
      combineWith: 'AND',
    },
  });
  const held = new Map<string, string>();
  let laid = '';

  function* entries(): Generator<Entry> {
    const names = new Map<string, { name: string; also: string }>();
    for (const { crop } of crops.list()) {
      names.set(crop.id, { name: crop.name, also: crop.otherNames.join(' ') });
      yield {
        id: crop.id,
        kind: 'crop',
        title: crop.name,
        number: '',
        also: `${crop.otherNames.join(' ')} ${crop.latin} ${crop.family}`,
      };
    }
    const titles = new Map<string, string>();
    for (const { id, cropId, variety, year } of packets.titles()) {
      const crop = names.get(cropId);
      const title = `${crop?.name ?? cropId}, ${variety}`;
      titles.set(id, title);
      yield { id, kind: 'packet', title, number: '', also: `${year ?? ''} ${crop?.also ?? ''}` };
    }
    for (const { id, number, packetId, closed } of batches.names()) {
      yield {
        id,
        kind: closed ? 'finished' : 'parcel',
        title: `${number} ${titles.get(packetId) ?? ''}`,
        number: String(number),
        also: '',
      };
    }
  }

  function mend(): void {
    const now = stamp();
    if (laid === now) return;
    const gone = new Set(held.keys());
    for (const entry of entries()) {
      const content = `${entry.kind} ${entry.title} ${entry.also}`;
      gone.delete(entry.id);
      const before = held.get(entry.id);
      if (before === content) continue;
      if (before === undefined) index.add(entry);
      else index.replace(entry);
      held.set(entry.id, content);
    }
    for (const id of gone) {
      index.discard(id);
      held.delete(id);
    }
    laid = now;
  }

  /** Packets that fit what was typed, the best first: whatever is misspelt, as Find has it. */
  const packetsBy = (typed: string): string[] => {
    mend();
    return index.search(typed, { filter: ({ kind }) => kind === 'packet' }).map(({ id }) => String(id));
  };

  const find = (typed: string): Found[] => {
    mend();
    const hits = index.search(typed).slice(0, MOST);
    const found = hits.map(({ id, kind, title }): Found => ({ id: String(id), kind: kind as Found['kind'], title: title as string }));
    // A seedling's label is a number of the same run: it is found by it alone.
    const seedling = digits(typed.trim()) ? nursery.titleOf(Number(typed)) : null;
    // A label that is printed and not used yet leads to its list.
    const line = digits(typed.trim()) ? sittings.lineByNumber(Number(typed)) : undefined;
    const packet = line && line.batch_id === null ? packets.find(line.packet_id) : undefined;
    if (line && packet)
      found.unshift({ id: line.sitting_id, kind: 'line', title: `${line.number} ${packets.titleOf(packet)}, not tucked in yet` });
    return seedling === null
      ? found
      : [{ id: seedling.batchId, kind: 'seedling' as const, title: `${Number(typed)} ${seedling.title}` }, ...found].slice(0, MOST);
  };
  return { find, packetsBy };
}
