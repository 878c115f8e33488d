import { minuteOn, type Tray, type Wanted } from './tray.js';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
/** It reads so often, and sends so many readings at once at the most. */
export const READS_MS = 5 * MINUTE_MS;
export const MOST_AT_ONCE = 200;
/** Back from now so far it remembers when it is switched on. */
const REMEMBERS_MS = 2 * DAY_MS;
/** It has settled before anybody reads it. */
const SETTLES_MS = DAY_MS;
/** Every evening its wireless sleeps: what it read then is lost. Of its own clock, UTC minutes of the day. */
export const SLEEPS = { fromMinute: 16 * 60, toMinute: 17 * 60 + 20 } as const;
/** A cheap sensor: it drifts by so much a day, up to so much, °C. */
const DRIFTS_C = { aDay: 0.02, most: 0.4 } as const;

/** Something it read, °F as it was built. */
export interface Said {
  readonly at: string;
  readonly value: number;
}

const sleeps = (ms: number): boolean => {
  const minute = Math.floor((ms % DAY_MS) / MINUTE_MS);
  return minute >= SLEEPS.fromMinute && minute < SLEEPS.toMinute;
};

/** A thermometer on a wire among the bags of a heated tray: it drifts, sleeps, forgets and speaks in °F. */
export function wire(bornMs: number) {
  let tray: Tray = { celsius: 27, on: false };
  let atMs = Math.floor((bornMs - REMEMBERS_MS - SETTLES_MS) / READS_MS) * READS_MS;
  const unsent: Said[] = [];
  let last: Said | null = null;
  return {
    /** Lives on to a moment under a setting; what it read since waits to be sent. */
    liveTo(ms: number, wanted: Wanted | null): void {
      for (; atMs + MINUTE_MS <= ms; atMs += MINUTE_MS) {
        tray = minuteOn(tray, wanted, atMs);
        if (atMs % READS_MS !== 0 || sleeps(atMs) || atMs < bornMs - REMEMBERS_MS) continue;
        const drift = Math.min(((atMs - bornMs + REMEMBERS_MS) / DAY_MS) * DRIFTS_C.aDay, DRIFTS_C.most);
        // Sixteenths of a degree, as such sensors count.
        const celsius = Math.round((tray.celsius + drift) * 16) / 16;
        unsent.push({ at: new Date(atMs).toISOString(), value: Math.round((celsius * 1.8 + 32) * 100) / 100 });
      }
    },
    /** What is to be sent next: it says the last of what arrived once more, as it never knows. */
    waiting: (): readonly Said[] => (unsent.length === 0 ? [] : [...(last ? [last] : []), ...unsent.slice(0, MOST_AT_ONCE)]),
    /** What was waiting has arrived. */
    arrived(): void {
      last = unsent.splice(0, MOST_AT_ONCE).at(-1) ?? last;
    },
  };
}
