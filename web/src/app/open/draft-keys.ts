import { DAMPS } from '@fresh-tuck/contract/choices';
import type { ParcelState } from '@fresh-tuck/core/parcel';
import { mostCounted, type Draft } from './draft';

/** What a key does to the look that is being made. */
export const KEYS = (before: ParcelState): Readonly<Record<string, (draft: Draft) => Draft>> => ({
  n: (draft) => ({ ...draft, nothingNew: !draft.nothingNew, counted: 0, marks: new Map() }),
  '+': (draft) => ({ ...draft, nothingNew: false, counted: Math.min(draft.counted + 1, mostCounted(draft, before)) }),
  '-': (draft) => ({ ...draft, counted: Math.max(draft.counted - 1, 0) }),
  d: (draft) => ({ ...draft, damp: DAMPS[(draft.damp === null ? -1 : DAMPS.indexOf(draft.damp)) + 1] ?? null, rewetted: false }),
});

/** Whether a key was meant for the screen: no chord, and not typed into a field. */
export const isShortcut = ({ ctrlKey, metaKey, altKey, target }: KeyboardEvent): boolean =>
  !ctrlKey && !metaKey && !altKey && !(target instanceof HTMLElement && ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));
