import { PARTINGS } from '@fresh-tuck/contract';
import type { NurseryGroup } from '@fresh-tuck/contract/choices';
import { NURSED, SEEDLING_STAGES } from '@fresh-tuck/core/nursing';
import { counting } from '../db/standing.js';
import type { Database } from '../db/database.js';
import { all, write } from '../db/statements.js';
import { listed, MOVED, said, STAGE } from './standing.js';

type Left = Extract<NurseryGroup, 'planted_out' | 'ripe' | 'harvested' | 'gone'>;
/** By what the records call it. */
const GROUP = `CASE WHEN n.left_as IN (${listed(PARTINGS)}) THEN 'gone' ELSE n.left_as END`;
const LEFT = SEEDLING_STAGES.filter((stage) => !NURSED.includes(stage));
/** Labels of moves and tuck-ins that were taken back: few, beside all that ever stood. */
const VOID = `SELECT c.number FROM entry later CROSS JOIN cup c ON c.entry_id = later.supersedes WHERE later.supersedes IS NOT NULL
  UNION SELECT c.number FROM entry u CROSS JOIN entry e ON e.batch_id = u.batch_id CROSS JOIN cup c ON c.entry_id = e.id
    WHERE u.kind = 'untuck' AND ${counting('u')}`;
/** A seedling's stage as it was said last, and how it left the nursery: of all that was said of one label. */
const AS_SAID = `SELECT stage, CASE WHEN gone IS NOT NULL THEN gone WHEN stage IN (${listed(LEFT)}) THEN stage END FROM (SELECT
  (SELECT s.stage FROM seedling_event s WHERE s.cup_number = @number AND s.kind = 'stage' AND ${said()} ORDER BY s.at_ms DESC, s.rowid DESC LIMIT 1) AS stage,
  (SELECT s.kind FROM seedling_event s WHERE s.cup_number = @number AND s.kind IN (${listed(PARTINGS)}) AND ${said()} ORDER BY s.rowid DESC LIMIT 1) AS gone)`;

/** How every seedling stands, in groups: read by the screens that count years of them. */
export function standStore(db: Database) {
  const note = write<[{ number: number }]>(db, `UPDATE seedling_now SET (stage, left_as) = (${AS_SAID}) WHERE cup_number = @number`);
  // In this order: the few that are asked for, then what they were moved with.
  const FROM = 'FROM seedling_now n CROSS JOIN cup c ON c.number = n.cup_number CROSS JOIN entry e ON e.id = c.entry_id';
  const nursed = all<{ number: number; stage: NurseryGroup }, []>(
    db,
    `SELECT c.number, ${STAGE} AS stage ${FROM} WHERE n.left_as IS NULL AND ${MOVED} ORDER BY c.number`,
  );
  const left = all<{ group: Left; count: number }, []>(
    db,
    `SELECT ${GROUP} AS "group", count(*) AS count FROM seedling_now n WHERE n.left_as IS NOT NULL GROUP BY n.left_as`,
  );
  const voidly = all<{ group: Left; count: number }, []>(
    db,
    `SELECT ${GROUP} AS "group", count(*) AS count FROM (${VOID}) v CROSS JOIN seedling_now n ON n.cup_number = v.number
    WHERE n.left_as IS NOT NULL GROUP BY n.left_as`,
  );
  // Of what has left the nursery the latest is looked for.
  const page = all<{ number: number }, [string, number, number]>(
    db,
    `SELECT c.number ${FROM} WHERE n.left_as IN (SELECT value FROM json_each(?)) AND ${MOVED} ORDER BY n.cup_number DESC LIMIT ? OFFSET ?`,
  );
  function counts(): Readonly<Record<Left, number>> {
    const sums = { planted_out: 0, ripe: 0, harvested: 0, gone: 0 };
    for (const { group, count } of left()) sums[group] += count;
    for (const { group, count } of voidly()) sums[group] -= count;
    return sums;
  }
  return {
    /** Something was said of a label: how it stands from now on. */
    note: (number: number): void => void note({ number }),
    /** What stands in the nursery, in the order in which it was labelled. */
    nursed: (): number[] => nursed().map(({ number }) => number),
    /** How many have left the nursery, by the way they took. */
    counts,
    /** Labels of a group from one on, and how many there are. */
    page(group: NurseryGroup, from: number, most: number): { readonly count: number; readonly numbers: number[] } {
      if (!NURSED.some((stage) => stage === group)) {
        const gone = group as Left;
        return {
          count: counts()[gone],
          numbers: page(JSON.stringify(gone === 'gone' ? PARTINGS : [gone]), most, from).map(({ number }) => number),
        };
      }
      const own = nursed().flatMap(({ number, stage }) => (stage === group ? [number] : []));
      return { count: own.length, numbers: own.slice(from, from + most) };
    },
  };
}
export type StandStore = ReturnType<typeof standStore>;
