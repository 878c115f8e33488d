import * as z from 'zod';
import { CLOSURES, DAMPINGS, DAMPS, LIGHTS, MEDIA, WETNESSES, type Setup } from '@fresh-tuck/core/carrier';
import { cropSchema } from '@fresh-tuck/core/crops';
import type { KnownFact, LotPrior } from '@fresh-tuck/core/forecast';
import { VERDICTS, type Report } from '@fresh-tuck/core/judging';
import { LOOK_REASONS } from '@fresh-tuck/core/looking';
import { METHODS } from '@fresh-tuck/core/method';
import { CLOSING_REASONS, SEED_STAGES, TROUBLES, type HouseWays, type ParcelFacts } from '@fresh-tuck/core/parcel';
import { DRYNESSES, STORES, type Stock, type Storage } from '@fresh-tuck/core/seedbox';
import type { TestResult } from '@fresh-tuck/core/seedtest';
import type { Told } from '@fresh-tuck/core/words';

/**
 * Values of the core as they go over the wire. Each is held to the core's own type, and
 * every answer of the server is read with them in the specs: what a screen counts on is
 * there, and of its kind.
 */

const count = z.number().int().min(0);
const chance = z
  .number()
  .min(-1e-9)
  .max(1 + 1e-9);
const ms = z.number();
const range = z.object({ minC: z.number(), maxC: z.number() });
const keysOf = <K extends string>(table: Readonly<Record<K, unknown>>) => z.enum(Object.keys(table) as [K, ...K[]]);

export const storage = z.object({
  place: keysOf(STORES).nullable(),
  celsius: z.number().nullable(),
  dryness: keysOf(DRYNESSES).nullable(),
}) satisfies z.ZodType<Storage>;

const wholeStock = z.object({
  mean: chance,
  low: chance,
  high: chance,
  advice: z.array(z.enum(['use_up', 'test_first', 'short', 'empty'])),
  ahead: z.array(chance),
  behind: z.array(chance),
});
export const stock: z.ZodType<Stock> = wholeStock;
/** As a row of the box draws it. */
export const stockNow: z.ZodType<Omit<Stock, 'ahead' | 'behind'>> = wholeStock.omit({ ahead: true, behind: true });

const known = z.discriminatedUnion('what', [
  z.object({ what: z.literal('rate'), percent: z.number(), crop: z.string(), source: z.string().nullable() }),
  z.object({ what: z.literal('age'), calendarYears: z.number(), agedYears: z.number(), percent: z.number() }),
  z.object({ what: z.literal('days'), seen: z.enum(['tip', 'emergence']), days: z.number() }),
  z.object({ what: z.literal('test'), number: count, normal: count, seeds: count }),
  z.object({ what: z.literal('records'), packet: count, crop: count, shift: z.number() }),
]) satisfies z.ZodType<KnownFact>;

const prior = z.object({
  share: z.object({ mean: chance, weight: z.number().positive() }),
  logMedian: z.object({ mean: z.number(), sd: z.number().positive() }),
  spread: z.object({ median: z.number().positive(), logSd: z.number().positive(), tight: chance.optional() }),
  laws: z.array(chance).optional(),
});
export const lotPrior: z.ZodType<LotPrior> = prior.extend({ known: z.array(known) });

const interval = z.object({ low: chance, high: chance });
export const testResult = z.object({
  seeds: count,
  totals: z.object({ normal: count, abnormal: count, hard: count, fresh: count, dead: count }),
  rate: chance,
  wilson: interval,
  exact: interval,
  replicates: z.object({ range: z.number(), allowed: z.number(), agree: z.boolean(), by: z.enum(['table', 'binomial']) }).nullable(),
}) satisfies z.ZodType<TestResult>;

export const houseWays = z.object({
  laid: z
    .object({ medium: z.enum(MEDIA), damped: z.enum(DAMPINGS), wet: z.enum(WETNESSES) })
    .partial()
    .optional(),
  rootSchool: z.enum(['crop', 'tip', 'short', 'finger']),
  unopenedFirst: z.boolean(),
  leastHope: chance,
  sureness: chance,
  retestChance: chance,
  patienceTimes: z.number().positive(),
}) satisfies z.ZodType<HouseWays>;

const reading = range.extend({ fromMs: ms, toMs: ms, errorC: z.number().positive().optional(), once: z.boolean().optional() });
const look = z.object({
  atMs: ms,
  through: z.boolean(),
  tipped: count.nullable(),
  rotten: count.nullable(),
  lost: count.nullable().optional(),
  marks: z.array(z.object({ seed: z.number().int().min(1), stage: z.enum(SEED_STAGES), rootMm: z.number().nullable() })),
  damp: z.enum(DAMPS).nullable(),
  rewetted: z.boolean(),
  troubles: z.array(z.enum(TROUBLES)),
});
const damp = z.object({ atMs: ms, damp: z.enum(DAMPS), rewetted: z.boolean() });

const setup = z.object({
  medium: z.enum(MEDIA),
  damped: z.enum(DAMPINGS),
  wet: z.enum(WETNESSES),
  light: z.enum(LIGHTS).nullable(),
}) satisfies z.ZodType<Setup>;

const wholeFacts = z.object({
  crop: cropSchema,
  method: z.enum(METHODS),
  seeds: z.number().int().min(1),
  wanted: count.nullable(),
  startMs: ms,
  chillUntilMs: ms.nullable(),
  chilledDays: z.number().min(0).optional(),
  chillUnplanned: z.boolean().optional(),
  chillDry: z.boolean().optional(),
  soakUntilMs: ms.nullable().optional(),
  secondStep: z.object({ atMs: ms, below: count, seeds: count }).nullable().optional(),
  prior: lotPrior,
  stays: z.array(z.object({ fromMs: ms, readings: z.array(reading), guess: range })).min(1),
  utcOffsetHours: z.number().min(-14).max(14),
  looks: z.array(look),
  moves: z.array(z.object({ atMs: ms, seeds: z.array(count), uncounted: count })),
  closure: z.enum(CLOSURES),
  setup: setup.optional(),
  doseMl: z.number().positive(),
  lookTimesMs: z.array(ms).min(1),
  lateTolerance: chance,
  ways: houseWays.partial().optional(),
  packetLeft: count.nullable().optional(),
  otherPackets: z.array(z.object({ title: z.string(), share: prior.shape.share, left: count.nullable() })).optional(),
  prepared: z.array(z.string()).optional(),
  followedBy: count.nullable().optional(),
  bagDamp: z.array(damp).optional(),
  weighings: z.array(z.object({ atMs: ms, shareLeft: z.number(), fullMs: ms })).optional(),
  mates: z
    .object({ lateBy: z.array(chance), nextMs: ms, number: count })
    .nullable()
    .optional(),
  test: z.object({ finalMs: ms, result: testResult.nullable() }).nullable().optional(),
  priorSteps: z.array(z.object({ what: z.enum(['book', 'packet', 'records']), known: z.array(known), prior })).optional(),
});
export const parcelFacts: z.ZodType<ParcelFacts> = wholeFacts;
/** What drawings need of the facts. */
export type DrawnFacts = Pick<ParcelFacts, 'seeds' | 'wanted' | 'startMs' | 'looks'>;
export const drawnFacts: z.ZodType<DrawnFacts> = wholeFacts.pick({ seeds: true, wanted: true, startMs: true, looks: true });

const forecast = z.object({ low: count, high: count, mostLikely: count, mean: z.number().min(0), anyChance: chance });
const forecastAt = forecast.extend({ atMs: ms });
const seed = z.object({
  seed: z.number().int().min(1),
  stage: z.enum(SEED_STAGES),
  moved: z.boolean(),
  tipFromMs: ms.nullable(),
  tipToMs: ms.nullable(),
  measuredMm: z.number().nullable(),
  measuredAtMs: ms.nullable(),
  stageAtMs: ms.nullable(),
});

const wholeReport = z.object({
  nowMs: ms,
  state: z.object({
    seeds: z.array(seed),
    counted: z.array(z.object({ fromMs: ms, toMs: ms, count })),
    tipped: count,
    rotten: count,
    lost: count,
    moved: count,
    quiet: count,
    showing: count,
    overgrown: count,
  }),
  progressNow: z.number().min(0),
  soon: forecastAt,
  tomorrow: forecastAt,
  end: forecast,
  now: forecastAt,
  chanceQuietAlive: chance,
  toll: z.object({ share: chance, survival: chance, meanC: z.number(), hereC: z.number(), harmedMs: ms.nullable() }),
  chanceAnyFurther: chance,
  hopeUntilMs: ms,
  chanceEver: chance,
  patienceMs: ms,
  planted: forecast,
  openedMs: ms,
  nextTip: z.object({ lowMs: ms, likelyMs: ms, highMs: ms }).nullable(),
  halfMs: ms.nullable(),
  mostMs: ms.nullable(),
  roots: z.array(
    z.object({
      seeds: z.array(count),
      count,
      usualMm: z.number().min(0),
      measured: z.boolean(),
      readyMs: ms,
      readyFromMs: ms,
      readyByMs: ms,
      lateFromMs: ms,
      usuallyLateMs: ms,
      overgrownMs: ms,
    }),
  ),
  window: z.object({ readyMs: ms.nullable(), lateMs: ms.nullable(), lowMs: ms.nullable(), highMs: ms.nullable() }),
  drying: z.object({ dryingAtMs: ms, shareLeft: z.number(), factor: z.number().positive() }),
  drownsMs: ms.nullable(),
  afloat: chance,
  soaking: z.object({ enoughMs: ms, outByMs: ms, drownsMs: ms }).nullable(),
  thirst: z.object({ damp: z.enum(['dry', 'drying']), felt: z.boolean(), sinceMs: ms }).nullable(),
  chill: z.object({ earnedDays: z.number().min(0), wantedDays: z.number(), asleep: chance }).nullable(),
  heat: z.object({ peakC: z.number(), injuryC: z.number(), dies: chance }).nullable(),
  rootRate: z.object({ mmPerDayNow: z.number(), factor: z.number().positive(), seeds: count }),
  longestMm: z.number().min(0),
  meanC: z.number(),
  ribbon: z.object({ fromMs: ms, stepMs: z.number().positive(), shares: z.array(z.number()) }),
  curve: z.array(forecastAt),
  next: z.object({
    atMs: ms,
    reason: z.enum(LOOK_REASONS),
    via: z.enum(['opened', 'through']),
  }),
  mould: z.number().min(0).max(10),
  supply: z.object({
    enoughChance: chance.nullable(),
    topUp: z.object({ seeds: count, chance, byMs: ms, lagDays: z.number() }).nullable(),
    short: z.object({ seeds: count, chance, why: z.enum(['packet', 'late', 'lot']) }).nullable(),
    restart: z
      .object({
        way: z.enum(['prepared', 'warmer', 'cooler', 'pot', 'pod', 'towel', 'packet']),
        step: z.string().nullable(),
        packet: z.string().nullable(),
        seeds: count,
        low: count,
        high: count,
        deadChance: chance,
      })
      .nullable(),
    deadChance: chance,
    asFewChance: chance.nullable(),
  }),
});
export const report: z.ZodType<Report> = wholeReport;
/** As Today draws it. */
export const reportOnCard: z.ZodType<Omit<Report, 'curve'>> = wholeReport.omit({ curve: true });

const tone = z.enum(['trouble', 'growth', 'waiting', 'water']);
const sentence = z.string().min(2);
const act = z.union([
  z.object({
    does: z.literal('start'),
    packet: z.enum(['same', 'other']),
    seeds: z.number().int().min(1),
    again: z.object({ method: z.enum(METHODS) }).optional(),
  }),
  z.object({ does: z.literal('close'), reason: z.enum(CLOSING_REASONS) }),
  z.object({ does: z.enum(['place', 'open', 'test', 'count']) }),
]);
export const told: z.ZodType<Told> = z.object({
  verdict: z.enum(VERDICTS),
  deadlineMs: ms.nullable(),
  giveMl: z.number().min(0),
  advice: z.array(
    z.object({
      kind: z.enum([...VERDICTS, 'retuck', 'short']),
      lead: sentence,
      by: z.string().nullable(),
      tone,
      text: sentence,
      button: z.object({ label: sentence, act }).nullable(),
    }),
  ),
  headline: z.object({ lead: sentence, tone, text: sentence }),
  nextReason: sentence,
  outlook: sentence,
  reasons: z.array(sentence),
  grounds: z.array(sentence),
});
