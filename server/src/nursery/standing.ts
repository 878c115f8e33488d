import { methodOf, METHODS } from '@fresh-tuck/core/method';
import { PAST_DANGER } from '@fresh-tuck/core/nursing';
import { counting, untucked } from '../db/standing.js';

const listed = (codes: readonly string[]): string => codes.map((code) => `'${code}'`).join(', ');

/** Moves that count: a label of any other stands nowhere. */
export const MOVED = `${counting('e')} AND NOT ${untucked('e.batch_id')}`;
/** An event that nobody took back. @param row alias of seedling_event */
export const said = (row = 's'): string => `NOT EXISTS (SELECT 1 FROM seedling_event undone WHERE undone.supersedes = ${row}.id)`;
/** What came up where it was sown is up when it is moved; what was planted while quiet is not. */
const AT_FIRST = `CASE WHEN c.planted = 0 AND (SELECT first.method FROM batch first WHERE first.id = e.batch_id)
  IN (${listed(METHODS.filter((id) => methodOf(id).event === 'emergence'))}) THEN 'up' ELSE 'moved' END`;
/** The stage of a cup's seedling as it was said last; aliases c of cup, e of its entry. */
export const STAGE = `coalesce((SELECT s.stage FROM seedling_event s WHERE s.cup_number = c.number AND s.kind = 'stage' AND ${said()}
  ORDER BY s.at_ms DESC, s.rowid DESC LIMIT 1), ${AT_FIRST})`;
/** Whether a cup's seedling is gone in one of these ways. */
export const gone = (kinds: readonly string[]): string =>
  `EXISTS (SELECT 1 FROM seedling_event s WHERE s.cup_number = c.number AND s.kind IN (${listed(kinds)}) AND ${said()})`;
/** Whether its stage is past danger. */
export const PAST = `${STAGE} IN (${listed(PAST_DANGER)})`;
export { AT_FIRST as STAGE_AT_FIRST };
