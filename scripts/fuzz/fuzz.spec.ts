import { fuzz } from './run.js';

describe('requests drawn from the contract', () => {
  // The long run is `npm run fuzz`; its table stands in docs/faults.md.
  it('are never answered by 500, never change anything when refused, and are always refused in a sentence', async () => {
    const { requests, byStatus, wrong } = await fuzz(500, 4);
    expect(wrong).toEqual([]);
    expect(requests).toBe(500);
    expect(byStatus['201'] ?? 0).toBeGreaterThan(30);
    expect(byStatus['422'] ?? 0).toBeGreaterThan(50);
  }, 120_000);
});
