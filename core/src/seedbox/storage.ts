/** Where seed is kept, with what such a place is usually like, °C. Common practice, no source. */
export const STORES = {
  freezer: { label: 'freezer', celsius: -18 },
  fridge: { label: 'fridge', celsius: 5 },
  cellar: { label: 'cellar or cold porch', celsius: 12 },
  room: { label: 'drawer or box in a room', celsius: 20 },
  shed: { label: 'shed, loft or kitchen', celsius: 25 },
} as const;
export type Store = keyof typeof STORES;

/** How dry it is kept, with the moisture that seed settles at there, % of its fresh weight. Common practice, no source. */
export const DRYNESSES = {
  sealed: { label: 'sealed with a drying agent', moisture: 6 },
  dry: { label: 'dry, in paper', moisture: 8 },
  damp: { label: 'where the air is damp', moisture: 11 },
} as const;
export type Dryness = keyof typeof DRYNESSES;

/** How a packet is stored; null where nobody has said. */
export interface Storage {
  readonly place: Store | null;
  /** Its own thermometer, °C, where there is one. */
  readonly celsius: number | null;
  readonly dryness: Dryness | null;
}

/** The tabled storage life is taken to be that of a dry drawer in a room. Guess. */
const USUAL = { celsius: STORES.room.celsius, moisture: DRYNESSES.dry.moisture } as const;
/** The rule was drawn up for 0 to 50 °C. */
const RULE_C = [0, 50] as const;
/** Beyond these it is not trusted: seed ages by other ways too. Guess. */
const SLOWEST = 0.15;
const FASTEST = 6;

/**
 * How many years a year in store ages seed, against a dry drawer in a room: storage
 * life halves with each 5 °C more and with each 1 % more seed moisture (J. F.
 * Harrington, "Seed storage and longevity", 1972, from memory), held between
 * 0.15 and 6.
 */
export function ageingPace({ place, celsius, dryness }: Storage): number {
  const warmth = celsius ?? (place === null ? USUAL.celsius : STORES[place].celsius);
  const held = Math.min(Math.max(warmth, RULE_C[0]), RULE_C[1]);
  const moisture = dryness === null ? USUAL.moisture : DRYNESSES[dryness].moisture;
  const pace = 2 ** ((held - USUAL.celsius) / 5) * 2 ** (moisture - USUAL.moisture);
  return Math.min(Math.max(pace, SLOWEST), FASTEST);
}

/** Whether the rule does not hold: frozen seed that is not dry is killed by ice. Common practice, no source. */
export const freezesWet = ({ place, celsius, dryness }: Storage): boolean =>
  (celsius ?? (place === null ? 0 : STORES[place].celsius)) < 0 && dryness === 'damp';
