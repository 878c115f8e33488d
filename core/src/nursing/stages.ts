import type { Crop } from '../crops/index.js';
import type { Destination } from '../moving/index.js';

/** A seedling's stages after the move, in order. `roots_out` is ready to be potted up; from `planted_out` on it stands for good. */
export const SEEDLING_STAGES = [
  'moved',
  'up',
  'seed_leaves',
  'true_leaves',
  'roots_out',
  'hardening',
  'planted_out',
  'ripe',
  'harvested',
] as const;
export type SeedlingStage = (typeof SEEDLING_STAGES)[number];

/** How far along a stage is, 0 for one just moved. */
export const stageRank = (stage: SeedlingStage): number => SEEDLING_STAGES.indexOf(stage);

/** Whether a stage has been reached by one that stands at another. */
export const reached = (stage: SeedlingStage, goal: SeedlingStage): boolean => stageRank(stage) >= stageRank(goal);

/** Stages of what stands in the nursery still, under cover or being hardened. */
export const NURSED: readonly SeedlingStage[] = SEEDLING_STAGES.filter((stage) => !reached(stage, 'planted_out'));

/** Stages from which few are lost. Common practice, no source. */
export const PAST_DANGER: readonly SeedlingStage[] = SEEDLING_STAGES.filter((stage) => reached(stage, 'true_leaves'));

/** What one touch says of a seedling: the stage that comes next in the nursery; null where nothing does. */
export const nextStage = (stage: SeedlingStage): SeedlingStage | null => SEEDLING_STAGES[stageRank(stage) + 1] ?? null;

/** Where nothing is potted on from, nor hardened: it stays under its glass or in its slot. */
const STAYS_IN: readonly Destination[] = ['slot', 'glass', 'terrarium'];

/**
 * What one touch says of a seedling where it stands: in its last pot it goes from true leaves
 * straight to hardening, in a bed it simply stands, in a slot it ripens; null where nothing comes next.
 */
export function touchSays(
  stage: SeedlingStage,
  { destination, finalPot }: { readonly destination: Destination; readonly finalPot: boolean },
): SeedlingStage | null {
  const next = nextStage(stage);
  if (next !== 'roots_out') return next;
  if (STAYS_IN.includes(destination)) return destination === 'slot' ? 'ripe' : null;
  if (destination === 'bed') return 'planted_out';
  return finalPot ? 'hardening' : next;
}

/** Kin whose seedlings are a loop and then blades: onions, asparagus, grasses, palms. */
const BLADES: readonly string[] = ['Amaryllidaceae', 'Asparagaceae', 'Poaceae', 'Arecaceae'];
/** Whether a crop's seedling comes as a blade, without two seed leaves. */
export const comesAsBlade = ({ family }: Pick<Crop, 'family'>): boolean => BLADES.includes(family);
