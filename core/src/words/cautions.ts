import type { Crop } from '../crops/index.js';
import { capital, inUnits, listed, type UnitSystem } from '../units/index.js';

/** What belongs to a kind of place, said where a spot is chosen. Usual safe practice; makers' instructions and local codes come first. */
export const PLACE_CAUTIONS: Readonly<Record<string, string>> = {
  mat: 'Its maker’s instructions first. Thermostat and an outlet with RCD (GFCI); plug and controller dry and out of the tray. Nothing that burns above or below it; do not fold it or cover it with thick bedding.',
  heater:
    'The maker’s instructions and the local code first. Keep clear of burners, flues, vents and relief valves, and keep the clearances they set; no paper or plastic where it can fall on a flame.',
  fridge_top: 'Leave the vents free, and never rest damp bags on powered electronics.',
  fridge: 'Where food is kept: a lidded, labelled tub on a shelf of its own. Dressed or poisonous seed never lies with food.',
};

/** What a crop asks of whoever handles it. */
export interface Handling {
  readonly text: string;
  /** The seed in the hand is poisonous or burns: it stands in the colour of a caution. */
  readonly strong: boolean;
}

/** "Foxglove: all parts are poisonous …"; null where nothing is known. */
export function handlingInWords({ name, hazards }: Pick<Crop, 'name' | 'hazards'>, units: UnitSystem): Handling | null {
  if (hazards.text === '' || hazards.text === 'none') return null;
  return { text: `${name}: ${inUnits(hazards.text, units)}.`, strong: hazards.care.length > 0 };
}

/** Why seed does not go into a fridge with food; null where it may, in its tub. */
export function foodFridgeInWords({ hazards }: Pick<Crop, 'hazards'>, dressed: boolean): string | null {
  const what = listed([dressed ? 'dressed' : '', hazards.care.includes('poisonous') ? 'poisonous' : ''].filter(Boolean));
  return what === ''
    ? null
    : `${capital(what)} seed never lies in a fridge with food: another cold spot, or a fridge without food, in a lidded tub with its label.`;
}

/** The caution where a blade comes into it; null where none does. */
export function bladeInWords({ preparation }: Pick<Crop, 'preparation'>): string | null {
  const { steps, text } = preparation;
  if (/\bshears\b/.test(text)) return 'Shears slip: blades away from the hand that holds it, and a thick glove on that hand.';
  if (/\bvice\b/.test(text)) return 'Fingers clear of the jaws, eyes covered: splinters fly.';
  return steps.some((step) => step === 'nick' || step === 'file')
    ? 'Blade away from the fingers; hold the seed in pliers or a folded cloth.'
    : null;
}
