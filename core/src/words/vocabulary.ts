import type { Closure, Damp } from '../carrier/index.js';
import type { MethodId } from '../method/index.js';
import type { Destination } from '../moving/index.js';
import type { ClosingReason, SeedStage, Trouble } from '../parcel/index.js';
import type { PreparationStep } from '../preparing/index.js';
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

/** What may be wrong, in the journal's short form and as it is asked. */
export const TROUBLE_WORDS: Readonly<Record<Trouble, { readonly noted: string; readonly asked: string }>> = {
  fuzz: { noted: 'fuzz', asked: 'White fuzz' },
  threads: { noted: 'threads', asked: 'Threads, mould' },
  soft_seed: { noted: 'soft seed', asked: 'Soft seed' },
  smell: { noted: 'a smell', asked: 'It smells' },
  too_hot: { noted: 'too hot', asked: 'Too hot' },
  stain: { noted: 'a stain', asked: 'A stain' },
  green_film: { noted: 'a green film', asked: 'Green film' },
  drowned: { noted: 'under water', asked: 'It was under water' },
};

/** Why a batch was closed. */
export const REASON_WORDS: Readonly<Record<ClosingReason, string>> = {
  all_moved: 'everything moved',
  given_up: 'given up',
  rotten: 'rotten',
  other: 'another reason',
};

/** How a bag is closed. */
export const CLOSURE_WORDS: Readonly<Record<Closure, string>> = {
  sealed_air: 'sealed with a pocket of air',
  sealed_flat: 'sealed flat',
  corner_open: 'with a corner open',
  lidded: 'in a lidded tray',
};

/** What a finger says. */
export const DAMP_WORDS: Readonly<Record<Damp, string>> = { dry: 'dry', drying: 'drying', damp: 'damp', pooling: 'pooling' };

/** What may be done to seed before it is laid: as a thing, and as done. */
export const STEP_WORDS: Readonly<Record<PreparationStep, { readonly thing: string; readonly done: string }>> = {
  soak: { thing: 'soak', done: 'soaked first' },
  nick: { thing: 'nick', done: 'nicked first' },
  file: { thing: 'file', done: 'filed first' },
  split: { thing: 'split', done: 'split first' },
  peel: { thing: 'peel', done: 'peeled first' },
  inoculate: { thing: 'inoculant', done: 'inoculated' },
  chill: { thing: 'chill', done: 'chilled first' },
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
  terrarium: { one: 'terrarium', many: 'terrariums' },
  plug: { one: 'plug', many: 'plugs' },
  bed: { one: 'bed', many: 'beds' },
};

/** How a test sorts its seedlings. */
export const CLASS_WORDS: Readonly<Record<SeedlingClass, string>> = {
  normal: 'normal',
  abnormal: 'abnormal',
  hard: 'hard',
  fresh: 'fresh',
  dead: 'dead',
};
