import type { SpotSheet, WhatIf } from '@fresh-tuck/contract';
import { ABOUT, aSpot, choose, problem, show, type Screen } from '../testing/house';
import { SpotScreen } from './spot';
import { stands, aBoardParcel } from '../shelf/shelf.spec';

const HOUR_MS = 3_600_000;
const NOW = Math.floor(ABOUT.nowMs / HOUR_MS) * HOUR_MS;
const hour = (nth: number, celsius: number) => ({
  fromMs: NOW + nth * HOUR_MS,
  toMs: NOW + (nth + 1) * HOUR_MS,
  minC: celsius - 0.5,
  maxC: celsius + 0.5,
});
const body = {
  ...{ minC: 26, maxC: 28, meanC: 27, on: 0.6, wattHours: 290, matC: 29 },
  ...{ warmUpHours: 1.2, overshootC: 0.8, reaches: true },
};
const SHEET: SpotSheet = {
  ...{
    nowMs: ABOUT.nowMs,
    spot: aSpot({ name: 'Mat', kind: 'mat' }),
    nth: 2,
    light: { daylit: 'dark', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp: null },
    setupMs: null,
    setupId: null,
    body,
    fit: null,
  },
  setup: { ...{ lidded: true, cloths: 0, sun: null, room: null, pricePerKWh: 0.5 }, mat: { watts: 20, setC: 27, bandC: 1, probe: 'fold' } },
  record: [hour(-30, 27), hour(-29, 28), hour(-10, 26), hour(-9, 27)].map((one) => ({ ...one, by: 'probe' })),
  ahead: Array.from({ length: 96 }, (_, nth) => ({ ...hour(nth, 27), errorC: 1 })),
  ...{ events: [], files: [], probes: [], bodyInWords: '27 °C over a day.', lead: 'Mat: 27 °C, steady, too warm for leek', alarm: null },
  parcels: [aBoardParcel(7, 30, { title: 'Leek, Quay' })],
  crops: [
    ...[
      { cropId: 'leek', name: 'Leek', packetId: 'p1', days: 9, comes: 0.6, belongs: false, text: 'Better at Fridge top, 4 days sooner.' },
    ].map((one) => ({
      ...one,
      best: { spotId: 's2', name: 'Fridge top', days: 5, comes: 1 },
    })),
    {
      cropId: 'okra',
      name: 'Okra',
      packetId: 'p2',
      days: 3,
      comes: 1,
      best: null,
      belongs: true,
      text: 'Belongs here: half show in about 3 days here.',
    },
  ],
};
const answer = (lead: string): WhatIf => ({
  ...{ body, hours: SHEET.ahead, text: 'The parcels get 25.4 °C over the next 4 days.' },
  parcels: [7].map((number) => ({
    ...{
      id: 'b7',
      number,
      title: 'Leek, Quay',
      carrier: 'towel' as const,
      state: aBoardParcel(7, 30).state,
      lead,
      tone: 'waiting' as const,
      notes: [],
    },
    before: { stands: stands(30), ribbon: { fromMs: NOW, stepMs: 6 * HOUR_MS, shares: [0, 0.2, 0.3, 0.1] } },
    after: { stands: stands(54), ribbon: { fromMs: NOW, stepMs: 6 * HOUR_MS, shares: [0, 0.1, 0.2, 0.3] } },
  })),
});

describe('a warm spot’s page', () => {
  const open = (more: Record<string, unknown> = {}): Promise<Screen<SpotScreen>> =>
    show(SpotScreen, { 'GET spots/s1/sheet': SHEET, 'POST spots/s1/what-if': answer('a day later'), ...more }, { spotId: 's1' });

  it('leads with who minds, offers the board where it belongs, and tells the gap in its record', async () => {
    const screen = await open();
    expect(screen.find('h1')?.textContent).toContain('too warm for leek');
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Carry 7 to Fridge top');
    expect(screen.text).toContain('second stop of the walk');
    expect(screen.text).toMatch(/No readings Fri 10 Apr, 03:00 to Fri 10 Apr, 21:00\./);
    expect(screen.text).toContain('Belongs here: half show in about 3 days here.');
  });

  it('asks what would be if, keeps nothing till it is said, and then keeps it', async () => {
    const screen = await open({ 'POST spots/s1/setup': SHEET, 'POST spots/s1/events': SHEET });
    await screen.settle(300);
    expect(screen.sent('POST', 'spots/s1/what-if')?.body).toEqual({ setup: null, occurrences: [] });
    await screen.say(/^Thermostat/, 'Set to', '24');
    await screen.settle(300);
    expect((screen.sent('POST', 'spots/s1/what-if')?.body['setup'] as SpotSheet['setup']).mat?.setC).toBe(24);
    expect(screen.text).toContain('a day later');
    expect(screen.sent('POST', 'spots/s1/setup')).toBeUndefined();
    await screen.click('It is set so now');
    expect((screen.sent('POST', 'spots/s1/setup')?.body['setup'] as SpotSheet['setup']).mat?.setC).toBe(24);
    await screen.press(/^What comes over it/);
    await screen.clickAbove(/a power cut of six hours/);
    await screen.settle(300);
    await screen.click('Reckon with it');
    expect(screen.sent('POST', 'spots/s1/events')?.body).toEqual(
      jasmine.objectContaining({ kind: 'power_cut', begins: '2026-04-11T07:10', ends: '2026-04-11T13:10', byC: null }),
    );
  });

  it('takes 90 °C for a slip, at the word and in the form', async () => {
    const screen = await open();
    await screen.settle(300);
    await screen.type('Thermostat set to', '90');
    await screen.click('It is set up so');
    expect(await screen.errors()).toContain('From 5 to 45 °C, like 27 or 80F, or empty.');
    expect(screen.sent('POST', 'spots/s1/setup')).toBeUndefined();
  });

  it('reads a logger’s file beside the page, shows what it is before it comes in, and brings it in whole', async () => {
    const lines = Array.from({ length: 600 }, (_, nth) => {
      const at = new Date(NOW - (600 - nth) * 600_000);
      return `${at.toISOString().slice(0, 10)} ${at.toISOString().slice(11, 16)};${(20 + (nth % 9) / 2).toFixed(1).replace('.', ',')}`;
    });
    const file = (text: string): File => new File([text], 'porch.csv', { type: 'text/csv' });
    const screen = await open({
      'POST spots/s1/imports': (one: { body: Record<string, unknown> }) => ({ id: one.body['id'] }),
    });
    await choose(screen, 'Bring in a logger’s file', file(['Logger 7', 'Time;Temp °C', ...lines].join('\n')));
    await screen.until(() => screen.text.includes('600 lines'));
    expect(screen.text).toMatch(/porch\.csv: 600 lines from Tue 7 Apr.* 20 °C to 24 °C\. Column “Temp °C” in °C, days written year first/);
    // Refused on the way, nothing of it counts.
    expect(screen.sent('POST', 'spots/s1/imports')).toBeUndefined();
    await choose(screen, 'Bring in a logger’s file', file(['Time;Temp', '2026-04-09 07:00;21.5 C', '2026-04-09 08:00;71.1 F'].join('\n')));
    await screen.until(() => screen.text.includes('Some temperatures are in °C'));
    expect(screen.text).toContain('Accepted: one unit throughout');
    await choose(screen, 'Bring in a logger’s file', file(['Time;Temp', ...lines.map((line) => line.replace(/^2026/, '2027'))].join('\n')));
    await screen.until(() => screen.text.includes('still to come'));
    expect(screen.text).toMatch(/which is still to come: the logger’s clock, the year or the order of day and month is wrong/);
  });

  it('tells the token of a thermometer once, and asks an extreme back', async () => {
    const screen = await open({
      'POST spots/s1/probes': { id: 'x', token: 'told-once' },
      'POST spots/s1/readings': problem(422, 'day must not lie in the future'),
    });
    await screen.type('What it is called', 'the wire');
    await screen.click('Let a thermometer in');
    expect(screen.find('.token')?.textContent).toContain('Authorization: Bearer told-once');
    await screen.type('Lowest', '22');
    await screen.type('Highest', '44');
    await screen.click('Save the reading');
    expect(screen.text).toMatch(/44 °C\? Most wet seed dies there/);
    expect(screen.sent('POST', 'spots/s1/readings')).toBeUndefined();
    await screen.click('Yes, save it');
    expect(screen.sent('POST', 'spots/s1/readings')?.body).toEqual(jasmine.objectContaining({ minC: 22, maxC: 44 }));
  });

  it('shows what was read as it is after whatever is said meanwhile', async () => {
    const read = [{ id: 'r1', day: '2026-04-10', minC: 22, maxC: 26 }];
    const screen = await open({ 'GET spots/s1/readings': read, 'POST spots/s1/readings': {} });
    await screen.click('Show what was read');
    expect(screen.text).toContain('22 °C to 26 °C');
    await screen.type('Lowest', '21');
    await screen.type('Highest', '25');
    read.push({ id: 'r2', day: '2026-04-11', minC: 21, maxC: 25 });
    await screen.click('Save the reading');
    await screen.settle();
    expect(screen.text).toContain('21 °C to 25 °C');
    await screen.click('Hide it');
    expect(screen.text).not.toContain('21 °C to 25 °C');
  });
});
