import type { Fit, FitQuestion } from '@fresh-tuck/core/season';

/** What the worker of plans says: how far it is, the plan, or why there is none. */
export type FitReply =
  | { readonly kind: 'progress'; readonly done: number }
  | { readonly kind: 'fit'; readonly fit: Fit }
  | { readonly kind: 'failed'; readonly message: string };
export type { Fit, FitQuestion };
