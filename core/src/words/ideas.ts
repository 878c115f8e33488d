import type { Dated } from './planned.js';

/** Why a packet could be started now. */
export type Idea =
  | { readonly why: 'short'; readonly number: number; readonly seeds: number }
  | { readonly why: 'second'; readonly number: number; readonly seeds: number }
  | { readonly why: 'due'; readonly frostMs: number; readonly untilMs: number; readonly guessed: boolean }
  | { readonly why: 'last_year'; readonly atMs: number }
  | { readonly why: 'use_up'; readonly years: number };

/** Why, in a sentence. */
export function ideaInWords(idea: Idea, dated: Dated): string {
  switch (idea.why) {
    case 'short':
      return `Batch ${idea.number} will fall short: ${idea.seeds} more would make it up.`;
    case 'second':
      return `The second step of ${idea.number} is due: ${idea.seeds} more.`;
    case 'due':
      return `Its weeks before the last frost${idea.guessed ? ', a guess,' : ''} are now: start by ${dated(idea.untilMs)}.`;
    case 'last_year':
      return `Begun here on ${dated(idea.atMs)} last time.`;
    case 'use_up':
      return `${Math.round(idea.years)} years old: use it up while it lives.`;
  }
}
