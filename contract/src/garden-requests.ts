import * as z from 'zod';
import { SEEDLING_STAGES } from './choices.js';
import { celsius, id, localMoment, number, text, whole } from './fields.js';

export const bedRequest = z.strictObject({
  id,
  name: text(60, 'name'),
  widthM: number(0.05, 50, 'widthM', 'm'),
  lengthM: number(0.05, 200, 'lengthM', 'm'),
  madeYear: whole(1950, 2100, 'madeYear').nullable(),
});
/** A bed renamed, measured anew, or given its age. */
export const bedChange = bedRequest.extend({ version: whole(0, 1_000_000_000, 'version') });
/** A soilless system, by its slots. */
export const rackRequest = z.strictObject({ id, name: text(60, 'name'), slots: whole(1, 400, 'slots') });
export const rackChange = rackRequest.extend({ version: whole(0, 1_000_000_000, 'version') });
export const soilRequest = z.strictObject({
  id,
  day: z.iso.date({ error: 'day must be a date like 2026-04-11' }),
  celsius: celsius('celsius'),
  source: z.enum(['soil', 'air'], { error: 'source must be soil or air' }),
});
export const seedlingRequest = z
  .strictObject({
    id,
    kind: z.enum(['stage', 'lost', 'given'], { error: 'kind must be stage, lost or given' }),
    stage: z.enum(SEEDLING_STAGES, { error: `stage must be one of ${SEEDLING_STAGES.join(', ')}` }).nullable(),
    why: text(200, 'why').nullable(),
    /** When it was seen; null is now. */
    at: localMoment('at').nullable().default(null),
  })
  .refine((event) => (event.kind === 'stage') === (event.stage !== null), {
    error: 'stage must be given with kind stage, and only then',
    path: ['stage'],
  })
  .refine((event) => event.kind !== 'lost' || event.why !== null, { error: 'why must say how it was lost', path: ['why'] });

export type BedChange = z.infer<typeof bedChange>;
export type RackChange = z.infer<typeof rackChange>;
export type BedRequest = z.infer<typeof bedRequest>;
export type RackRequest = z.infer<typeof rackRequest>;
export type SoilRequest = z.infer<typeof soilRequest>;
export type SeedlingRequest = z.input<typeof seedlingRequest>;
