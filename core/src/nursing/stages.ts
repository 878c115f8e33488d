/** A seedling's stages after the move, in order. */
export const SEEDLING_STAGES = ['moved', 'up', 'seed_leaves', 'true_leaves', 'planted_out', 'ripe'] as const;
export type SeedlingStage = (typeof SEEDLING_STAGES)[number];
