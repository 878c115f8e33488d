import * as z from 'zod';
import { CLOSURES, HOLDER_KINDS, OCCURRENCE_KINDS } from './choices.js';
import { type report } from './parcel-values.js';
import { placeLight } from './nursery-requests.js';
import { spot } from './responses.js';
import { spotSetup } from './spot-requests.js';
import { CARRIERS } from '@fresh-tuck/core/method';

const ms = z.number();
const chance = z.number().min(-1e-9);
const tone = z.enum(['trouble', 'growth', 'waiting', 'water']);
const sentence = z.string().min(2);
const hour = z.object({ fromMs: ms, toMs: ms, minC: z.number(), maxC: z.number() });
/** When the first sprout is ready, and within what 8 chances in 10 lie. */
const stands = z.object({ readyMs: ms.nullable(), lowMs: ms.nullable(), highMs: ms.nullable() });

/** A parcel as it stands on its board. */
export const boardParcel = z.object({
  id: z.string(),
  number: z.number(),
  title: z.string(),
  holderId: z.string(),
  holderKind: z.enum(HOLDER_KINDS),
  carrier: z.enum(CARRIERS),
  state: z.custom<z.infer<typeof report>['state']>((value) => typeof value === 'object'),
  stands,
  /** When its first root is late, where it is not moved. */
  lateMs: ms.nullable(),
  /** What the judgement leads with, and its tone. */
  lead: z.string(),
  tone,
  /** When, where that lies beyond the board; null where it does not. */
  far: z.string().nullable(),
  /** When, in words: for who does not see where it stands. */
  inWords: sentence,
});
export const board = z.object({
  spot,
  /** How many more bags it has room for; null where nobody counted. */
  room: z.number().nullable(),
  /** The last day, hour by hour, °C. */
  wave: z.array(z.number()),
  /** What is foreseen there, in a sentence. */
  alarm: sentence.nullable(),
  parcels: z.array(boardParcel),
});
export const shelfView = z.object({
  nowMs: ms,
  lead: sentence,
  /** The parcel at the edge, to be opened; null where none is. */
  edge: z.object({ id: z.string(), number: z.number() }).nullable(),
  boards: z.array(board),
});

/** What another board would do to all that is in a bag. */
export const elsewhere = z.object({
  holderId: z.string(),
  parcels: z.array(z.object({ id: z.string(), number: z.number(), title: z.string(), ready: sentence })),
  boards: z.array(
    z.object({
      spotId: z.string(),
      name: z.string(),
      inWords: sentence,
      here: z.boolean(),
      /** It kills one of them. */
      refused: sentence.nullable(),
      parcels: z.array(
        z.object({
          id: z.string(),
          number: z.number(),
          lead: sentence,
          tone,
          ready: sentence,
          notes: z.array(sentence),
          stands,
          comes: chance,
        }),
      ),
    }),
  ),
});

/** Something that came over a spot, or is to come. */
export const spotEvent = z.object({
  id: z.string(),
  kind: z.enum(OCCURRENCE_KINDS),
  fromMs: ms,
  toMs: ms,
  byC: z.number().nullable(),
  note: z.string().nullable(),
  inWords: sentence,
});
const bodyDay = z.object({
  minC: z.number(),
  maxC: z.number(),
  meanC: z.number(),
  on: z.number(),
  wattHours: z.number(),
  matC: z.number().nullable(),
  warmUpHours: z.number().nullable(),
  overshootC: z.number().nullable(),
  reaches: z.boolean().nullable(),
});
export const READ_BY = ['typed', 'logger', 'probe'] as const;
/** A warm spot whole: its record, what it is as a body, what stands there, what belongs there. */
export const spotSheet = z.object({
  nowMs: ms,
  spot,
  nth: z.number(),
  setup: spotSetup,
  /** When it was set up so; null where such places usually are. */
  /** How light gets to it, as said or as such places are. */
  light: placeLight,
  setupMs: ms.nullable(),
  setupId: z.string().nullable(),
  /** What was read in the last days, the oldest first. */
  record: z.array(hour.extend({ by: z.enum(READ_BY) })),
  /** The hours ahead, with their error, °C. */
  ahead: z.array(hour.extend({ errorC: z.number() })),
  body: bodyDay,
  /** How far off the body is from what was read; null where it is the guess. */
  fit: z.object({ errorC: z.number(), readings: z.number() }).nullable(),
  events: z.array(spotEvent),
  files: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      lines: z.number(),
      hours: z.number(),
      known: z.number(),
      fromMs: ms,
      toMs: ms,
      recordedMs: ms,
    }),
  ),
  probes: z.array(z.object({ id: z.string(), name: z.string(), madeMs: ms, last: z.object({ atMs: ms, celsius: z.number() }).nullable() })),
  /** What leads the page, and what it comes to as a body. */
  lead: sentence,
  bodyInWords: sentence,
  alarm: z.object({ lead: sentence, text: sentence }).nullable(),
  parcels: z.array(boardParcel),
  /** What likes it there and what does not, of what is in the box or under way. */
  crops: z.array(
    z.object({
      cropId: z.string(),
      name: z.string(),
      packetId: z.string(),
      days: z.number().nullable(),
      comes: chance,
      /** The board on which it belongs. */
      best: z.object({ spotId: z.string(), name: z.string(), days: z.number().nullable(), comes: chance }).nullable(),
      belongs: z.boolean(),
      text: sentence,
    }),
  ),
});

/** A chance by steps of time. */
const ribbon = z.object({ fromMs: ms, stepMs: z.number().positive(), shares: z.array(z.number()) });
/** What a change or an event would do to a spot and to all that stands there. */
export const whatIf = z.object({
  body: bodyDay,
  hours: z.array(hour.extend({ errorC: z.number() })),
  text: sentence,
  parcels: z.array(
    z.object({
      id: z.string(),
      number: z.number(),
      title: z.string(),
      carrier: z.enum(CARRIERS),
      state: boardParcel.shape.state,
      before: z.object({ stands, ribbon }),
      after: z.object({ stands, ribbon }),
      lead: sentence,
      tone,
      notes: z.array(sentence),
    }),
  ),
});

/** What an absence does to each parcel, and what can be done about it. */
export const awayView = z.object({
  fromMs: ms,
  toMs: ms,
  lead: sentence,
  parcels: z.array(
    z.object({
      id: z.string(),
      number: z.number(),
      title: z.string(),
      holderId: z.string(),
      bagMates: z.array(z.number()),
      spotName: z.string(),
      carrier: z.enum(CARRIERS),
      state: boardParcel.shape.state,
      late: chance,
      texts: z.array(sentence),
      remedies: z.array(
        z.object({
          kind: z.enum(['move', 'cooler', 'water', 'out', 'count']),
          text: sentence,
          label: sentence,
          /** The board to which it goes; the closing that it is given. */
          spotId: z.string().nullable(),
          closure: z.enum(CLOSURES).nullable(),
        }),
      ),
    }),
  ),
  /** Planned lists that had better begin later. */
  later: z.array(
    z.object({
      sittingId: z.string(),
      text: sentence,
      label: sentence,
      /** When it would begin, local, and when it was to. */ at: z.string(),
      was: z.string().nullable(),
    }),
  ),
  /** Of the rest, in a sentence; empty where there is none. */
  rest: z.string(),
});

export type AwayView = z.infer<typeof awayView>;
export type BoardParcel = z.infer<typeof boardParcel>;
export type Board = z.infer<typeof board>;
export type ShelfView = z.infer<typeof shelfView>;
export type Elsewhere = z.infer<typeof elsewhere>;
export type SpotEvent = z.infer<typeof spotEvent>;
export type SpotSheet = z.infer<typeof spotSheet>;
export type WhatIf = z.infer<typeof whatIf>;
