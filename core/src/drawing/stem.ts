import type { Stem } from './garden-year.js';
import type { YieldShape } from './yields.js';

/** A lot as the season tells it, as far as it is drawn. */
export interface DrawnLot {
  readonly wishId: string;
  readonly title: string;
  readonly state: string;
  readonly start: number;
  readonly countedFrom: number;
  readonly best: number;
  readonly words: { readonly start: string | null };
  readonly stages: readonly { readonly stage: string; readonly at10: number; readonly at50: number; readonly at90: number }[];
  readonly endInWords: string;
  readonly inTrouble: boolean;
  readonly cells: number;
  readonly yields: string;
}

/** A day that was planned is drawn where it was begun more than so many days off. */
const OFF_DAYS = 3;
/** Until something is known of its sprouts it is drawn in the warm for so long, days. */
const WARM_DAYS = 7;
const DAY_MS = 86_400_000;

/** A lot as a stem of the garden year. @param due whether it is to be started now */
export function stemOf(lot: DrawnLot, due: boolean): Stem {
  const dayOf = (stage: string) => lot.stages.find((one) => one.stage === stage) ?? null;
  const out = dayOf('planted_out');
  const begun = lot.state !== 'planned';
  const planned = lot.words.start === null ? lot.best : Date.parse(`${lot.words.start}T00:00:00Z`) / DAY_MS;
  const start = begun ? lot.start : lot.countedFrom;
  return {
    id: lot.wishId,
    title: lot.title,
    start,
    moved: dayOf('moved')?.at50 ?? start + WARM_DAYS,
    out: out && { at10: out.at10, at50: out.at50, at90: out.at90 },
    ripe: dayOf('ripe')?.at50 ?? null,
    end: lot.endInWords,
    trouble: lot.inTrouble,
    due,
    begun,
    planned: Math.abs(planned - start) > OFF_DAYS && (begun || lot.start < start) ? planned : null,
    cells: lot.cells,
    yields: lot.yields as YieldShape,
  };
}
