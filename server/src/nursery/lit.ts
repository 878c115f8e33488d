import { DateTime } from 'luxon';
import type { DayLight, Household, NurseryPlace, PlaceLight } from '@fresh-tuck/contract';
import { heightCm, lampGap, placeDay, reached, wantedLight, type PlaceDay, type Sky, type TrayFacts } from '@fresh-tuck/core/nursing';
import type { Words } from '@fresh-tuck/core/units';
import { lampTasksInWords, lightInWords } from '@fresh-tuck/core/words';
import type { StandingPlant } from './trays.js';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

/** How light gets to a place of a kind until its household says. Common practice, no source. */
const DARK: PlaceLight = { daylit: 'dark', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp: null };
const USUAL_LIGHT: Readonly<Record<string, PlaceLight>> = {
  sill: { ...DARK, daylit: 'window' },
  cool_room: { ...DARK, daylit: 'roof' },
  plot: { ...DARK, daylit: 'open' },
};
export const usualLight = (kind: string): PlaceLight => USUAL_LIGHT[kind] ?? DARK;

/** The sky over a household; null where it has not said how far north it lies. */
export function skyOf({ nursing, zone }: Pick<Household, 'nursing' | 'zone'>, nowMs: number): Sky | null {
  if (!nursing.sky) return null;
  const { year } = DateTime.fromMillis(nowMs, { zone });
  // Winter time is the zone's own meridian.
  const offset = Math.min(...[1, 7].map((month) => DateTime.fromObject({ year, month, day: 1 }, { zone }).offset)) / 60;
  return { ...nursing.sky, longitude: nursing.sky.longitude ?? offset * 15 };
}

/** Seedlings at a place as far as light goes. */
export interface LitTray {
  readonly crop: TrayFacts['crop'];
  readonly there: readonly StandingPlant[];
  readonly covered: boolean;
}

/**
 * A place's light of the day, and what its lamp asks for; null where nothing green stands there.
 *
 * @param setMs since when its light is as it is said to be
 */
export function litPlace(
  { name, setup, setMs }: { readonly name: string; readonly setup: PlaceLight; readonly setMs: number },
  here: readonly LitTray[],
  sky: Sky,
  { nowMs, zone, words }: { readonly nowMs: number; readonly zone: string; readonly words: Words },
): { readonly light: NonNullable<NurseryPlace['light']>; readonly tasks: ReturnType<typeof lampTasksInWords> } | null {
  // Who wants most is lit for; who wants less bears it.
  const [most] = here
    .flatMap(({ crop, there }) => there.flatMap(({ stage }) => wantedLight(crop, stage) ?? []))
    .sort((a, b) => b.low - a.low);
  if (!most) return null;
  const upMs = Math.min(
    ...here.flatMap(({ there }) => there.flatMap(({ marks }) => marks.find(({ stage }) => reached(stage, 'up'))?.atMs ?? [])),
  );
  const grownSince = (ms: number): number => heightCm((ms - upMs) / DAY_MS);
  const gap = setup.lamp && lampGap(setup.lamp, grownSince(nowMs) - grownSince(Math.max(setMs, upMs)));
  const midnightMs = DateTime.fromMillis(nowMs, { zone }).startOf('day').toMillis();
  const day = placeDay(setup, sky, most, {
    noonMs: midnightMs + 12 * HOUR_MS,
    covered: here.every(({ covered }) => covered),
    gapCm: gap?.gapCm ?? 1,
    switched: setup.lamp?.hours ?? null,
  });
  return { light: lightOf(day, setup, midnightMs, words), tasks: lampTasksInWords(day, gap, name, words) };
}

function lightOf(day: PlaceDay, setup: PlaceLight, midnightMs: number, words: Words): DayLight {
  const hourOf = (ms: number | null): number | null => (ms === null ? null : (ms - midnightMs) / HOUR_MS);
  const { wanted, daylight, lamp } = day;
  return {
    ...{ wantedLow: wanted.low, wantedHigh: wanted.high, daylight: daylight.usual, daylightLow: daylight.low, daylightHigh: daylight.high },
    ...{ lamp: lamp?.brings ?? 0, riseHour: hourOf(day.riseMs), setHour: hourOf(day.setMs) },
    ...{ lampFromHour: hourOf(lamp?.fromMs ?? null), lampToHour: hourOf(lamp?.toMs ?? null) },
    ...{ text: lightInWords(day, setup.lamp !== null, words), enough: day.short <= 0 },
  };
}
