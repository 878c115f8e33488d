import * as z from 'zod';
import { LABEL_KINDS, PAGE_SIZES } from '@fresh-tuck/core/paper';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { PREPARATIONS } from '@fresh-tuck/core/preparing';
import { CLOSURES, DAMPINGS, LIGHTS, MEDIA, METHODS, TARGETS, WETNESSES } from './choices.js';
import { id, localMoment, MOST_PER_POT, number, SEED_LIMIT, text, whole } from './fields.js';

const one = <T extends readonly [string, ...string[]]>(choices: T, what: string) =>
  z.enum(choices, { error: `${what} must be one of ${choices.join(', ')}` });

/** What the gardener fixed of one packet's sentence; what is left out is worked out when it is laid. */
export const lineWords = z.strictObject({
  wanted: whole(1, SEED_LIMIT, 'words.wanted').optional(),
  /** Share of the plants that is worth keeping, where only the best are. */
  keep: number(0.05, 1, 'words.keep', 'as a share').optional(),
  sureness: number(0.5, 0.99, 'words.sureness', 'as a share').optional(),
  seeds: whole(1, SEED_LIMIT, 'words.seeds').optional(),
  method: one(METHODS, 'words.method').optional(),
  medium: one(MEDIA, 'words.medium').optional(),
  damped: one(DAMPINGS, 'words.damped').optional(),
  wet: one(WETNESSES, 'words.wet').optional(),
  light: one(LIGHTS, 'words.light').optional(),
  places: whole(1, SEED_LIMIT, 'words.places').optional(),
  prepared: z.array(z.enum(PREPARATIONS)).max(PREPARATIONS.length).optional(),
  soaked: z.enum(['now', 'before'], { error: 'words.soaked must be now or before' }).optional(),
  soakHours: number(0.5, 96, 'words.soakHours', 'hours').optional(),
  /** Null: no chill, although the crop's page asks for one. */
  chillDays: whole(1, 200, 'words.chillDays').nullable().optional(),
  chilledDays: whole(0, 200, 'words.chilledDays').optional(),
  chillDry: z.boolean({ error: 'words.chillDry must be true or false' }).optional(),
  closure: one(CLOSURES, 'words.closure').optional(),
  /** A bag that stands there already. */
  holderId: id.optional(),
  spotId: id.optional(),
  pane: z
    .strictObject({ widthMm: number(60, 600, 'words.pane.widthMm', 'mm'), heightMm: number(60, 600, 'words.pane.heightMm', 'mm') })
    .optional(),
  destination: one(DESTINATIONS, 'words.destination').optional(),
  rackId: id.optional(),
  school: z.enum(['crop', 'tip', 'short', 'finger'], { error: 'words.school must be crop, tip, short or finger' }).optional(),
  pot: z
    .strictObject({ perPot: whole(1, MOST_PER_POT, 'words.pot.perPot'), keepers: whole(1, MOST_PER_POT, 'words.pot.keepers') })
    .optional(),
  goal: z
    .strictObject({
      kind: z.enum(TARGETS, { error: 'words.goal.kind must be plant_out or ripe' }),
      day: z.iso.date({ error: 'words.goal.day must be a date like 2026-05-20' }),
    })
    .optional(),
});
export type LineWords = z.infer<typeof lineWords>;

const MOST_LINES = 60;
const line = z.strictObject({
  id,
  packetId: id,
  words: lineWords.default({}),
  /** Lines that share a bag or tray name the same one: its id. */
  bag: id.nullable().default(null),
});
const lines = z
  .array(line, { error: 'lines must be a list of packets' })
  .min(1, { error: 'lines must hold at least one packet' })
  .max(MOST_LINES, { error: `lines must hold at most ${MOST_LINES} packets` })
  .refine((all) => new Set(all.map((each) => each.id)).size === all.length, { error: 'lines must have each its own id' });
const described = { name: text(60, 'name').nullable().default(null), at: localMoment('at').nullable().default(null) };

export const sittingRequest = z.strictObject({ id, ...described, lines });
/** The whole list as it is now; what was tucked in stays as it is. */
export const sittingChange = z.strictObject({
  id,
  ...described,
  spent: number(0, 100_000, 'spent', 'of the household’s money').nullable().default(null),
  lines,
  version: whole(0, 1_000_000_000, 'version'),
});
/** Another day for a list, and nothing else of it. */
export const sittingDay = z.strictObject({ id, at: described.at });
export const skipRequest = z.strictObject({ id, skipped: z.boolean({ error: 'skipped must be true or false' }) });
export const endSittingRequest = z.strictObject({ id });

const size = (what: string) => number(5, 400, what, 'mm');
const edge = (what: string) => number(0, 150, what, 'mm');
/** The sheet of stickers that a household has. */
export const labelGrid = z.strictObject({
  page: one(PAGE_SIZES as readonly ['a4', 'letter'], 'stickers.page'),
  columns: whole(1, 20, 'stickers.columns'),
  rows: whole(1, 40, 'stickers.rows'),
  widthMm: size('stickers.widthMm'),
  heightMm: size('stickers.heightMm'),
  leftMm: edge('stickers.leftMm'),
  topMm: edge('stickers.topMm'),
  gapXMm: edge('stickers.gapXMm'),
  gapYMm: edge('stickers.gapYMm'),
});
export const paperRequest = z.strictObject({
  id,
  page: one(PAGE_SIZES as readonly ['a4', 'letter'], 'page'),
  stickers: labelGrid,
});

/** Something that bears a label. */
export const LABELLED = ['line', 'batch', 'seedling', 'packet', 'holder', 'spot'] as const;
export const labelsRequest = z.strictObject({
  kind: one(LABEL_KINDS, 'kind'),
  /** Place of the first label on its sheet: a half-used one is gone on with. */
  from: whole(1, 800, 'from').default(1),
  items: z
    .array(
      z.strictObject({
        kind: one(LABELLED, 'items.kind'),
        /** Its id; of a seedling its number. */
        id: z.string({ error: 'items.id must be text' }).max(60, { error: 'items.id must have at most 60 characters' }),
        /** How many seeds stand on it, where nothing is laid yet. */
        seeds: whole(1, SEED_LIMIT, 'items.seeds').nullable().default(null),
      }),
      { error: 'items must be a list of labels' },
    )
    .min(1, { error: 'items must hold at least one label' })
    .max(400, { error: 'items must hold at most 400 labels' }),
});
const cropId = text(60, 'cropId').nullable().default(null);
/** A sheet to lay seeds by, 1:1; or one for a bed or tray, by its spacing. */
export const templateRequest = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('towel'),
      cropId,
      seeds: whole(1, SEED_LIMIT, 'seeds'),
      widthMm: number(60, 600, 'widthMm', 'mm'),
      heightMm: number(60, 600, 'heightMm', 'mm'),
    }),
    z.strictObject({
      kind: z.literal('bed'),
      cropId,
      widthMm: number(50, 50_000, 'widthMm', 'mm'),
      lengthMm: number(50, 200_000, 'lengthMm', 'mm'),
      inRowMm: number(5, 5000, 'inRowMm', 'mm'),
      rowsMm: number(5, 5000, 'rowsMm', 'mm'),
      staggered: z.boolean({ error: 'staggered must be true or false' }).default(false),
    }),
  ],
  { error: 'kind must be towel or bed' },
);
/** A round on paper for whoever walks it: these batches, or all that live. */
export const roundSheetRequest = z.strictObject({
  batchIds: z.array(id, { error: 'batchIds must be a list of batches' }).max(200, { error: 'batchIds must hold at most 200' }).nullable(),
});

export type SittingRequest = z.input<typeof sittingRequest>;
export type SittingChange = z.input<typeof sittingChange>;
export type SittingDay = z.input<typeof sittingDay>;
export type LabelsRequest = z.input<typeof labelsRequest>;
export type TemplateRequest = z.input<typeof templateRequest>;
export type PaperRequest = z.infer<typeof paperRequest>;
