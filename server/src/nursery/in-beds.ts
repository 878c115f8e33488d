import { DateTime } from 'luxon';
import type { Bed, NurseryPlace, NurseryTask } from '@fresh-tuck/contract';
import type { Crop } from '@fresh-tuck/core/crops';
import { bedPlan } from '@fresh-tuck/core/moving';
import { bedTasks, halfAt, type BedTask, type TrayFacts, type WaitsForSoil } from '@fresh-tuck/core/nursing';
import { outNotBefore } from '@fresh-tuck/core/season';
import type { Words } from '@fresh-tuck/core/units';
import { bedTaskInWords, plantingInWords, soilInWords, takeInInWords } from '@fresh-tuck/core/words';
import type { Reader } from '../forecasts/reader.js';
import { allArriving, type Arriving } from './arriving.js';
import { BARE, told } from './rounds.js';

/** Trays as far as a bed goes: what they are of, how many stand, and whether they stay where they are. */
export interface ForBeds {
  readonly facts: TrayFacts;
  readonly plants: number;
}

/** Beds of the nursery: what grows in them, and what waits for their soil. */
export function bedsOf(reader: Reader) {
  const { beds, crops, household } = reader;

  /** Beds with something in them, each drawn to scale. */
  function places(all: readonly Bed[], trays: ReadonlyMap<string, NurseryPlace['trays']>, words: Words): NurseryPlace[] {
    const planted = beds.planted();
    return all.flatMap((bed): NurseryPlace[] => {
      const own = planted.filter(({ bedId }) => bedId === bed.id);
      const standing = trays.get(bed.id) ?? [];
      if (own.length === 0 && standing.length === 0) return [];
      const known = own.map(({ cropId, plants }) => ({ crop: crops.crop(cropId), cropId, plants }));
      const spaced = known.filter(({ crop }) => crop.growing.spacingCm !== null);
      const plan = bedPlan(
        bed,
        spaced.map(({ crop, plants }) => ({ plants, spacingCm: crop.growing.spacingCm ?? { inRow: 1, rows: 1 } })),
      );
      const plantings = spaced.map(({ crop, cropId, plants }, nth) => {
        const laid = plan[nth] ?? { rows: 0, toARow: 0, firstRowCm: 0, firstPlantCm: 0, spots: [], over: plants };
        return {
          ...{ cropId, name: crop.name, plants, spots: [...laid.spots], over: laid.over },
          text: plantingInWords(laid, crop.growing.spacingCm, words),
        };
      });
      return [
        {
          ...{ spotId: null, name: bed.name, kind: 'bed', inWords: soilInWords(bed.soil, words), setup: null, light: null, rack: null },
          trays: standing,
          bed: { id: bed.id, widthM: bed.widthM, lengthM: bed.lengthM, plantings },
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
    return { ...BARE, ...told(bedTaskInWords(task, words), task.dueMs, nowMs, words), kind: task.kind, bedId: task.bed.id };
  }

  return {
    places,
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
