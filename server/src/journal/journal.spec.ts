import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Nursery } from '@fresh-tuck/contract';
import { lookBody, moveBody } from '@fresh-tuck/contract/testing';
import { dump, household, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;
const SEEDS = 8;

/** What somebody does to a batch, right or wrong. */
const deed = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({
      do: fc.constant('look' as const),
      tipped: fc.integer({ min: 0, max: 9 }),
      rotten: fc.integer({ min: 0, max: 2 }),
      onLast: fc.boolean(),
    }),
  },
  { weight: 2, arbitrary: fc.record({ do: fc.constant('correct' as const), which: fc.nat(9), tipped: fc.integer({ min: 0, max: 9 }) }) },
  {
    weight: 3,
    arbitrary: fc.record({
      do: fc.constant('move' as const),
      uncounted: fc.integer({ min: 1, max: 4 }),
      quiet: fc.integer({ min: 0, max: 2 }),
    }),
  },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('recount' as const), seeds: fc.integer({ min: 1, max: 12 }) }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('close' as const) }) },
  { weight: 3, arbitrary: fc.record({ do: fc.constant('undo' as const), which: fc.nat(9) }) },
);
type Deed = typeof deed extends fc.Arbitrary<infer T> ? T : never;

/** A line of the journal as a notebook would keep it: struck out, never torn out. */
interface Line {
  readonly id: string;
  readonly kind: 'look' | 'move' | 'recount' | 'close';
  readonly tipped: number;
  readonly moved: number;
  readonly planted: number;
  readonly seeds: number;
  /** What it was written over: it stands again where this is taken back. */
  readonly over: Line | null;
  struck: boolean;
}
const blank = { tipped: 0, moved: 0, planted: 0, seeds: 0, over: null, struck: false };
const standing = (lines: readonly Line[], kind: Line['kind']): Line[] => lines.filter((line) => !line.struck && line.kind === kind);
const sum = (lines: readonly Line[], of: (line: Line) => number): number => lines.reduce((total, line) => total + of(line), 0);

/** What the notebook says of the batch. */
const inNotebook = (lines: readonly Line[]) => ({
  seeds: standing(lines, 'recount').at(-1)?.seeds ?? SEEDS,
  tipped: Math.max(0, ...standing(lines, 'look').map(({ tipped }) => tipped)),
  moved: sum(standing(lines, 'move'), ({ moved }) => moved),
  planted: sum(standing(lines, 'move'), ({ planted }) => planted),
  closed: standing(lines, 'close').length > 0,
  labels: sum(standing(lines, 'move'), ({ moved, planted }) => moved + planted),
});

describe('the journal', () => {
  let home: Household;
  let lines: Line[];
  const batch = async (): Promise<BatchWithJournal> =>
    (await home.request.get(`/api/batches/${home.batchId}`).expect(200)).body as BatchWithJournal;
  const post = (path: string, body: object) =>
    home.request.post(`/api/batches/${home.batchId}/${path}`).set('Prefer', 'return=minimal').send(body);

  /** Does it; writes it into the notebook where the server took it, and sees to it that a refusal changed nothing. */
  async function perform(one: Deed): Promise<void> {
    home.clock.step(HOUR_MS);
    const id = uuid();
    const before = dump(home.db);
    const counting = lines.filter((line) => !line.struck);
    const ask = async (path: string, body: object, took: () => void): Promise<void> => {
      const response = await post(path, body);
      if (response.status === 201) return took();
      expect([404, 409, 422]).withContext(response.text).toContain(response.status);
      expect((response.body as { detail: string }).detail.length).toBeGreaterThan(10);
      expect(dump(home.db)).toBe(before);
    };
    switch (one.do) {
      case 'look': {
        const basedOn = one.onLast ? (standing(lines, 'look').at(-1)?.id ?? null) : null;
        return ask(
          'looks',
          lookBody(0, { id, seen: { tipped: one.tipped, rotten: one.rotten, basedOn } }),
          () => void lines.push({ ...blank, id, kind: 'look', tipped: one.tipped }),
        );
      }
      case 'correct': {
        const looks = standing(lines, 'look');
        const old = looks[one.which % Math.max(looks.length, 1)];
        if (!old) return;
        return ask('looks', lookBody(0, { id, seen: { tipped: one.tipped, rotten: 0, basedOn: null }, supersedes: old.id }), () => {
          old.struck = true;
          lines.push({ ...blank, id, kind: 'look', tipped: one.tipped, over: old });
        });
      }
      case 'move':
        return ask(
          'moves',
          moveBody({ id, uncounted: one.uncounted, quietPlanted: one.quiet }),
          () => void lines.push({ ...blank, id, kind: 'move', moved: one.uncounted, planted: one.quiet }),
        );
      case 'recount':
        return ask('recounts', { id, seeds: one.seeds }, () => void lines.push({ ...blank, id, kind: 'recount', seeds: one.seeds }));
      case 'close':
        return ask('closings', { id, reason: 'other' }, () => void lines.push({ ...blank, id, kind: 'close' }));
      case 'undo': {
        const target = counting[one.which % Math.max(counting.length, 1)];
        if (!target) return;
        return ask('undos', { id, entryId: target.id }, () => {
          target.struck = true;
          if (target.over) target.over.struck = false;
        });
      }
    }
  }

  const notebooks = fc.sample(fc.array(deed, { minLength: 6, maxLength: 16 }), {
    numRuns: Number(process.env['RUNS'] ?? 40),
    seed: Number(process.env['SEED'] ?? 4),
  });
  // In four parts, each within a minute on any machine: one that runs out of time goes on beneath the specs after it.
  const part = Math.ceil(notebooks.length / 4);
  for (let from = 0; from < notebooks.length; from += part)
    it(`says what a notebook would, whatever is done, corrected and taken back, and never goes below none: from ${from + 1}`, async () => {
      for (const deeds of notebooks.slice(from, from + part)) {
        home = await household();
        lines = [];
        for (const one of deeds) await perform(one);
        const told = await batch();
        const { state } = told.answers;
        const expected = inNotebook(lines);
        const context = JSON.stringify({ deeds, lines: lines.map(({ id: _, over, ...line }) => ({ ...line, over: over !== null })) });
        expect([told.facts.seeds, state.tipped, state.moved, told.closed])
          .withContext(context)
          .toEqual([expected.seeds, expected.tipped, expected.moved, expected.closed]);
        expect(told.journal.filter(({ counts, kind }) => counts && kind !== 'undo').length)
          .withContext(context)
          .toBe(lines.filter((line) => !line.struck).length);
        for (const count of [state.quiet, state.showing, state.rotten, state.lost])
          expect(count).withContext(context).toBeGreaterThanOrEqual(0);
        const nursery = (await home.request.get('/api/nursery').expect(200)).body as Nursery;
        expect(nursery.standing).withContext(context).toBe(expected.labels);
      }
    }, 60_000);

  describe('taken back and corrected', () => {
    beforeEach(async () => {
      home = await household();
      lines = [];
    });
    const look = async (tipped: number, more: object = {}, status = 201): Promise<string> => {
      const id = uuid();
      home.clock.step(HOUR_MS);
      await post('looks', lookBody(0, { id, seen: { tipped, rotten: 0, basedOn: null }, ...more })).expect(status);
      return id;
    };
    const undo = (entryId: string, status: number) => post('undos', { id: uuid(), entryId }).expect(status);
    const detail = (response: { body: unknown }): string => (response.body as { detail: string }).detail;

    it('a correction that is corrected still stands over what it corrected, and each is taken back in turn', async () => {
      const first = await look(6);
      const second = await look(5, { supersedes: first });
      const third = await look(2, { supersedes: second });
      expect((await batch()).answers.state.tipped).toBe(2);
      await undo(first, 422);
      await undo(third, 201);
      expect((await batch()).answers.state.tipped).toBe(5);
      await undo(second, 201);
      expect((await batch()).answers.state.tipped).toBe(6);
    });

    it('what was moved stays seen: neither an undo nor a correction leaves a sprout that nobody saw', async () => {
      const seen = await look(4);
      await post('moves', moveBody({ uncounted: 3 })).expect(201);
      expect(detail(await undo(seen, 422))).toBe(
        'entryId must be an entry that can be taken back: 3 of its sprouts were moved; undo the move first',
      );
      const refused = await post('looks', lookBody(0, { seen: { tipped: 2, rotten: 0, basedOn: null }, supersedes: seen }));
      expect([refused.status, detail(refused)]).toEqual([
        422,
        'seen.tipped must be at least 3: 3 of its sprouts were moved; undo the move first',
      ]);
      await look(3, { supersedes: seen });
      expect((await batch()).answers.state).toEqual(jasmine.objectContaining({ tipped: 3, moved: 3, showing: 0 }));
    });

    it('a marked seed that was moved keeps the mark that showed its tip', async () => {
      const marked = await look(1, { marks: [{ seed: 5, stage: 'tip', rootMm: 2 }] });
      await post('moves', moveBody({ seeds: [5], uncounted: 0 })).expect(201);
      const refused = await post(
        'looks',
        lookBody(0, { seen: { tipped: 1, rotten: 0, basedOn: null }, marks: [{ seed: 6, stage: 'tip', rootMm: 2 }], supersedes: marked }),
      );
      expect([refused.status, detail(refused)]).toEqual([422, 'seen.tipped must be at least 1: seed 5 was moved; undo the move first']);
    });

    it('a corrected count is not taken back below what was seen since', async () => {
      const recount = uuid();
      await post('recounts', { id: recount, seeds: 12 }).expect(201);
      await look(10);
      const before = dump(home.db);
      expect(detail(await undo(recount, 422))).toBe(
        'entryId must be an entry that can be taken back: 10 seeds were seen or planted, and the batch would have 8',
      );
      expect(dump(home.db)).toBe(before);
    });

    it('nothing that was written is changed or torn out, in any table of the journal', async () => {
      await look(4, { marks: [{ seed: 1, stage: 'root', rootMm: 9 }] });
      await post('moves', moveBody({ seeds: [1], uncounted: 1 })).expect(201);
      await post('recounts', { id: uuid(), seeds: 9 }).expect(201);
      await post('closings', { id: uuid(), reason: 'other' }).expect(201);
      for (const table of ['entry', 'look', 'seed_mark', 'move', 'moved_seed', 'cup', 'recount', 'closing']) {
        expect(home.db.prepare(`SELECT count(*) AS n FROM ${table}`).get())
          .withContext(table)
          .not.toEqual({ n: 0 });
        const [column] = home.db.prepare(`SELECT name FROM pragma_table_info('${table}')`).pluck().all() as string[];
        expect(() => home.db.prepare(`UPDATE ${table} SET ${column} = ${column}`).run())
          .withContext(table)
          .toThrowError(/only added to/);
        expect(() => home.db.prepare(`DELETE FROM ${table}`).run())
          .withContext(table)
          .toThrowError(/only added to/);
      }
    });
  });
});
