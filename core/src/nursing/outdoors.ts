import type { Destination } from '../moving/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import { carryIn, hardeningWeek, HARDENING_DAYS, type HardeningDay, type WeatherSpan } from './hardening.js';
import type { Daylit } from './place-light.js';
import { halfAt, type TrayTask } from './tasks.js';
import type { TrayFacts } from './tray.js';

/** What bears on whether a tray stands out of doors. */
export interface Outdoors {
  /** How its place is lit: under a roof or in the open it stands out. */
  readonly daylit: Daylit;
  /** Carried out, or in again, last; null where it never was. */
  readonly carried: { readonly out: boolean; readonly atMs: number } | null;
  readonly spans: readonly WeatherSpan[];
  /** Midnight before now, ms. */
  readonly midnightMs: number;
  /** Half of it is big enough by then, ms; null where nobody knows. */
  readonly sizeMs: number | null;
  /** By the frost no sooner planted out than this, ms; null where the frost does not hold it. */
  readonly outMs: number | null;
}

/** Trays go out in the forenoon and come in before the sun has gone, hours of the day. Common practice, no source. */
const OUT_HOUR = 9;
const IN_HOUR = 17;
/** A roof hardens as so many days in the open do, at the most. Guess. */
const ROOF_DAYS = 4;
/** What stands for good where it is moved to never goes out. */
const STAYS: readonly Destination[] = ['bed', 'slot', 'glass', 'terrarium'];
const goesOut = (destination: Destination): boolean => !STAYS.includes(destination);
/** Later in the day nobody carries out what comes in at dusk. */
const TOO_LATE_HOUR = 14;

/** Whether it stands out now: what was carried in from its place out of doors was so for the night. */
export function standsOut({ daylit, carried, midnightMs }: Pick<Outdoors, 'daylit' | 'carried' | 'midnightMs'>): boolean {
  const belongs = daylit === 'roof' || daylit === 'open';
  if (!carried) return belongs;
  return carried.out || (belongs && carried.atMs < midnightMs);
}

/** Days of hardening that standing under a roof is worth: it hardens some of the way by itself. */
function underRoof({ stays }: TrayFacts, { daylit, midnightMs }: Outdoors): number {
  const fromMs = daylit === 'roof' ? (stays.at(-1)?.fromMs ?? null) : null;
  return fromMs === null ? 0 : Math.min(Math.max((midnightMs - fromMs) / DAY_MS, 0), ROOF_DAYS);
}

/** The week ahead of a tray that is being hardened, or could be. */
export function weekOf(facts: TrayFacts, out: Outdoors): HardeningDay[] {
  const { daylit, spans, midnightMs } = out;
  const sinceMs = halfAt(facts, 'hardening');
  const doneDays = sinceMs === null ? 0 : Math.max(Math.floor((midnightMs + DAY_MS - sinceMs) / DAY_MS), 0);
  return hardeningWeek(facts.crop, spans, { doneDays, midnightMs, sheltered: daylit === 'roof', usedDays: underRoof(facts, out) });
}

/** What weather and season ask of a tray. */
export function outdoorTasks(facts: TrayFacts, out: Outdoors, nowMs: number): TrayTask[] {
  const { daylit, carried, spans, midnightMs, sizeMs, outMs } = out;
  const eveningMs = midnightMs + IN_HOUR * HOUR_MS;
  const sinceMs = halfAt(facts, 'hardening');
  const tasks: TrayTask[] = [];
  const roofDays = underRoof(facts, out);
  const roofMs = roofDays === 0 ? null : eveningMs - roofDays * DAY_MS;
  const usedTo = sinceMs === null ? roofMs : Math.min(sinceMs, roofMs ?? sinceMs);
  const cold = standsOut(out) ? carryIn(facts.crop, spans, { hardeningSinceMs: usedTo, sheltered: daylit === 'roof', eveningMs }) : null;
  if (cold) tasks.push({ kind: 'carry_in', dueMs: Math.max(eveningMs, nowMs), ...cold });
  if (sinceMs !== null && !standsOut(out)) {
    const [today, tomorrow] = weekOf(facts, out);
    const soon = nowMs < midnightMs + TOO_LATE_HOUR * HOUR_MS && (carried?.atMs ?? 0) < midnightMs;
    const day = soon ? today : tomorrow;
    if (day && day.hours > 0 && day.nth !== null && day.maxC !== null)
      tasks.push({
        kind: 'carry_out',
        dueMs: Math.max(day.atMs + OUT_HOUR * HOUR_MS, nowMs),
        hours: day.hours,
        nth: day.nth,
        night: day.night,
      });
  }
  // Hardened when it is big enough and the frost lets it go: begun so long before.
  if (sinceMs === null && halfAt(facts, 'true_leaves') !== null && sizeMs !== null && goesOut(facts.destination)) {
    const goesMs = Math.max(sizeMs, outMs ?? 0);
    tasks.push({ kind: 'harden', dueMs: Math.max(goesMs - (HARDENING_DAYS + 1) * DAY_MS, nowMs) });
  }
  return tasks;
}
