import { computed, inject, signal, type Signal } from '@angular/core';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { type ParcelFacts, parcelState } from '@fresh-tuck/core/parcel';
import { AboutService } from '../data/household/about.service';

/**
 * The moment that a look speaks of: now, a time lately past, or that of a look which is
 * corrected; and the parcel as it was by then. To be called while a component is made.
 *
 * @param correct the look to correct, from the batch's journal
 */
export function momentOf(batch: Signal<BatchWithJournal | null>, correct: Signal<string | undefined>) {
  const about = inject(AboutService);
  /** Which of the looks is corrected; null where a new one is made. */
  const nth = computed(() => {
    const look = correct();
    const found = look === undefined ? -1 : (batch()?.lookIds.indexOf(look) ?? -1);
    return found < 0 ? null : found;
  });
  const correcting = computed(() => nth() !== null);
  const corrected = computed(() => {
    const index = nth();
    return index === null ? null : (batch()?.facts.looks[index] ?? null);
  });
  /** When it was looked at, on the household's clock; null is now. */
  const at = signal<string | null>(null);
  const atMs = computed(() => {
    const local = at();
    return local === null ? (corrected()?.atMs ?? about.nowMs()) : about.moments().at(local);
  });
  /** Whether the look stands before now, and so sees the parcel as it was then. */
  const past = computed(() => at() !== null || correcting());
  /** Facts without the look that is being corrected. */
  const facts = computed<ParcelFacts | null>(() => {
    const known = batch();
    const index = nth();
    if (!known || index === null) return known?.facts ?? null;
    return { ...known.facts, looks: known.facts.looks.filter((_, other) => other !== index) };
  });
  const before = computed(() => {
    const known = facts();
    if (!known) return null;
    const until = past() ? atMs() : Infinity;
    const by = ({ atMs: ms }: { readonly atMs: number }): boolean => ms <= until;
    return parcelState(known.seeds, known.startMs, known.looks.filter(by), known.moves.filter(by));
  });
  /** The last real look before this one: what its totals go on from. */
  const basedOn = computed(() => {
    const known = batch();
    if (!known || correcting()) return null;
    if (!past()) return known.lastLookId;
    const real = new Set(known.journal.filter(({ kind, counts }) => kind === 'look' && counts).map(({ id }) => id));
    const last = known.facts.looks.findLastIndex(({ atMs: ms }, index) => ms <= atMs() && real.has(known.lookIds[index] ?? ''));
    return last < 0 ? null : (known.lookIds[last] ?? null);
  });
  const seenText = computed(() => about.moments().spoken(corrected()?.atMs ?? 0));
  return { at, atMs, facts, before, basedOn, correcting, corrected, seenText };
}
