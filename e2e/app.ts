import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Locator, type Page, test as base } from '@playwright/test';

// Every script is run from the project's own folder, bundled or not.
const root = process.cwd();
/** Saturday 11 April 2026, 07:10 in Copenhagen. */
const NOW = '2026-04-11T07:10:00+02:00';

/** A running application with a database of its own. */
export interface App {
  readonly address: string;
  /** Where its database lies, to be looked into. */
  readonly database: string;
  /** Kills the server without warning. */
  kill(): Promise<void>;
  /** Kills the server without warning and starts it again on the same database, later if asked. */
  restart(now?: string): Promise<void>;
  stop(): Promise<void>;
}

/** Starts the built server, or the demo, on a free port. */
export async function start(kind: 'server' | 'demo', { probe = false } = {}): Promise<App> {
  const folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-e2e-'));
  let child: ChildProcess;
  let port = '0';
  const launch = (now: string): Promise<string> =>
    new Promise((resolve, reject) => {
      child = spawn(process.execPath, [join(root, 'dist', `${kind}.mjs`)], {
        env: {
          ...process.env,
          PORT: port,
          FRESH_TUCK_DATA: folder,
          // The demo's thermometer is for who asks for it: it goes on by itself.
          FRESH_TUCK_PROBE: probe ? '1' : '0',
          FRESH_TUCK_NOW: now,
          FRESH_TUCK_NOW_FROZEN: '1',
          FRESH_TUCK_WEB: join(root, 'web', 'dist'),
        },
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      child.stdout?.on('data', (chunk: Buffer) => {
        const found = /http:\/\/localhost:(\d+)\//.exec(chunk.toString());
        if (found) {
          port = found[1] ?? port;
          resolve(found[0]);
        }
      });
      child.once('exit', (code) => reject(new Error(`the ${kind} ended with ${code}`)));
    });
  const end = (signal: NodeJS.Signals): Promise<void> =>
    new Promise((resolve) => {
      child.removeAllListeners('exit');
      child.once('exit', () => resolve());
      child.kill(signal);
    });
  const address = await launch(NOW);
  return {
    address,
    database: join(folder, 'household.sqlite'),
    kill: () => end('SIGKILL'),
    restart: async (now = NOW) => {
      if (child.exitCode === null && child.signalCode === null) await end('SIGKILL');
      await launch(now);
    },
    stop: async () => {
      await end('SIGTERM');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

export const test = base.extend<{ own: App }, { demo: App }>({
  /** A household of one's own, empty, for one test. */
  own: async ({}, use) => {
    const app = await start('server');
    await use(app);
    await app.stop();
  },
  /** The demo, shared by the tests of one worker; they must not count on what another left. */
  demo: [
    async ({}, use) => {
      const app = await start('demo');
      await use(app);
      await app.stop();
    },
    { scope: 'worker' },
  ],
});
export { expect } from '@playwright/test';

/** A button by its name; one choice out of several is a radio to whoever hears the page. */
export function button(page: Page | Locator, name: string | RegExp): Locator {
  const by = { name, exact: typeof name === 'string' };
  return page.getByRole('button', by).or(page.getByRole('radio', by));
}

/** Opens a word of a sentence, says something in it, and ends with it; one that a single choice says has closed itself. */
export async function inWord(page: Page, word: RegExp | string, say: (panel: Locator) => Promise<unknown>): Promise<void> {
  await button(page, word).click();
  const panel = page.getByRole('dialog');
  await say(panel);
  // What closes by itself has closed by the next frames.
  await page.waitForTimeout(80);
  if (await panel.isVisible()) await panel.getByRole('button', { name: 'Done', exact: true }).click();
  await panel.waitFor({ state: 'detached' });
}
