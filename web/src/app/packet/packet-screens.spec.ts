import { parcel } from '@fresh-tuck/core/testing';
import { testResult } from '@fresh-tuck/core/seedtest';
import { NOW } from '@fresh-tuck/core/testing';
import { aBatch, aPacket, aSpot, problem, show } from '../testing/house';
import { PacketScreen } from './packet';
import { TestScreen } from './test';

const leek = parcel('leek', 1, 20).crop;

describe('a packet’s page', () => {
  const open = (answers: Record<string, unknown> = {}, packet = aPacket()) =>
    show(PacketScreen, { 'GET packets/p1': packet, ...answers }, { packetId: 'p1' });

  it('says what is to be done with it, in tenths', async () => {
    const screen = await open();
    expect(screen.find('h1')?.textContent).toMatch(/live/);
    expect(screen.text).toContain('Leek');
    expect(screen.text).toContain('The thick stretch holds 8 times in 10.');
  });

  it('says of an empty one that it is used up', async () => {
    const empty = aPacket({ seedsLeft: 0, stock: { ...aPacket().stock, advice: ['empty'] } });
    expect((await open({}, empty)).find('h1')?.textContent).toBe('It is used up');
  });

  it('is counted anew by seeds or by grams, one of the two', async () => {
    const screen = await open({ 'POST packets/p1/counts': aPacket({ seedsLeft: 40 }) });
    await screen.click('Count it anew');
    await screen.click('Keep this count');
    expect(screen.find('[role=alert]')?.textContent).toContain('one of the two');
    await screen.type('Seeds', '2.5');
    await screen.click('Keep this count');
    expect(await screen.errors()).toEqual(['A whole number of seeds; 0 where it is used up.']);
    await screen.type('Seeds', '');
    await screen.type('or grams', '0,8');
    await screen.click('Keep this count');
    expect(screen.sent('POST', 'packets/p1/counts')?.body).toEqual(jasmine.objectContaining({ seeds: null, grams: 0.8 }));
  });

  it('shows its tests by reference, with the stretch that holds the truth', async () => {
    const result = testResult([{ normal: 20, abnormal: 2, hard: 0, fresh: 2, dead: 16 }]);
    const screen = await open({}, aPacket({ tests: [{ batchId: 'b9', number: 1, atMs: NOW - 9 * 86_400_000, result }] }));
    expect(screen.text).toContain('50 in 100 normal seedlings, 20 of 40');
    expect(screen.text).toContain('20 normal, 2 abnormal, 2 fresh, 16 dead');
  });

  it('says that an unknown packet is unknown', async () => {
    const screen = await open({ 'GET packets/p1': problem(404, 'There is no such packet.') });
    expect(screen.text).toContain('There is no such packet.');
  });
});

describe('a test of a packet', () => {
  const packet = aPacket();
  const start = { startMs: NOW, spots: [{ id: 's1', readings: [], guess: { minC: 20, maxC: 25 }, prior: packet.prior }] };
  const open = (answers: Record<string, unknown> = {}, more = packet) =>
    show(
      TestScreen,
      {
        'GET packets/p1': more,
        'GET crops/leek': { crop: leek, book: leek, own: {}, added: false },
        'GET spots': [aSpot()],
        'GET packets/p1/start': start,
        ...answers,
      },
      { packetId: 'p1' },
    );

  it('takes as many as the asked sureness, at most half the packet, on towels that share them', async () => {
    const screen = await open();
    expect(screen.text).toMatch(/Test\s+39 seeds/);
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Begin the test of 39 seeds');
    expect(screen.text).toContain('19 times in 20');
    await screen.settle();
    expect(screen.text).toMatch(/The final count is due on day \d+/);
  });

  it('is begun as a batch on a towel with its last day of counting', async () => {
    const screen = await open({ 'POST batches': aBatch() });
    await screen.settle();
    await screen.click(/^Begin the test/);
    const body = screen.sent('POST', 'batches')?.body;
    expect(body).toEqual(jasmine.objectContaining({ method: 'towel', purpose: 'test', seeds: 39, packetId: 'p1', wanted: null }));
    expect(body?.['finalDays']).toBeGreaterThan(5);
  });
});
