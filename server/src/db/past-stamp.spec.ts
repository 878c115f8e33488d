import { lookBody, moveBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, type Household } from '../testing/household.js';

describe('what is over', () => {
  let home: Household;
  const { post } = asks(() => home);
  beforeEach(async () => (home = await household()));
  afterEach(() => home.services.close());

  it('is the same over looks at what is under way, and another once something ended, begins or is moved', async () => {
    const { batches } = home.services;
    const stamps = [batches.pastStamp()];
    const changed = (): boolean => {
      stamps.push(batches.pastStamp());
      return stamps.at(-1) !== stamps.at(-2);
    };
    await post(`batches/${home.batchId}/looks`, lookBody(2));
    expect(changed()).toBeFalse();
    await post(`batches/${home.batchId}/closings`, { reason: 'given_up' });
    expect(changed()).toBeTrue();
    const begun = batchBody(home.packetId, home.spotId, { startAt: null });
    await post('batches', begun);
    expect(changed()).toBeTrue();
    // What moved tells of plants, though nothing of it has ended.
    await post(`batches/${begun.id}/looks`, lookBody(4));
    expect(changed()).toBeFalse();
    await post(`batches/${begun.id}/moves`, moveBody({ uncounted: 4, destination: 'cup' }));
    expect(changed()).toBeTrue();
    expect(new Set(stamps).size).toBe(4);
  });
});
