import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, PacketSheet } from '@fresh-tuck/contract';
import { asks, batchBody, household, packetBody, type Household } from '../testing/household.js';

/** What a household does with a packet, drawn at random: the numbers say how many, and which of the batches. */
const deed = fc.record({
  does: fc.constantFrom('begin', 'husks', 'both', 'recount', 'split', 'join', 'untuck', 'count'),
  seeds: fc.integer({ min: 1, max: 9 }),
  which: fc.nat({ max: 5 }),
});

/** One batch as a jar of seed on a kitchen table would be reckoned with. */
interface Jar {
  readonly id: string;
  readonly own: number;
  readonly along: number;
  readonly touched: boolean;
  readonly counted: boolean;
}

describe('what is left in a packet', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => (home = await household()));
  afterEach(() => home.services.close());
  const leftOf = async (id: string): Promise<number | null> => (await get<PacketSheet>(`packets/${id}`)).seedsLeft;

  const begin = async (packetId: string, seeds: number, more: object = {}): Promise<string> => {
    const body = batchBody(packetId, home.spotId, { startAt: null, prepared: [], wanted: null, seeds, ...more });
    await post('batches', body);
    return body.id;
  };
  const apart = (seeds: number) => ({
    newId: uuid(),
    seeds,
    method: 'towel',
    towel: { widthMm: 140, heightMm: 110, plies: 2 },
    doseMl: 7,
    holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId: home.spotId },
  });

  it('is what a reckoner at the kitchen table finds, whatever is begun, split, joined, counted or taken back', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(deed, { minLength: 4, maxLength: 9 }), async (deeds) => {
        const [one, two] = [packetBody({ cropId: 'coriander', seedCount: 40 }), packetBody({ cropId: 'coriander', seedCount: 40 })];
        for (const body of [one, two]) await post('packets', body);
        let [left, other] = [40, 40];
        let jars: Jar[] = [];
        const replace = (jar: Jar, more: Partial<Jar>): void => {
          jars = jars.map((each) => (each === jar ? { ...jar, ...more } : each));
        };
        for (const { does, seeds, which } of deeds) {
          const fresh = jars.filter(({ touched, counted }) => !touched && !counted);
          const jar = fresh[which % Math.max(fresh.length, 1)];
          if (does === 'begin' && seeds <= left) {
            jars.push({ id: await begin(one.id, seeds), own: seeds, along: 0, touched: false, counted: false });
            left -= seeds;
          } else if (does === 'husks' && seeds <= left) {
            // Two seeds to a husk: the packet gave the husks.
            const id = await begin(one.id, 2 * seeds, { taken: seeds, prepared: ['split'] });
            jars.push({ id, own: seeds, along: 0, touched: true, counted: false });
            left -= seeds;
          } else if (does === 'both' && seeds <= left && seeds <= other) {
            const id = await begin(one.id, 2 * seeds, { also: { packetId: two.id, seeds } });
            jars.push({ id, own: seeds, along: seeds, touched: false, counted: false });
            left -= seeds;
            other -= seeds;
          } else if (does === 'recount' && jar && jar.along === 0 && seeds - jar.own <= left) {
            await post(`batches/${jar.id}/recounts`, { seeds });
            left += jar.own - seeds;
            replace(jar, { own: seeds });
          } else if ((does === 'split' || does === 'join') && jar && jar.own + jar.along > 1) {
            const part = apart(1 + (which % (jar.own + jar.along - 1)));
            await post(`batches/${jar.id}/splits`, part);
            // What lies apart left its packet once, and lies in it no more when it is laid along again.
            if (does === 'join') await post(`batches/${jar.id}/joins`, { otherId: part.newId });
            replace(jar, { touched: true });
          } else if (does === 'untuck' && jar) {
            await post(`batches/${jar.id}/untuckings`, {});
            left += jar.own;
            other += jar.along;
            jars = jars.filter((each) => each !== jar);
          } else if (does === 'count') {
            await post(`packets/${one.id}/counts`, { seeds: 30 + seeds, grams: null });
            left = 30 + seeds;
            jars = jars.map((each) => ({ ...each, counted: true }));
          }
          expect(await leftOf(one.id))
            .withContext(`${does} ${seeds}`)
            .toBe(left);
          expect(await leftOf(two.id))
            .withContext(`${does} ${seeds}, the other`)
            .toBe(other);
        }
      }),
      { numRuns: 12 },
    );
  });

  it('takes off what was begun by the day it was counted, not by the day that was written down', async () => {
    const packet = packetBody({ seedCount: 50 });
    await post('packets', packet);
    home.clock.step(4 * 86_400_000);
    await begin(packet.id, 5, { startAt: '2026-04-12T08:00' });
    await begin(packet.id, 7, { startAt: '2026-04-14T08:00' });
    await post(`packets/${packet.id}/counts`, { seeds: 44, grams: null, at: '2026-04-13T12:00' });
    expect(await leftOf(packet.id)).toBe(37);
    // More than is there is no batch, of one packet or of two.
    const body = batchBody(packet.id, home.spotId, { startAt: null, prepared: [], seeds: 38 });
    expect((await post('batches', body, 422)).detail).toContain('seeds must be at most 37');
    expect((await get<BatchWithJournal[]>('batches')).length).toBe(3);
  });
});
