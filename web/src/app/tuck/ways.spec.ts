import { look, parcel } from '@fresh-tuck/core/testing';
import { aBatch, aPacket, show, type Screen } from '../testing/house';
import { tuckAnswers } from '../testing/answers';
import { TuckScreen } from './tuck';

const RACK = { id: 'r1', name: 'Stair rack', slots: 12, taken: 2 };
const OTHER = { id: 'r2', name: 'Porch rack', slots: 6, taken: 0 };
/** Slots of the stair rack in which next to nothing came. */
const FAILED = [{ method: 'pod', destination: 'slot', rackId: 'r1', seeds: 40, plants: 1 }];

async function tuck(answers: Record<string, unknown> = {}, inputs: Record<string, unknown> = {}): Promise<Screen<TuckScreen>> {
  const screen: Screen<TuckScreen> = await show(
    TuckScreen,
    { ...tuckAnswers(), 'GET racks': [RACK, OTHER], 'POST batches': aBatch(), ...answers },
    { packet: 'p1', ...inputs },
  );
  await screen.settle(250);
  return screen;
}
const ways = (screen: Screen<TuckScreen>): string[] =>
  screen.all('ft-ways mat-button-toggle').map((one) => (one.textContent ?? '').replace(/\s+/g, ' ').trim());
const all = async (screen: Screen<TuckScreen>): Promise<string[]> => {
  if (screen.find('ft-ways .more')) await screen.click(/more ways?$/);
  await screen.settle();
  return ways(screen);
};
const into = async (screen: Screen<TuckScreen>, place: RegExp): Promise<void> => {
  await screen.press(/^Where they go: /);
  await screen.clickAbove(place);
  await screen.settle(250);
};

describe('which way, on Tuck in', () => {
  it('ranks the best few with their reason and figures, and takes the one that is touched into the sentence', async () => {
    const screen = await tuck();
    expect(ways(screen).length).toBe(3);
    for (const way of ways(screen)) expect(way).toMatch(/\d+(?:\.\d)? of \d+ to stand · \d+ days? until they do · .+ min of hands/);
    const every = await all(screen);
    expect(every.length).toBeGreaterThan(3);
    expect(new Set(every).size).toBe(every.length);
    await screen.click(/^\s*in a pot/);
    await screen.settle(250);
    expect(screen.word('Which way')?.getAttribute('aria-label')).toBe('Which way: in a pot');
    // A pot has no bag, and no root length at which it is lifted.
    expect(screen.word('Bag')).toBeNull();
    expect(screen.word('Moved at which root')).toBeNull();
  });

  it('holds what came in one rack against that rack, and against no other', async () => {
    const screen = await tuck({ 'GET crops/leek/seasons': { nursingDays: [], lateness: [], ways: FAILED } });
    const slot = async (): Promise<string> => (await all(screen)).find((way) => /^in a soilless slot/.test(way)) ?? '';
    await into(screen, /^slots of Stair rack/);
    expect(await slot()).toContain('Your last 40 in slots: 1 came.');
    await into(screen, /^slots of Porch rack/);
    expect(await slot()).not.toContain('Your last');
    // Of slots in general all of them are told.
    await into(screen, /^soilless slots/);
    expect(await slot()).toContain('Your last 40 in slots: 1 came.');
    await into(screen, /^cups/);
    expect(screen.word('Where they go')?.textContent?.trim()).toBe('cups');
  });

  it('sends the rack by name with what is begun for it, where its slots are asked for', async () => {
    const screen = await tuck();
    await into(screen, /^slots of Stair rack/);
    await screen.click(/^Tuck in/);
    expect(screen.sent('POST', 'batches')?.body['aim']).toEqual(jasmine.objectContaining({ destination: 'slot', rackId: 'r1' }));
  });
});

describe('a second try', () => {
  const failed = aBatch(parcel('leek', 40, 22, { seeds: 12, looks: [look(24, { tipped: 0, damp: 'damp' })] }), { number: 9, closed: true });
  const kin = [{ id: 'p2', cropId: 'leek', cropName: 'Leek', variety: 'Bollard', year: 2025, seedsLeft: 40 }];

  it('says what the first came to and the days that it cost, and offers no dead packet another way', async () => {
    const screen = await tuck(
      { 'GET batches/b1': failed, 'GET packets/p1/kin': kin, 'GET packets/p2': aPacket({ id: 'p2' }) },
      { after: 'b1' },
    );
    const told = screen.find('ft-tried-before')?.textContent?.replace(/\s+/g, ' ') ?? '';
    expect(told).toContain('A second try after 9, on a towel: none of 12 came. 40 days lost so far.');
    expect(told).toMatch(/(chances in 10|All but certain) that the seed itself is dead: another way will not wake it/i);
    await screen.click('Not a second try');
    await screen.settle(250);
    expect(screen.find('ft-tried-before p')).toBeNull();
    await screen.click(/^Tuck in/);
    expect(screen.sent('POST', 'batches')?.body['after']).toBeNull();
  });

  it('is linked to the first where it is begun', async () => {
    const screen = await tuck({ 'GET batches/b1': failed }, { after: 'b1', method: 'pod' });
    await screen.click(/^Tuck in/);
    expect(screen.sent('POST', 'batches')?.body).toEqual(jasmine.objectContaining({ after: 'b1', method: 'pod' }));
  });
});
