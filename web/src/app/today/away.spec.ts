import { parcel } from '@fresh-tuck/core/testing';
import type { AwayView } from '@fresh-tuck/contract';
import { aBatch, ABOUT, problem, show } from '../testing/house';
import { AwayPanel } from './away';

const VIEW: AwayView = {
  ...{ fromMs: ABOUT.nowMs, toMs: ABOUT.nowMs + 1, lead: '3 days away: see to 7 before leaving', rest: '2 others need nothing.' },
  later: [
    { sittingId: 'x', text: 'Saturday evening: melon would be late.', label: 'Begin it on Wed 15 Apr', at: '2026-04-15T18:00', was: null },
  ],
  parcels: [
    {
      ...{ id: 'b7', number: 7, title: 'Okra, Quay', holderId: 'h7', bagMates: [], spotName: 'Mat', carrier: 'towel', late: 0.7 },
      ...{ state: aBatch(parcel('okra', 4, 27)).answers.state, texts: ['A root would be in the paper by then: 7 chances in 10.'] },
      remedies: [
        { kind: 'move', text: 'Move the two sprouts.', label: 'Open it now', spotId: null, closure: null },
        { kind: 'cooler', text: 'At Cold porch it waits 3 days longer.', label: 'Carried to Cold porch', spotId: 's2', closure: null },
        { kind: 'water', text: 'Give it its water on leaving.', label: 'Watered and sealed', spotId: null, closure: 'sealed_air' },
      ],
    },
  ],
};

describe('away for some days', () => {
  it('asks only when somebody wants to know, each remedy is one tap, and those days are planned out', async () => {
    const screen = await show(AwayPanel, {
      'GET household/away': VIEW,
      'PUT sittings/x/day': {},
      'POST holders/h7/undos': {},
      'POST holders/h7/place': {},
      'POST holders/h7/closure': {},
      'POST batches/b7/looks': {},
      'POST household/absences': ABOUT,
    });
    expect(screen.asked.some(({ path }) => path === 'household/away')).toBeFalse();
    await screen.click('Away for some days?');
    await screen.settle(400);
    expect(screen.sent('GET', 'household/away')?.query).toEqual({ leaving: '2026-04-12T09:00', back: '2026-04-15T18:00' });
    expect(screen.find('h2')?.textContent).toBe(VIEW.lead);
    expect(screen.text).toContain('Saturday evening: melon would be late.');
    await screen.click('Begin it on Wed 15 Apr');
    expect(screen.sent('PUT', 'sittings/x/day')?.body['at']).toBe('2026-04-15T18:00');
    await screen.clickAbove('Undo');
    expect(screen.asked.filter(({ path }) => path === 'sittings/x/day').map(({ body }) => body['at'] as string | null)).toEqual([
      '2026-04-15T18:00',
      null,
    ]);
    await screen.click('Carried to Cold porch');
    const placed = screen.sent('POST', 'holders/h7/place')?.body;
    expect(placed?.['spotId']).toBe('s2');
    const bars = (): string[] => [...document.querySelectorAll('mat-snack-bar-container')].map(({ textContent }) => textContent);
    await screen.until(() => bars().length === 1 && (bars()[0] ?? '').includes('7: carried to cold porch.'));
    await screen.clickAbove('Undo');
    await screen.until(() => screen.sent('POST', 'holders/h7/undos') !== undefined);
    expect(screen.sent('POST', 'holders/h7/undos')?.body['recordId']).toBe(placed?.['id']);
    await screen.click('Watered and sealed');
    await screen.until(() => screen.sent('POST', 'holders/h7/closure') !== undefined);
    expect(screen.sent('POST', 'batches/b7/looks')?.body).toEqual(jasmine.objectContaining({ rewetted: true, seen: null }));
    expect(screen.sent('POST', 'holders/h7/closure')?.body['closure']).toBe('sealed_air');
    await screen.click('Plan no looks then');
    expect(screen.sent('POST', 'household/absences')?.body).toEqual(
      jasmine.objectContaining({ leaving: '2026-04-12T09:00', back: '2026-04-15T18:00' }),
    );
    await screen.click('Open it now');
    expect(screen.url).toBe('/open/b7');
  });

  it('shows what is planned with its way back, and a refusal in its sentence', async () => {
    const household = { ...ABOUT.household, away: [{ id: 'a1', fromMs: ABOUT.nowMs + 86_400_000, toMs: ABOUT.nowMs + 3 * 86_400_000 }] };
    const screen = await show(AwayPanel, {
      'GET about': { ...ABOUT, household },
      'GET household/away': problem(422, 'back must lie after the day of leaving'),
      'POST household/absences/undos': ABOUT,
    });
    expect(screen.text).toContain('Away Sun 12 Apr, 07:10 to Tue 14 Apr, 07:10: no look is planned then.');
    await screen.click('What to do before');
    await screen.settle(400);
    expect(screen.find('[role=alert]')?.textContent).toMatch(/must lie after the day of leaving/);
    await screen.click(/^Not away after all/);
    expect(screen.sent('POST', 'household/absences/undos')?.body['recordId']).toBe('a1');
  });
});
