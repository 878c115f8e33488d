import * as z from 'zod';
import { id, text } from './fields.js';

/** A note as it is said: what, of which day, and what it is about. */
export const noteWords = z.strictObject({
  day: z.iso.date({ error: 'day must be a date like 2026-05-20' }),
  text: text(2000, 'text'),
  /** The batch or the crop that it is about; both null where it is about neither. */
  batchId: id.nullable().default(null),
  cropId: text(60, 'cropId').nullable().default(null),
});
/** A note said or changed; without words it is taken out. */
export const noteRequest = z.strictObject({ id, noteId: id, words: noteWords.nullable() });
/** The last that was said of a note is taken back. */
export const noteUndoRequest = z.strictObject({ id, noteId: id });
export type NoteWords = z.output<typeof noteWords>;
export type NoteRequest = z.input<typeof noteRequest>;
