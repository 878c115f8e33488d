import type { Household, Tray } from '@fresh-tuck/contract';
import {
  comesAsBlade,
  countsOf,
  dueToday,
  halfAt,
  mixFor,
  outdoorTasks,
  sizeMs,
  sparesOf,
  trayAwaits,
  plantingDayTasks,
  reached,
  thinnings,
  trayTasks,
  vigourOrder,
  weekOf,
  type Daylit,
  type Lessons,
  type TrayFacts,
  type TrayTask,
  type WeatherSpan,
} from '@fresh-tuck/core/nursing';
import { outNotBefore } from '@fresh-tuck/core/season';
import type { Words } from '@fresh-tuck/core/units';
import { placeNow } from '@fresh-tuck/core/warmth';
import {
  awaitedInWords,
  hardeningDayInWords,
  standsInWords,
  trayTaskInWords,
  vigourInWords,
  type SpokenTray,
} from '@fresh-tuck/core/words';
import type { TrayCare } from './care.js';
import { ownTasks, type OwnTask } from './rounds.js';
import type { StandingPlant, StandingTray } from './trays.js';

/** What a tray is worked out from, beside itself. */
export interface TrayAround {
  readonly home: Household;
  readonly words: Words;
  readonly nowMs: number;
  readonly offset: number;
  readonly midnightMs: number;
  readonly weather: readonly WeatherSpan[];
  readonly lessons: Lessons;
  readonly daylit: Daylit;
  /** Whether its batch stands together: then what is wanted of it is wanted here. */
  readonly whole: boolean;
}

/** Pots with several of which one stays. */
function thin(there: readonly StandingPlant[], nowMs: number): TrayTask[] {
  const pots = thinnings(there, vigourOrder(there));
  return pots.length === 0 ? [] : [{ kind: 'thin', dueMs: nowMs, numbers: pots.flatMap(({ out }) => out), pots }];
}

/** More than are wanted, once it is known which are the best. */
function release(tray: StandingTray, facts: TrayFacts, there: readonly StandingPlant[], { home, nowMs, whole }: TrayAround): TrayTask[] {
  // Pots are thinned first: what is too many then shows.
  if (!whole || tray.wanted === null || thin(there, nowMs).length > 0) return [];
  const stages = new Map(there.map(({ number, stage }) => [number, stage]));
  const found = sparesOf(vigourOrder(there), stages, tray.wanted, facts.survival.mean, home.ways.sureness);
  if (!found) return [];
  return [{ kind: 'release', dueMs: nowMs, numbers: found.spare, kept: found.kept.length, wanted: tray.wanted, chance: found.chance }];
}

/** A tray as it is shown, and what it asks for. */
export function trayView(tray: StandingTray, done: TrayCare, facts: TrayFacts, there: readonly StandingPlant[], around: TrayAround) {
  const { home, words, nowMs, offset, midnightMs, weather, lessons, daylit } = around;
  const { schools } = home.nursing;
  const { crop, finalPot } = facts;
  const { id, batchId, batchNumber, cropId, variety, destination, movedMs } = tray;
  const awaited = trayAwaits(facts, lessons, nowMs, offset);
  const last = facts.stays.at(-1);
  const now = last ? placeNow(last.readings, last.guess, nowMs, offset) : { minC: 0, maxC: 0 };
  const celsius = (now.minC + now.maxC) / 2;
  const blade = comesAsBlade(crop);
  const spoken: SpokenTray = { name: crop.name, variety, destination, plants: there.length, blade };
  const size = sizeMs(facts, lessons, nowMs, offset)?.usualMs ?? null;
  const outMs = home.frost && outNotBefore(crop, home.frost, size ?? nowMs);
  const outdoors = { daylit, carried: done.carried, spans: weather, midnightMs, sizeMs: size, outMs };
  const all = [
    ...outdoorTasks(facts, outdoors, nowMs),
    ...trayTasks(facts, { ...done, celsius }, awaited, schools, nowMs),
    ...thin(there, nowMs),
    ...release(tray, facts, there, around),
    ...plantingDayTasks(facts, done.planted, nowMs),
  ];
  // Net and support are for those of it that stand in the bed.
  const out = { ...spoken, destination: 'bed' as const, plants: tray.plants.filter(({ stage }) => reached(stage, 'planted_out')).length };
  const tasks = all.map((task): OwnTask => {
    const of = (task.kind === 'net' || task.kind === 'support') && destination !== 'bed' ? out : spoken;
    return { task, trayId: id, spoken: of, words: trayTaskInWords(task, of, schools, celsius, words) };
  });
  const late = new Map(awaited.flatMap((one) => one.late.map(({ number, comes }) => [number, comes] as const)));
  const spotId = done.places.at(-1)?.spotId ?? null;
  const shown: Tray = {
    ...{
      id,
      batchId,
      spotId,
      batchNumber,
      cropId,
      name: crop.name,
      variety,
      destination,
      finalPot,
      blade,
      mix: mixFor(crop, 'potting'),
      cover: done.cover,
      movedMs,
    },
    plants: there.map(({ number, stage, proved, role, grade, pot, slot }) => ({
      ...{ number, stage, proved, role, grade, late: late.get(number) ?? null, slot: slot?.slot ?? null },
      // Alone in its pot again, it shares it with nobody.
      pot: there.some((other) => other.pot === pot && other.number !== number) ? pot : null,
    })),
    tasks: ownTasks(tasks, schools, nowMs, words),
    order:
      there.length < 2
        ? []
        : vigourOrder(there).map((one) => ({
            number: one.number,
            why: vigourInWords(one),
            photoId: there.find(({ number }) => number === one.number)?.photoId ?? null,
          })),
    week: halfAt(facts, 'hardening') === null ? [] : weekOf(facts, outdoors).map((day) => hardeningDayInWords(day, words)),
    stands: standsInWords(countsOf(there.map(({ stage }) => stage))),
    awaited: awaited.flatMap((one) => awaitedInWords(one, nowMs, words) ?? []),
    tone: tasks.find(({ task }) => dueToday(task, nowMs))?.words.tone ?? 'growth',
  };
  return { crop, facts, covered: done.cover === 'on', spotId, shown, tasks, there, plants: there.length };
}
