/** Today with 60 live batches, cold and warm, and how long a look takes to be stored. */
import { v7 as uuid } from 'uuid';
import { batchBody, householdBody, lookBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { clockFrom, createApp, listen, openDatabase, servicesOn } from '@fresh-tuck/server';

const CROPS = ['tomato', 'okra', 'leek', 'chives', 'pea', 'melon', 'lettuce', 'dill', 'sorrel', 'pepper-sweet'];
const BATCHES = 60;
const DAY_MS = 86_400_000;
const nowMs = Date.parse('2026-04-11T07:10:00+02:00');
let clock = clockFrom(nowMs - 4 * DAY_MS, true);
const services = servicesOn(openDatabase(':memory:'), { now: () => clock.now() }, { demo: false, version: 'bench' });
const { server, address } = await listen(createApp(services), 0, '127.0.0.1');
const send = async (method: string, path: string, body?: object): Promise<void> => {
  const response = await fetch(`${address}api/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
  await response.arrayBuffer();
};
const timed = async (run: () => Promise<void>): Promise<number> => {
  const before = performance.now();
  await run();
  return performance.now() - before;
};

const spotId = uuid();
await send('PUT', 'household', householdBody({ name: 'Bench' }));
await send('POST', 'spots', spotBody({ id: spotId }));
const batches: string[] = [];
for (let index = 0; index < BATCHES; index++) {
  const packetId = uuid();
  const id = uuid();
  await send(
    'POST',
    'packets',
    packetBody({ id: packetId, cropId: CROPS[index % CROPS.length], variety: `V${index}`, printedRatePercent: 80, seedCount: null }),
  );
  await send('POST', 'batches', batchBody(packetId, spotId, { id, seeds: 6 + (index % 15), startAt: null, prepared: [] }));
  batches.push(id);
}
for (const [index, id] of batches.entries()) {
  for (const half of [5, 6, 7]) {
    clock = clockFrom(nowMs + (half - 8) * 12 * 3_600_000, true);
    await send('POST', `batches/${id}/looks`, lookBody(Math.min(half - 5 + (index % 2), 5)));
  }
}
clock = clockFrom(nowMs, true);
const cold = await timed(() => send('GET', 'today'));
const warm = await timed(() => send('GET', 'today'));
console.log(`Today with ${BATCHES} live batches, through HTTP: ${cold.toFixed(0)} ms cold, ${warm.toFixed(0)} ms warm`);
const stored: number[] = [];
for (const id of batches) stored.push(await timed(() => send('POST', `batches/${id}/looks`, lookBody(6))));
console.log(`a look stored and answered with its new forecast: median ${stored.sort((a, b) => a - b)[BATCHES / 2]?.toFixed(1)} ms`);
server.closeAllConnections();
server.close();
services.changes.close();
