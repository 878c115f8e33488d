import type { CLOSING_REASONS, ENTRY_KINDS, VIAS } from '@fresh-tuck/contract';
import type { Destination } from '@fresh-tuck/core/moving';
import type { ParcelLook, ParcelMove } from '@fresh-tuck/core/parcel';
import type { ClassCounts } from '@fresh-tuck/core/seedtest';

export type EntryKindId = (typeof ENTRY_KINDS)[number];

/** What every line of a batch's journal has. */
export interface EntryHead {
  readonly id: string;
  readonly atMs: number;
  readonly recordedMs: number;
  readonly who: string | null;
  readonly note: string | null;
  readonly supersedes: string | null;
  /** False where a later entry that counts took it back or corrected it. */
  readonly counts: boolean;
}

/** What was seen. */
export interface LookBody {
  readonly look: ParcelLook & { readonly via: (typeof VIAS)[number]; readonly basedOn: string | null };
  /** A test's final count, a carrier each. */
  readonly classes: readonly ClassCounts[] | null;
  readonly photoIds: readonly string[];
}
/** What was lifted out. */
export interface MoveBody {
  readonly move: ParcelMove & {
    readonly destination: Destination;
    readonly cups: readonly { readonly number: number; readonly seed: number | null }[];
    readonly rooted: { readonly freed: number; readonly patched: number; readonly snapped: number };
    /** Seeds planted along while still quiet: they have left, and have proved nothing. */
    readonly quietPlanted: number;
  };
}
/** The starting count, corrected. */
export interface RecountBody {
  readonly seeds: number;
}
export interface CloseBody {
  readonly reason: (typeof CLOSING_REASONS)[number];
}
export type UndoBody = object;

/** What a kind of entry says beside its head. */
export interface Bodies {
  readonly look: LookBody;
  readonly move: MoveBody;
  readonly recount: RecountBody;
  readonly close: CloseBody;
  readonly undo: UndoBody;
}

export type EntryOf<Kind extends EntryKindId> = EntryHead & { readonly kind: Kind } & Bodies[Kind];
/** One line of a batch's journal as it is kept. */
export type Entry = { [Kind in EntryKindId]: EntryOf<Kind> }[EntryKindId];

/** How a kind of entry is kept: its own tables beside the entry's. */
export interface EntryKind<Kind extends EntryKindId> {
  /** Bodies of a batch's entries of this kind, by the entry's id. */
  readonly read: (batchId: string) => (head: EntryHead) => Bodies[Kind];
}

/** A batch as a new entry finds it. */
export interface Subject {
  readonly seeds: number;
  readonly startMs: number;
  readonly entries: readonly Entry[];
}
