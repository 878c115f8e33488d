import { SEEDLING_STAGES } from '@fresh-tuck/core/nursing';

/** The codes that a gardener chooses from; free of any library, so that the first load can hold them. */
export { CLOSURES, DAMPINGS, DAMPS, LIGHTS, MEDIA, WETNESSES } from '@fresh-tuck/core/carrier';
export { CARRIERS, METHODS, type MethodId } from '@fresh-tuck/core/method';
export { CLOSING_REASONS } from '@fresh-tuck/core/parcel';
export { SEEDLING_STAGES } from '@fresh-tuck/core/nursing';
export { PREPARATIONS } from '@fresh-tuck/core/preparing';
export const VIAS = ['opened', 'through', 'skipped'] as const;
export const UNIT_SYSTEMS = ['metric', 'us'] as const;
/** Where a soil's temperature comes from: read in it, or the air's mean of the last days. */
export const SOIL_SOURCES = ['soil', 'air'] as const;
/** What may be said of a seedling. */
export const SEEDLING_EVENTS = [
  'stage',
  'lost',
  'given',
  'composted',
  'potted',
  'together',
  'slotted',
  'graded',
  'role',
  'trait',
  'pictured',
  'undo',
] as const;
/** What may become of a seedling that stands no longer. */
export const PARTINGS = ['lost', 'given', 'composted'] as const;
export type Parting = (typeof PARTINGS)[number];
/** What a seedling is kept as. */
export const ROLES = ['main', 'spare', 'pollen'] as const;
export type Role = (typeof ROLES)[number];
/** What is done for seedlings that stand together. */
export const CARES = ['place', 'cover', 'water', 'feed', 'seen', 'carried', 'air', 'support', 'net'] as const;
export type Care = (typeof CARES)[number];
export { COVERS, WATERINGS } from '@fresh-tuck/core/nursing';
/** Kinds of line in a batch's journal. */
export const ENTRY_KINDS = ['look', 'move', 'recount', 'close', 'undo', 'correct', 'amend', 'untuck'] as const;
/** Lines of its bag's that stand in a batch's journal too. */
export const BAG_LINES = ['place', 'closure', 'rebag', 'weighing', 'spell'] as const;
export const HOLDER_KINDS = ['bag', 'tub', 'tray'] as const;

/** How a batch follows another: begun again, or split off from it. */
export const LINK_KINDS = ['restart', 'split'] as const;
/** What a batch is for: plants, or to learn how many of a packet live. */
export const PURPOSES = ['plants', 'test'] as const;
/** Why a copy of the household was made. */
export const COPY_KINDS = ['daily', 'by_hand', 'before_restore', 'brought'] as const;
/** The box's dividers, in the order in which they ask for something. */
export const DIVIDERS = ['test_first', 'use_up', 'short', 'fine', 'empty'] as const;
export type Divider = (typeof DIVIDERS)[number];
/** Groups of the Nursery: its stages, and what is lost or given. */
export const NURSERY_GROUPS = [...SEEDLING_STAGES, 'gone'] as const;
export type NurseryGroup = (typeof NURSERY_GROUPS)[number];
/** How saved seed was kept from other pollen. */
export { ISOLATIONS } from '@fresh-tuck/core/seedbox';
/** What a start is counted back from. */
export const TARGETS = ['plant_out', 'ripe'] as const;

/** Kinds of place with what they are usually like, °C. Common practice, no source. */
export const PLACE_KINDS = {
  mat: { label: 'Heat mat with thermostat', minC: 24, maxC: 28 },
  heater: { label: 'Above or by a water heater', minC: 23, maxC: 29 },
  fridge_top: { label: 'Top of a fridge', minC: 21, maxC: 26 },
  cupboard: { label: 'Warm cupboard', minC: 20, maxC: 25 },
  room: { label: 'Room', minC: 17, maxC: 22 },
  sill: { label: 'Windowsill', minC: 14, maxC: 24 },
  plot: { label: 'Bed outdoors', minC: 7, maxC: 17 },
  cool_room: { label: 'Cool room or porch', minC: 10, maxC: 17 },
  fridge: { label: 'Fridge', minC: 3, maxC: 6 },
} as const;
export type PlaceKind = keyof typeof PLACE_KINDS;

/** Batches begun no further apart than this lie together as one start, ms. */
export const ONE_START_MS = 36 * 3_600_000;

/** What may come over a warm spot. */
export const OCCURRENCE_KINDS = ['warm', 'cold', 'sunny', 'power_cut', 'thermostat_off', 'lid_off'] as const;
