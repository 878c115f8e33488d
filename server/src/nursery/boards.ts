import { DateTime } from 'luxon';
import type { Nursery, NurseryPlace } from '@fresh-tuck/contract';
import {
  comesAsBlade,
  PLANTING_DAYS,
  plantingDayTasks,
  urgencyOf,
  weatherOf,
  type NursingSchools,
  type WeatherSpan,
} from '@fresh-tuck/core/nursing';
import { DAY_MS, offsetHours, wordsFor, type Words } from '@fresh-tuck/core/units';
import { nurseryLead, trayTaskInWords } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import type { TrayCare } from './care.js';
import { litPlace, skyOf, usualLight } from './lit.js';
import { raising } from './raised.js';
import { bedsOf } from './in-beds.js';
import { BARE, shownTasks, told, type OwnTask } from './rounds.js';
import { keyOf, racksWithFree, standsIn } from './places.js';
import { trayView } from './tray-view.js';
import type { StandingTray } from './trays.js';

/** The weather that was told of the days ahead. */
function weekAhead(spans: readonly WeatherSpan[], zone: string, midnightMs: number): Nursery['weather'] {
  return Array.from({ length: 7 }, (_, days) => {
    const from = DateTime.fromMillis(midnightMs, { zone }).plus({ days });
    const told = weatherOf(spans, from.toMillis(), from.plus({ days: 1 }).toMillis());
    return { day: from.toISODate() ?? '', minC: told?.minC ?? null, maxC: told?.maxC ?? null, windKmh: told?.windKmh ?? null };
  });
}

/** The Nursery: what stands where, at which stage, and what is to be done. */
export function nurseryView(reader: Reader) {
  const { beds, care, household, nursery, racks, spots, stands, trays } = reader;
  const { factsOf, lessonsFor } = raising(reader);
  const inBeds = bedsOf(reader);

  /** What is put up on planting day for what has left the nursery lately. @param own trays that are in it still */
  function justPlanted(own: ReadonlySet<string>, nowMs: number, offset: number, words: Words, schools: NursingSchools): OwnTask[] {
    const out = trays.with(nursery.outSince(nowMs - PLANTING_DAYS * DAY_MS)).filter(({ id }) => !own.has(id));
    const cares = care.of(out, nowMs);
    return out.flatMap((tray) => {
      const done = cares.get(tray.id) as TrayCare;
      const facts = factsOf(tray, done, nowMs, offset);
      const stand = tray.plants.filter(({ goneMs }) => goneMs === null).length;
      const spoken = {
        name: facts.crop.name,
        variety: tray.variety,
        destination: 'bed' as const,
        plants: stand,
        blade: comesAsBlade(facts.crop),
      };
      return plantingDayTasks(facts, done.planted, nowMs).map((task): OwnTask => ({
        task,
        trayId: tray.id,
        spoken,
        words: trayTaskInWords(task, spoken, schools, 0, words),
      }));
    });
  }

  return (nowMs: number): Nursery => {
    const home = household.get();
    const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
    const offset = offsetHours(home.zone, nowMs);
    const { schools } = home.nursing;
    const nursed = stands.nursed();
    const held = new Set(nursed);
    const standing = trays.with(nursed).filter(({ plants }) => plants.some(({ number }) => held.has(number)));
    const cares = care.of(standing, nowMs);
    const own = new Set(standing.map(({ id }) => id));
    const lessons = new Map(
      [...new Set(standing.map(({ cropId }) => cropId))].map((cropId) => [cropId, lessonsFor(cropId, own, nowMs, offset)]),
    );

    const midnightMs = DateTime.fromMillis(nowMs, { zone: home.zone }).startOf('day').toMillis();
    const weather = reader.weather.within(midnightMs, midnightMs + 8 * 86_400_000);
    const daylitAt = (spotId: string | null) =>
      spotId === null ? 'dark' : (care.lightAt(spotId, nowMs)?.light ?? usualLight(spots.get(spotId).kind)).daylit;

    const batches = standing.map(({ batchId }) => batchId);
    function worked(tray: StandingTray) {
      const done = cares.get(tray.id) as TrayCare;
      const there = tray.plants.filter(({ number }) => held.has(number));
      return trayView(tray, done, factsOf(tray, done, nowMs, offset), there, {
        ...{ home, words, nowMs, offset, midnightMs, weather, lessons: lessons.get(tray.cropId) ?? {} },
        daylit: daylitAt(done.places.at(-1)?.spotId ?? null),
        whole: batches.filter((id) => id === tray.batchId).length === 1,
      });
    }
    const all = standing.map(worked);
    const tasks = shownTasks(
      [...all.flatMap((one) => one.tasks), ...justPlanted(own, nowMs, offset, words, schools)],
      schools,
      nowMs,
      words,
    );
    const known = beds.list(nowMs);
    tasks.push(...inBeds.tasks(known, all, nowMs, words));

    const sky = skyOf(home, nowMs);
    const sites = spots.list(home.zone, home.units, nowMs);
    const { shared, rackOf, bedOf } = standsIn(all, racks.list(), racks.slotted(), new Set(known.map(({ id }) => id)));
    const lightOf = (spot: (typeof sites)[number], here: typeof all) => {
      const said = care.lightAt(spot.id, nowMs);
      const setup = said?.light ?? usualLight(spot.kind);
      const lit = sky && litPlace({ name: spot.name, setup, setMs: said?.fromMs ?? nowMs }, here, sky, { nowMs, zone: home.zone, words });
      for (const { kind, dueMs, ...task } of lit?.tasks ?? [])
        tasks.push({ ...BARE, ...told(task, Math.max(dueMs, nowMs), nowMs, words), kind, spotId: spot.id });
      return { setup, light: lit?.light ?? null };
    };
    const places = [...sites, null].flatMap((spot): NurseryPlace[] => {
      const here = all.filter(({ spotId }) => spotId === (spot?.id ?? null));
      const loose = here.filter(({ shown }) => !rackOf.has(keyOf(shown)) && !bedOf.has(keyOf(shown))).map(({ shown }) => shown);
      // What stands in a rack on the sill is lit by its window too.
      const lit = spot && here.length > 0 ? lightOf(spot, here) : { setup: null, light: null };
      const inRacks = shared.filter(({ first }) => first.spotId === (spot?.id ?? null)).map(({ place }) => ({ ...place, ...lit }));
      if (loose.length === 0) return inRacks;
      const at = spot ?? { id: null, name: 'Somewhere', kind: null, inWords: 'nobody has said where' };
      return [
        { spotId: at.id, name: at.name, kind: at.kind, inWords: at.inWords, ...lit, trays: loose, bed: null, rack: null },
        ...inRacks.map((one) => ({ ...one, light: null })),
      ];
    });
    const inBed = new Map<string, NurseryPlace['trays']>();
    for (const { shown } of all) {
      const bedId = bedOf.get(keyOf(shown));
      if (bedId) inBed.set(bedId, [...(inBed.get(bedId) ?? []), shown]);
    }
    places.push(...inBeds.places(known, inBed, words));

    const left = stands.counts();
    const out = left.planted_out + left.ripe;
    // What is due now in the order of what does harm first; the rest by its hour.
    tasks.sort((a, b) => Number(b.today) - Number(a.today) || a.dueMs - b.dueMs || urgencyOf(a.kind) - urgencyOf(b.kind));
    const due = tasks.filter(({ today, spotId }) => today && spotId === null);
    return {
      nowMs,
      lead: nurseryLead([...new Set(due.map(({ lead }) => lead))], nursed.length, out),
      ...{ standing: nursed.length, out, gone: left.gone + left.harvested },
      tasks,
      places,
      spots: sites.map(({ id, name }) => ({ id, name })),
      beds: known.map(({ id, name }) => ({ id, name })),
      racks: racksWithFree(racks.list(), racks.slotted()),
      weather: weekAhead(weather, home.zone, midnightMs),
      located: sky !== null,
    };
  };
}
