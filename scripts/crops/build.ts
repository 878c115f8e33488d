/**
 * Lays the foundations of a crop entry from reference/crops_*.csv and the fitted
 * responses: `npm run crops` writes core/src/crops/<id>.json for the ids listed
 * there. An entry is edited by hand from then on; delete its file to lay it anew.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { cropSchema } from '../../core/src/crops/schema.js';

const root = new URL('../..', import.meta.url);
type Row = Record<string, string>;
const table = (file: string): Row[] => parse<Row>(readFileSync(new URL(`reference/${file}`, root)), { columns: true });
const rows = [...table('crops_vegetables.csv'), ...table('crops_others.csv'), ...table('seed_crops_more.csv')];
const { fits } = JSON.parse(readFileSync(new URL('core/src/warmth/fits.json', root), 'utf8')) as {
  fits: Record<string, { baseC: number; optimumC: number; ceilingC: number; emergenceDaysAtOptimum: number }>;
};

/**
 * Rows of the published table that a crop's response is fitted to. Celery is
 * tabled and left out: the table's "NG" at 25 °C says that few came, not that
 * none can, and the fit would take it for a ceiling; its kin celeriac follows the
 * handbook too.
 */
const TABLED: Record<string, string> = {
  asparagus: 'asparagus',
  'bean-lima': 'bean, lima',
  'bean-bush': 'bean, snap',
  beet: 'beet',
  cabbage: 'cabbage',
  carrot: 'carrot',
  cauliflower: 'cauliflower',
  'sweet-corn': 'corn, sweet',
  cucumber: 'cucumber',
  aubergine: 'eggplant',
  lettuce: 'lettuce',
  melon: 'muskmelon',
  okra: 'okra',
  onion: 'onion',
  parsley: 'parsley',
  parsnip: 'parsnip',
  pea: 'pea',
  'pepper-sweet': 'pepper',
  radish: 'radish',
  spinach: 'spinach',
  tomato: 'tomato',
  turnip: 'turnip',
  watermelon: 'watermelon',
};

const round = (x: number): number => Number(x.toFixed(2));
const numbers = (row: Row, ...columns: string[]): number[] => columns.map((column) => Number(row[column]));
const optional = (row: Row, column: string): number | null => (row[column] ? Number(row[column]) : null);
const pair = (row: Row, low: string, high: string): [number, number] | null =>
  row[low] && row[high] ? [Number(row[low]), Number(row[high])] : null;
const list = (text: string | undefined): string[] =>
  (text ?? '')
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean);

/** Length to move at: root-shy kinds at the first nib, the rest at about half of what is late, within reach of fingers. */
const readyLength = (shy: number, lateMm: number): number => (shy === 2 ? 2 : Math.min(10, Math.max(2, Math.round(lateMm / 2))));

const sentence = (text: string): string => text.replace(/^./, (first) => first.toUpperCase()).replace(/\.?$/, '.');

/** What the tables say where nothing is known: nothing. */
const known = (text = ''): string => (/^none( known)?$/.test(text) ? '' : text);

/** Reads "soak;nick | how" as well as "soak: how; nick: how". */
function preparation(text: string): { steps: string[]; text: string } {
  const [names, how] = text.split('|');
  if (how) return { steps: list(names).filter((step) => step !== 'none'), text: sentence(how.trim()) };
  const parts = list(text).map((part) => /^([a-z]+)(?:: (.*))?$/s.exec(part));
  return {
    steps: parts.flatMap((part) => (part?.[1] && part[1] !== 'none' ? [part[1]] : [])),
    text: parts
      .map((part, index) =>
        part?.[1] === 'none' ? sentence(part[2] ?? '') : sentence(part ? `${part[1]}: ${part[2]}` : (list(text)[index] ?? '')),
      )
      .join(' '),
  };
}

function entry(row: Row, tabled: string | null) {
  const [tentBaseC = 0, optimumC = 0, ceilingC = 0] = numbers(row, 'tent_base_C', 'optimum_C', 'ceiling_C');
  const [tipDays = 0, low = 0, high = 0, factor = 0, logSpread = 0] = numbers(
    row,
    'tip_days_at_optimum',
    'tip_days_low',
    'tip_days_high',
    'towel_factor',
    'log_spread',
  );
  const [mmPerDay = 0, lateMm = 0, shy = 0] = numbers(row, 'elongation_mm_per_day_at_optimum', 'late_mm', 'root_shy');
  const fit = tabled ? fits[tabled] : undefined;
  const guess = 'guess, from memory';
  const practice = 'common practice, from memory';
  const confidence = (column: string): string => row[column] || 'low';
  const beta = fit ?? { baseC: tentBaseC, optimumC, ceilingC };
  return {
    id: row['id'],
    name: row['name']?.replace(/^./, (first) => first.toUpperCase()),
    otherNames: list(row['other_names']),
    latin: row['latin'],
    family: row['family'],
    seed: {
      gramsPerThousand: Number(row['thousand_seed_g']),
      lengthMm: Number(row['seed_length_mm']),
      perUnit: Number(row['seeds_per_unit']),
      source: 'trade seed counts and 7 CFR 201.46 where tabled, from memory',
      confidence: confidence('conf_other'),
    },
    temperature: {
      tentBaseC,
      beta: { baseC: round(beta.baseC), optimumC: round(beta.optimumC), ceilingC: round(beta.ceilingC) },
      // Judged by hand, with its source, once the entry is laid.
      share: null,
      // Rule of thumb, no source: warm kinds stand a little more.
      injuryC: optimumC >= 31 ? 40 : optimumC >= 27 ? 37 : 34,
      source: fit
        ? `beta curve fitted to Harrington and Minges (1954), ${tabled}; tent base from handbooks, from memory`
        : 'beta curve through handbook base, optimum and ceiling, from memory',
      confidence: confidence('conf_temperature'),
    },
    days: {
      // Where the table gives emergence, the tip comes at a stated part of it.
      tipAtOptimum: fit ? round(factor * fit.emergenceDaysAtOptimum) : tipDays,
      tipRange: [low, high],
      tipToEmergence: Number(row['days_tip_to_emergence']),
      logSpread,
      source: fit
        ? `${factor} of the fitted days to emergence, Harrington and Minges (1954); the factor is common practice, no source`
        : 'common practice, no source',
      confidence: confidence('conf_days'),
    },
    root: { mmPerDayAtOptimum: mmPerDay, readyMm: readyLength(shy, lateMm), lateMm, shy, source: guess, confidence: 'low' },
    viability: {
      share: Number(row['viability_percent']) / 100,
      storageYears: Number(row['storage_life_years']),
      source: `${practice}; above 7 CFR 201.31 where listed`,
      confidence: confidence('conf_other'),
    },
    chill: {
      weeks: Number(row['chill_weeks']),
      celsius: Number(row['chill_C']) || 4,
      fromC: 3,
      toC: 5,
      // Judged by hand, as the coat is, once the entry is laid.
      needNone: Number(row['chill_weeks']) > 0 ? 0.1 : 1,
      warmWeeks: 0,
      source: practice,
      confidence: 'med',
    },
    coat: { hardShare: 0, wholeFactor: 1, dryFactor: 1, source: guess, confidence: 'low' },
    water: {
      dampRatio: Number(row['damp_ratio']),
      soakHours: numbers(row, 'soak_hours_low', 'soak_hours_high'),
      drowningLimitHours: Number(row['drowning_limit_hours']),
      source: practice,
      confidence: 'low',
    },
    preparation: { ...preparation(row['preparation'] ?? ''), source: practice, confidence: confidence('conf_other') },
    laid: { medium: 'house', damped: 'house', wet: 'house', source: guess, confidence: 'low' },
    moving: {
      depthMm: Number(row['depth_mm']),
      surfaceSown: row['surface_sown'] === 'yes',
      pot: row['pot'],
      mix: row['mix'],
      firstSign: row['first_sign'],
      note: row['notes_in_own_words'],
      source: `${practice}; depth near USDA Home and Garden Bulletin 202 where listed`,
      confidence: confidence('conf_other'),
    },
    growing: {
      light: row['light'],
      keepMoist: row['keep_moist'],
      hardiness: row['hardiness'],
      startWeeksBeforeFrost: pair(row, 'start_weeks_before_last_frost_low', 'start_weeks_before_last_frost_high'),
      plantOutWeeksAfterFrost: pair(row, 'plant_out_weeks_vs_last_frost_low', 'plant_out_weeks_vs_last_frost_high'),
      minSoilC: optional(row, 'min_soil_C_at_plant_out'),
      harvestDaysAfterPlantingOut: pair(row, 'days_plant_out_to_harvest_low', 'days_plant_out_to_harvest_high'),
      spacingCm: row['bed_spacing_in_row_cm']
        ? { inRow: Number(row['bed_spacing_in_row_cm']), rows: Number(row['bed_spacing_rows_cm']) }
        : null,
      daysToTrueLeaf: Number(row['days_emergence_to_true_leaf']),
      isolationM: optional(row, 'isolation_m'),
      source: `${practice}; isolation rounded for home use, after handbooks of seed saving`,
      confidence: confidence('conf_other'),
    },
    methods: {
      soilless: row['soilless_direct'],
      mouldProne: Number(row['mould_prone']),
      towel: sentence(row['towel_advice'] ?? ''),
      source: guess,
      confidence: 'low',
    },
    hazards: { text: known(row['hazards']), care: [], regulated: known(row['regulated_note']), source: practice, confidence: 'med' },
  };
}

for (const row of rows) {
  const id = row['id'] ?? '';
  const file = new URL(`core/src/crops/${id}.json`, root);
  if (existsSync(file)) continue;
  writeFileSync(file, `${JSON.stringify(cropSchema.parse(entry(row, TABLED[id] ?? null)), null, 2)}\n`);
}
const ids = rows.map((row) => row['id'] ?? '').sort();
const name = (id: string): string => id.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase());
writeFileSync(
  new URL('core/src/crops/all.ts', root),
  [
    '// Written by scripts/crops/build.ts: one line for each crop entry.',
    "import type { Crop } from './schema.js';",
    ...ids.map((id) => `import ${name(id)} from './${id}.json' with { type: 'json' };`),
    '',
    `export const CROPS = [${ids.map(name).join(', ')}] as unknown as readonly Crop[];`,
    '',
  ].join('\n'),
);
