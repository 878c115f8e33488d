import { wire } from './wire.js';

/**
 * A household's own thermometer, simulated: it speaks to the app as a real one would
 * (`docs/thermometers.md`), by HTTP and with its token, and knows nothing else of it.
 *
 * Environment: `FRESH_TUCK_ADDRESS`, `FRESH_TUCK_TOKEN`; `FRESH_TUCK_PROBE_SECONDS`, how
 * often it wakes.
 */
const address = process.env['FRESH_TUCK_ADDRESS'] ?? 'http://localhost:4310/';
const token = process.env['FRESH_TUCK_TOKEN'] ?? '';
const wakesMs = Number(process.env['FRESH_TUCK_PROBE_SECONDS'] ?? 5) * 1000;

interface Told {
  readonly now: string;
  readonly wanted: { readonly celsius: number; readonly bandC: number } | null;
}

const headers = { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' };

async function asked(): Promise<Told | null> {
  const answer = await fetch(new URL('api/probe', address), { headers });
  // Its token was withdrawn: it has nothing to say any more.
  if (answer.status === 401 || answer.status === 403) process.exit(0);
  return answer.ok ? ((await answer.json()) as Told) : null;
}

let sensor: ReturnType<typeof wire> | null = null;

async function wake(): Promise<void> {
  const told = await asked();
  if (!told) return;
  const nowMs = Date.parse(told.now);
  sensor ??= wire(nowMs);
  sensor.liveTo(nowMs, told.wanted);
  for (let readings = sensor.waiting(); readings.length > 0; readings = sensor.waiting()) {
    const answer = await fetch(new URL('api/probe/readings', address), {
      method: 'POST',
      headers,
      body: JSON.stringify({ unit: 'F', readings }),
    });
    if (!answer.ok) return;
    sensor.arrived();
  }
}

for (;;) {
  // The app may be closed for the night: it goes on reading and sends when it is back.
  await wake().catch(() => undefined);
  await new Promise((resolve) => setTimeout(resolve, wakesMs));
}
