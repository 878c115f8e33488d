import {
  killedBy,
  lotNeeds,
  newYear,
  surely,
  type Chain,
  type DayLaw,
  type FitLot,
  type FitQuestion,
  type LotWay,
  type Room,
  type Span,
} from '@fresh-tuck/core/season';
import { unsuited } from '@fresh-tuck/core/method';
import type { Reader } from '../forecasts/reader.js';
import type { HouseholdRecord } from '../household/store.js';
import { roomOf, SEASON, type Lot, type SeasonLots } from './lots.js';

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
  const { care, spots } = reader;

  /** Places with daylight and no lamp, by what is said of their light. */
  const porches = (nowMs: number, home: HouseholdRecord) => {
    const said = reader.season.rooms();
    // What nobody has said the room of promises none.
    return spots.list(home.zone, home.units, nowMs).filter(({ id, kind }) => {
      if ((said.get(id) ?? null) === null) return false;
      const light = care.lightAt(id, nowMs)?.light;
      return kind === 'cool_room' || light?.daylit === 'roof' || (light !== undefined && light.lamp === null && light.daylit === 'window');
    });
  };

  function waysOf(lot: Lot, rooms: readonly Room[], rackId: string | null, home: HouseholdRecord, nowMs: number): FitLot['ways'] | null {
    const { planned, wish, question } = lot;
    if (!question) return null;
    const room = roomOf(lot, rackId);
    const chain = sentChain(question.chain);
    const asWished: LotWay = { kind: 'as_wished', name: '', id: '', chain, room };
    if (lot.sowing || wish.words.pinned) return [asWished];
    const others: LotWay[] = [];
    if (planned.outdoors && room.destination !== 'bed') {
      const bears = killedBy(planned.crop).high <= PORCH_C;
      for (const { id, name, kind } of porches(nowMs, home))
        if (id !== lot.litId && (bears || kind === 'sill')) others.push({ kind: 'lit', id, name, chain, room: { ...room, litId: id } });
    }
    const own = rooms.find(({ id }) => id === planned.spotId);
    if (own && own.holds !== null && wish.words.spotId === null && planned.bagged) {
      const near = rooms.filter(({ kind, id, name }) => kind === 'warm' && id !== own.id && name !== '').slice(0, MOST_PLACES);
      for (const { id, name } of near) {
        const there = chains({ ...wish.words, spotId: id }, home, nowMs);
        if (there.chain && there.spotId === id)
          others.push({
            kind: 'warm',
            id,
            name,
            chain: sentChain({ ...there.chain, ripening: question.chain.ripening }),
            room: { ...room, warmId: id },
          });
      }
    }
    const plot = spots.list(home.zone, home.units, nowMs).some(({ kind }) => kind === 'plot');
    if (plot && planned.outdoors && wish.words.method !== 'bed' && unsuited(planned.crop, 'bed') === null) {
      const sown = chains({ ...wish.words, method: 'bed', spotId: null, destination: 'bed' }, home, nowMs);
      if (sown.chain)
        others.push({
          ...{
            kind: 'method',
            id: 'bed',
            name: 'sown where it stands',
            chain: sentChain({ ...sown.chain, ripening: question.chain.ripening }),
          },
          room: { ...room, destination: 'bed', bags: 0, litId: null },
        });
    }
    return [asWished, ...others];
  }

  return (nowMs: number, asked: number | null): FitQuestion & { readonly year: number } => {
    const { home, year, lots, lamps, today, ...rest } = worked(nowMs, asked);
    const standing = rest.standing();
    const { rooms, uses, rackId } = roomsOf(home, nowMs, [...lots, ...standing], lamps);
    const span: Span = { first: today, days: newYear(year) + SEASON.after + 60 - today };
    const unmoved = new Set([
      ...standing.map(({ wish }) => wish.wishId),
      ...lots.filter(({ sowing }) => sowing).map(({ wish }) => wish.wishId),
    ]);
    const round = (value: number): number => Math.round(value * 1000) / 1000;
    return {
      year,
      rooms: withPorches(rooms, porches(nowMs, home), reader.season.rooms()),
      today,
      span,
      standing: uses
        .filter(({ lotId }) => unmoved.has(lotId))
        .map(({ lotId, uses: own }) => ({
          id: lotId,
          need: [...lotNeeds(own, span)].map(
            ([roomId, { mean, variance }]) => [roomId, Array.from(mean, round), Array.from(variance, round)] as const,
          ),
        })),
      lots: lots.flatMap((lot): FitLot[] => {
        const ways = lot.sowing ? null : waysOf(lot, rooms, rackId, home, nowMs);
        const { year: own, question, wish, planned } = lot;
        if (!ways || !own || !question) return [];
        return [
          {
            ...{ id: wish.wishId, title: planned.variety === null ? planned.crop.name : `${planned.crop.name}, ${planned.variety}` },
            ...{ fixed: wish.words.pinned, start: Math.max(own.start, today), from: own.starts.from, until: own.starts.until },
            ...{ gate: question.gate, frost: question.frost, goal: question.goal, ways },
          },
        ];
      }),
    };
  };
}

/** Porches and sills are rooms too, as large as was said. */
const withPorches = (
  rooms: readonly Room[],
  porches: readonly { readonly id: string; readonly name: string }[],
  said: ReadonlyMap<string, number | null>,
): Room[] => [
  ...rooms.filter(({ id }) => !porches.some((porch) => porch.id === id)),
  ...porches.map(({ id, name }): Room => ({ id, name, kind: 'lit', holds: said.get(id) ?? null })),
];
