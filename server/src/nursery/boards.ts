import { DateTime } from 'luxon';
import QuickLRU from 'quick-lru';
import { PLACE_KINDS, type Nursery, type NurseryPlace, type NurseryTask, type PlaceLight, type Tray } from '@fresh-tuck/contract';
import {
  countsOf,
  dueToday,
  feltInstead,
  heightCm,
  lampGap,
  lessonsOf,
  NURSED,
  placeDay,
  reached,
  settledBy,
  trayAwaits,
  trayTasks,
  wantedLight,
  type Lessons,
  type Sky,
  type TrayFacts,
} from '@fresh-tuck/core/nursing';
import { survivalFor } from '@fresh-tuck/core/moving';
import { offsetHours, wordsFor, type Words } from '@fresh-tuck/core/units';
import {
  awaitedInWords,
  lampTasksInWords,
  lightInWords,
  nurseryLead,
  standsInWords,
  taskWhen,
  trayTaskInWords,
  type SpokenTask,
} from '@fresh-tuck/core/words';
import { placeNow, type Stay } from '@fresh-tuck/core/warmth';
import type { Reader } from '../forecasts/reader.js';
import type { TrayCare } from './care.js';
import type { StandingTray } from './trays.js';
import { groupsOf } from './view.js';

const DAY_MS = 86_400_000;
/** Earlier moves of a crop that teach: more tell little more. */
const MOST_TAUGHT = 8;
const KEPT = 400;
/** How light gets to a place of a kind until its household says. Common practice, no source. */
const DARK: PlaceLight = { daylit: 'dark', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp: null };
const USUAL_LIGHT: Readonly<Record<string, PlaceLight>> = {
  sill: { ...DARK, daylit: 'window' },
  cool_room: { ...DARK, daylit: 'roof' },
  plot: { ...DARK, daylit: 'open' },
};
/** Bare of any word on where it stands, a tray is in a room. */
const SOMEWHERE = { minC: PLACE_KINDS.room.minC, maxC: PLACE_KINDS.room.maxC };

/** The Nursery: what stands where, at which stage, and what is to be done. */
export function nurseryView(reader: Reader) {
  const { care, crops, household, nursery, spots, trays, warm } = reader;
  const taught = new QuickLRU<string, Lessons>({ maxSize: KEPT });

  function staysOf({ movedMs }: StandingTray, { places }: Pick<TrayCare, 'places'>, nowMs: number, offset: number): Stay[] {
    if (places.length === 0) return [{ fromMs: movedMs, readings: [], guess: SOMEWHERE }];
    return places.map(({ spotId, fromMs }, index) => {
      const until = places[index + 1]?.fromMs ?? null;
      const place = until === null ? warm.place(spotId, nowMs, offset) : warm.record(spotId, fromMs - DAY_MS, until);
      // Where it was put first it has stood since the move.
      return { fromMs: index === 0 ? Math.min(fromMs, movedMs) : fromMs, readings: place.readings, guess: place.guess };
    });
  }

  function factsOf(tray: StandingTray, done: TrayCare, nowMs: number, offset: number): TrayFacts {
    const fates = nursery.fates(tray.cropId)[tray.destination] ?? { lived: 0, lost: 0 };
    return {
      crop: crops.crop(tray.cropId),
      destination: tray.destination,
      movedMs: tray.movedMs,
      plants: tray.plants,
      stays: staysOf(tray, done, nowMs, offset),
      seenMs: done.seenMs,
      survival: survivalFor(tray.destination, fates),
      finalPot: tray.last || FINAL.includes(tray.destination),
      pottedMs: tray.pottedMs,
    };
  }

  /** What earlier trays of a crop taught; each is worked out once for as long as nothing is said of it. */
  function lessonsFor(cropId: string, notThese: ReadonlySet<string>, nowMs: number, offset: number): Lessons {
    const past = trays.ofCrop(cropId, MOST_TAUGHT).filter(({ id }) => !notThese.has(id));
    const cares = care.of(new Map(past.map(({ id, destination }) => [id, destination])), nowMs);
    const lessons: Record<string, NonNullable<Lessons[keyof Lessons]>[number][]> = {};
    for (const tray of past) {
      const done = cares.get(tray.id);
      if (!done || !tray.plants.some(({ marks }) => marks.length > 0)) continue;
      const key = JSON.stringify([tray.id, tray.plants, done.places, done.seenMs, crops.known(cropId).version]);
      let own = taught.get(key);
      if (!own) {
        own = lessonsOf(factsOf(tray, done, nowMs, offset), tray.id, nowMs, offset);
        taught.set(key, own);
      }
      for (const [step, lots] of Object.entries(own)) (lessons[step] ??= []).push(...lots);
    }
    return lessons;
  }

  function skyOf(zone: string, nowMs: number): Sky | null {
    const { sky } = household.get().nursing;
    if (!sky) return null;
    const year = DateTime.fromMillis(nowMs, { zone }).year;
    const offset = Math.min(...[1, 7].map((month) => DateTime.fromObject({ year, month, day: 1 }, { zone }).offset)) / 60;
    return { ...sky, longitude: sky.longitude ?? offset * 15 };
  }

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
    const cares = care.of(new Map(standing.map(({ id, destination }) => [id, destination])), nowMs);
    const sky = skyOf(home.zone, nowMs);
    const own = new Set(standing.map(({ id }) => id));
    const lessons = new Map(
      [...new Set(standing.map(({ cropId }) => cropId))].map((cropId) => [cropId, lessonsFor(cropId, own, nowMs, offset)]),
    );

    const worked = standing.map((tray) => {
      const done = cares.get(tray.id) as TrayCare;
      const facts = factsOf(tray, done, nowMs, offset);
      const awaited = trayAwaits(facts, lessons.get(tray.cropId) ?? {}, nowMs, offset);
      const spotId = done.places.at(-1)?.spotId ?? null;
      const last = facts.stays.at(-1);
      const now = last ? placeNow(last.readings, last.guess, nowMs, offset) : SOMEWHERE;
      const celsius = (now.minC + now.maxC) / 2;
      const there = tray.plants.filter(({ number }) => held.has(number));
      const spoken = { name: facts.crop.name, variety: tray.variety, destination: tray.destination, plants: there.length };
      const tasks = trayTasks(facts, { ...done, celsius }, awaited, schools, nowMs).map((task) => ({
        ...told(trayTaskInWords(task, spoken, schools, celsius, words), task.dueMs, nowMs, words),
        ...{ kind: task.kind, trayId: tray.id, spotId: null, numbers: 'numbers' in task ? [...task.numbers] : [] },
        done: settledBy(task, schools),
        instead: feltInstead(task),
      }));
      const late = new Map(awaited.flatMap((one) => one.late.map(({ number, comes }) => [number, comes] as const)));
      const shown: Tray = {
        ...{
          id: tray.id,
          batchId: tray.batchId,
          batchNumber: tray.batchNumber,
          cropId: tray.cropId,
          name: facts.crop.name,
          variety: tray.variety,
        },
        ...{
          destination: tray.destination,
          finalPot: facts.finalPot,
          blade: BLADES.includes(facts.crop.family),
          cover: done.cover,
          movedMs: tray.movedMs,
        },
        plants: there.map(({ number, stage, proved, role, grade }) => ({
          number,
          stage,
          proved,
          role,
          grade,
          late: late.get(number) ?? null,
        })),
        stands: standsInWords(countsOf(there.map(({ stage }) => stage))),
        awaited: awaited.flatMap((one) => awaitedInWords(one, nowMs, words) ?? []),
        tone: tasks.find(({ today }) => today)?.tone ?? 'growth',
      };
      return { spotId, facts, shown, tasks, there, done };
    });

    const tasks: NurseryTask[] = worked.flatMap((one) => one.tasks);
    const places = [...spots.list(home.zone, home.units, nowMs), null].flatMap((spot): NurseryPlace[] => {
      const here = worked.filter(({ spotId }) => spotId === (spot?.id ?? null));
      if (here.length === 0) return [];
      const said = spot ? care.lightAt(spot.id, nowMs) : null;
      const setup = said?.light ?? (spot ? (USUAL_LIGHT[spot.kind] ?? DARK) : null);
      const light = spot && setup && sky ? lightOf(spot, setup, said?.fromMs ?? nowMs, here, sky) : null;
      if (light) tasks.push(...light.tasks);
      return [
        {
          ...{
            spotId: spot?.id ?? null,
            name: spot?.name ?? 'Somewhere',
            kind: spot?.kind ?? null,
            inWords: spot?.inWords ?? 'nobody has said where',
          },
          ...{ setup, light: light?.day ?? null, trays: here.map(({ shown }) => shown) },
        },
      ];
    });

    function lightOf(
      spot: { readonly id: string; readonly name: string },
      setup: PlaceLight,
      setMs: number,
      here: typeof worked,
      at: Sky,
    ): { readonly day: NonNullable<NurseryPlace['light']>; readonly tasks: NurseryTask[] } | null {
      // Who wants most is lit for; who wants less bears it.
      const wants = here.flatMap(({ facts, there }) => there.flatMap(({ stage }) => wantedLight(facts.crop, stage) ?? []));
      const most = wants.sort((a, b) => b.low - a.low)[0];
      if (!most) return null;
      const upMs = here.flatMap(({ there }) => there.flatMap(({ marks }) => marks.find(({ stage }) => reached(stage, 'up'))?.atMs ?? []));
      const tallest = heightCm((nowMs - Math.min(...upMs)) / DAY_MS);
      const gap = setup.lamp ? lampGap(lampOf(setup.lamp), tallest - heightCm((setMs - Math.min(...upMs)) / DAY_MS)) : null;
      const noonMs = DateTime.fromMillis(nowMs, { zone: home.zone }).startOf('day').plus({ hours: 12 }).toMillis();
      const covered = here.every(({ done }) => done.cover === 'on');
      const day = placeDay({ ...setup, lamp: setup.lamp && lampOf(setup.lamp) }, at, most, {
        ...{ noonMs, covered, gapCm: gap?.gapCm ?? 1, switched: setup.lamp?.hours ?? null },
      });
      const hourOf = (ms: number): number => (ms - (noonMs - 12 * 3_600_000)) / 3_600_000;
      return {
        day: {
          ...{
            wantedLow: most.low,
            wantedHigh: most.high,
            daylight: day.daylight.usual,
            daylightLow: day.daylight.low,
            daylightHigh: day.daylight.high,
          },
          ...{ lamp: day.lamp?.brings ?? 0, riseHour: day.riseMs && hourOf(day.riseMs), setHour: day.setMs && hourOf(day.setMs) },
          ...{ lampFromHour: day.lamp && hourOf(day.lamp.fromMs), lampToHour: day.lamp && hourOf(day.lamp.toMs) },
          ...{ text: lightInWords(day, setup.lamp !== null), enough: day.short <= 0 },
        },
        tasks: lampTasksInWords(day, gap, spot.name, words).map(({ kind, dueMs, ...task }) => ({
          ...told(task, Math.max(dueMs, nowMs), nowMs, words),
          ...{ kind, trayId: null, spotId: spot.id, numbers: [], done: null, instead: null },
        })),
      };
    }

    const due = tasks.filter(({ today }) => today);
    return {
      nowMs,
      lead: nurseryLead(
        [...new Set(due.filter(({ spotId }) => spotId === null).map(({ lead }) => lead))],
        nursed.length,
        count('planted_out') + count('ripe'),
      ),
      ...{ standing: nursed.length, out: count('planted_out') + count('ripe'), gone: count('gone') + count('harvested') },
      tasks: tasks.sort((a, b) => Number(b.today) - Number(a.today) || a.dueMs - b.dueMs),
      places,
      spots: spots.list(home.zone, home.units, nowMs).map(({ id, name }) => ({ id, name })),
      located: sky !== null,
    };
  };
}

const FINAL: readonly StandingTray['destination'][] = ['bed', 'slot', 'terrarium', 'glass'];
/** Kin whose seedlings are blades. */
const BLADES: readonly string[] = ['Amaryllidaceae', 'Asparagaceae', 'Poaceae', 'Arecaceae'];
const lampOf = ({ kind, micromol, gapCm, watts }: NonNullable<PlaceLight['lamp']>) => ({ kind, micromol, gapCm, watts });
const told = ({ lead, text, act, tone }: SpokenTask, dueMs: number, nowMs: number, words: Words) => ({
  ...{ lead, text, act, tone, dueMs },
  today: dueToday({ dueMs }, nowMs),
  when: taskWhen(dueMs, nowMs, words),
});
