import { methodOf } from '../method/index.js';
import { readyLength } from '../moving/index.js';
import { waysOf, workingsFor, type ParcelFacts } from '../parcel/index.js';
import { DAY_MS } from '../units/index.js';
import type { PlantOdds } from './how-many.js';
import type { Course, Stretch } from './when.js';

/** Days at which the coming of sprouts is asked for: close together while they matter. */
const DAYS = [
  ...Array.from({ length: 20 }, (_, step) => step / 2),
  ...Array.from({ length: 20 }, (_, step) => 10 + step),
  ...Array.from({ length: 24 }, (_, step) => 30 + 5 * step),
];

/** Beyond this share of what will ever come, days are asked for no longer. */
const NEARLY_ALL = 0.995;

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
  const chanceBy = (day: number): number => odds.fromSprouts(outlook.furtherTips(progress.at(facts.startMs + day * DAY_MS)));
  const end = DAYS.at(-1) ?? 0;
  const most = chanceBy(end);
  const enoughBy: { day: number; chance: number }[] = [];
  for (const day of DAYS) {
    const chance = day === 0 ? 0 : chanceBy(day);
    enoughBy.push({ day, chance });
    // What is left to come is less than anybody can see.
    if (chance >= NEARLY_ALL * most) break;
  }
  enoughBy.push({ day: end, chance: most });
  // Roots grow at the pace of the days around the half of the lot.
  const half = lot.progressOf(0.5);
  const halfMs = progress.when(half) ?? facts.startMs;
  const pace = Math.max(progress.at(halfMs + DAY_MS) - progress.at(halfMs), 0.02);
  // What comes up where it was sown stands there at once.
  const rootDays =
    methodOf(facts.method).event === 'emergence'
      ? 0
      : readyLength(facts.crop, waysOf(facts).rootSchool) / facts.crop.root.mmPerDayAtOptimum / pace;
  return { enoughBy, rootDays, ...after };
}
