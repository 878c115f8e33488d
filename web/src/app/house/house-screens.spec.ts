import { MatSelectHarness } from '@angular/material/select/testing';
import { ABOUT, aSpot, problem, show } from '../testing/house';
import { Spots } from './spots';
import { WaysForm } from './ways-form';


describe('warm spots', () => {
  const spots = [aSpot(), aSpot({ id: 's2', name: 'Mat', kind: 'mat', inWords: '27.1 °C, steady' })];
  const open = (answers: Record<string, unknown> = {}) => show(Spots, { 'GET spots': spots, ...answers });

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
    expect(await screen.errors()).toContain('name must be new');
  });

  it('are put earlier in the walk', async () => {
    const screen = await open({ 'PUT spots/order': [...spots].reverse() });
    await screen.click('earlier');
    expect(screen.sent('PUT', 'spots/order')?.body['spotIds']).toEqual(['s2', 's1']);
  });
});

describe('how it is done here', () => {
  it('shows the ways that hold, refuses what is no number, and saves shares from per cent', async () => {
    const screen = await show(WaysForm, { 'PUT household/ways': ABOUT });
    await screen.type(/Let a root pass/, 'often');
    await screen.click('Save how it is done here');
    expect((await screen.errors()).length).toBe(1);
    expect(screen.sent('PUT', 'household/ways')).toBeUndefined();
    await screen.type(/Let a root pass/, '2,5');
    await screen.click('Save how it is done here');
    const body = screen.sent('PUT', 'household/ways')?.body;
    expect(body?.['lateTolerance']).toBeCloseTo(0.025, 9);
    expect(body).toEqual(jasmine.objectContaining({ rootSchool: 'crop', unopenedFirst: false, sureness: 0.9 }));
  });
});
