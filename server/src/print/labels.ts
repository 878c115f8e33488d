import { DateTime } from 'luxon';
import type { labelsRequest, Labelled } from '@fresh-tuck/contract';
import { CLOSURE_WORDS, DESTINATION_WORDS } from '@fresh-tuck/core/words';
import { codeIn, codeText } from '@fresh-tuck/core/paper';
import { capital, counted } from '@fresh-tuck/core/units';
import type * as z from 'zod';
import { Problem } from '../http/problem.js';
import type { Services } from '../services.js';
import type { LabelText } from './jobs.js';

type Item = z.output<typeof labelsRequest>['items'][number];
type Needs = Pick<Services, 'batches' | 'crops' | 'holders' | 'household' | 'journal' | 'nursery' | 'packets' | 'sittings' | 'spots'>;

/** What a label says of each thing that bears one, and what its code leads back to. */
export function labelsOn({ batches, crops, holders, household, nursery, packets, sittings, spots }: Needs) {
  const day = (ms: number): string => DateTime.fromMillis(ms, { zone: household.get().zone }).toFormat('ccc d LLL yyyy');
  /** What stands on it of the hazard: a glove and a warning belong in the hand, not in a book. */
  function cautionOf(packetId: string): string | null {
    const packet = packets.get(packetId);
    const { care } = crops.crop(packet.crop_id).hazards;
    const said = [
      packet.dressed === 1 ? 'dressed seed: gloves' : '',
      care.includes('poisonous') ? 'poisonous' : '',
      care.includes('burns') ? 'burns skin: gloves' : '',
    ].filter(Boolean);
    return said.length === 0 ? null : capital(said.join(' · '));
  }
  const crop = (packetId: string): string => crops.crop(packets.get(packetId).crop_id).name;
  const seeds = (count: number | null): string => (count === null ? '' : counted(count, 'seed'));
  const joined = (...parts: string[]): string => parts.filter(Boolean).join(' · ');

  function labelOf({ kind, id, seeds: said }: Item, field: string): LabelText {
    const gone = (what: string): Problem => Problem.field(field, `${field} must be ${what}`);
    switch (kind) {
      case 'line': {
        const line = sittings.find(id);
        if (!line) throw gone('a packet of a sitting');
        const packet = packets.find(line.packet_id);
        if (!packet) throw gone(`a packet that is in the box: that of ${line.number} is gone`);
        const at = sittings.dayOf(line.sitting_id);
        const when = at === null ? '' : DateTime.fromISO(at).toFormat('ccc d LLL yyyy');
        return {
          number: line.number,
          title: crop(packet.id),
          second: packet.variety,
          details: joined(seeds(said), when),
          code: codeText(line.token),
          caution: cautionOf(packet.id),
        };
      }
      case 'batch': {
        const row = batches.get(id);
        return {
          number: row.number,
          title: crop(row.packet_id),
          second: packets.get(row.packet_id).variety,
          details: joined(seeds(said ?? row.seeds), day(row.start_ms)),
          code: codeText(row.token),
          caution: cautionOf(row.packet_id),
        };
      }
      case 'seedling': {
        const seedling = nursery.get(Number(id));
        const row = batches.get(seedling.batchId);
        const into = (DESTINATION_WORDS as Readonly<Record<string, { one: string } | undefined>>)[seedling.destination]?.one;
        return {
          number: seedling.number,
          title: crop(row.packet_id),
          second: packets.get(row.packet_id).variety,
          details: joined(`from ${row.number}`, into ?? '', day(seedling.movedMs)),
          code: codeText(row.token, seedling.number),
          caution: null,
        };
      }
      case 'packet': {
        const packet = packets.get(id);
        return {
          number: null,
          title: crop(id),
          second: packet.variety,
          details: joined(packet.year === null ? '' : String(packet.year), packet.source ?? ''),
          code: codeText(id),
          caution: cautionOf(id),
        };
      }
      case 'holder': {
        const holder = holders.holder(id);
        return {
          number: null,
          title: `${capital(holder.kind)} with ${holder.numbers.join(', ')}`,
          second: CLOSURE_WORDS[holder.closure].text,
          details: holder.spotName,
          code: codeText(id),
          caution: null,
        };
      }
      case 'spot': {
        const spot = spots.get(id);
        return { number: null, title: spot.name, second: '', details: household.get().name, code: codeText(id), caution: null };
      }
    }
  }

  /** What a code leads to. @throws Problem in a sentence for a stranger's */
  function leadsTo(text: string): Labelled {
    const code = codeIn(text);
    if (!code) throw new Problem(404, 'Not ours', 'This code is no label of Fresh Tuck’s. Ours have a number beside them: type that.');
    const { token, number } = code;
    const batch = batches.byToken(token);
    if (number !== null) {
      const seedling = nursery.titleOf(number);
      if (seedling && batch && seedling.batchId === batch.id)
        return { kind: 'seedling', id: batch.id, title: `${number} ${seedling.title}` };
      throw new Problem(404, 'Not here', `Label ${number} is of a seedling that this household does not know.`);
    }
    if (batch) return { kind: 'batch', id: batch.id, title: `${batch.number} ${packets.titleOf(packets.get(batch.packet_id))}` };
    const line = sittings.lineByToken(token);
    if (line) {
      const packet = packets.find(line.packet_id);
      const title = packet ? packets.titleOf(packet) : 'a packet that is gone';
      return { kind: 'line', id: line.sitting_id, title: `${line.number} ${title}, not tucked in yet` };
    }
    const packet = packets.find(token);
    if (packet) return { kind: 'packet', id: packet.id, title: packets.titleOf(packet) };
    if (holders.has(token)) {
      const holder = holders.holder(token);
      const [first] = holders.batchesIn(token);
      return {
        kind: 'holder',
        id: first?.batchId ?? null,
        title: `${capital(holder.kind)} with ${holder.numbers.join(', ') || 'nothing'}`,
      };
    }
    if (spots.has(token)) return { kind: 'spot', id: token, title: spots.get(token).name };
    throw new Problem(404, 'Not here', 'This is a label of Fresh Tuck’s, but of another household, or of a copy that was put back since.');
  }
  return { labelOf, leadsTo };
}
