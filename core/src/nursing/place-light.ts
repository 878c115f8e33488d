import { MOL_PER_HOUR, openLight, type Latitude } from './daylight.js';

/** Which way a window looks, whatever the hemisphere. */
export const FACINGS = ['noon', 'side', 'away'] as const;
export type Facing = (typeof FACINGS)[number];
export const GLAZINGS = ['one', 'two', 'coated', 'three'] as const;
export type Glazing = (typeof GLAZINGS)[number];
/** How daylight gets to a place: through a window, through a roof, freely, or not at all. */
export const DAYLIT = ['window', 'roof', 'open', 'dark'] as const;
export type Daylit = (typeof DAYLIT)[number];
export const LAMP_KINDS = ['tube', 'white', 'bulb'] as const;
export type LampKind = (typeof LAMP_KINDS)[number];

/** A lamp as it hangs. */
export interface Lamp {
  readonly kind: LampKind;
  /** What reaches a level leaf at `gapCm` under it, µmol per m² and s. */
  readonly micromol: number;
  /** From the lamp to the leaves it was measured at, cm. */
  readonly gapCm: number;
  /** Of its plate, W; null where nobody says. */
  readonly watts: number | null;
}

/** How light gets to a place. */
export interface PlaceLight {
  readonly daylit: Daylit;
  readonly facing: Facing;
  readonly glazing: Glazing;
  /** From the pane into the room, m: 0, half or one. */
  readonly metresIn: 0 | 0.5 | 1;
  /** A house or tree fills half the window's sky. */
  readonly opposite: boolean;
  readonly lamp: Lamp | null;
}

/** A stretch of a share or a sum: what it may be, eight times in ten. */
export interface Stretch {
  readonly low: number;
  readonly high: number;
}

/** Share of the open ground's light on a level sill just behind two clean panes, by season. Rule of thumb, no source; see reference/daily_light_mol.csv. */
const SILL: Readonly<Record<Facing, { readonly winter: Stretch; readonly between: Stretch; readonly summer: Stretch }>> = {
  noon: { winter: { low: 0.3, high: 0.6 }, between: { low: 0.3, high: 0.5 }, summer: { low: 0.2, high: 0.35 } },
  side: { winter: { low: 0.15, high: 0.3 }, between: { low: 0.2, high: 0.35 }, summer: { low: 0.2, high: 0.35 } },
  away: { winter: { low: 0.1, high: 0.25 }, between: { low: 0.08, high: 0.2 }, summer: { low: 0.08, high: 0.18 } },
};
/** Share that glass passes straight on (building physics tables, from memory), and against two panes, for which the sill's shares hold. */
const GLASS: Readonly<Record<Glazing, Stretch>> = {
  one: { low: 0.86, high: 0.9 },
  two: { low: 0.76, high: 0.82 },
  coated: { low: 0.68, high: 0.8 },
  three: { low: 0.6, high: 0.74 },
};
/** Into the room, and with half the sky built up, times the sill's share. Rule of thumb, no source. */
const INTO_ROOM: Readonly<Record<PlaceLight['metresIn'], Stretch>> = {
  0: { low: 1, high: 1 },
  0.5: { low: 0.3, high: 0.6 },
  1: { low: 0.15, high: 0.35 },
};
const OPPOSITE: Stretch = { low: 0.4, high: 0.7 };
/** A greenhouse, porch or cold frame as built, inside over outside (extension bulletins, from memory). */
const ROOF: Stretch = { low: 0.4, high: 0.7 };
/** A clear lid over the tray; misted over it passes least. Common practice, no source. */
export const LID: Stretch = { low: 0.75, high: 0.9 };
/** Sd of the log of a day's light for what cloud does to one day, as a stretch of eight in ten. Guess. */
const CLOUD: Stretch = { low: 0.6, high: 1.5 };

/** A product of shares whose errors do not go together: their logs' stretches add as squares. */
export function product(factors: readonly Stretch[]): Stretch & { readonly usual: number } {
  const middle = factors.reduce((sum, { low, high }) => sum + (Math.log(low) + Math.log(high)) / 2, 0);
  const half = Math.hypot(...factors.map(({ low, high }) => (Math.log(high) - Math.log(low)) / 2));
  return { low: Math.exp(middle - half), usual: Math.exp(middle), high: Math.exp(middle + half) };
}

/** The sun's season where the household lies: by how high it stands at noon. */
function seasonAt({ latitude }: Latitude, ms: number): 'winter' | 'between' | 'summer' {
  const month = new Date(ms).getUTCMonth() + (latitude < 0 ? 6 : 0);
  const ofYear = month % 12;
  if (ofYear <= 1 || ofYear >= 10) return 'winter';
  return ofYear >= 4 && ofYear <= 7 ? 'summer' : 'between';
}

const over = ({ low, high }: Stretch, by: Stretch): Stretch => {
  const middle = Math.sqrt(by.low * by.high);
  return { low: low / middle, high: high / middle };
};

/** Share of the open ground's light that reaches a place by day, with its stretch; 0 where it is dark. */
export function daylightShare(place: PlaceLight, where: Latitude, ms: number): Stretch & { readonly usual: number } {
  if (place.daylit === 'dark') return { low: 0, usual: 0, high: 0 };
  if (place.daylit === 'open') return { low: 1, usual: 1, high: 1 };
  if (place.daylit === 'roof') return product([ROOF]);
  const sill = SILL[place.facing][seasonAt(where, ms)];
  const glass = place.glazing === 'two' ? [] : [over(GLASS[place.glazing], GLASS.two)];
  return product([sill, ...glass, INTO_ROOM[place.metresIn], ...(place.opposite ? [OPPOSITE] : [])]);
}

/** Daylight of a day at a place, mol per m². @param covered whether a lid is over the tray */
export function daylightAt(
  place: PlaceLight,
  where: Latitude,
  ms: number,
  { sunshine, covered = false }: { readonly sunshine: number; readonly covered?: boolean },
): Stretch & { readonly usual: number } {
  const share = daylightShare(place, where, ms);
  if (share.usual === 0) return share;
  const open = openLight(where, ms, sunshine);
  return product([{ low: share.low * open, high: share.high * open }, CLOUD, ...(covered ? [LID] : [])]);
}

/** How light falls off under a lamp: a tube's by the distance, a small bright one's by its square, a board of diodes between. Geometry; the board's is a guess. */
const FALLS: Readonly<Record<LampKind, number>> = { tube: 1, white: 1.4, bulb: 2 };
/** From lamp to leaves: no nearer than this scorches nobody, cm. Common practice, no source; the maker's own word comes first. */
export const LEAST_GAP_CM: Readonly<Record<LampKind, number>> = { tube: 5, white: 20, bulb: 30 };

/** µmol per m² and s at leaves so far under a lamp; no nearer than half of where it was measured is trusted. @param gapCm above 0 */
export const lampAt = ({ kind, micromol, gapCm: measured }: Lamp, gapCm: number): number =>
  micromol * (measured / Math.max(gapCm, measured / 2)) ** FALLS[kind];

/** Lux for each µmol per m² and s: of the sun 54 and cool white tubes 74 (Thimijan and Heins, HortScience 18, 1983), of white diodes 63 to 75 (common practice, no source). Lamps of red and blue cannot be read in lux. */
export const LUX_PER_MICROMOL = { sun: 54, tube: 74, white: 69 } as const;

/** No plant is lit longer than this, h: a dark night is rest. Common practice, no source. */
export const MOST_LIT_HOURS = 18;

/** What a lamp is to do beside the day. */
export interface LampPlan {
  /** Hours that it burns, 0 to what is left of {@link MOST_LIT_HOURS} after dusk; along with the day where that is not enough. */
  readonly hours: number;
  /** Of these, how many must fall into the day, because night is to stay night. */
  readonly byDay: number;
  /** mol per m² and day that it brings. */
  readonly brings: number;
  /** mol per m² and day that are missing still. */
  readonly short: number;
}

/**
 * Hours of lamp that make up what daylight leaves short: the sum wanted less daylight, over what
 * the lamp gives in an hour (worked example: 300 µmol for 12 h are 12.96 mol).
 *
 * @param wanted mol per m² and day; @param daylight of the day; @param dayHours from sunrise to sunset, 0 where it is dark
 */
export function lampPlan(wanted: number, daylight: number, lampMicromol: number, dayHours: number): LampPlan {
  const missing = Math.max(wanted - daylight, 0);
  const hourly = lampMicromol * MOL_PER_HOUR;
  if (missing === 0 || hourly <= 0) return { hours: 0, byDay: 0, brings: 0, short: missing };
  const hours = Math.min(Math.ceil((missing / hourly) * 4 - 1e-9) / 4, MOST_LIT_HOURS);
  const afterDusk = Math.max(MOST_LIT_HOURS - dayHours, 0);
  const brings = hours * hourly;
  return { hours, byDay: Math.max(hours - afterDusk, 0), brings, short: Math.max(missing - brings, 0) };
}
