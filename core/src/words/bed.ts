import type { BedGate } from '../moving/index.js';
import { chanceInWords, formatTemperature, type UnitSystem } from '../units/index.js';
import type { Tone } from './advice.js';

/** Whether a bed can take a crop now: its warmth with its doubt, what fits, and what to do where it cannot. */
export function bedInWords(gate: BedGate, units: UnitSystem): { readonly tone: Tone; readonly text: string } {
  const { chanceWarm, soilC, soilSd, minC, places, plugDays } = gate;
  const fits = places === null ? '' : places === 0 ? ' Not one fits at its spacing.' : ` ${places} fit at its spacing.`;
  const inoculate = gate.inoculate ? ' The bed is young: roll the roots in rhizobium powder.' : '';
  if (minC === null) return { tone: 'growth', text: `It asks for no warmth of the soil.${fits}${inoculate}` };
  const wanted = formatTemperature(minC, units);
  if (soilC === null || chanceWarm === null) {
    return { tone: 'waiting', text: `It wants ${wanted} of soil; say what the bed has.${fits}${inoculate}` };
  }
  const doubt = Math.max(Math.round(units === 'us' ? soilSd * 1.8 : soilSd), 1);
  const said = `${formatTemperature(soilC, units)} give or take ${doubt}°, wanted ${wanted}: ${chanceInWords(chanceWarm)} that it is warm enough.`;
  return gate.ready
    ? { tone: 'growth', text: `${said}${fits}${inoculate}` }
    : { tone: 'trouble', text: `${said} Not ready: put them into plugs, that buys about ${plugDays} days on a cool sill.${fits}` };
}
