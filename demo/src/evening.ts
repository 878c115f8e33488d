import type { LineWords, PacketName, SittingRequest } from '@fresh-tuck/contract';
import type { Send } from './send.js';

interface Planned {
  readonly variety: string;
  readonly words?: LineWords;
  /** Lines that share a bag or tray name the same one. */
  readonly bag?: string;
}

/** What is laid out for Saturday evening: two share a bag, two a tray, and two that look alike stand next to one another. */
const EVENING: readonly Planned[] = [
  { variety: 'Dune Bell', bag: 'gourds', words: { seeds: 6 } },
  { variety: 'Float Glass', bag: 'gourds', words: { seeds: 4 } },
  { variety: 'Harbour Rose', words: { seeds: 10, damped: 'peroxide' } },
  { variety: 'Bollard', words: { seeds: 12 } },
  { variety: 'Pier Green', words: { seeds: 14 } },
  { variety: 'Keel Green', words: { seeds: 8 } },
  { variety: 'Spring Ferry', words: { method: 'pot', seeds: 9, places: 3 } },
  { variety: 'Net Loft', bag: 'tray', words: { method: 'plug', seeds: 12, places: 6 } },
  { variety: 'Tender', bag: 'tray', words: { method: 'plug', seeds: 6 } },
];

/** The list for the evening, planned in the morning through the same API. */
export async function planEvening(send: Send, idAt: (ms: number) => string, nowMs: number): Promise<void> {
  const bags = new Map<string, string>();
  const lines: SittingRequest['lines'] = [];
  for (const { variety, words = {}, bag } of EVENING) {
    const found = await send<PacketName[]>('GET', `/api/packets?find=${encodeURIComponent(variety)}`, {});
    const packet = found.find((one) => one.variety === variety && one.seedsLeft !== 0);
    if (!packet) throw new Error(`no packet goes by ${variety}`);
    const id = idAt(nowMs);
    // A shared bag goes by the line that brings it.
    if (bag !== undefined && !bags.has(bag)) bags.set(bag, id);
    lines.push({ id, packetId: packet.id, words, bag: bag === undefined ? null : (bags.get(bag) ?? null) });
  }
  await send('POST', '/api/sittings', {
    id: idAt(nowMs),
    name: 'Saturday evening',
    at: '2026-04-11T19:30',
    lines,
  } satisfies SittingRequest);
}
