import { household, lookBody } from './household.js';

/** Saves 200 looks one after another and reports each that was acknowledged; meant to be killed on the way. */
const home = await household(process.argv[2]);
const marks = [1, 2, 3].map((seed) => ({ seed, stage: 'tip', rootMm: null }));
for (let saved = 0; saved < 200; saved++) {
  const body = lookBody(0, { seen: { tipped: 3, rotten: 0, basedOn: null }, marks });
  await home.request.post(`/api/batches/${home.batchId}/looks`).send(body).expect(201);
  process.send?.(body.id);
}
