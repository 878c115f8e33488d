import { batchBody, lookBody, moveBody, packetBody } from '@fresh-tuck/contract/testing';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { createApp, openDatabase, servicesOn, type Services } from '@fresh-tuck/server';
import type { BatchWithJournal, Today } from '@fresh-tuck/contract';
import { trueSeeds } from '@fresh-tuck/core/practice';
import { drawLot, type Lot } from '@fresh-tuck/core/practice';

const START = '2026-03-20T18:30';
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

interface Told {
  readonly openings: number;
  readonly beforeFirstTip: number;
  /** Roots past "late" when they were first found, and all that were found. */
  readonly late: number;
  readonly found: number;
  readonly verdicts: readonly string[];
  readonly firstTipDay: number | null;
}

/** A household that opens a parcel only when Today says so, twice a day at most, and moves what is ready. */
async function follow(cropId: string, kind: string, meanC: number, lot: Lot, seeds: number, days: number): Promise<Told> {
  let nowMs = Date.parse(`${START}:00Z`);
  const services: Services = servicesOn(openDatabase(':memory:'), { now: () => nowMs }, { demo: false, version: 'test' });
  const request = supertest(createApp(services, { log: () => undefined }));
  const [spotId, packetId, batchId] = [uuid(), uuid(), uuid()];
  const send = async (method: 'put' | 'post', path: string, body: object) =>
    (
      await request[method](`/api/${path}`)
        .send(body)
        .expect((response) => expect(response.status).withContext(JSON.stringify(response.body)).toBeLessThan(300))
    ).body as BatchWithJournal;
  await send('put', 'household', {
    id: uuid(),
    name: 'Test',
    zone: 'UTC',
    units: 'metric',
    lookingTimes: ['07:00', '18:30'],
    millilitresPerSpray: 0.8,
  });
  await send('post', 'spots', { id: spotId, name: 'Spot', kind });
  await send('post', `spots/${spotId}/readings`, { id: uuid(), day: START.slice(0, 10), minC: meanC - 0.5, maxC: meanC + 0.5 });
  await send('post', 'packets', packetBody({ id: packetId, cropId, year: null, seedCount: null }));
  await send('post', 'batches', batchBody(packetId, spotId, { id: batchId, seeds, wanted: null, startAt: null, prepared: [] }));
  const { crop } = services.crops.known(cropId);
  const fates = drawLot(lot, seeds, 0.37);
  const startMs = nowMs;
  const told = { openings: 0, beforeFirstTip: 0, late: 0, found: 0, verdicts: new Set<string>(), firstTipDay: null as number | null };
  for (let half = 1; half <= 2 * days; half++) {
    nowMs = Math.floor(startMs / DAY_MS) * DAY_MS + Math.ceil(half / 2) * DAY_MS + (half % 2 === 1 ? 7 : 18.5) * HOUR_MS;
    const today = (await request.get('/api/today')).body as Today;
    const stop = today.stations.flatMap(({ stops }) => stops)[0];
    if (!stop) continue;
    const truth = trueSeeds(crop, fates, [{ fromMs: startMs, climate: { meanC, swingC: 1 } }], startMs, nowMs);
    const known = stop.batch.answers.state;
    const there = truth.filter(({ seed, rootMm }) => rootMm !== null && !known.seeds[seed - 1]?.moved);
    told.openings++;
    if (there.length === 0 && told.found === 0) told.beforeFirstTip++;
    const fresh = there.filter(({ seed }) => (known.seeds[seed - 1]?.tipToMs ?? null) === null);
    if (fresh.length > 0) told.firstTipDay ??= (nowMs - startMs) / DAY_MS;
    told.found += fresh.length;
    told.late += fresh.filter(({ rootMm }) => (rootMm ?? 0) > crop.root.lateMm).length;
    const after = await send(
      'post',
      `batches/${batchId}/looks`,
      lookBody(0, {
        seen: { tipped: known.tipped + fresh.length, rotten: 0, lost: 0, basedOn: stop.batch.lastLookId },
        marks: there.map(({ seed, stage, rootMm }) => ({ seed, stage, rootMm })),
      }),
    );
    told.verdicts.add(after.judgement.verdict);
    const ready = after.answers.roots.filter(({ readyMs }) => readyMs <= nowMs + HOUR_MS / 2).flatMap((root) => root.seeds);
    if (ready.length > 0) await send('post', `batches/${batchId}/moves`, moveBody({ seeds: ready, uncounted: 0 }));
  }
  services.db.close();
  return { ...told, verdicts: [...told.verdicts] };
}

const lot = (more: Partial<Lot>): Lot => ({ living: 0.9, pace: 1, law: 'gamma', dormant: 0, dormantTimes: 1, ...more });

describe('a household that does what Today says', () => {
  it('opens a slow lot for nothing only a few times, and none of its roots is late', async () => {
    const told = await follow('celeriac', 'fridge_top', 21, lot({ pace: 1.2 }), 12, 26);
    expect(told.found).toBeGreaterThan(7);
    expect(told.late).toBe(0);
    // Twice a day would be two openings a day from the first on.
    expect(told.beforeFirstTip).toBeLessThan((told.firstTipDay ?? 0) * 0.8);
  }, 60_000);

  it('catches a quick lot in time, twice a day', async () => {
    const told = await follow('radish', 'cupboard', 24, lot({}), 12, 5);
    expect(told.found).toBeGreaterThan(8);
    expect(told.late / told.found).toBeLessThan(0.2);
    expect(told.openings).toBeLessThanOrEqual(10);
  }, 60_000);

  it('looks at a stone for eleven weeks without giving it up, and is there when its root comes', async () => {
    const told = await follow('avocado', 'fridge_top', 21, lot({ pace: 1.45, living: 1 }), 3, 77);
    expect(told.firstTipDay ?? 0).toBeGreaterThan(21);
    expect(told.found).toBeGreaterThan(1);
    expect(told.late).toBe(0);
    expect(told.openings).toBeLessThan(77);
    expect(told.verdicts).not.toContain('give_up');
  }, 60_000);
});
