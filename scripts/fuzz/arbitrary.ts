import fc, { type Arbitrary } from 'fast-check';
import type * as z from 'zod';

/** Ids that stand for something, by the field that names them. */
export type Known = (field: string) => readonly string[];

interface Def {
  readonly type: string;
  readonly innerType?: z.ZodType;
  readonly in?: z.ZodType;
  readonly element?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly items?: readonly z.ZodType[];
  readonly valueType?: z.ZodType;
  readonly entries?: Readonly<Record<string, string>>;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
}
interface Check {
  readonly check: string;
  readonly format?: string;
  readonly value?: number;
}
const defOf = (schema: z.ZodType): Def => schema.def;
/** What a number or a text is held to. */
function boundsOf(schema: z.ZodType): { readonly minimum: number; readonly maximum: number; readonly format: string } {
  const def = schema.def as unknown as { format?: string; checks?: readonly { _zod: { def: Check } }[] };
  const checks = (def.checks ?? []).map(({ _zod }) => _zod.def);
  return {
    minimum: checks.find(({ check }) => check === 'greater_than')?.value ?? 0,
    maximum: checks.find(({ check }) => check === 'less_than')?.value ?? 500,
    format: def.format ?? checks.find(({ format }) => format !== undefined)?.format ?? '',
  };
}

/** Texts that have broken something somewhere. */
const texts = fc.oneof(
  fc.string({ maxLength: 90 }),
  fc.string({ unit: 'binary', maxLength: 30 }),
  fc.constantFrom(
    '',
    ' ',
    "'; DROP TABLE entry; --",
    '=1+1',
    '＝1',
    '\u0000',
    '𝕊eed',
    '__proto__',
    'x'.repeat(600),
    '2026-02-30',
    '2026-04-10',
    '2026-04-10T07:00',
    '07:00',
  ),
);
const numbers = fc.oneof(fc.integer({ min: -3, max: 500 }), fc.double(), fc.constantFrom(0, 1, 400, 401, 1e9, -1, 0.5, 1e308));

/** Anything that JSON can carry. */
export const junk = fc.oneof(texts, numbers, fc.boolean(), fc.constant(null), fc.jsonValue({ maxDepth: 2 }));

/** Values that a schema describes, its refinements left to chance. */
export function valueOf(schema: z.ZodType, known: Known, field = ''): Arbitrary<unknown> {
  const def = defOf(schema);
  const inner = (one: z.ZodType, name = field): Arbitrary<unknown> => valueOf(one, known, name);
  switch (def.type) {
    case 'object':
      return fc.record(Object.fromEntries(Object.entries(def.shape ?? {}).map(([name, one]) => [name, inner(one, name)])));
    case 'nullable':
      return fc.oneof({ weight: 2, arbitrary: inner(def.innerType as z.ZodType) }, { weight: 1, arbitrary: fc.constant(null) });
    case 'default':
    case 'optional':
    case 'prefault':
      return fc.oneof({ weight: 3, arbitrary: inner(def.innerType as z.ZodType) }, { weight: 1, arbitrary: fc.constant(undefined) });
    case 'pipe':
      return inner(def.in as z.ZodType);
    case 'array':
      return fc.array(inner(def.element as z.ZodType), { maxLength: 4 });
    case 'tuple':
      return fc.tuple(...(def.items ?? []).map((item) => inner(item)));
    case 'union':
      return fc.oneof(...(def.options ?? []).map((one) => inner(one)));
    case 'record':
      return fc.dictionary(
        fc.constantFrom('root.lateMm', 'days.tipAtOptimum', 'viability.share', 'growing.isolationM', 'seed.colour'),
        inner(def.valueType as z.ZodType),
        {
          maxKeys: 2,
        },
      );
    case 'enum':
      return fc.constantFrom(...Object.values(def.entries ?? {}));
    case 'boolean':
      return fc.boolean();
    case 'number': {
      const { minimum, maximum, format } = boundsOf(schema);
      return /int/.test(format)
        ? fc.integer({ min: Math.max(minimum, -1e6), max: Math.min(maximum, 1e6) })
        : fc.double({ min: Math.max(minimum, -1e6), max: Math.min(maximum, 1e6), noNaN: true });
    }
    case 'string': {
      const ids = known(field);
      const { format } = boundsOf(schema);
      if (format === 'uuid' || ids.length > 0)
        return ids.length === 0
          ? fc.uuid()
          : fc.oneof({ weight: 5, arbitrary: fc.constantFrom(...ids) }, { weight: 1, arbitrary: fc.uuid() });
      if (format === 'date') return fc.constantFrom('2026-04-09', '2026-04-10', '2026-04-11', '2026-04-12', '2026-02-30');
      if (/^at$|^startAt$/.test(field))
        return fc.constantFrom('2026-04-10T07:00', '2026-04-08T18:30', '2026-04-11T07:10', '2026-04-11T19:00', '2026-03-29T02:30');
      if (field === 'lookingTimes') return fc.constantFrom('07:00', '18:30', '25:00');
      return texts;
    }
    default:
      return junk;
  }
}

/** A body that a schema describes, or one that is a field away from it, or none at all like it. */
export function bodyOf(schema: z.ZodType, known: Known): Arbitrary<unknown> {
  const whole = valueOf(schema, known);
  const spoilt = fc.tuple(whole, fc.nat(), junk, fc.constantFrom('replace', 'drop', 'add', 'deep')).map(([body, at, value, how]) => {
    if (typeof body !== 'object' || body === null || Array.isArray(body)) return value;
    const copy = { ...(body as Record<string, unknown>) };
    const names = Object.keys(copy);
    const name = names[at % Math.max(names.length, 1)] ?? 'id';
    if (how === 'drop') delete copy[name];
    else if (how === 'add') copy[`strange${at % 3}`] = value;
    else if (how === 'deep' && typeof copy[name] === 'object' && copy[name] !== null) copy[name] = { ...copy[name], x: value };
    else copy[name] = value;
    return copy;
  });
  return fc.oneof({ weight: 9, arbitrary: whole }, { weight: 4, arbitrary: spoilt }, { weight: 1, arbitrary: junk });
}
