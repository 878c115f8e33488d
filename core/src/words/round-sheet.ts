import { methodFor } from '../method/index.js';
import type { Report } from '../judging/index.js';
import { readyLength } from '../moving/index.js';
import { waysOf, type ParcelFacts } from '../parcel/index.js';
import { capital, counted, type Words } from '../units/index.js';
import { handlingInWords } from './cautions.js';

/** One parcel as a helper reads it who has never seen it: what was there, what to look for, what to do. */
export interface RoundRowTold {
  readonly last: string;
  readonly look: string;
  readonly act: string;
  readonly counts: string;
  readonly caution: string | null;
}

/**
 * What stands on paper for whoever walks the round: it is right whenever it is read, so
 * that it says what to do with what is found, not what is likely now.
 */
export function roundRowInWords(facts: ParcelFacts, { state, openedMs }: Report, units: 'metric' | 'us', words: Words): RoundRowTold {
  const { crop } = facts;
  const method = methodFor(facts.method, crop);
  const { nouns } = method;
  const seen = state.showing > 0 ? `${counted(state.showing, nouns.event.one, nouns.event.many)} showing` : `no ${nouns.event.one} yet`;
  const looked = facts.looks.length === 0 ? 'not looked at yet' : `last look ${words.moment(openedMs)}`;
  const ready = words.length(readyLength(crop, waysOf(facts).rootSchool));
  const late = words.length(crop.root.lateMm);
  const act =
    method.event === 'tip'
      ? `Leave what is quiet. A root of ${ready} is ready: hold it by the coat, root down, ${words.length(crop.moving.depthMm)} deep, and write down how many. At ${late} it is late: those first.`
      : 'What has come up goes into the light at once, the lid propped. Water when the top turns pale.';
  return {
    last: `${capital(seen)}; ${looked}.`,
    look:
      method.event === 'tip'
        ? `Look for a pale nib at the narrow end. White fuzz that goes when misted is root hair; threads across the ${facts.setup?.medium === 'cloth' ? 'cloth' : 'paper'} are mould. Give it ${words.sprays(facts.doseMl / 4)} if it feels drier than a wrung sponge.`
        : method.seen,
    act,
    counts: nouns.event.many,
    caution: handlingInWords(crop, units)?.text ?? null,
  };
}

/** Stands at the foot of every round on paper. */
export const ROUND_CAUTIONS = [
  'Wash your hands before and after. Sprouts here are for planting, never for eating. Bags are a suffocation risk to small children.',
  'Mould: open the bag outdoors or by a window, do not sniff it, bag it and bin it; who has asthma or a weak immunity leaves it shut. Keep mats, plugs and controllers dry.',
] as const;
