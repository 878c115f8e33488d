import * as z from 'zod';
import { DAMPINGS, MEDIA, WETNESSES } from './laid.js';

const preparationStep = z.enum(['soak', 'nick', 'file', 'split', 'peel', 'chill', 'inoculate']);

/** What a plant is given to hold on to. */
export const SUPPORTS = ['twigs', 'strings', 'poles', 'trellis', 'stakes'] as const;
/** What is kept off it by a net. */
export const NETS = ['birds', 'insects'] as const;

/**
 * The shape of one crop entry (one JSON file each beside this one). Every group
 * of figures names where it comes from and how far it can be trusted; the
 * confidence widens the forecast, so that a guess never looks sure.
 */
const confidence = z.enum(['high', 'med', 'low']);
const sourced = { source: z.string().min(3), confidence };
const share = z.number().gt(0).lte(1);
const positive = z.number().gt(0);
const range = z.tuple([z.number(), z.number()]);

export const cropSchema = z
  .strictObject({
    id: z.string().regex(/^[a-z][a-z0-9-]*$/),
    name: z.string().min(2),
    otherNames: z.array(z.string()),
    latin: z.string(),
    family: z.string(),
    seed: z.strictObject({ gramsPerThousand: positive, lengthMm: positive, perUnit: positive, ...sourced }),
    temperature: z.strictObject({
      /** Base of the straight-line response, the figure shown to people. */
      tentBaseC: z.number(),
      /** Parameters of the Yan and Hunt beta curve; its base is no physiology. */
      beta: z.strictObject({ baseC: z.number(), optimumC: z.number(), ceilingC: z.number() }),
      /** Share of the living that come by temperature, °C and share, with whose it is; null where nobody knows. */
      share: z.strictObject({ values: z.array(z.tuple([z.number(), z.number().min(0).max(1)])).min(2), ...sourced }).nullable(),
      /** Above this heat kills; never the curve's ceiling. */
      injuryC: z.number(),
      ...sourced,
    }),
    days: z.strictObject({
      /** Median days from tucking in to the first visible tip at the optimum. */
      tipAtOptimum: positive,
      tipRange: range,
      /** Further days at the optimum from the tip until something shows above ground. */
      tipToEmergence: positive,
      /** Sd of log progress within a lot. */
      logSpread: positive,
      ...sourced,
    }),
    root: z.strictObject({
      mmPerDayAtOptimum: positive,
      readyMm: positive,
      lateMm: positive,
      /** 0 moves well, 1 with care, 2 hates it. */
      shy: z.number().int().min(0).max(2),
      ...sourced,
    }),
    viability: z.strictObject({ share, storageYears: positive, ...sourced }),
    chill: z.strictObject({
      /** Weeks that are prescribed: enough for nearly all of a lot. */
      weeks: z.number().min(0),
      celsius: z.number(),
      /** Cold that counts in full; it counts for less a little beyond, and for nothing where it is warm. */
      fromC: z.number(),
      toC: z.number(),
      /** Share of the living that comes without. */
      needNone: share.or(z.literal(0)),
      /** Weeks of damp warmth that must go before the cold. */
      warmWeeks: z.number().min(0),
      ...sourced,
    }),
    coat: z.strictObject({
      /** Share of seed left as it is whose coat lets water in late. */
      hardShare: z.number().min(0).lt(1),
      /** Its median is so many times as long where the coat, husk or stone is left whole. */
      wholeFactor: z.number().min(1),
      /** And so many times where the soak is left out. */
      dryFactor: z.number().min(1),
      ...sourced,
    }),
    water: z.strictObject({
      /** Grams of water to a gram of dry paper. */
      dampRatio: positive,
      soakHours: range,
      drowningLimitHours: positive,
      ...sourced,
    }),
    preparation: z.strictObject({
      steps: z.array(preparationStep),
      /** Steps among these for some of its seed only, or by choice: offered, and done where the text says so. */
      sometimes: z.array(preparationStep).optional(),
      text: z.string(),
      ...sourced,
    }),
    /** How it is laid, where the kind asks for it; else as the household does. */
    laid: z.strictObject({
      medium: z.enum(['house', ...MEDIA]),
      damped: z.enum(['house', ...DAMPINGS]),
      wet: z.enum(['house', ...WETNESSES]),
      ...sourced,
    }),
    moving: z.strictObject({
      depthMm: z.number().min(0),
      surfaceSown: z.boolean(),
      pot: z.string(),
      mix: z.string(),
      firstSign: z.enum(['white_nib', 'green_speck']),
      note: z.string(),
      ...sourced,
    }),
    growing: z.strictObject({
      light: z.enum(['dark', 'needs_light', 'indifferent']),
      keepMoist: z.enum(['always', 'dry_between']),
      hardiness: z.enum(['hardy', 'half_hardy', 'tender']),
      /** Weeks before the last spring frost at which to start; null for what is not planted out by it. */
      startWeeksBeforeFrost: range.nullable(),
      /** Weeks after (or, negative, before) the last spring frost at which to plant out. */
      plantOutWeeksAfterFrost: range.nullable(),
      minSoilC: z.number().nullable(),
      harvestDaysAfterPlantingOut: range.nullable(),
      spacingCm: z.strictObject({ inRow: positive, rows: positive }).nullable(),
      daysToTrueLeaf: positive,
      isolationM: z.number().min(0).nullable(),
      /** What it climbs or leans on, put in on the day it is planted: common practice, no source; left out where it stands by itself. */
      support: z.enum(SUPPORTS).optional(),
      /** What a net keeps off it from planting day on: common practice, no source; left out where none is usual. */
      net: z.enum(NETS).optional(),
      ...sourced,
    }),
    methods: z.strictObject({
      soilless: z.enum(['fine', 'uncertain', 'poor']),
      /** 0 seldom moulds, 2 often. */
      mouldProne: z.number().int().min(0).max(2),
      towel: z.string(),
      ...sourced,
    }),
    hazards: z.strictObject({
      /** What is dangerous, empty where nothing is known. */
      text: z.string(),
      /** What in the seed itself wants care when it is handled. */
      care: z.array(z.enum(['poisonous', 'burns'])),
      /** Where it is regulated or a weed, empty where nothing is known. */
      regulated: z.string(),
      ...sourced,
    }),
  })
  .readonly();

export type Crop = z.infer<typeof cropSchema>;
