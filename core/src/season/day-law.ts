import normalCdf from '@stdlib/stats-base-dists-normal-cdf';

/** Width of a step of a law, days. */
export const STEP = 0.5;
/** Beyond so many sd nothing is left. */
const REACH_SD = 4;
/** Less than this is nothing. */
const DUST = 1e-7;

/** A day that is not known for sure: chances of half days from `from` on, together 1. Days are counted from wherever its maker says. */
export interface DayLaw {
  readonly from: number;
  readonly mass: readonly number[];
}

/** A day that is sure. */
export const surely = (day: number): DayLaw => ({ from: day, mass: [1] });

/** Trims what is next to nothing at both ends, and makes the rest 1. */
function trimmed(from: number, mass: readonly number[]): DayLaw {
  let [low, high] = [0, mass.length - 1];
  while (low < high && (mass[low] ?? 0) < DUST) low++;
  while (high > low && (mass[high] ?? 0) < DUST) high--;
  const kept = mass.slice(low, high + 1);
  const sum = kept.reduce((total, one) => total + one, 0);
  return { from: from + low * STEP, mass: kept.map((one) => one / sum) };
}

/** Days that are normal about a mean, none below 0. */
export function normalDays(mean: number, sd: number): DayLaw {
  if (sd <= 0) return surely(Math.max(mean, 0));
  const from = Math.max(Math.floor((mean - REACH_SD * sd) / STEP) * STEP, 0);
  const steps = Math.max(Math.ceil((mean + REACH_SD * sd - from) / STEP), 1);
  const cdf = (day: number): number => normalCdf((day - mean) / sd, 0, 1);
  // Each step stands for the half day about it; what would lie below 0 lies on 0.
  const mass = Array.from({ length: steps + 1 }, (_, nth) => {
    const day = from + nth * STEP;
    return cdf(day + STEP / 2) - (nth === 0 ? 0 : cdf(day - STEP / 2));
  });
  return trimmed(from, mass);
}

/** What is left beyond this share of a law is too late to plan by. */
const NEARLY_ALL = 0.995;

/** A law from points of its rising cumulative chance, straight between them; nearly all of its last chance is taken as 1. */
export function lawBy(points: readonly { readonly day: number; readonly chance: number }[]): DayLaw {
  const most = Math.max(...points.map(({ chance }) => chance), 0);
  const last = points.find(({ chance }) => chance >= NEARLY_ALL * most)?.day ?? 0;
  if (most <= 0) return surely(last);
  const first = points[0]?.day ?? 0;
  let at = 0;
  const by = (day: number): number => {
    while (at < points.length - 1 && (points[at + 1]?.day ?? Infinity) <= day) at++;
    const [low, high] = [points[at], points[at + 1]];
    if (!low || day < low.day) return 0;
    if (!high || day >= last) return 1;
    const share = (day - low.day) / Math.max(high.day - low.day, 1e-9);
    return (low.chance + (Math.max(high.chance, low.chance) - low.chance) * share) / most;
  };
  const steps = Math.ceil((last - first) / STEP) + 1;
  let before = 0;
  const mass = Array.from({ length: steps + 1 }, (_, nth) => {
    const now = Math.max(by(first + (nth + 0.5) * STEP), before);
    const own = now - before;
    before = now;
    return own;
  });
  return trimmed(first, mass);
}

/** The day of one thing after another. */
export function after(law: DayLaw, days: DayLaw): DayLaw {
  const [a, b] = [Float64Array.from(law.mass), Float64Array.from(days.mass)];
  const mass = new Float64Array(a.length + b.length - 1);
  for (let nth = 0; nth < a.length; nth++) {
    const chance = a[nth] as number;
    if (chance < DUST) continue;
    for (let step = 0; step < b.length; step++) (mass[nth + step] as number) += chance * (b[step] as number);
  }
  return trimmed(law.from + days.from, Array.from(mass));
}

export const later = (law: DayLaw, days: number): DayLaw => ({ from: law.from + days, mass: law.mass });

/** The same day, but none before another: what is ready sooner waits. */
export function notBefore(law: DayLaw, day: number): DayLaw {
  if (law.from >= day) return law;
  const steps = Math.ceil((day - law.from) / STEP - 1e-9);
  const waits = law.mass.slice(0, steps).reduce((sum, chance) => sum + chance, 0);
  if (steps >= law.mass.length) return surely(day);
  const from = law.from + steps * STEP;
  const rest = law.mass.slice(steps);
  return trimmed(from, [waits + (rest[0] ?? 0), ...rest.slice(1)]);
}

/** Chance that it is by the end of a day. */
export function chanceBy({ from, mass }: DayLaw, day: number): number {
  const steps = (day - from) / STEP + 0.5;
  if (steps <= 0) return 0;
  let sum = 0;
  for (let nth = 0; nth < mass.length && nth < steps; nth++) sum += (mass[nth] ?? 0) * Math.min(steps - nth, 1);
  return Math.min(sum, 1);
}

/** The day by which it has come with such a chance. */
export function dayBy({ from, mass }: DayLaw, share: number): number {
  let sum = 0;
  for (const [nth, chance] of mass.entries()) {
    if (sum + chance >= share - 1e-12)
      return mass.length === 1 ? from : from + (nth - 0.5 + (share - sum) / Math.max(chance, 1e-12)) * STEP;
    sum += chance;
  }
  return from + (mass.length - 1) * STEP;
}

/** What is expected of something that is known day by day. */
export const expected = ({ from, mass }: DayLaw, of: (day: number) => number): number =>
  mass.reduce((sum, chance, nth) => sum + (chance < DUST ? 0 : chance * of(from + nth * STEP)), 0);
