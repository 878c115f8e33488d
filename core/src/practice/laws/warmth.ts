const HOUR_MS = 3_600_000;

/** What a place is truly like; thermometers only sample it. */
export interface Climate {
  readonly meanC: number;
  readonly swingC: number;
}

/** Temperature of a place at a moment: its daily swing, and slow weather. */
export function celsiusAt({ meanC, swingC }: Climate, ms: number): number {
  const hours = ms / HOUR_MS;
  const daily = (swingC / 2) * Math.cos(((hours - 14) / 24) * 2 * Math.PI);
  const weather = 0.25 * swingC * (Math.sin(hours / 41) + Math.sin(hours / 17.3 + 1));
  return meanC + daily + weather;
}

/** Least and greatest of the place over a day from `fromMs`, to a tenth. */
export function dayRange(climate: Climate, fromMs: number): { minC: number; maxC: number } {
  const hours = Array.from({ length: 24 }, (_, hour) => celsiusAt(climate, fromMs + hour * HOUR_MS));
  const tenth = (value: number): number => Math.round(value * 10) / 10;
  return { minC: tenth(Math.min(...hours)), maxC: tenth(Math.max(...hours)) };
}

/**
 * Development a day by degree-days: a straight rise and fall, not the curve that
 * the forecast uses.
 */
export function developmentPerDay(baseC: number, optimumC: number, ceilingC: number, celsius: number): number {
  if (celsius <= baseC || celsius >= ceilingC) return 0;
  return celsius <= optimumC ? (celsius - baseC) / (optimumC - baseC) : (ceilingC - celsius) / (ceilingC - optimumC);
}
