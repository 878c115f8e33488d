import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { type Crop } from '@fresh-tuck/core/crops';
import { rateAt, responseOf } from '@fresh-tuck/core/warmth';

/** A figure of the library that asks to be explained. */
export interface Oddity {
  /** What an explanation is filed under. */
  readonly key: string;
  readonly text: string;
}

type Row = Readonly<Record<string, string>>;
const table = (file: string): Row[] =>
  parse<Row>(readFileSync(new URL(`../../reference/${file}.csv`, import.meta.url)), {
    columns: true,
    comment: '#',
    comment_no_infix: true,
  });

/** Names in the tables of days where they are not the library's ids. */
const IDS: Readonly<Record<string, string>> = {
  'bean, snap': 'bean-bush',
  'bean, lima': 'bean-lima',
  'broad bean': 'broad-bean',
  brussels_sprouts: 'brussels-sprout',
  cantaloupe: 'melon',
  'corn, sweet': 'sweet-corn',
  eggplant: 'aubergine',
  endive: 'endive-chicory',
  muskmelon: 'melon',
  pepper: 'pepper-sweet',
  squash: 'courgette',
};

/** What figures of a family are compared: how they are called, and how far apart is far. */
const FIGURES: readonly (readonly [string, (crop: Crop) => number, 'degrees' | 'times'])[] = [
  ['seed mass', ({ seed }) => seed.gramsPerThousand, 'times'],
  ['seed length', ({ seed }) => seed.lengthMm, 'times'],
  ['base', ({ temperature }) => temperature.tentBaseC, 'degrees'],
  ['optimum', ({ temperature }) => temperature.beta.optimumC, 'degrees'],
  ['ceiling', ({ temperature }) => temperature.share?.values.at(-1)?.[0] ?? temperature.beta.ceilingC, 'degrees'],
  ['injury', ({ temperature }) => temperature.injuryC, 'degrees'],
  ['days', ({ days }) => days.tipAtOptimum, 'times'],
  ['days to emergence', ({ days }) => days.tipToEmergence, 'times'],
  ['spread', ({ days }) => days.logSpread, 'times'],
  ['root growth', ({ root }) => root.mmPerDayAtOptimum, 'times'],
  ['late length', ({ root }) => root.lateMm, 'times'],
  ['living share', ({ viability }) => viability.share, 'times'],
  ['storage', ({ viability }) => viability.storageYears, 'times'],
  ['drowning limit', ({ water }) => water.drowningLimitHours, 'times'],
];
/** Beyond the family's range by this: degrees, or times. */
const FAR = { degrees: 5, times: 2 } as const;
/** A family of fewer has no range. */
const LEAST_FAMILY = 4;

const round = (x: number): number => Number(x.toPrecision(3));

/** Figures that lie far outside those of the rest of the family. */
export function strays(crops: readonly Crop[]): Oddity[] {
  return crops.flatMap((crop) => {
    const kin = crops.filter((other) => other.family === crop.family && other !== crop);
    if (kin.length < LEAST_FAMILY - 1) return [];
    return FIGURES.flatMap(([name, pick, kind]) => {
      const value = pick(crop);
      const others = kin.map(pick);
      const [low, high] = [Math.min(...others), Math.max(...others)];
      const far = FAR[kind];
      const beyond = kind === 'degrees' ? value < low - far || value > high + far : value < low / far || value > high * far;
      return beyond
        ? [
            {
              key: `${crop.id}: ${name}`,
              text: `${crop.id}: ${name} ${round(value)} against ${round(low)} to ${round(high)} of the other ${crop.family}`,
            },
          ]
        : [];
    });
  });
}

/** Days until half show above ground by the library, at a temperature. */
const emergenceDays = (crop: Crop, celsius: number): number =>
  (crop.days.tipAtOptimum + crop.days.tipToEmergence) / Math.max(rateAt(responseOf(crop.temperature), celsius), 1e-6);

/** Apart by more than a third, either way. */
const apart = (ours: number, published: number): boolean => Math.abs(Math.log(ours / published)) > Math.log(4 / 3);

interface Published {
  readonly id: string;
  readonly source: string;
  readonly celsius: number;
  readonly days: number;
}

function published(): Published[] {
  const idOf = (name = ''): string => IDS[name] ?? name;
  const emergence = table('emergence_days').flatMap((row) =>
    Object.entries(row).flatMap(([column, cell]): Published[] => {
      const celsius = Number(/^(\d+)C_/.exec(column)?.[1]);
      return Number(cell) > 0 ? [{ id: idOf(row['crop']), source: 'Harrington and Minges', celsius, days: Number(cell) }] : [];
    }),
  );
  const houses = table('transplant_weeks').map((row): Published => ({
    id: idOf(row['crop']),
    source: 'Vavrina',
    celsius: Math.round(((Number(row['opt_germ_f']) - 32) * 50) / 9) / 10,
    days: Number(row['germ_days']),
  }));
  const sums = table('heat_sums').flatMap((row) =>
    [15, 20].map((celsius): Published => ({
      id: idOf(row['crop']),
      source: 'Bierhuizen and Wagenvoort',
      celsius,
      days: Number(row['heat_sum_C_days']) / (celsius - Number(row['base_temperature_C'])),
    })),
  );
  return [...emergence, ...houses, ...sums];
}

/** Where the days that the library comes to and the published ones differ by more than a third, a line for a crop and a table. */
export function daysApart(crops: readonly Crop[]): Oddity[] {
  const rows = published();
  return crops.flatMap((crop) => {
    const sources = [...new Set(rows.filter(({ id }) => id === crop.id).map(({ source }) => source))];
    return sources.flatMap((source) => {
      const cells = rows
        .filter((row) => row.id === crop.id && row.source === source)
        .flatMap(({ celsius, days }) => {
          const ours = emergenceDays(crop, celsius);
          return apart(ours, days) ? [`${ours > 1e4 ? 'never' : round(ours)} for ${round(days)} at ${celsius} °C`] : [];
        });
      return cells.length > 0 ? [{ key: `${crop.id}: days of ${source}`, text: `${crop.id}, ${source}: ${cells.join(', ')}` }] : [];
    });
  });
}
