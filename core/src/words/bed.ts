import type { BedGate } from '../moving/index.js';
import { chanceInWords, DAY_MS, formatTemperature, spanInWords, type UnitSystem } from '../units/index.js';
import type { Tone } from './advice.js';

/**
 * Whether a bed can take a crop now: its warmth with its doubt, what fits, and what to do where it cannot.
 *
 * @param nursed whether they stand in pots or plugs already
 */
export function bedInWords(gate: BedGate, units: UnitSystem, nursed = false): { readonly tone: Tone; readonly text: string } {
  const { chanceWarm, soilC, soilSd, minC, places, plugDays } = gate;
  const beside = gate.whole !== null && places !== null && places < gate.whole ? ' beside what stands there' : '';
  const fits =
    places === null
      ? ''
      : places === 0
        ? ` Not one fits at its spacing${beside}.`
        : ` ${places} ${places === 1 ? 'fits' : 'fit'} at its spacing${beside}.`;
  const inoculate = gate.inoculate
    ? ' The bed is young: roll the roots in rhizobium powder.'
    : gate.askAge
      ? ' Say in which year the bed was made: a young one has no bacteria for its roots yet.'
      : '';
  if (minC === null) return { tone: 'growth', text: `It asks for no warmth of the soil.${fits}${inoculate}` };
  const wanted = formatTemperature(minC, units);
  if (soilC === null || chanceWarm === null) {
    const old = gate.staleDays === null ? '' : ` It was last read ${spanInWords(gate.staleDays * DAY_MS)} ago: that says nothing now.`;
    return { tone: 'waiting', text: `It wants ${wanted} of soil; say what the bed has.${old}${fits}${inoculate}` };
  }
  const doubt = Math.max(Math.round(units === 'us' ? soilSd * 1.8 : soilSd), 1);
  const said = `${formatTemperature(soilC, units)} give or take ${doubt}°, wanted ${wanted}: ${chanceInWords(chanceWarm)} that it is warm enough.`;
  return gate.ready
    ? { tone: 'growth', text: `${said}${fits}${inoculate}` }
    : {
        tone: 'trouble',
        text: `${said} ${nursed ? 'Not ready: they stay where they are.' : `Not ready: put them into plugs, that buys about ${plugDays} days on a cool sill.`}${fits}`,
      };
}

/** Asked back before more are planted than fit, or into soil that is not ready; null where nothing is to ask. */
export function bedAskedBack(gate: BedGate, plants: number): string | null {
  const asks = [
    gate.places !== null && plants > gate.places
      ? `${gate.places === 0 ? 'Not one fits' : gate.places === 1 ? 'Only one fits' : `Only ${gate.places} fit`} at its spacing, and you move ${plants}.`
      : '',
    gate.chanceWarm !== null && !gate.ready ? 'The soil is not warm enough by the last reading.' : '',
  ].filter(Boolean);
  return asks.length === 0 ? null : `${asks.join(' ')} Move ${plants === 1 ? 'it' : 'them'} all the same?`;
}
