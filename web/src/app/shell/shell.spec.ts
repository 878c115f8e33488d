import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { ABOUT, problem, show, type Screen } from '../testing/house';
import { Outbox } from '../data/transport/outbox.service';
import { DemoBar } from './demo-bar';
import { More } from './more';
import { Shell } from './shell';
import { StandingNotes } from './standing-notes';

const HOUR_MS = 3_600_000;

describe('the frame', () => {
  const open = (answers: Record<string, unknown> = {}): Promise<Screen<Shell>> => show(Shell, answers);
  const go = async (screen: Screen<Shell>, path: string): Promise<void> => {
    await TestBed.inject(Router).navigateByUrl(path);
    await screen.fixture.whenStable();
  };

  it('leads to every room, the household by its name, and leaves rounds the whole page', async () => {
    const screen = await open();
    expect(screen.all('header nav a').map((one) => one.textContent?.trim())).toEqual(
      jasmine.arrayContaining(['Today', 'Seeds', 'Nursery', 'Notebook', 'Test house']),
    );
    for (const path of ['/open/b1', '/tuck?packet=p1', '/welcome', '/packet/p1/test']) {
      await go(screen, path);
      expect(screen.find('header')).withContext(path).toBeNull();
    }
    await go(screen, '/packet/p1');
    expect(screen.find('header')).not.toBeNull();
  });

  it('shows no rooms before there is a household', async () => {
    const screen = await open({ 'GET about': { ...ABOUT, household: null } });
    expect(screen.find('header')).toBeNull();
  });

  it('opens the find box with its key, and not while somebody types', async () => {
    const screen = await open({ 'GET find': [] });
    const slash = (target: Element): void => {
      target.dispatchEvent(new KeyboardEvent('keydown', { key: '/', bubbles: true, cancelable: true }));
    };
    const field = document.createElement('input');
    (screen.fixture.nativeElement as HTMLElement).append(field);
    slash(field);
    await screen.settle(100);
    expect(document.querySelector('ft-find')).toBeNull();
    field.remove();
    slash(document.body);
    await screen.settle(300);
    expect(document.querySelector('ft-find')).not.toBeNull();
    document.querySelectorAll('.cdk-overlay-container > *').forEach((one) => one.remove());
  });

  it('says what waits in this browser and what the server would not take, once each', async () => {
    const screen = await open({ 'PUT looks/x': problem(503, 'busy') });
    const outbox = TestBed.inject(Outbox);
    const sent = await outbox.send({ id: crypto.randomUUID(), method: 'PUT', path: 'looks/x', body: {}, what: 'the look at 12' });
    await screen.settle();
    expect(sent.kind).toBe('waiting');
    expect(screen.find('.waits')?.textContent).toContain('Kept in this browser and sent when it does: the look at 12.');
    expect(screen.all('ft-standing-notes').length).toBe(1);
    for (const { id } of outbox.waiting()) await outbox.forget(id);
  });
});

describe('what must be settled', () => {
  it('says nothing where nothing is wrong', async () => {
    expect((await show(StandingNotes, {})).text).toBe('');
  });

  it('tells of records ahead of the clock with both times, until somebody says that it is right', async () => {
    const screen = await show(StandingNotes, {
      'GET about': { ...ABOUT, aheadMs: ABOUT.nowMs + 50 * HOUR_MS },
      'POST clock/settlements': ABOUT,
    });
    expect(screen.text).toContain('This machine says Sat 11 Apr, 07:10, but something was written here for Mon 13 Apr, 09:10.');
    await screen.click('The clock is right now');
    expect(screen.text).toBe('');
  });

  it('says what is wrong with the file, and why a settlement was refused', async () => {
    const screen = await show(StandingNotes, {
      'GET about': { ...ABOUT, aheadMs: ABOUT.nowMs + HOUR_MS, trouble: 'A page of it cannot be read.' },
      'POST clock/settlements': problem(409, 'Somebody settled it already.'),
    });
    expect(screen.text).toContain('The household’s file is damaged. A page of it cannot be read.');
    await screen.click('The clock is right now');
    expect(screen.text).toContain('Somebody settled it already.');
  });
});

describe('the demo’s bar', () => {
  it('tells the demo’s own time and goes half a day on, once a touch', async () => {
    const screen = await show(DemoBar, { 'GET about': { ...ABOUT, demo: true }, 'POST demo/step': { nowMs: ABOUT.nowMs } });
    expect(screen.text).toContain('Its clock says Sat 11 Apr, 07:10.');
    await screen.click('Half a day on');
    expect(screen.asked.filter(({ path }) => path === 'demo/step').length).toBe(1);
    expect(screen.all<HTMLButtonElement>('button').every(({ disabled }) => !disabled)).toBeTrue();
  });
});

describe('more, on a phone', () => {
  it('leads to what the foot has no place for', async () => {
    const screen = await show(More, {});
    expect(screen.find('h1')?.textContent).toBe('More of Test house');
    expect(screen.all('a').map((one) => one.getAttribute('href'))).toEqual([
      '/scan',
      '/sitting',
      '/nursery',
      '/season',
      '/notebook',
      '/house',
    ]);
  });
});
