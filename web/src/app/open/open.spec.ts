import { look, parcel } from '@fresh-tuck/core/testing';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { aBatch, problem, type Screen } from '../testing/house';
import { okra, open, sent } from '../testing/opened';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { OpenScreen } from './open';

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
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Nothing else new: move them');
    for (const seed of [1, 2, 4, 5]) await screen.press(new RegExp(`^Seed ${seed},`));
    await screen.settle();
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Save, and move what is ready');
    expect(screen.find('.going p')?.textContent).not.toBe(before);
    expect(screen.find('output')?.getAttribute('aria-label')).toBe('4 new tips');
  });

  it('asks how one looked before anything is sent', async () => {
    const screen = await open();
    await screen.click(/^Nothing /);
    expect(screen.find('[role=alert]')?.textContent).toBe('Say how you looked: opened, or through the bag.');
    expect(screen.sent('POST', 'batches/b1/looks')).toBeUndefined();
  });

  it('takes a look of an earlier time, which sees the parcel as it was then', async () => {
    const screen = await open();
    const shown = screen.text;
    await screen.press(/^When it was looked at/);
    await screen.clickAbove(/^yesterday evening/);
    await screen.click('opened');
    await screen.click(/^Nothing|^nothing new/);
    await screen.click(/^Save|^Nothing/);
    const body = await sent(screen);
    expect(body).toEqual(jasmine.objectContaining({ at: '2026-04-10T18:30', via: 'opened' }));
    expect(shown).toContain('You look');
  });

  it('stores damp alone as damp alone, and says so before', async () => {
    const screen = await open();
    await screen.click('opened');
    await screen.click('damp');
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Save the damp only');
    expect(screen.text).toContain('The seeds count as not looked at. You did look? Tap “nothing new”.');
    await screen.click('nothing new');
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Save, and move what is ready');
    await screen.click('nothing new');
    await screen.click('Save the damp only');
    expect(await sent(screen)).toEqual(jasmine.objectContaining({ seen: null, damp: 'damp' }));
  });

  it('does what an advice offers once the look that it rests on is stored', async () => {
    const thin = aBatch(parcel('okra', 4, 27, { wanted: 8, packetLeft: 30, looks: [look(1, { tipped: 0, rotten: 5, damp: 'damp' })] }), {
      lastLookId: 'l2',
      packetId: 'p9',
    });
    const screen = await open({ 'GET batches/b1': thin, 'POST batches/b1/looks': thin });
    await screen.settle();
    const went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await screen.click('opened');
    await screen.click(/^Start \d+ more$/);
    expect(await sent(screen)).toEqual(jasmine.objectContaining({ via: 'opened' }));
    await screen.until(() => went.calls.count() > 0);
    expect(went.calls.mostRecent().args).toEqual([['/tuck'], { queryParams: { packet: 'p9', seeds: jasmine.any(Number) } }]);
  });

  it('says of a hot place before all else that the bag comes off it', async () => {
    const hot = parcel('okra', 4, 46);
    const screen = await open({ 'GET batches/b1': aBatch(hot) });
    expect(screen.find('.deadly')?.textContent).toContain('Off the heat first');
    expect(screen.find('ft-advice h3')?.textContent).toBe('Off the heat now');
  });

  it('counts the tips of each towel of a test for itself, and moves what lives of a counted one', async () => {
    const facts = parcel('onion', 5, 21, {
      seeds: 10,
      wanted: null,
      test: { finalMs: parcel('onion', 5, 21).startMs + 12 * 86_400_000, result: null },
    });
    const test = aBatch(facts, { purpose: 'test', replicates: [5, 5] });
    const screen = await open({ 'GET batches/b1': test, 'POST batches/b1/looks': test });
    await screen.click('opened');
    for (let nth = 0; nth < 2; nth++) await screen.press(/^One tip more on towel 2/);
    await screen.press(/^One tip more on towel 1/);
    await screen.press(/^One tip fewer on towel 2/);
    await screen.click(/^Save/);
    const { seen, marks } = (await sent(screen)) as { seen: { tipped: number }; marks: { seed: number }[] };
    expect([seen.tipped, marks.map(({ seed }) => seed)]).toEqual([2, [6, 1]]);
  });

  it('says with one tap that nothing is new, on the totals of the look before', async () => {
    const screen = await open();
    await screen.click('opened');
    await screen.click(/^Nothing /);
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
    await screen.click(/^Save/);
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
    await screen.click(/^Save/);
    await screen.until(() => screen.find('[role=alert]')?.textContent !== '');
    expect(screen.find('[role=alert]')?.textContent).toBe('The number showing a tip must not fall below 3: so many were moved.');
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
