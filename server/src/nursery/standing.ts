import { PARTINGS } from '@fresh-tuck/contract';
import { methodOf, METHODS } from '@fresh-tuck/core/method';
import { PAST_DANGER } from '@fresh-tuck/core/nursing';
import { counting, untucked } from '../db/standing.js';

/** Codes as SQL takes them. */
export const listed = (codes: readonly string[]): string => codes.map((code) => `'${code}'`).join(', ');

/** Moves that count: a label of any other stands nowhere. */
export const MOVED = `${counting('e')} AND NOT ${untucked('e.batch_id')}`;
/** An event that nobody took back. @param row alias of seedling_event */
export const said = (row = 's'): string => `NOT EXISTS (SELECT 1 FROM seedling_event undone WHERE undone.supersedes = ${row}.id)`;
/** What came up where it was sown is up when it is moved; what was planted while quiet is not. */
const AT_FIRST = `CASE WHEN c.planted = 0 AND (SELECT first.method FROM batch first WHERE first.id = e.batch_id)
  IN (${listed(METHODS.filter((id) => methodOf(id).event === 'emergence'))}) THEN 'up' ELSE 'moved' END`;
/** The stage of a cup's seedling as it was said last; aliases c of cup, e of its entry. */
export const STAGE = `coalesce((SELECT now.stage FROM seedling_now now WHERE now.cup_number = c.number), ${AT_FIRST})`;
/** Whether a cup's seedling is lost, given away or composted. */
export const GONE = `EXISTS (SELECT 1 FROM seedling_now now WHERE now.cup_number = c.number AND now.left_as IN (${listed(PARTINGS)}))`;
/** Whether it was lost, and whether it lives: past danger, or given or composted as too many; of `now`, how it stands. */
export const LOST = `(now.left_as IS 'lost')`;
export const LIVED = `coalesce(now.left_as IN (${listed(PARTINGS.filter((kind) => kind !== 'lost'))}) OR (now.left_as IS NOT 'lost' AND now.stage IN (${listed(PAST_DANGER)})), 0)`;
export { AT_FIRST as STAGE_AT_FIRST };
