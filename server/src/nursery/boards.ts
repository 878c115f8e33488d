import { DateTime } from 'luxon';
import type { Nursery, NurseryPlace } from '@fresh-tuck/contract';
import { NURSED, urgencyOf, weatherOf, type WeatherSpan } from '@fresh-tuck/core/nursing';
import { offsetHours, wordsFor } from '@fresh-tuck/core/units';
import { nurseryLead } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import type { TrayCare } from './care.js';
import { litPlace, skyOf, usualLight } from './lit.js';
import { raising } from './raised.js';
import { shownTasks, told } from './rounds.js';
import { trayView } from './tray-view.js';
import type { StandingTray } from './trays.js';
import { groupsOf } from './view.js';

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
  const { care, household, nursery, spots, trays } = reader;
  const { factsOf, lessonsFor } = raising(reader);

  return (nowMs: number): Nursery => {
    const home = household.get();
    const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
    const offset = offsetHours(home.zone, nowMs);
    const { schools } = home.nursing;
    const groups = groupsOf(nursery);
    const count = (group: Parameters<typeof groups.get>[0]): number => groups.get(group)?.length ?? 0;
    const nursed = NURSED.flatMap((stage) => groups.get(stage) ?? []);
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
      all.flatMap((one) => one.tasks),
      schools,
      nowMs,
      words,
    );

    const sky = skyOf(home, nowMs);
    const places = [...spots.list(home.zone, home.units, nowMs), null].flatMap((spot): NurseryPlace[] => {
      const here = all.filter(({ spotId }) => spotId === (spot?.id ?? null));
      if (here.length === 0) return [];
      const shown = here.map((one) => one.shown);
      if (!spot)
        return [{ spotId: null, name: 'Somewhere', kind: null, inWords: 'nobody has said where', setup: null, light: null, trays: shown }];
      const said = care.lightAt(spot.id, nowMs);
      const setup = said?.light ?? usualLight(spot.kind);
      const lit = sky && litPlace({ name: spot.name, setup, setMs: said?.fromMs ?? nowMs }, here, sky, { nowMs, zone: home.zone, words });
      for (const { kind, dueMs, ...task } of lit?.tasks ?? [])
        tasks.push({
          ...told(task, Math.max(dueMs, nowMs), nowMs, words),
          ...{ kind, trayIds: [], spotId: spot.id, numbers: [], done: null, instead: null },
        });
      return [{ spotId: spot.id, name: spot.name, kind: spot.kind, inWords: spot.inWords, setup, light: lit?.light ?? null, trays: shown }];
    });

    const out = count('planted_out') + count('ripe');
    // What is due now in the order of what does harm first; the rest by its hour.
    tasks.sort((a, b) => Number(b.today) - Number(a.today) || a.dueMs - b.dueMs || urgencyOf(a.kind) - urgencyOf(b.kind));
    const due = tasks.filter(({ today, spotId }) => today && spotId === null);
    return {
      nowMs,
      lead: nurseryLead([...new Set(due.map(({ lead }) => lead))], nursed.length, out),
      ...{ standing: nursed.length, out, gone: count('gone') + count('harvested') },
      tasks,
      places,
      spots: spots.list(home.zone, home.units, nowMs).map(({ id, name }) => ({ id, name })),
      weather: weekAhead(weather, home.zone, midnightMs),
      located: sky !== null,
    };
  };
}
