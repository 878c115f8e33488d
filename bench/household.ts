/** Today with 60 live batches, cold and warm, and how long a look takes to be stored. */
import { v7 as uuid } from 'uuid';
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
await send('PUT', 'household', {
  id: uuid(),
  name: 'Bench',
  zone: 'Europe/Copenhagen',
  units: 'metric',
  lookingTimes: ['07:00', '18:30'],
  millilitresPerSpray: 0.8,
});
await send('POST', 'spots', { id: spotId, name: 'Shelf', kind: 'cupboard' });
const batches: string[] = [];
for (let index = 0; index < BATCHES; index++) {
  const packetId = uuid();
  const id = uuid();
  await send('POST', 'packets', {
    id: packetId,
    cropId: CROPS[index % CROPS.length],
    variety: `V${index}`,
    year: 2025,
    source: null,
    printedRatePercent: 80,
    seedCount: null,
    dressed: false,
  });
  await send('POST', 'batches', {
    id,
    packetId,
    seeds: 6 + (index % 15),
    wanted: 5,
    startAt: null,
    chillDays: null,
    prepared: [],
    towel: { widthMm: 140, heightMm: 110, plies: 2 },
    doseMl: 7,
    holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId },
  });
  batches.push(id);
}
const look = (tipped: number) => ({
  id: uuid(),
  at: null,
  via: 'opened',
  seen: { tipped, rotten: 0, basedOn: null },
  marks: [],
  damp: 'damp',
  rewetted: false,
  troubles: [],
  who: null,
  note: null,
  supersedes: null,
});
for (const [index, id] of batches.entries()) {
  for (const half of [5, 6, 7]) {
    clock = clockFrom(nowMs + (half - 8) * 12 * 3_600_000, true);
    await send('POST', `batches/${id}/looks`, look(Math.min(half - 5 + (index % 2), 5)));
  }
}
clock = clockFrom(nowMs, true);
const cold = await timed(() => send('GET', 'today'));
const warm = await timed(() => send('GET', 'today'));
console.log(`Today with ${BATCHES} live batches, through HTTP: ${cold.toFixed(0)} ms cold, ${warm.toFixed(0)} ms warm`);
const stored: number[] = [];
for (const id of batches) stored.push(await timed(() => send('POST', `batches/${id}/looks`, look(6))));
console.log(`a look stored and answered with its new forecast: median ${stored.sort((a, b) => a - b)[BATCHES / 2]?.toFixed(1)} ms`);
server.closeAllConnections();
server.close();
services.changes.close();
