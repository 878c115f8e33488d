import type { Batch, DAMPS, LookRequest } from '@fresh-tuck/contract';
import { hasTipped, type ParcelLook, type ParcelState, type SeedMark, type SeedStage, type Trouble } from '@fresh-tuck/core/parcel';
import type { TowelSeed } from '../kit/towel';

export type Damp = (typeof DAMPS)[number];

/** A look while it is being made. Nothing is set that the gardener has not seen. */
export interface Draft {
  readonly via: 'opened' | 'through' | null;
  readonly marks: ReadonlyMap<number, SeedMark>;
  /** Tips counted and not touched. */
  readonly counted: number;
  readonly nothingNew: boolean;
  readonly damp: Damp | null;
  readonly rewetted: boolean;
  readonly troubles: ReadonlySet<Trouble>;
  readonly note: string;
}

export const emptyDraft = (via: Draft['via']): Draft => ({
  via,
  marks: new Map(),
  counted: 0,
  nothingNew: false,
  damp: null,
  rewetted: false,
  troubles: new Set(),
  note: '',
});

/** Picks a recorded look up again, to correct it. */
export function draftFrom(look: ParcelLook, before: ParcelState): Draft {
  const marked = look.marks.filter(({ seed, stage }) => hasTipped(stage) && !hasTipped(before.seeds[seed - 1]?.stage ?? 'quiet')).length;
  const touched = Math.max(marked - unplaced(before), 0);
  return {
    via: look.through ? 'through' : 'opened',
    marks: new Map(look.marks.map((mark) => [mark.seed, mark])),
    counted: Math.max((look.tipped ?? before.tipped) - before.tipped - touched, 0),
    nothingNew: look.tipped === before.tipped && look.marks.length === 0,
    damp: look.damp,
    rewetted: look.rewetted,
    troubles: new Set(look.troubles),
    note: '',
  };
}

/** What a touch turns a seed into next. A touched seed goes back to what it was after its last stage. */
const NEXT: Partial<Record<SeedStage, SeedStage>> = { quiet: 'tip', swollen: 'tip', tip: 'root', root: 'leaves' };

export function advance(draft: Draft, before: ParcelState, seed: number): Draft {
  const base = before.seeds[seed - 1]?.stage ?? 'quiet';
  const now = draft.marks.get(seed)?.stage ?? base;
  const next = NEXT[now];
  return next ? mark(draft, { seed, stage: next, rootMm: null }) : unmark(draft, seed);
}

export function mark(draft: Draft, seedMark: SeedMark): Draft {
  return { ...draft, nothingNew: false, marks: new Map(draft.marks).set(seedMark.seed, seedMark) };
}

export function unmark(draft: Draft, seed: number): Draft {
  const marks = new Map(draft.marks);
  marks.delete(seed);
  return { ...draft, marks };
}

/** Seeds touched in this draft that had no tip before. */
export const touchedTips = (draft: Draft, before: ParcelState): number =>
  [...draft.marks.values()].filter(({ seed, stage }) => hasTipped(stage) && !hasTipped(before.seeds[seed - 1]?.stage ?? 'quiet')).length;

const touched = (draft: Draft, before: ParcelState, as: SeedStage): number =>
  [...draft.marks.values()].filter(({ seed, stage }) => stage === as && before.seeds[seed - 1]?.stage !== as).length;
const touchedRot = (draft: Draft, before: ParcelState): number => touched(draft, before, 'rotten');
/** Lost or given away before they showed a tip; a sprout that is lost has shown one. */
const touchedLost = (draft: Draft, before: ParcelState): number =>
  [...draft.marks.values()].filter(
    ({ seed, stage }) => stage === 'lost' && ['quiet', 'swollen'].includes(before.seeds[seed - 1]?.stage ?? ''),
  ).length;

/** Touching a tip that was only counted before gives it its place; it is no new tip. */
export function newTips(draft: Draft, before: ParcelState): number {
  return freshTouched(draft, before) + draft.counted;
}

/** Tips that were counted before and have no place on the towel yet. */
const unplaced = (before: ParcelState): number => before.counted.reduce((sum, { count }) => sum + count, 0);
const freshTouched = (draft: Draft, before: ParcelState): number => Math.max(touchedTips(draft, before) - unplaced(before), 0);

/** Most tips that can be counted besides the touched ones. */
export const mostCounted = (draft: Draft, before: ParcelState): number =>
  Math.max(before.quiet - freshTouched(draft, before) - touchedRot(draft, before) - touchedLost(draft, before), 0);

/** Whether the seeds were looked at at all. */
export const seedsSeen = (draft: Draft): boolean => draft.nothingNew || draft.counted > 0 || draft.marks.size > 0;

/** Whether there is anything to keep. */
export const saysSomething = (draft: Draft): boolean => seedsSeen(draft) || draft.damp !== null || draft.troubles.size > 0;

export function totals(draft: Draft, before: ParcelState): { tipped: number; rotten: number; lost: number } | null {
  if (!seedsSeen(draft)) return null;
  const marks = [...draft.marks.values()].filter(({ stage }) => hasTipped(stage)).length;
  const placed = before.seeds.filter(({ seed, stage }) => hasTipped(stage) && !draft.marks.has(seed)).length;
  return {
    tipped: Math.max(before.tipped + newTips(draft, before), marks + placed),
    rotten: before.rotten + touchedRot(draft, before),
    lost: before.lost + touchedLost(draft, before),
  };
}

/** The draft as the forecast takes it; null where it says nothing yet. */
export function draftLook(draft: Draft, before: ParcelState, atMs: number): ParcelLook | null {
  if (!saysSomething(draft)) return null;
  const seen = totals(draft, before);
  return {
    atMs,
    through: draft.via === 'through',
    tipped: seen?.tipped ?? null,
    rotten: seen?.rotten ?? null,
    lost: seen?.lost ?? null,
    marks: [...draft.marks.values()],
    damp: draft.damp,
    rewetted: draft.rewetted,
    troubles: [...draft.troubles],
  };
}

/** The draft as it is sent. */
export function lookRequest(
  draft: Draft,
  before: ParcelState,
  sent: { id: string; via: LookRequest['via']; basedOn: string | null; supersedes: string | null; who: string | null; at?: string | null },
): LookRequest {
  const seen = totals(draft, before);
  return {
    id: sent.id,
    at: sent.at ?? null,
    via: sent.via,
    seen: seen && { ...seen, basedOn: sent.basedOn },
    marks: [...draft.marks.values()],
    damp: draft.damp,
    rewetted: draft.rewetted,
    troubles: [...draft.troubles],
    who: sent.who,
    note: draft.note.trim() || null,
    supersedes: sent.supersedes,
  };
}

/** The seeds as the towel shows them with the draft laid over. */
export function towelSeeds(batch: Batch, before: ParcelState, draft: Draft): TowelSeed[] {
  return before.seeds.map(({ seed, stage, moved, measuredMm }) => {
    const touched = draft.marks.get(seed);
    return {
      seed,
      stage: touched?.stage ?? stage,
      moved,
      rootMm: touched ? touched.rootMm : (estimated(batch, seed) ?? measuredMm),
      fresh: touched !== undefined,
    };
  });
}

/** Length that a root seen before has probably reached, for drawing it; only where it was measured. */
function estimated(batch: Batch, seed: number): number | null {
  const root = batch.answers.roots.find(({ seeds, measured }) => measured && seeds.includes(seed));
  return root ? Math.round(root.usualMm) : null;
}
