import { DateTime } from 'luxon';
import type { Season, SeasonChain, SeasonDue, SeasonFrost, SeasonLot } from '@fresh-tuck/contract';
import {
  bearsThisYear,
  dayBy,
  dayNumber,
  frostSeason,
  gateDay,
  isoOf,
  killedBy,
  lotYear,
  newYear,
  potCells,
  roomYears,
  seasonYear,
  shiftedBy,
  springInSouth,
  startsFor,
  usesOf,
  yearOf,
  yieldOf,
  type DayNumber,
  type FrostSeason,
  type LotQuestion,
  type LotUses,
  type LotYear,
  type Room,
  type SeasonGoal,
} from '@fresh-tuck/core/season';
import { formatTemperature } from '@fresh-tuck/core/units';
import {
  CHAIN_WORDS,
  dueInSeason,
  endInWords,
  frostInWords,
  lateInWords,
  overflowInWords,
  roomInWords,
  seasonLead,
  stageWhen,
  startShiftInWords,
  startsInWords,
} from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import type { HouseholdRecord } from '../household/store.js';
import { Problem } from '../http/problem.js';
import type { PacketView } from '../views/packet.js';
import { chainsOf, type PlannedLot } from './chains.js';
import type { Sowing } from './begun.js';
import type { Wish } from './store.js';

/** Days in which a start is due: a week. */
const DUE_DAYS = 7;
/** A sowing is the wish's own where it was begun this near to its day. */
const OWN_DAYS = 60;
/** A season's sowings begin this long before its new year, and end so long after. */
const SEASON = { before: 110, after: 330 } as const;
/** Room is drawn in steps of so many days. */
const STEP_DAYS = 4;
/** A week and two, both ways. */
const SHIFTS = [-14, -7, 0, 7, 14] as const;
/** What counts as frost where nobody says. */
const FROST_C = 0;

/** A lot of the season with all that its answers are made of. */
interface Lot {
  readonly wish: Wish;
  readonly planned: PlannedLot;
  readonly question: LotQuestion | null;
  readonly year: LotYear | null;
  readonly sowing: Sowing | null;
  readonly litId: string | null;
}

/** The year between the frosts: what is wished, what becomes of it and what room it takes. */
export function seasonView(reader: Reader, packetView: PacketView) {
  const { beds, care, household, racks, season, sowings, spots } = reader;
  const chains = chainsOf(reader, packetView);

  const todayOf = (home: HouseholdRecord, nowMs: number): DayNumber =>
    dayNumber(DateTime.fromMillis(nowMs, { zone: home.zone }).toISODate() ?? '');

  function frostOf(home: HouseholdRecord, year: number) {
    const word = season.frost();
    const record = word?.recordId ? season.record(word.recordId) : null;
    const own = frostSeason(
      {
        minima: record?.minima ?? null,
        spring: word?.spring ?? null,
        autumn: word?.autumn ?? null,
        house: home.frost,
        thresholdC: word?.thresholdC ?? FROST_C,
        shelterK: word?.shelterK ?? 0,
      },
      year,
    );
    return { word, record, own };
  }

  function frostShown({ word, record, own }: ReturnType<typeof frostOf>, home: HouseholdRecord, year: number): SeasonFrost {
    const [spring, autumn] = [own.dates('spring'), own.dates('autumn')];
    const told = { source: own.source, autumnGuessed: own.autumnGuessed, spring, autumn };
    const { frost } = home;
    return {
      ...told,
      said: { spring: word?.spring ?? (frost && { monthDay: frost.monthDay, giveDays: frost.giveDays }), autumn: word?.autumn ?? null },
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

  /** The first place with a lamp, where no other is named; else none. */
  function litPlaces(nowMs: number): string[] {
    return spots.ids().filter((id) => care.lightAt(id, nowMs)?.light.lamp);
  }

  /** Which sowing is which wish's: the one that it names, else the nearest begun from its packet or of its crop. */
  function ownSowings(
    wishes: readonly { readonly wish: Wish; readonly start: DayNumber; readonly packetId: string | null }[],
    all: readonly Sowing[],
  ) {
    const taken = new Set<string>();
    const own = new Map<string, Sowing>();
    const take = (wishId: string, sowing: Sowing | undefined): void => {
      if (!sowing || taken.has(sowing.batchId)) return;
      taken.add(sowing.batchId);
      own.set(wishId, sowing);
    };
    for (const { wish } of wishes)
      if (wish.words.batchId)
        take(
          wish.wishId,
          all.find(({ batchId }) => batchId === wish.words.batchId),
        );
    const pairs = wishes
      .filter(({ wish }) => wish.words.batchId === null)
      .flatMap(({ wish, start, packetId }) =>
        all
          .filter((sowing) => (packetId === null ? sowing.cropId === wish.words.cropId : sowing.packetId === packetId))
          .map((sowing) => ({ wishId: wish.wishId, sowing, far: Math.abs(sowing.reached.start - start) })),
      )
      .filter(({ far }) => far <= OWN_DAYS)
      .sort((a, b) => a.far - b.far || a.sowing.number - b.sowing.number);
    for (const { wishId, sowing } of pairs) if (!own.has(wishId)) take(wishId, sowing);
    return { own, taken };
  }

  const goalOf = ({ goal }: Wish['words']): SeasonGoal => (goal.kind === 'season' ? goal : { kind: goal.kind, day: dayNumber(goal.day) });

  function lotsOf(home: HouseholdRecord, nowMs: number, year: number, frost: FrostSeason) {
    const today = todayOf(home, nowMs);
    const lamps = litPlaces(nowMs);
    const span = { from: newYear(year) - SEASON.before, to: newYear(year) + SEASON.after };
    const all = sowings.between(span.from, span.to, home.zone);
    const drafts = season.wishes(year).map((wish) => {
      const planned = chains(wish.words, home, nowMs);
      const { crop, chain, outdoors } = planned;
      const { kills, newYear: first } = frost.of(crop);
      const question: LotQuestion | null = chain && {
        chain: bearsThisYear(crop) ? chain : { ...chain, ripening: null },
        gate: outdoors ? gateDay(crop, frost) : null,
        frost: { newYear: first, kills: outdoors ? kills : null },
        goal: goalOf(wish.words),
        sureness: home.ways.sureness,
        today,
        outdoors,
        chosen: wish.words.start === null ? null : dayNumber(wish.words.start),
        reached: null,
      };
      const starts = question && startsFor(question);
      const start = question?.chosen ?? starts?.best ?? today;
      return { wish, planned, question, starts, packetId: planned.packetId, start };
    });
    const { own, taken } = ownSowings(drafts, all);
    const lots = drafts.map(({ wish, planned, question, starts }): Lot => {
      const sowing = own.get(wish.wishId) ?? null;
      const asked = question && { ...question, reached: sowing?.reached ?? null };
      const litId = wish.words.litId ?? lamps[0] ?? null;
      return { wish, planned, question: asked, year: asked && starts && lotYear(asked, starts), sowing, litId };
    });
    const open = all.filter(({ batchId, closed, living }) => !taken.has(batchId) && (!closed || living > 0));
    return { today, lots, open, lamps };
  }

  const titleOf = ({ wish, planned }: Lot): string =>
    planned.variety === null ? planned.crop.name : `${planned.crop.name}, ${planned.variety}`;

  function stateOf({ sowing }: Lot): SeasonLot['state'] {
    if (!sowing) return 'planned';
    const { moved, out, ripe } = sowing.reached;
    return ripe !== null ? 'ripe' : out !== null ? 'out' : moved !== null ? 'nursed' : 'started';
  }

  function lotShown(lot: Lot, year: number): SeasonLot {
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
    const ends = end ? endInWords(what, end, year) : { text: 'too few would ever come', trouble: true };
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
  function dueOf(lots: readonly SeasonLot[], today: DayNumber, year: number): Season['due'] {
    return lots
      .filter(({ state, start, seeds }) => state === 'planned' && seeds !== null && start < today + DUE_DAYS)
      .sort((a, b) => (a.until ?? Infinity) - (b.until ?? Infinity) || a.start - b.start)
      .map((lot) => ({
        wishId: lot.wishId,
        packetId: lot.packetId,
        late: lot.until !== null && today > lot.until,
        ...dueInSeason({ ...lot, today }, year),
      }));
  }

  function roomsOf(home: HouseholdRecord, nowMs: number, lots: readonly Lot[], lamps: readonly string[]) {
    const said = season.rooms();
    const places = spots.list(home.zone, home.units, nowMs);
    const lit = new Set([...lamps, ...lots.flatMap(({ litId }) => litId ?? [])]);
    const rooms: Room[] = [
      ...places.filter(({ id }) => lit.has(id)).map(({ id, name }): Room => ({ id, name, kind: 'lit', holds: said.get(id) ?? null })),
      ...places.filter(({ id }) => !lit.has(id)).map(({ id, name, holds }): Room => ({ id, name, kind: 'warm', holds })),
      ...racks.list().map(({ id, name, slots }): Room => ({ id, name, kind: 'slots', holds: slots })),
      ...beds.list(nowMs).map(({ id, name, widthM, lengthM }): Room => ({ id, name, kind: 'bed', holds: widthM * lengthM })),
    ];
    const uses = lots.flatMap(({ wish, planned, year, sowing, litId }): LotUses[] => {
      if (!year) return [];
      const { words } = wish;
      const plants = sowing && sowing.moved > 0 ? Math.min(sowing.living, words.plants) : words.plants;
      return [
        usesOf(
          wish.wishId,
          {
            crop: planned.crop,
            destination: planned.destination,
            sprouts: sowing && sowing.closed ? sowing.living : Math.max(planned.sprouts, sowing?.living ?? 0),
            plants,
            perPot: planned.perPot,
            bags: planned.bagged && !(sowing?.closed ?? false) ? 1 : 0,
            warmId: planned.spotId,
            litId: planned.outdoors || words.place === 'indoors' ? litId : null,
            rackId: words.rackId ?? racks.list()[0]?.id ?? null,
            bedId: words.bedId,
          },
          year.run,
        ),
      ];
    });
    return { rooms, uses };
  }

  function roomShown(year: number, lots: readonly SeasonLot[], all: ReturnType<typeof roomYears>, first: DayNumber): Season['rooms'] {
    const titles = new Map(lots.map(({ wishId, title }) => [wishId, title]));
    const titleFor = (wishId: string): string => titles.get(wishId) ?? '';
    const sampled = (values: readonly number[]): number[] =>
      values.filter((_, day) => day % STEP_DAYS === 0).map((value) => Math.round(value * 10) / 10);
    return all
      .filter(({ lots: here }) => here.length > 0)
      .map(({ room, promised, lots: here, overflows }) => ({
        ...room,
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

  function worked(nowMs: number, asked: number | null) {
    const home = household.get();
    const today = todayOf(home, nowMs);
    const year = asked ?? seasonYear(today, home.frost !== null && springInSouth(home.frost.monthDay));
    const frost = frostOf(home, year);
    return { home, year, frost, ...lotsOf(home, nowMs, year, frost.own) };
  }

  return {
    whole(nowMs: number, asked: number | null): Season {
      const { home, year, frost, today, lots, open, lamps } = worked(nowMs, asked);
      const shown = lots.map((lot) => lotShown(lot, year));
      const first = Math.min(newYear(year), ...shown.map(({ start }) => start)) - 1;
      const last = Math.max(newYear(year) + 364, ...shown.flatMap(({ stages }) => stages.map(({ at90 }) => Math.ceil(at90))));
      const span = { first, days: Math.min(last, newYear(year) + SEASON.after + 60) - first + 1 };
      const { rooms, uses } = roomsOf(home, nowMs, lots, lamps);
      const years = roomYears(rooms, uses, span);
      const due = dueOf(shown, today, year);
      const next = shown.filter(({ state, start }) => state === 'planned' && start >= today).sort((a, b) => a.start - b.start)[0] ?? null;
      const ahead = years.flatMap(({ room, overflows }) =>
        overflows.filter(({ to }) => to >= today).map(({ from }) => ({ name: room.name, from })),
      );
      const full = ahead.sort((a, b) => a.from - b.from)[0] ?? null;
      const frostTold = frostShown(frost, home, year);
      return {
        nowMs,
        today,
        year,
        sureness: home.ways.sureness,
        lead: seasonLead({ due: due.length, wishes: shown.length, next, full }, year),
        text: frostTold.inWords,
        frost: frostTold,
        span,
        lots: shown,
        due,
        rooms: roomShown(year, shown, years, first),
        unwished: open.map(({ batchId, number, packetId, cropId, variety, wanted, seeds }) => ({
          ...{ batchId, number, packetId, cropId, plants: wanted ?? seeds },
          title: `${reader.crops.crop(cropId).name}, ${variety}`,
        })),
        before: season.years().filter((one) => one.year < year),
      };
    },
    /** One lot with every stage, and what a week sooner or later does. @throws Problem where it is not wished */
    chain(nowMs: number, wishId: string, asked: number | null): SeasonChain {
      const { home, year, lots } = worked(nowMs, asked);
      const lot = lots.find(({ wish }) => wish.wishId === wishId);
      if (!lot) throw Problem.unknown('wish of this season');
      const shown = lotShown(lot, year);
      const { question, year: own, planned } = lot;
      const what = yieldOf(planned.crop);
      const shifts = question && own && !lot.sowing ? shiftedBy(question, own.start, SHIFTS) : [];
      const { high } = killedBy(planned.crop);
      const temperature = formatTemperature(high, home.units);
      return {
        lot: shown,
        lead: `${shown.title}: ${shown.endInWords}`,
        text: own && !lot.sowing ? startsInWords(own.starts, home.ways.sureness, year) : '',
        steps: (own?.stages ?? []).map(({ stage, at10, at50, at90 }) => ({
          stage,
          name: CHAIN_WORDS[stage],
          when: stageWhen(at10, at50, at90, year),
          text: '',
        })),
        shifts: shifts.map((one) => ({
          ...{ days: one.days, start: one.start, chance: one.chance },
          text: startShiftInWords(one, what, year, planned.outdoors),
        })),
        reasons: [
          ...(shown.late ? [shown.late] : []),
          ...(question?.gate ? [`It goes out from ${isoOf(question.gate)}; nights of ${temperature} kill it.`] : []),
        ],
      };
    },
    /** What is to be started this week, and nothing else of the season. */
    due(nowMs: number): SeasonDue {
      const { year, today, lots } = worked(nowMs, null);
      return {
        due: dueOf(
          lots.map((lot) => lotShown(lot, year)),
          today,
          year,
        ),
      };
    },
  };
}
export type SeasonView = ReturnType<typeof seasonView>;
