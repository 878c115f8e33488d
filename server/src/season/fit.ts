import {
  boltsAfterCold,
  isOver,
  killedBy,
  lotNeeds,
  newYear,
  surely,
  usesOf,
  type Chain,
  type DayLaw,
  type FitLot,
  type FitQuestion,
  type LotWay,
  type Span,
  type Standing,
} from '@fresh-tuck/core/season';
import type { Spot } from '@fresh-tuck/contract';
import { unsuited } from '@fresh-tuck/core/method';
import { PAST_DANGER } from '@fresh-tuck/core/nursing';
import type { Reader } from '../forecasts/reader.js';
import type { HouseholdRecord } from '../household/store.js';
import type { Lot } from './lot.js';
import { SEASON, type SeasonLots } from './lots.js';
import { sharesOf, type SeasonRooms } from './rooms.js';
import { titleOf } from './shown.js';

/** Young plants of a kind that bears this much frost stand well on a porch under fleece, °C. Common practice, no source. */
const PORCH_C = -2;
/** Other warm places that are tried for a lot whose own is full. */
const MOST_PLACES = 2;

/** A law as it goes over the wire: what is less than this nobody plans by. */
const sent = ({ from, mass }: DayLaw): DayLaw => ({ from, mass: mass.map((chance) => Math.round(chance * 1e5) / 1e5) });
/** A chain with what a plan asks of it. */
const sentChain = ({ moved, nursed, hardened, ripening, ...chain }: Chain): Chain => ({
  ...chain,
  ...{ moved: sent(moved), nursed: sent(nursed), hardened: sent(hardened), ripening: ripening && sent(ripening) },
  ...{ tips: surely(0), nursing: surely(0), hardening: null },
});

/** What the worker is asked for a plan that fits: every lot with its ways, and what stands there already. */
export function fitQuestionOf(reader: Reader, { worked, roomsOf, chains }: SeasonLots) {
  const { spots } = reader;

  /** Places with daylight and no lamp where a crop grows on well; of those whose room nobody said none can be promised. */
  function growsOnAt({ planned: { crop } }: Lot, { porches }: SeasonRooms): SeasonRooms['porches'] {
    const bears = killedBy(crop).high <= PORCH_C && !boltsAfterCold(crop);
    // What bears the cold leaves the sill to what does not.
    const [cold, mild] = [porches.filter(({ kind }) => kind !== 'sill'), porches.filter(({ kind }) => kind === 'sill')];
    return [...(bears ? cold : []), ...mild].filter(({ room }) => room.holds !== null);
  }

  function waysOf(lot: Lot, all: SeasonRooms, places: readonly Spot[], home: HouseholdRecord, nowMs: number): FitLot['ways'] | null {
    const { planned, wish, question } = lot;
    if (!question) return null;
    const room = all.roomOf(lot);
    const chain = sentChain(question.chain);
    const asWished: LotWay = { kind: 'as_wished', name: '', id: '', chain, room };
    if (lot.sowing || wish.words.pinned) return [asWished];
    const others: LotWay[] = [];
    if (planned.outdoors && room.destination !== 'bed')
      for (const { id, name } of growsOnAt(lot, all))
        if (id !== lot.litId) others.push({ kind: 'lit', id, name, chain, room: { ...room, litId: id } });
    const own = planned.spotId === null ? undefined : all.warmRoom(planned.spotId);
    if (own && own.holds !== null && wish.words.spotId === null && planned.bagged) {
      // Where pots stand under light nobody looks for warmth.
      const near = places.filter(({ id }) => id !== planned.spotId && all.warmRoom(id)?.id === id).slice(0, MOST_PLACES);
      for (const { id, name } of near) {
        const there = chains({ ...wish.words, spotId: id }, home, nowMs);
        const warmId = all.warmRoom(id)?.id ?? null;
        if (there.chain && there.spotId === id)
          others.push({
            ...{ kind: 'warm', id, name, room: { ...room, warmId } },
            chain: sentChain({ ...there.chain, ripening: question.chain.ripening }),
          });
      }
    }
    if (
      places.some(({ kind }) => kind === 'plot') &&
      planned.outdoors &&
      wish.words.method !== 'bed' &&
      unsuited(planned.crop, 'bed') === null
    ) {
      const sown = chains({ ...wish.words, method: 'bed', spotId: null, destination: 'bed' }, home, nowMs);
      if (sown.chain)
        others.push({
          ...{ kind: 'method', id: 'bed', name: 'sown where it stands' },
          chain: sentChain({ ...sown.chain, ripening: question.chain.ripening }),
          room: { ...room, destination: 'bed', bags: 0, litId: null },
        });
    }
    return [asWished, ...others];
  }

  /** What stands there of a lot, tray by tray, each with the places to which it may be carried. */
  function standingOf(lot: Lot, all: SeasonRooms, lamps: readonly string[], span: Span, sureness: number): Standing[] {
    const { wish, year, planned, stands } = lot;
    if (!year) return [];
    const { wishId, words } = wish;
    // A cooler place is slower: what is late already stays in the light and the warmth, and what is pinned stays.
    const late = year.chance !== null && year.chance < sureness;
    const places = words.pinned || late || !planned.outdoors ? [] : growsOnAt(lot, all);
    const need = (room: ReturnType<SeasonRooms['roomOf']>): Standing['need'] =>
      [...lotNeeds(usesOf(wishId, room, year.run).uses, span)].map(
        ([roomId, { mean, variance }]) => [roomId, Array.from(mean, round), Array.from(variance, round)] as const,
      );
    if (stands.length === 0) return [{ id: wishId, need: need(all.roomOf(lot)), carry: null }];
    return sharesOf(lot).map((share, nth): Standing => {
      const { tray, spotId } = stands[nth] as (typeof stands)[number];
      const elsewhere = places.flatMap(({ id, name, kind }) => (id === spotId ? [] : [{ id, name, cold: kind !== 'sill' }]));
      // A fresh seedling stays in the warm, under the best light there is.
      const may = lamps.includes(spotId) && PAST_DANGER.includes(tray.stage) && elsewhere.length > 0;
      return {
        id: `${wishId} ${tray.trayId}`,
        need: need(all.roomOf(lot, share)),
        carry: may ? { trayIds: [tray.trayId], title: titleOf(lot), plants: tray.plants, roomId: spotId, places: elsewhere } : null,
      };
    });
  }

  return (nowMs: number, asked: number | null): FitQuestion & { readonly year: number } => {
    const { home, year, lots, lamps, today, ...rest } = worked(nowMs, asked);
    const standing = [...lots.filter(({ sowing }) => sowing), ...rest.standing()];
    const all = roomsOf(home, nowMs, [...lots, ...standing], lamps);
    const span: Span = { first: today, days: newYear(year) + SEASON.after + 60 - today };
    const places = spots.list(home.zone, home.units, nowMs);
    return {
      ...{ year, today, span, rooms: all.rooms },
      standing: standing.flatMap((lot) => standingOf(lot, all, lamps, span, home.ways.sureness)),
      lots: lots.flatMap((lot): FitLot[] => {
        const ways = lot.sowing ? null : waysOf(lot, all, places, home, nowMs);
        const { year: own, question, wish } = lot;
        if (!ways || !own || !question || isOver(own)) return [];
        return [
          {
            ...{ id: wish.wishId, title: titleOf(lot), fixed: wish.words.pinned },
            ...{ start: own.countedFrom, from: own.starts.from, until: own.starts.until },
            ...{ gate: question.gate, frost: question.frost, goal: question.goal, ways },
          },
        ];
      }),
    };
  };
}

/** Room as it goes over the wire: to a thousandth of a cell. */
const round = (value: number): number => Math.round(value * 1000) / 1000;
