import { v5 as uuidFrom } from 'uuid';
import { PARTINGS, type Parting, type Role, type Seedling, type SeedlingWord } from '@fresh-tuck/contract';
import { afterPotting, goesBackwards, reached, type SeedlingStage, type StageMark } from '@fresh-tuck/core/nursing';
import { inUnits, wordsFor } from '@fresh-tuck/core/units';
import { partingInWords, seedlingEventInWords, seedSavingInWords, SEEDLING_WORDS } from '@fresh-tuck/core/words';
import type { CropStore } from '../crops/store.js';
import type { Database } from '../db/database.js';
import { bedOf, closed, happened, untucked, wentTo } from '../db/standing.js';
import { all, certain, first, value, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';
import type { HouseholdStore } from '../household/store.js';
import type { SlotStore } from './slots.js';
import type { StandStore } from './stands.js';
import { fateStore } from './fates.js';
import { GONE, MOVED, said, STAGE, STAGE_AT_FIRST } from './standing.js';

interface CupRow {
  readonly number: number;
  readonly planted: 0 | 1;
  readonly batchId: string;
  readonly batchNumber: number;
  readonly cropId: string;
  readonly variety: string;
  readonly destination: string;
  readonly bedId: string | null;
  readonly bedName: string | null;
  readonly packetId: string;
  readonly year: number | null;
  readonly startedMs: number;
  readonly atMs: number;
  readonly atFirst: SeedlingStage;
}

/** What was moved in the same year may flower with it, ms. */
const SEASON_MS = 300 * 86_400_000;

/** From its loop to its fruit a plant is told by so many pictures. */
const MOST_PICTURES = 12;

type Kind = Seedling['events'][number]['kind'];
interface EventRow {
  readonly id: string;
  readonly act_id: string | null;
  readonly kind: Kind;
  readonly stage: SeedlingStage | null;
  readonly why: string | null;
  readonly told: string | null;
  readonly at_ms: number;
}

/** What was told with the last word of a kind. */
function saidLast<T>(own: readonly EventRow[], kind: Kind): T | null {
  const told = own.findLast((event) => event.kind === kind)?.told ?? null;
  return told === null ? null : (JSON.parse(told) as T);
}
const isParting = (kind: Kind): kind is Parting => (PARTINGS as readonly string[]).includes(kind);

/** Seedlings by their labels, and what became of them. */
export function nurseryStore(
  db: Database,
  crops: CropStore,
  household: Pick<HouseholdStore, 'find'>,
  slots: SlotStore,
  stands: StandStore,
) {
  const one = first<CupRow, [number]>(
    db,
    `SELECT c.number, c.planted, b.id AS batchId, b.number AS batchNumber, p.crop_id AS cropId, p.variety,
      ${wentTo('m')} AS destination, bed.id AS bedId, bed.name AS bedName, p.id AS packetId, p.year, b.start_ms AS startedMs, ${happened('e')} AS atMs, ${STAGE_AT_FIRST} AS atFirst
    FROM cup c JOIN entry e ON e.id = c.entry_id JOIN move m ON m.entry_id = e.id
      JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id LEFT JOIN bed ON bed.id = ${bedOf('m')}
    WHERE c.number = ? AND ${MOVED}`,
  );
  const events = all<EventRow, [number]>(
    db,
    `SELECT s.id, s.act_id, s.kind, s.stage, s.why, s.told, s.at_ms FROM seedling_event s
    WHERE s.cup_number = ? AND s.kind <> 'undo' AND ${said()} ORDER BY s.at_ms, s.rowid`,
  );
  const ofAct = all<{ id: string; number: number }, [string]>(
    db,
    `SELECT s.id, s.cup_number AS number FROM seedling_event s WHERE s.act_id = ? AND s.kind <> 'undo' AND ${said()} ORDER BY s.rowid`,
  );
  // Other varieties of a crop that may flower beside it.
  const kin = all<{ variety: string }, [string, string, number]>(
    db,
    `SELECT DISTINCT p.variety FROM packet p JOIN batch b ON b.packet_id = p.id JOIN entry e ON e.batch_id = b.id AND e.kind = 'move'
      JOIN cup c ON c.entry_id = e.id
    WHERE p.crop_id = ? AND p.variety <> ? AND e.at_ms >= ? AND ${MOVED} AND NOT ${GONE} AND ${STAGE} NOT IN ('moved', 'up', 'seed_leaves', 'harvested')
    ORDER BY p.variety`,
  );
  const entryOf = value<string, [number]>(db, 'SELECT entry_id FROM cup WHERE number = ?');
  const bedName = value<string, [string]>(db, 'SELECT name FROM bed WHERE id = ?');
  const outSince = all<{ number: number }, [number]>(
    db,
    `SELECT DISTINCT s.cup_number AS number FROM seedling_event s WHERE s.stage = 'planted_out' AND s.at_ms >= ? AND ${said()}`,
  );
  const IN_SLOT = `${MOVED} AND NOT ${GONE} AND ${STAGE} <> 'harvested'`;
  const WENT_IN = `SELECT entry_id FROM move WHERE destination = 'slot' UNION SELECT target_id FROM correction WHERE destination = 'slot'`;
  const POTTED = `s.kind = 'potted' AND ${said()}`;
  const inSlots = value<number, []>(
    db,
    `SELECT (SELECT count(*) FROM move m JOIN entry e ON e.id = m.entry_id JOIN cup c ON c.entry_id = m.entry_id
        WHERE m.entry_id IN (${WENT_IN}) AND ${wentTo('m')} = 'slot' AND ${IN_SLOT} AND NOT EXISTS (SELECT 1 FROM seedling_event s WHERE s.cup_number = c.number AND ${POTTED}))
      + (SELECT count(*) FROM seedling_event s JOIN cup c ON c.number = s.cup_number JOIN entry e ON e.id = c.entry_id
        WHERE ${POTTED} AND json_extract(s.told, '$.destination') = 'slot' AND ${IN_SLOT})`,
  );
  // Slots that seed was started in, and that is not closed yet.
  const sown = value<number, []>(
    db,
    `SELECT coalesce(sum(coalesce(c.places, b.seeds)), 0) FROM batch b JOIN carrier c ON c.batch_id = b.id
    WHERE b.method = 'pod' AND NOT ${closed('b.id')} AND NOT ${untucked('b.id')}`,
  );
  type Written = Omit<EventRow, 'kind' | 'stage'> & {
    kind: string;
    stage: string | null;
    number: number;
    nowMs: number;
    supersedes: string | null;
  };
  const insertEvent = write<[Written]>(
    db,
    `INSERT INTO seedling_event (id, cup_number, kind, stage, why, told, act_id, at_ms, recorded_ms, supersedes)
    VALUES (@id, @number, @kind, @stage, @why, @told, @act_id, @at_ms, @nowMs, @supersedes)`,
  );
  function insert(row: Written): void {
    insertEvent(row);
    stands.note(row.number);
  }
  const marksOf = ({ atFirst, atMs }: CupRow, own: readonly EventRow[]): StageMark[] =>
    afterPotting(
      [{ stage: atFirst, atMs }, ...own.flatMap(({ stage, at_ms }) => (stage === null ? [] : [{ stage, atMs: at_ms }]))],
      own.findLast(({ kind }) => kind === 'potted')?.at_ms ?? null,
    );

  function find(number: number): Seedling | null {
    const cup = one(number);
    if (!cup) return null;
    const own = events(number);
    const mark = marksOf(cup, own).at(-1);
    const parted = own.findLast(({ kind }) => isParting(kind));
    const crop = crops.crop(cup.cropId);
    const stage = mark?.stage ?? cup.atFirst;
    const bedId = (JSON.parse(own.findLast((event) => event.stage === 'planted_out')?.told ?? '{}') as { bedId?: string }).bedId;
    return {
      number: cup.number,
      batchId: cup.batchId,
      batchNumber: cup.batchNumber,
      title: `${crop.name}, ${cup.variety}`,
      packetId: cup.packetId,
      packetTitle: `${cup.variety}${cup.year === null ? '' : `, ${cup.year}`}`,
      startedMs: cup.startedMs,
      seed:
        reached(stage, 'planted_out') && !parted
          ? inUnits(
              seedSavingInWords(
                crop,
                cup.variety,
                kin(cup.cropId, cup.variety, cup.atMs - SEASON_MS).map(({ variety }) => variety),
              ),
              household.find()?.units ?? 'metric',
            )
          : null,
      cropId: cup.cropId,
      destination: cup.destination,
      bedName: bedId === undefined ? cup.bedName : (bedName(bedId) ?? null),
      proved: cup.planted === 0,
      movedMs: cup.atMs,
      stage,
      stageMs: mark?.atMs ?? cup.atMs,
      role: saidLast<{ role: Role | null }>(own, 'role')?.role ?? null,
      grade: saidLast<{ grade: number | null }>(own, 'graded')?.grade ?? null,
      gone: parted ? { kind: parted.kind as Parting, why: parted.why, atMs: parted.at_ms } : null,
      events: own.map(({ id, act_id, kind, stage: what, why, told, at_ms }) => ({
        ...{ id, actId: act_id, kind, stage: what, why, atMs: at_ms },
        photoId: kind === 'pictured' ? ((JSON.parse(told ?? '{}') as { photoId?: string }).photoId ?? null) : null,
        inWords: seedlingEventInWords({ kind, stage: what, why, told: told === null ? null : (JSON.parse(told) as object) }),
      })),
    };
  }

  function get(number: number): Seedling {
    const found = find(number);
    if (!found) throw new Problem(404, 'Not found', `There is no seedling with label ${number}.`);
    return found;
  }

  /** @throws Problem where it cannot be said of a label at that moment */
  function check(number: number, word: SeedlingWord, atMs: number, field: string): void {
    const cup = one(number);
    if (!cup) throw Problem.field(field, `${field} must be labels that stand in the nursery: there is no ${number}`);
    const own = events(number);
    const parted = own.findLast(({ kind }) => isParting(kind));
    if (parted) throw Problem.field(field, `label ${number} is ${partingInWords(parted.kind as Parting)} already; undo that first`);
    if (atMs < cup.atMs) throw Problem.field('at', 'at must not lie before it was moved');
    if (word.kind === 'stage') {
      const against = goesBackwards(marksOf(cup, own), word.stage, atMs);
      if (against) {
        const home = household.find();
        const when = home ? wordsFor(home.zone, home.units, atMs, 1).moment(against.atMs) : '';
        throw Problem.field(
          'stage',
          `label ${number} was said to be at "${SEEDLING_WORDS[against.stage].title.toLowerCase()}" on ${when}: a seedling does not go back; undo that first`,
        );
      }
    } else if (isParting(word.kind) && own.some((event) => event.at_ms > atMs))
      throw Problem.field('at', 'at must not lie before what was said of it since; undo that first');
  }

  const known = first<{ id: string }, [string]>(db, 'SELECT id FROM bed WHERE id = ?');
  /** @param nth of the labels that the act speaks of */
  const rowOf = (word: SeedlingWord, nth: number): Pick<Written, 'kind' | 'stage' | 'why' | 'told'> => {
    const { kind, ...rest } = word;
    if (word.kind === 'stage')
      return { kind, stage: word.stage, why: null, told: word.bedId ? JSON.stringify({ bedId: word.bedId }) : null };
    if (word.kind === 'slotted')
      return { kind, stage: null, why: null, told: JSON.stringify({ rackId: word.rackId, slot: word.slots[nth] }) };
    if (word.kind === 'lost') return { kind, stage: null, why: word.why, told: null };
    return { kind, stage: null, why: null, told: Object.keys(rest).length === 0 ? null : JSON.stringify(rest) };
  };

  return {
    get,
    /** Labels of what was planted out since a moment. */
    outSince: (ms: number): number[] => outSince(ms).map(({ number }) => number),
    /** What a label's seedling is; null where no seedling wears it. */
    titleOf: (number: number): { batchId: string; title: string } | null => (Number.isSafeInteger(number) ? find(number) : null),
    /** Soilless slots that hold a living seedling, or seed that was started in them. */
    inSlots: (): number => certain(inSlots()) + certain(sown()),
    /** What was said of a label's seedling so far. */
    told: (number: number): { readonly marks: number; readonly out: boolean } => {
      const own = events(number);
      return { marks: own.length, out: own.some(({ stage }) => stage === 'planted_out') };
    },
    /**
     * Says something of seedlings, of all of them or of none.
     *
     * @param id of the act; @param atMs when it was seen
     * @param field that a refusal names
     */
    say(numbers: readonly number[], id: string, word: SeedlingWord, atMs: number, nowMs: number, field = 'numbers'): void {
      for (const number of numbers) check(number, word, atMs, field);
      if (word.kind === 'slotted') slots.check(numbers, word.rackId, word.slots);
      if (word.kind === 'stage' && word.bedId && !known(word.bedId)) throw Problem.unknown('bed');
      const several = numbers.length > 1;
      // The id of each is made of the act's, so that one of many can be taken back by itself.
      numbers.forEach((number, nth) =>
        insert({
          ...rowOf(word, nth),
          ...{ id: several ? uuidFrom(String(number), id) : id, number, act_id: id, at_ms: atMs, nowMs, supersedes: null },
        }),
      );
    },
    /** A photograph of a seedling, kept with its move. @returns the entry that it belongs to */
    picture(number: number, photoId: string, nowMs: number): string {
      if (get(number).events.filter(({ kind }) => kind === 'pictured').length >= MOST_PICTURES)
        throw Problem.field('photo', `photo must be one of at most ${MOST_PICTURES} of a plant; take one back first`);
      const told = JSON.stringify({ photoId });
      insert({
        id: photoId,
        number,
        kind: 'pictured',
        stage: null,
        why: null,
        told,
        act_id: photoId,
        at_ms: nowMs,
        nowMs,
        supersedes: null,
      });
      return certain(entryOf(number));
    },
    /** Anything that was said of one, not only the last. */
    undo(number: number, id: string, entryId: string, nowMs: number): void {
      if (!get(number).events.some((event) => event.id === entryId))
        throw Problem.field('entryId', 'entryId must be something that was said of this seedling and still counts');
      insert({ id, number, kind: 'undo', stage: null, why: null, told: null, act_id: id, at_ms: nowMs, nowMs, supersedes: entryId });
    },
    /** All that an act said and that still counts. */
    undoAct(actId: string, id: string, nowMs: number): void {
      const rows = ofAct(actId);
      if (rows.length === 0) throw Problem.field('actId', 'actId must be something that was said of seedlings and still counts');
      for (const { id: supersedes, number } of rows)
        insert({
          ...{ id: uuidFrom(String(number), id), number, kind: 'undo', stage: null, why: null, told: null },
          ...{ act_id: id, at_ms: nowMs, nowMs, supersedes },
        });
    },
    ...fateStore(db),
  };
}
export type NurseryStore = ReturnType<typeof nurseryStore>;
