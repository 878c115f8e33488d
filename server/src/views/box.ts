import type { Box, BoxRow } from '@fresh-tuck/contract';
import { DIVIDERS, type Divider } from '@fresh-tuck/contract/choices';
import type { Stock } from '@fresh-tuck/core/seedbox';
import type { Reader } from '../forecasts/reader.js';
import type { StoredPacket } from '../packets/store.js';
import type { PacketView } from './packet.js';

/** What of the box is asked for. */
export interface BoxQuestion {
  /** Words that crop, variety or source must hold. */
  readonly find: string;
  /** One divider alone, from a row on; null for the first rows of each. */
  readonly page: { readonly divider: Divider; readonly from: number } | null;
}

/** Rows behind a divider that are sent at once. */
const PAGE = 24;

function dividerOf({ advice }: Stock): Divider {
  if (advice.includes('empty')) return 'empty';
  return DIVIDERS.find((one) => one !== 'fine' && advice.includes(one)) ?? 'fine';
}

/** Nothing is expected of an empty packet. */
const EMPTY: Stock = { mean: 0, low: 0, high: 0, advice: ['empty'], ahead: [], behind: [] };

interface Standing {
  readonly packet: StoredPacket;
  readonly stock: Stock;
  readonly divider: Divider;
  readonly words: string;
}

/**
 * The seed box behind its dividers, a page of each at a time. How every packet
 * stands is worked out once for as long as nothing changes and the year is the same.
 */
export function boxView(reader: Reader, view: PacketView) {
  let known: { key: string; all: Standing[] } | null = null;
  const stocks = new Map<string, { key: string; stock: Stock }>();

  /** How a packet stands; what did not change is not worked out again. */
  function stockOf(packet: StoredPacket, nowMs: number): Stock {
    if (packet.seedsLeft !== null && packet.seedsLeft <= 0) return EMPTY;
    const { key, work } = view.stock(packet, nowMs);
    const before = stocks.get(packet.id);
    if (before?.key === key) return before.stock;
    const stock = work();
    stocks.set(packet.id, { key, stock });
    return stock;
  }

  function standing(nowMs: number): Standing[] {
    // What ages a packet counts by the year; records by the day at the most.
    const key = `${reader.stamp()} ${Math.floor(nowMs / 86_400_000)}`;
    if (known?.key === key) return known.all;
    const all = reader.packets.list().map((packet): Standing => {
      const stock = stockOf(packet, nowMs);
      return {
        packet,
        stock,
        divider: dividerOf(stock),
        words: `${packet.cropName} ${packet.variety} ${packet.source ?? ''}`.toLowerCase(),
      };
    });
    all.sort((a, b) => a.packet.cropName.localeCompare(b.packet.cropName) || a.packet.variety.localeCompare(b.packet.variety));
    known = { key, all };
    return all;
  }

  const rowOf = ({ packet, stock: { ahead: _, ...stock } }: Standing): BoxRow => ({
    id: packet.id,
    cropName: packet.cropName,
    variety: packet.variety,
    year: packet.year,
    generation: packet.generation,
    dressed: packet.dressed,
    seedsLeft: packet.seedsLeft,
    stock,
  });

  return ({ find, page }: BoxQuestion, nowMs: number): Box => {
    const words = find.trim().toLowerCase();
    const all = standing(nowMs);
    const shown = words === '' ? all : all.filter((one) => one.words.includes(words));
    const counts = Object.fromEntries(DIVIDERS.map((divider) => [divider, all.filter((one) => one.divider === divider).length]));
    return {
      total: all.length,
      counts: counts as Box['counts'],
      groups: DIVIDERS.filter((divider) => page === null || page.divider === divider)
        .map((divider) => {
          const behind = shown.filter((one) => one.divider === divider);
          const from = page?.from ?? 0;
          return { divider, count: behind.length, from, packets: behind.slice(from, from + PAGE).map(rowOf) };
        })
        .filter(({ count }) => count > 0),
    };
  };
}
