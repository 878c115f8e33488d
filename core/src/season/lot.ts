import type { Crop } from '../crops/index.js';
import { plantM2, type Destination } from '../moving/index.js';
import { surely, later, after, normalDays } from './day-law.js';
import type { Run } from './chain.js';
import { potCells } from './pots.js';
import type { LotUses, Use } from './space.js';

/** Picking goes on so long after the first is ripe, days: what stands in a bed until then. Guess. */
const PICKING = { days: 40, sd: 12 } as const;
/** Where the harvest is not tabled, a plant keeps its place in the bed for the season, days. Guess. */
const STANDS_DAYS = 150;
/** From the move to potting on, share of the way to planting out. Guess: roots fill a cell about half way. */
const POTTED_AT = 0.5;
/** From the forest of sprouts to the plants wished for: some are lost on the lit shelf, most of them early. */
export interface LotRoom {
  readonly crop: Pick<Crop, 'growing' | 'moving'>;
  readonly destination: Destination;
  /** Sprouts that are moved, and plants that are planted out. */
  readonly sprouts: number;
  readonly plants: number;
  /** How many go to a pot. */
  readonly perPot: number;
  /** Bags or trays that it lies in, where it is sprouted in the warm; none where it is sown where it stands. */
  readonly bags: number;
  readonly warmId: string | null;
  readonly litId: string | null;
  readonly rackId: string | null;
  readonly bedId: string | null;
}

/** What a lot takes of every room on its way. */
export function usesOf(lotId: string, room: LotRoom, run: Run): LotUses {
  const { crop, destination, sprouts, plants, perPot, warmId, litId, rackId, bedId } = room;
  const uses: Use[] = [];
  if (warmId !== null && room.bags > 0) uses.push({ roomId: warmId, size: room.bags, from: surely(run.start), to: run.moved });
  if (destination === 'slot') {
    if (rackId !== null) uses.push({ roomId: rackId, size: plants, from: run.moved, to: null });
    return { lotId, uses };
  }
  const leaves = bedId === null && run.out === run.hardened ? run.nursed : run.out;
  if (litId !== null && destination !== 'bed') {
    const { first, second } = potCells(crop);
    const pots = Math.ceil(sprouts / perPot);
    if (second === null) uses.push({ roomId: litId, size: pots * first, from: run.moved, to: leaves });
    else {
      const half = later(run.moved, Math.max(middle(run.nursed) - middle(run.moved), 0) * POTTED_AT);
      uses.push({ roomId: litId, size: pots * first, from: run.moved, to: half });
      uses.push({ roomId: litId, size: Math.min(plants, pots) * second, from: half, to: leaves });
    }
  }
  if (bedId !== null && crop.growing.spacingCm !== null) {
    const from = destination === 'bed' ? run.moved : run.out;
    const to = run.ripe ? after(run.ripe, normalDays(PICKING.days, PICKING.sd)) : later(from, STANDS_DAYS);
    uses.push({ roomId: bedId, size: plants * plantM2(crop.growing.spacingCm), from, to });
  }
  return { lotId, uses };
}

const middle = ({ from, mass }: Run['moved']): number => {
  let sum = 0;
  const at = mass.findIndex((chance) => (sum += chance) >= 0.5);
  return from + Math.max(at, 0) / 2;
};
