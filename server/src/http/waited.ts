import type { Request } from 'express';
import { Problem } from './problem.js';

/** A request that was simply on its way, ms. */
const ON_ITS_WAY_MS = 3000;
/** Longest that a tap may wait in a browser for its server, ms. */
const LONGEST_MS = 30 * 86_400_000;

/**
 * How long a request waited in the browser before it could be sent, ms. A length
 * of time and not a moment: the two clocks need not agree, and a repeated request
 * is still the same request, as this is no part of its body.
 *
 * @throws Problem where the header is no length of time
 */
export function waitedMs(request: Request): number {
  const said = request.get('Fresh-Tuck-Waited');
  if (said === undefined) return 0;
  const ms = Number(said);
  if (!Number.isFinite(ms) || ms < 0 || ms > LONGEST_MS) {
    throw Problem.field('Fresh-Tuck-Waited', 'Fresh-Tuck-Waited must be a number of milliseconds from 0 to thirty days');
  }
  return ms < ON_ITS_WAY_MS ? 0 : Math.round(ms);
}
