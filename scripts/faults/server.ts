import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';

// Scripts are run from the project's own folder.
const root = process.cwd();

/** A built server that can be killed. */
export interface Victim {
  readonly address: string;
  kill(): Promise<void>;
  stop(): Promise<void>;
}

/** Every start is a minute later than the one before: time goes on, whatever was killed. */
let startMs = Date.parse('2026-04-11T07:10:00+02:00');

/** Starts a server; null where it was killed before it answered. @param killAfterMs kills it so long after its start */
export async function startVictim(folder: string, killAfterMs?: number): Promise<Victim | null> {
  startMs += 60_000;
  const child: ChildProcess = spawn(process.execPath, [join(root, 'dist', 'server.mjs')], {
    env: { ...process.env, PORT: '0', FRESH_TUCK_DATA: folder, FRESH_TUCK_NOW: new Date(startMs).toISOString() },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = once(child, 'exit');
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    child.kill(signal);
    await ended;
  };
  if (killAfterMs !== undefined) setTimeout(() => child.kill('SIGKILL'), killAfterMs);
  return new Promise((resolve) => {
    child.stdout?.on('data', (chunk: Buffer) => {
      const found = /http:\/\/localhost:\d+\//.exec(chunk.toString());
      if (found) resolve({ address: found[0], kill: () => end('SIGKILL'), stop: () => end('SIGTERM') });
    });
    child.once('exit', () => resolve(null));
  });
}
