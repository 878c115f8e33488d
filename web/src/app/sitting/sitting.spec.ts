import type { Sitting } from '@fresh-tuck/contract';
import { parcel } from '@fresh-tuck/core/testing';
import { startAt, tuckAnswers } from '../testing/answers';
import { aBatch, ABOUT, aPacket, problem, show, type Asked, type Screen } from '../testing/house';
import { ChooseSitting } from './choose';
import { LayScreen } from './lay';
import { SittingScreen } from './sitting';

const { crop: okra } = parcel('okra', 1, 20);
const OKRA = aPacket({ id: 'p2', cropId: 'okra', cropName: okra.name, variety: 'Tall Mast', seedsLeft: 40 });

const line = (nth: number, more: Partial<Sitting['lines'][number]> = {}): Sitting['lines'][number] => ({
  id: `l${nth}`,
  packetId: 'p1',
  title: 'Leek, Quay',
  cropId: 'leek',
  seedsLeft: 90,
  number: 20 + nth,
  token: `0199a3f2-0000-7000-8000-00000000000${nth}`,
  words: {},
  bag: null,
  batchId: null,
  begun: null,
  seconds: null,
  skipped: false,
  ...more,
});
const OKRA_LINE = { packetId: 'p2', title: 'Okra, Tall Mast', cropId: 'okra', seedsLeft: 40 };
const sitting = (lines: Sitting['lines'], more: Partial<Sitting> = {}): Sitting => ({
  id: 's',
  name: null,
  at: null,
  createdMs: ABOUT.nowMs,
  ended: false,
  spent: null,
  version: 3,
  lines,
  hands: {},
  ...more,
});
const answers = (whole: Sitting, more: Record<string, unknown> = {}) => ({
  ...tuckAnswers(),
  'GET packets/p2': OKRA,
  'GET packets/p2/kin': [],
  'GET packets/p2/start': startAt(ABOUT.nowMs),
  'GET crops/okra': { crop: okra, book: okra, own: {}, added: false },
  'GET crops/okra/seasons': { nursingDays: [], lateness: [], ways: [] },
  'GET sittings/s': whole,
  // The server keeps what it is sent, and answers with it.
  'PUT sittings/s': ({ body }: Asked) => ({
    ...whole,
    version: whole.version + 1,
    lines: (body as unknown as { lines: Pick<Sitting['lines'][number], 'id' | 'words' | 'bag'>[] }).lines.flatMap(({ id, words, bag }) => {
      const known = whole.lines.find((one) => one.id === id);
      return known ? [{ ...known, words, bag }] : [];
    }),
  }),
  ...more,
});
async function list(whole: Sitting, more: Record<string, unknown> = {}): Promise<Screen<SittingScreen>> {
  const screen = await show(SittingScreen, answers(whole, more), { sittingId: 's' });
  await screen.settle(250);
  return screen;
}
async function worktop(whole: Sitting, more: Record<string, unknown> = {}): Promise<Screen<LayScreen>> {
  const screen = await show(LayScreen, answers(whole, more), { sittingId: 's' });
  await screen.settle(250);
  return screen;
}

describe('the list of a sitting', () => {
  it('reads like a list on the fridge: how many of what, which way, in which bag, where; and what stands on the table', async () => {
    const screen = await list(sitting([line(1), line(2, OKRA_LINE)]));
    expect(screen.find('h1')?.textContent).toMatch(/^Two packets, about \d+ minutes$/);
    const rows = screen.all('li').map((row) => row.textContent?.replace(/\s+/g, ' ').trim());
    expect(rows[0]).toMatch(/\d+ leek, Quay: on a towel\s*own bag\s*Hall cupboard/);
    expect(rows[1]).toMatch(/\d+ okra, Tall Mast: on a towel, after soaking for 12 to 24 h/);
    expect(screen.text).toMatch(/Into water at the table: okra until Sun 12 Apr/);
    for (const supply of ['sheet of kitchen paper', 'bags', 'hand-warm water', '2 labels']) expect(screen.text).toContain(supply);
    // One thing leads.
    expect(screen.all('.do').map((one) => one.textContent?.trim())).toEqual(['Print the labels first']);
  });

  it('keeps what is changed, the whole list at once, and lays the table’s words over the lines below', async () => {
    const screen = await list(sitting([line(1), line(2, OKRA_LINE)]));
    await screen.press(/^Change 21:/);
    await screen.say(/^How many seeds:/, 'How many seeds?', '12');
    await screen.press(/^Warm spot:/);
    await screen.clickAbove(/^Fridge/);
    await screen.settle(200);
    await screen.click('Same table and spot for all below');
    await screen.settle(900);
    const puts = screen.asked.filter(({ method, path }) => method === 'PUT' && path === 'sittings/s');
    // Each is of the version that the one before it made, however many it took.
    expect(puts.map(({ body }) => body?.['version'])).toEqual(puts.map((_, nth) => 3 + nth));
    const sent = screen.sent('PUT', 'sittings/s')?.body as unknown as { lines: { id: string; words: object }[] };
    expect(sent.lines.map(({ words }) => words)).toEqual([{ seeds: 12, spotId: 's2' }, { spotId: 's2' }]);
    expect(screen.text).toContain('12 leek, Quay');
  });

  it('names what stands wrong, with the button that mends it', async () => {
    // Okra in a fridge: it does not move there.
    const screen = await list(sitting([line(1, { ...OKRA_LINE, words: { spotId: 's2', seeds: 10 } }), line(2)]));
    expect(screen.text).toMatch(/Fridge gives .* okra/);
    await screen.click(/^Put it at Hall cupboard/);
    await screen.settle(900);
    expect(screen.text).not.toMatch(/Fridge gives/);
    const sent = screen.sent('PUT', 'sittings/s')?.body as unknown as { lines: { words: object }[] };
    expect(sent.lines[0]?.words).toEqual({ spotId: 's1', seeds: 10 });
  });

  it('says of a packet that is gone, and of one with too little, what can be done', async () => {
    const screen = await list(sitting([line(1, { title: null, packetId: 'gone' }), line(2, { words: { seeds: 200 } })]));
    expect(screen.text).toContain('This packet is no longer in the box.');
    expect(screen.text).toMatch(/The packet has only \d+ left/);
    await screen.click(/^Take it off the list/);
    await screen.settle(900);
    const sent = screen.sent('PUT', 'sittings/s')?.body as unknown as { lines: { id: string }[] };
    expect(sent.lines.map(({ id }) => id)).toEqual(['l2']);
  });

  it('shares a bag: both say so, the second follows the first to its spot', async () => {
    const screen = await list(sitting([line(1, { words: { spotId: 's1' } }), line(2, OKRA_LINE)]));
    await screen.press(/^Change 22:/);
    await screen.press(/^Bag:/);
    await screen.clickAbove(/^shared with 21/);
    await screen.leaveWord();
    await screen.settle(900);
    expect(screen.all('p.bag').map((one) => one.textContent?.trim())).toEqual(['bag with 22', 'bag with 21']);
    const sent = screen.sent('PUT', 'sittings/s')?.body as unknown as { lines: { bag: string | null }[] };
    expect(sent.lines.map(({ bag }) => bag)).toEqual(['l1', 'l1']);
    expect(screen.text).toContain('4 labels: each twice, in and on the shared bag');
  });

  it('keeps what was changed where the server refuses it, and reads the list anew where somebody else changed it', async () => {
    const whole = sitting([line(1)]);
    const refusing = problem(422, 'words.seeds must be a whole number from 1 to 400');
    const kept = await list(whole, { 'PUT sittings/s': refusing });
    await kept.press(/^Change 21:/);
    await kept.say(/^How many seeds:/, 'How many seeds?', '12');
    await kept.settle(900);
    expect(kept.text).toContain('must be a whole number from 1 to 400');
    expect(kept.text).toContain('12 leek, Quay');
    expect(kept.asked.filter(({ method }) => method === 'PUT').length).toBe(1);
  });

  it('takes the list as it is where somebody changed it meanwhile', async () => {
    const other = sitting([line(1, { words: { seeds: 5 } })], { version: 4 });
    let asked = 0;
    const screen = await list(sitting([line(1)]), {
      'GET sittings/s': () => (asked++ === 0 ? sitting([line(1)]) : other),
      'PUT sittings/s': problem(409, 'Somebody changed this list meanwhile.'),
    });
    await screen.press(/^Change 21:/);
    await screen.say(/^How many seeds:/, 'How many seeds?', '12');
    await screen.settle(900);
    expect(screen.text).toContain('Somebody changed this list meanwhile.');
    expect(screen.text).toContain('5 leek, Quay');
  });

  it('ends where nothing is left to lay', async () => {
    const begun = { batchId: 'b1', begun: { seeds: 9, method: 'towel' as const } };
    const whole = sitting([line(1, begun), line(2, { skipped: true })]);
    const screen = await list(whole, {
      'POST sittings/s/ends': sitting(whole.lines, { ended: true }),
      'POST sittings/s/lines/l2/skips': whole,
    });
    expect(screen.find('h1')?.textContent).toBe('One tucked in, one not laid');
    expect(screen.text).toContain('passed over');
    await screen.click(/^Take it up again/);
    expect(screen.sent('POST', 'sittings/s/lines/l2/skips')?.body).toEqual(jasmine.objectContaining({ skipped: false }));
    await screen.settle(300);
    expect(screen.find('h1')?.textContent).toMatch(/^One packet, about \d+ minutes left$/);
    await screen.click('This list is not worked off any further');
    expect(screen.sent('POST', 'sittings/s/ends')).toBeDefined();
  });
});

describe('a packet at the worktop', () => {
  it('is laid by its card, stored at once with its label and its minutes, and the next one follows', async () => {
    const screen = await worktop(sitting([line(1), line(2, OKRA_LINE)]), { 'POST batches': aBatch() });
    expect(screen.find('h1')?.textContent).toMatch(/^Lay \S+ leek seeds$/);
    expect(screen.text).toContain('Label 21 goes to the bag first; only then open the packet.');
    expect(screen.text).toMatch(/1 of 2 · about \d+ minutes left/);
    await screen.click(/^Tucked in, next packet/);
    const body = screen.sent('POST', 'batches')?.body;
    expect(body?.['sitting']).toEqual({ lineId: 'l1', seconds: jasmine.any(Number) });
    expect(body?.['startAt']).toBeNull();
    await screen.settle(200);
    // What goes into water at the table is laid when it is out.
    expect(screen.find('h1')?.textContent).toMatch(/^Put \S+ okra seeds in water$/);
    expect(screen.text).toMatch(/Label 22 goes to the cup first.*Soak:.*Once they are out of the water:.*Wet the paper/);
    expect(screen.all('button').map((one) => one.textContent?.trim())).toContain('Undo 7');
  });

  it('is passed over, and a slip is taken back', async () => {
    const whole = sitting([line(1), line(2, OKRA_LINE)]);
    const screen = await worktop(whole, {
      'POST sittings/s/lines/l1/skips': whole,
      'POST batches': aBatch(),
      'POST batches/b1/untuckings': aBatch(),
    });
    await screen.click('Skip');
    expect(screen.sent('POST', 'sittings/s/lines/l1/skips')?.body).toEqual(jasmine.objectContaining({ skipped: true }));
    await screen.settle(200);
    expect(screen.find('h1')?.textContent).toMatch(/okra seeds in water$/);
  });

  it('stays where it is where the server refuses it, and says why', async () => {
    const screen = await worktop(sitting([line(1)]), {
      'POST batches': problem(409, '21 is tucked in already, here or on another screen.'),
    });
    await screen.click(/^Tucked in/);
    expect(screen.text).toContain('21 is tucked in already, here or on another screen.');
    expect(screen.find('h1')?.textContent).toMatch(/leek seeds$/);
  });
});

describe('choosing for a sitting', () => {
  const names = [
    { id: 's', name: null, at: null, createdMs: ABOUT.nowMs, ended: false, packets: 3, done: 1 },
    { id: 'old', name: 'First of April', at: null, createdMs: ABOUT.nowMs, ended: true, packets: 2, done: 2 },
  ];
  const idea = { id: 'p2', cropId: 'okra', cropName: okra.name, variety: 'Tall Mast', why: 'Its weeks are now.' };
  const old = sitting([line(1, { words: { seeds: 9, holderId: 'gone' } }), line(2, { title: null })], { id: 'old', ended: true });
  const choose = async (): Promise<Screen<ChooseSitting>> => {
    const screen = await show(ChooseSitting, {
      ...answers(sitting([line(1)])),
      'GET sittings': names,
      'GET sittings/old': old,
      'GET packets/ideas': [idea],
      'POST sittings': sitting([line(1)]),
    });
    await screen.settle(220);
    return screen;
  };

  it('takes packets from what is due, from the box and from a list of before, whose words come along', async () => {
    const screen = await choose();
    expect(screen.text).toContain('The list of Sat 11 Apr: 1 of 3 done.');
    await screen.click(/^Okra, Tall Mast/);
    await screen.click(/^Lay these out/);
    await screen.settle();
    expect(screen.text).toContain('1 of that list is used up or no longer in the box.');
    await screen.click(/^Make the list: two packets/);
    const sent = screen.sent('POST', 'sittings')?.body as unknown as { lines: { packetId: string; words: object }[] };
    // The bag of those days is no more; how many were laid still holds.
    expect(sent.lines.map(({ packetId, words }) => [packetId, words])).toEqual([
      ['p2', {}],
      ['p1', { seeds: 9 }],
    ]);
  });

  it('lets a packet be put back, and begins nothing without one', async () => {
    const screen = await choose();
    await screen.click(/^Leek, Quay/);
    await screen.click(/^Leek, Quay/);
    expect(screen.find<HTMLButtonElement>('button.do')?.disabled).toBeTrue();
  });
});
