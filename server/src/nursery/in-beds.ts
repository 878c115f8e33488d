import { DateTime } from 'luxon';
import type { Bed, BedPage, NurseryPlace, NurseryTask, PlantingLaid } from '@fresh-tuck/contract';
import type { Crop } from '@fresh-tuck/core/crops';
import { bedGate, bedPlan, type BedSize } from '@fresh-tuck/core/moving';
import { bedTasks, halfAt, type BedTask, type TrayFacts, type WaitsForSoil } from '@fresh-tuck/core/nursing';
import { outNotBefore } from '@fresh-tuck/core/season';
import { wordsFor, type Words } from '@fresh-tuck/core/units';
import { bedInWords, bedTaskInWords, plantingInWords, soilInWords, standingInWords, takeInInWords } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import { allArriving, type Arriving } from './arriving.js';
import { BARE, told } from './rounds.js';

/** Trays as far as a bed goes: what they are of, how many stand, and whether they stay where they are. */
export interface ForBeds {
  readonly facts: TrayFacts;
  readonly plants: number;
}

type StandsInBed = ReturnType<Reader['beds']['plantsIn']>[number];

/** Beds of the nursery: what grows in them, and what waits for their soil. */
export function bedsOf(reader: Reader) {
  const { beds, crops, household } = reader;

  /** Plantings of a bed as they lie, one behind the other; a crop without a spacing is drawn nowhere. */
  function laidOut(bed: BedSize, own: readonly { readonly cropId: string; readonly plants: number }[], words: Words): PlantingLaid[] {
    const spaced = own.flatMap(({ cropId, plants }) => {
      const { name, growing } = crops.crop(cropId);
      return growing.spacingCm === null ? [] : [{ cropId, name, plants, spacingCm: growing.spacingCm }];
    });
    const plan = bedPlan(bed, spaced);
    return spaced.map(({ cropId, name, plants, spacingCm }, nth) => {
      const laid = plan[nth] as (typeof plan)[number];
      return { cropId, name, plants, spots: [...laid.spots], over: laid.over, text: plantingInWords(laid, spacingCm, words) };
    });
  }

  /** Plants of a bed that were begun together and came to stand there on one day of the household's. */
  function together(all: readonly StandsInBed[], zone: string, words: Words): BedPage['standing'] {
    const groups = new Map<string, StandsInBed[]>();
    for (const one of all) {
      const key = `${one.batchId} ${DateTime.fromMillis(one.sinceMs, { zone }).toISODate()} ${one.stage === 'ripe'}`;
      groups.set(key, [...(groups.get(key) ?? []), one]);
    }
    return [...groups.values()].map((own) => {
      const { cropId, variety, sinceMs, stage } = own[0] as StandsInBed;
      const ripe = stage === 'ripe';
      const text = standingInWords({ name: crops.crop(cropId).name, variety, plants: own.length, sinceMs, ripe }, words);
      return { numbers: own.map(({ number }) => number), text, ripe };
    });
  }

  /** Beds with something in them, each drawn to scale. */
  function places(all: readonly Bed[], trays: ReadonlyMap<string, NurseryPlace['trays']>, words: Words): NurseryPlace[] {
    const planted = beds.planted();
    return all.flatMap((bed): NurseryPlace[] => {
      const own = planted.filter(({ bedId }) => bedId === bed.id);
      const standing = trays.get(bed.id) ?? [];
      if (own.length === 0 && standing.length === 0) return [];
      return [
        {
          ...{ spotId: null, name: bed.name, kind: 'bed', inWords: soilInWords(bed.soil, words), setup: null, light: null, rack: null },
          trays: standing,
          bed: { id: bed.id, widthM: bed.widthM, lengthM: bed.lengthM, plantings: laidOut(bed, own, words) },
        },
      ];
    });
  }

  /** Plants that wait for a bed, by crop: those in trays that go on, and sprouts that were meant for one. */
  function waiting(trays: readonly ForBeds[], arriving: readonly Arriving[], nowMs: number): WaitsForSoil[] {
    const { frost } = household.get();
    const waits = new Map<string, { crop: Crop; nursed: number; sprouts: number }>();
    const add = (crop: Crop, nursed: number, sprouts: number): void => {
      const sum = waits.get(crop.id) ?? { crop, nursed: 0, sprouts: 0 };
      waits.set(crop.id, { crop, nursed: sum.nursed + nursed, sprouts: sum.sprouts + sprouts });
    };
    for (const { facts, plants } of trays)
      if (facts.destination !== 'bed' && !facts.finalPot && facts.crop.growing.spacingCm && halfAt(facts, 'true_leaves') !== null)
        add(facts.crop, plants, 0);
    for (const { row, seeds, counted, aim, stands } of arriving)
      if (aim === 'bed' && stands === null) add(crops.crop(reader.packets.get(row.packet_id).crop_id), 0, seeds.length + counted);
    return [...waits.values()].map((one) => ({ ...one, outMs: frost ? outNotBefore(one.crop, frost, nowMs) : null }));
  }

  function soilTask(task: BedTask, nowMs: number, words: Words): NurseryTask {
    return {
      ...BARE,
      ...told(bedTaskInWords(task, words), task.dueMs, nowMs, words),
      kind: task.kind,
      bedId: task.bed.id,
      cropId: task.kind === 'soil' ? task.waits.crop.id : null,
    };
  }

  return {
    places,
    /** A bed by itself, and how so many of a crop would lie in it. @throws Problem where there is no such bed or crop */
    page(nowMs: number, bedId: string, asked: { readonly cropId: string; readonly plants: number } | null): BedPage {
      const home = household.get();
      const words = wordsFor(home.zone, home.units, nowMs, home.millilitresPerSpray);
      beds.get(bedId);
      const bed = [...beds.list(nowMs), ...beds.away(nowMs)].find(({ id }) => id === bedId) as Bed;
      const own = beds.planted().filter((one) => one.bedId === bedId);
      const crop = asked && crops.crop(asked.cropId);
      const laid = laidOut(bed, [...own, ...(asked ? [asked] : [])], words);
      const proposed = crop?.growing.spacingCm ? (laid.pop() ?? null) : null;
      const { year } = DateTime.fromMillis(nowMs, { zone: home.zone });
      const gate = crop && bedGate(crop, { ...bed, takenM2: bed.taken.areaM2 }, bed.soil, year);
      return {
        standing: together(beds.plantsIn(bedId), home.zone, words),
        ...{ bed, plantings: laid, proposed, gate: gate && bedInWords(gate, home.units, true) },
        spacingCm: crop?.growing.spacingCm ?? null,
      };
    },
    /** What beds ask for, and what came up where it was sown and has no label yet. */
    tasks(all: readonly Bed[], trays: readonly ForBeds[], nowMs: number, words: Words): NurseryTask[] {
      const arriving = allArriving(reader);
      const { year } = DateTime.fromMillis(nowMs, { zone: household.get().zone });
      const known = all.map((bed) => ({ ...bed, takenM2: bed.taken.areaM2 }));
      const soil = bedTasks(waiting(trays, arriving, nowMs), known, nowMs, year).map((task) => soilTask(task, nowMs, words));
      const labels = arriving.flatMap(({ row, seeds, counted, stands }): NurseryTask[] => {
        if (stands === null) return [];
        const { name } = crops.crop(reader.packets.get(row.packet_id).crop_id);
        const said = told(takeInInWords(name, seeds.length + counted, row.number), nowMs, nowMs, words);
        return [{ ...BARE, ...said, kind: 'take_in', batchId: row.id, act: stands === 'bed' ? null : said.act }];
      });
      return [...soil, ...labels];
    },
  };
}
