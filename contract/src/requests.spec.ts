import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import type * as z from 'zod';
import {
  batchRequest,
  bedRequest,
  boxQuery,
  findQuery,
  householdRequest,
  lookRequest,
  METHODS,
  moveRequest,
  nurseryQuery,
  packetChange,
  packetCountRequest,
  packetRequest,
  readingRequest,
  seedlingRequest,
  spotRequest,
  startQuery,
} from './index.js';
import { batchBody, householdBody, lookBody, moveBody, packetBody, readingBody, spotBody } from './testing/requests.js';

const ID = uuid();
/** What a schema says of a body: nothing where it takes it, else the first field and its sentence. */
const said = (schema: z.ZodType, body: unknown): string | null => {
  const issue = schema.safeParse(body).error?.issues[0];
  return issue ? `${issue.path.join('.')}: ${issue.message}` : null;
};
/** Ordinary requests, and the schemas they are for. */
const ORDINARY: readonly (readonly [z.ZodType, () => object])[] = [
  [householdRequest, householdBody],
  [spotRequest, spotBody],
  [readingRequest, () => readingBody('2026-04-10')],
  [packetRequest, packetBody],
  [batchRequest, () => batchBody(ID, ID)],
  [lookRequest, lookBody],
  [moveRequest, moveBody],
];

describe('requests', () => {
  it('an ordinary one is taken as it stands, and reading it twice is reading it once', () => {
    for (const [schema, body] of ORDINARY) {
      const read = schema.parse(body());
      expect(schema.parse(read)).toEqual(read);
    }
  });

  it('nothing is taken that the request does not know, and no field may be missing that has no default', () => {
    for (const [schema, body] of ORDINARY) {
      expect(said(schema, { ...body(), colour: 'blue' })).toContain('colour must be left out');
      for (const field of Object.keys(body())) {
        const { [field]: _, ...rest } = body() as Record<string, unknown>;
        const refusal = said(schema, rest);
        if (refusal !== null) expect(refusal).toMatch(new RegExp(`^${field}`));
      }
    }
  });

  it('an id is the same however it is written, and made by the client', () => {
    expect((spotRequest.parse(spotBody({ id: ID.toUpperCase() })) as { id: string }).id).toBe(ID);
    for (const id of ['', '7', `${ID}0`, 'not-an-id', null, 7])
      expect(said(spotRequest, spotBody({ id }))).toContain('id must be a UUID made by the client');
  });

  it('names are trimmed, and neither empty nor endless', () => {
    expect((spotRequest.parse(spotBody({ name: '  Sill  ' })) as { name: string }).name).toBe('Sill');
    expect(said(spotRequest, spotBody({ name: '   ' }))).toBe('name: name must not be empty');
    expect(said(spotRequest, spotBody({ name: 'x'.repeat(61) }))).toBe('name: name must have at most 60 characters');
  });

  it('numbers are taken up to their limits and not beyond', () => {
    const limits: readonly (readonly [z.ZodType, (value: number) => object, low: number, high: number, beyond: number])[] = [
      [packetRequest, (seedCount) => packetBody({ seedCount }), 0, 100_000, 1],
      [packetRequest, (printedRatePercent) => packetBody({ printedRatePercent }), 1, 100, 0.5],
      [batchRequest, (seeds) => batchBody(ID, ID, { seeds }), 1, 400, 1],
      [batchRequest, (doseMl) => batchBody(ID, ID, { doseMl }), 0.5, 500, 0.1],
      [lookRequest, (tipped) => lookBody(tipped), 0, 400, 1],
      [bedRequest, (widthM) => ({ id: ID, name: 'Bed', widthM, lengthM: 1, madeYear: null }), 0.05, 50, 0.01],
      [householdRequest, (millilitresPerSpray) => householdBody({ millilitresPerSpray }), 0.1, 5, 0.05],
    ];
    for (const [schema, body, low, high, beyond] of limits) {
      expect(said(schema, body(low))).toBeNull();
      expect(said(schema, body(high))).toBeNull();
      for (const value of [low - beyond, high + beyond, NaN, Infinity]) {
        const refusal = said(schema, body(value)) ?? '';
        expect(refusal).toContain(`from ${low} to ${high}`);
      }
    }
  });

  it('temperatures are a household’s, and the highest is not below the lowest', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: 70, noNaN: true }), fc.double({ min: -40, max: 70, noNaN: true }), (minC, maxC) => {
        const within = [minC, maxC].every((celsius) => celsius >= -30 && celsius <= 60);
        const refusal = said(readingRequest, readingBody('2026-04-10', { minC, maxC }));
        expect(refusal === null).toBe(within && minC <= maxC);
        if (within && minC > maxC) expect(refusal).toBe('maxC: maxC must not lie below minC');
      }),
    );
  });
});

describe('a batch by its method', () => {
  const { towel, ...bare } = batchBody(ID, ID) as Record<string, unknown>;
  const begun = (method: string, more: object = {}) => said(batchRequest, { ...bare, method, ...more });

  it('says its method aloud, and what it lies in hangs on it', () => {
    const { method: _, ...silent } = bare;
    expect(said(batchRequest, silent)).toContain('method must be one of towel, water');
    expect(begun('spoon')).toContain('method must be one of towel, water');
    expect(begun('towel')).toContain('towel must be');
    expect(begun('towel', { towel })).toBeNull();
    for (const method of METHODS.filter((id) => id !== 'towel')) {
      expect(begun(method)).withContext(method).toBeNull();
      expect(begun(method, { towel })).withContext(method).toContain('towel must be left out');
    }
  });

  it('has cells, slots, pellets or pots where the method has such, and nowhere else', () => {
    for (const method of METHODS) {
      const cells = ['plug', 'pod', 'pellet', 'pot'].includes(method);
      expect(begun(method, { places: 4, ...(method === 'towel' ? { towel } : {}) }) === null)
        .withContext(method)
        .toBe(cells);
    }
    expect(begun('pot', { places: 0 })).toContain('places must be a whole number from 1 to 400');
  });
});

describe('looks and moves that contradict themselves', () => {
  it('a skipped look has seen nothing, marks come with totals, and no seed is marked twice', () => {
    expect(said(lookRequest, lookBody(0, { via: 'skipped', seen: null, damp: null }))).toBeNull();
    expect(said(lookRequest, lookBody(0, { via: 'skipped' }))).toMatch(/^via: via must be opened or through/);
    const mark = { seed: 1, stage: 'tip', rootMm: null };
    expect(said(lookRequest, lookBody(0, { seen: null, marks: [mark] }))).toMatch(/^seen: seen must hold the totals/);
    expect(said(lookRequest, lookBody(2, { marks: [mark, mark] }))).toMatch(/^marks: marks must name each seed once/);
  });

  it('a move moves something, at most what it moves was rooted, and a bed is named where it is a bed', () => {
    expect(said(moveRequest, moveBody({ uncounted: 0 }))).toMatch(/^seeds: seeds must name at least one sprout/);
    expect(said(moveRequest, moveBody({ uncounted: 0, quietPlanted: 3 }))).toBeNull();
    expect(said(moveRequest, moveBody({ rooted: { freed: 1, patched: 1, snapped: 1 } }))).toMatch(/^rooted: rooted must count at most/);
    expect(said(moveRequest, moveBody({ destination: 'bed' }))).toMatch(/^bedId: bedId must name the bed/);
    expect(said(moveRequest, moveBody({ destination: 'cup', bedId: ID }))).toMatch(/^bedId: bedId must name the bed/);
    expect(said(moveRequest, moveBody({ destination: 'bed', bedId: ID }))).toBeNull();
    expect(said(moveRequest, moveBody({ seeds: [3, 3], uncounted: 0 }))).toMatch(/^seeds: seeds must name each sprout once/);
  });

  it('a packet is counted or weighed, one of the two, and its days rise', () => {
    const count = (more: object) => said(packetCountRequest, { id: ID, seeds: null, grams: null, ...more });
    expect([count({ seeds: 0 }), count({ grams: 0.4 })]).toEqual([null, null]);
    expect(count({})).toMatch(/^seeds: seeds or grams must be given, and not both/);
    expect(count({ seeds: 4, grams: 1 })).toMatch(/not both/);
    const { seedCount: _, ...packet } = packetBody({ version: 0 }) as Record<string, unknown>;
    expect(said(packetChange, { ...packet, printedDays: [14, 7] })).toContain('the lower first');
    expect(said(packetChange, { ...packet, printedDays: [7, 14] })).toBeNull();
  });

  it('a seedling that is lost says how, and a stage comes with its word', () => {
    const event = (word: object) => said(seedlingRequest, { id: ID, said: word });
    expect(event({ kind: 'stage', stage: 'up' })).toBeNull();
    expect(event({ kind: 'stage' })).toMatch(/^said.stage: stage must be one of moved, up/);
    expect(event({ kind: 'given', stage: 'up' })).toMatch(/said/);
    expect(event({ kind: 'lost' })).toMatch(/^said.why: why must be text/);
    expect(event({ kind: 'lost', why: ' ' })).toMatch(/^said.why: why must not be empty/);
    expect(event({ kind: 'wilted' })).toMatch(/kind must be stage, lost, given/);
    expect(event({ kind: 'lost', why: 'a slug' })).toBeNull();
  });
});

describe('what stands behind a question mark', () => {
  it('is text that is read as what it means, with what is usual where it is left out', () => {
    expect(boxQuery.parse({})).toEqual({ find: '', divider: null, from: 0 });
    expect(boxQuery.parse({ find: 'leek', divider: 'fine', from: '40' })).toEqual({ find: 'leek', divider: 'fine', from: 40 });
    expect(nurseryQuery.parse({ group: 'gone', from: '20' })).toEqual({ group: 'gone', from: 20 });
    expect(startQuery.parse({})).toEqual({ at: null });
    expect(findQuery.parse({ words: '12' })).toEqual({ words: '12' });
  });

  it('is refused by its name where it is none, or stands there twice', () => {
    expect(said(boxQuery, { from: '-1' })).toBe('from: from must be a whole number from 0');
    expect(said(boxQuery, { from: 'two' })).toContain('from must be a whole number');
    expect(said(boxQuery, { divider: 'mine' })).toContain('divider must be one of test_first');
    expect(said(findQuery, { words: ['a', 'b'] })).toBe('words: words must be text, once');
    expect(said(startQuery, { at: 'yesterday' })).toBe('at: at must be a date and time like 2026-04-11T07:10');
  });
});
