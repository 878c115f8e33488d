import type { batchRequest } from '@fresh-tuck/contract';
import type { Crop } from '@fresh-tuck/core/crops';
import { unsuited } from '@fresh-tuck/core/method';
import { formatLength, type UnitSystem } from '@fresh-tuck/core/units';
import { unsuitedInWords } from '@fresh-tuck/core/words';
import type * as z from 'zod';
import { Problem } from '../http/problem.js';
import type { PacketRow } from '../packets/rows.js';

/** Refuses a batch that does not fit itself. */
export function checkBatch({ purpose, replicates, seeds, taken, finalDays, soaking, prepared }: z.output<typeof batchRequest>): void {
  if (soaking && !prepared.includes('soak')) throw Problem.field('soaking', 'soaking must be left out where the seed is not soaked first');
  if (taken !== null && taken > seeds) throw Problem.field('taken', `taken must be at most ${seeds}: no more is taken than is laid`);
  if (replicates > seeds) throw Problem.field('replicates', `replicates must be at most ${seeds}: each needs a seed`);
  if (purpose === 'plants' && replicates > 1) throw Problem.field('replicates', 'replicates must be 1 where it is not a test');
  if ((purpose === 'test') !== (finalDays !== null))
    throw Problem.field('finalDays', 'finalDays must say when a test is counted for the last time, and only there');
}

/** What a start is held against beside itself. */
interface Around {
  readonly lengths: UnitSystem;
  /** Whether the household has a spot that is cold. */
  readonly cold: boolean;
  /** Slots that stand empty; null where it has no rack. */
  readonly freeSlots: number | null;
}

/** Refuses a way that a crop cannot have, a soak that drowns it, a chill without a cold, and more than fits. */
export function checkWay(body: z.output<typeof batchRequest>, crop: Crop, { lengths, cold, freeSlots }: Around): void {
  const { method, seeds, soakHours, prepared, chillDays, startAt } = body;
  const fault = unsuited(crop, method);
  if (fault) throw Problem.field('method', unsuitedInWords(fault, crop, method, { length: (mm) => formatLength(mm, lengths) }));
  const limit = crop.water.drowningLimitHours;
  if (soakHours !== null && !prepared.includes('soak'))
    throw Problem.field('soakHours', 'soakHours must be left out where the seed is not soaked first');
  if (soakHours !== null && soakHours > limit)
    throw Problem.field('soakHours', `soakHours must be at most ${limit}: ${crop.name} drowns when it lies under water for longer`);
  // One that is already running has had its cold where it had it.
  if (chillDays !== null && startAt === null && !cold)
    throw Problem.field(
      'chillDays',
      'chillDays must be left out until there is a cold spot: name the fridge or a cold porch among the spots',
    );
  if (method === 'pod' && freeSlots !== null) {
    const slots = body.places ?? seeds;
    if (slots > freeSlots)
      throw Problem.field(
        body.places === null ? 'seeds' : 'places',
        `${body.places === null ? 'seeds' : 'places'} must be at most ${freeSlots}: so many slots stand empty`,
      );
  }
  const places = 'places' in body ? body.places : null;
  if (places !== null && places > seeds) throw Problem.field('places', `places must be at most ${seeds}: each needs a seed`);
}

/** Refuses seed of another kind along with a packet's own. */
export function checkAlong({ also, seeds, packetId, taken }: z.output<typeof batchRequest>, own: PacketRow, other: PacketRow): void {
  if (!also) return;
  if (also.packetId === packetId) throw Problem.field('also.packetId', 'also.packetId must be another packet than the first');
  if (own.crop_id !== other.crop_id || own.variety.trim().toLowerCase() !== other.variety.trim().toLowerCase())
    throw Problem.field(
      'also.packetId',
      `also.packetId must be a packet of the same variety, ${own.variety}: others are a batch of their own`,
    );
  if (also.seeds >= (taken ?? seeds))
    throw Problem.field('also.seeds', `also.seeds must be at most ${(taken ?? seeds) - 1}: some must come from the first packet`);
}
