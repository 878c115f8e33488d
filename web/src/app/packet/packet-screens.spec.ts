import { parcel } from '@fresh-tuck/core/testing';
import { testResult } from '@fresh-tuck/core/seedtest';
import { NOW } from '@fresh-tuck/core/testing';
import { MatButtonHarness } from '@angular/material/button/testing';
import { aBatch, aPacket, aSpot, problem, show, type Screen } from '../testing/house';
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
    await screen.click('Recount');
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

  it('tells where it comes from, what it gave, and what it was used for, the newest first', async () => {
    const used = (number: number, more: object = {}) => ({
      id: `b${number}`,
      number,
      seeds: 8,
      purpose: 'plants' as const,
      startMs: NOW - number * 86_400_000,
      live: false,
      ...more,
    });
    const screen = await open(
      {},
      aPacket({
        mother: { id: 'm', title: 'Leek, Rope', year: null },
        father: { id: 'f', title: 'Leek, Cable', year: 2023 },
        children: [{ id: 'c', variety: 'Quay', year: 2026, generation: 2 }],
        batches: [used(9), used(3, { purpose: 'test', live: true })],
      }),
    );
    const family = screen.all('.family li').map((one) => one.textContent?.replace(/\s+/g, ' ').trim());
    expect(family).toEqual(['from Leek, Rope, year unknown', 'pollen of Leek, Cable, 2023', 'gave Quay, 2026, saved 2×']);
    const uses = screen.all('[aria-labelledby=done] li').map((one) => one.textContent?.replace(/\s+/g, ' ').trim());
    expect(uses[0]).toMatch(/^Test 3 8 seeds, Wed 8 Apr, under way/);
    expect(uses[1]).toContain('Parcel 9');
  });

  it('keeps its cautions: dressed seed, poison, and where it is regulated', async () => {
    const screen = await open(
      {},
      aPacket({
        dressed: true,
        hazards: { text: 'every part is poisonous', regulated: 'seed sent across borders may need a certificate' },
      }),
    );
    expect(screen.all('p.trouble').map((one) => one.textContent?.trim())).toEqual([
      'Dressed seed: gloves, nothing near food or animals, and wash your hands.',
      'Leek: every part is poisonous.',
      'Before you sow, save or give it away: Seed sent across borders may need a certificate.',
    ]);
  });

  it('is used up by a count of none, and refuses what the server refuses', async () => {
    const screen = await open({ 'POST packets/p1/counts': problem(422, 'seeds must be a whole number from 0 to 100000') });
    await screen.click('Recount');
    await screen.type('Seeds', '0');
    await screen.click('Keep this count');
    expect(screen.sent('POST', 'packets/p1/counts')?.body).toEqual(jasmine.objectContaining({ seeds: 0, grams: null }));
    expect(screen.find('[role=alert]')?.textContent).toBe('The number of seeds must be a whole number from 0 to 100000.');
  });

  it('offers first what it asks for: a test, a tucking-in, or nothing where it is empty', async () => {
    const screen = await open({}, aPacket({ stock: { ...aPacket().stock, advice: ['test_first'] } }));
    expect(screen.find('a.do')?.getAttribute('href')).toBe('/packet/p1/test');
    expect(screen.all('.acts a').map((one) => one.textContent?.trim())).toContain('Tuck some in');
  });

  it('says that an unknown packet is unknown', async () => {
    const screen = await open({ 'GET packets/p1': problem(404, 'There is no such packet.') });
    expect(screen.text).toContain('There is no such packet.');
  });
});

describe('a test of a packet', () => {
  const packet = aPacket();
  const start = {
    startMs: NOW,
    spots: [{ id: 's1', readings: [], guess: { minC: 20, maxC: 25 }, priors: { tip: packet.prior, emergence: packet.prior } }],
  };
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

  const choose = async (screen: Screen<TestScreen>, word: RegExp, choice: string | RegExp): Promise<void> => {
    await screen.press(word);
    await screen.clickAbove(choice);
    await screen.leaveWord();
    await screen.settle();
  };

  it('asks instead whether so many live, and says when it passes and how often a worse lot would', async () => {
    const screen = await open({}, aPacket({ seedsLeft: 400 }));
    await screen.settle();
    await screen.press(/^How well: /);
    const errors = await screen.overlays.getAllHarnesses(MatButtonHarness.with({ text: /times in 100|in 20|in 10$/ }));
    await errors.at(-1)?.click();
    await screen.leaveWord();
    await screen.settle();
    expect(screen.text).toMatch(/to know whether 70 in 100 live, wrong at most \d+ times in 100/);
    expect(screen.text).toMatch(/It passes with at least \d+ of \d+\. A packet that is \d+ in 100 worse would pass \d+ times in 100\./);
  });

  it('shares the seeds over towels as evenly as can be, and says so', async () => {
    const screen = await open();
    await screen.settle();
    await choose(screen, /^Towels: /, /^4 towels/);
    expect(screen.text).toContain('4 towels of 9 or 10');
    await choose(screen, /^Towels: /, /^one towel/);
    expect(screen.text).toContain('on one towel');
  });

  it('proposes half of a small packet and says that it tells a little less', async () => {
    const screen = await open({}, aPacket({ seedsLeft: 21, dressed: true }));
    await screen.settle();
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Begin the test of 11 seeds');
    expect(screen.text).toContain('half of it is proposed, and tells a little less');
    expect(screen.text).toContain('10 stay in the packet');
    expect(screen.text).toContain('Dressed seed: gloves');
  });

  it('says the server’s refusal and stays where it is', async () => {
    const screen = await open({ 'POST batches': problem(422, 'seeds must be at most 12: the packet has no more') });
    await screen.settle();
    await screen.click(/^Begin the test/);
    expect(screen.find('[role=alert]')?.textContent).toBe('The number of seeds must be at most 12: the packet has no more.');
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
