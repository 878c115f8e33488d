import { MatInputHarness } from '@angular/material/input/testing';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { MatCheckboxHarness } from '@angular/material/checkbox/testing';
import { parcel, look } from '@fresh-tuck/core/testing';
import { aBatch, aPacket, aSpot, problem, show, type Screen } from '../testing/house';
import { Bag } from './bag';
import { BatchScreen } from './batch';
import { FinalCount } from './final-count';
import { Parts } from './parts';

describe('what belongs to the bag', () => {
  const other = { ...aBatch().holder, id: 'h2', numbers: [9, 11], spotName: 'Fridge top' };
  const bag = (answers: Record<string, unknown> = {}, batch = aBatch()) =>
    show(Bag, { 'GET holders': [batch.holder, other], ...answers }, { batch });

  it('keeps a probe’s day in the household’s units, and says what would be taken', async () => {
    const screen = await bag({ 'POST holders/h1/probe': aBatch().holder });
    await screen.type('Lowest', 'warm');
    await screen.type('Highest', '70F');
    await screen.click('Save the reading');
    expect(await screen.errors()).toEqual(['A temperature like 21, 21.5 C or 70F.']);
    expect(screen.sent('POST', 'holders/h1/probe')).toBeUndefined();
    await screen.type('Lowest', '20,5');
    await screen.click('Save the reading');
    const sent = screen.sent('POST', 'holders/h1/probe')?.body;
    expect(sent).toEqual(jasmine.objectContaining({ day: '2026-04-11', minC: 20.5 }));
    expect(sent?.['maxC']).toBeCloseTo(21.1, 1);
  });

  it('is weighed first when it was just given its water, and says the server’s refusal', async () => {
    const screen = await bag({ 'POST holders/h1/weighings': problem(422, 'full must be true the first time') });
    const full = await screen.loader.getHarness(MatCheckboxHarness);
    expect(await full.isChecked()).toBeTrue();
    await screen.type('Grams, bag and all', '31 g');
    await screen.click('Save the weight');
    expect(screen.sent('POST', 'holders/h1/weighings')?.body).toEqual(jasmine.objectContaining({ grams: 31, full: true }));
    expect(screen.find('[role=alert]')?.textContent).toBe('“just given its water” must be true the first time.');
  });

  it('offers the other bags, and a bag of its own only to one that shares', async () => {
    const alone = await bag();
    expect(alone.text).toContain('the bag with 9 and 11, Fridge top');
    expect(alone.text).not.toContain('a bag of its own');
  });

  it('gives a parcel that shares its bag one of its own, in the same place', async () => {
    const batch = aBatch(parcel('tomato', 4, 25), { bagMates: [9] });
    const screen = await bag({ 'POST batches/b1/bag': batch }, batch);
    await screen.click('a bag of its own, same place');
    expect(screen.sent('POST', 'batches/b1/bag')?.body['holder']).toEqual(
      jasmine.objectContaining({ kind: 'bag', closure: 'sealed_air', spotId: 's1' }),
    );
  });
});

describe('the life of one batch', () => {
  const facts = parcel('tomato', 6, 25, { looks: [look(36, { tipped: 0 }), look(1, { tipped: 3 })] });
  const entry = {
    id: 'e1',
    kind: 'look' as const,
    atMs: facts.looks[1]?.atMs ?? 0,
    recordedMs: 0,
    who: 'Ana',
    note: null,
    text: '3 new tips, 3 in all.',
    photoIds: [],
    counts: true,
    mend: 'entry' as const,
    dated: true,
    holderId: null,
    finalCount: false,
  };
  const batch = aBatch(facts, { journal: [entry] });
  const open = (answers: Record<string, unknown> = {}, shown = batch) =>
    show(
      BatchScreen,
      {
        'GET batches/b1': shown,
        'GET spots': [aSpot(), aSpot({ id: 's2', name: 'Mat' })],
        'GET holders': [],
        'GET batches/b1/why': {},
        ...answers,
      },
      { batchId: 'b1' },
    );

  it('says at its head what kills, offers every board that does not, and does what an advice offers', async () => {
    const deadly = { id: 'r1', day: '2026-04-11', minC: 37, maxC: 44 };
    const screen = await open(
      {
        'GET spots': [
          aSpot({ latest: deadly }),
          aSpot({ id: 's2', name: 'Mat', latest: { ...deadly, minC: 35 } }),
          aSpot({ id: 's3', name: 'Sill' }),
        ],
        'POST holders/h1/place': [],
      },
      aBatch(parcel('leek', 5, 42)),
    );
    expect(screen.find('.danger h2')?.textContent).toBe('Off the heat now');
    expect(screen.all('ft-advice h3').map((one) => one.textContent)).not.toContain('Off the heat now');
    const boards = screen.all<HTMLButtonElement>('[aria-label="Where to?"] button');
    expect(boards.map(({ disabled }) => disabled)).toEqual([true, true, false]);
    expect(boards[1]?.textContent).toMatch(/Read up to 44 °C: .* of this seed would die in a day there/);
    await screen.click(/^Sill/);
    expect(screen.sent('POST', 'holders/h1/place')?.body['spotId']).toBe('s3');
  });

  it('closes, or sets aside, by the button of its advice', async () => {
    const over = parcel('melon', 14, 28, { looks: [look(36, { tipped: 0 }), look(0, { tipped: 0, damp: 'damp' })] });
    const ending = await open({ 'POST batches/b1/closings': aBatch(over) }, aBatch(over));
    await ending.click('Close it');
    expect(ending.sent('POST', 'batches/b1/closings')?.body['reason']).toBe('given_up');
  });

  it('keeps what a closed one may still bring', async () => {
    const closed = aBatch(facts, {
      closed: true,
      closedInWords: '2 chances in 10 that one of the 5 quiet seeds still comes: leave the bag in a corner.',
    });
    const end = { ...entry, id: 'e9', kind: 'close' as const, text: 'Closed: set aside.' };
    const screen = await open({ 'POST batches/b1/undos': batch }, { ...closed, journal: [end, entry] });
    expect(screen.find('.closed')?.textContent?.replace(/\s+/g, ' ')).toContain('Closed: 2 chances in 10 that one');
    // A late one after all: the closing is taken back and the parcel opened.
    const went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await screen.click('A late one has come');
    expect(screen.sent('POST', 'batches/b1/undos')?.body['entryId']).toBe('e9');
    expect(went.calls.mostRecent().args).toEqual([['/open', 'b1']]);
  });

  it('tells what to do in the words of the core, and its journal', async () => {
    const screen = await open();
    for (const { lead } of batch.judgement.advice) expect(screen.text).toContain(lead);
    expect(screen.text).toContain(batch.judgement.outlook);
    expect(screen.text).toContain('3 new tips, 3 in all.');
    expect(screen.text).toContain('Ana');
  });

  it('corrects its starting count only to a whole number', async () => {
    const screen = await open({ 'GET packets': [], 'POST batches/b1/recounts': batch });
    await screen.click('Correct this');
    await screen.press(/^How many seeds: /);
    const field = await screen.overlays.getHarness(MatInputHarness.with({ label: 'How many seeds were there at the start?' }));
    await field.setValue('2.5');
    await screen.leaveWord();
    expect(screen.find('button[aria-label^="How many seeds"]')?.textContent).toContain('8 seeds');
    await screen.press(/^How many seeds: /);
    await (await screen.overlays.getHarness(MatInputHarness.with({ label: 'How many seeds were there at the start?' }))).setValue('9');
    await screen.leaveWord();
    await screen.click('Correct it so');
    expect(screen.sent('POST', 'batches/b1/recounts')?.body).toEqual(jasmine.objectContaining({ seeds: 9, was: 8 }));
  });

  it('takes its last entry back', async () => {
    const undoing = { entryId: 'e1', along: [], follows: ['Then there are 0 tips, not 3.'] };
    const screen = await open({ 'GET batches/b1/entries/e1/undoing': undoing, 'POST batches/b1/undos': batch });
    await screen.click('Undo');
    expect(screen.sent('POST', 'batches/b1/undos')).toBeUndefined();
    await screen.click('Take it back');
    expect(screen.sent('POST', 'batches/b1/undos')?.body['entryId']).toBe('e1');
  });

  it('goes to another place with its bag, and not to the one it stands in', async () => {
    const screen = await open({ 'POST holders/h1/place': batch.holder });
    await screen.click('Move the bag');
    const choices = screen.all<HTMLButtonElement>('[aria-label="Where to?"] button');
    expect(choices.map(({ disabled, textContent }) => [disabled, textContent?.replace(/\s+/g, ' ').trim()])).toEqual([
      [true, 'Hall cupboard about 22.5 °C, a guess'],
      [false, 'Mat about 22.5 °C, a guess'],
    ]);
    await screen.click(/^Mat/);
    expect(screen.sent('POST', 'holders/h1/place')?.body['spotId']).toBe('s2');
  });

  it('is closed with its reason, the quiet ones not called dead', async () => {
    const screen = await open({ 'POST batches/b1/closings': problem(409, 'This batch is closed. Undo the closing first.') });
    await screen.click('Close the batch');
    expect(screen.text).toContain('5 still quiet; they count as not seen, not as dead.');
    const reasons = screen.all('[aria-label="Why is it closed?"] button').map((one) => one.textContent?.trim());
    expect(reasons.length).toBe(5);
    await screen.click(reasons[2] ?? '');
    expect(screen.sent('POST', 'batches/b1/closings')?.body['reason']).toBe('given_up');
    expect(screen.all('[role=alert]').at(-1)?.textContent).toBe('This batch is closed. Undo the closing first.');
  });

  it('opens one panel at a time', async () => {
    const screen = await open();
    await screen.click('Move the bag');
    await screen.click('Enter several days');
    expect(screen.all('[aria-expanded=true]').map((one) => one.textContent?.trim())).toEqual(['Enter several days']);
    // It unfolds above: who asked for it is taken there.
    expect(document.activeElement?.textContent).toBe('Several days at once');
    await screen.click('Enter several days');
    expect(screen.all('[aria-expanded=true]').length).toBe(0);
  });

  it('keeps in sight what was taken back, who looked, their note and their pictures', async () => {
    const taken = { ...entry, id: 'e0', counts: false, mend: null, note: 'in a hurry', photoIds: ['ph1', 'ph2'] };
    const screen = await open({}, { ...batch, journal: [entry, taken] });
    const [first, second, tucked] = screen.all('.journal li');
    expect(first?.textContent).toContain('Undo');
    expect(second?.textContent).toContain('taken back or corrected');
    expect(second?.textContent).toContain('in a hurry');
    expect(second?.textContent).not.toContain('Undo');
    expect([...(second?.querySelectorAll('img') ?? [])].map((one) => one.getAttribute('src'))).toEqual([
      '/api/photos/ph1',
      '/api/photos/ph2',
    ]);
    expect(tucked?.textContent).toContain('Tucked in: 8 seeds');
  });

  it('corrects any of its looks, dates it, and takes it back with what follows said first', async () => {
    const earlier = { ...entry, id: 'e0', text: 'Nothing new.' };
    const screen = await open(
      {
        'GET batches/b1/entries/e0/undoing': {
          entryId: 'e0',
          along: ['m1'],
          follows: ['Then there are 0 tips, not 3.', '3 sprouts lie where they lay before.'],
        },
        'POST batches/b1/undos': batch,
        'POST batches/b1/corrections': batch,
      },
      { ...batch, journal: [entry, earlier] },
    );
    expect(screen.all('.journal a[href*=correct]').length).toBe(2);
    const [, second] = screen.all('.journal li');
    const press = async (name: string): Promise<void> => {
      [...(second?.querySelectorAll('button') ?? [])].find((one) => one.textContent?.trim() === name)?.click();
      await screen.settle();
    };
    await press('Undo');
    expect(second?.textContent).toContain('Then there are 0 tips, not 3.');
    expect(second?.textContent).toContain('With it goes the move that rests on it.');
    await screen.click('Take all of it back');
    expect(screen.sent('POST', 'batches/b1/undos')?.body).toEqual(jasmine.objectContaining({ entryId: 'e0', along: ['m1'] }));
    await press('Another time');
    await screen.press(/^The true time/);
    await screen.clickAbove(/^yesterday evening/);
    await screen.click('Date it so');
    expect(screen.sent('POST', 'batches/b1/corrections')?.body).toEqual(
      jasmine.objectContaining({ entryId: 'e0', at: '2026-04-10T18:30' }),
    );
  });

  it('corrects what it was begun as word by word, and says what follows', async () => {
    const packets = [{ id: 'p2', cropId: 'leek', cropName: 'Leek', variety: 'Windlass', year: 2025, seedsLeft: 60 }];
    const cups = [{ number: 40, seed: null, destination: 'cup', atMs: batch.answers.nowMs }];
    const screen = await open({ 'GET packets': packets, 'POST batches/b1/amendments': batch }, { ...batch, cups });
    await screen.click('Correct this');
    await screen.press(/^Packet: /);
    await screen.clickAbove(/^Leek, Windlass/);
    expect(screen.text).toContain('8 seeds go back into Tomato, Quay and leave Leek, Windlass.');
    expect(screen.text).toContain('Label 40 in the Nursery is of Leek, Windlass then');
    await screen.click('Correct it so');
    expect(screen.sent('POST', 'batches/b1/amendments')?.body).toEqual(jasmine.objectContaining({ packetId: 'p2', after: null }));
  });

  it('takes a tuck-in back after saying what that means', async () => {
    const follows = ['8 seeds go back into Tomato, Quay. Number 7 stays used: tear its label up.'];
    const screen = await open({ 'GET packets': [], 'GET batches/b1/untucking': { follows }, 'POST batches/b1/untuckings': batch });
    await screen.click('Correct this');
    await screen.click('It was never tucked in');
    expect(screen.text).toContain('8 seeds go back into Tomato, Quay.');
    await screen.click('Take the tuck-in back');
    expect(screen.sent('POST', 'batches/b1/untuckings')).toBeDefined();
  });

  it('takes several days at once, each with its time, and leaves blank rows out', async () => {
    const screen = await open({ 'POST batches/b1/days': batch });
    await screen.click('Enter several days');
    const rows = screen.all<HTMLInputElement>('ft-days tbody tr').length;
    expect(rows).toBeGreaterThan(2);
    const write = async (row: number, value: string): Promise<void> => {
      const field = screen.find<HTMLInputElement>(`[aria-label="tips in all, row ${row}"]`) ?? fail(`no row ${row}`);
      if (!field) return;
      field.value = value;
      field.dispatchEvent(new Event('input'));
      await screen.settle();
    };
    await write(1, '1');
    await write(3, '12');
    await screen.click('Keep these days');
    expect(screen.sent('POST', 'batches/b1/days')).toBeUndefined();
    await write(3, '2');
    await screen.click('Keep these days');
    const looks = screen.sent('POST', 'batches/b1/days')?.body['looks'] as { at: string; tipped: number }[];
    expect(looks.map(({ tipped }) => tipped)).toEqual([1, 2]);
    expect(looks.every(({ at }) => at.endsWith('T18:30'))).toBeTrue();
  });

  it('takes a final count back rather than correcting it', async () => {
    const screen = await open({}, { ...batch, lastLookId: 'e1', journal: [{ ...entry, finalCount: true }] });
    expect(screen.all('.journal a[href*=correct]').length).toBe(0);
    expect(screen.text).toContain('Undo');
  });

  it('names the labels of what was moved from it', async () => {
    const cups = [40, 41].map((number) => ({ number, seed: null, destination: 'cup', atMs: batch.answers.nowMs }));
    const screen = await open({}, { ...batch, cups });
    expect(screen.text.replace(/\s+/g, ' ')).toMatch(/In cups now: 2, labels 40,\s?41\./);
  });

  it('of a closed batch says how it ended, and offers nothing to open', async () => {
    const screen = await open({}, { ...batch, closed: true });
    expect(screen.text).toContain('Closed. 3 of 8 showed a tip, 0 were moved.');
    expect(screen.text).not.toContain('Open this parcel');
  });

  it('says that an unknown batch is unknown', async () => {
    const screen = await show(
      BatchScreen,
      { 'GET batches/b1': problem(404, 'There is no such batch.'), 'GET spots': [], 'GET holders': [] },
      { batchId: 'b1' },
    );
    expect(screen.text).toContain('There is no such batch.');
  });
});

describe('a test’s final count', () => {
  const test = aBatch(parcel('leek', 14, 20, { seeds: 25 }), { purpose: 'test', replicates: [13, 12], lastLookId: 'l9' });
  const open = (answers: Record<string, unknown> = {}) => show(FinalCount, { 'POST batches/b1/looks': test, ...answers }, { batch: test });
  const write = async (screen: Screen<FinalCount>, ...rows: readonly (readonly string[])[]): Promise<void> => {
    const fields = screen.all<HTMLInputElement>('tbody input');
    rows.flat().forEach((value, at) => {
      const field = fields[at];
      if (!field) return fail(`no field ${at}`);
      field.value = value;
      field.dispatchEvent(new Event('input'));
    });
    await screen.fixture.whenStable();
  };

  it('is taken only when every seed of every towel is sorted', async () => {
    const screen = await open();
    await write(screen, ['9', '1', '', '1', '2'], ['10', '', '', '', '']);
    await screen.click(/count/i);
    expect(screen.find('[role=alert]')?.textContent).toBe('Towel 2: 2 of its seeds are not sorted yet.');
    await write(screen, ['9', '1', '', '1', '2'], ['10', '', '', '', '4']);
    await screen.click(/count/i);
    expect(screen.find('[role=alert]')?.textContent).toBe('Towel 2: 2 more are sorted than it has seeds.');
    await write(screen, ['9', '1', '', '1', '2.5'], ['10', '', '', '', '2']);
    await screen.click(/count/i);
    expect(screen.find('[role=alert]')?.textContent).toBe('Every class is a whole number of seeds, or empty for none.');
    expect(screen.sent('POST', 'batches/b1/looks')).toBeUndefined();
  });

  it('is a look with its classes: what came up, and what is dead', async () => {
    const screen = await open();
    await write(screen, ['9', '1', '', '1', '2'], ['10', '', '', '', '2']);
    await screen.click(/count/i);
    expect(screen.sent('POST', 'batches/b1/looks')?.body).toEqual(
      jasmine.objectContaining({
        via: 'opened',
        seen: { tipped: 20, rotten: 4, basedOn: 'l9' },
        classes: [
          { normal: 9, abnormal: 1, hard: 0, fresh: 1, dead: 2 },
          { normal: 10, abnormal: 0, hard: 0, fresh: 0, dead: 2 },
        ],
      }),
    );
  });
});

describe('parts of a lot', () => {
  const answers = { 'GET spots': [aSpot(), aSpot({ id: 's2', name: 'Fridge top' })], 'GET packets/p1': aPacket() };

  it('lays some apart another way and elsewhere, and no more than are quiet', async () => {
    const batch = aBatch();
    const screen = await show(Parts, { ...answers, 'POST batches/b1/splits': aBatch(parcel('tomato', 4, 25), { number: 12 }) }, { batch });
    const said: string[] = [];
    screen.fixture.componentInstance.said.subscribe((one: string) => said.push(one));
    // What they are to be given is said before it is done, and it is what is written down.
    expect(screen.text).toContain('Wet the new towel with 7 ml: 9 sprays, or about 1.5 teaspoons.');
    await screen.press(/^Which way they go on: /);
    await screen.clickAbove(/^in water/);
    expect(screen.text).toContain('Pour in 15 ml, hand-warm.');
    await screen.press(/^Which way they go on: /);
    await screen.clickAbove(/^in a pot/);
    expect(screen.text).toContain('Damp it first, with about 80 ml.');
    await screen.press(/^Where they stand: /);
    await screen.clickAbove(/^Fridge top/);
    await screen.click('Lay them apart');
    const body = screen.sent('POST', 'batches/b1/splits')?.body;
    expect(body).toEqual(jasmine.objectContaining({ seeds: 1, method: 'pot', towel: null, doseMl: 80 }));
    expect(body?.['holder']).toEqual(jasmine.objectContaining({ kind: 'tray', spotId: 's2' }));
    expect(said).toEqual(['Laid apart as 12: write its label.']);
  });

  it('says the server’s refusal where it was asked for', async () => {
    const refusal = problem(422, 'seeds must be at most 2: so many are still quiet', [
      { field: 'seeds', message: 'seeds must be at most 2' },
    ]);
    const screen = await show(Parts, { ...answers, 'POST batches/b1/splits': refusal }, { batch: aBatch() });
    await screen.click('Lay them apart');
    expect(screen.find('[role=alert]')?.textContent).toContain('must be at most 2');
  });
});
