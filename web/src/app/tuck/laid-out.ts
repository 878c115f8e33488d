import { isLoose } from '@fresh-tuck/core/carrier';
import { drawnAs, paneOf, type Pane } from '@fresh-tuck/core/method';
import type { UnitSystem } from '@fresh-tuck/core/units';
import { MEDIUM_WORDS, worktop, type WorktopStep } from '@fresh-tuck/core/words';
import type { TowelSeed } from '../kit/towel';
import type { TuckPlan } from './tuck-plan';

const SEED_LIMIT = 400;

/** What is done at the worktop, in order; nothing while it is not worked out. */
export function stepsOf(plan: TuckPlan, units: UnitSystem): WorktopStep[] {
  const [crop, answer] = [plan.crop(), plan.plan()];
  if (!crop || !answer) return [];
  return worktop({
    crop,
    method: plan.method(),
    setup: plan.setup(),
    places: plan.places(),
    pane: plan.pane(),
    seeds: plan.seeds(),
    taken: answer.taken,
    dose: answer.dose,
    prepared: plan.prepared(),
    chillDays: plan.chillDays(),
    chillDry: plan.chillDry(),
    soaking: plan.soaking(),
    closure: plan.lies(),
    dressed: plan.chosen()?.dressed ?? false,
    units,
  });
}

/** The seeds as they are laid: all of them quiet. */
export const seedsLaid = (plan: TuckPlan): TowelSeed[] =>
  Array.from({ length: Math.min(plan.seeds(), SEED_LIMIT) }, (_, index) => ({
    seed: index + 1,
    stage: 'quiet',
    moved: false,
    rootMm: null,
    fresh: false,
  }));

/** What they are drawn on, mm. */
export const paneDrawn = (plan: TuckPlan): Pane =>
  plan.way().carrier === 'towel' ? plan.pane() : paneOf(plan.way(), plan.places() ?? plan.seeds());

/** What is drawn, as its heading says it. */
export function drawnAsTold(plan: TuckPlan, length: (mm: number) => string): { readonly title: string; readonly text: string } {
  const [way, pane] = [plan.way(), plan.pane()];
  if (way.carrier !== 'towel') return { title: drawnAs(way, plan.places() ?? plan.seeds()), text: 'to scale' };
  const size = `${length(pane.widthMm)} × ${length(pane.heightMm)}, to scale`;
  return isLoose(plan.setup().medium)
    ? { title: 'The bag', text: `of ${MEDIUM_WORDS[plan.setup().medium].text}, ${size}` }
    : { title: 'The towel', text: `folded to ${size}` };
}
