import { NOW } from '@fresh-tuck/core/testing';
import type { Nursery, NurseryTask, Plant, Tray } from '@fresh-tuck/contract';
import { plantShape } from '../kit/plant-shapes';
import { problem, show, type Screen } from '../testing/house';
import { SEEDLING_STAGES } from '@fresh-tuck/contract/choices';
import { LightForm, readMicromol } from './light-form';
import { NurseryScreen } from './nursery';
import { SeedlingScreen } from './seedling';
import { TrayScreen } from './tray';

const plant = (number: number, stage: Plant['stage'] = 'moved', more: Partial<Plant> = {}): Plant => ({
  ...{ number, stage, proved: true, role: null, grade: null, pot: null, slot: null, late: null },
  ...more,
});
const task = (kind: string, more: Partial<NurseryTask> = {}): NurseryTask => ({
  ...{
    kind,
    trayIds: ['t1'],
    spotId: null,
    bedId: null,
    batchId: null,
    cropId: null,
    says: null,
    dueMs: NOW,
    today: true,
    lead: `Lead of ${kind}`,
    text: 'Text.',
    when: 'now',
    act: 'Done so',
  },
  ...{ done: { kind: 'cover', cover: 'off' }, instead: null, numbers: [], tone: 'growth' },
  ...more,
});
const tray = (plants: Plant[], more: Partial<Tray> = {}): Tray => ({
  ...{
    id: 't1',
    batchId: 'b1',
    batchNumber: 7,
    spotId: 's1',
    cropId: 'leek',
    name: 'Leek',
    variety: 'Quay',
    destination: 'cup',
    finalPot: false,
  },
  ...{
    blade: true,
    mix: 'peat_lite_b',
    cover: 'on',
    movedMs: NOW,
    plants,
    tasks: [],
    order: [],
    week: [],
    stands: `${plants.length} stand`,
    awaited: [],
    tone: 'growth',
  },
  ...more,
});
const nursery = (trays: Tray[], tasks: NurseryTask[] = []): Nursery => ({
  ...{ nowMs: NOW, lead: tasks[0]?.lead ?? 'Nothing to do', standing: 1, out: 0, gone: 0, tasks, weather: [], located: true },
  places:
    trays.length === 0
      ? []
      : [{ spotId: 's1', name: 'Sill', kind: 'sill', inWords: '19 °C, steady', setup: null, light: null, trays, bed: null, rack: null }],
  beds: [],
  racks: [],
  spots: [
    { id: 's1', name: 'Sill' },
    { id: 's2', name: 'Porch' },
  ],
});

describe('the nursery', () => {
  it('teaches while it is empty', async () => {
    const empty = await show(NurseryScreen, { 'GET nursery': nursery([]) });
    expect(empty.text).toContain('stand here by their label');
  });

  it('leads with what is to be done', async () => {
    const busy = await show(NurseryScreen, { 'GET nursery': nursery([tray([plant(1)])], [task('uncover')]) });
    expect(busy.find('h1')?.textContent?.trim()).toBe('Lead of uncover');
    expect(busy.find('header a')?.getAttribute('href')).toBe('/nursery/t1/b1?standing=cup');
  });

  it('takes a seedling a stage on by one touch, in its last pot past the roots, and back by undo', async () => {
    const all = nursery([tray([plant(14), plant(15, 'true_leaves')]), tray([plant(16, 'true_leaves')], { id: 't2', finalPot: true })]);
    const screen = await show(NurseryScreen, { 'GET nursery': all, 'POST nursery/acts': all, 'POST nursery/acts/undos': all });
    const said = (): unknown => screen.sent('POST', 'nursery/acts')?.body['said'];
    await screen.press(/^14 Leek, Quay: moved, not up yet\. Touch: up$/);
    expect(said()).toEqual({ kind: 'stage', stage: 'up' });
    await screen.press(/^15 /);
    expect(said()).toEqual({ kind: 'stage', stage: 'roots_out' });
    await screen.press(/^16 /);
    expect(said()).toEqual({ kind: 'stage', stage: 'hardening' });
    const act = screen.sent('POST', 'nursery/acts')?.body['id'];
    for (let nth = 0; nth < 20 && document.querySelectorAll('mat-snack-bar-container').length !== 1; nth++)
      await new Promise((wait) => setTimeout(wait, 60));
    await screen.clickAbove('Undo');
    expect(screen.sent('POST', 'nursery/acts/undos')?.body['actId']).toBe(act);
  });

  it('settles a task in one touch for all its trays, or says that a finger found it damp', async () => {
    const water = task('water', {
      trayIds: ['t1', 't2'],
      done: { kind: 'water', from: 'below', finger: null },
      instead: { kind: 'water', from: null, finger: 'damp' },
    });
    const all = nursery([tray([plant(1)])], [water]);
    const screen = await show(NurseryScreen, { 'GET nursery': all, 'POST nursery/care': all });
    await screen.click(/^Done so/);
    expect(screen.sent('POST', 'nursery/care')?.body).toEqual(jasmine.objectContaining({ trayIds: ['t1', 't2'], done: water.done }));
    await screen.click(/^still damp/);
    expect(screen.sent('POST', 'nursery/care')?.body['done']).toEqual(water.instead);
  });

  it('says what the server will not have', async () => {
    const screen = await show(NurseryScreen, {
      'GET nursery': nursery([tray([plant(14)])]),
      'POST nursery/acts': problem(422, 'label 14 is lost already; undo that first'),
    });
    await screen.press(/^14 /);
    await screen.settle();
    expect(document.querySelector('mat-snack-bar-container')?.textContent).toContain('is lost already');
  });

  it('draws every stage unlike the one before, of leaves and of blades', () => {
    for (const blade of [false, true]) {
      const shapes = SEEDLING_STAGES.map((stage) => JSON.stringify(plantShape(stage, blade)));
      expect(new Set(shapes).size).toBe(shapes.length);
    }
  });
});

describe('a tray close up', () => {
  const sixty = tray(
    Array.from({ length: 60 }, (_, nth) => plant(nth + 1, nth < 40 ? 'up' : 'moved')),
    { destination: 'cell', tasks: [task('release', { numbers: [58, 59], done: null, lead: 'Let go of 58 and 59' })] },
  );
  const open = (): Promise<Screen<TrayScreen>> =>
    show(
      TrayScreen,
      { 'GET nursery': nursery([sixty]), 'POST nursery/acts': nursery([sixty]), 'POST nursery/care': nursery([sixty]) },
      { trayId: 't1', batchId: 'b1' },
    );
  const numbers = (screen: Screen<TrayScreen>): number[] => (screen.sent('POST', 'nursery/acts')?.body['numbers'] ?? []) as number[];

  it('says up of all that are not, of those that are touched, or of the others', async () => {
    const screen = await open();
    await screen.click('20 up');
    expect(numbers(screen)).toEqual(Array.from({ length: 20 }, (_, nth) => 41 + nth));
    await screen.press('42: moved, not up yet');
    await screen.press('43: moved, not up yet');
    await screen.click('2 up');
    expect(numbers(screen)).toEqual([42, 43]);
    await screen.press('60: moved, not up yet');
    await screen.click('the others instead');
    await screen.click('19 up');
    expect(numbers(screen)).not.toContain(60);
  });

  it('loses only who was named, with the cause of the guide', async () => {
    const screen = await open();
    await screen.click('Small black flies from the mix');
    expect(screen.text).toContain('its label is the law');
    await screen.press('3: up');
    await screen.click('Lost to it: 3');
    expect(screen.sent('POST', 'nursery/acts')?.body).toEqual(
      jasmine.objectContaining({ numbers: [3], said: { kind: 'lost', why: 'eaten by gnats' } }),
    );
    await screen.click('Pick them');
    await screen.click('Give these 2 away');
    await screen.click('Given away');
    expect(screen.sent('POST', 'nursery/acts')?.body).toEqual(
      jasmine.objectContaining({ numbers: [58, 59], said: { kind: 'given', to: null } }),
    );
  });

  it('measures a mix for the pots at hand, and pots them up', async () => {
    const screen = await open();
    await screen.press('1: up');
    await screen.press('2: up');
    await screen.click('Pot these 2 up');
    const field = screen.find<HTMLInputElement>('ft-pot-on input[matinput]');
    if (!field) throw new Error('no field');
    field.value = '1 l';
    field.dispatchEvent(new Event('input'));
    await screen.settle();
    // Two litres and a tenth: as much peat as perlite.
    expect(screen.text).toContain('1.1 l peat');
    expect(screen.text).toContain('their dust harms lungs');
    await screen.click('They are potted up');
    expect(screen.sent('POST', 'nursery/acts')?.body['said']).toEqual({
      kind: 'potted',
      destination: 'pot',
      millilitres: 1000,
      last: false,
    });
  });

  it('works out the dose of a weak feed from its label', async () => {
    const fed = tray([plant(1)], { tasks: [task('feed', { done: { kind: 'feed', strength: 0.25 }, lead: 'Feed the leek cup' })] });
    const screen = await show(TrayScreen, { 'GET nursery': nursery([fed]) }, { trayId: 't1', batchId: 'b1' });
    // 5 ml a litre at a quarter, in two litres.
    expect(screen.text).toContain('2.5 ml of feed in 2.00 l of water');
  });

  it('writes down what a finger felt', async () => {
    const screen = await open();
    await screen.click('stands in water');
    expect(screen.sent('POST', 'nursery/care')?.body['done']).toEqual({ kind: 'water', from: null, finger: 'pooling' });
  });

  it('knows when nothing stands there any more', async () => {
    const none = await show(TrayScreen, { 'GET nursery': nursery([sixty]) }, { trayId: 'gone', batchId: 'b1' });
    expect(none.find('h1')?.textContent).toContain('Nothing stands here any more');
  });
});

describe('a plant', () => {
  it('has its record, each line to be taken back', async () => {
    const seedling = {
      ...{
        number: 14,
        batchId: 'b1',
        batchNumber: 7,
        title: 'Leek, Quay',
        cropId: 'leek',
        destination: 'cup',
        bedName: null,
        proved: true,
      },
      ...{ movedMs: NOW, stage: 'up', stageMs: NOW, role: 'main', grade: 4, gone: null },
      events: [{ id: 'e1', actId: 'a1', kind: 'stage', stage: 'up', why: null, atMs: NOW, inWords: 'up' }],
    };
    const screen = await show(
      SeedlingScreen,
      { 'GET nursery/14': seedling, 'POST nursery/14/undos': seedling, 'POST nursery/acts': nursery([]) },
      { number: '14' },
    );
    expect(screen.text).toContain('kept as the main plant');
    expect(screen.text).toContain('graded 4 of 5');
    await screen.click('Seed leaves open');
    expect(screen.sent('POST', 'nursery/acts')?.body).toEqual(
      jasmine.objectContaining({ numbers: [14], said: { kind: 'stage', stage: 'seed_leaves' } }),
    );
    await screen.click(/^Undo/);
    expect(screen.sent('POST', 'nursery/14/undos')?.body['entryId']).toBe('e1');
  });
});

describe('the light of a place', () => {
  it('reads a lamp in µmol or lux, and asks for its strength', async () => {
    expect(readMicromol('190', 'white')).toBe(190);
    expect(readMicromol('7400 lux', 'tube')).toBeCloseTo(100, 6);
    expect(readMicromol('bright', 'white')).toBeNull();
    const setup = {
      daylit: 'window',
      facing: 'noon',
      glazing: 'two',
      metresIn: 0,
      opposite: false,
      lamp: { kind: 'white', micromol: 150, gapCm: 30, watts: null, hours: null },
    };
    const screen = await show(LightForm, { 'POST spots/s1/light': nursery([]) }, { spotId: 's1', setup });
    await screen.click('The light is so');
    expect(screen.sent('POST', 'spots/s1/light')?.body).toEqual(jasmine.objectContaining({ light: setup, at: null }));
  });
});
