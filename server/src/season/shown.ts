import type { Season, SeasonFrost, SeasonLot } from '@fresh-tuck/contract';
import { bearsThisYear, dayBy, isOver, potCells, yearOf, yieldOf, type DayNumber, type roomYears } from '@fresh-tuck/core/season';
import { dueInSeason, endInWords, frostInWords, lateInWords, overflowInWords, roomInWords } from '@fresh-tuck/core/words';
import type { HouseholdRecord } from '../household/store.js';
import type { Lot } from './lot.js';
import { FROST_C, type SeasonLots } from './lots.js';

/** Days in which a start is due: a week. */
const DUE_DAYS = 7;
/** Room is drawn in steps of so many days. */
const STEP_DAYS = 4;

/** Frost as a household is shown it. */
export function frostShown(
  { word, record, own }: ReturnType<SeasonLots['worked']>['frost'],
  home: HouseholdRecord,
  year: number,
): SeasonFrost {
  const [spring, autumn] = [own.dates('spring'), own.dates('autumn')];
  const told = { source: own.source, autumnGuessed: own.autumnGuessed, spring, autumn };
  const { frost } = home;
  return {
    ...told,
    said: { spring: frost && { monthDay: frost.monthDay, giveDays: frost.giveDays }, autumn: word?.autumn ?? null },
    thresholdC: word?.thresholdC ?? FROST_C,
    shelterK: word?.shelterK ?? 0,
    record: record && {
      id: record.id,
      name: record.name,
      from: yearOf(record.minima.first),
      to: yearOf(record.minima.first + record.minima.celsius.length - 1),
    },
    wordId: word?.id ?? null,
    inWords: frostInWords(told, year),
  };
}

export const titleOf = ({ planned }: Lot): string =>
  planned.variety === null ? planned.crop.name : `${planned.crop.name}, ${planned.variety}`;

function stateOf({ sowing }: Lot): SeasonLot['state'] {
  if (!sowing) return 'planned';
  const { moved, out, ripe } = sowing.reached;
  return ripe !== null ? 'ripe' : out !== null ? 'out' : moved !== null ? 'nursed' : 'started';
}

/** A lot as it is shown. */
export function lotShown(lot: Lot, year: number): SeasonLot {
  const { wish, planned, question, year: own, sowing, litId } = lot;
  const { crop, lateness } = planned;
  const what = yieldOf(crop);
  const today = question?.today ?? 0;
  const pots = potCells(crop);
  const nextYear = !bearsThisYear(crop);
  const end = own && {
    ripeAt: own.run.ripe && dayBy(own.run.ripe, 0.5),
    ripeInTime: own.run.ripeInTime,
    outAt: dayBy(own.run.out, 0.5),
    nextYear,
    outdoors: planned.outdoors,
    wished: wish.words.goal.kind === 'season' ? null : own.chance,
  };
  const ends = end
    ? endInWords(what, end, year)
    : planned.chain
      ? { text: 'no day while nobody says when frost ends', trouble: false }
      : { text: 'too few would ever come', trouble: true };
  return {
    wishId: wish.wishId,
    words: wish.words,
    cropName: crop.name,
    variety: planned.variety,
    title: titleOf(lot),
    yields: what,
    packetId: planned.packetId,
    spotId: planned.spotId,
    litId,
    method: wish.words.method,
    destination: planned.destination,
    state: stateOf(lot),
    batchId: sowing?.batchId ?? null,
    batchNumber: sowing?.number ?? null,
    seeds: planned.seeds,
    start: own?.start ?? today,
    countedFrom: own?.countedFrom ?? today,
    over: own !== null && isOver(own),
    from: own?.starts.from ?? null,
    until: own?.starts.until ?? null,
    best: own?.starts.best ?? today,
    gate: question?.gate ?? null,
    stages: own ? [...own.stages] : [],
    chance: own?.chance ?? null,
    nextYear,
    endInWords: ends.text,
    inTrouble: ends.trouble,
    cells: Math.ceil(wish.words.plants * (pots.second ?? pots.first)),
    late: lateness && lateInWords(lateness),
  };
}

/** What is still to be begun by the end of the week, the most pressing first. */
export function dueOf(lots: readonly SeasonLot[], today: DayNumber, year: number): Season['due'] {
  return lots
    .filter(({ state, over, seeds, stages }) => state === 'planned' && !over && seeds !== null && stages.length > 0)
    .filter(({ start }) => start < today + DUE_DAYS)
    .sort((a, b) => (a.until ?? Infinity) - (b.until ?? Infinity) || a.start - b.start)
    .map((lot) => ({
      wishId: lot.wishId,
      packetId: lot.packetId,
      late: lot.until !== null && today > lot.until,
      ...dueInSeason({ ...lot, today }, year),
    }));
}

/** Rooms in steps, with who stands there and what does not fit. @param porches are shown though nothing stands there: their room may be said */
export function roomShown(
  year: number,
  lots: readonly Lot[],
  all: ReturnType<typeof roomYears>,
  porches: ReadonlySet<string>,
): Season['rooms'] {
  const titles = new Map(lots.map((lot) => [lot.wish.wishId, titleOf(lot)]));
  const titleFor = (wishId: string): string => titles.get(wishId) ?? '';
  const sampled = (values: Float64Array): number[] => {
    const steps: number[] = [];
    for (let day = 0; day < values.length; day += STEP_DAYS) steps.push(Math.round((values[day] as number) * 10) / 10);
    return steps;
  };
  return all
    .filter(({ room, lots: here }) => here.length > 0 || porches.has(room.id))
    .map(({ room, promised, lots: here, overflows }) => ({
      ...room,
      spotId: room.spotId ?? null,
      stepDays: STEP_DAYS,
      promised: sampled(promised),
      lots: here.map(({ lotId, mean }) => {
        const steps = sampled(mean);
        const fromStep = Math.max(
          steps.findIndex((value) => value > 0),
          0,
        );
        const last = steps.findLastIndex((value) => value > 0);
        return { wishId: lotId, title: titleFor(lotId), fromStep, mean: steps.slice(fromStep, last + 1) };
      }),
      overflows: overflows.map((one) => ({
        ...{ from: one.from, to: one.to, by: one.by },
        lots: one.lots.map(({ lotId, size }) => ({ wishId: lotId, size })),
        ...overflowInWords(one, room, titleFor, year),
      })),
      inWords: roomInWords(room),
    }));
}
