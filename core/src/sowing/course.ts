import { readyLength } from '../moving/rate.js';
import { DAY_MS, waysOf, workingsFor, type ParcelFacts } from '../looking/workings.js';
import type { PlantOdds } from './how-many.js';
import type { Course, Stretch } from './when.js';

/** Days at which the coming of sprouts is asked for: close together while they matter. */
const DAYS = [
  ...Array.from({ length: 20 }, (_, step) => step / 2),
  ...Array.from({ length: 20 }, (_, step) => 10 + step),
  ...Array.from({ length: 24 }, (_, step) => 30 + 5 * step),
];

/**
 * What a sowing that is not begun yet would run through: the forecast without a look,
 * asked day by day whether enough sprouts are there.
 *
 * @param facts a batch as it would be begun, without looks
 * @param odds of the wanted plants by sprouts
 */
export function courseOf(
  facts: ParcelFacts,
  odds: PlantOdds,
  after: { readonly nursing: Stretch; readonly ripening: Stretch | null; readonly lateDays: number },
): Course {
  const { outlook, progress, lot } = workingsFor(facts, facts.startMs);
  const enoughBy = DAYS.map((day) => ({
    day,
    chance: day === 0 ? 0 : odds.fromSprouts(outlook.furtherTips(progress.at(facts.startMs + day * DAY_MS))),
  }));
  // Roots grow at the pace of the days around the half of the lot.
  const half = lot.progressOf(0.5);
  const halfMs = progress.when(half) ?? facts.startMs;
  const pace = Math.max(progress.at(halfMs + DAY_MS) - progress.at(halfMs), 0.02);
  const rootDays = readyLength(facts.crop, waysOf(facts).rootSchool) / facts.crop.root.mmPerDayAtOptimum / pace;
  return { enoughBy, rootDays, ...after };
}
