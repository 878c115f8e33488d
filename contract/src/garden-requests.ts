import * as z from 'zod';
import { celsius, id, number, text, whole } from './fields.js';

/** Slots of the largest rack. */
export const MOST_SLOTS = 400;
/** Days of soil that a file may bring at once. */
export const MOST_SOIL_DAYS = 1000;

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
export const rackRequest = z.strictObject({ id, name: text(60, 'name'), slots: whole(1, MOST_SLOTS, 'slots') });
export const rackChange = rackRequest.extend({ version: whole(0, 1_000_000_000, 'version') });
export const soilRequest = z.strictObject({
  id,
  day: z.iso.date({ error: 'day must be a date like 2026-04-11' }),
  celsius: celsius('celsius'),
  source: z.enum(['soil', 'air'], { error: 'source must be soil or air' }),
});
/** A thermometer's record of the soil, a mean a day. */
export const soilImport = z.strictObject({
  id,
  days: z
    .array(z.strictObject({ day: z.iso.date({ error: 'days.day must be a date like 2026-04-11' }), celsius: celsius('days.celsius') }))
    .min(1, { error: 'days must hold at least one day' })
    .max(MOST_SOIL_DAYS, { error: `days must hold at most ${MOST_SOIL_DAYS} days at once` }),
});
export type SoilImport = z.infer<typeof soilImport>;
export type BedChange = z.infer<typeof bedChange>;
export type RackChange = z.infer<typeof rackChange>;
export type BedRequest = z.infer<typeof bedRequest>;
export type RackRequest = z.infer<typeof rackRequest>;
export type SoilRequest = z.infer<typeof soilRequest>;
