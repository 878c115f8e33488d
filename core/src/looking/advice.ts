/** What a parcel needs, in order of precedence. */
export const VERDICTS = ['mend', 'rescue', 'move', 'count', 'top_up', 'restart', 'give_up', 'retest', 'leave'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** The four inks a judgement is written in. */
export type Tone = 'trouble' | 'growth' | 'waiting' | 'water';

/** One thing to do, or to leave. */
export interface Advice {
  readonly kind: Verdict | 'retuck';
  readonly lead: string;
  /** By when, in words, where it matters. */
  readonly by: string | null;
  readonly tone: Tone;
  readonly text: string;
}

const HOUR_MS = 3_600_000;
/** A forecast is not good to the minute: deadlines are told to the half hour before, hopes to the nearest. */
export const before = (ms: number): number => Math.floor(ms / (HOUR_MS / 2)) * (HOUR_MS / 2);
export const about = (ms: number): number => Math.round(ms / (HOUR_MS / 2)) * (HOUR_MS / 2);
/** The plain question of whether a root is due: within half an hour is now. */
export const due = (ms: number, nowMs: number): boolean => ms <= nowMs + HOUR_MS / 2;

export const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());
