import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, PacketSheet } from '@fresh-tuck/contract';
import { CROPS, kindsIn, oneOf } from '@fresh-tuck/core/crops';
import { asks, batchBody, household, lookBody, packetBody, type Household } from '../testing/household.js';

const crop = (id: string) => CROPS.find((one) => one.id === id) ?? fail(id);

describe('a muddled lot', () => {
  let home: Household;
  let leek: string;
  let chives: string;
  const { get, post } = asks(() => home);
  const muddle = (packetIds: string[], status = 201): Promise<PacketSheet> => post('packets/muddles', { packetIds }, status);

  beforeEach(async () => {
    home = await household();
    const [one, other] = [packetBody({ variety: 'Bollard' }), packetBody({ cropId: 'chives', variety: 'Pier Green', dressed: true })];
    await post('packets', one);
    await post('packets', other);
    [leek, chives] = [one.id, other.id];
  });

  it('is tucked in as one of two, looked at, and told apart: its record goes to the right packet', async () => {
    const lot = await muddle([leek, chives]);
    expect([lot.cropName, lot.variety, lot.dressed, lot.seedsLeft]).toEqual(['Chives or leek', 'Bollard or Pier Green', true, null]);
    const body = batchBody(lot.id, home.spotId, { seeds: 12, prepared: [] });
    await post('batches', body);
    await post(`batches/${body.id}/looks`, lookBody(3));
    const before = await get<BatchWithJournal>(`batches/${body.id}`);
    expect(before.oneOf.map(({ title }) => title).sort()).toEqual(['Chives, Pier Green', 'Leek, Bollard']);
    expect((await get<PacketSheet>(`packets/${leek}`)).seedsLeft).toBe(90);
    await post(`batches/${body.id}/amendments`, { packetId: leek, after: null });
    const told = await get<BatchWithJournal>(`batches/${body.id}`);
    expect([told.title, told.oneOf, told.answers.state.tipped]).toEqual(['Leek, Bollard', [], 3]);
    expect((await get<PacketSheet>(`packets/${leek}`)).seedsLeft).toBe(78);
    expect((await get<PacketSheet>(`packets/${chives}`)).seedsLeft).toBe(90);
    // Nothing is left of the muddle to tell apart.
    expect((await get<PacketSheet>(`packets/${lot.id}`)).putAway).toBeTrue();
    // A slip in telling is taken back like any other.
    await post(`batches/${body.id}/undos`, { entryId: told.amendedId });
    expect((await get<BatchWithJournal>(`batches/${body.id}`)).oneOf.length).toBe(2);
  });

  it('of one kind keeps its kind; quite unknown it may be any of the box', async () => {
    const other = packetBody({ variety: 'Anchor' });
    await post('packets', other);
    expect((await muddle([leek, other.id])).cropId).toBe('leek');
    const unknown = await muddle([]);
    expect(unknown.oneOf.map(({ id }) => id)).toEqual([home.packetId, leek, chives, other.id]);
    expect(kindsIn(unknown.cropId)).toEqual(['chives', 'leek', 'okra']);
    await post('batches', batchBody(unknown.id, home.spotId, { prepared: [] }));
    await muddle([leek], 422);
    await muddle([leek, leek], 422);
    await muddle([leek, uuid()], 422);
    await muddle([leek, unknown.id], 422);
  });
});

describe('a crop of which only this is known, that it is one of several', () => {
  it('does what does the least harm whichever it turns out to be', () => {
    const kinds = ['leek', 'okra', 'sweet-pea', 'lavender'].map(crop);
    const one = oneOf(kinds);
    for (const kind of kinds) {
      expect(one.root.mmPerDayAtOptimum).toBeGreaterThanOrEqual(kind.root.mmPerDayAtOptimum);
      expect(one.root.lateMm).toBeLessThanOrEqual(kind.root.lateMm);
      expect(one.temperature.injuryC).toBeLessThanOrEqual(kind.temperature.injuryC);
      expect(one.water.drowningLimitHours).toBeLessThanOrEqual(kind.water.drowningLimitHours);
      expect(one.days.tipRange[1]).toBeGreaterThanOrEqual(kind.days.tipRange[1]);
      for (const care of kind.hazards.care) expect(one.hazards.care).toContain(care);
      if (kind.hazards.text !== '') expect(one.hazards.text).toContain(kind.hazards.text);
      // Within its spread lies the median of each of them.
      const off = Math.abs(Math.log(kind.days.tipAtOptimum / one.days.tipAtOptimum));
      expect(off).toBeLessThan(2.5 * one.days.logSpread);
    }
    expect(() => oneOf([crop('leek')])).toThrowError(RangeError);
  });
});

function fail(why: string): never {
  throw new Error(why);
}
