import { homedir } from 'node:os';
import { join } from 'node:path';
import { clockFrom, systemClock, type Clock } from './clock.js';

/** What the environment says. */
export interface Settings {
  readonly port: number;
  readonly host: string;
  readonly dataFolder: string;
  readonly clock: Clock;
}

/** Where programs keep their users' data on this platform. */
function platformDataFolder(env: NodeJS.ProcessEnv): string {
  if (process.platform === 'win32') return env['LOCALAPPDATA'] ?? join(homedir(), 'AppData', 'Local');
  if (process.platform === 'darwin') return join(homedir(), 'Library', 'Application Support');
  return env['XDG_DATA_HOME'] ?? join(homedir(), '.local', 'share');
}

/** @throws Error in a sentence that names the variable and what it accepts */
export function settingsFrom(env: NodeJS.ProcessEnv): Settings {
  const port = Number(env['PORT'] ?? 4310);
  if (!Number.isInteger(port) || port < 0 || port > 65_535) throw new Error('PORT must be a whole number from 0 to 65535.');
  const start = env['FRESH_TUCK_NOW'];
  const startMs = start === undefined ? null : Date.parse(start);
  if (startMs !== null && Number.isNaN(startMs)) throw new Error('FRESH_TUCK_NOW must be an ISO time like 2026-04-11T07:10:00+02:00.');
  return {
    port,
    host: env['HOST'] ?? '127.0.0.1',
    dataFolder: env['FRESH_TUCK_DATA'] ?? join(platformDataFolder(env), 'fresh-tuck'),
    clock: startMs === null ? systemClock : clockFrom(startMs, env['FRESH_TUCK_NOW_FROZEN'] === '1'),
  };
}
