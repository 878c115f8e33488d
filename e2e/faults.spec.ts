import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { expect, test } from './app.js';

// The long run is `npm run faults`; its table stands in docs/faults.md.
test('eight kills in the middle of work, copies, restores and upgrades lose, halve and double nothing', async () => {
  test.setTimeout(600_000);
  const run = promisify(execFile)(process.execPath, ['--import', 'tsx', 'scripts/faults/main.ts', '8', '3'], { timeout: 560_000 });
  const { stdout } = await run.catch((error: { stdout: string }) => error);
  expect(stdout).toMatch(/^8 kills/);
  for (const what of ['lost', 'half', 'doubled', 'damaged']) expect(stdout, stdout).toContain(`${what}: 0`);
});
