import type { Crop } from '../crops/index.js';
import { capital, counted, formatTemperature, inUnits, rangeInWords, type UnitSystem } from '../units/index.js';

const weeks = ([low, high]: readonly [number, number]): string => `${rangeInWords(low, high)} weeks`;

/** A stretch that begins before the last frost. */
const aroundFrost = ([low, high]: readonly [number, number]): string =>
  high <= 0 ? `${weeks([-high, -low])} before it` : `from ${-low} weeks before it to ${high} after`;

/** The crop's year around the last frost. */
export function yearInWords({ growing }: Pick<Crop, 'growing'>, units: UnitSystem): string {
  const { startWeeksBeforeFrost: start, plantOutWeeksAfterFrost: out, minSoilC, harvestDaysAfterPlantingOut: harvest } = growing;
  const parts = [
    start ? `start ${weeks(start)} before it` : '',
    out ? `plant out ${out[0] < 0 ? aroundFrost(out) : `${weeks(out)} after it`}` : '',
    minSoilC === null ? '' : `with the soil at ${formatTemperature(minSoilC, units)} or more`,
  ].filter(Boolean);
  const sentence =
    parts.length > 0 ? `${capital(parts.join(', ').replace(/ it\b/, ' the last frost'))}.` : 'Frost does not matter: it is kept in a pot.';
  return harvest ? `${sentence} From planting out to harvest ${rangeInWords(...harvest)} days.` : sentence;
}

/** How the crop's seed is made ready, with its cold and its limit under water. */
export function prepareInWords({ preparation, chill, water }: Pick<Crop, 'preparation' | 'chill' | 'water'>, units: UnitSystem): string {
  const cold =
    chill.weeks > 0 ? ` We count on ${counted(chill.weeks, 'week')} of chill at about ${inUnits(`${chill.celsius} °C`, units)}.` : '';
  return `${inUnits(preparation.text, units)}${cold} Never under water for more than ${water.drowningLimitHours} h.`;
}

/** "seed mix", "airy mix": what it is planted into. */
export const mixInWords = ({ mix }: Pick<Crop['moving'], 'mix'>): string => (/\bmix\b|soil|compost/.test(mix) ? mix : `${mix} mix`);

/** When a sprout of the crop is moved from the towel, and into what. */
export function movingInWords({ root, moving }: Pick<Crop, 'root' | 'moving'>, units: UnitSystem): string {
  const length = (millimetres: number): string => inUnits(`${Math.round(millimetres)} mm`, units);
  const place = moving.surfaceSown ? 'On the surface, pressed in' : `Root down, ${length(moving.depthMm)} deep`;
  return `At ${length(root.readyMm)} of root; near ${length(root.lateMm)} it is in the paper. ${place}, into damp ${mixInWords(moving)} (${inUnits(moving.pot, units)}).`;
}

/** Where the crop is regulated, as a sentence; null where nothing is known. */
export function regulatedInWords({ regulated }: Pick<Crop['hazards'], 'regulated'>): string | null {
  return regulated === '' || regulated === 'none known' ? null : `${capital(regulated)}.`;
}

/** A crop with every text of its sheet as a household reads it. */
export function cropIn(crop: Crop, units: UnitSystem): Crop {
  const say = (text: string): string => inUnits(text, units);
  const { preparation, moving, methods, hazards } = crop;
  return {
    ...crop,
    preparation: { ...preparation, text: say(preparation.text) },
    moving: { ...moving, pot: say(moving.pot), mix: say(moving.mix), note: say(moving.note) },
    methods: { ...methods, towel: say(methods.towel) },
    hazards: { ...hazards, text: say(hazards.text), regulated: say(hazards.regulated) },
  };
}
