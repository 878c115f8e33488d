import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { MatSelectHarness } from '@angular/material/select/testing';
import type { Copy } from '@fresh-tuck/contract';
import { FirstRun } from '../first-run/first-run';
import { ABOUT, aSpot, choose, problem, show } from '../testing/house';
import { CopiesList } from './copies';
import { SettingsForm } from './settings-form';
import { Spots } from './spots';
import { WaysForm } from './ways-form';

describe('warm spots', () => {
  const spots = [aSpot(), aSpot({ id: 's2', name: 'Mat', kind: 'mat', inWords: '27.1 °C, steady' })];
  const open = (answers: Record<string, unknown> = {}) =>
    show(Spots, { 'GET spots': spots, 'GET spots/away': [], 'GET spots/s1/readings': [], ...answers });

  it('stand in walking order, each with its warmth in the server’s words and the caution of its kind', async () => {
    const screen = await open();
    expect(screen.text.indexOf('Hall cupboard')).toBeLessThan(screen.text.indexOf('Mat'));
    expect(screen.text).toContain('about 22.5 °C, a guess');
    expect(screen.text).toContain('27.1 °C, steady');
    expect(screen.text).toContain('outlet with RCD (GFCI)');
  });

  it('take a place with its kind, and put the server’s refusal at its field', async () => {
    const screen = await open({ 'POST spots': problem(422, 'name must be new', [{ field: 'name', message: 'name must be new' }]) });
    await screen.click('Add this spot');
    expect((await screen.errors()).length).toBeGreaterThan(0);
    await screen.type('Name of a warm spot', 'Pantry');
    const kind = await screen.loader.getHarness(MatSelectHarness);
    await kind.open();
    await kind.clickOptions({ text: /^Room/ });
    await screen.click('Add this spot');
    expect(screen.sent('POST', 'spots')?.body).toEqual(jasmine.objectContaining({ name: 'Pantry', kind: 'room' }));
    expect(await screen.errors()).toContain('The name must be new.');
  });

  it('ask an extreme back once before it is kept', async () => {
    const screen = await open({ 'POST spots/s1/readings': [aSpot()] });
    await screen.press(/^Type what the thermometer at Hall cupboard/);
    await screen.type('Lowest', '30');
    await screen.type('Highest', '45');
    await screen.click('Save the reading');
    expect(screen.sent('POST', 'spots/s1/readings')).toBeUndefined();
    expect(screen.text).toContain('45 °C? Most wet seed dies there.');
    await screen.click('Yes, save it');
    expect(screen.sent('POST', 'spots/s1/readings')?.body).toEqual(jasmine.objectContaining({ minC: 30, maxC: 45 }));
  });

  it('are renamed on the version that was seen, put away, and their readings taken out', async () => {
    const screen = await open({
      'PUT spots/s1': problem(409, 'Somebody changed this warm spot meanwhile.'),
      'POST spots/s1/away': [],
      'GET spots/s1/readings': [{ id: 'r1', day: '2026-04-10', minC: 20, maxC: 45 }],
      'POST spots/s1/undos': [],
    });
    await screen.press('Change Hall cupboard');
    await screen.type('What it is called', 'Stairs');
    await screen.click('Save it so');
    expect(screen.sent('PUT', 'spots/s1')?.body).toEqual(jasmine.objectContaining({ name: 'Stairs', version: 0 }));
    expect(screen.text).toContain('Somebody changed this warm spot meanwhile.');
    await screen.click('Put it away');
    expect(screen.sent('POST', 'spots/s1/away')).toBeDefined();
    await screen.press(/^Type what the thermometer at Hall cupboard/);
    await screen.click(/^Take it out/);
    expect(screen.sent('POST', 'spots/s1/undos')?.body['recordId']).toBe('r1');
  });

  it('are put earlier in the walk', async () => {
    const screen = await open({ 'PUT spots/order': [...spots].reverse() });
    await screen.click('move up');
    expect(screen.sent('PUT', 'spots/order')?.body['spotIds']).toEqual(['s2', 's1']);
  });
});

describe('how it is done here', () => {
  it('shows the ways that hold, refuses what is no number, and saves shares from per cent', async () => {
    const screen = await show(WaysForm, { 'PUT household/ways': ABOUT });
    await screen.say(/^Accepted risk of missing/, /Accepted risk of missing/, 'often');
    await screen.click('Save how it is done here');
    expect(screen.word('Accepted risk of missing')?.classList).toContain('missing');
    expect(screen.sent('PUT', 'household/ways')).toBeUndefined();
    await screen.say(/^Accepted risk of missing/, /Accepted risk of missing/, '2,5');
    await screen.click('Save how it is done here');
    const body = screen.sent('PUT', 'household/ways')?.body;
    expect(body?.['lateTolerance']).toBeCloseTo(0.025, 9);
    expect(body).toEqual(jasmine.objectContaining({ rootSchool: 'crop', unopenedFirst: false, sureness: 0.9 }));
  });
});

describe('the household’s settings', () => {
  it('are read as people write them, and refused at their fields', async () => {
    const screen = await show(SettingsForm, { 'PUT household': ABOUT }, { household: ABOUT.household, button: 'Save the household' });
    await screen.say(/^What the household is called/, 'What the household is called', '');
    await screen.say(/^When somebody can look/, 'When somebody can look', 'in the morning');
    await screen.click('Save the household');
    expect(screen.sent('PUT', 'household')).toBeUndefined();
    for (const word of ['What the household is called', 'When somebody can look'])
      expect(screen.word(word)?.classList).toContain('missing');
    await screen.say(/^What the household is called/, 'What the household is called', 'Net Loft');
    await screen.say(/^When somebody can look/, 'When somebody can look', '6:45; 21:05');
    expect(screen.text).toContain('can look at 06:45 and 21:05');
    await screen.say(/^Water in one spray/, 'Water in one spray of the sprayer', '1,2');
    await screen.click('Save the household');
    expect(screen.sent('PUT', 'household')?.body).toEqual(
      jasmine.objectContaining({ name: 'Net Loft', lookingTimes: ['06:45', '21:05'], millilitresPerSpray: 1.2, zone: 'Europe/Copenhagen' }),
    );
  });

  it('stay as they are typed while the household changes elsewhere', async () => {
    const screen = await show(SettingsForm, {}, { household: ABOUT.household });
    await screen.say(/^What the household is called/, 'What the household is called', 'Net Loft');
    screen.fixture.componentRef.setInput('household', { ...ABOUT.household, name: 'Elsewhere' });
    await screen.fixture.whenStable();
    expect(screen.word('What the household is called')?.textContent).toContain('Net Loft');
  });

  it('ask for the last frost once, and take a guess for what it is', async () => {
    const screen = await show(SettingsForm, { 'PUT household': ABOUT }, { household: ABOUT.household });
    expect(screen.text).toContain('When is the last frost where you are?');
    await screen.press(/^The last frost/);
    await screen.clickAbove(/^inland, or in a cold hollow/);
    expect(screen.sent('PUT', 'household')?.body['frost']).toEqual({ monthDay: '05-12', giveDays: 12, guessed: true });
  });
});

describe('the first run', () => {
  it('is one sentence, guessed from the browser, and one button to the first packet', async () => {
    const screen = await show(FirstRun, { 'GET about': { ...ABOUT, household: null }, 'PUT household': ABOUT });
    expect(screen.find('h1')?.textContent).toBe('Is this you?');
    expect(screen.text).toContain(`in ${Intl.DateTimeFormat().resolvedOptions().timeZone.split('/').at(-1)?.replaceAll('_', ' ')}`);
    expect(screen.text).not.toContain('spray');
    const went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await screen.say(/^What the household is called/, 'What the household is called', 'Net Loft');
    await screen.click('Yes: put the first packet in');
    expect(screen.sent('PUT', 'household')?.body).toEqual(jasmine.objectContaining({ name: 'Net Loft', version: null }));
    expect(went.calls.mostRecent().args[0]).toEqual(['/seeds']);
  });
});

describe('copies of the household', () => {
  const copy = (name: string, more: Partial<Copy> = {}): Copy => ({
    name,
    kind: 'daily',
    madeMs: ABOUT.nowMs - 86_400_000,
    household: 'Test house',
    packets: 1,
    batches: 12,
    looks: 1340,
    seedlings: 60,
    photographs: 0,
    photographsMissing: 0,
    newestMs: ABOUT.nowMs - 90_000_000,
    bytes: 471_000,
    ...more,
  });
  const open = (copies: Copy[], answers: Record<string, unknown> = {}) =>
    show(CopiesList, { 'GET backups': { folder: '/somewhere/backups', copies }, ...answers });

  it('are told by when, why and what is in them, a few at first', async () => {
    const screen = await open(Array.from({ length: 9 }, (_, nth) => copy(`c${nth}`)));
    expect(screen.text).toContain('They lie in /somewhere/backups.');
    expect(screen.all('li').length).toBe(6);
    expect(screen.find('li')?.textContent?.replace(/\s+/g, ' ')).toContain('1 packet · 12 batches · 1,340 looks · 60 seedlings · 471 kB');
    await screen.click('Show all 9 copies');
    expect(screen.all('li').length).toBe(9);
  });

  it('say what putting back means before it is done, of whose household, and what has no picture', async () => {
    const screen = await open([copy('c1', { household: 'Pier 4', photographs: 4, photographsMissing: 2, bytes: 12_300_000 })], {
      'POST backups/c1/restorations': { id: 'r1' },
    });
    expect(screen.text).toContain('4 photographs, 2 of them without their file · 12 MB');
    await screen.press(/^Put the copy of .* back$/);
    expect(screen.text).toContain('It is of another household, “Pier 4”.');
    expect(screen.text).toContain('2 photographs will have no picture unless it lies here already.');
    expect(screen.sent('POST', 'backups/c1/restorations')).toBeUndefined();
    await screen.click('Put this copy back');
    expect(screen.find('[role=status]')?.textContent).toBe('Put back. The present as it was before is the newest copy.');
  });

  it('are made by hand and brought from a file, and a file that is none is refused in a sentence', async () => {
    const screen = await open([], { 'POST backups': {}, 'PUT backups/brought': problem(422, 'This file is no household of ours.') });
    expect(screen.text).toContain('No copy yet');
    await screen.click('Make a copy now');
    expect(screen.find('[role=status]')?.textContent).toBe('The copy is made and was read through.');
    await choose(screen, 'Bring a copy from a file', new File(['Dear diary'], 'diary.sqlite'));
    expect(screen.find('[role=alert]')?.textContent).toBe('This file is no household of ours.');
  });
});
