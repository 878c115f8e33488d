import * as z from 'zod';
import { DRYNESSES, STORES, type Dryness, type Store } from '@fresh-tuck/core/seedbox';
import { ISOLATIONS } from './choices.js';
import { id, localMoment, number, text, whole } from './fields.js';

const stores = Object.keys(STORES) as [Store, ...Store[]];
const drynesses = Object.keys(DRYNESSES) as [Dryness, ...Dryness[]];

/** What a packet is; how many it holds is counted apart. */
const described = {
  cropId: text(60, 'cropId'),
  variety: text(80, 'variety'),
  year: whole(1950, 2100, 'year').nullable(),
  source: text(80, 'source').nullable(),
  printedRatePercent: number(1, 100, 'printedRatePercent', '%').nullable(),
  printedDays: z
    .tuple([number(1, 365, 'printedDays', 'days'), number(1, 365, 'printedDays', 'days')], {
      error: 'printedDays must be two numbers of days, the lower first',
    })
    .refine(([low, high]) => low <= high, { error: 'printedDays must be two numbers of days, the lower first' })
    .nullable()
    .default(null),
  dressed: z.boolean({ error: 'dressed must be true or false' }),
  trait: text(120, 'trait').nullable().default(null),
  /** Generations that it was saved here, 1 for the first. */
  generation: whole(1, 50, 'generation').nullable().default(null),
  /** Packets that its parents grew from; the mother bore the seed. */
  motherId: id.nullable().default(null),
  fatherId: id.nullable().default(null),
  /** How it was kept from other pollen, and how far from its kin. */
  isolation: z
    .enum(ISOLATIONS, { error: `isolation must be one of ${ISOLATIONS.join(', ')}` })
    .nullable()
    .default(null),
  isolationM: number(0, 20_000, 'isolationM', 'm').nullable().default(null),
  storage: z
    .strictObject({
      place: z.enum(stores, { error: `storage.place must be one of ${stores.join(', ')}` }).nullable(),
      celsius: number(-40, 50, 'storage.celsius', '°C').nullable(),
      dryness: z.enum(drynesses, { error: `storage.dryness must be one of ${drynesses.join(', ')}` }).nullable(),
    })
    .default({ place: null, celsius: null, dryness: null }),
  /** Its own count of seeds to a gram, where it was counted or printed. */
  seedsPerGram: number(0.05, 100_000, 'seedsPerGram', 'seeds').nullable().default(null),
  /** What else its label or a list says. */
  note: text(500, 'note').nullable().default(null),
  /** What it cost, in the household's money. */
  price: number(0, 10_000, 'price', 'of the household’s money').nullable().default(null),
} as const;

const seedCount = whole(0, 100_000, 'seedCount').nullable();
const grams = number(0, 10_000, 'grams', 'g').nullable().default(null);

export const packetRequest = z.strictObject({ id, ...described, seedCount, grams });
/** What is known of a packet, corrected. */
export const packetChange = z.strictObject({ id, ...described, version: whole(0, 1_000_000_000, 'version') });
/** Seed of which nobody knows any more which of these packets it is from; none named is any packet of the box. */
export const muddleRequest = z.strictObject({
  id,
  packetIds: z
    .array(id, { error: 'packetIds must be a list of packets' })
    .max(40, { error: 'packetIds must name at most 40 packets' })
    .refine((all) => all.length !== 1 && new Set(all).size === all.length, {
      error: 'packetIds must name two packets or more, each once; or none, where it is quite unknown',
    }),
});
export type MuddleRequest = z.infer<typeof muddleRequest>;
/** Counted or weighed anew; none left is used up. */
export const packetCountRequest = z
  .strictObject({ id, seeds: whole(0, 100_000, 'seeds').nullable(), grams, at: localMoment('at').nullable().default(null) })
  .refine(({ seeds, grams: weight }) => (seeds === null) !== (weight === null), {
    error: 'seeds or grams must be given, and not both',
    path: ['seeds'],
  });
/** A packet of a table that is in the box already, as the table has it; a count where the table has one. */
const importedChange = z.strictObject({ packetId: id, version: whole(0, 1_000_000_000, 'version'), ...described, seedCount, grams });
/** A box of packets at once: all of them, or none. */
const rowsOf = <T extends z.ZodType>(row: T) =>
  z.array(row, { error: 'packets must be a list of packets' }).max(1000, { error: 'packets must name at most 1000 packets at once' });
const changesOf = <T extends z.ZodType>(row: T) =>
  z
    .array(row, { error: 'changes must be a list of packets' })
    .max(1000, { error: 'changes must name at most 1000 packets at once' })
    .default([]);
const SOMETHING = { error: 'packets must name at least one packet', path: ['packets'] };
const something = ({ packets, changes }: { readonly packets: readonly unknown[]; readonly changes: readonly unknown[] }): boolean =>
  packets.length + changes.length > 0;
export const packetImport = z
  .strictObject({ id, packets: rowsOf(packetRequest), changes: changesOf(importedChange) })
  .refine(something, SOMETHING);
/** The same before its rows are read: a thousand of them are read a stretch at a time. */
export const packetImportFrame = z
  .strictObject({ id, packets: rowsOf(z.unknown()), changes: changesOf(z.unknown()) })
  .refine(something, SOMETHING);
export const packetImportChange = importedChange;
/** Rows of a table, to be known again. */
export const matchesQuery = z.strictObject({
  rows: z
    .array(
      z.strictObject({
        cropId: text(60, 'rows.cropId'),
        variety: text(80, 'rows.variety'),
        year: whole(1950, 2100, 'rows.year').nullable(),
        source: text(80, 'rows.source').nullable(),
      }),
      { error: 'rows must be a list of packets' },
    )
    .max(1000, { error: 'rows must name at most 1000 packets at once' }),
});

/** What a client sends: a default may be left out. */
export type PacketRequest = z.input<typeof packetRequest>;
export type PacketChange = z.input<typeof packetChange>;
export type PacketCountRequest = z.input<typeof packetCountRequest>;
export type MatchesQuery = z.input<typeof matchesQuery>;
export type PacketImport = z.input<typeof packetImport>;
