import type { Crop } from '../crops/index.js';

/** Ways to start seed. On a towel and in water the tip itself is seen; elsewhere, what comes up. */
export const METHODS = ['towel', 'water', 'plug', 'pod', 'pellet', 'pot', 'bed', 'surface'] as const;
export type MethodId = (typeof METHODS)[number];

/** What is watched for: the radicle, or a seedling above ground where the seed is out of sight. */
export type WatchedEvent = 'tip' | 'emergence';
/** What lies or stands there, and holds the seed and its water. */
export const CARRIERS = ['towel', 'glass', 'cells', 'slots', 'pellets', 'pots', 'row', 'lid'] as const;
export type CarrierKind = (typeof CARRIERS)[number];
/** What becomes of a sprout that is left: its root is in the paper, it drowns, or it is drawn for want of light. */
export type Lateness = 'in_paper' | 'drowned' | 'drawn';
/** How water is held: dosed once and drying, standing and changed, or watered as the surface dries. */
export type WaterHeld = 'dosed' | 'standing' | 'watered';

/** What things are called where seed is started this way. */
export interface Nouns {
  /** After "started": "on a towel". */
  readonly way: string;
  /** What is wet: "the towel". */
  readonly wet: string;
  /** Where what shows is found: "on the towel". */
  readonly on: string;
  /** What is counted: "tip". */
  readonly event: { readonly one: string; readonly many: string };
  /** Of seeds: "have shown a tip", "have come up". */
  readonly shown: { readonly one: string; readonly many: string };
  /** In the present: "shows", "comes up"; of several what is seen: "show a tip", "come up". */
  readonly shows: string;
  readonly show: string;
  /** What has come: "sprout" or "seedling". */
  readonly young: string;
  /** What is left shut or alone: "Leave it shut". */
  readonly leave: string;
}

/** All that a way of starting seed decides; everything that follows asks here and nowhere else. */
export interface Method {
  readonly id: MethodId;
  readonly event: WatchedEvent;
  readonly carrier: CarrierKind;
  readonly late: Lateness;
  readonly water: WaterHeld;
  /** Share of its water that goes in a day at 25 °C; null where the closure of its bag tells. Rule of thumb, no source. */
  readonly lossPerDayAt25C: number | null;
  /** Whether it lies in a bag that must be opened, and may be read through it. */
  readonly bagged: boolean;
  readonly nouns: Nouns;
  /** What can be seen of it without touching. */
  readonly seen: string;
  /** Stands where the hazard is; null where the method brings none of its own. */
  readonly caution: string | null;
}

const TIP: Pick<Nouns, 'event' | 'shown' | 'shows' | 'show' | 'young'> = {
  event: { one: 'tip', many: 'tips' },
  shown: { one: 'has shown a tip', many: 'have shown a tip' },
  shows: 'shows',
  show: 'show a tip',
  young: 'sprout',
};
const UP: typeof TIP = {
  event: { one: 'seedling', many: 'seedlings' },
  shown: { one: 'has come up', many: 'have come up' },
  shows: 'comes up',
  show: 'come up',
  young: 'seedling',
};
const MIX_CAUTION = 'Damp the mix before you stir it, keep out of its dust, wash your hands: compost can carry Legionella.';

const emerging = (
  id: MethodId,
  carrier: CarrierKind,
  lossPerDayAt25C: number,
  nouns: Pick<Nouns, 'way' | 'wet' | 'on'>,
  seen: string,
  caution: string | null = null,
): Method => ({
  id,
  event: 'emergence',
  carrier,
  late: 'drawn',
  water: 'watered',
  lossPerDayAt25C,
  bagged: false,
  nouns: { ...UP, leave: 'Leave it be', ...nouns },
  seen,
  caution,
});

/** Every method, one entry each; a new one is a line here and a code in the lookup table. */
const BOOK: Readonly<Record<MethodId, Method>> = {
  towel: {
    id: 'towel',
    event: 'tip',
    carrier: 'towel',
    late: 'in_paper',
    water: 'dosed',
    lossPerDayAt25C: null,
    bagged: true,
    nouns: { ...TIP, way: 'on a towel', wet: 'the towel', on: 'on the towel', leave: 'Leave it shut' },
    seen: 'Through the bag against a lamp: pale nibs, fog on the plastic, stains. Paper thicker than one sheet hides them.',
    caution: null,
  },
  water: {
    id: 'water',
    event: 'tip',
    carrier: 'glass',
    late: 'drowned',
    water: 'standing',
    lossPerDayAt25C: 0.05,
    bagged: false,
    nouns: { ...TIP, way: 'in water', wet: 'the water', on: 'in the water', leave: 'Leave it be' },
    seen: 'Roots show through the glass; so does cloud in the water, which asks for a change at once.',
    caution: 'Shallow water, changed every day. Seed that smells sour is not for eating, and neither are these sprouts.',
  },
  plug: emerging(
    'plug',
    'cells',
    0.3,
    { way: 'in a plug', wet: 'the plug', on: 'in the plugs' },
    'The mix lifts and cracks, then a bent neck; mix turning pale is drying.',
    MIX_CAUTION,
  ),
  pod: emerging(
    'pod',
    'slots',
    0.05,
    { way: 'in a soilless slot', wet: 'the sponge', on: 'in the slots' },
    'A pale loop or a green edge in the slit; green on the sponge is algae: shade it.',
  ),
  pellet: emerging(
    'pellet',
    'pellets',
    0.25,
    { way: 'in a pellet', wet: 'the pellet', on: 'in the pellets' },
    'A loop in the hollow; a pellet turning pale is drying.',
  ),
  pot: emerging(
    'pot',
    'pots',
    0.2,
    { way: 'in a pot', wet: 'the mix', on: 'in the pot' },
    'The mix lifts and cracks, then a bent neck; lift the pot: a light one is dry.',
    MIX_CAUTION,
  ),
  bed: emerging(
    'bed',
    'row',
    0.3,
    { way: 'in the bed', wet: 'the soil', on: 'in the row' },
    'A crack along the row, then necks; a crust is broken gently, with water.',
  ),
  surface: emerging(
    'surface',
    'lid',
    0.16,
    { way: 'on the surface, under a lid', wet: 'the surface', on: 'under the lid' },
    'Through the lid: specks of green, fog on the inside. Clear glass means it is drying.',
    MIX_CAUTION,
  ),
};

/** What shows first of dust-fine seed that lies on the surface: a speck of green. */
const SPECK: typeof TIP = {
  event: { one: 'green speck', many: 'green specks' },
  shown: { one: 'has shown green', many: 'have shown green' },
  shows: 'shows',
  show: 'show green',
  young: 'seedling',
};

/** A method as it is spoken of for a crop: what shows first of dust-fine seed is a green speck. @throws RangeError for a code that is no method */
export function methodFor(id: string, { moving: { firstSign } }: Pick<Crop, 'moving'>): Method {
  const method = methodOf(id);
  return method.event === 'emergence' && firstSign === 'green_speck' ? { ...method, nouns: { ...method.nouns, ...SPECK } } : method;
}

/** @throws RangeError for a code that is no method */
export function methodOf(id: string): Method {
  const found = (BOOK as Readonly<Record<string, Method>>)[id];
  if (!found) throw new RangeError(`method: "${id}" is none of ${METHODS.join(', ')}`);
  return found;
}
