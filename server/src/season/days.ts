import { DateTime } from 'luxon';
import type { Season } from '@fresh-tuck/contract';
import { seasonDayInWords, type SeasonDay } from '@fresh-tuck/core/words';
import type { Entry } from '../calendar/entry.js';

/** Days of the season for outside calendars: every start, planting out and first harvest that is to come. */
export function seasonDays({ lots, today, year }: Pick<Season, 'lots' | 'today' | 'year'>, zone: string): Entry[] {
  const put = (uid: string, day: number, told: SeasonDay): Entry[] => {
    const at = Math.round(day);
    if (at < today) return [];
    const date = DateTime.fromISO(new Date(at * 86_400_000).toISOString().slice(0, 10), { zone });
    const fromMs = date.startOf('day').toMillis();
    return [{ uid, fromMs, toMs: date.plus({ days: 1 }).startOf('day').toMillis(), allDay: true, ...seasonDayInWords(told, year) }];
  };
  return lots.flatMap((lot) => {
    const { wishId, title, seeds, start, until, state, stages } = lot;
    const at = (stage: string) => stages.find((one) => one.stage === stage) ?? null;
    const [out, ripe] = [at('planted_out'), at('ripe')];
    return [
      ...(state === 'planned' ? put(`season-start-${wishId}`, start, { kind: 'start', title, seeds, until }) : []),
      ...(out && state !== 'out' && state !== 'ripe'
        ? put(`season-out-${wishId}`, out.at50, { kind: 'out', title, at10: out.at10, at90: out.at90 })
        : []),
      ...(ripe && state !== 'ripe'
        ? put(`season-ripe-${wishId}`, ripe.at50, { kind: 'ripe', title, at10: ripe.at10, at90: ripe.at90 })
        : []),
    ];
  });
}
