import { createHash } from 'node:crypto';
import type { PastLot } from '@fresh-tuck/core/forecast';
import type { BatchEnd } from '../batches/row.js';
import type { Stores } from './facts.js';

/** Where what finished batches teach is kept once it was worked out; see {@link lotCache}. */
export interface LotCache {
  get<Kept = PastLot>(batchId: string, key: string): Kept | null;
  set(batchId: string, key: string, span: { readonly fromMs: number; readonly toMs: number }, lot: unknown): void;
  /** Takes out what later records have made untrue; before a question, so that all of it rests on the same. */
  refresh(): void;
  /** Rises when something was taken out. */
  revision(): number;
  /** Writes down what was added, where this cache outlives the process. */
  flush(): void;
  close(): void;
}

/** What of a packet's past bears on it, and a name for all that it is. */
export interface Bearing {
  readonly ends: readonly BatchEnd[];
  /** The same for the same ends. */
  readonly name: string;
}

/** Finished batches by what they share with a packet, read once for as long as nothing changes. */
export function pastEnds({ batches }: Pick<Stores, 'batches'>, stamp: () => string) {
  let known: {
    stamp: string;
    past: string;
    all: readonly BatchEnd[];
    byCrop: ReadonlyMap<string, readonly BatchEnd[]>;
    name: string;
  } | null = null;

  function index() {
    const now = stamp();
    if (known?.stamp === now) return known;
    // Looks and readings come all day, ends now and then.
    const past = batches.pastStamp();
    if (known?.past === past) return (known = { ...known, stamp: now });
    const all = batches.ends();
    const name = createHash('sha1')
      .update(all.map(({ endId, lastEntry }) => `${endId} ${lastEntry}`).join())
      .digest('base64');
    if (known?.name === name) return (known = { ...known, stamp: now, past });
    const byCrop = new Map<string, BatchEnd[]>();
    for (const end of all) {
      const crop = byCrop.get(end.cropId);
      if (crop) crop.push(end);
      else byCrop.set(end.cropId, [end]);
    }
    known = { stamp: now, past, all, byCrop, name };
    return known;
  }

  return {
    /** The last end of every batch that has one. */
    all: (): BatchEnd[] => {
      const last = new Map<string, BatchEnd>();
      for (const end of index().all) if (!last.has(end.id)) last.set(end.id, end);
      return [...last.values()];
    },
    /**
     * What had ended by a moment and bears on a packet: its own batches first, then its
     * crop's, then any other; in each the latest first, and each batch once, by its last end.
     */
    bearing(packetId: string, cropId: string, untilMs: number, most: number): Bearing {
      const { all, byCrop, name } = index();
      const found = new Map<string, BatchEnd>();
      const take = (ends: readonly BatchEnd[], fits: (end: BatchEnd) => boolean): void => {
        for (const end of ends) {
          if (found.size >= most) return;
          if (end.atMs <= untilMs && !found.has(end.id) && fits(end)) found.set(end.id, end);
        }
      };
      const crop = byCrop.get(cropId) ?? [];
      take(crop, (end) => end.packetId === packetId);
      take(crop, () => true);
      take(all, () => true);
      return { ends: [...found.values()], name: `${name} ${Math.min(untilMs, all[0]?.atMs ?? 0)}` };
    },
  };
}
