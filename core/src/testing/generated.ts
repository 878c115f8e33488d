import fc from 'fast-check';
import { CLOSURES, DAMPS } from '../carrier/index.js';
import { CROPS } from '../crops/index.js';
import { bookPrior } from '../forecast/index.js';
import { METHODS, methodOf, type MethodId } from '../method/index.js';
import { TROUBLES, type ParcelFacts, type ParcelLook } from '../parcel/index.js';
import { HOUR_MS } from '../units/index.js';
import { NOW, parcel } from './parcel.js';

/** A look as it is drawn: what is new since the one before. */
const drawnLook = fc.record({
  tipped: fc.integer({ min: 0, max: 6 }),
  rotten: fc.integer({ min: 0, max: 2 }),
  seen: fc.boolean(),
  through: fc.boolean(),
  damp: fc.option(fc.constantFrom(...DAMPS)),
  rewetted: fc.boolean(),
  troubles: fc.subarray([...TROUBLES], { maxLength: 2 }),
  rootMm: fc.option(fc.integer({ min: 1, max: 70 })),
});

const drawn = fc.record({
  cropId: fc.constantFrom(...CROPS.map(({ id }) => id)),
  method: fc.constantFrom<MethodId>(...METHODS),
  seeds: fc.integer({ min: 1, max: 60 }),
  days: fc.double({ min: 0.05, max: 70, noNaN: true }),
  celsius: fc.double({ min: 4, max: 34, noNaN: true }),
  wanted: fc.option(fc.integer({ min: 1, max: 60 })),
  looks: fc.array(drawnLook, { maxLength: 7 }),
  moved: fc.integer({ min: 0, max: 5 }),
  closure: fc.constantFrom(...CLOSURES),
  chillDays: fc.option(fc.integer({ min: 3, max: 60 })),
  packetLeft: fc.option(fc.integer({ min: 0, max: 200 })),
  printedRate: fc.option(fc.double({ min: 0.1, max: 0.99, noNaN: true })),
  ageYears: fc.option(fc.integer({ min: 0, max: 9 })),
  through: fc.boolean(),
});
export type Drawn = typeof drawn extends fc.Arbitrary<infer T> ? T : never;

/** Looks in their order, totals that never fall and never pass the seeds there are. */
function looksOf({ looks, days, seeds }: Drawn): ParcelLook[] {
  let tipped = 0;
  let rotten = 0;
  return looks.map((one, index) => {
    if (one.seen) {
      tipped += Math.min(one.tipped, seeds - tipped - rotten);
      rotten += Math.min(one.rotten, seeds - tipped - rotten);
    }
    return {
      atMs: NOW - (1 - (index + 1) / (looks.length + 0.5)) * days * 24 * HOUR_MS,
      through: one.through,
      tipped: one.seen ? tipped : null,
      rotten: one.seen ? rotten : null,
      marks: one.seen && !one.through && tipped > 0 && one.rootMm !== null ? [{ seed: 1, stage: 'root', rootMm: one.rootMm }] : [],
      damp: one.damp,
      rewetted: one.rewetted,
      troubles: one.troubles,
    };
  });
}

/** The parcel that was drawn, as a household could have it. */
export function parcelFrom(one: Drawn): ParcelFacts {
  const looks = looksOf(one);
  const tipped = Math.max(0, ...looks.map((look) => look.tipped ?? 0));
  const base = parcel(one.cropId, one.days, one.celsius);
  const moved = Math.min(one.moved, Math.max(tipped - 1, 0));
  return {
    ...base,
    method: one.method,
    seeds: one.seeds,
    wanted: one.wanted,
    closure: one.closure,
    looks,
    moves: moved > 0 ? [{ atMs: NOW - HOUR_MS, seeds: [], uncounted: moved }] : [],
    chillUntilMs: one.chillDays === null ? null : base.startMs + one.chillDays * 24 * HOUR_MS,
    packetLeft: one.packetLeft,
    prior: bookPrior(base.crop, { printedRate: one.printedRate, ageYears: one.ageYears, seen: methodOf(one.method).event }),
    ways: { unopenedFirst: one.through },
  };
}

/** Parcels of every crop and method, as households could have them. */
export const anyParcel = drawn.map(parcelFrom);
