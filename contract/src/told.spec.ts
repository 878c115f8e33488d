import * as z from 'zod';
import * as contract from './index.js';
import { FIELD_WORDS, toldToPeople } from './told.js';

const requests = Object.entries<unknown>(contract).flatMap(([name, schema]): [string, z.ZodType][] =>
  schema instanceof z.ZodType && /(?:Request|Order|Change|Import|Query)$/.test(name) ? [[name, schema]] : [],
);

/** Every field that a schema takes, by its path; entries of a list under the list's. */
function fieldsOf(schema: z.core.$ZodType, path: readonly string[] = []): string[] {
  if (schema instanceof z.ZodObject)
    return Object.entries(schema.shape as Record<string, z.core.$ZodType>).flatMap(([key, value]) => [
      [...path, key].join('.'),
      ...fieldsOf(value, [...path, key]),
    ]);
  if (schema instanceof z.ZodArray) return fieldsOf(schema.element, path);
  if (schema instanceof z.ZodUnion) return schema.options.flatMap((option) => fieldsOf(option, path));
  if (schema instanceof z.ZodPipe) return fieldsOf(schema.in, path);
  const inner = (schema as { readonly def?: { readonly innerType?: z.core.$ZodType } }).def?.innerType;
  return inner ? fieldsOf(inner, path) : [];
}

describe('a refusal told to people', () => {
  it('has words for every field of every request', () => {
    const fields = new Set(requests.flatMap(([, schema]) => fieldsOf(schema)));
    expect(fields.size).toBeGreaterThan(120);
    for (const field of fields) {
      const told = toldToPeople(`${field} must be 3`, 'metric');
      expect(told)
        .withContext(field)
        .toMatch(/^[A-Z“].* must be 3\.$/);
      if (!/^[a-z]+$/.test(field)) expect(told).withContext(field).not.toContain(field);
    }
    for (const [field, words] of Object.entries(FIELD_WORDS))
      expect(words)
        .withContext(field)
        .toMatch(/^[a-z“]/);
  });

  it('names rows, takes several at once, and speaks the household’s units', () => {
    expect(toldToPeople('packets.0.year must not lie after 2027', 'metric')).toBe('The year in row 1 must not lie after 2027.');
    expect(toldToPeople('minC must not be empty; maxC must be a number from -30 to 60 °C', 'us')).toBe(
      'The coldest temperature must not be empty. The warmest temperature must be a number from -22 to 140 °F.',
    );
    expect(toldToPeople('seen.tipped, seen.rotten and seen.lost must fit the 12 seeds together', 'metric')).toBe(
      'The number showing a tip, the number taken out rotten and the number lost must fit the 12 seeds together.',
    );
    expect(toldToPeople('dressed must be true or false', 'metric')).toBe('Whether it is dressed must be yes or no.');
    expect(toldToPeople('kind must be one of cool_room, fridge_top', 'metric')).toBe('The kind must be one of cool room, fridge top.');
    expect(toldToPeople('seed 5 was moved before', 'metric')).toBe('Seed 5 was moved before.');
    expect(toldToPeople('The file is not taken in: it is damaged. Nothing here was changed.', 'metric')).toBe(
      'The file is not taken in: it is damaged. Nothing here was changed.',
    );
  });
});
