const HALF_HOUR_MS = 1_800_000;
/** A forecast is not good to the minute: deadlines are told to the half hour before, ms. */
export const before = (ms: number): number => Math.floor(ms / HALF_HOUR_MS) * HALF_HOUR_MS;
/** Hopes are told to the nearest half hour, ms. */
export const about = (ms: number): number => Math.round(ms / HALF_HOUR_MS) * HALF_HOUR_MS;
/** The plain question of whether something is due: within half an hour is now. */
export const due = (ms: number, nowMs: number): boolean => ms <= nowMs + HALF_HOUR_MS;
