import { wallClock } from './local-time.js';
import { formatLength, formatTemperature, type UnitSystem } from './quantity.js';
import { inUnits } from './told.js';

const DAY_MS = 86_400_000;

/** How a household says times and amounts. */
export interface Words {
  /** A moment: "13:00", "tonight 18:30", "tomorrow 07:00", "Tuesday 07:00", "19 April". */
  when(ms: number): string;
  /** A moment by its date: "Wed 8 Apr, 18:30", with its year where that is another. */
  moment(ms: number): string;
  length(millimetres: number): string;
  temperature(celsius: number): string;
  /** A text of the book, its temperatures and lengths in the household's units. */
  told(text: string): string;
  /** Water by the household's sprayer: "6 sprays". */
  sprays(millilitres: number): string;
}

/**
 * Words for one household at one moment.
 *
 * @param zone IANA zone; @param nowMs what "today" is told from
 * @param millilitresPerSpray of the sprayer, calibrated once
 */
export function wordsFor(zone: string, units: UnitSystem, nowMs: number, millilitresPerSpray: number): Words {
  const now = wallClock(zone, nowMs);
  const todayMs = now.startOf('day').toMillis();
  return {
    when(ms) {
      const moment = wallClock(zone, ms);
      const clock = moment.toFormat('HH:mm');
      // Midnights are whole days apart but for the hour of a clock change.
      const days = Math.round((moment.startOf('day').toMillis() - todayMs) / DAY_MS);
      if (days === 0) return moment.hour >= 17 && now.hour < 17 ? `tonight ${clock}` : clock;
      if (days === 1) return `tomorrow ${clock}`;
      if (days === -1) return `yesterday ${clock}`;
      if (days > 1 && days < 7) return `${moment.toFormat('cccc')} ${clock}`;
      return moment.toFormat(moment.year === now.year ? 'd LLLL' : 'd LLLL yyyy');
    },
    moment(ms) {
      const moment = wallClock(zone, ms);
      return moment.toFormat(moment.year === now.year ? 'ccc d LLL, HH:mm' : 'ccc d LLL yyyy, HH:mm');
    },
    length: (millimetres) => formatLength(millimetres, units),
    temperature: (celsius) => formatTemperature(celsius, units),
    told: (text) => inUnits(text, units),
    sprays(millilitres) {
      const sprays = Math.max(1, Math.round(millilitres / millilitresPerSpray));
      return `${sprays} ${sprays === 1 ? 'spray' : 'sprays'}`;
    },
  };
}
