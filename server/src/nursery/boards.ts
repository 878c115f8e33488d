import type { Nursery, NurseryPlace, NurseryTask, Tray } from '@fresh-tuck/contract';
import {
  countsOf,
  dueToday,
  feltInstead,
  NURSED,
  settledBy,
  trayAwaits,
  trayTasks,
  urgencyOf,
  type NursingSchools,
  type TrayTask,
} from '@fresh-tuck/core/nursing';
import { offsetHours, wordsFor, type Words } from '@fresh-tuck/core/units';
import {
  awaitedInWords,
  nurseryLead,
  roundInWords,
  standsInWords,
  taskWhen,
  trayTaskInWords,
  type SpokenTask,
  type SpokenTray,
} from '@fresh-tuck/core/words';
import { placeNow } from '@fresh-tuck/core/warmth';
import type { Reader } from '../forecasts/reader.js';
import type { TrayCare } from './care.js';
import { litPlace, skyOf, usualLight } from './lit.js';
import { raising } from './raised.js';
import type { StandingTray } from './trays.js';
import { groupsOf } from './view.js';

/** Kin whose seedlings are blades. */
const BLADES: readonly string[] = ['Amaryllidaceae', 'Asparagaceae', 'Poaceae', 'Arecaceae'];
/** What is done in one round for all that want it. */
const ROUNDS = ['water', 'feed'] as const;
type Round = (typeof ROUNDS)[number];
const isRound = (kind: string): kind is Round => (ROUNDS as readonly string[]).includes(kind);

/** A task with whose it is. */
interface OwnTask {
  readonly task: TrayTask;
  readonly trayId: string;
  readonly spoken: SpokenTray;
  readonly words: SpokenTask;
}

const told = ({ lead, text, act, tone }: SpokenTask, dueMs: number, nowMs: number, words: Words) => ({
  ...{ lead, text, act, tone, dueMs },
  today: dueToday({ dueMs }, nowMs),
  when: taskWhen(dueMs, nowMs, words),
});

/** Tasks as they are shown: those of one round as one. */
function shownTasks(all: readonly OwnTask[], schools: NursingSchools, nowMs: number, words: Words): NurseryTask[] {
  const groups = new Map<string, OwnTask[]>();
  all.forEach((own, index) => {
    const { task, spoken } = own;
    const when = dueToday(task, nowMs) ? 'today' : taskWhen(task.dueMs, nowMs, words);
    const key = isRound(task.kind)
      ? `${task.kind} ${spoken.destination === 'slot' || spoken.destination === 'glass'} ${when}`
      : String(index);
    groups.set(key, [...(groups.get(key) ?? []), own]);
  });
  return [...groups.values()].flatMap((own): NurseryTask[] => {
    const [first] = own;
    if (!first) return [];
    const { task } = first;
    const said = isRound(task.kind)
      ? roundInWords(
          task.kind,
          own.map(({ spoken }) => spoken),
          own.map((one) => one.words),
          schools,
        )
      : first.words;
    return [
      {
        ...told(said, Math.max(Math.min(...own.map((one) => one.task.dueMs)), nowMs), nowMs, words),
        ...{ kind: task.kind, trayIds: own.map(({ trayId }) => trayId), spotId: null, numbers: 'numbers' in task ? [...task.numbers] : [] },
        ...{ done: settledBy(task, schools), instead: feltInstead(task) },
      },
    ];
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
    const cares = care.of(new Map(standing.map(({ id, destination }) => [id, destination])), nowMs);
    const own = new Set(standing.map(({ id }) => id));
    const lessons = new Map(
      [...new Set(standing.map(({ cropId }) => cropId))].map((cropId) => [cropId, lessonsFor(cropId, own, nowMs, offset)]),
    );

    function worked(tray: StandingTray) {
      const done = cares.get(tray.id) as TrayCare;
      const facts = factsOf(tray, done, nowMs, offset);
      const { crop, finalPot } = facts;
      const awaited = trayAwaits(facts, lessons.get(tray.cropId) ?? {}, nowMs, offset);
      const last = facts.stays.at(-1);
      const now = last ? placeNow(last.readings, last.guess, nowMs, offset) : { minC: 0, maxC: 0 };
      const celsius = (now.minC + now.maxC) / 2;
      const there = tray.plants.filter(({ number }) => held.has(number));
      const { id, batchId, batchNumber, cropId, variety, destination, movedMs } = tray;
      const blade = BLADES.includes(crop.family);
      const spoken: SpokenTray = { name: crop.name, variety, destination, plants: there.length, blade };
      const tasks = trayTasks(facts, { ...done, celsius }, awaited, schools, nowMs).map((task): OwnTask => ({
        task,
        trayId: id,
        spoken,
        words: trayTaskInWords(task, spoken, schools, celsius, words),
      }));
      const late = new Map(awaited.flatMap((one) => one.late.map(({ number, comes }) => [number, comes] as const)));
      const shown: Tray = {
        ...{ id, batchId, batchNumber, cropId, name: crop.name, variety, destination, finalPot, blade, cover: done.cover, movedMs },
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
        tone: tasks.find(({ task }) => dueToday(task, nowMs))?.words.tone ?? 'growth',
      };
      return { crop, covered: done.cover === 'on', spotId: done.places.at(-1)?.spotId ?? null, shown, tasks, there };
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
    const due = tasks.filter(({ today, spotId }) => today && spotId === null).sort((a, b) => urgencyOf(a.kind) - urgencyOf(b.kind));
    return {
      nowMs,
      lead: nurseryLead([...new Set(due.map(({ lead }) => lead))], nursed.length, out),
      ...{ standing: nursed.length, out, gone: count('gone') + count('harvested') },
      // What is due now in the order of what does harm first; the rest by its hour.
      tasks: tasks.sort((a, b) => Number(b.today) - Number(a.today) || a.dueMs - b.dueMs || urgencyOf(a.kind) - urgencyOf(b.kind)),
      places,
      spots: spots.list(home.zone, home.units, nowMs).map(({ id, name }) => ({ id, name })),
      located: sky !== null,
    };
  };
}
