import fc from 'fast-check';
import * as z from 'zod';
import * as contract from './index.js';

const requests = Object.entries<unknown>(contract).flatMap(([name, schema]): [string, z.ZodType][] =>
  schema instanceof z.ZodType && /(?:Request|Order|Change|Import)$/.test(name) ? [[name, schema]] : [],
);

/** Bodies that are nearly right: an object with the schema's own fields, each of them anything. */
const nearly = (schema: z.ZodType) => {
  const shape = schema instanceof z.ZodObject ? Object.keys(schema.shape) : ['id'];
  return fc.oneof(
    fc.anything(),
    fc.record(Object.fromEntries(shape.map((field) => [field, fc.anything({ maxDepth: 2 })])), { requiredKeys: [] }),
  );
};

describe('a refusal', () => {
  for (const [name, schema] of requests) {
    it(`of a ${name} names every field and what would be accepted, never "Invalid input"`, () => {
      fc.assert(
        fc.property(nearly(schema), (body) => {
          const result = schema.safeParse(body);
          for (const { message, path } of result.error?.issues ?? []) {
            expect(message).not.toMatch(/invalid|expected|received|undefined/i);
            expect(message).toMatch(/must|needs/);
            expect(message.length).toBeLessThan(400);
            const field = String(path.filter((part) => typeof part === 'string').at(-1) ?? '');
            // A list's entries are called what they are: "a looking time must be a time of day like 07:00".
            if (!message.startsWith('a ')) expect(message).toContain(field);
          }
        }),
        { numRuns: 150 },
      );
    });
  }
});
