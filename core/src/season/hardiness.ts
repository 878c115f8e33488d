import type { Crop } from '../crops/index.js';
import BEARS from './hardiness.json' with { type: 'json' };

/** Air that kills hardened young plants of a crop, °C: the hardier ones by the first, the softer by the second. */
export interface Killed {
  readonly low: number;
  readonly high: number;
  /** Whether the crop's own row says so, and not its kind alone. */
  readonly own: boolean;
}

/** By how it is planted out, where no table names the crop. Common practice, no source. */
const BY_KIND: Readonly<Record<Crop['growing']['hardiness'], Omit<Killed, 'own'>>> = {
  tender: { low: -1, high: -0.5 },
  half_hardy: { low: -5, high: -3 },
  hardy: { low: -8, high: -5 },
};
const TABLE: Readonly<Record<string, readonly [number, number]>> = BEARS as unknown as Record<string, [number, number]>;

/** `npm test` holds the table against reference/frost_hardiness.csv. */
export function killedBy({ id, growing }: Pick<Crop, 'id' | 'growing'>): Killed {
  const [low, high] = TABLE[id] ?? [];
  return low === undefined || high === undefined ? { ...BY_KIND[growing.hardiness], own: false } : { low, high, own: true };
}

/** Kinds that run to flower when cold comes upon their young plants, by frost_hardiness.csv; the second line common practice, no source. */
const BOLTS = new Set(
  [
    'celery kohlrabi chinese-cabbage pak-choi', //
    'celeriac beet chard endive-chicory fennel turnip',
  ].flatMap((ids) => ids.split(' ')),
);
/** Whether its young plants are kept from the cold, though they live through it: they would run to flower. */
export const boltsAfterCold = ({ id }: Pick<Crop, 'id'>): boolean => BOLTS.has(id);

/** Killed above this a kind is tender, whatever a catalogue calls it, °C. Common practice, no source. */
const TENDER_C = -2;
/** Whether a light frost kills it, so that it waits until the late frosts are over too. */
export function frostTender(crop: Pick<Crop, 'id' | 'growing'>): boolean {
  const { high, own } = killedBy(crop);
  return crop.growing.hardiness === 'tender' || (own && high > TENDER_C);
}
