import type { Crop } from '../crops/index.js';
import { bestSpot, type Standing } from './where.js';

/** One packet of a sitting with the places it could stand in. */
export interface SeatedLine {
  readonly key: string;
  readonly crop: Pick<Crop, 'id' | 'family' | 'seed'>;
  readonly seeds: number;
  readonly spotId: string | null;
  /** The bag or tray: lines that share one name the same. */
  readonly bag: string | null;
  /** Whether seed lies loose at the worktop while it is laid: what is sown into numbered cells is told apart by its place. */
  readonly bagged: boolean;
  readonly standing: readonly Standing[];
}

/** Room at a warm spot, in bags and trays; null where nobody said. */
export interface SpotRoom {
  readonly id: string;
  readonly holds: number | null;
  /** Bags and trays that stand there now. */
  readonly taken: number;
}

/** What would go wrong with a sitting as it is planned. */
export type Clash =
  /** More bags at a spot than it has room for; the last of them could stand elsewhere. */
  | { readonly kind: 'full'; readonly key: string; readonly spotId: string; readonly over: number; readonly to: string | null }
  /** Two kinds of seed that look alike, one straight after the other. */
  | { readonly kind: 'alike'; readonly key: string; readonly other: string; readonly same: boolean }
  /** At its spot fewer come than elsewhere, or none. */
  | Warmth
  /** The same, because a bag is shared by lots that want different warmth. */
  | (Omit<Warmth, 'kind'> & { readonly kind: 'bag'; readonly other: string });
interface Warmth {
  readonly kind: 'warmth';
  readonly key: string;
  readonly spotId: string;
  /** Seeds that would stay shut, or die, of those that come elsewhere. */
  readonly loses: number;
  readonly kills: boolean;
  readonly to: string | null;
  /** Days later there; below 0 where it is quicker. */
  readonly slowerDays: number | null;
}

/** Seeds of one family whose lengths differ by less look alike to a tired eye. Guess. */
const ALIKE_LENGTH = 1.3;
const ALIKE_MASS = 2.6;
/** Fewer seeds than this are not worth another board. */
const WORTH_SEEDS = 0.5;
const WORTH_SHARE = 0.1;

/** Whether two kinds of seed are easily taken for one another. */
export function alike(a: Pick<Crop, 'id' | 'family' | 'seed'>, b: Pick<Crop, 'id' | 'family' | 'seed'>): boolean {
  if (a.id === b.id) return true;
  const ratio = (one: number, other: number): number => Math.max(one / other, other / one);
  return (
    a.family === b.family &&
    ratio(a.seed.lengthMm, b.seed.lengthMm) <= ALIKE_LENGTH &&
    ratio(a.seed.gramsPerThousand, b.seed.gramsPerThousand) <= ALIKE_MASS
  );
}

/** What is wrong with a line's warmth; null where nothing is. */
function warmthOf(line: SeatedLine, open: (spotId: string) => boolean): Warmth | null {
  const here = line.standing.find(({ spotId }) => spotId === line.spotId);
  if (!here || line.spotId === null) return null;
  const free = line.standing.filter(({ spotId }) => spotId === line.spotId || open(spotId));
  const to = bestSpot(free);
  const best = line.standing.find(({ spotId }) => spotId === to);
  const kills = here.refused !== null;
  const loses = Math.round(((best?.comes ?? 1) - here.comes) * line.seeds);
  const short = kills || here.halfDays === null || (loses >= WORTH_SEEDS && (best?.comes ?? 1) - here.comes >= WORTH_SHARE);
  if (!short) return null;
  const later = best && best.halfDays !== null && here.halfDays !== null ? best.halfDays - here.halfDays : null;
  return { kind: 'warmth', key: line.key, spotId: line.spotId, loses, kills, to: to === line.spotId ? null : to, slowerDays: later };
}

/**
 * What would go wrong, in the order of the list: warmth first, as it costs plants, then
 * room, then what may be mixed up.
 */
export function clashesOf(lines: readonly SeatedLine[], spots: readonly SpotRoom[]): Clash[] {
  const bagsAt = (spotId: string): string[] => [
    ...new Set(lines.filter((line) => line.spotId === spotId).map(({ bag, key }) => bag ?? key)),
  ];
  const roomAt = (spotId: string): number => {
    const spot = spots.find(({ id }) => id === spotId);
    return spot?.holds == null ? Infinity : spot.holds - spot.taken - bagsAt(spotId).length;
  };
  const open = (spotId: string): boolean => roomAt(spotId) > 0;
  const found: Clash[] = [];
  for (const line of lines) {
    const warmth = warmthOf(line, open);
    if (!warmth) continue;
    const mate = line.bag === null ? undefined : lines.find((one) => one.bag === line.bag && one.key !== line.key);
    found.push(mate ? { ...warmth, kind: 'bag', other: mate.key } : warmth);
  }
  for (const { id } of spots) {
    const over = -roomAt(id);
    const last = lines.findLast((line) => line.spotId === id);
    if (!(over > 0) || over === Infinity || !last) continue;
    const to = bestSpot(last.standing.filter(({ spotId }) => spotId !== id && open(spotId)));
    found.push({ kind: 'full', key: last.key, spotId: id, over, to });
  }
  lines.forEach((line, index) => {
    const before = lines[index - 1];
    if (before?.bagged && line.bagged && alike(before.crop, line.crop))
      found.push({ kind: 'alike', key: line.key, other: before.key, same: before.crop.id === line.crop.id });
  });
  return found;
}

/**
 * The order of a sitting in which no two alike follow one another, moved as little as may be:
 * each in its turn takes the first that differs from the one before.
 *
 * @returns the lines in their new order; where no order will do, the best that was found
 */
export function keptApart<T extends Pick<SeatedLine, 'crop' | 'bagged'>>(lines: readonly T[]): T[] {
  const left = [...lines];
  const order: T[] = [];
  const clash = (a: T | undefined, b: T): boolean => a !== undefined && a.bagged && b.bagged && alike(a.crop, b.crop);
  while (left.length > 0) {
    // What has the most of its like left goes first where it may: it is the hardest to keep apart.
    const kin = (one: T): number => left.filter((other) => other.bagged && alike(other.crop, one.crop)).length;
    const pressing = left.find((one) => !clash(order.at(-1), one) && 2 * kin(one) > left.length);
    const next = pressing ?? left.find((one) => !clash(order.at(-1), one)) ?? left[0];
    if (!next) break;
    left.splice(left.indexOf(next), 1);
    order.push(next);
  }
  return order;
}
