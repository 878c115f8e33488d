import type { Chain, CropFrost, SeasonGoal } from './chain.js';
import type { DayNumber } from './days.js';
import type { LotRoom } from './lot.js';
import type { Room, Span } from './space.js';

/** A way in which a lot could be raised instead: elsewhere, or sown where it stands. */
export interface LotWay {
  readonly kind: 'as_wished' | 'lit' | 'warm' | 'method';
  /** What its place or its way is called; the id that the wish is changed to. */
  readonly name: string;
  readonly id: string;
  readonly chain: Chain;
  readonly room: LotRoom;
}

/** A lot that a plan may move. */
export interface FitLot {
  readonly id: string;
  readonly title: string;
  /** Begun already, or to be left alone. */
  readonly fixed: boolean;
  readonly start: DayNumber;
  /** Sensible from and until; null on a side that has no end. */
  readonly from: DayNumber | null;
  readonly until: DayNumber | null;
  readonly gate: DayNumber | null;
  readonly frost: Pick<CropFrost, 'newYear' | 'kills' | 'ends'>;
  readonly goal: SeasonGoal;
  /** The first as it is wished. */
  readonly ways: readonly [LotWay, ...LotWay[]];
}

export interface FitQuestion {
  readonly rooms: readonly Room[];
  readonly lots: readonly FitLot[];
  /** What stands there already; some of it may be carried elsewhere. */
  readonly standing: readonly Standing[];
  readonly span: Span;
  readonly today: DayNumber;
}

/** What is changed of a lot, and what that costs. */
export interface FitChange {
  readonly lotId: string;
  /** Days later (or, negative, sooner). */
  readonly days: number;
  readonly way: LotWay;
  /** Share of its plants that is kept: 1, less, or none. */
  readonly keeps: number;
  /** Where it is split, the second half follows so many days later; null where it is not. */
  readonly splitDays: number | null;
  readonly cost: number;
  /** Chance of what is wished, before and after; null where nothing can be said. */
  readonly chanceBefore: number | null;
  readonly chanceAfter: number | null;
  /** Days by which its end comes later, in the middle. */
  readonly endLater: number;
}

/** Something that stands there already, with the room that it takes day by day. */
export interface Standing {
  readonly id: string;
  readonly need: readonly (readonly [roomId: string, mean: readonly number[], variance: readonly number[]])[];
  /** Null where it stays. */
  readonly carry: Carriable | null;
}
/** Seedlings that may be carried from where they stand. */
export interface Carriable {
  readonly trayIds: readonly string[];
  readonly title: string;
  readonly plants: number;
  /** The room that they leave. */
  readonly roomId: string;
  /** @property cold whether its nights are near those of outdoors */
  readonly places: readonly { readonly id: string; readonly name: string; readonly cold: boolean }[];
}
/** Seedlings that a plan carries elsewhere, today. */
export interface Carry extends Omit<Carriable, 'places' | 'roomId'> {
  readonly id: string;
  readonly place: Carriable['places'][number];
}

/** A plan: what is changed, what is carried, and whether all fits. */
export interface Fit {
  readonly changes: readonly FitChange[];
  /** What stands there already and is carried elsewhere. */
  readonly carries: readonly Carry[];
  readonly cost: number;
  /** Whether nothing better is left among all combinations. */
  readonly exact: boolean;
  /** Whether rooms overflow whatever is planned, as they are full already. */
  readonly overfullAnyway: boolean;
}
