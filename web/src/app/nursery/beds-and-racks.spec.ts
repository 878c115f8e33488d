import { NOW } from '@fresh-tuck/core/testing';
import type { Bed, BedPage, Nursery, NurseryPlace, NurseryTask, Plant, Tray } from '@fresh-tuck/contract';
import { show } from '../testing/house';
import { BedScreen } from './bed';
import { NurseryScreen } from './nursery';
import { TrayScreen } from './tray';

const plant = (number: number, more: Partial<Plant> = {}): Plant => ({
  ...{ number, stage: 'true_leaves', proved: true, role: null, grade: null, pot: null, slot: null, late: null },
  ...more,
});
const tray = (plants: Plant[], more: Partial<Tray> = {}): Tray => ({
  ...{ id: 't1', batchId: 'b1', batchNumber: 7, spotId: 's1', cropId: 'celeriac', name: 'Celeriac', variety: 'Quay', destination: 'cell' },
  ...{ finalPot: false, blade: false, mix: 'coir_seed', cover: 'off', movedMs: NOW, plants, tasks: [], order: [], week: [], awaited: [] },
  ...{ stands: `all ${plants.length} up`, tone: 'growth' },
  ...more,
});
const place = (trays: Tray[], more: Partial<NurseryPlace> = {}): NurseryPlace => ({
  ...{ spotId: 's1', name: 'Sill', kind: 'sill', inWords: '19 °C', setup: null, light: null, trays, bed: null, rack: null },
  ...more,
});
const nursery = (places: NurseryPlace[], more: Partial<Nursery> = {}): Nursery => ({
  ...{ nowMs: NOW, lead: 'Nothing to do', standing: 1, out: 0, gone: 0, tasks: [], places, weather: [], located: true },
  ...{
    spots: [{ id: 's1', name: 'Sill' }],
    beds: [{ id: 'bed1', name: 'Wall bed' }],
    racks: [{ id: 'r1', name: 'Porch rack', free: [1, 3] }],
  },
  ...more,
});
const task = (kind: string, more: Partial<NurseryTask>): NurseryTask => ({
  ...{ kind, trayIds: [], spotId: null, bedId: null, batchId: null, cropId: null, dueMs: NOW, today: true, lead: `Lead of ${kind}` },
  ...{ text: 'Text.', when: 'now', act: 'Done so', done: null, says: null, instead: null, numbers: [], tone: 'growth' },
  ...more,
});
const bed: Bed = {
  ...{ id: 'bed1', name: 'Wall bed', widthM: 0.9, lengthM: 1.6, madeYear: 2025, version: 0 },
  ...{ taken: { plants: 0, areaM2: 0, crops: [] }, soil: null },
};
const spots = [1, 2, 3].map((nth) => ({ alongCm: 20, acrossCm: 15 + nth * 30 }));
const page = (over: number, tone: 'growth' | 'trouble' = 'growth'): BedPage => ({
  ...{ bed, plantings: [], standing: [], gate: { tone, text: 'Its gate.' }, spacingCm: { inRow: 30, rows: 40 } },
  proposed: { cropId: 'celeriac', name: 'Celeriac', plants: 3 + over, spots, over, text: 'One row of 3.' },
});

describe('a bed by itself', () => {
  const all = nursery([
    place([tray([plant(1), plant(2), plant(3), plant(4)], { order: [3, 1, 4, 2].map((number) => ({ number, why: '', photoId: null })) })]),
  ]);
  const open = (answers: Record<string, unknown>) =>
    show(BedScreen, { 'GET nursery': all, 'GET beds/bed1/soil': [], 'POST nursery/acts': all, ...answers }, { bedId: 'bed1' });

  it('asks how the nursery’s plants would lie in it, and plants out those that fit, the best first', async () => {
    const screen = await open({ 'GET beds/bed1': page(1) });
    expect(screen.text).toContain('Measured out: One row of 3.');
    expect(screen.text).toContain('1 of them does not fit at their spacing');
    expect(screen.find('ft-bed-plan svg')?.getAttribute('aria-label')).toBe(
      'The bed from above, 1.6 m by 0.9 m: 3 Celeriac to be planted.',
    );
    await screen.click('3 are planted out here');
    expect(screen.sent('POST', 'nursery/acts')?.body).toEqual(
      jasmine.objectContaining({ numbers: [3, 1, 4], said: { kind: 'stage', stage: 'planted_out', bedId: 'bed1' } }),
    );
  });

  it('marks what stands there by its planting: ripe, and off the bed', async () => {
    const standing = [
      { numbers: [7, 8], text: '2 celeriac, Snow Cap, since 2 March', ripe: false },
      { numbers: [5], text: '1 okra, Mast, since 1 March, ripe', ripe: true },
    ];
    const screen = await open({ 'GET beds/bed1': { ...page(0), standing } });
    await screen.click('First ripe, or in flower: 2 celeriac, Snow Cap, since 2 March');
    expect(screen.sent('POST', 'nursery/acts')?.body).toEqual(
      jasmine.objectContaining({ numbers: [7, 8], said: { kind: 'stage', stage: 'ripe' } }),
    );
    expect(screen.text).not.toContain('First ripe, or in flower: 1 okra');
    await screen.click('Off the bed: 1 okra, Mast, since 1 March, ripe');
    expect(screen.sent('POST', 'nursery/acts')?.body).toEqual(
      jasmine.objectContaining({ numbers: [5], said: { kind: 'stage', stage: 'harvested' } }),
    );
  });

  it('offers only what has its true leaves, and says so where nothing has', async () => {
    const young = nursery([place([tray([plant(1, { stage: 'up' }), plant(2, { stage: 'moved' })])])]);
    const screen = await open({ 'GET nursery': young, 'GET beds/bed1': { ...page(0), proposed: null, gate: null } });
    expect(screen.text).toContain('Nothing in the nursery is big enough yet');
    expect(screen.text).not.toContain('planted out here');
  });

  it('does not lead into cold soil, and takes a temperature as it is typed', async () => {
    const screen = await open({ 'GET beds/bed1': page(0, 'trouble'), 'POST beds/bed1/soil': [bed] });
    expect(screen.find('.do')).toBeNull();
    await screen.type('Its soil now', 'mild');
    await screen.click('In the soil');
    expect(screen.sent('POST', 'beds/bed1/soil')).toBeUndefined();
    await screen.type('Its soil now', '50F');
    await screen.click('In the soil');
    expect(screen.sent('POST', 'beds/bed1/soil')?.body).toEqual(jasmine.objectContaining({ celsius: 10, source: 'soil' }));
  });
});

describe('racks and beds in the nursery', () => {
  const slots = [1, 2, 3].map((slot) => ({ slot, number: slot === 2 ? 11 : null }));
  const inRack = tray([plant(11, { slot: 2 }), plant(12), plant(13), plant(14)], { destination: 'slot' });
  const all = nursery([place([inRack], { spotId: null, name: 'Porch rack', kind: 'rack', rack: { id: 'r1', slots } })], {
    tasks: [
      task('soil', { bedId: 'bed1', act: 'To the bed' }),
      task('take_in', { batchId: 'b9', act: 'They stay there' }),
      task('thin', { numbers: [12], says: { kind: 'composted' }, act: 'Snipped' }),
    ],
  });

  it('fill free slots in order, and no more than there are', async () => {
    const screen = await show(NurseryScreen, { 'GET nursery': all, 'POST nursery/acts': all });
    expect(screen.find('ft-rack a')?.getAttribute('aria-label')).toBe('Slot 2: 11 Celeriac, true leaves. Open the tray');
    await screen.click('Into the free slots in order');
    expect(screen.sent('POST', 'nursery/acts')?.body).toEqual(
      jasmine.objectContaining({ numbers: [12, 13], said: { kind: 'slotted', rackId: 'r1', slots: [1, 3] } }),
    );
  });

  it('lead to the bed, take in what came up where it was sown, and snip in one touch', async () => {
    const screen = await show(NurseryScreen, { 'GET nursery': all, 'POST nursery/acts': all, 'POST nursery/stays': all });
    expect(screen.all('aside a').map((one) => one.getAttribute('href'))).toEqual(['/bed/bed1']);
    await screen.click(/^They stay there/);
    expect(screen.sent('POST', 'nursery/stays')?.body['batchId']).toBe('b9');
    await screen.click(/^Snipped/);
    expect(screen.sent('POST', 'nursery/acts')?.body).toEqual(jasmine.objectContaining({ numbers: [12], said: { kind: 'composted' } }));
  });

  it('a tray asks which bed it is planted out in, and goes into the slots that are named', async () => {
    const racked = nursery([place([tray([plant(21), plant(22)], { destination: 'slot' })])]);
    const inSlots = await show(TrayScreen, { 'GET nursery': racked, 'POST nursery/acts': racked }, { trayId: 't1', batchId: 'b1' });
    await inSlots.click('all 2 into Porch rack');
    await inSlots.click('1');
    expect(inSlots.sent('POST', 'nursery/acts')?.body['said']).toEqual({ kind: 'slotted', rackId: 'r1', slots: [1, 3] });
  });

  it('a tray of cells asks which bed', async () => {
    const cells = nursery([place([tray([plant(31, { stage: 'hardening' })])])]);
    const screen = await show(TrayScreen, { 'GET nursery': cells, 'POST nursery/acts': cells }, { trayId: 't1', batchId: 'b1' });
    await screen.click('planted out');
    await screen.click('Wall bed');
    expect(screen.sent('POST', 'nursery/acts')?.body['said']).toEqual({ kind: 'stage', stage: 'planted_out', bedId: 'bed1' });
  });
});
