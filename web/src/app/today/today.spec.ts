import { look, parcel } from '@fresh-tuck/core/testing';
import type { Batch, Today } from '@fresh-tuck/contract';
import { aBatch, ABOUT, aSpot, problem, show } from '../testing/house';
import { TodayScreen } from './today';

const due = aBatch(parcel('okra', 4, 27, { looks: [look(30, { tipped: 0 }), look(12, { tipped: 3 })] }), { id: 'b1', number: 21 });
const shut = aBatch(parcel('leek', 1, 20), { id: 'b2', number: 12, title: 'Leek, Bollard' });

function today(more: Partial<Today> = {}, stops: readonly Batch[] = [due]): Today {
  return {
    nowMs: ABOUT.nowMs,
    stations: [{ spot: aSpot(), stops: stops.map((batch) => ({ batch, dueNow: true, bagReason: null })) }],
    shut: [{ batch: shut, nextMs: ABOUT.nowMs + 12 * 3_600_000, nextInWords: 'tonight 18:30' }],
    batchCount: 2,
    minutes: 3,
    changes: [],
    dangers: [],
    alarms: [],
    silent: [],
    told: true,
    rescue: null,
    round: null,
    ...more,
  };
}

describe('Today', () => {
  it('leads with how many parcels to open, and says of each why in the words of the core', async () => {
    const screen = await show(TodayScreen, { 'GET today': today() });
    expect(screen.find('h1')?.textContent).toBe('Open one parcel this morning');
    expect(screen.text).toContain(due.judgement.headline.lead);
    expect(screen.text).toContain(due.judgement.headline.text);
    expect(screen.text).toContain('next look tonight 18:30');
    expect(screen.all('button.do').length).toBe(1);
  });

  it('says that there is nothing to open, and teaches an empty house its first step', async () => {
    const quiet = await show(TodayScreen, { 'GET today': today({ stations: [] }) });
    expect(quiet.find('h1')?.textContent).toBe('Nothing to open this morning');
    expect(quiet.all('button.do').length).toBe(0);
  });

  it('teaches an empty house its first step', async () => {
    const empty = await show(TodayScreen, { 'GET today': today({ stations: [], shut: [], batchCount: 0 }) });
    expect(empty.find('h1')?.textContent).toBe('Nothing is tucked in yet');
    expect(empty.find('a.do')?.textContent).toBe('Tuck in the first seeds');
  });

  it('after an absence leads with the rescue, the longest root by its length', async () => {
    const screen = await show(TodayScreen, { 'GET today': today({ rescue: { away: '3 days', batchIds: ['b1'] } }) });
    expect(screen.find('h1')?.textContent).toBe('Rescue one parcel first');
    expect(screen.text).toContain('Nobody has looked for 3 days');
    expect(screen.text).toMatch(/21 Okra, Quay about \d+ mm\./);
    expect(screen.find('button.do')?.textContent?.trim()).toBe('Start the rescue');
  });

  it('keeps what was told once a day, and names what changed since', async () => {
    const change = { batchId: 'b1', number: 21, title: 'Okra, Quay', text: 'is to be moved now, not only looked at.' };
    const screen = await show(TodayScreen, { 'GET today': today({ told: false, changes: [change] }), 'POST today/shown': { id: 'x' } });
    expect(screen.asked.filter(({ path }) => path === 'today/shown').length).toBe(1);
    expect(screen.text).toContain('is to be moved now');
  });

  it('offers to go on with a round that somebody began', async () => {
    const round = { id: 'r1', batchIds: ['b1', 'b2'], doneIds: ['b2'], startedMs: ABOUT.nowMs };
    const screen = await show(TodayScreen, { 'GET today': today({ round }) });
    expect(screen.text).toContain('Go on with the round, 1 left');
  });

  it('begins the round at the first stop, and fetches the parcels of it once', async () => {
    sessionStorage.clear();
    const other = aBatch(parcel('pea', 4, 18), { id: 'b3', number: 30 });
    const screen = await show(TodayScreen, {
      'GET today': today({}, [due, other]),
      'POST rounds': null,
      'GET batches/b1': due,
      'GET batches/b3': other,
    });
    expect(screen.find('h1')?.textContent).toBe('Open two parcels this morning');
    await screen.click('Start the round');
    expect(screen.sent('POST', 'rounds')?.body['batchIds']).toEqual(['b1', 'b3']);
    expect(screen.url).toBe('/open/b1');
    expect(screen.asked.filter(({ path }) => path.startsWith('batches/')).map(({ path }) => path)).toEqual(['batches/b1', 'batches/b3']);
  });

  it('begins it also where the server does not answer', async () => {
    sessionStorage.clear();
    const screen = await show(TodayScreen, { 'GET today': today(), 'POST rounds': problem(0, ''), 'GET batches/b1': problem(0, '') });
    await screen.click('Start the round');
    expect(screen.url).toBe('/open/b1');
  });

  it('goes on where a round was left', async () => {
    sessionStorage.clear();
    const round = { id: 'r1', batchIds: ['b2', 'b1'], doneIds: ['b2'], startedMs: ABOUT.nowMs };
    const screen = await show(TodayScreen, { 'GET today': today({ round }), 'GET batches/b1': due });
    await screen.click('Go on with the round, 1 left');
    expect(screen.url).toBe('/open/b1');
  });

  it('says of what comes along with its bag that it does, and of what is cold until when', async () => {
    const cold = aBatch(parcel('strawberry', 3, 4, { chillUntilMs: ABOUT.nowMs + 9 * 86_400_000 }), {
      id: 'b9',
      number: 10,
      title: 'Strawberry, Row',
    });
    const base = today();
    const [station] = base.stations;
    if (!station) return fail('no station');
    const screen = await show(TodayScreen, {
      'GET today': {
        ...base,
        stations: [{ ...station, stops: [{ batch: due, dueNow: false, bagReason: 'In the same bag as 16; look while it is open.' }] }],
        shut: [{ batch: cold, nextMs: cold.answers.next.atMs, nextInWords: '20 April' }],
      },
    });
    expect(screen.text).toContain('look at it too');
    expect(screen.text).toContain('In the same bag as 16; look while it is open.');
    expect(screen.find('.shut li')?.textContent?.replace(/\s+/g, ' ')).toContain('in the cold until 20 April');
  });

  it('opens its reasons where they are asked for, from the server', async () => {
    const panel = { seeds: 8, now: { low: 5, high: 8, mean: 6, halfMs: null, alive: 0.5 }, contributions: [], sure: 'Sure enough.' };
    const screen = await show(TodayScreen, { 'GET today': today(), 'GET batches/b1/why': panel });
    expect(screen.asked.some(({ path }) => path.endsWith('why'))).toBeFalse();
    await screen.click(/^Why\?/);
    expect(screen.sent('GET', 'batches/b1/why')).toBeDefined();
    for (const reason of due.judgement.reasons) expect(screen.text).toContain(reason);
  });
});

describe('what kills', () => {
  const hot = {
    spotId: 's1',
    spotName: 'Hall cupboard',
    lead: 'Too hot at Hall cupboard: up to 43 °C',
    text: 'Take 21 off it now, before anything else.',
    batchIds: ['b1', 'b2'],
  };

  it('leads Today before all else, with a button for each bag and the round behind it', async () => {
    const screen = await show(TodayScreen, { 'GET today': today({ dangers: [hot], rescue: { away: '2 days', batchIds: ['b1'] } }) });
    expect(screen.find('h1')?.textContent).toBe(hot.lead);
    expect(screen.text).toContain(hot.text);
    // Two parcels of one bag are carried once.
    const moves = screen.all('.danger a').map((one) => one.textContent?.trim());
    expect(moves).toEqual(['Move 7']);
    expect(screen.find('.danger a')?.getAttribute('href')).toBe('/batch/b1?show=place');
    expect(screen.all('.do').length).toBe(1);
    expect(screen.find('.start')?.textContent?.trim()).toBe('Start the round');
  });
});
