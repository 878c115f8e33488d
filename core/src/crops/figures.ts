/** The figures of a crop that a gardener may set otherwise, each with what would be accepted. */

export type FigureKind = 'number' | 'stretch' | 'choice' | 'flag' | 'text' | 'names' | 'steps' | 'points';
export type FigureUnit = 'celsius' | 'mm' | 'days' | 'hours' | 'weeks' | 'years' | 'share' | 'g' | 'cm' | 'm' | 'mm/day' | '';

export interface Figure {
  /** Where it stands in the entry, "days.tipAtOptimum". */
  readonly path: string;
  readonly label: string;
  readonly kind: FigureKind;
  readonly unit: FigureUnit;
  /** Least and most that are accepted, in the figure's own unit; of words, how many letters. */
  readonly low: number;
  readonly high: number;
  /** Whether it may be left empty: "does not apply". */
  readonly nullable: boolean;
  readonly whole: boolean;
  /** Words to choose from, as kept and as shown. */
  readonly choices: Readonly<Record<string, string>>;
}

interface More {
  readonly nullable?: boolean;
  readonly whole?: boolean;
}

const figure = (path: string, label: string, kind: FigureKind, rest: Partial<Figure>): Figure => ({
  path,
  label,
  kind,
  unit: '',
  low: 0,
  high: 500,
  nullable: false,
  whole: false,
  choices: {},
  ...rest,
});
const number = (path: string, label: string, unit: FigureUnit, low: number, high: number, more: More = {}): Figure =>
  figure(path, label, 'number', { unit, low, high, ...more });
const stretch = (path: string, label: string, unit: FigureUnit, low: number, high: number, more: More = {}): Figure =>
  figure(path, label, 'stretch', { unit, low, high, ...more });
const choice = (path: string, label: string, choices: Record<string, string>): Figure => figure(path, label, 'choice', { choices });
const text = (path: string, label: string, most = 500, least = 2): Figure => figure(path, label, 'text', { low: least, high: most });

const AS_HERE = 'as it is done here';
const STEPS = { soak: 'soak', nick: 'nick', file: 'file', split: 'split', peel: 'peel', chill: 'chill', inoculate: 'inoculate' };

/** Groups of figures as the entry has them, in the order in which a sheet tells them. */
export const FIGURE_GROUPS = {
  seed: 'Seed',
  temperature: 'Temperature',
  days: 'Days',
  root: 'Roots',
  viability: 'Living share',
  chill: 'Chill',
  water: 'Water',
  coat: 'Coat',
  preparation: 'Preparing',
  laid: 'Laying',
  moving: 'Moving',
  growing: 'Growing on',
  methods: 'Methods',
  hazards: 'Cautions',
} as const;
export type FigureGroup = keyof typeof FIGURE_GROUPS;

const TRUST = { high: 'well founded', med: 'fairly sure', low: 'a guess' };
const sourced = Object.keys(FIGURE_GROUPS).flatMap((group) => [
  choice(`${group}.confidence`, 'How far to trust it', TRUST),
  text(`${group}.source`, 'Where it comes from', 300),
]);

const OWN: readonly Figure[] = [
  figure('otherNames', 'Other names', 'names', { high: 60 }),
  text('latin', 'Latin name', 80, 0),
  text('family', 'Family', 60),
  number('seed.gramsPerThousand', 'A thousand seeds weigh', 'g', 0.001, 50_000),
  number('seed.lengthMm', 'Length of a seed', 'mm', 0.1, 80),
  number('seed.perUnit', 'Sprouts from one husk or cluster', '', 0.2, 6),
  number('temperature.tentBaseC', 'Nothing moves below', 'celsius', -5, 25),
  number('temperature.beta.optimumC', 'Fastest at', 'celsius', 5, 40),
  number('temperature.beta.ceilingC', 'The curve ends at', 'celsius', 15, 50),
  number('temperature.beta.baseC', 'The curve begins at', 'celsius', -60, 25),
  number('temperature.injuryC', 'Heat kills above', 'celsius', 20, 55),
  figure('temperature.share', 'Share of the live seeds that come, by temperature', 'points', {
    unit: 'celsius',
    low: -5,
    high: 50,
    nullable: true,
  }),
  number('days.tipAtOptimum', 'Days to the first tip, at its best warmth', 'days', 0.3, 400),
  stretch('days.tipRange', 'Lots differ from … to', 'days', 0.2, 600),
  number('days.tipToEmergence', 'From tip to showing above ground', 'days', 0.1, 120),
  number('days.logSpread', 'Spread within a lot (sd of the log)', '', 0.05, 1.5),
  number('root.mmPerDayAtOptimum', 'Roots grow in a day, at best', 'mm/day', 0.3, 60),
  number('root.readyMm', 'Ready to move at a root of', 'mm', 0.5, 80),
  number('root.lateMm', 'In the paper from a root of', 'mm', 1, 150),
  choice('root.shy', 'Being moved', { 0: 'moves well', 1: 'with care', 2: 'hates it' }),
  number('viability.share', 'Living share of fresh seed', 'share', 0.01, 1),
  number('viability.storageYears', 'Keeps, dry and cool, for', 'years', 0.05, 30),
  number('chill.weeks', 'Weeks of chill', 'weeks', 0, 52),
  number('chill.celsius', 'Chill at', 'celsius', -5, 12),
  number('chill.fromC', 'Cold that counts, from', 'celsius', -5, 12),
  number('chill.toC', 'Cold that counts, up to', 'celsius', -5, 15),
  number('chill.needNone', 'Share that comes without a chill', 'share', 0, 1),
  number('chill.warmWeeks', 'Weeks of damp warmth before the cold', 'weeks', 0, 30),
  number('coat.hardShare', 'Share whose coat lets water in late, left as it is', 'share', 0, 0.99),
  number('coat.wholeFactor', 'Times as long with the coat, husk or stone whole', '', 1, 6),
  number('coat.dryFactor', 'Times as long without the soak', '', 1, 3),
  number('water.dampRatio', 'Water to a gram of dry paper', 'g', 1, 5),
  stretch('water.soakHours', 'Soak from … to', 'hours', 0, 96),
  number('water.drowningLimitHours', 'Never under water longer than', 'hours', 0.5, 200),
  figure('preparation.steps', 'Steps', 'steps', { choices: STEPS }),
  text('preparation.text', 'How to prepare it'),
  choice('laid.medium', 'Lies on', {
    house: AS_HERE,
    paper: 'kitchen paper',
    tissue: 'tissue',
    cloth: 'old cloth',
    pad: 'cotton pads',
    perlite: 'loose perlite',
    vermiculite: 'loose vermiculite',
  }),
  choice('laid.damped', 'Damped with', { house: AS_HERE, water: 'plain water', peroxide: 'a little peroxide in the water' }),
  choice('laid.wet', 'How wet', { house: AS_HERE, wrung: 'wrung-out damp', free: 'a little free water', pool: 'a pool in one corner' }),
  number('moving.depthMm', 'Depth', 'mm', 0, 200),
  figure('moving.surfaceSown', 'Lies on the surface', 'flag', {}),
  text('moving.pot', 'Pot', 120),
  text('moving.mix', 'Mix', 120),
  choice('moving.firstSign', 'First sign', { white_nib: 'a white nib', green_speck: 'a green speck' }),
  text('moving.note', 'How to move it'),
  choice('growing.light', 'Light while sprouting', { dark: 'dark', needs_light: 'needs light', indifferent: 'either' }),
  choice('growing.keepMoist', 'Watering', { always: 'always moist', dry_between: 'may dry between' }),
  choice('growing.hardiness', 'Frost', { hardy: 'hardy', half_hardy: 'half-hardy', tender: 'tender' }),
  stretch('growing.startWeeksBeforeFrost', 'Start before the last frost', 'weeks', 0, 40, { nullable: true }),
  stretch('growing.plantOutWeeksAfterFrost', 'Plant out after the last frost (before: negative)', 'weeks', -16, 20, { nullable: true }),
  number('growing.minSoilC', 'Soil at planting out, at least', 'celsius', 0, 30, { nullable: true }),
  stretch('growing.harvestDaysAfterPlantingOut', 'From planting out to harvest', 'days', 10, 6000, { nullable: true }),
  number('growing.spacingCm.inRow', 'Apart in the row', 'cm', 0.5, 1500),
  number('growing.spacingCm.rows', 'Rows apart', 'cm', 1, 1500),
  number('growing.daysToTrueLeaf', 'From showing to the first true leaf', 'days', 1, 200),
  number('growing.isolationM', 'Apart from kin, for seed', 'm', 0, 5000, { nullable: true }),
  choice('methods.soilless', 'Sown straight into a soilless pod', { fine: 'does well', uncertain: 'uncertain', poor: 'does poorly' }),
  choice('methods.mouldProne', 'Mould on the towel', { 0: 'seldom', 1: 'sometimes', 2: 'often' }),
  text('methods.towel', 'On the towel'),
  text('hazards.text', 'What is dangerous', 500, 0),
  figure('hazards.care', 'The seed in the hand', 'steps', { choices: { poisonous: 'poisonous if eaten', burns: 'burns skin and eyes' } }),
  text('hazards.regulated', 'What is regulated', 500, 0),
];

/** Every figure that can be set, those of one group together. */
export const FIGURES: readonly Figure[] = [...OWN, ...sourced];

export const groupOf = (path: string): FigureGroup | null => {
  const [group = ''] = path.split('.');
  return group in FIGURE_GROUPS ? (group as FigureGroup) : null;
};

/** A figure as it is kept. */
export type FigureValue = number | string | boolean | null | readonly number[] | readonly string[] | readonly (readonly [number, number])[];
/** What a gardener set otherwise, by path. */
export type OwnFigures = Readonly<Record<string, FigureValue>>;
