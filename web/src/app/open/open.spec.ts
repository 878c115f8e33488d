import { look, parcel } from '@fresh-tuck/core/testing';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { aBatch, problem, show, type Screen } from '../testing/house';
import { OpenScreen } from './open';

const looks = [look(48, { tipped: 0, damp: 'damp' }), look(24, { tipped: 1, marks: [{ seed: 3, stage: 'tip', rootMm: null }] })];
/** Okra on its fourth day: one tip a day ago, seven seeds quiet. */
const okra = aBatch(parcel('okra', 4, 27, { looks }), { lastLookId: 'l2', number: 21 });

async function open(answers: Record<string, unknown> = {}, inputs: Record<string, unknown> = {}): Promise<Screen<OpenScreen>> {
  sessionStorage.clear();
  const screen = await show(
    OpenScreen,
    { 'GET batches/b1': okra, 'GET people': ['Ada', 'Bo'], 'GET beds': [], 'POST batches/b1/looks': okra, ...answers },
    { batchId: 'b1', ...inputs },
  );
  await screen.settle();
  return screen;
}
/** The look as it was sent, once the outbox has it. */
const sent = async (screen: Screen<OpenScreen>): Promise<Record<string, unknown>> => {
  await screen.until(() => screen.sent('POST', 'batches/b1/looks') !== undefined);
  return screen.sent('POST', 'batches/b1/looks')?.body ?? {};
};
const keys = async (screen: Screen<OpenScreen>, ...pressed: readonly KeyboardEventInit[]): Promise<void> => {
  for (const key of pressed) document.body.dispatchEvent(new KeyboardEvent('keydown', { bubbles: true, cancelable: true, ...key }));
  await screen.settle();
};

describe('opening a parcel', () => {
  it('shows what lies there, and answers a touch at once with what it means', async () => {
    const screen = await open();
    expect(screen.find('h1')?.textContent?.replace(/\s+/g, ' ').trim()).toBe('21 · Okra, Quay');
    expect(screen.all('.place').length).toBe(8);
    const before = screen.find('.going p')?.textContent;
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Nothing new');
    for (const seed of [1, 2, 4, 5]) await screen.press(new RegExp(`^Seed ${seed},`));
    await screen.settle();
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Save this look');
    expect(screen.find('.going p')?.textContent).not.toBe(before);
    expect(screen.find('output')?.getAttribute('aria-label')).toBe('4 new tips');
  });

  it('asks how one looked before anything is sent', async () => {
    const screen = await open();
    await screen.click('Nothing new');
    expect(screen.find('[role=alert]')?.textContent).toBe('Say how you looked: opened, or through the bag.');
    expect(screen.sent('POST', 'batches/b1/looks')).toBeUndefined();
  });

  it('says with one tap that nothing is new, on the totals of the look before', async () => {
    const screen = await open();
    await screen.click('opened');
    await screen.click('Nothing new');
    expect(await sent(screen)).toEqual(
      jasmine.objectContaining({
        via: 'opened',
        seen: { tipped: 1, rotten: 0, lost: 0, basedOn: 'l2' },
        marks: [],
        damp: null,
        supersedes: null,
      }),
    );
  });

  it('sends counted tips, damp, trouble, who and a note as they were said', async () => {
    const screen = await open();
    await screen.click('through the bag');
    await screen.press('One tip more');
    await screen.press('One tip more');
    await screen.press('One tip fewer');
    await screen.click('drying');
    await screen.click('I re-damped it');
    await screen.click('Something wrong?');
    await screen.click('fuzz');
    await screen.click(/^Who, note, picture/);
    const [who, note] = screen.all<HTMLInputElement>('.more input[list], .more textarea');
    if (!who || !note) return fail('no fields');
    who.value = ' Bo ';
    who.dispatchEvent(new Event('change'));
    note.value = 'smells fine';
    note.dispatchEvent(new Event('input'));
    await screen.fixture.whenStable();
    await screen.click('Save this look');
    expect(await sent(screen)).toEqual(
      jasmine.objectContaining({
        via: 'through',
        seen: { tipped: 2, rotten: 0, lost: 0, basedOn: 'l2' },
        damp: 'drying',
        rewetted: true,
        troubles: ['fuzz'],
        who: 'Bo',
        note: 'smells fine',
      }),
    );
  });

  it('never counts more tips than there are quiet seeds', async () => {
    const screen = await open();
    for (let nth = 0; nth < 9; nth++) await screen.press('One tip more');
    expect(screen.find('output')?.textContent).toBe('7');
    expect(screen.find<HTMLButtonElement>('[aria-label="One tip more"]')?.disabled).toBeTrue();
  });

  it('takes back what was touched, step by step', async () => {
    const screen = await open();
    await screen.press(/^Seed 1,/);
    await screen.press(/^Seed 1,/);
    expect(screen.find('[aria-label^="Seed 1,"]')?.getAttribute('aria-label')).toMatch(/root/);
    await screen.click(/^Undo/);
    expect(screen.find('[aria-label^="Seed 1,"]')?.getAttribute('aria-label')).toMatch(/tip/);
    await screen.click(/^Undo/);
    expect(screen.find('[aria-label^="Seed 1,"]')?.getAttribute('aria-label')).toMatch(/quiet/);
    expect(screen.find<HTMLButtonElement>('.acts button')?.disabled).toBeTrue();
  });

  it('is done by keys alone, and keys in a field are letters', async () => {
    const screen = await open();
    await keys(screen, { key: 'o' }, { key: '+' }, { key: '+' }, { key: '-' }, { key: 'd' }, { key: 'd' });
    expect(screen.pressed).toEqual(['opened', 'drying']);
    await keys(screen, { key: 'n' });
    expect(screen.pressed).toEqual(['opened', 'nothing new', 'drying']);
    await keys(screen, { key: 'u' });
    await screen.click(/^Who, note, picture/);
    screen.find<HTMLTextAreaElement>('textarea')?.dispatchEvent(new KeyboardEvent('keydown', { key: 'n', bubbles: true }));
    await screen.settle();
    expect(screen.pressed).toEqual(['opened', 'drying']);
    await keys(screen, { key: 'Enter', ctrlKey: true });
    expect(await sent(screen)).toEqual(
      jasmine.objectContaining({ seen: { tipped: 2, rotten: 0, lost: 0, basedOn: 'l2' }, damp: 'drying' }),
    );
  });

  it('is skipped without saying that anything was seen', async () => {
    const screen = await open();
    await screen.press(/^Seed 1,/);
    await screen.click(/^Skip/);
    expect(await sent(screen)).toEqual(jasmine.objectContaining({ via: 'skipped', seen: null, marks: [], damp: null }));
  });

  it('corrects the last look: as it was said, and in its place', async () => {
    const screen = await open({}, { correct: 'l2' });
    expect(screen.text).toContain('Correct a look');
    expect(screen.find('[aria-label^="Seed 3,"]')?.getAttribute('aria-label')).toMatch(/tip/);
    await screen.press(/^Seed 5,/);
    await screen.click('Save the correction');
    expect(await sent(screen)).toEqual(
      jasmine.objectContaining({ supersedes: 'l2', seen: { tipped: 2, rotten: 0, lost: 0, basedOn: null }, via: 'opened' }),
    );
  });

  it('keeps what was touched where the server refuses it, and says why', async () => {
    const screen = await open({ 'POST batches/b1/looks': problem(422, 'seen.tipped must not fall below 3: so many were moved') });
    await screen.click('opened');
    await screen.press(/^Seed 1,/);
    await screen.click('Save this look');
    await screen.until(() => screen.find('[role=alert]')?.textContent !== '');
    expect(screen.find('[role=alert]')?.textContent).toBe('seen.tipped must not fall below 3: so many were moved');
    expect(screen.find('[aria-label^="Seed 1,"]')?.getAttribute('aria-label')).toMatch(/tip/);
    expect(screen.find<HTMLButtonElement>('button.do')?.disabled).toBeFalse();
  });

  it('says that a parcel is not there', async () => {
    const screen = await open({ 'GET batches/b1': problem(404, 'There is no such batch.') });
    expect(screen.find('h1')?.textContent).toBe('This parcel cannot be opened');
    expect(screen.text).toContain('There is no such batch.');
  });

  it('warns of dressed seed and says who shares the bag', async () => {
    const dressed: BatchWithJournal = { ...okra, dressed: true, bagMates: [25, 26] };
    const screen = await open({ 'GET batches/b1': dressed });
    expect(screen.text).toContain('Dressed seed: gloves, nothing near food, wash your hands.');
    expect(screen.text).toContain('In one bag with 25 and 26.');
  });
});

describe('moving sprouts', () => {
  const rooted = aBatch(
    parcel('okra', 5, 27, {
      looks: [
        look(30, { tipped: 2 }),
        look(1, {
          tipped: 4,
          marks: [
            { seed: 1, stage: 'root', rootMm: 14 },
            { seed: 2, stage: 'root', rootMm: 9 },
            { seed: 3, stage: 'tip', rootMm: 1 },
          ],
        }),
      ],
    }),
    { lastLookId: 'l3', number: 21 },
  );
  const cup = (number: number, seed: number | null) => ({ number, seed });
  /** Saved, and so asked for the sprouts. */
  async function moving(answers: Record<string, unknown> = {}): Promise<Screen<OpenScreen>> {
    const screen = await open({ 'GET batches/b1': rooted, 'POST batches/b1/looks': rooted, ...answers });
    await screen.click('opened');
    await screen.click('Nothing new');
    await screen.until(() => screen.find('#moving') !== null);
    return screen;
  }
  const moved = async (screen: Screen<OpenScreen>): Promise<Record<string, unknown>> => {
    await screen.until(() => screen.find('.labels') !== null);
    return screen.sent('POST', 'batches/b1/moves')?.body ?? {};
  };

  it('follows a look that found some ready: the longest first, those that are ready chosen', async () => {
    const screen = await moving();
    expect(screen.find('#moving')?.textContent).toMatch(/Move to where they grow|Rescue them/);
    expect(
      screen
        .all('fieldset button')
        .map((one) => one.textContent?.match(/seed \d/)?.[0])
        .filter(Boolean),
    ).toEqual(['seed 1', 'seed 2', 'seed 3']);
    expect(screen.pressed.map((text) => text.slice(0, 6))).toEqual(['seed 1', 'seed 2']);
    await screen.click(/^Moved \d sprouts$/);
    expect(screen.find('[role=alert]')?.textContent).toBe('Say where they go: a cup, a cell, a pot …');
  });

  it('says how they go in, and gives each its number', async () => {
    const screen = await moving({ 'POST batches/b1/moves': { ...rooted, cups: [cup(40, 1), cup(41, null)] } });
    await screen.click('cup');
    expect(screen.text).toMatch(/Damp seed mix, about \d+ ml/);
    await screen.click(/^seed 2/);
    await screen.click(/^Moved \d sprouts?$/);
    expect(await moved(screen)).toEqual(jasmine.objectContaining({ seeds: [1], destination: 'cup', bedId: null, quietPlanted: 0 }));
    expect(screen.find('h2#moving')?.textContent).toBe('Write these labels');
    expect(screen.all('.labels li').map((one) => one.textContent?.replace(/\s+/g, ' ').trim())).toEqual([
      '40Okra, Quayseed 1 of 21',
      '41Okra, Quayfrom 21',
    ]);
    expect(screen.text).toContain('never for eating');
  });

  it('counts how rooted ones came out, and no more than are moved', async () => {
    const screen = await moving({ 'POST batches/b1/moves': rooted });
    await screen.click('pot');
    if (!screen.find('.rooted')) await screen.click('Some had rooted into the paper');
    for (let nth = 0; nth < 5; nth++) await screen.press(/^One more .*snap/i);
    const total = Number(/^Moved (\d)/.exec(screen.find('button.do')?.textContent?.trim() ?? '')?.[1]);
    await screen.click(/^Moved/);
    expect(((await moved(screen))['rooted'] as { snapped: number }).snapped).toBe(total);
  });

  it('goes to a bed only when its name and its soil are known', async () => {
    const bed = { id: 'bed1', name: 'Wall bed', widthM: 1, lengthM: 2, madeYear: 2025, soil: null };
    const screen = await moving({
      'GET beds': [bed],
      'POST beds/bed1/soil': [{ ...bed, soil: { celsius: 9, source: 'soil', ageDays: 0 } }],
      'POST batches/b1/moves': rooted,
    });
    await screen.click('bed');
    await screen.click(/^Moved/);
    expect(screen.all('[role=alert]').some((one) => one.textContent === 'Say which bed.')).toBeTrue();
    await screen.click('Wall bed');
    expect(screen.text).toContain('say what the bed has');
    await screen.click('In the soil');
    expect(await screen.errors()).toEqual(['A temperature like 12, 12.5 C or 54F.']);
    await screen.type('Its soil now', '54F');
    await screen.click('In the soil');
    expect(screen.sent('POST', 'beds/bed1/soil')?.body).toEqual(jasmine.objectContaining({ day: '2026-04-11', source: 'soil' }));
    await screen.click(/^Moved/);
    expect(await moved(screen)).toEqual(jasmine.objectContaining({ destination: 'bed', bedId: 'bed1' }));
  });

  it('adds a bed by its measures, with either comma, and says what a field would take', async () => {
    const screen = await moving({ 'POST beds': [] });
    await screen.click('bed');
    await screen.click('Another bed');
    await screen.type('Wide, m', 'broad');
    await screen.click('Add this bed');
    expect(await screen.errors()).toEqual(['A name.', 'A length like 1.2 or 0,8.', 'A length like 1.2 or 0,8.']);
    await screen.type('What it is called', 'Wall bed');
    await screen.type('Wide, m', '0,8');
    await screen.type('Long, m', '2.4');
    await screen.click('Add this bed');
    expect(screen.sent('POST', 'beds')?.body).toEqual(
      jasmine.objectContaining({ name: 'Wall bed', widthM: 0.8, lengthM: 2.4, madeYear: null }),
    );
  });
});
