import { DateTime } from 'luxon';
import { nursingFor } from '@fresh-tuck/core/sowing';
import {
  bearsThisYear,
  bookChain,
  dayNumber,
  frostSeason,
  gateDay,
  lotYear,
  newYear,
  picksDays,
  seasonYear,
  springInSouth,
  startsFor,
  type Chain,
  type DayNumber,
  type FrostSeason,
  type LotQuestion,
  type SeasonGoal,
} from '@fresh-tuck/core/season';
import { spotOf } from '../forecasts/facts.js';
import type { Reader } from '../forecasts/reader.js';
import type { HouseholdRecord } from '../household/store.js';
import type { PacketView } from '../views/packet.js';
import type { Sowing } from './begun.js';
import { chainsOf, usualDestination } from './chains.js';
import type { Lot, LotPlace } from './lot.js';
import { seasonRooms } from './rooms.js';
import type { Wish } from './store.js';

/** A sowing is the wish's own where it was begun this near to its day. */
const OWN_DAYS = 60;
/** A season's sowings begin this long before its new year, and end so long after. */
export const SEASON = { before: 110, after: 330 } as const;
/** What counts as frost where nobody says. */
export const FROST_C = 0;

/** What a sowing that nobody wished for would be as a wish. */
const unwishedWords = ({ batchId, cropId, packetId, wanted, seeds, living }: Sowing): Wish['words'] => ({
  ...{ cropId, packetId, plants: Math.max(living, 1) > 1 ? living : (wanted ?? seeds), place: 'outdoors', goal: { kind: 'season' } },
  ...{ bedId: null, rackId: null, start: null, pinned: false, method: 'towel', destination: null, spotId: null, litId: null },
  ...{ seriesId: null, batchId },
});

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

/** The lots of a season with what becomes of each, the frost and the rooms. */
export function seasonLots(reader: Reader, packetView: PacketView) {
  const { care, crops, household, season, sowings, spots } = reader;
  const chains = chainsOf(reader, packetView);
  /** By crop: what is not planned goes by the book. */
  const bookChains = new Map<string, Chain>();

  const todayOf = (home: HouseholdRecord, nowMs: number): DayNumber =>
    dayNumber(DateTime.fromMillis(nowMs, { zone: home.zone }).toISODate() ?? '');

  function frostOf(home: HouseholdRecord, year: number) {
    const word = season.frost();
    const record = word?.recordId ? season.record(word.recordId) : null;
    const own = frostSeason(
      {
        minima: record?.minima ?? null,
        autumn: word?.autumn ?? null,
        house: home.frost,
        thresholdC: word?.thresholdC ?? FROST_C,
        shelterK: word?.shelterK ?? 0,
      },
      year,
    );
    return { word, record, own };
  }

  /** Where the trays of a sowing stand; those of which nobody said where stand under the first lamp. */
  function standsOf(sowing: Sowing, litId: string | null, nowMs: number): LotPlace[] {
    const own = care.spotOf(sowing.batchId, nowMs) ?? litId;
    return sowing.trays.flatMap((tray): LotPlace[] => {
      const spotId = (tray.trayId === sowing.batchId ? null : care.spotOf(tray.trayId, nowMs)) ?? own;
      return spotId === null ? [] : [{ spotId, tray }];
    });
  }

  /** The first place with a lamp, where no other is named; else none. */
  function litPlaces(nowMs: number): string[] {
    return spots.ids().filter((id) => care.lightAt(id, nowMs)?.light.lamp);
  }

  function lotsOf(home: HouseholdRecord, nowMs: number, year: number, frost: FrostSeason) {
    const today = todayOf(home, nowMs);
    const lamps = litPlaces(nowMs);
    const span = { from: newYear(year) - SEASON.before, to: newYear(year) + SEASON.after };
    const all = sowings.between(span.from, span.to, home.zone);
    const draftOf = (wish: Wish) => {
      const planned = chains(wish.words, home, nowMs);
      const { crop, chain, outdoors } = planned;
      const { kills, newYear: first, ends } = frost.of(crop);
      // Out of doors no day can be counted while nobody has said when frost ends.
      const counted = !outdoors || frost.spring !== null ? chain : null;
      const question: LotQuestion | null = counted && {
        chain: bearsThisYear(crop) ? counted : { ...counted, ripening: null },
        gate: outdoors ? gateDay(crop, frost) : null,
        frost: { newYear: first, kills: outdoors ? kills : null, ends: outdoors ? ends : null },
        picksDays: picksDays(crop),
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
    };
    const lotOf = ({ wish, planned, question, starts }: ReturnType<typeof draftOf>, sowing: Sowing | null): Lot => {
      const asked = question && { ...question, reached: sowing?.reached ?? null };
      const wished = wish.words.litId ?? lamps[0] ?? null;
      // What was moved stands where its tray was said to stand.
      const stands = sowing ? standsOf(sowing, wished, nowMs) : [];
      const litId = stands[0]?.spotId ?? wished;
      return { wish, planned, question: asked, year: asked && starts && lotYear(asked, starts), sowing, litId, stands };
    };
    const drafts = season.wishes(year).map(draftOf);
    const { own, taken } = ownSowings(drafts, all);
    const lots = drafts.map((draft) => lotOf(draft, own.get(draft.wish.wishId) ?? null));
    const open = all.filter(({ batchId, closed, nursed }) => !taken.has(batchId) && (closed ? nursed > 0 : true));
    return { today, lots, open, lamps, standing: () => open.map((sowing) => standingLot(sowing, frost, today, nowMs, lamps)) };
  }

  /** A sowing that nobody wished for: it takes room until it goes out, by the book's days. */
  function standingLot(sowing: Sowing, frost: FrostSeason, today: DayNumber, nowMs: number, lamps: readonly string[]): Lot {
    const crop = crops.crop(sowing.cropId);
    const { version } = crops.known(sowing.cropId);
    const chain = bookChains.get(version + sowing.cropId) ?? bookChain(crop, nursingFor(crop), null, true);
    bookChains.set(version + sowing.cropId, chain);
    const question: LotQuestion = {
      ...{
        chain,
        gate: gateDay(crop, frost.of(crop)),
        frost: { newYear: frost.newYear, kills: null, ends: null },
        goal: { kind: 'season' },
      },
      ...{ sureness: 0.9, today, outdoors: true, chosen: null, picksDays: 0, reached: sowing.reached },
    };
    const words = unwishedWords(sowing);
    const starts = { best: today, from: null, until: null, chance: null, sure: true };
    const stands = standsOf(sowing, lamps[0] ?? null, nowMs);
    return {
      wish: { wishId: sowing.batchId, rowId: '', words },
      planned: {
        ...{ crop, packetId: sowing.packetId, variety: sowing.variety, destination: usualDestination(crop), outdoors: true },
        spotId: sowing.closed ? null : spotOf(reader.batches.get(sowing.batchId), reader),
        ...{ seeds: null, short: null, sprouts: words.plants, perPot: 1, bagged: true, chain, lateness: null, nursingTold: 0 },
      },
      ...{ question, year: lotYear(question, starts), sowing },
      ...{ litId: stands[0]?.spotId ?? lamps[0] ?? null, stands },
    };
  }

  const yearAt = (home: HouseholdRecord, nowMs: number): number =>
    seasonYear(todayOf(home, nowMs), home.frost !== null && springInSouth(home.frost.monthDay));

  function worked(nowMs: number, asked: number | null) {
    const home = household.get();
    const year = asked ?? yearAt(home, nowMs);
    const frost = frostOf(home, year);
    return { home, year, frost, ...lotsOf(home, nowMs, year, frost.own) };
  }
  /** Whether anything is wished for the season: who wishes nothing is spared the rest. */
  const anyWished = (nowMs: number): boolean => season.wishes(yearAt(household.get(), nowMs)).length > 0;

  return { anyWished, worked, chains, ...seasonRooms(reader) };
}
export type SeasonLots = ReturnType<typeof seasonLots>;
