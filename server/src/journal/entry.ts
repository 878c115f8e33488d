import type { CLOSING_REASONS, ENTRY_KINDS, VIAS } from '@fresh-tuck/contract';
import type { Destination } from '@fresh-tuck/core/moving';
import type { ParcelLook, ParcelMove } from '@fresh-tuck/core/parcel';
import type { ClassCounts } from '@fresh-tuck/core/seedtest';
import type { CarrierKind, MethodId } from '@fresh-tuck/core/method';

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
    readonly bedId: string | null;
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
/** Another time, or another destination, for an entry that stands as it is otherwise. */
export interface CorrectBody {
  readonly targetId: string;
  readonly toMs: number | null;
  readonly destination: Destination | null;
  readonly bedId: string | null;
}
/** What of a batch's row a correction may rewrite, by its columns. */
export interface Amended {
  readonly packet_id: string;
  readonly start_ms: number;
  readonly prepared: string;
  readonly chill_until_ms: number | null;
  readonly soak_until_ms: number | null;
  readonly method: MethodId;
  readonly carrier_kind: CarrierKind;
  readonly wanted: number | null;
  readonly aim: string;
  readonly final_ms: number | null;
}
/** What the batch was begun as, corrected: the columns of its row that changed. */
export interface AmendBody {
  readonly before: Partial<Amended>;
  readonly after: Partial<Amended>;
}

/** What a kind of entry says beside its head. */
export interface Bodies {
  readonly look: LookBody;
  readonly move: MoveBody;
  readonly recount: RecountBody;
  readonly close: CloseBody;
  readonly undo: UndoBody;
  readonly correct: CorrectBody;
  readonly amend: AmendBody;
  /** The tuck-in was taken back. */
  readonly untuck: UndoBody;
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
