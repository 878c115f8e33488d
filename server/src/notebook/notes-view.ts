import type { Notes } from '@fresh-tuck/contract';
import { wallClock } from '@fresh-tuck/core/units';
import type { Reader } from '../forecasts/reader.js';

/** What is asked of the notes. */
export interface NotesAsked {
  readonly find: string;
  readonly batch: string | null;
  readonly crop: string | null;
  readonly from: number;
}
/** Notes on a page. */
const A_PAGE = 40;

/** What was written, the latest day first, each with what it is about and its pictures. */
export function notesView({ batches, crops, household, notes, packets }: Reader) {
  return ({ find, batch, crop, from }: NotesAsked): Notes => {
    const { zone } = household.get();
    const words = find.trim().toLowerCase();
    const named = words === '' ? [] : crops.list().filter(({ crop: { name } }) => name.toLowerCase().includes(words));
    const asked = {
      words: words === '' ? null : words,
      crops: named.map((one) => one.crop.id),
      batchId: batch,
      cropId: crop,
      from,
      most: A_PAGE,
    };
    const found = notes.list(asked);
    return {
      notes: found.map(({ id, kind, day, at_ms, text, batch_id, crop_id, who }) => {
        const row = batch_id === null ? null : batches.get(batch_id);
        const cropName = crop_id === null ? null : crops.crop(crop_id).name;
        return {
          ...{ id, kind, text, who, batchId: batch_id, cropId: crop_id },
          day: day ?? (wallClock(zone, at_ms).toISODate() as string),
          batchNumber: row?.number ?? null,
          about: row ? `${row.number} · ${cropName}, ${packets.get(row.packet_id).variety}` : cropName,
          photoIds: notes.photosOf(id),
        };
      }),
      more: Math.max(notes.count(asked) - from - found.length, 0),
    };
  };
}
