import type { Closure, Damp, Damping, Light, Medium, Wetness } from '../carrier/index.js';
import type { MethodId } from '../method/index.js';
import type { QuietChoice } from '../judging/index.js';
import type { Destination, RootSchool } from '../moving/index.js';
import type { SeedlingStage } from '../nursing/index.js';
import type { ClosingReason, SeedStage, Trouble } from '../parcel/index.js';
import type { PreparationStep } from '../preparing/index.js';
import type { Isolation } from '../seedbox/index.js';
import type { SeedlingClass } from '../seedtest/index.js';

/** Every word for a code, once. Screens, journal, labels and print take them from here. */

/** What one seed shows. */
export const STAGE_WORDS: Readonly<Record<SeedStage, string>> = {
  quiet: 'quiet',
  swollen: 'swollen',
  tip: 'tip',
  root: 'root',
  leaves: 'leaves open',
  rotten: 'rotten',
  lost: 'lost or given',
};

/** What may be wrong. */
export const TROUBLE_WORDS: Readonly<Record<Trouble, string>> = {
  fuzz: 'fuzz',
  threads: 'threads',
  soft_seed: 'soft seed',
  smell: 'a smell',
  too_hot: 'too hot',
  stain: 'a stain',
  green_film: 'a green film',
  drowned: 'under water',
};

/** Why a batch was closed. */
export const REASON_WORDS: Readonly<Record<ClosingReason, string>> = {
  all_moved: 'everything moved',
  set_aside: 'set aside, a late one may still come',
  given_up: 'given up',
  rotten: 'rotten',
  counted: 'the test is counted',
  joined: 'laid along with another batch',
  other: 'another reason',
};

/** How a bag is closed, what follows from it, and what it is then. */
export const CLOSURE_WORDS: Readonly<Record<Closure, { readonly text: string; readonly kind: 'bag' | 'tray'; readonly follows: string }>> =
  {
    sealed_air: { text: 'sealed bag with air', kind: 'bag', follows: 'keeps damp longest and lets seed breathe' },
    sealed_flat: { text: 'bag sealed flat', kind: 'bag', follows: 'keeps damp, takes least room, less air' },
    corner_open: { text: 'bag with a corner open', kind: 'bag', follows: 'dries about twice as fast, less mould' },
    lidded: { text: 'lidded tray', kind: 'tray', follows: 'dries fastest; easy to look into' },
  };

/** What a finger says. */
export const DAMP_WORDS: Readonly<Record<Damp, string>> = { dry: 'dry', drying: 'drying', damp: 'damp', pooling: 'pooling' };

/** What may be done to seed before it is laid: as a thing, and as done. */
export const STEP_WORDS: Readonly<Record<PreparationStep, { readonly thing: string; readonly doing: string; readonly done: string }>> = {
  soak: { thing: 'soak', doing: 'soaking', done: 'soaked first' },
  nick: { thing: 'nick', doing: 'nicking', done: 'nicked first' },
  file: { thing: 'file', doing: 'filing', done: 'filed first' },
  split: { thing: 'split', doing: 'splitting', done: 'split first' },
  peel: { thing: 'peel', doing: 'peeling', done: 'peeled first' },
  inoculate: { thing: 'inoculate', doing: 'inoculating', done: 'inoculated' },
  chill: { thing: 'chill', doing: 'chilling', done: 'chilled first' },
};

/** What it lies on or in: as one chooses it, and as one wets it. */
export const MEDIUM_WORDS: Readonly<Record<Medium, { readonly text: string; readonly wet: string; readonly follows: string }>> = {
  paper: { text: 'kitchen paper', wet: 'the paper', follows: 'read against a lamp, torn away where a root sits' },
  tissue: { text: 'tissue', wet: 'the tissue', follows: 'thin: read best, torn soonest' },
  cloth: { text: 'old cloth', wet: 'the cloth', follows: 'used again; roots lift out; not read unopened' },
  pad: { text: 'cotton pads', wet: 'the pads', follows: 'much water for few seeds; roots hook in' },
  perlite: { text: 'loose perlite', wet: 'perlite', follows: 'nothing to tear; for weeks of chill' },
  vermiculite: { text: 'loose vermiculite', wet: 'vermiculite', follows: 'nothing to tear; holds its water for weeks' },
};
/** With what it is damped, how wet it is, and what light it has. */
export const DAMPED_WORDS: Readonly<Record<Damping, { readonly text: string; readonly follows: string }>> = {
  water: { text: 'plain water', follows: 'nothing to measure, nothing to spill' },
  peroxide: { text: 'a little peroxide in the water', follows: 'sets mould back by about two fifths, by rule of thumb' },
};
export const WET_WORDS: Readonly<Record<Wetness, { readonly text: string; readonly follows: string }>> = {
  wrung: { text: 'wrung-out damp', follows: 'wet enough to drink, air in the paper' },
  free: { text: 'a little free water', follows: 'a quarter more: lasts a hot day, moulds sooner' },
  pool: { text: 'a pool in one corner', follows: 'half as much again: for thirsty seed; what lies in it drowns' },
};
export const LIGHT_WORDS: Readonly<Record<Light, { readonly text: string; readonly follows: string }>> = {
  dark: { text: 'in the dark', follows: 'a dark place never cooks' },
  indirect: { text: 'in indirect light', follows: 'for kinds that wait for it; never direct sun' },
};

/** Ways to start seed, as one chooses them. */
export const METHOD_WORDS: Readonly<Record<MethodId, string>> = {
  towel: 'on a towel',
  water: 'in water until the root shows',
  plug: 'in a plug or cell',
  pod: 'in a soilless slot',
  pellet: 'in a swollen pellet',
  pot: 'in a pot',
  bed: 'in a row of the bed',
  surface: 'on the surface, under a lid',
};

/** Where a sprout can go. */
export const DESTINATION_WORDS: Readonly<Record<Destination, { readonly one: string; readonly many: string }>> = {
  cup: { one: 'cup', many: 'cups' },
  cell: { one: 'cell', many: 'cells' },
  pot: { one: 'pot', many: 'pots' },
  slot: { one: 'soilless slot', many: 'soilless slots' },
  pellet: { one: 'coir pellet', many: 'coir pellets' },
  glass: { one: 'glass of water', many: 'glasses of water' },
  terrarium: { one: 'glass case', many: 'glass cases' },
  plug: { one: 'plug', many: 'plugs' },
  bed: { one: 'bed', many: 'beds' },
};

/** How a test sorts its seedlings. */
export const CLASS_WORDS: Readonly<Record<SeedlingClass, { readonly text: string; readonly hint: string }>> = {
  normal: { text: 'normal', hint: 'sound, moved ones too' },
  abnormal: { text: 'abnormal', hint: 'sprouted, no plant' },
  hard: { text: 'hard', hint: 'has not drunk' },
  fresh: { text: 'fresh', hint: 'firm, waiting' },
  dead: { text: 'dead', hint: 'soft or hollow' },
};

/** At which root sprouts are moved. */
export const ROOT_WORDS: Readonly<Record<RootSchool, { readonly text: string; readonly follows: string }>> = {
  crop: { text: 'at its crop page’s root length', follows: 'as the crop’s page advises' },
  tip: { text: 'at the first tip', follows: '1 to 4 mm: least to break' },
  short: { text: 'at a short root', follows: '5 to 12 mm: proved and still stiff' },
  finger: { text: 'at a finger-wide root', follows: '13 to 20 mm: easier to hold, breaks sooner' },
};

/** What is done with seeds still quiet on moving day. */
export const QUIET_WORDS: Readonly<Record<QuietChoice['school'], string>> = {
  retuck: 're-tuck them',
  plant: 'plant them too',
  stop: 'stop here',
};

/** How a sprout that had rooted into the paper came out. */
export const ROOTED_WORDS = { freed: 'freed damp', patched: 'cut out with the paper', snapped: 'snapped' } as const;

/** Where a seedling is, and what it shows next. */
export const SEEDLING_WORDS: Readonly<Record<SeedlingStage, { readonly title: string; readonly next: string }>> = {
  moved: { title: 'Moved, not up yet', next: 'up' },
  up: { title: 'Up', next: 'seed leaves open' },
  seed_leaves: { title: 'Seed leaves open', next: 'true leaves' },
  true_leaves: { title: 'True leaves', next: 'roots out' },
  roots_out: { title: 'Roots out: pot up', next: 'hardening' },
  hardening: { title: 'Hardening', next: 'planted out' },
  planted_out: { title: 'Planted out', next: 'first ripe, or in flower' },
  ripe: { title: 'First ripe, or in flower', next: 'harvested' },
  harvested: { title: 'Harvested', next: '' },
};

/** How saved seed was kept from other pollen. */
export const ISOLATION_WORDS: Readonly<Record<Isolation, string>> = {
  none: 'not at all: kin flowered near it',
  distance: 'by distance',
  barrier: 'bagged or caged',
  time: 'kin flowered at another time',
  alone: 'no kin grew anywhere near',
};
