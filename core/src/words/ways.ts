import { methodOf, type MethodId, type Unsuited } from '../method/index.js';
import type { Destination } from '../moving/index.js';
import type { Crop } from '../crops/index.js';
import type { Way, WayReason, WayRisk } from '../sowing/index.js';
import { capital, counted, type Words } from '../units/index.js';
import { DESTINATION_WORDS, METHOD_WORDS } from './vocabulary.js';

/** A way as one names it with where it ends: "in a soilless slot", "on a towel, then into a cup". */
export function wayTo({ method, stands }: Pick<Way, 'method' | 'stands'>, destination: Destination): string {
  const way = methodOf(method).nouns.way;
  return stands ? way : `${way}, then ${destination === 'bed' ? 'into the bed' : `into a ${DESTINATION_WORDS[destination].one}`}`;
}

/** Where seed started a way lies, in the plural: "your last 19 in slots". */
const PLACES: Readonly<Record<MethodId, string>> = {
  towel: 'on towels',
  water: 'in water',
  plug: 'in plugs',
  pod: 'in slots',
  pellet: 'in pellets',
  pot: 'in pots',
  bed: 'in the bed',
  surface: 'under a lid',
};

const REASONS: Readonly<Record<Exclude<WayReason, 'records'>, (way: Way, crop: Crop) => string>> = {
  fine: ({ method }) =>
    methodOf(method).event === 'tip' ? 'too fine to lift once it has sprouted' : 'fine as dust: it is best left where it falls',
  shy: ({ method, stands }) =>
    methodOf(method).event === 'tip'
      ? 'its root hates being moved: only at the first nib'
      : stands
        ? 'its root hates being moved, and here it stays'
        : 'its root hates being moved: with all of its mix, before it fills it',
  soilless: () => 'it usually does well straight in a slot',
  soilless_poor: (_, { methods }) =>
    methods.soilless === 'poor' ? 'it often rots or fails straight in a slot' : 'uncertain straight in a slot',
  coat: () => 'a thick coat gains most where you open it and watch',
  chill: (_, { chill }) => `${counted(chill.weeks, 'week')} of cold: many lots fit a fridge in a bag`,
  doubtful: () => 'seed in doubt: only what shows itself takes a place',
  slow: () => 'slow: a bag is cheap to keep warm, a tray is not',
  drowns: (_, { water }) => `most of it takes longer than the ${water.drowningLimitHours} h that it lives under water`,
  proved: () => 'only what has shown itself takes a place',
  simple: () => 'plain and quick to lay',
  stands: () => 'it stays where it comes up: nothing is moved',
};

const RISKS: Readonly<Record<WayRisk, string>> = {
  rot: 'may rot in the wet sponge',
  snag: 'quick roots snag in the paper: look twice a day',
  shy: 'a root that is moved late sulks or dies',
  fine: 'hair-fine roots break in the fingers',
  drowns: 'drowns past its limit',
  dries: 'a surface dries in hours: the lid stays on, out of the sun',
  uncovered: 'birds, slugs, crust and cold soil',
};

/** One way in words: why, what it brings and what it takes. */
export interface WayInWords {
  readonly why: string;
  readonly figures: string;
  readonly risk: string | null;
}

/** A way, with its one reason, its figures and what may go wrong. @param seeds that would be started */
export function wayInWords(way: Way, crop: Crop, seeds: number): WayInWords {
  const { own, reason, plants, days, warmDays, placeDays, minutes, risk, method } = way;
  const records = own ? `your last ${own.seeds} ${PLACES[method]}: ${own.plants} came` : '';
  const said = reason === 'records' ? records : REASONS[reason](way, crop);
  const besides = own && reason !== 'records' ? `; ${records}, too few to outweigh the book` : '';
  const round = (value: number): number => Math.round(value);
  return {
    why: `${capital(said)}${besides}.`,
    figures: [
      `${plants < 10 ? plants.toFixed(1).replace(/\.0$/, '') : round(plants)} of ${seeds} to stand`,
      days === null ? 'not at this warmth' : `${counted(Math.max(round(days), 1), 'day')} until they do`,
      `${counted(Math.max(round(warmDays), 1), 'day')} on the warm board`,
      `${counted(round(placeDays), 'place-day')} in the light`,
      `${round(minutes)} min of hands`,
    ].join(' · '),
    risk: risk && capital(`${RISKS[risk]}.`),
  };
}

/** Why a crop is not started a way at all, and what would be accepted. */
export function unsuitedInWords(unsuited: Unsuited, crop: Pick<Crop, 'name'>, id: MethodId, words: Pick<Words, 'length'>): string {
  const way = METHOD_WORDS[id];
  switch (unsuited.why) {
    case 'hole':
      return `${crop.name} cannot be started ${way}: its seed is ${words.length(unsuited.seedMm)} long, and the hole takes ${words.length(unsuited.mostMm)} at the most. A towel, a pot or the bed takes it.`;
    case 'open':
      return `${crop.name} cannot be started ${way}: seed ${words.length(unsuited.seedMm)} long dries out in the open, ${words.length(unsuited.mostMm)} is the most. It wants to be covered: a towel or a pot.`;
    case 'drowns':
      return `${crop.name} cannot be started ${way}: it takes ${counted(unsuited.days, 'day')} and lives ${unsuited.limitHours} h under water. A soak and then a towel will do.`;
  }
}
