import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

describe('the cost of an answer', () => {
  it('stays within bounds whatever the packet, its age, the stock and the wish: counted, not timed', () => {
    const told = execFileSync(process.execPath, ['--import', 'tsx', fileURLToPath(new URL('./run.ts', import.meta.url))], {
      encoding: 'utf8',
      timeout: 100_000,
    });
    const { usual, draws, times } = JSON.parse(told) as { usual: number; draws: number; times: number };
    expect(usual).toBeGreaterThan(100_000);
    expect(draws).toBeGreaterThanOrEqual(100);
    expect(times).toBeLessThan(16);
  }, 120_000);
});
