/**
 * What of the records counts, as SQL. Nothing is ever deleted from them: an entry of a
 * journal is superseded, any other record is named among what was taken back.
 */

/** A reading, a weighing, a count, a place: nobody took it back. @param row alias of its table */
export const standing = (row: string): string => `NOT EXISTS (SELECT 1 FROM taken_back gone WHERE gone.id = ${row}.id)`;

/** An entry of a journal: nothing supersedes it. Right for all kinds but a look that was corrected. */
export const counting = (row: string): string => `NOT EXISTS (SELECT 1 FROM entry later WHERE later.supersedes = ${row}.id)`;

type Said = 'carrier_place' | 'holder_closure' | 'holder_place' | 'packet_count';

const overruled = (table: Said, owner: string, row: string, when: string): string =>
  `EXISTS (SELECT 1 FROM ${table} other WHERE other.${owner} = ${row}.${owner} AND other.rowid > ${row}.rowid AND (${when}) AND ${standing('other')})`;

/**
 * What was said of a moment and stands; what a clock that ran ahead had dated beyond a
 * later word of it counts no more.
 *
 * @param table of what was said; @param owner column of whom it was said; @param at column of when
 */
export const said = (table: Said, owner: string, row: string, at = 'from_ms'): string =>
  `${standing(row)} AND NOT ${overruled(table, owner, row, `other.${at} < ${row}.${at} AND other.recorded_ms < ${row}.recorded_ms`)}`;

/** Where a bag stood, or in which bag a carrier lay: of one moment the last word alone counts. */
export const stood = (table: 'carrier_place' | 'holder_place', owner: string, row: string): string =>
  `${said(table, owner, row)} AND NOT ${overruled(table, owner, row, `other.from_ms = ${row}.from_ms`)}`;

/** The row of a carrier's present place. */
export const liesIn = (carrierId: string): string =>
  `(SELECT here.rowid FROM carrier_place here WHERE here.carrier_id = ${carrierId} AND ${stood('carrier_place', 'carrier_id', 'here')}
    ORDER BY here.from_ms DESC, here.rowid DESC LIMIT 1)`;

const ended = (kind: string, batchId: string): string =>
  `EXISTS (SELECT 1 FROM entry ending WHERE ending.batch_id = ${batchId} AND ending.kind = '${kind}' AND ${counting('ending')})`;

/** Whether a batch was closed. */
export const closed = (batchId: string): string => ended('close', batchId);
/** Whether a tuck-in was taken back: the batch is in no list and counts nowhere. */
export const untucked = (batchId: string): string => ended('untuck', batchId);

/** A fact of an entry as it was corrected, or as it was entered. @param own what was entered */
const corrected = (entryId: string, column: 'at_ms' | 'destination', own: string): string =>
  `coalesce((SELECT x.${column} FROM correction x JOIN entry said ON said.id = x.entry_id
    WHERE x.target_id = ${entryId} AND x.${column} IS NOT NULL AND ${counting('said')} ORDER BY said.rowid DESC LIMIT 1), ${own})`;

/** When an entry happened. @param row alias of entry */
export const happened = (row: string): string => corrected(`${row}.id`, 'at_ms', `${row}.at_ms`);
/** Where a move went. @param row alias of move */
export const wentTo = (row: string): string => corrected(`${row}.entry_id`, 'destination', `${row}.destination`);
/** Which bed a move went to: a corrected destination says its bed with it. @param row alias of move */
export const bedOf = (row: string): string =>
  `CASE WHEN ${corrected(`${row}.entry_id`, 'destination', 'NULL')} IS NULL THEN ${row}.bed_id ELSE
    (SELECT x.bed_id FROM correction x JOIN entry said ON said.id = x.entry_id WHERE x.target_id = ${row}.entry_id AND x.destination IS NOT NULL
      AND ${counting('said')} ORDER BY said.rowid DESC LIMIT 1) END`;
