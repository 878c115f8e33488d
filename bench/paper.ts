/** Forty labels, a bed's template and a round of sixty on paper: the first with its fonts, then warm; and how long the request loop waited meanwhile. */
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { v7 as uuid } from 'uuid';
import { batchBody, householdBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { clockFrom, createApp, listen, openDatabase, servicesOn } from '@fresh-tuck/server';

const BATCHES = 60;
const LABELS = 40;
const RUNS = 7;
const nowMs = Date.parse('2026-04-11T07:10:00+02:00');
const services = servicesOn(openDatabase(':memory:'), clockFrom(nowMs, true), { demo: false, version: 'bench' });
const { server, address } = await listen(createApp(services), 0, '127.0.0.1');
const send = async (method: string, path: string, body: object): Promise<ArrayBuffer> => {
  const response = await fetch(`${address}api/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
  return response.arrayBuffer();
};

const [spotId, packetId] = [uuid(), uuid()];
await send('PUT', 'household', householdBody({ name: 'Bench' }));
await send('POST', 'spots', spotBody({ id: spotId }));
await send('POST', 'packets', packetBody({ id: packetId, cropId: 'okra', seedCount: null }));
const ids = Array.from({ length: BATCHES }, () => uuid());
for (const id of ids) await send('POST', 'batches', batchBody(packetId, spotId, { id, startAt: null, prepared: [] }));

const items = ids.slice(0, LABELS).map((id) => ({ kind: 'batch', id }));
const sheets: [string, string, object][] = [
  [`${LABELS} labels`, 'print/labels', { kind: 'stickers', items }],
  ['a bed of 1.2 m by 1 m', 'print/template', { kind: 'bed', widthMm: 1200, lengthMm: 1000, inRowMm: 200, rowsMm: 300 }],
  [`a round of ${BATCHES}`, 'print/round', { batchIds: null }],
];
for (const [what, path, body] of sheets) {
  const times: number[] = [];
  let bytes = 0;
  const loop = monitorEventLoopDelay({ resolution: 2 });
  loop.enable();
  for (let run = 0; run < RUNS; run++) {
    const before = performance.now();
    bytes = (await send('POST', path, body)).byteLength;
    times.push(performance.now() - before);
  }
  loop.disable();
  const [first = 0, ...warm] = times;
  warm.sort((a, b) => a - b);
  // A household in memory is asked in place: for the round the loop's wait is the forecasts', which a real one computes beside it.
  console.log(
    `${what.padEnd(24)} first ${first.toFixed(0)} ms, warm ${(warm[Math.floor(warm.length / 2)] ?? 0).toFixed(0)} ms, ${(bytes / 1024).toFixed(0)} kB, longest wait of the loop ${(loop.max / 1e6).toFixed(0)} ms`,
  );
}
server.close();
await services.close();
