import { NOW } from '@fresh-tuck/core/testing';
import type { Nursery, Seedling } from '@fresh-tuck/contract';
import { NURSERY_GROUPS } from '@fresh-tuck/contract/choices';
import { show, problem } from '../testing/house';
import { NurseryScreen } from './nursery';

const DAY_MS = 86_400_000;
const seedling = (number: number, stage: string, more: Partial<Seedling> = {}): Seedling => ({
  number,
  batchId: 'b1',
  batchNumber: 7,
  title: 'Leek, Quay',
  cropId: 'leek',
  destination: 'cup',
  bedName: null,
  proved: true,
  movedMs: NOW - 5 * DAY_MS,
  stage,
  stageMs: NOW - 2 * DAY_MS,
  gone: null,
  events: [],
  ...more,
});
const nursery = (seedlings: readonly Seedling[], more: Partial<Record<string, number>> = {}): Nursery => ({
  living: seedlings.filter(({ gone }) => gone === null).length,
  groups: NURSERY_GROUPS.map((group) => {
    const own = seedlings.filter(({ stage, gone }) => (group === 'gone' ? gone !== null : gone === null && stage === group));
    return { group, count: more[group] ?? own.length, from: 0, seedlings: own };
  }).filter(({ count }) => count > 0),
});

describe('the nursery', () => {
  it('leads with how many stand there and how many are not up yet', async () => {
    const titles = async (seedlings: readonly Seedling[]): Promise<string | undefined> =>
      (await show(NurseryScreen, { 'GET nursery': nursery(seedlings) })).find('h1')?.textContent?.trim();
    expect(await titles([])).toBe('Nothing in the nursery yet');
  });

  it('counts what is planted out apart', async () => {
    const screen = await show(NurseryScreen, {
      'GET nursery': nursery([seedling(1, 'moved'), seedling(2, 'up'), seedling(3, 'planted_out')]),
    });
    expect(screen.find('h1')?.textContent?.trim()).toBe('2 in the nursery, 1 not up yet');
    expect(screen.text).toContain('for 2 days');
  });

  it('advances a seedling by one touch, and takes a loss only with its reason', async () => {
    const answers = {
      'GET nursery': nursery([seedling(14, 'moved')]),
      'POST nursery/14/events': seedling(14, 'up'),
    };
    const screen = await show(NurseryScreen, answers);
    await screen.click(/^up/);
    expect(screen.sent('POST', 'nursery/14/events')?.body).toEqual(jasmine.objectContaining({ kind: 'stage', stage: 'up', why: null }));
    await screen.click(/^lost/);
    expect(screen.text).toContain('damped off');
    await screen.click('dried out');
    expect(screen.sent('POST', 'nursery/14/events')?.body).toEqual(jasmine.objectContaining({ kind: 'lost', why: 'dried out' }));
  });

  it('fetches the next ones of a long group', async () => {
    const first = Array.from({ length: 3 }, (_, index) => seedling(index + 1, 'up'));
    const screen = await show(NurseryScreen, {
      'GET nursery': (asked: unknown) =>
        screenAsked++ === 0
          ? nursery(first, { up: 4 })
          : (void asked, { living: 4, groups: [{ group: 'up', count: 4, from: 3, seedlings: [seedling(4, 'up')] }] }),
    });
    await screen.click(/more/i);
    expect(
      screen
        .all('li')
        .map((item) => item.textContent ?? '')
        .filter((text) => text.includes('Leek')).length,
    ).toBe(4);
  });
  let screenAsked = 0;
  beforeEach(() => (screenAsked = 0));

  it('says what the server will not have', async () => {
    const screen = await show(NurseryScreen, {
      'GET nursery': nursery([seedling(14, 'moved')]),
      'POST nursery/14/events': problem(409, 'It was lost meanwhile.'),
    });
    await screen.click(/^up/);
    expect(document.body.textContent).toContain('It was lost meanwhile.');
  });
});
