import type { Bed, Rack } from '@fresh-tuck/contract';
import { ABOUT, problem, show, type Screen } from '../testing/house';
import { Garden } from './garden';

const wall: Bed = {
  id: 'bed1',
  name: 'Wall bed',
  widthM: 0.8,
  lengthM: 2.4,
  madeYear: 2024,
  version: 3,
  taken: { plants: 5, areaM2: 0.48, crops: [{ cropId: 'leek', name: 'Leek', plants: 5 }] },
  soil: null,
};
const kerb: Bed = {
  ...wall,
  id: 'bed2',
  name: 'Kerb bed',
  widthM: 1.2,
  lengthM: 1.2,
  madeYear: null,
  taken: { plants: 0, areaM2: 0, crops: [] },
};
const rack: Rack = { id: 'r1', name: 'Eight slots', slots: 8, taken: 3, version: 1 };

const garden = (answers: Record<string, unknown> = {}): Promise<Screen<Garden>> =>
  show(Garden, { 'GET beds': [wall, kerb], 'GET racks': [rack], 'GET beds/away': [], 'GET racks/away': [], ...answers });

describe('beds and racks', () => {
  it('are drawn to one scale, as full as they are, with what stands in them in words', async () => {
    const screen = await garden();
    const [first, second] = screen
      .all('li svg')
      .map((svg) => [...svg.querySelectorAll('rect')].map((one) => Number(one.getAttribute('width'))));
    // 2.4 m and 1.2 m along the page, a quarter of the first planted.
    expect((first?.[0] ?? 0) / (second?.[0] ?? 1)).toBeCloseTo(2, 6);
    expect((first?.[1] ?? 0) / (first?.[0] ?? 1)).toBeCloseTo(0.25, 6);
    expect(second?.[1]).toBe(0);
    expect(screen.text).toContain('0.8 m × 2.4 m, made in 2024 · 5 Leek');
    expect(screen.text).toContain('1.2 m × 1.2 m · nothing stands in it');
    expect(screen.text).toContain('5 of 8 slots free');
  });

  it('are measured in the household’s own lengths, and corrected on the version that was seen', async () => {
    const us = { ...ABOUT, household: ABOUT.household && { ...ABOUT.household, units: 'us' } };
    const screen = await garden({ 'GET about': us, 'PUT beds/bed1': [wall] });
    expect(screen.text).toContain('2.62 ft × 7.87 ft');
    await screen.press('Change Wall bed');
    await screen.type('Wide, ft', '3');
    await screen.type('Long, ft', '250 cm');
    await screen.type('Made in (year)', '');
    await screen.click('Save it so');
    const body = screen.sent('PUT', 'beds/bed1')?.body as unknown as Bed;
    expect(body.widthM).toBeCloseTo(0.9144, 6);
    expect([body.lengthM, body.madeYear, body.version, body.name]).toEqual([2.5, null, 3, 'Wall bed']);
  });

  it('say at a field what it would take, and send nothing meanwhile', async () => {
    const screen = await garden();
    await screen.click('Another bed');
    await screen.type('What it is called', 'Long one');
    await screen.type(/^Wide/, 'wide');
    await screen.type(/^Long/, '-3');
    await screen.type('Made in (year)', '1850');
    await screen.click('Add this bed');
    expect(await screen.errors()).toEqual([
      'A length like 1.2, 80 cm or 4 ft.',
      'A length like 1.2, 80 cm or 4 ft.',
      'A year like 2024, or nothing.',
    ]);
    expect(screen.sent('POST', 'beds')).toBeUndefined();
    await screen.click('Another rack');
    await screen.type('What it is called', 'None');
    await screen.type('Slots', '0');
    await screen.click('Add this rack');
    expect(await screen.errors()).toEqual(['A whole number of slots from 1 to 400.']);
  });

  it('puts the server’s refusal at its field', async () => {
    const message = 'name must be new: there is a bed of this name';
    const screen = await garden({ 'POST racks': problem(422, message, [{ field: 'name', message }]) });
    await screen.click('Another rack');
    await screen.type('What it is called', 'Eight slots');
    await screen.type('Slots', '12');
    await screen.click('Add this rack');
    expect(screen.sent('POST', 'racks')?.body).toEqual(jasmine.objectContaining({ name: 'Eight slots', slots: 12 }));
    expect(screen.text).toContain('there is a bed of this name');
  });

  it('are put away, taken out again, and not removed while something hangs on them', async () => {
    const screen = await garden({
      'GET beds/away': [{ ...kerb, id: 'bed9', name: 'Old frame' }],
      'POST beds/bed9/back': {},
      'POST racks/r1/away': {},
      'POST beds/bed1/removals': problem(409, '5 plants stand in it. Put it away instead: it is offered no more and stays in the records.'),
    });
    await screen.click(/^Take it out again/);
    expect(screen.sent('POST', 'beds/bed9/back')).toBeDefined();
    await screen.press('Change Eight slots');
    await screen.click('Put it away');
    expect(screen.sent('POST', 'racks/r1/away')).toBeDefined();
    await screen.press('Change Wall bed');
    await screen.click('Remove it');
    expect(screen.text).toContain('5 plants stand in it. Put it away instead');
    expect(screen.text).toContain('Wall bed');
  });
});
