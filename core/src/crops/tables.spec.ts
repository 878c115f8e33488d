import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { CROPS } from './all.js';
import { type Crop } from './schema.js';
import { daysToEvent, methodOf } from '../method/index.js';
import { rateAt, responseOf, shareAt } from '../warmth/index.js';

type Row = Record<string, string>;
const table = (file: string): Row[] =>
  parse<Row>(readFileSync(new URL(`../../../reference/${file}.csv`, import.meta.url)), {
    columns: true,
    comment: '#',
    comment_no_infix: true,
  });

/** Names in the tables where they are not the library's ids. */
const IDS: Record<string, string> = {
  artichoke: 'globe-artichoke',
  bean: 'bean-bush',
  'bean, garden': 'bean-bush',
  'bean, snap': 'bean-bush',
  bean_snap: 'bean-bush',
  'bean, lima': 'bean-lima',
  bean_lima: 'bean-lima',
  'bean, runner': 'bean-runner',
  'broad bean': 'broad-bean',
  'brussels sprouts': 'brussels-sprout',
  brussels_sprouts: 'brussels-sprout',
  'chard, swiss': 'chard',
  chard_swiss: 'chard',
  chicory: 'endive-chicory',
  endive: 'endive-chicory',
  'chinese cabbage': 'chinese-cabbage',
  chinese_cabbage: 'chinese-cabbage',
  'corn, sweet': 'sweet-corn',
  corn_sweet: 'sweet-corn',
  eggplant: 'aubergine',
  muskmelon: 'melon',
  'mustard, india': 'mustard',
  mustard_india: 'mustard',
  'pak choi': 'pak-choi',
  pak_choi: 'pak-choi',
  pepper: 'pepper-sweet',
  squash: 'courgette',
  pumpkin: 'winter-squash',
  onion_seed: 'onion',
  'bottle gourd': 'bottle-gourd',
  'bitter gourd': 'bitter-gourd',
  'sweet pea': 'sweet-pea',
};
const library = new Map(CROPS.map((crop) => [crop.id, crop]));
const cropOf = (name: string | undefined): Crop | undefined => library.get(IDS[name ?? ''] ?? name ?? '');

/** Compares every row whose crop the library holds; only rows of high confidence, where a table says so. */
function compare(file: string, least: number, check: (crop: Crop, row: Row) => void): void {
  let compared = 0;
  for (const row of table(file)) {
    const crop = cropOf(row['crop']);
    if (!crop || (row['conf'] !== undefined && row['conf'] !== 'high')) continue;
    compared++;
    check(crop, row);
  }
  expect(compared).withContext(`${file}: rows compared`).toBeGreaterThanOrEqual(least);
}

const daysAt = ({ days, temperature }: Crop, celsius: number): number => days.tipAtOptimum / rateAt(responseOf(temperature), celsius);
const celsius = (fahrenheit: string | undefined): number => ((Number(fahrenheit) - 32) * 5) / 9;

describe('the library against the published tables', () => {
  // 7 CFR 201.31: seed sold must do at least this; good seed does better.
  it('expects of no crop less than the least standard', () => {
    compare('minimum_germination', 35, ({ id, viability }, row) => {
      expect(viability.share * 100)
        .withContext(id)
        .toBeGreaterThanOrEqual(Number(row['percent']));
    });
  });

  // Harrington in Knott's Handbook; the library rounds and sets some kinds apart, so within a year or a half.
  it('keeps seed about as long as the list of storage life', () => {
    compare('storage_life_years', 30, ({ id, viability }, row) => {
      const listed = Number(row['years']);
      expect(Math.abs(viability.storageYears - listed))
        .withContext(`${id}: ${viability.storageYears} against ${listed}`)
        .toBeLessThanOrEqual(Math.max(1, listed / 2));
    });
  });

  // 7 CFR 201.46: approximate; varieties differ by half as much again either way, and its squash is summer and winter kinds together.
  it('weighs seed as the table does', () => {
    compare('seeds_per_gram', 25, ({ id, seed }, row) => {
      const ratio = 1000 / seed.gramsPerThousand / Number(row['seeds_per_g']);
      expect(ratio)
        .withContext(`${id}: ${(1000 / seed.gramsPerThousand).toFixed(0)} a gram against ${row['seeds_per_g']}`)
        .toBeGreaterThan(0.55);
      expect(ratio).withContext(id).toBeLessThan(1.7);
    });
  });

  // Knott's Handbook after Harrington: the fastest temperature may lie above the best stand's.
  it('has its optimum within the table’s optimum range, give or take 5 °C, and a ceiling not below the table’s optimum', () => {
    compare('soil_temperature_range_F', 20, ({ id, temperature }, row) => {
      const { optimumC, ceilingC } = temperature.beta;
      expect(optimumC)
        .withContext(id)
        .toBeGreaterThan(celsius(row['opt_lo_f']) - 5);
      expect(optimumC)
        .withContext(id)
        .toBeLessThan(celsius(row['opt_hi_f']) + 5);
      expect(ceilingC).withContext(id).toBeGreaterThan(celsius(row['opt_f']));
    });
  });

  // USDA Home and Garden Bulletin 202: sprouts are set no deeper than seed, and not at half of its shallowest.
  it('sets sprouts about as deep as seed is sown, lettuce shallower as it likes light', () => {
    compare('planting_depth_in', 28, ({ id, moving }, row) => {
      expect(moving.depthMm)
        .withContext(id)
        .toBeGreaterThanOrEqual(Number(row['lo']) * 25.4 * 0.35);
      expect(moving.depthMm)
        .withContext(id)
        .toBeLessThanOrEqual(Number(row['hi']) * 25.4 * 1.35);
    });
  });

  // ISTA, Table 5A: by the final count a laboratory has seedlings, so half of the tips came well before.
  it('shows half of its tips before the laboratories’ final count', () => {
    compare('germination_counts', 35, (crop, row) => {
      const [low = 20, high = low] = (row['temperature_C'] ?? '').split('-').map(Number);
      // "20-30" is 16 hours at the lower and 8 at the higher.
      const perDay = (2 / daysAt(crop, low) + 1 / daysAt(crop, high)) / 3;
      expect(1 / perDay)
        .withContext(`${crop.id} at ${row['temperature_C']} °C`)
        .toBeLessThan(Number(row['final_count_day']));
    });
  });

  // Harrington and Minges 1954: a tip on a towel is never later than the seedling through soil, nor sooner than a quarter of it.
  it('shows tips before soil shows seedlings, at every tabled temperature', () => {
    compare('emergence_days', 23, (crop, row) => {
      for (const [column, cell] of Object.entries(row)) {
        const at = Number(/^(\d+)C_/.exec(column)?.[1]);
        if (!(Number(cell) > 0) || at < 10 || at > 30) continue;
        const part = daysAt(crop, at) / Number(cell);
        expect(part)
          .withContext(`${crop.id} at ${at} °C: ${part.toFixed(2)}`)
          .toBeGreaterThan(0.22);
        expect(part)
          .withContext(`${crop.id} at ${at} °C: ${part.toFixed(2)}`)
          .toBeLessThan(1.15);
      }
    });
  });

  /** Where a crop's share falls to a part of its best, going up from its best, °C. */
  const fallsTo = ({ temperature: { share } }: Crop, part: number): number => {
    const cells = share?.values ?? [];
    let celsius = cells.find(([, value]) => value === 1)?.[0] ?? 0;
    while (celsius < 60 && shareAt(cells, celsius) > part) celsius += 0.05;
    return celsius;
  };

  // Harrington and Minges 1954, worked; Gray 1975: the reading of the shares, within a degree.
  it('loses half to heat where the table of dormancy does, and all of it', () => {
    let compared = 0;
    for (const row of table('heat_dormancy')) {
      const crop = cropOf(row['crop']);
      if (!crop || row['conf'] !== 'high' || row['part'] !== 'warm limit') continue;
      compared++;
      const [half, nil] = [fallsTo(crop, 0.5), fallsTo(crop, 0.02)];
      const told = `${crop.id}: half at ${half.toFixed(1)}, nothing at ${nil.toFixed(1)}`;
      expect(half)
        .withContext(told)
        .toBeGreaterThan(Number(row['half_C_low']) - 1);
      expect(half)
        .withContext(told)
        .toBeLessThan(Number(row['half_C_high']) + 1);
      if (row['nil_C_high'])
        expect(nil)
          .withContext(told)
          .toBeLessThan(Number(row['nil_C_high']) + 1.5);
    }
    expect(compared).toBeGreaterThanOrEqual(12);
  });

  // The same, in the cold: shares at 15, 18 and 20 °C. Guesses are compared too, more loosely: they are where ours come from.
  it('loses to cold what the table of dormancy says', () => {
    let compared = 0;
    for (const row of table('heat_dormancy')) {
      const crop = cropOf(row['crop']);
      if (!crop || row['part'] !== 'cold limit') continue;
      for (const celsius of [15, 18, 20]) {
        const listed = Number(row[`share_${celsius}C`]);
        if (!row[`share_${celsius}C`]) continue;
        compared++;
        expect(Math.abs(shareAt(crop.temperature.share?.values ?? [], celsius) - listed))
          .withContext(`${crop.id} at ${celsius} °C against ${listed}`)
          .toBeLessThan(row['conf'] === 'high' ? 0.06 : 0.12);
      }
    }
    expect(compared).toBeGreaterThan(40);
  });

  // Frost that kills: nothing tender goes out before the last of it, whatever the trade calls it.
  it('sends nothing out before the last frost that a degree of frost kills', () => {
    let compared = 0;
    for (const row of table('frost_hardiness')) {
      const crop = cropOf(row['crop']);
      if (!crop || Number(row['killed_C_low']) < -2) continue;
      compared++;
      const out = crop.growing.plantOutWeeksAfterFrost;
      expect(out === null || out[0] >= 0)
        .withContext(crop.id)
        .toBeTrue();
      if (row['class'] === 'tender') expect(crop.growing.hardiness).withContext(crop.id).not.toBe('hardy');
    }
    expect(compared).toBeGreaterThan(35);
  });

  // Woody Plant Seed Manual and others: weeks of damp cold.
  it('chills as long as the table says', () => {
    let compared = 0;
    for (const row of table('stratification_weeks')) {
      const crop = cropOf(row['crop']);
      if (!crop) continue;
      compared++;
      expect(crop.chill.weeks)
        .withContext(crop.id)
        .toBeGreaterThanOrEqual(Number(row['cold_weeks_low']) * (crop.preparation.steps.includes('split') ? 0.8 : 1));
      expect(crop.chill.weeks).withContext(crop.id).toBeLessThanOrEqual(Number(row['cold_weeks_high']));
    }
    expect(compared).toBeGreaterThan(15);
  });

  it('counts cold where the table has it, and asks warmth before it where the table does', () => {
    let compared = 0;
    for (const row of table('stratification_weeks')) {
      const crop = cropOf(row['crop']);
      if (!crop || !row['cold_C_low']) continue;
      compared++;
      const { fromC, toC, warmWeeks, needNone, weeks } = crop.chill;
      expect(fromC).withContext(crop.id).toBeGreaterThanOrEqual(Number(row['cold_C_low']));
      expect(toC).withContext(crop.id).toBeLessThanOrEqual(Number(row['cold_C_high']));
      expect(warmWeeks).withContext(crop.id).toBeGreaterThanOrEqual(Number(row['warm_weeks_before_low']));
      expect(warmWeeks).withContext(crop.id).toBeLessThanOrEqual(Number(row['warm_weeks_before_high']));
      // Where the table asks for weeks of it, hardly any come without; where it asks for none, all may.
      if (Number(row['cold_weeks_low']) >= 8) expect(needNone).withContext(crop.id).toBeLessThanOrEqual(0.1);
      if (weeks === 0) expect(needNone).withContext(crop.id).toBe(1);
    }
    expect(compared).toBeGreaterThan(15);
  });

  // ISTA Rules chapter 5, Baskin and Baskin (1998), Woody Plant Seed Manual: share of hard seed.
  it('holds as much seed hard as the table says', () => {
    let compared = 0;
    for (const row of table('scarification')) {
      const crop = cropOf(row['crop']);
      if (!crop || !row['hard_share_percent_high']) continue;
      compared++;
      expect(100 * crop.coat.hardShare)
        .withContext(crop.id)
        .toBeGreaterThanOrEqual(Number(row['hard_share_percent_low']));
      expect(100 * crop.coat.hardShare)
        .withContext(crop.id)
        .toBeLessThanOrEqual(Number(row['hard_share_percent_high']));
    }
    expect(compared).toBeGreaterThan(10);
  });

  // Harrington and Minges (1954): days to emergence of seed sown in soil. In a pot, a plug or a row it is the same event.
  it('comes up in a pot when the table says, at three temperatures', () => {
    let close = 0;
    let compared = 0;
    for (const row of table('emergence_days')) {
      const crop = cropOf(row['crop']);
      for (const [celsius, column] of [
        [15, '15C_59F'],
        [20, '20C_68F'],
        [25, '25C_77F'],
      ] as const) {
        const days = Number(row[column]);
        if (!crop || !(days > 0)) continue;
        compared++;
        const said = daysToEvent(methodOf('pot'), crop) / rateAt(responseOf(crop.temperature), celsius);
        if (Math.abs(Math.log(said / days)) < Math.log(1.3)) close++;
      }
    }
    expect(compared).toBeGreaterThan(50);
    expect(close / compared).toBeGreaterThan(0.8);
  });

  it('opens hard coats, and soaks no longer than seed lives under water', () => {
    let compared = 0;
    for (const row of table('scarification')) {
      const crop = cropOf(row['crop']);
      if (!crop) continue;
      compared++;
      if (Number(row['hard_share_percent_high']) > 25)
        expect(crop.preparation.steps.some((step) => step === 'nick' || step === 'file'))
          .withContext(crop.id)
          .toBeTrue();
      expect(Number(row['soak_hours_high'] ?? 0))
        .withContext(crop.id)
        .toBeLessThanOrEqual(crop.water.drowningLimitHours);
    }
    expect(compared).toBeGreaterThan(25);
  });
});
