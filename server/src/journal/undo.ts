import type { EntryKind } from './entry.js';

/** An undo says nothing of its own: what it takes back stands in its head. */
export const undoKind: EntryKind<'undo'> = { read: () => () => ({}) };
