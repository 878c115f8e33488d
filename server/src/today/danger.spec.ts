import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, PacketSheet, Today } from '@fresh-tuck/contract';
import { readingBody, spotBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, dump, household, lookBody, packetBody, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;

describe('what a household is told before all else', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  const batch = (id = home.batchId) => get<BatchWithJournal>(`batches/${id}`);
  beforeEach(async () => (home = await household()));

  it('is a place that kills, with everything that stands there, until the bags stand elsewhere', async () => {
    const cool = spotBody({ name: 'Landing', kind: 'room' });
    await post('spots', cool);
    const other = batchBody(home.packetId, cool.id, { seeds: 4, wanted: 2 });
    await post('batches', other);
    expect((await get<Today>('today')).dangers).toEqual([]);
    await post(`spots/${home.spotId}/readings`, readingBody('2026-04-11', { minC: 41, maxC: 47 }));
    const today = await get<Today>('today');
    expect(today.dangers).toEqual([
      jasmine.objectContaining({ spotId: home.spotId, lead: 'Too hot at Hall cupboard: up to 47 °C', batchIds: [home.batchId] }),
    ]);
    expect(today.stations[0]?.stops[0]?.batch.judgement.headline.lead).toBe('too hot: off the heat now');
    expect((await batch()).judgement.advice[0]?.button?.act).toEqual({ does: 'place' });
    await post(`holders/${(await batch()).holder.id}/place`, { spotId: cool.id }, 200);
    home.clock.step(60_000);
    expect((await get<Today>('today')).dangers).toEqual([]);
    // What it may have cost stays in the forecast.
    expect((await batch()).answers.toll.survival).toBeLessThan(0.9);
  });

  it('is the end of a soak that nobody ended, and a soak needs its step', async () => {
    const soak = batchBody(home.packetId, home.spotId, { startAt: null, prepared: ['soak'], soaking: true, seeds: 4 });
    const before = dump(home.db);
    await post('batches', { ...soak, id: uuid(), prepared: [] }, 422);
    expect(dump(home.db)).toBe(before);
    await post('batches', soak);
    const begun = await batch(soak.id);
    expect(begun.answers.next.reason).toBe('soak');
    expect(begun.answers.next.atMs).toBeLessThanOrEqual(begun.facts.soakUntilMs ?? 0);
    home.clock.step(60 * HOUR_MS);
    const [danger] = (await get<Today>('today')).dangers;
    expect(danger?.lead).toMatch(/^Out of the water: 2 Okra/);
    await post(`batches/${soak.id}/looks`, lookBody(0));
    expect((await get<Today>('today')).dangers).toEqual([]);
  });

  it('names another packet where there is one, and what was agreed for a second step', async () => {
    expect((await batch()).otherPacketId).toBeNull();
    const spare = packetBody({ cropId: 'okra', variety: 'Low Tide', year: 2025, seedCount: 12 });
    const empty = packetBody({ cropId: 'okra', variety: 'Spent', year: 2026, seedCount: 0 });
    for (const one of [spare, empty]) await post('packets', one);
    const told = await batch();
    expect(told.otherPacketId).toBe(spare.id);
    expect(told.facts.otherPackets).toEqual([jasmine.objectContaining({ title: 'Low Tide, 2025', left: 12 })]);
    const agreed = { at: '2026-04-14T18:30', below: 2, seeds: 5 };
    const steps = batchBody(home.packetId, home.spotId, { startAt: null, secondStep: agreed, seeds: 4, wanted: 3 });
    await post('batches', { ...steps, id: uuid(), secondStep: { ...agreed, at: '2026-04-01T07:00' } }, 422);
    await post('batches', steps);
    expect((await batch(steps.id)).facts.secondStep).toEqual({ atMs: Date.parse('2026-04-14T18:30:00+02:00'), below: 2, seeds: 5 });
    home.clock.step(Date.parse('2026-04-14T18:40:00+02:00') - home.clock.now());
    await post(`batches/${steps.id}/looks`, lookBody(0));
    const due = (await batch(steps.id)).judgement.advice.find(({ kind }) => kind === 'top_up');
    expect(due?.lead).toBe('The second step: start 5 more seeds');
  });

  it('is no test that is counted: it closes by itself when what lives of it is moved, and the next batch knows it by number', async () => {
    const test = batchBody(home.packetId, home.spotId, {
      purpose: 'test',
      finalDays: 6,
      seeds: 6,
      wanted: null,
      startAt: '2026-04-05T07:00',
    });
    await post('batches', test);
    const classes = [{ normal: 4, abnormal: 1, hard: 0, fresh: 0, dead: 1 }];
    await post(`batches/${test.id}/looks`, { ...lookBody(5, { seen: { tipped: 5, rotten: 1, basedOn: null } }), classes });
    const counted = await batch(test.id);
    expect([counted.closed, counted.judgement.verdict, counted.judgement.headline.lead]).toEqual([false, 'count', 'move what lives']);
    const move = { id: uuid(), at: null, seeds: [], uncounted: 4, destination: 'cup', who: null };
    await post(`batches/${test.id}/moves`, move);
    const ended = await batch(test.id);
    expect(ended.closed).toBeTrue();
    expect(ended.journal[0]?.text).toBe('Closed: the test is counted.');
    const { prior } = await get<PacketSheet>(`packets/${home.packetId}`);
    expect(prior.known).toContain({ what: 'test', number: 2, normal: 4, seeds: 6 });
    // Nothing of it lives: it is closed with its count.
    const dead = batchBody(home.packetId, home.spotId, {
      purpose: 'test',
      finalDays: 6,
      seeds: 5,
      wanted: null,
      startAt: '2026-04-05T07:00',
    });
    await post('batches', dead);
    await post(`batches/${dead.id}/looks`, {
      ...lookBody(0, { seen: { tipped: 0, rotten: 5, basedOn: null } }),
      classes: [{ normal: 0, abnormal: 0, hard: 0, fresh: 0, dead: 5 }],
    });
    expect((await batch(dead.id)).closed).toBeTrue();
  });

  it('keeps the chance of a late one with what was set aside', async () => {
    await post(`batches/${home.batchId}/closings`, { id: uuid(), reason: 'set_aside' });
    const aside = await batch();
    expect(aside.closedInWords).toMatch(/ that one of the \d+ quiet seeds still comes: leave the bag in a corner\.$/);
    expect(aside.journal[0]?.text).toBe('Closed: set aside, a late one may still come.');
  });
});
