import { MatFormFieldHarness } from '@angular/material/form-field/testing';
import { MatInputHarness } from '@angular/material/input/testing';
import { NOW } from '@fresh-tuck/core/testing';
import { aBatch, ABOUT, aPacket, problem, show, type Screen } from '../testing/house';
import { startAt, tuckAnswers } from '../testing/answers';
import { TuckScreen } from './tuck';

const packet = aPacket();
const DAY_MS = 86_400_000;
/** Tuck in with a packet of leek, and hands that open its words. */
async function sentence(answers: Record<string, unknown> = {}, more = packet) {
  const screen: Screen<TuckScreen> = await show(
    TuckScreen,
    {
      ...tuckAnswers(more),
      'GET packets': [
        { id: 'p1', cropId: 'leek', cropName: 'Leek', variety: 'Quay', year: 2024, seedsLeft: more.seedsLeft },
        { id: 'p2', cropId: 'leek', cropName: 'Leek', variety: 'Bollard', year: 2025, seedsLeft: 40 },
      ],
      'GET packets/p2': aPacket({ id: 'p2', variety: 'Bollard', seedsLeft: 40 }),
      'GET packets/p2/kin': [],
      'GET packets/p2/start': startAt(NOW),
      'POST batches': aBatch(),
      ...answers,
    },
    { packet: 'p1' },
  );
  await screen.settle(250);
  const word = (name: string): string =>
    screen
      .all('ft-word button')
      .find((one) => one.getAttribute('aria-label')?.startsWith(`${name}: `))
      ?.getAttribute('aria-label')
      ?.slice(name.length + 2) ?? '';
  const inside = async (act: () => Promise<void>): Promise<void> => {
    await act();
    await screen.leaveWord();
    await screen.settle(250);
  };
  return {
    screen,
    word,
    /** Opens a word and touches one of its choices. */
    pick: async (name: string, choice: string | RegExp): Promise<void> => {
      await screen.press(new RegExp(`^${name}: `));
      await inside(() => screen.clickAbove(choice));
    },
    /** Opens a word and types into one of its fields. */
    write: async (name: string, label: string | RegExp, value: string): Promise<string[]> => {
      await screen.press(new RegExp(`^${name}: `));
      let said: string[] = [];
      await inside(async () => {
        const field = await screen.overlays.getHarness(MatInputHarness.with({ label }));
        await field.setValue(value);
        await field.blur();
        const fields = await screen.overlays.getAllHarnesses(MatFormFieldHarness);
        said = (await Promise.all(fields.map((one) => one.getTextErrors()))).flat();
      });
      return said;
    },
    seeds: (): number => Number(/Tuck in (\d+) seeds?/.exec(screen.find('button.do')?.textContent ?? '')?.[1]),
    body: async (): Promise<Record<string, unknown>> => {
      await screen.click(/^Tuck in \d+ seeds?/);
      return screen.sent('POST', 'batches')?.body ?? {};
    },
  };
}

describe('the words of Tuck in', () => {
  it('surer or more plants ask for more seeds, and the best of many for more still', async () => {
    const { pick, write, seeds, word } = await sentence();
    const usual = seeds();
    await pick('How sure', /nineteen times in twenty/);
    const surer = seeds();
    expect(surer).toBeGreaterThan(usual);
    await pick('How sure', /six times in ten/);
    expect(seeds()).toBeLessThan(usual);
    await write('How many plants', 'How many plants do you want?', '12');
    const dozen = seeds();
    expect(word('How many plants')).toBe('12 plants');
    expect(dozen).toBeGreaterThan(usual);
    await pick('How many plants', /^the better half/);
    expect(word('How many plants')).toBe('12 plants, the better half');
    expect(seeds()).toBeGreaterThan(dozen * 1.5);
  });

  it('a touch of what was worked out fixes it, and the arrows choose', async () => {
    const { screen, word } = await sentence();
    const sure = (): HTMLElement | null => screen.find('ft-word button[aria-label^="How sure"]');
    expect(sure()?.classList).not.toContain('fixed');
    await screen.press(/^How sure: /);
    await screen.clickAbove(new RegExp(`^${word('How sure')}\\s+\\d+ seeds`));
    expect(sure()?.classList).toContain('fixed');
    // Said by one touch, the word has closed; the arrows walk along its lines and leave it open.
    expect(document.querySelector('[role=radiogroup][aria-label="How sure"]')).toBeNull();
    await screen.press(/^How sure: /);
    const chosen = (): HTMLElement | null => document.querySelector('[role=radiogroup][aria-label="How sure"] [aria-checked=true]');
    const before = chosen()?.textContent;
    chosen()?.dispatchEvent(new KeyboardEvent('keydown', { keyCode: 38, bubbles: true }));
    await screen.settle(250);
    expect(chosen()?.textContent).not.toBe(before);
    expect(chosen()?.textContent).toContain(word('How sure'));
    await screen.leaveWord();
  });

  it('fills a bed at its spacing, in metres or feet, and says where nothing fits', async () => {
    const { write, screen, word, pick } = await sentence({
      'GET beds': [{ id: 'x', name: 'Wall bed', widthM: 0.6, lengthM: 1.2, madeYear: null, soil: null }],
    });
    expect(await write('How many plants', /^Wide/, 'broad')).toEqual(['A bed’s side is a length like 1.2 m, 80 cm or 4 ft.']);
    await pick('How many plants', 'Fill Wall bed');
    const plants = Number(/^(\d+) plants/.exec(word('How many plants'))?.[1]);
    expect(plants).toBeGreaterThan(10);
    await write('How many plants', /^In the row/, '200 cm');
    await pick('How many plants', 'Fill Wall bed');
    expect(word('How many plants')).toBe(`${plants} plants`);
    expect(screen.text).toContain('Tuck in');
  });

  it('fills the free slots of a rack and moves them there', async () => {
    const rack = { id: 'r', name: 'Stair rack', slots: 12, taken: 5 };
    const { pick, word, body } = await sentence({ 'GET racks': [rack] });
    await pick('How many plants', /^Stair rack: 7 of 12 free/);
    expect(word('How many plants')).toBe('7 plants');
    expect(word('Where they go')).toBe('slots of Stair rack');
    expect((await body())['aim']).toEqual({ plants: 7, destination: 'slot', rackId: 'r', target: null });
  });

  it('begins where it really began, and says what time would be taken', async () => {
    const { write, word, body, screen } = await sentence();
    expect(await write('When', 'When was it tucked in?', '2026-04-09T19:05')).toEqual([]);
    expect(word('When')).toBe('on 2026-04-09 at 19:05');
    expect(screen.sent('GET', 'packets/p1/start')?.query['at']).toBe('2026-04-09T19:05');
    expect((await body())['startAt']).toBe('2026-04-09T19:05');
  });

  it('counts back from a date, and says that a day is past or never', async () => {
    const { write, screen, word, body } = await sentence();
    expect(await write('By when', 'To plant out around', '2025-06-01')).toContain('The date must lie ahead, within three years.');
    await write('By when', 'To plant out around', '2026-09-20');
    expect(word('By when')).toBe('to plant out around Sun 20 Sept');
    expect(screen.find('ft-calendar [role=status]')?.textContent).toMatch(/^Start by .*, in \d+ days: .* in time\.$/);
    expect(screen.find('button.do')?.textContent?.trim()).toMatch(/^Tuck in \d+ seeds now$/);
    expect(screen.find('.after.waiting')?.textContent).toContain('begun now they wait');
    await write('By when', 'To plant out around', '2026-04-14');
    expect(screen.find('ft-calendar [role=status]')?.textContent).toMatch(/The day to start was|It cannot be/);
    expect((await body())['aim']).toEqual(jasmine.objectContaining({ target: { kind: 'plant_out', day: '2026-04-14' } }));
  });

  it('takes cold of so many days or none, and then goes to the fridge', async () => {
    const { write, word, body } = await sentence();
    expect(word('Warm spot')).toBe('Hall cupboard');
    expect(await write('Chill', 'How many days of cold?', '0')).toEqual([
      'A chill is a whole number of days from 1 to 200, or empty for none.',
    ]);
    await write('Chill', 'How many days of cold?', '21');
    expect([word('Chill'), word('Warm spot')]).toEqual(['21 days of cold first', 'Fridge']);
    expect(await body()).toEqual(jasmine.objectContaining({ chillDays: 21 }));
  });

  it('joins a bag that lies there: its closure, its place', async () => {
    const tub = {
      ...aBatch().holder,
      id: 'h9',
      kind: 'tub' as const,
      closure: 'lidded' as const,
      spotId: 's2',
      spotName: 'Fridge',
      numbers: [3, 5],
    };
    const { pick, word, body } = await sentence({ 'GET holders': [tub] });
    await pick('Bag', /^the tub with 3 and 5/);
    expect([word('Bag'), word('Warm spot')]).toEqual(['tub with 3 and 5', 'Fridge']);
    expect((await body())['holder']).toEqual({ holderId: 'h9' });
  });

  it('lays them wider on a larger sheet, and gives that its water', async () => {
    const { pick, body, screen } = await sentence();
    const dose = (): number => Number(/with ([\d.]+) ml/.exec(screen.text)?.[1]);
    const half = dose();
    await pick('Bag', /^whole sheet/);
    expect(dose()).toBeGreaterThan(half * 1.6);
    expect((await body())['towel']).toEqual({ widthMm: 140, heightMm: 220, plies: 2, medium: 'paper' });
  });

  it('puts several to a pot, and asks for as many sprouts', async () => {
    const { pick, seeds, body } = await sentence();
    const one = seeds();
    await pick('Where they go', /^three to each, the strongest kept/);
    expect(seeds()).toBeGreaterThan(one);
    expect((await body())['wanted']).toBe(12);
  });

  it('changes its packet and keeps what else was said', async () => {
    const { pick, word, body } = await sentence();
    await pick('How sure', /eight times in ten/);
    await pick('Packet', /Bollard/);
    expect([word('Packet'), word('How sure')]).toEqual(['Leek, Bollard', 'eight times in ten']);
    expect((await body())['packetId']).toBe('p2');
  });

  it('keeps the bag, the place and the sureness for the next parcel of a sitting, and asks for its packet', async () => {
    const { pick, word, screen, body } = await sentence();
    await pick('Bag', /^quarter sheet/);
    await body();
    await screen.click('Tuck in another');
    await screen.settle(100);
    expect(word('Packet')).toBe('a packet of seed');
    expect(screen.text).toContain('the packet comes first');
  });

  it('says the server’s refusal and leaves the sentence as it stands', async () => {
    const { body, screen, word } = await sentence({ 'POST batches': problem(422, 'seeds must be at most 3: the packet has no more') });
    await body();
    expect(screen.all('[role=alert]').some((one) => one.textContent?.includes('the packet has no more'))).toBeTrue();
    expect(word('Packet')).toBe('Leek, Quay');
  });

  it('offers of a packet with too few what can be had: all of it, fewer plants, or another packet', async () => {
    const kin = aPacket({ id: 'p2', variety: 'Bollard', seedsLeft: 60 });
    const { screen, seeds, word } = await sentence({ 'GET packets/p1/kin': [kin] }, aPacket({ seedsLeft: 9 }));
    expect(screen.text).toContain('The packet has only 9 left');
    expect(screen.all('ft-shortage button').map((one) => one.textContent?.trim())).toEqual([
      'Start all 9',
      jasmine.stringMatching(/^Want \d plant/),
      'Bollard',
    ]);
    await screen.click('Start all 9');
    await screen.settle(120);
    expect([seeds(), word('How many seeds')]).toEqual([9, '9 seeds']);
    expect(screen.find<HTMLButtonElement>('button.do')?.disabled).toBeFalse();
  });

  it('tells no plan before the server has said what the place is like', async () => {
    const { screen } = await sentence({ 'GET packets/p1/start': startAt(ABOUT.nowMs - 2 * DAY_MS) });
    expect(screen.find('ft-calendar h2')?.textContent).toContain('When');
    expect(screen.text).toMatch(/Enough to move by .*ready to plant out about/);
  });

  it('starts in pots: what is drawn, said and sent is a pot’s, and the ways are ranked beneath', async () => {
    const { screen, word, pick, write, body } = await sentence();
    expect(word('Which way')).toBe('on a towel');
    // The ways come from the worker, in its own time.
    await screen.until(() => screen.find('ft-ways mat-button-toggle') !== null);
    expect(screen.all('ft-ways mat-button-toggle').length).toBe(3);
    await pick('Which way', /^in a pot/);
    await write('Which way', 'How many pots?', '3');
    expect(screen.text).toContain('3 pots');
    expect(screen.text).toContain('to stand in');
    expect(screen.text).not.toMatch(/at its crop page’s root length|The towel|Wet the paper/);
    const sent = await body();
    expect(sent).toEqual(jasmine.objectContaining({ method: 'pot', places: 3 }));
    expect(sent['towel']).toBeUndefined();
    expect(sent['holder']).toEqual(jasmine.objectContaining({ kind: 'tray', closure: 'lidded' }));
  });

  it('lays it as the gardener says, each word with what follows from it', async () => {
    const { screen, word, pick, body } = await sentence();
    await pick('How it is laid', /^loose vermiculite/);
    expect(word('How it is laid')).toBe('loose vermiculite, wrung-out damp, plain water');
    expect(screen.text).toContain('Mix the seed through it singly');
    await pick('How it is laid', /^a little free water/);
    await pick('How it is laid', /^in indirect light/);
    const sent = await body();
    expect(sent).toEqual(jasmine.objectContaining({ wet: 'free', light: 'indirect', damped: 'water' }));
    expect(sent['towel']).toEqual(jasmine.objectContaining({ medium: 'vermiculite' }));
  });

  it('counts chill that was had before', async () => {
    const { word, write, body } = await sentence();
    await write('Chill', 'How many days of cold?', '20');
    await write('Chill', 'Days of damp cold it had before', '35');
    expect(word('Chill')).toBe('20 days of cold first, 35 had before');
    expect(await body()).toEqual(jasmine.objectContaining({ chillDays: 20, chilledDays: 35, chillDry: false }));
  });
});
