import { randomBytes } from 'node:crypto';
import { v7 } from 'uuid';
import { batchRequest } from '@fresh-tuck/contract';
import { CROPS } from '@fresh-tuck/core/crops';
import { usualSteps } from '@fresh-tuck/core/preparing';
import { clockFrom, openDatabase, servicesOn } from '@fresh-tuck/server';
import { randomFrom } from '@fresh-tuck/core/testing';
import { fillNotebook } from './notebook.js';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
export const GROWTH_NOW = '2026-04-11T07:10:00+02:00';
export const NOW_MS = Date.parse(GROWTH_NOW);
const ZONE = 'Europe/Copenhagen';
const LIVE = 60;
/** What a year leaves behind, so that ten are 4,000 batches, 60,000 looks, 400,000 readings, 20,000 seedlings, 1,500 packets. */
const A_YEAR = { batches: 394, packets: 144, photos: 200 } as const;
const LOOKS = 15;
const SPOTS = [
  ['Hall cupboard', 'cupboard', 24, 1],
  ['Heat mat', 'mat', 27, 1.5],
  ['Kitchen shelf', 'room', 20, 2],
  ['Boiler top', 'heater', 26, 2],
  ['Porch', 'cool_room', 13, 4],
  ['Fridge', 'fridge', 4, 1],
] as const;
/** Spots whose logger writes every hour; the others are typed once a day. */
const LOGGED = 4;
const KINDS = 48;

/** What was made, counted. */
export interface Made {
  readonly [what: string]: number;
}

/**
 * Makes a household of so many years in a folder, through the server's own
 * stores, with every kind of record that years leave behind.
 *
 * @param years 0 for one that only has its live batches
 */
export async function makeHousehold(file: string, years: number): Promise<Made> {
  const clock = clockFrom(NOW_MS, true);
  const services = servicesOn(openDatabase(file), clock, { demo: false, version: 'growth' });
  const { beds, db, household, spots, packets, holders, batches, journal, nursery } = services;
  const random = randomFrom(7);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
  const idAt = (ms: number): string => v7({ msecs: Math.round(ms), random: randomBytes(16) });
  const act = db.prepare('INSERT INTO act (id, kind, body_hash, recorded_ms, reply) VALUES (?, ?, ?, ?, ?)');
  const acted = (id: string, kind: string, ms: number): void => void act.run(id, kind, '0'.repeat(64), Math.round(ms), 'null');
  const firstMs = NOW_MS - Math.max(years * 365, 40) * DAY_MS;
  const crops = CROPS.filter((_, index) => index % Math.ceil(CROPS.length / KINDS) === 0 || index < 20).slice(0, KINDS);
  const looks: { id: string; ms: number }[] = [];

  const begin = db.transaction(() => {
    household.save(
      { id: idAt(firstMs), name: 'Growth', zone: ZONE, units: 'metric', lookingTimes: ['07:00', '18:30'], millilitresPerSpray: 0.8 },
      firstMs,
    );
  });
  begin();
  const spotIds = SPOTS.map(([name, kind]) => {
    const id = idAt(firstMs);
    spots.add({ id, name, kind }, firstMs);
    return id;
  });

  const bedIds = ['North', 'South', 'East', 'West'].map((name) => {
    const id = idAt(firstMs);
    beds.add({ id, name: `${name} bed`, widthM: 1.2, lengthM: 8, madeYear: null }, firstMs);
    return id;
  });

  const reading = db.prepare('INSERT INTO reading (id, spot_id, from_ms, to_ms, min_c, max_c, recorded_ms) VALUES (?, ?, ?, ?, ?, ?, ?)');
  db.transaction(() => {
    const days = Math.round((NOW_MS - firstMs) / DAY_MS);
    for (let day = 0; day < days; day++) {
      SPOTS.forEach(([, , middle, swing], index) => {
        const fromMs = firstMs + day * DAY_MS;
        const step = index < LOGGED ? HOUR_MS : DAY_MS;
        for (let ms = fromMs; ms < fromMs + DAY_MS; ms += step) {
          const celsius = middle + swing * (random() - 0.5);
          const half = step === DAY_MS ? swing / 2 : 0.2;
          reading.run(idAt(ms), spotIds[index], ms, ms + step, celsius - half, celsius + half, ms + step);
        }
      });
    }
  })();

  const packetIds: { id: string; cropId: string; ms: number }[] = [];
  db.transaction(() => {
    const count = LIVE + A_YEAR.packets * years;
    for (let index = 0; index < count; index++) {
      const ms = Math.round(firstMs + ((NOW_MS - firstMs) * index) / count);
      const id = idAt(ms);
      const crop = pick(crops);
      packets.add(
        {
          id,
          cropId: crop.id,
          variety: `Variety ${index}`,
          year: new Date(ms).getUTCFullYear(),
          source: 'swap',
          printedRatePercent: 70 + Math.round(random() * 25),
          printedDays: null,
          dressed: false,
          trait: null,
          generation: null,
          motherId: null,
          fatherId: null,
          isolation: null,
          isolationM: null,
          storage: { place: 'room', celsius: null, dryness: 'dry' },
          seedsPerGram: null,
          note: null,
          price: null,
          seedCount: 400,
          grams: null,
        },
        ms,
      );
      acted(id, 'packet', ms);
      packetIds.push({ id, cropId: crop.id, ms });
    }
  })();

  const seedlingEvent = (number: number, kind: 'stage' | 'lost', stage: string | null, why: string | null, ms: number): void => {
    const id = idAt(ms);
    const bed = stage === 'planted_out' ? { bedId: pick(bedIds) } : {};
    nursery.say([number], id, kind === 'stage' ? { kind, stage: stage as 'up', ...bed } : { kind, why: why ?? '' }, ms, ms);
    acted(id, `seedling ${number}`, ms);
  };

  const said = db.prepare('INSERT OR IGNORE INTO said (batch_id, at_ms, model, verdict, next_ms, lead) VALUES (?, ?, ?, ?, ?, ?)');
  function oneBatch(begunMs: number, live: boolean): void {
    const startMs = Math.round(begunMs);
    const known = packetIds.filter(({ ms }) => ms <= startMs);
    const packet = pick(known.length > 0 ? known.slice(-200) : packetIds);
    const crop = CROPS.find(({ id }) => id === packet.cropId);
    if (!crop) return;
    const seeds = 4 + Math.floor(random() * 20);
    const id = idAt(startMs);
    const holderId = idAt(startMs);
    holders.add(holderId, 'bag', 'sealed_air', pick(spotIds.slice(0, 5)), startMs, startMs);
    batches.add(
      batchRequest.parse({
        id,
        packetId: packet.id,
        method: 'towel',
        seeds,
        wanted: Math.ceil(seeds * 0.6),
        startAt: null,
        chillDays: null,
        prepared: usualSteps(crop),
        towel: { widthMm: 140, heightMm: 110, plies: 2 },
        doseMl: 7,
        holder: { holderId },
      }),
      {
        number: household.takeNumber(),
        token: idAt(startMs),
        startMs,
        soakUntilMs: null,
        secondStep: null,
        newId: () => idAt(startMs),
        holderId,
        nowMs: startMs,
      },
    );
    acted(id, 'batch', startMs);
    const living = Math.round(seeds * (0.6 + 0.35 * random()));
    const tips = Array.from(
      { length: living },
      () => crop.days.tipAtOptimum * Math.exp(0.4 * (random() + random() + random() - 1.5)) * 1.4 * DAY_MS,
    ).sort((a, b) => a - b);
    const lastMs = live ? NOW_MS : startMs + (tips.at(-1) ?? DAY_MS) * 1.5;
    const stepMs = Math.max((lastMs - startMs) / (LOOKS + 1), 6 * HOUR_MS);
    let tipped = 0;
    let atMs = startMs;
    for (let look = 0; look < LOOKS && atMs + stepMs < Math.min(lastMs, NOW_MS) + HOUR_MS; look++) {
      atMs = Math.round(Math.min(atMs + stepMs, NOW_MS - 60_000));
      const now = tips.filter((tip) => startMs + tip <= atMs).length;
      const marks = Array.from({ length: now - tipped }, (_, index) => ({ seed: tipped + index + 1, stage: 'tip' as const, rootMm: 2 }));
      tipped = now;
      const lookId = idAt(atMs);
      journal.addLook(
        { id: lookId, batchId: id, atMs, nowMs: atMs, who: pick(['Ada', 'Bo', 'Cy', null]), note: null },
        {
          id: lookId,
          at: null,
          via: 'opened',
          seen: { tipped, rotten: 0, lost: 0, basedOn: null },
          marks,
          damp: 'damp',
          rewetted: false,
          troubles: [],
          who: null,
          note: null,
          classes: null,
          supersedes: null,
        },
      );
      acted(lookId, `look ${id}`, atMs);
      looks.push({ id: lookId, ms: atMs });
      said.run(id, Math.round(atMs), 'growth', 'leave', Math.round(atMs + DAY_MS), 'leave it shut');
    }
    if (live || tipped === 0) {
      if (!live) close(id, atMs, 'given_up');
      return;
    }
    const moved = Math.min(tipped, 5 + Math.floor(random() * 2));
    const moveId = idAt(atMs + 1000);
    journal.addMove(
      { id: moveId, batchId: id, atMs: atMs + 1000, nowMs: atMs + 1000 },
      {
        id: moveId,
        at: null,
        seeds: Array.from({ length: moved }, (_, index) => index + 1),
        uncounted: 0,
        destination: 'cup',
        bedId: null,
        rooted: { freed: 0, patched: 0, snapped: 0 },
        quietPlanted: 0,
        who: null,
      },
      household.takeNumber,
    );
    acted(moveId, `move ${id}`, atMs);
    const cups = journal.entries(id).flatMap((entry) => (entry.kind === 'move' ? entry.move.cups.map(({ number }) => number) : []));
    for (const number of cups) {
      seedlingEvent(number, 'stage', 'up', null, atMs + 4 * DAY_MS);
      if (random() < 0.2) seedlingEvent(number, 'lost', null, 'damped off', atMs + 8 * DAY_MS);
      else {
        seedlingEvent(number, 'stage', 'true_leaves', null, atMs + 14 * DAY_MS);
        const outMs = atMs + 40 * DAY_MS;
        if (outMs < NOW_MS) seedlingEvent(number, 'stage', 'planted_out', null, outMs);
        // One in ten is never said to be harvested.
        if (outMs + 90 * DAY_MS < NOW_MS && random() < 0.9) seedlingEvent(number, 'stage', 'harvested', null, outMs + 90 * DAY_MS);
      }
    }
    close(id, atMs + 2000, 'all_moved');
  }
  function close(id: string, ms: number, reason: 'all_moved' | 'given_up'): void {
    const closeId = idAt(ms);
    journal.addClosing({ id: closeId, batchId: id, atMs: ms, nowMs: ms }, reason);
    acted(closeId, `close ${id}`, ms);
  }

  const finished = A_YEAR.batches * years;
  for (let index = 0; index < finished; index += 100) {
    db.transaction(() => {
      for (let nth = index; nth < Math.min(index + 100, finished); nth++) {
        oneBatch(firstMs + ((NOW_MS - 30 * DAY_MS - firstMs) * nth) / finished, false);
      }
    })();
  }
  db.transaction(() => {
    for (let nth = 0; nth < LIVE; nth++) oneBatch(NOW_MS - (1 + random() * 9) * DAY_MS, true);
    // Two packets in five have been used up.
    packetIds
      .slice(0, -LIVE)
      .forEach(
        ({ id }, index) => index % 5 < 2 && packets.count(id, idAt(NOW_MS), { seeds: 0, grams: null }, { atMs: NOW_MS, nowMs: NOW_MS }),
      );
  })();
  for (let nth = 0; nth < A_YEAR.photos * years; nth++) {
    const bytes = Buffer.concat([Buffer.from('ffd8ffe0', 'hex'), randomBytes(20_000)]);
    const content = await services.photoFiles.put(bytes, 'image/jpeg');
    const look = pick(looks);
    services.photos.add({ id: idAt(look.ms), type: 'image/jpeg', content, size: bytes.length }, look.id, look.ms);
  }
  fillNotebook(services, db, NOW_MS, years);
  const count = (table: string): number => (db.prepare(`SELECT count(*) AS n FROM ${table}`).get() as { n: number }).n;
  const made = {
    batches: count('batch'),
    live: batches.liveIds().length,
    looks: count('look'),
    readings: count('reading'),
    seedlings: count('cup'),
    packets: count('packet'),
    photographs: count('photo'),
    notes: count('note_word'),
    trials: count('trial_word'),
    acts: count('act'),
  };
  db.pragma('wal_checkpoint(TRUNCATE)');
  await services.close();
  return made;
}
