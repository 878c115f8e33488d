import { packetRequest } from '@fresh-tuck/contract';
import { MOST_KINDS, oneOfId } from '@fresh-tuck/core/crops';
import type * as z from 'zod';
import { Problem } from '../http/problem.js';
import type { PacketRow } from './rows.js';

/** Packets that are offered to tell a muddle apart. */
const MOST_CANDIDATES = 40;
const MOST_NAMED = 3;
const NAME_LENGTH = 80;

/**
 * A muddle as a packet of its own: its crop is the one among the candidates' kinds, so
 * that it is expected to do what does the least harm whichever it turns out to be.
 *
 * @param unknown whether any packet of the box may be it
 * @throws Problem where nothing is named that it could be from
 */
export function muddleOf(
  id: string,
  rows: readonly PacketRow[],
  unknown: boolean,
  isMuddle: (packetId: string) => boolean,
): { readonly request: z.output<typeof packetRequest>; readonly from: readonly string[] } {
  const from = unknown ? rows.filter((row) => !isMuddle(row.id)) : rows;
  if (from.some((row) => isMuddle(row.id)))
    throw Problem.field('packetIds', 'packetIds must name packets that are what they say: one of these is a muddle itself');
  const kinds = [...new Set(from.map(({ crop_id }) => crop_id))].slice(0, MOST_KINDS);
  if (kinds.length === 0) throw Problem.field('packetIds', 'packetIds must name packets: there is none in the box that it could be from');
  const varieties = [...new Set(from.map(({ variety }) => variety))];
  const named = varieties.length <= MOST_NAMED ? varieties.join(' or ') : `one of ${varieties.length} packets`;
  return {
    // Nothing else is printed on it, or known.
    request: packetRequest.parse({
      id,
      cropId: oneOfId(kinds),
      variety: (unknown ? 'unknown' : named).slice(0, NAME_LENGTH),
      ...{ year: null, source: null, printedRatePercent: null, seedCount: null },
      dressed: from.some((row) => row.dressed === 1),
    }),
    from: from.slice(0, MOST_CANDIDATES).map((row) => row.id),
  };
}
