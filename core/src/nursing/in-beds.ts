import type { Crop } from '../crops/index.js';
import { bedGate, type BedFacts, type BedGate, type SoilKnown } from '../moving/index.js';
import { DAY_MS } from '../units/index.js';
import { reached } from './stages.js';
import type { TrayTask } from './tasks.js';
import type { TrayFacts } from './tray.js';

/** So long after planting day its nets and supports are asked for. */
export const PLANTING_DAYS = 14;
/** A reading of the soil is asked for anew after so many days, while something waits for it. Common practice, no source. */
const READ_AGAIN_DAYS = 3;
/** While frost keeps something in for longer than this, nobody reads the soil for it, ms. */
const FROST_NEAR_MS = 7 * DAY_MS;

/** When the last of a tray was planted where it stays, ms; null while all of it is nursed. */
export function plantedMs({ destination, movedMs, plants }: TrayFacts): number | null {
  if (destination === 'bed') return movedMs;
  const out = plants.flatMap(({ goneMs, marks }) =>
    goneMs === null ? (marks.find(({ stage }) => reached(stage, 'planted_out'))?.atMs ?? []) : [],
  );
  return out.length === 0 ? null : Math.max(...out);
}

/**
 * What is put up on planting day: what it climbs on, and the net against what eats it.
 *
 * @param done whether its support and its net are in
 */
export function plantingDayTasks(facts: TrayFacts, done: { readonly support: boolean; readonly net: boolean }, nowMs: number): TrayTask[] {
  const sinceMs = plantedMs(facts);
  if (sinceMs === null || nowMs - sinceMs > PLANTING_DAYS * DAY_MS || !facts.plants.some(({ goneMs }) => goneMs === null)) return [];
  const { support, net } = facts.crop.growing;
  return [
    ...(net && !done.net ? [{ kind: 'net' as const, dueMs: nowMs, against: net }] : []),
    ...(support && !done.support ? [{ kind: 'support' as const, dueMs: nowMs, support }] : []),
  ];
}

/** Plants of a crop that wait for a bed to be warm enough. */
export interface WaitsForSoil {
  readonly crop: Crop;
  /** Nursed ones that are big enough, and sprouts that show on a towel and were meant for a bed. */
  readonly nursed: number;
  readonly sprouts: number;
  /** By the frost no sooner than this, ms; null where it does not hold them. */
  readonly outMs: number | null;
}

/** A bed and what is known of its soil. */
export interface BedKnown extends BedFacts {
  readonly id: string;
  readonly name: string;
  readonly soil: SoilKnown | null;
}

/** What the soil of a bed asks for, or lets go. */
export type BedTask =
  | { readonly kind: 'soil'; readonly dueMs: number; readonly bed: BedKnown; readonly waits: WaitsForSoil; readonly gate: BedGate }
  | {
      readonly kind: 'read_soil';
      readonly dueMs: number;
      readonly bed: BedKnown;
      /** Each with the soil that it wants, the least first. */
      readonly waits: readonly WaitsForSoil[];
    };

/** The bed for a crop: one that is warm enough and has room before any other, then the one with most room. */
function bedFor({ crop }: WaitsForSoil, beds: readonly BedKnown[], year: number): { bed: BedKnown; gate: BedGate } | null {
  const found = beds
    .map((bed) => ({ bed, gate: bedGate(crop, bed, bed.soil, year) }))
    .filter(({ gate }) => gate.places !== 0)
    .sort((a, b) => Number(isWarm(b.gate)) - Number(isWarm(a.gate)) || (b.gate.places ?? 0) - (a.gate.places ?? 0));
  return found[0] ?? null;
}
const isWarm = ({ ready, chanceWarm }: BedGate): boolean => ready && chanceWarm !== null;

/**
 * What waits for the soil: a bed that has become warm enough says so; one that has not been read
 * for days is asked for.
 */
export function bedTasks(waiting: readonly WaitsForSoil[], beds: readonly BedKnown[], nowMs: number, year: number): BedTask[] {
  const tasks: BedTask[] = [];
  const toRead = new Map<string, { bed: BedKnown; waits: WaitsForSoil[] }>();
  for (const one of waiting) {
    if (one.crop.growing.minSoilC === null || (one.outMs !== null && one.outMs - nowMs > FROST_NEAR_MS)) continue;
    const found = bedFor(one, beds, year);
    if (!found) continue;
    if (isWarm(found.gate)) tasks.push({ kind: 'soil', dueMs: Math.max(one.outMs ?? nowMs, nowMs), waits: one, ...found });
    else {
      const { bed } = found;
      toRead.set(bed.id, { bed, waits: [...(toRead.get(bed.id)?.waits ?? []), one] });
    }
  }
  for (const { bed, waits } of toRead.values()) {
    const read = bed.soil?.source === 'soil' ? bed.soil.ageDays : null;
    waits.sort((a, b) => (a.crop.growing.minSoilC ?? 0) - (b.crop.growing.minSoilC ?? 0));
    const inDays = read === null ? 0 : Math.max(READ_AGAIN_DAYS - read, 0);
    tasks.push({ kind: 'read_soil', dueMs: nowMs + inDays * DAY_MS, bed, waits });
  }
  return tasks;
}
