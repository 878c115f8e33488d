import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { clockFrom, openDatabase, servicesOn, type Services } from '@fresh-tuck/server';
import { buildDemo } from './build.js';
import { BOX } from './box.js';
import { TRAYS } from './nursery-trays.js';
import { PACKETS } from './notebook-build.js';
import { HOUSEHOLD } from './household.js';
import { PARCELS } from './parcels.js';
import { truthOf } from './truth.js';

const HALF_DAY_MS = 12 * 3_600_000;

describe('Lantern Court', () => {
  let services: Services;
  let nowMs = 0;
  const titled = (cropId: string) => {
    const id =
      services.batches.liveIds().find((batchId) => services.packets.get(services.batches.get(batchId).packet_id).crop_id === cropId) ?? '';
    return services.ask.value('batch', nowMs, id);
  };

  beforeAll(async () => {
    let clock = clockFrom(0, true);
    services = servicesOn(openDatabase(':memory:'), { now: () => clock.now() }, { demo: true, version: 'test' });
    await buildDemo(services, { set: (ms) => (clock = clockFrom(ms, true)) });
    nowMs = clock.now();
  }, 60_000);

  it('opens with eleven, three of them no towels or not on one yet, each showing what it is there for', async () => {
    expect(services.batches.liveIds().length).toBe(11);
    expect(new Set(PARCELS.map(({ shows }) => shows)).size).toBe(11);
    expect((await titled('okra')).judgement.verdict).toBe('move');
    expect((await titled('celeriac')).judgement.headline.lead).toMatch(/^dries by/);
    expect((await titled('chives')).bagMates).toEqual([(await titled('leek')).number]);
    expect((await titled('strawberry')).answers.next.reason).toBe('chill');
    const ways = await Promise.all(['dill', 'sorrel', 'soybean'].map(titled));
    expect(ways.map(({ facts }) => facts.method)).toEqual(['pod', 'plug', 'towel']);
    expect(ways.map(({ answers }) => answers.soaking !== null)).toEqual([false, false, true]);
    expect((await titled('melon')).judgement.advice[0]?.button?.act).toEqual({
      does: 'start',
      packet: 'other',
      seeds: 7,
      again: { method: 'towel' },
    });
    const late = await titled('sweet-pea');
    expect(late.answers.now.high - late.answers.now.low).toBeGreaterThan(3);
    const leek = (await titled('leek')).answers.state;
    expect([leek.counted.length > 0, leek.seeds.every(({ stage }) => stage === 'quiet')]).toEqual([true, true]);
    const slow = await titled('tomatillo');
    const truth = truthOf(services, slow.id, nowMs + 60 * HALF_DAY_MS).seeds;
    const come = truth.filter(({ stage }) => stage !== 'quiet' && stage !== 'swollen' && stage !== 'rotten').length;
    expect(come).toBeGreaterThan(slow.answers.state.tipped);
  });

  it('lets everything unseen grow on, never back', () => {
    for (const id of services.batches.liveIds()) {
      const order = ['quiet', 'swollen', 'tip', 'root', 'leaves'];
      for (let step = 0; step < 12; step++) {
        const before = truthOf(services, id, nowMs + step * HALF_DAY_MS).seeds;
        const after = truthOf(services, id, nowMs + (step + 1) * HALF_DAY_MS).seeds;
        after.forEach(({ stage, rootMm }, index) => {
          if (stage === 'rotten') expect(before[index]?.stage).toMatch(/quiet|rotten/);
          else expect(order.indexOf(stage)).toBeGreaterThanOrEqual(order.indexOf(before[index]?.stage ?? ''));
          expect(rootMm ?? 0).toBeGreaterThanOrEqual(before[index]?.rootMm ?? 0);
        });
      }
    }
  });

  it('has a box that asks for every kind of care, last year’s lateness and a test that proved its packet', async () => {
    const packets = services.packets.list();
    const invented = [...PARCELS, ...BOX, ...TRAYS, ...PACKETS].map(({ variety }) => variety);
    expect(packets.map(({ variety }) => variety).filter((variety) => !invented.includes(variety))).toEqual(['Harbour Rose', 'Old Rope']);
    expect(new Set(packets.map(({ variety }) => variety)).size).toBe(packets.length);
    expect(packets.length).toBeGreaterThan(60);
    expect(services.seasons.of('tomato', HOUSEHOLD.zone, services.clock.now()).lateness).toEqual([
      { year: 2025, days: 12, kind: 'plant_out' },
    ]);
    expect(services.racks.list()).toEqual([jasmine.objectContaining({ slots: 8, taken: 7 })]);
    const batch: Pick<BatchWithJournal, 'title'> = await titled('okra');
    expect(batch.title).toBe('Okra, Tall Mast');
  });

  it('is put back from its copy on an empty folder, equal field by field', async () => {
    const base = mkdtempSync(join(tmpdir(), 'fresh-tuck-spec-'));
    const fileOf = (name: string): string => join(base, name, 'household.sqlite');
    const opened = (name: string, now: () => number): Services =>
      servicesOn(openDatabase(fileOf(name)), { now }, { demo: true, version: 'test' });
    const whole = ({ db }: Services): string => {
      const tables = db.prepare("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name").pluck().all() as string[];
      return JSON.stringify(tables.map((name) => [name, db.prepare(`SELECT * FROM "${name}"`).all()]));
    };
    try {
      let clock = clockFrom(0, true);
      const court = opened('court', () => clock.now());
      await buildDemo(court, { set: (ms) => (clock = clockFrom(ms, true)) });
      const name = await court.copies.make('by_hand', clock.now(), HOUSEHOLD.zone);
      const carried = join(base, 'carried.sqlite');
      copyFileSync(join(court.copies.folderOf(name), 'household.sqlite'), carried);
      const empty = opened('empty', () => clock.now());
      const brought = await empty.copies.bring(carried, clock.now(), HOUSEHOLD.zone);
      expect([brought.household, brought.packets, brought.photographsMissing]).toEqual([HOUSEHOLD.name, court.packets.list().length, 0]);
      await empty.close();
      await empty.copies.lay(brought.name);
      const again = opened('empty', () => clock.now());
      expect(whole(again) === whole(court)).toBeTrue();
      expect(await again.ask.value('today', clock.now())).toEqual(await court.ask.value('today', clock.now()));
      await Promise.all([again.close(), court.close()]);
    } finally {
      rmSync(base, { recursive: true, force: true });
    }
  }, 60_000);
});
