import { binomial } from '../chance/index.js';
import { reached, stageRank, type SeedlingStage } from './stages.js';
import type { TrayPlant } from './tray.js';

/** A seedling as it is judged against those it stands with. */
export interface Rated extends Pick<TrayPlant, 'number' | 'marks' | 'movedMs'> {
  readonly stage: SeedlingStage;
  /** Own grade, 1 to 5; null where nobody gave one. */
  readonly grade: number | null;
  readonly role: 'main' | 'spare' | 'pollen' | null;
}

/** Its place in the order, and why. */
export interface Ranked {
  readonly number: number;
  /** Higher is better; only the order means anything. */
  readonly score: number;
  readonly first: boolean;
  readonly ahead: boolean;
  readonly behind: boolean;
  readonly grade: number | null;
  readonly role: Rated['role'];
}

/** What counts for how much: a stage ahead, coming up in the first fifth rather than the last, a grade above the middle. Guesses. */
const WORTH = { stage: 1, early: 1, grade: 0.75, main: 10 } as const;
const MIDDLE_GRADE = 3;

/** Days from its move to when it was seen up; null while it is below. */
const daysUp = ({ marks, movedMs }: Rated): number | null => {
  const upMs = marks.find(({ stage }) => reached(stage, 'up'))?.atMs;
  return upMs === undefined ? null : upMs - movedMs;
};

/**
 * Seedlings of a tray from the best to the poorest: by stage, by how early they came up after
 * their move, by own grade; who is named the main plant stands first.
 */
export function vigourOrder(plants: readonly Rated[]): Ranked[] {
  const ups = plants.map(daysUp);
  const sorted = ups.filter((ms) => ms !== null).sort((a, b) => a - b);
  const [quickest = 0] = sorted;
  const slowest = sorted.at(-1) ?? 0;
  const best = Math.max(...plants.map(({ stage }) => stageRank(stage)));
  const worst = Math.min(...plants.map(({ stage }) => stageRank(stage)));
  return plants
    .map((plant, index): Ranked => {
      const up = ups[index] ?? null;
      const early = up === null ? 0 : slowest === quickest ? 0.5 : (slowest - up) / (slowest - quickest);
      const rank = stageRank(plant.stage);
      const score =
        WORTH.stage * rank +
        WORTH.early * early +
        WORTH.grade * ((plant.grade ?? MIDDLE_GRADE) - MIDDLE_GRADE) +
        (plant.role === 'main' ? WORTH.main : 0);
      return {
        ...{ number: plant.number, score, grade: plant.grade, role: plant.role },
        first: up !== null && up === quickest && slowest > quickest,
        ahead: best > worst && rank === best,
        behind: best > worst && rank === worst,
      };
    })
    .sort((a, b) => b.score - a.score || a.number - b.number);
}

/** Of what may still be lost from the move on, so much is behind a seedling at a stage. Guess: most losses are below and at the soil. */
const BEHIND: Partial<Record<SeedlingStage, number>> = {
  moved: 0,
  up: 0.4,
  seed_leaves: 0.6,
  true_leaves: 0.85,
  roots_out: 0.9,
  hardening: 0.9,
};

/** Chance that a seedling at a stage lives on to be a plant. @param survival from the move on */
export const livesOn = (stage: SeedlingStage, survival: number): number => 1 - (1 - survival) * (1 - (BEHIND[stage] ?? 1));

/** Chance that so many of several live, each with a chance of its own. */
function atLeast(chances: readonly number[], wanted: number): number {
  let counts = [1];
  for (const chance of chances) {
    const [dies = 0, lives = 0] = binomial(1, chance);
    counts = [...counts, 0].map((_, count) => (counts[count] ?? 0) * dies + (counts[count - 1] ?? 0) * lives);
  }
  return counts.slice(wanted).reduce((sum, share) => sum + share, 0);
}

/** What may be let go of a tray. */
export interface Spares {
  /** From the best to the poorest: kept, and to be given away or composted. */
  readonly kept: readonly number[];
  readonly spare: readonly number[];
  /** Chance that as many as are wanted live, of those kept. */
  readonly chance: number;
}

/**
 * Which seedlings are more than enough: the fewest are kept that leave the wish as sure as the
 * household wants it, and never fewer than the wish; none is let go before it has shown a true leaf
 * whether it is good.
 *
 * @param order as {@link vigourOrder} gives it; @param stages of the same, by label
 * @returns null where nothing can be let go
 */
export function sparesOf(
  order: readonly Ranked[],
  stages: ReadonlyMap<number, SeedlingStage>,
  wanted: number,
  survival: number,
  sureness: number,
): Spares | null {
  if (wanted < 1 || order.length <= wanted) return null;
  const grown = order.filter(({ number }) => reached(stages.get(number) ?? 'moved', 'true_leaves'));
  // While fewer than the wish stand there with true leaves, nobody knows which are the best.
  if (grown.length < wanted) return null;
  for (let keep = wanted; keep < order.length; keep++) {
    const kept = order.slice(0, keep);
    const chance = atLeast(
      kept.map(({ number }) => livesOn(stages.get(number) ?? 'moved', survival)),
      wanted,
    );
    if (chance >= sureness - 1e-12)
      return { kept: kept.map(({ number }) => number), spare: order.slice(keep).map(({ number }) => number), chance };
  }
  return null;
}
