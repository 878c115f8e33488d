import { DateTime } from 'luxon';
import type { AwayView } from '@fresh-tuck/contract';
import type { Absence } from '@fresh-tuck/core/parcel';
import { lateStart } from '@fresh-tuck/core/looking';
import { bestSpot, comesAt, type Standing } from '@fresh-tuck/core/sowing';
import { offsetHours } from '@fresh-tuck/core/units';
import { integrateProgress, responseOf, type Progress } from '@fresh-tuck/core/warmth';
import { momentFrom } from '../clock.js';
import type { Reader } from '../forecasts/reader.js';

const DAY_MS = 86_400_000;
/** As far as a planned start is followed, days. */
const FOLLOWED_DAYS = 60;
/** When a list is laid that names no hour. */
const EVENING = '18:00';
const LOCAL = "yyyy-MM-dd'T'HH:mm";

/**
 * Planned lists whose first roots would be late while nobody is there, with the day from
 * which a start is late enough.
 *
 * @param tell makes a sentence of a list's name, its crops and that day
 */
export function laterStarts(
  { crops, forecasts, household, packets, sittings, spots, warm }: Reader,
  { fromMs, toMs }: Absence,
  nowMs: number,
  tell: (name: string, crops: readonly string[], beginMs: number) => { readonly text: string; readonly label: string },
): AwayView['later'] {
  const home = household.get();
  const offset = offsetHours(home.zone, nowMs);
  return sittings
    .names()
    .filter(({ ended, done, packets: all }) => !ended && done < all)
    .flatMap(({ id, name, at }) => {
      const startMs = Math.max(at === null ? nowMs : momentFrom(at, home.zone, nowMs, 'at', Infinity), nowMs);
      if (startMs >= toMs) return [];
      const due = sittings
        .whole(id)
        .lines.filter(
          ({ batchId, skipped, title, words }) => batchId === null && !skipped && title !== null && (words.chillDays ?? 0) === 0,
        )
        .flatMap(({ packetId, words }) => lateWithin(packetId, words.spotId ?? null, startMs));
      if (due.length === 0) return [];
      const leadMs = Math.min(...due.map((each) => each.leadMs));
      const begin = onDay(Math.max(toMs - leadMs, startMs), at);
      const told = tell(name ?? 'A planned list', [...new Set(due.map((each) => each.crop))], begin.toMillis());
      return [{ sittingId: id, ...told, at: begin.toFormat(LOCAL), was: at }];
    });

  /** The first day from a moment on, at the hour that a list was meant for. */
  function onDay(fromMs: number, at: string | null): DateTime {
    const { hour, minute } = DateTime.fromISO(at ?? `2000-01-01T${EVENING}`);
    const day = DateTime.fromMillis(fromMs, { zone: home.zone }).set({ hour, minute, second: 0, millisecond: 0 });
    return day.toMillis() < fromMs ? day.plus({ days: 1 }) : day;
  }

  /** How long a start of a packet takes at the earliest to a late root, where that falls into the absence. */
  function lateWithin(packetId: string, spotId: string | null, startMs: number): { crop: string; leadMs: number }[] {
    const crop = crops.crop(packets.get(packetId).crop_id);
    const prior = forecasts.priorOf(packetId, spotId, 'tip', home, nowMs);
    const places = (spotId !== null && spots.has(spotId) ? [spotId] : spots.ids()).map((each) => {
      const stay = { ...warm.place(each, nowMs, offset), fromMs: startMs };
      return {
        id: each,
        progress: integrateProgress(responseOf(crop.temperature), [stay], startMs, startMs + FOLLOWED_DAYS * DAY_MS, offset),
      };
    });
    const standings = places.map(({ id, progress }): Standing & { readonly progress: Progress } => {
      const half = progress.when(Math.exp(prior.logMedian.mean));
      return {
        spotId: id,
        progress,
        comes: comesAt(crop, progress, startMs),
        halfDays: half === null ? null : (half - startMs) / DAY_MS,
        refused: null,
      };
    });
    const best = bestSpot(standings);
    const progress = standings.find((each) => each.spotId === best)?.progress;
    if (!progress) return [];
    const leadMs = lateStart(crop.root, prior, progress, { fromMs, toMs });
    return leadMs === null ? [] : [{ crop: crop.name.toLowerCase(), leadMs }];
  }
}
