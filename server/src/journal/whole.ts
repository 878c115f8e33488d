import { parcelState } from '@fresh-tuck/core/parcel';
import { Problem } from '../http/problem.js';
import type { Subject } from './entry.js';
import { looksOf, movesOf } from './read.js';

/** What somebody changed, and so what a refusal names. */
export type Changed = 'at' | 'entryId' | 'seen.tipped' | 'startAt';

/** How a refusal begins, by what was changed. */
const MUST: Readonly<Record<Changed, (least: number) => string>> = {
  at: () => 'at must be a time that fits the other looks',
  entryId: () => 'entryId must be an entry that can be taken back',
  startAt: () => 'startAt must be a start that fits the looks',
  'seen.tipped': (least) => `seen.tipped must be at least ${least}`,
};

/**
 * Refuses a change after which the journal would tell what cannot be: sprouts moved that
 * nobody had seen by then, or more seeds seen than there are. Asked within the act, after
 * the change is written, so that a refusal takes it back with everything else.
 *
 * @param subject the batch as it would stand
 * @throws Problem that names the field and what stands in the way
 */
export function checkWhole({ seeds, startMs, entries }: Subject, changed: Changed): void {
  const looks = looksOf(entries);
  const moves = movesOf(entries);
  const early = [...looks, ...moves].find(({ atMs }) => atMs < startMs);
  if (early) throw Problem.field(changed, `${MUST[changed](0)}: something was seen or moved before the batch would have begun`);
  let moved = 0;
  for (const move of [...moves].sort((a, b) => a.atMs - b.atMs)) {
    moved += move.seeds.length + move.uncounted;
    const seen = parcelState(
      seeds,
      startMs,
      looks.filter(({ atMs }) => atMs <= move.atMs),
      [],
    );
    const unseen = move.seeds.find((seed) => seen.seeds[seed - 1]?.tipToMs === null);
    if (seen.tipped < moved || unseen !== undefined) {
      const what = unseen === undefined ? `${moved} of its sprouts were moved` : `seed ${unseen} was moved`;
      throw Problem.field(changed, `${MUST[changed](moved)}: ${what}; undo the move first`);
    }
  }
  const { quiet, tipped, rotten, lost, showing } = parcelState(seeds, startMs, looks, moves);
  if (quiet < 0 || showing < 0) {
    throw Problem.field(
      changed,
      `${MUST[changed](moved)}: ${tipped + rotten + lost} seeds were seen or planted, and the batch would have ${seeds}`,
    );
  }
}
