import { isOver, usesOf, type LotRoom, type LotUses, type Room } from '@fresh-tuck/core/season';
import type { Reader } from '../forecasts/reader.js';
import type { HouseholdRecord } from '../household/store.js';
import type { Lot } from './lot.js';

/** Rooms of a season, and what the lots take of them. */
export interface SeasonRooms {
  readonly rooms: readonly Room[];
  /** What a lot takes as it is wished, or as it stands. */
  readonly uses: readonly LotUses[];
  /** What a lot takes on its way; a share of it where its trays stand apart. */
  roomOf(lot: Lot, share?: Share): LotRoom;
  /** The room for bags and trays in the warm at a place. */
  warmRoom(spotId: string): Room | undefined;
  /** Places with daylight and no lamp. */
  readonly porches: readonly { readonly id: string; readonly name: string; readonly kind: string; readonly room: Room }[];
}
/** Part of a lot: where it grows on, how much of the whole it is, and whether its seed is counted with it. */
export interface Share {
  readonly litId: string;
  readonly of: number;
  readonly first: boolean;
}

/** What of a lot stands where: the whole of it, until its trays stand apart. */
export function sharesOf({ stands }: Pick<Lot, 'stands'>): Share[] {
  const all = stands.reduce((sum, { tray }) => sum + tray.plants, 0);
  return stands.map(({ spotId, tray }, nth) => ({ litId: spotId, of: tray.plants / all, first: nth === 0 }));
}

/** The rooms of a house through a season. */
export function seasonRooms({ beds, care, racks, season, spots }: Pick<Reader, 'beds' | 'care' | 'racks' | 'season' | 'spots'>) {
  return {
    roomsOf(home: HouseholdRecord, nowMs: number, lots: readonly Lot[], lamps: readonly string[]): SeasonRooms {
      const said = season.rooms();
      const places = spots.list(home.zone, home.units, nowMs);
      const daylit = places.filter(({ id, kind }) => {
        const light = care.lightAt(id, nowMs)?.light;
        return light === undefined ? kind === 'cool_room' : light.lamp === null && (light.daylit === 'window' || light.daylit === 'roof');
      });
      const growsOn = new Set([
        ...lamps,
        ...daylit.map(({ id }) => id),
        ...lots.flatMap(({ litId, stands }) => [litId ?? [], stands.map(({ spotId }) => spotId)].flat()),
      ]);
      const lit = places
        .filter(({ id }) => growsOn.has(id))
        .map(({ id, name }): Room => ({ id, spotId: id, name, kind: 'lit', holds: said.get(id) ?? null }));
      // Bags are counted as bags, also where pots stand beside them under a lamp.
      const warm = new Map(
        places.map(({ id, name, holds }) => [
          id,
          { id: growsOn.has(id) ? `${id} bags` : id, spotId: id, name, kind: 'warm', holds } satisfies Room,
        ]),
      );
      const racksThere = racks.list();
      const rackId = racksThere[0]?.id ?? null;
      const warmRoom = (spotId: string): Room | undefined => warm.get(spotId);

      function roomOf({ wish: { words }, planned, sowing, litId }: Lot, share?: Share): LotRoom {
        const { of, first } = share ?? { of: 1, first: true };
        const sprouts = sowing?.closed ? sowing.living : Math.max(planned.sprouts, sowing?.living ?? 0);
        const plants = sowing && sowing.moved > 0 ? Math.min(sowing.living, words.plants) : words.plants;
        return {
          ...{ crop: planned.crop, destination: planned.destination, perPot: planned.perPot },
          ...{ sprouts: Math.ceil(sprouts * of), plants: of === 1 ? plants : plants * of },
          bags: first && planned.bagged && !(sowing?.closed ?? false) ? 1 : 0,
          warmId: planned.spotId === null ? null : (warm.get(planned.spotId)?.id ?? null),
          litId: planned.outdoors || words.place === 'indoors' ? (share?.litId ?? litId) : null,
          rackId: words.rackId ?? rackId,
          bedId: words.bedId,
        };
      }

      const uses = lots.flatMap((lot): LotUses[] => {
        const { year, wish } = lot;
        // What will not be grown any more takes no room.
        if (!year || isOver(year)) return [];
        const shares = sharesOf(lot);
        const rooms = shares.length < 2 ? [roomOf(lot)] : shares.map((share) => roomOf(lot, share));
        return [{ lotId: wish.wishId, uses: rooms.flatMap((room) => usesOf(wish.wishId, room, year.run).uses) }];
      });
      const rooms: Room[] = [
        ...lit,
        ...warm.values(),
        ...racksThere.map(({ id, name, slots }): Room => ({ id, name, kind: 'slots', holds: slots })),
        ...beds.list(nowMs).map(({ id, name, widthM, lengthM }): Room => ({ id, name, kind: 'bed', holds: widthM * lengthM })),
      ];
      const porches = daylit.flatMap(({ id, name, kind }) => {
        const room = lit.find((one) => one.id === id);
        return room ? [{ id, name, kind, room }] : [];
      });
      return { rooms, uses, roomOf, warmRoom, porches };
    },
  };
}
