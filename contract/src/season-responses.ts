import * as z from 'zod';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { CHAIN_STAGES, ROOM_KINDS, type FitQuestion } from '@fresh-tuck/core/season';
import { METHODS } from './choices.js';
import { wishWords } from './season-requests.js';

const day = z.number();
const frostDates = z.object({
  at10: day.nullable(),
  at50: day.nullable(),
  at90: day.nullable(),
  years: z.number(),
  none: z.number(),
});
const saidFrost = z.object({ monthDay: z.string(), giveDays: z.number() });

/** Frost as the household counts it, with the season's dates. */
export const seasonFrost = z.object({
  /** A station's record, days that were said, a guess, or nothing. */
  source: z.enum(['record', 'said', 'guess', 'none']),
  autumnGuessed: z.boolean(),
  spring: frostDates.nullable(),
  autumn: frostDates.nullable(),
  said: z.object({ spring: saidFrost.nullable(), autumn: saidFrost.nullable() }),
  thresholdC: z.number(),
  shelterK: z.number(),
  record: z.object({ id: z.string(), name: z.string(), from: z.number(), to: z.number() }).nullable(),
  /** The last word about it, to be taken back; null where there is none. */
  wordId: z.string().nullable(),
  inWords: z.string(),
});

const stageDays = z.object({ stage: z.enum(CHAIN_STAGES), at10: day, at50: day, at90: day });

/** A lot of the season: what is wished, and what becomes of it. */
export const seasonLot = z.object({
  wishId: z.string(),
  words: wishWords,
  cropName: z.string(),
  variety: z.string().nullable(),
  title: z.string(),
  /** What ripens, for its drawing: fruit, pod, head, root, leaf or flower. */
  yields: z.string(),
  /** The packet that it is taken from, chosen or the newest of the crop; null where it has to be bought. */
  packetId: z.string().nullable(),
  spotId: z.string().nullable(),
  litId: z.string().nullable(),
  method: z.enum(METHODS),
  destination: z.enum(DESTINATIONS),
  state: z.enum(['planned', 'started', 'nursed', 'out', 'ripe']),
  batchId: z.string().nullable(),
  batchNumber: z.number().nullable(),
  /** Seeds to start for the plants that are wished; null where nobody can say. */
  seeds: z.number().nullable(),
  start: day,
  /** Its days are counted from here: one that should have been started already, from today. */
  countedFrom: day,
  /** Never begun, and from today hardly ever in time. */
  over: z.boolean(),
  /** The stretch in which a start is sensible; null on a side that has no end. */
  from: day.nullable(),
  until: day.nullable(),
  /** The day that the sureness asks for, whatever was chosen. */
  best: day,
  gate: day.nullable(),
  stages: z.array(stageDays),
  chance: z.number().nullable(),
  /** Whether its first harvest comes in a later year. */
  nextYear: z.boolean(),
  /** "first fruit 12 August", "ripe in 6 of 10 autumns". */
  endInWords: z.string(),
  inTrouble: z.boolean(),
  /** Cells that its pots take, on the lit shelf. */
  cells: z.number(),
  late: z.string().nullable(),
});

/** Too much for a room, and for how long. */
const overflow = z.object({
  from: day,
  to: day,
  by: z.number(),
  lots: z.array(z.object({ wishId: z.string(), size: z.number() })),
  lead: z.string(),
  text: z.string(),
});
/** A room through the season, in steps of some days. */
export const seasonRoom = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.enum(ROOM_KINDS),
  /** The place of the house that it is; null for beds and racks. */
  spotId: z.string().nullable(),
  holds: z.number().nullable(),
  stepDays: z.number(),
  promised: z.array(z.number()),
  lots: z.array(z.object({ wishId: z.string(), title: z.string(), fromStep: z.number(), mean: z.array(z.number()) })),
  overflows: z.array(overflow),
  inWords: z.string(),
});

export const season = z.object({
  nowMs: z.number(),
  today: day,
  year: z.number(),
  sureness: z.number(),
  lead: z.string(),
  text: z.string(),
  frost: seasonFrost,
  span: z.object({ first: day, days: z.number() }),
  lots: z.array(seasonLot),
  /** What is to be started this week, the most urgent first. */
  due: z.array(z.object({ wishId: z.string(), packetId: z.string().nullable(), late: z.boolean(), lead: z.string(), text: z.string() })),
  rooms: z.array(seasonRoom),
  /** Batches under way that nobody wished for. */
  unwished: z.array(
    z.object({ batchId: z.string(), number: z.number(), packetId: z.string(), cropId: z.string(), title: z.string(), plants: z.number() }),
  ),
  /** Former years that have wishes or sowings, with how many. */
  before: z.array(z.object({ year: z.number(), lots: z.number() })),
});
/** One lot with all that bears on its day. */
export const seasonChain = z.object({
  lot: seasonLot,
  lead: z.string(),
  text: z.string(),
  steps: z.array(z.object({ stage: z.enum(CHAIN_STAGES), name: z.string(), when: z.string(), text: z.string() })),
  shifts: z.array(z.object({ days: z.number(), start: day, chance: z.number().nullable(), text: z.string() })),
  reasons: z.array(z.string()),
});
/** What a plan that fits is worked out from, beside the page. */
export const seasonFit = z.object({
  year: z.number(),
  today: day,
  span: z.object({ first: day, days: z.number() }),
  rooms: z.array(z.custom<FitQuestion['rooms'][number]>((value) => value !== undefined)),
  lots: z.array(z.custom<FitQuestion['lots'][number]>((value) => value !== undefined)),
  standing: z.array(z.custom<FitQuestion['standing'][number]>((value) => value !== undefined)),
});
/** What was sown a year before, to be wished again with one touch. */
export const seasonSources = z.object({
  year: z.number(),
  sowings: z.array(
    z.object({
      packetId: z.string().nullable(),
      cropId: z.string(),
      title: z.string(),
      plants: z.number(),
      note: z.string(),
      /** Whether it is on this year's list already. */
      wished: z.boolean(),
    }),
  ),
});
/** What is to be started soon, for Today. */
export const seasonDue = z.object({ due: season.shape.due });

export type SeasonFrost = z.infer<typeof seasonFrost>;
export type SeasonLot = z.infer<typeof seasonLot>;
export type SeasonRoom = z.infer<typeof seasonRoom>;
export type Season = z.infer<typeof season>;
export type SeasonChain = z.infer<typeof seasonChain>;
export type SeasonDue = z.infer<typeof seasonDue>;
export type SeasonFit = z.infer<typeof seasonFit>;
export type SeasonSources = z.infer<typeof seasonSources>;
