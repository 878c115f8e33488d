import { methodOf, type MethodId } from '../method/index.js';
import { DEAD_CHANCE } from '../sowing/index.js';
import { capital, chanceInWords, counted } from '../units/index.js';

/** A first try that is begun again. */
export interface Tried {
  readonly number: number;
  readonly seeds: number;
  readonly shown: number;
  readonly method: MethodId;
  /** Days from the first start of the chain. */
  readonly daysLost: number;
  /** Chance that the lot itself is dead; null where another packet is taken. */
  readonly deadChance: number | null;
  /** Another packet of the crop that holds seed. */
  readonly otherPacket: string | null;
}

/** What a first try came to and cost, and whether its packet is worth another. */
export function triedBefore({ number, seeds, shown, method, daysLost, deadChance, otherPacket }: Tried): {
  readonly text: string;
  readonly dead: boolean;
} {
  const came = shown === 0 ? `none of ${seeds}` : `${shown} of ${seeds}`;
  const lost = daysLost <= 0 ? '' : ` ${capital(counted(daysLost, 'day'))} lost so far.`;
  const first = `A second try after ${number}, ${methodOf(method).nouns.way}: ${came} came.${lost}`;
  if (deadChance === null || deadChance < DEAD_CHANCE) return { text: first, dead: false };
  const instead = otherPacket === null ? 'No other packet of the crop is in the box: buy fresh seed' : `Take ${otherPacket} instead`;
  return {
    text: `${first} ${capital(chanceInWords(deadChance))} that the seed itself is dead: another way will not wake it. ${instead}.`,
    dead: true,
  };
}
