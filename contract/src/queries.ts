import * as z from 'zod';
import { GROUPINGS } from '@fresh-tuck/core/trials';
import { DIVIDERS, NURSERY_GROUPS } from './choices.js';
import { localMoment, SEED_LIMIT } from './fields.js';

/** What stands behind the question mark of an address: text, each thing once. */
const words = (what: string) =>
  z.string({ error: `${what} must be text, once` }).max(200, { error: `${what} must have at most 200 characters` });
const from = z.coerce
  .number({ error: 'from must be a whole number from 0' })
  .int({ error: 'from must be a whole number from 0' })
  .min(0, { error: 'from must be a whole number from 0' })
  .max(1_000_000, { error: 'from must be a whole number up to 1000000' })
  .default(0);

const year = z.coerce
  .number({ error: 'year must be a year like 2026' })
  .int({ error: 'year must be a year like 2026' })
  .min(1990, { error: 'year must be a year like 2026' })
  .max(2100, { error: 'year must be a year like 2026' })
  .nullable()
  .default(null);

/** What the code of a label says. */
export const codeQuery = z.strictObject({ code: words('code') });
export const findQuery = z.strictObject({ words: words('words').default('') });
export const boxQuery = z.strictObject({
  find: words('find').default(''),
  divider: z
    .enum(DIVIDERS, { error: `divider must be one of ${DIVIDERS.join(', ')}` })
    .nullable()
    .default(null),
  from,
});
/** When a batch would be begun, on the household's clock. */
export const startQuery = z.strictObject({ at: localMoment('at').nullable().default(null) });
export const packetsQuery = z.strictObject({ find: words('find').default(''), crop: words('crop').nullable().default(null) });
export const nurseryQuery = z.strictObject({
  group: z
    .enum(NURSERY_GROUPS, { error: `group must be one of ${NURSERY_GROUPS.join(', ')}` })
    .nullable()
    .default(null),
  from,
});
/** So many of a crop as they would lie in a bed; without a crop only what stands there. */
export const bedQuery = z.strictObject({
  cropId: words('cropId').nullable().default(null),
  plants: z.coerce
    .number({ error: 'plants must be a whole number from 1' })
    .int({ error: 'plants must be a whole number from 1' })
    .min(1, { error: 'plants must be a whole number from 1' })
    .max(SEED_LIMIT, { error: `plants must be at most ${SEED_LIMIT}` })
    .default(1),
});
/** The season of a year; of the one that is planned or under way where none is named. */
/** What is looked back by, and on. */
export const lookingBackQuery = z.strictObject({
  by: z.enum(GROUPINGS, { error: `by must be one of ${GROUPINGS.join(', ')}` }).default('crop'),
  year,
  crop: words('crop').nullable().default(null),
});
/** Words that notes must hold, and the batch or crop that they are about. */
export const notesQuery = z.strictObject({
  find: words('find').default(''),
  batch: words('batch').nullable().default(null),
  crop: words('crop').nullable().default(null),
  from,
});
/** The crop whose closed batches are to be chosen from. */
export const trialQuery = z.strictObject({ crop: words('crop').nullable().default(null) });
export const seasonQuery = z.strictObject({
  year,
});
