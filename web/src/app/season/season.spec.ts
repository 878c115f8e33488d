import { MatInputHarness } from '@angular/material/input/testing';
import type { Season, SeasonChain, SeasonLot } from '@fresh-tuck/contract';
import { CROPS } from '@fresh-tuck/core/crops';
import { NOW } from '@fresh-tuck/core/testing';
import type { Fit } from './fit.messages';
import { problem, show, type Asked } from '../testing/house';
import { FrostScreen } from './frost';
import { wishesOf } from './fit-panel';
import { LotScreen } from './lot';
import { SeasonScreen } from './season';
import { WishesScreen } from './wishes';

const DAY_MS = 86_400_000;
const day = (iso: string): number => Date.parse(`${iso}T00:00:00Z`) / DAY_MS;
const WORDS: SeasonLot['words'] = {
  ...{
    cropId: 'melon',
    packetId: 'p1',
    plants: 3,
    place: 'outdoors',
    goal: { kind: 'season' },
    start: null,
    pinned: false,
    method: 'towel',
  },
  ...{ bedId: null, rackId: null, destination: null, spotId: null, litId: null, seriesId: null, batchId: null },
};
const stages = (from: number, days: readonly [SeasonLot['stages'][number]['stage'], number][]): SeasonLot['stages'] =>
  days.map(([stage, after]) => ({ stage, at10: from + after - 3, at50: from + after, at90: from + after + 4 }));
const lot = (more: Partial<SeasonLot> = {}): SeasonLot => ({
  ...{
    wishId: 'w1',
    words: WORDS,
    cropName: 'Melon',
    variety: 'Salt Barrel',
    title: 'Melon, Salt Barrel',
    yields: 'fruit',
    packetId: 'p1',
  },
  ...{ spotId: 's1', litId: null, method: 'towel', destination: 'cup', state: 'planned', batchId: null, batchNumber: null, seeds: 7 },
  ...{ start: day('2026-04-14'), from: day('2026-04-08'), until: day('2026-05-20'), best: day('2026-04-14'), gate: day('2026-05-27') },
  stages: stages(day('2026-04-14'), [
    ['moved', 4],
    ['planted_out', 43],
    ['ripe', 125],
  ]),
  ...{
    countedFrom: day('2026-04-14'),
    over: false,
    chance: 0.9,
    nextYear: false,
    endInWords: 'first fruit 17 August',
    inTrouble: false,
    cells: 12,
    late: null,
  },
  ...more,
});
const edge = (a: string, b: string, c: string) => ({ at10: day(a), at50: day(b), at90: day(c), years: 19, none: 0 });
const season = (more: Partial<Season> = {}): Season => ({
  ...{ nowMs: NOW, today: day('2026-04-11'), year: 2026, sureness: 0.9, lead: 'Start one this week', text: 'As it was said.' },
  frost: {
    ...{ source: 'said', autumnGuessed: false, thresholdC: 0, shelterK: 0, record: null, wordId: null, inWords: 'As it was said.' },
    ...{ spring: edge('2026-04-30', '2026-05-10', '2026-05-20'), autumn: edge('2026-10-01', '2026-10-17', '2026-11-02') },
    said: { spring: { monthDay: '05-10', giveDays: 10 }, autumn: null },
  },
  ...{ span: { first: day('2026-01-01'), days: 365 }, lots: [lot()], rooms: [], unwished: [], before: [] },
  due: [{ wishId: 'w1', packetId: 'p1', late: false, lead: 'Melon, Salt Barrel, 14 April: 7 seeds', text: 'In good time until 20 May.' }],
  ...more,
});
const room = (over: boolean): Season['rooms'][number] => ({
  ...{
    id: 'lit',
    spotId: 'lit',
    name: 'Lamp shelf',
    kind: 'lit',
    holds: 10,
    stepDays: 4,
    promised: [0, 8, over ? 14 : 9, 9, 0],
    inWords: 'Lamp shelf: room for 10 cells',
  },
  lots: [{ wishId: 'w1', title: 'Melon, Salt Barrel', fromStep: 1, mean: [6, 9, 6] }],
  overflows: over
    ? [
        {
          from: 1,
          to: 2,
          by: 4,
          lots: [{ wishId: 'w1', size: 9 }],
          lead: '4 cells too many from 2 to 15 May',
          text: 'Lamp shelf then: melon 9 cells.',
        },
      ]
    : [],
});

describe('the season', () => {
  it('draws each sowing as a link, and lays the week’s packets out as a sitting with what was wished of them', async () => {
    const screen = await show(SeasonScreen, {
      'GET season': season(),
      'POST sittings': ({ body }: Asked) => ({ id: body['id'], lines: [] }),
      'POST season/acts': season(),
    });
    await screen.settle();
    expect(screen.find('h1')?.textContent).toBe('Start one this week');
    const stem = screen.find<SVGAElement>('svg a[aria-label="Melon, Salt Barrel: first fruit 17 August"]');
    expect(stem?.getAttribute('href')).toContain('/season/w1');
    expect(screen.all('svg .ring').length).toBe(1);
    await screen.click('Lay out one packet');
    const [line] = screen.sent('POST', 'sittings')?.body['lines'] as { packetId: string; words: object }[];
    expect(line?.packetId).toBe('p1');
    expect(line?.words).toEqual({ wanted: 3, method: 'towel', destination: 'cup', goal: { kind: 'plant_out', day: '2026-05-27' } });
  });

  it('shows what will not fit, takes in what nobody wished for, and says what was refused', async () => {
    const unwished = [{ batchId: 'b9', number: 9, packetId: 'p9', cropId: 'leek', title: 'Leek, Bollard', plants: 24 }];
    let refuse = true;
    const screen = await show(SeasonScreen, {
      'GET season': season({ rooms: [room(true)], unwished, due: [] }),
      'POST season/acts': () =>
        refuse ? problem(422, 'wishes must be fewer', [{ field: 'wishes', message: 'wishes must be fewer' }]) : season(),
    });
    await screen.settle();
    expect(screen.text).toContain('4 cells too many from 2 to 15 May');
    expect(screen.all('path.over').length).toBe(1);
    await screen.click('Take it into the year');
    expect(screen.find('[role=alert]')?.textContent).toContain('What is wished must be fewer.');
    refuse = false;
    await screen.click('Take it into the year');
    const { year, wishes } = screen.sent('POST', 'season/acts')?.body as {
      year: number;
      wishes: { words: { batchId: string; plants: number } }[];
    };
    expect([year, wishes[0]?.words.batchId, wishes[0]?.words.plants]).toEqual([2026, 'b9', 24]);
    expect(screen.text).not.toContain('must be fewer');
  });

  it('asks the worker for a plan, and says where nothing has to be changed', async () => {
    const fit = { year: 2026, today: day('2026-04-11'), span: { first: day('2026-04-11'), days: 10 }, rooms: [], lots: [], standing: [] };
    const screen = await show(SeasonScreen, { 'GET season': season({ rooms: [room(true)] }), 'GET season/fit': fit });
    await screen.settle();
    await screen.click('Show a plan that fits');
    await screen.until(() => screen.text.includes('Everything fits as it is wished.'));
    expect(screen.text).toContain('Everything fits as it is wished.');
    await screen.click('Leave it as it is');
    expect(screen.text).not.toContain('Everything fits');
  });

  it('carries what stands there as one act, or leaves it there and says so', async () => {
    const days = (cells: number): number[] => Array.from({ length: 20 }, () => cells);
    const fit = {
      ...{ year: 2026, today: day('2026-04-11'), span: { first: day('2026-04-11'), days: 20 }, lots: [] },
      rooms: [
        { id: 'lit', name: 'Lamp shelf', kind: 'lit', holds: 20 },
        { id: 'porch', name: 'Porch', kind: 'lit', holds: 20 },
      ],
      standing: [
        { id: 'b3 t3', need: [['lit', days(14), days(0)]], carry: null },
        {
          id: 'b4 t4',
          need: [['lit', days(12), days(0)]],
          carry: {
            trayIds: ['t4'],
            title: 'Kale, Grey Gull',
            plants: 12,
            roomId: 'lit',
            places: [{ id: 'porch', name: 'Porch', cold: true }],
          },
        },
      ],
    };
    const screen = await show(SeasonScreen, {
      'GET season': season({ rooms: [room(true)] }),
      'GET season/fit': fit,
      'POST season/acts': season(),
    });
    await screen.settle();
    await screen.click('Show a plan that fits');
    await screen.until(() => screen.text.includes('One change and everything fits.'));
    expect(screen.text).toContain('Kale, Grey Gull: the 12 that stand there carried to Porch');
    await screen.click(/^Not this one/);
    await screen.until(() => screen.text.includes('What stands there already is more than its room'));
    expect(screen.sent('POST', 'season/acts')).toBeUndefined();
    await screen.click('Leave it as it is');
    await screen.click('Show a plan that fits');
    await screen.until(() => screen.text.includes('One change and everything fits.'));
    await screen.click('Change it so');
    const { wishes, carries } = screen.sent('POST', 'season/acts')?.body as { wishes: unknown[]; carries: unknown[] };
    expect([wishes, carries]).toEqual([[], [{ trayId: 't4', spotId: 'porch' }]]);
  });

  it('makes of a change what is wished from then on: a day, a place, two halves, fewer, or none', () => {
    type Change = Fit['changes'][number];
    const change = (more: Partial<Change>): Change =>
      ({
        ...{ lotId: 'w1', days: 0, keeps: 1, splitDays: null, cost: 1, chanceBefore: 1, chanceAfter: 1, endLater: 0 },
        ...{ way: { kind: 'as_wished', id: '', name: '' } },
        ...more,
      }) as Change;
    const start = day('2026-04-14');
    const words = (more: Partial<Change>) => wishesOf(change(more), lot(), start).map(({ words: one }) => one);
    expect(words({ days: 8 })[0]?.start).toBe('2026-04-22');
    const porch = { kind: 'lit', id: 'porch', name: 'Porch' } as Change['way'];
    expect(words({ way: porch })[0]?.litId).toBe('porch');
    const [first, second] = words({ splitDays: 10 });
    expect([first?.plants, second?.plants, second?.start]).toEqual([2, 1, '2026-04-24']);
    expect(first?.seriesId).toBe(second?.seriesId);
    expect(words({ keeps: 0.5 })[0]?.plants).toBe(2);
    expect(words({ keeps: 0 })).toEqual([null]);
  });
});

describe('a lot of the season', () => {
  const chain: SeasonChain = {
    lot: lot(),
    ...{
      lead: 'Melon, Salt Barrel: first fruit 17 August',
      text: 'Counted back, the day to start is 14 April.',
      reasons: ['In 2025 it was in time.'],
    },
    steps: [{ stage: 'moved', name: 'Moved', when: '18 April, 8 times in 10 between 15 and 22 April', text: '' }],
    shifts: [
      { days: 0, start: day('2026-04-14'), chance: 0.9, text: 'On 14 April: out about 27 May.' },
      { days: 7, start: day('2026-04-21'), chance: 0.8, text: '1 week later, on 21 April: out about 28 May.' },
    ],
  };

  it('tells its days, and each thing that is fixed of it is said as one act', async () => {
    const screen = await show(
      LotScreen,
      {
        'GET season': season(),
        'GET season/wishes/w1': chain,
        'POST season/acts': season(),
        'POST season/wishes/w1/successions': season(),
      },
      { wishId: 'w1' },
    );
    await screen.settle();
    expect(screen.text).toContain('8 times in 10 between 15 and 22 April');
    const said = () => (screen.sent('POST', 'season/acts')?.body['wishes'] as { words: Partial<SeasonLot['words']> | null }[])[0]?.words;
    await screen.click(/^Start then/);
    expect(said()).toEqual({ ...WORDS, start: '2026-04-21' });
    await screen.click('Leave it as it is, whatever is planned');
    expect(said()).toEqual({ ...WORDS, pinned: true, start: '2026-04-14' });
    await screen.press(/^Plants: 3 plants/);
    const field = await screen.overlays.getHarness(MatInputHarness.with({ label: 'Plants' }));
    await field.setValue('5');
    await screen.clickAbove('So many');
    expect(said()?.plants).toBe(5);
    await screen.leaveWord();
    await screen.type('Every so many days', '10');
    await screen.click('Sow it again and again');
    expect(screen.sent('POST', 'season/wishes/w1/successions')?.body).toEqual(
      jasmine.objectContaining({ year: 2026, everyDays: 10, times: 3 }),
    );
    await screen.click('Take it off the list');
    expect(said()).toBeNull();
  });
});

describe('what shall grow', () => {
  it('is wished from last year with one touch, or from the box, several at once', async () => {
    const packets = [
      { id: 'p1', cropId: 'melon', cropName: 'Melon', variety: 'Salt Barrel', seedsLeft: 12 },
      { id: 'p2', cropId: 'dill', cropName: 'Dill', variety: 'Net Loft', seedsLeft: null },
    ];
    const sowings = [
      { packetId: 'p3', cropId: 'tomato', title: 'Tomato, Brass Bell', plants: 6, note: 'begun 2 April, 12 days late', wished: false },
    ];
    const screen = await show(WishesScreen, {
      ...{ 'GET season': season(), 'GET season/sources': { year: 2025, sowings }, 'GET packets': packets, 'GET beds': [], 'GET racks': [] },
      ...Object.fromEntries(['melon', 'dill'].map((id) => [`GET crops/${id}`, { crop: CROPS.find((crop) => crop.id === id) }])),
      'POST season/acts': season(),
    });
    await screen.settle(250);
    expect(screen.text).toContain('6 plants, begun 2 April, 12 days late');
    const said = () => screen.sent('POST', 'season/acts')?.body['wishes'] as { words: Partial<SeasonLot['words']> }[];
    await screen.click(/^Again/);
    expect(said().map(({ words }) => [words.packetId, words.plants, words.place])).toEqual([['p3', 6, 'outdoors']]);
    await screen.click(/Salt Barrel/);
    await screen.click(/Net Loft/);
    expect(screen.text).toContain('Two packets, each');
    await screen.type('Plants', '0');
    await screen.click('Wish for all 2');
    expect(await screen.errors()).toEqual(['A whole number from 1 to 400.']);
    await screen.type('Plants', '4');
    await screen.click('indoors, for good');
    await screen.click('Wish for all 2');
    expect(said().map(({ words }) => [words.packetId, words.plants, words.place])).toEqual([
      ['p1', 4, 'indoors'],
      ['p2', 4, 'indoors'],
    ]);
  });
});

describe('frost', () => {
  it('is said by its days, what counts and the shelter; a typed figure that is none is asked for at its field', async () => {
    const screen = await show(FrostScreen, { 'GET season': season(), 'POST season/frost': season() });
    await screen.settle();
    await screen.type('Frost is a night of', 'cold');
    await screen.click('Count frost so');
    expect(screen.sent('POST', 'season/frost')).toBeUndefined();
    expect(await screen.errors()).toEqual(['A temperature from -30 to 60 °C.']);
    await screen.type('Frost is a night of', '28 F');
    await screen.click(/a hollow/);
    await screen.click('Count frost so');
    const { thresholdC, shelterK, spring, autumn, recordId } = screen.sent('POST', 'season/frost')?.body as Record<string, unknown>;
    expect([shelterK, spring, autumn, recordId]).toEqual([-2, { monthDay: '05-10', giveDays: 10 }, null, null]);
    expect(thresholdC as number).toBeCloseTo(-2.22, 2);
  });
});
