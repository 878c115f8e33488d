import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { GROWTH_NOW } from './household.js';

// The script is run from the project's own folder, bundled or not.
const root = process.cwd();

/** What a server did since it was last asked. */
export interface Doing {
  readonly loopMs: number;
  readonly cpuMs: number;
  readonly rssMb: number;
}

/** A built server on a folder, with its request loop watched. */
export interface Measured {
  readonly address: string;
  /** From the start of the process until it answered, ms. */
  readonly startMs: number;
  doing(): Promise<Doing>;
  stop(): Promise<void>;
}

/** @param now when its clock starts, by default the day for which the household was made */
export async function startServer(folder: string, now = GROWTH_NOW): Promise<Measured> {
  const before = performance.now();
  const child: ChildProcess = spawn(
    process.execPath,
    ['--import', join(root, 'scripts', 'growth', 'monitor.mjs'), join(root, 'dist', 'server.mjs')],
    {
      env: {
        ...process.env,
        PORT: '0',
        FRESH_TUCK_DATA: folder,
        FRESH_TUCK_NOW: now,
        FRESH_TUCK_WEB: join(root, 'web', 'dist'),
      },
      stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
    },
  );
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout?.on('data', (chunk: Buffer) => {
      const found = /http:\/\/localhost:\d+\//.exec(chunk.toString());
      if (found) resolve(found[0]);
    });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  await fetch(`${address}api/about`).then((response) => response.arrayBuffer());
  const startMs = performance.now() - before;
  return {
    address,
    startMs,
    async doing() {
      const answer = once(child, 'message');
      child.send('?');
      return ((await answer) as [Doing])[0];
    },
    async stop() {
      const ended = once(child, 'exit');
      child.kill('SIGTERM');
      await ended;
    },
  };
}
