import { MatAutocompleteHarness } from '@angular/material/autocomplete/testing';
import { MatCheckboxHarness } from '@angular/material/checkbox/testing';
import { MatSelectHarness } from '@angular/material/select/testing';
import type { Box, BoxRow } from '@fresh-tuck/contract';
import { aPacket, choose, problem, show, type Screen } from '../testing/house';
import { cropList } from '../testing/answers';
import { ImportScreen } from './import';
import { PacketForm } from './packet-form';
import { SeedsScreen } from './seeds';

const crops = cropList();
const row = (id: string, more: Partial<BoxRow> = {}): BoxRow => {
  const { cropName, variety, year, generation, dressed, seedsLeft, stock } = aPacket();
  return { id, cropName, variety, year, generation, dressed, seedsLeft, stock, ...more };
};
const boxOf = (groups: Box['groups'], counts: Partial<Box['counts']> = {}): Box => ({
  total: 70,
  counts: { test_first: 0, use_up: 0, short: 0, fine: 0, empty: 0, ...counts },
  groups,
});

describe('the seed box', () => {
  const groups: Box['groups'] = [
    {
      divider: 'test_first',
      count: 42,
      from: 0,
      packets: Array.from({ length: 40 }, (_, nth) => row(`t${nth}`, { variety: `Quay ${nth}` })),
    },
    {
      divider: 'short',
      count: 1,
      from: 0,
      packets: [row('s1', { seedsLeft: 3, dressed: true, stock: { ...aPacket().stock, advice: ['short', 'use_up'] } })],
    },
    { divider: 'empty', count: 1, from: 0, packets: [row('e1', { seedsLeft: 0, variety: 'Bollard' })] },
  ];
  const open = (answers: Record<string, unknown> = {}): Promise<Screen<SeedsScreen>> =>
    show(SeedsScreen, {
      'GET box': boxOf(groups, { test_first: 42, use_up: 2, short: 1, empty: 1 }),
      'GET crops': crops,
      'GET packets/away': [],
      'GET packets/imports': [],
      ...answers,
    });

  it('leads with what wants something, and draws a large box in the course of a few frames', async () => {
    const screen = await open();
    expect(screen.find('h1')?.textContent).toBe('69 packets in the box: test 42 first, use up 2');
    await screen.settle(120);
    expect(screen.all('ul.box li').length).toBe(42);
    expect(screen.all('h2').map((one) => one.textContent?.replace(/\s+/g, ' ').trim())).toEqual([
      'Test first 42 doubtful, and nothing has proved it',
      'Nearly empty 1 fewer than a batch takes',
    ]);
    expect(screen.text).toContain('dressed: gloves');
    expect(screen.find('#s1')?.textContent).toContain('use up');
  });

  it('fetches what stands further behind a divider when it is asked for', async () => {
    const next = (asked: { query: Record<string, string | null> }): Box =>
      asked.query['divider'] === null || asked.query['divider'] === undefined
        ? boxOf(groups, { test_first: 42 })
        : boxOf([{ divider: 'test_first', count: 42, from: 40, packets: [row('t40'), row('t41')] }]);
    const screen = await open({ 'GET box': next });
    await screen.settle(120);
    await screen.click(/^Show more of the 42/);
    await screen.settle(60);
    expect(screen.sent('GET', 'box')?.query).toEqual(jasmine.objectContaining({ divider: 'test_first', from: '40' }));
    expect(screen.all('[aria-labelledby=test_first] li').length).toBe(42);
    expect(screen.text).not.toContain('Show more of the 42');
  });

  it('is looked through by words, asked for once they are typed, and says where nothing fits', async () => {
    const screen = await open({
      'GET box': (asked: { query: Record<string, string | null> }) => (asked.query['find'] === '' ? boxOf(groups) : boxOf([])),
    });
    const find = screen.find<HTMLInputElement>('.find input');
    if (!find) return fail('no find');
    for (const letters of ['l', 'lo', 'lov ']) {
      find.value = letters;
      find.dispatchEvent(new Event('input'));
    }
    await screen.settle(220);
    expect(screen.asked.filter(({ path }) => path === 'box').map(({ query }) => query['find'])).toEqual(['', 'lov']);
    expect(screen.text).toContain('No packet goes by “lov ”.');
  });

  it('teaches an empty box its first packet', async () => {
    const screen = await open({ 'GET box': { ...boxOf([]), total: 0 } });
    expect(screen.text).toContain('Put the first packet in');
    await screen.click('Add a packet');
    expect(screen.find('#packet-form')?.textContent).toBe('A new packet');
  });
});

describe('a packet’s form', () => {
  const open = (answers: Record<string, unknown> = {}, inputs: Record<string, unknown> = {}): Promise<Screen<PacketForm>> =>
    show(PacketForm, { 'GET crops': crops, 'GET packets': [], 'POST packets': aPacket(), ...answers }, inputs);
  const sent = (screen: Screen<PacketForm>): Record<string, unknown> => screen.sent('POST', 'packets')?.body ?? {};

  it('finds a crop by any of its names, and takes it only from the list', async () => {
    const screen = await open();
    const crop = await screen.loader.getHarness(MatAutocompleteHarness);
    await crop.enterText('lady');
    expect((await (await crop.getOptions())[0]?.getText())?.startsWith('Okra')).toBeTrue();
    await crop.clear();
    await crop.enterText('dragonfruit of the moon');
    await crop.blur();
    await screen.type('Variety', 'Quay');
    await screen.click('Put it in the box');
    expect(await screen.errors()).toEqual(['Choose a crop from the list; type any of its names.']);
    await crop.clear();
    await crop.enterText('lady’s finger');
    await crop.clear();
    await crop.enterText('Gumbo');
    await crop.blur();
    await screen.click('Put it in the box');
    expect(sent(screen)).toEqual(jasmine.objectContaining({ cropId: 'okra', variety: 'Quay', year: null, seedCount: null }));
  });

  it('reads figures as people write them and refuses the rest at their fields', async () => {
    const screen = await open();
    await (await screen.loader.getHarness(MatAutocompleteHarness)).enterText('leek');
    await screen.type('Variety', 'Bollard');
    await screen.type('Year of the seed', '20x4');
    await screen.type('Printed rate', '82,5');
    await screen.click('Weight, storage, parents');
    await screen.type('Printed days to come up', '14 to 7');
    await screen.type('Or its weight', '0,8');
    await screen.click('Put it in the box');
    expect(await screen.errors()).toEqual(['A year like 2025, or empty.', 'A number of days or a stretch like 7 to 14.']);
    await screen.type('Year of the seed', '2024');
    await screen.type('Printed days to come up', '7-14 days');
    await screen.click('Put it in the box');
    expect(sent(screen)).toEqual(
      jasmine.objectContaining({ year: 2024, printedRatePercent: 82.5, printedDays: [7, 14], grams: 0.8, seedCount: null, dressed: false }),
    );
  });

  it('warns of dressed seed and of damp seed in the freezer', async () => {
    const screen = await open();
    await (await screen.loader.getHarness(MatCheckboxHarness)).check();
    expect(screen.text).toContain('Gloves, nothing near food or animals, and wash your hands.');
    await screen.click('Weight, storage, parents');
    const [place] = await screen.loader.getAllHarnesses(MatSelectHarness);
    await place?.open();
    await place?.clickOptions({ text: /freezer/i });
    await screen.fixture.whenStable();
    expect(screen.text).toMatch(/freez|dry/i);
  });

  it('corrects a packet as it stands, and shows what the server would not have at its field', async () => {
    const packet = aPacket({ storage: { place: 'fridge', celsius: 5, dryness: 'airtight' } as never, printedDays: [6, 10] });
    const screen = await open(
      { 'PUT packets/p1': problem(422, 'year must not lie after 2027', [{ field: 'year', message: 'year must not lie after 2027' }]) },
      { packet },
    );
    await screen.settle();
    expect(screen.find('#packet-form')?.textContent).toBe('What is known of it');
    await screen.type('Year of the seed', '2031');
    await screen.click('Save');
    expect(screen.sent('PUT', 'packets/p1')?.body).toEqual(
      jasmine.objectContaining({ cropId: 'leek', year: 2031, printedDays: [6, 10], printedRatePercent: 80 }),
    );
    expect(await screen.errors()).toEqual(['The year must not lie after 2027.']);
  });

  it('asks of saved seed how its kin were kept away, and counts its generation', async () => {
    const screen = await open({}, { mother: aPacket({ generation: 2, isolationNeededM: 1000 }) });
    await screen.settle();
    expect(screen.find('#packet-form')?.textContent).toBe('Seed saved from Quay');
    expect(screen.text).toContain('about 1000 m');
    await screen.click('Put it in the box');
    expect(await screen.errors()).toEqual(['Say how its kin were kept away; “not at all” is an answer.']);
    const isolation = (await screen.loader.getAllHarnesses(MatSelectHarness)).at(-1);
    await isolation?.open();
    await isolation?.clickOptions({ text: 'by distance' });
    await screen.type('Distance to its kin', '400 m');
    await screen.click('Put it in the box');
    expect(sent(screen)).toEqual(
      jasmine.objectContaining({ motherId: 'p1', generation: 3, isolation: 'distance', isolationM: 400, year: 2026, source: 'saved here' }),
    );
  });
});

describe('a table of packets', () => {
  const file = (text: string): File => new File([text], 'box.csv', { type: 'text/csv' });
  const open = async (text: string, answers: Record<string, unknown> = {}): Promise<Screen<ImportScreen>> => {
    const screen = await show(ImportScreen, {
      'GET crops': crops,
      'POST packets/matches': ({ body }: { body: { rows?: unknown[] } }) => (body.rows ?? []).map(() => null),
      ...answers,
    });
    await choose(screen, 'Choose the file', file(text));
    await screen.settle(150);
    return screen;
  };

  it('recognises headings of its own, shows every row, and brings all of it in at once', async () => {
    const screen = await open('Kind of seed;Sort;Crop;Variety;Year;Count\nx;y;Leek;Bollard;2024;80\nx;y;Okra;Quay;;\n', {
      'POST packets/imports': { added: 2, changed: 0 },
    });
    expect(screen.find('h1')?.textContent).toBe('2 new packets ready to come in');
    expect(screen.find('[role=status]')?.textContent).toContain('2 rows');
    await screen.click('Bring in 2 packets');
    const sent = screen.sent('POST', 'packets/imports')?.body['packets'] as Record<string, unknown>[];
    expect(sent.map(({ cropId, variety, year, seedCount }) => [cropId, variety, year, seedCount])).toEqual([
      ['leek', 'Bollard', 2024, 80],
      ['okra', 'Quay', null, null],
    ]);
    expect(screen.url).toBe('/seeds');
  });

  it('has each faulty row mended or left out, and until then brings in nothing', async () => {
    const screen = await open('Crop,Variety,Year\nLeak,Bollard,2024\nOkra,Quay,20x4\nTomato,Rope,2025\n');
    expect(screen.find('h1')?.textContent).toBe('2 rows need correcting');
    expect(screen.find<HTMLButtonElement>('button.do')?.disabled).toBeTrue();
    const choice = screen.find<HTMLSelectElement>('.mend select');
    if (!choice) return fail('no choice');
    choice.value = 'Leek';
    choice.dispatchEvent(new Event('change'));
    await screen.fixture.whenStable();
    expect(screen.find('h1')?.textContent).toBe('1 row needs correcting');
    await screen.click(/^Leave this row out/);
    expect(screen.find('h1')?.textContent).toBe('2 new packets ready to come in');
    await screen.click('take it after all');
    expect(screen.find('h1')?.textContent).toBe('1 row needs correcting');
  });

  it('takes a column for what the gardener says it is, each meaning once', async () => {
    const screen = await open('What,Which,Crop\nLeek,Bollard,Okra\n');
    const heads = screen.all<HTMLSelectElement>('.columns select');
    const say = async (at: number, column: string): Promise<void> => {
      const head = heads[at];
      if (!head) return fail('no heading');
      head.value = column;
      head.dispatchEvent(new Event('change'));
      await screen.fixture.whenStable();
    };
    await say(0, 'crop');
    await say(1, 'variety');
    expect(screen.all<HTMLSelectElement>('.columns select').map(({ value }) => value)).toEqual(['crop', 'variety', '']);
    expect(screen.find('tbody tr')?.textContent?.replace(/\s+/g, ' ')).toContain('LeekBollard');
  });

  it('knows rows of the box again, shows what differs, and takes each as it is chosen', async () => {
    const known = {
      ...aPacket(),
      id: 'p9',
      version: 3,
      variety: 'Bollard',
      source: 'the market',
      note: null,
      motherId: null,
      fatherId: null,
    };
    const screen = await open(
      'Crop;Variety;Year;Source;Notes\nLeek;bollard;2024;the market;from the pier\nOkra;Quay;2025;;\n\nOkra;Quay;2025;;\n',
      {
        'POST packets/matches': ({ body }: { body: { rows?: { cropId: string }[] } }) =>
          (body.rows ?? []).map(({ cropId }) => (cropId === 'leek' ? known : null)),
        'POST packets/imports': { added: 1, changed: 1 },
      },
    );
    expect(screen.text).toContain('Notes: not known in the box, from the pier in the table.');
    // The second of two equal rows is left out, by the number that the sheet gives it.
    expect(screen.text).toContain('left out, the same as row 3');
    expect([...screen.all('tbody tr')].at(-1)?.textContent).toMatch(/^\s*5/);
    await screen.click('Bring in 1 packet');
    expect(screen.sent('POST', 'packets/imports')?.body['changes']).toEqual([]);
    await screen.click('take the table’s');
    await screen.click('Bring in 1 packet and 1 correction');
    expect(screen.sent('POST', 'packets/imports')?.body['changes']).toEqual([
      jasmine.objectContaining({
        packetId: 'p9',
        version: 3,
        variety: 'bollard',
        note: 'from the pier',
        printedRatePercent: 80,
        seedCount: null,
      }),
    ]);
  });

  it('mends one spelling for all its rows, and asks what a rate of 1 means', async () => {
    const screen = await open('Crop,Variety,Rate\nLeak,One,"0,8"\nLeak,Two,1\nOkra,Three,\n');
    expect(screen.text).toContain('Rows 2, 3');
    const choice = screen.find<HTMLSelectElement>('.mend select');
    if (!choice) return fail('no choice');
    choice.value = 'Leek';
    choice.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(screen.find('h1')?.textContent).toBe('1 row needs correcting');
    await screen.click('shares: 1 is all of them');
    expect(screen.find('h1')?.textContent).toBe('3 new packets ready to come in');
  });

  it('says why a file is none, and that a refused table left the box as it was', async () => {
    const words = await open('only words\n');
    expect(words.find('[role=alert]')?.textContent).toMatch(/first line must head them/);
  });

  it('keeps nothing where the server refuses', async () => {
    const screen = await open('Crop,Variety\nLeek,Bollard\n', {
      'POST packets/imports': problem(422, 'packets.0.year must not lie after 2027'),
    });
    await screen.click('Bring in 1 packet');
    expect(screen.find('[role=alert]')?.textContent).toBe('Nothing was brought in. The year in row 1 must not lie after 2027.');
  });
});
