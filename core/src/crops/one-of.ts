import type { Crop } from './schema.js';

const MARK = 'one-of';
const BETWEEN = '--';
/** More kinds than this tell nobody anything. */
export const MOST_KINDS = 40;

/** The id of a crop of which only this is known, that it is one of these; of a single kind its own. */
export function oneOfId(ids: readonly string[]): string {
  const kinds = [...new Set(ids)].sort();
  return kinds.length === 1 && kinds[0] ? kinds[0] : [MARK, ...kinds].join(BETWEEN);
}

/** The kinds that such an id names; null where it is a crop's own. */
export function kindsIn(id: string): string[] | null {
  const [mark, ...kinds] = id.split(BETWEEN);
  return mark === MARK && kinds.length > 1 ? kinds : null;
}

const least = (of: (crop: Crop) => number, crops: readonly Crop[]): number => Math.min(...crops.map(of));
const most = (of: (crop: Crop) => number, crops: readonly Crop[]): number => Math.max(...crops.map(of));
const geometric = (of: (crop: Crop) => number, crops: readonly Crop[]): number =>
  Math.exp(crops.reduce((sum, crop) => sum + Math.log(of(crop)), 0) / crops.length);
const mean = (of: (crop: Crop) => number, crops: readonly Crop[]): number => crops.reduce((sum, crop) => sum + of(crop), 0) / crops.length;
const any = (of: (crop: Crop) => boolean, crops: readonly Crop[]): boolean => crops.some(of);
const union = <T>(of: (crop: Crop) => readonly T[], crops: readonly Crop[]): T[] => [...new Set(crops.flatMap(of))];

/** Names as one says them: "leek or chives", "one of 12 kinds". */
const named = (crops: readonly Crop[]): string => {
  const names = crops.map(({ name }, index) => (index === 0 ? name : name.replace(/^./, (first) => first.toLowerCase())));
  return names.length > 3 ? `One of ${names.length} kinds` : `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`;
};

/** Spread of the kinds' own speeds, added to that within a lot: nobody knows which of them it is. */
function spreadOf(crops: readonly Crop[]): number {
  const centre = Math.log(geometric(({ days }) => days.tipAtOptimum, crops));
  const between = mean(({ days }) => (Math.log(days.tipAtOptimum) - centre) ** 2, crops);
  return Math.sqrt(mean(({ days }) => days.logSpread ** 2, crops) + between);
}

/**
 * A crop of which only this is known, that it is one of several: each figure is the one
 * that does the least harm whichever it turns out to be. It has the patience of the
 * slowest, the roots of the quickest, the heat of the most delicate, the water of the one
 * that drowns first and every caution; its median lies between, its spread covers all.
 * Common practice, no source.
 *
 * @param crops two or more kinds
 * @throws RangeError for fewer than two
 */
export function oneOf(crops: readonly Crop[]): Crop {
  const [first] = crops;
  if (!first || crops.length < 2) throw new RangeError('crops must be two kinds or more');
  const source = `between ${crops.length} kinds that it may be`;
  const sourced = { source, confidence: 'low' } as const;
  const gentlest = [...crops].sort((a, b) => a.temperature.injuryC - b.temperature.injuryC)[0] ?? first;
  const slowest = [...crops].sort((a, b) => b.days.tipAtOptimum - a.days.tipAtOptimum)[0] ?? first;
  const quickest = [...crops].sort((a, b) => b.root.mmPerDayAtOptimum - a.root.mmPerDayAtOptimum)[0] ?? first;
  const chilled = [...crops].sort((a, b) => b.chill.weeks - a.chill.weeks)[0] ?? first;
  const hazards = crops.filter(({ hazards: { text } }) => text !== '').map(({ name, hazards: { text } }) => `${name}: ${text}`);
  return {
    ...first,
    id: oneOfId(crops.map(({ id }) => id)),
    name: named(crops),
    otherNames: [],
    latin: '',
    family: union(({ family }) => [family], crops).join(', '),
    seed: {
      ...sourced,
      gramsPerThousand: geometric(({ seed }) => seed.gramsPerThousand, crops),
      lengthMm: most(({ seed }) => seed.lengthMm, crops),
      perUnit: 1,
    },
    temperature: {
      ...gentlest.temperature,
      ...sourced,
      beta: {
        baseC: least(({ temperature }) => temperature.beta.baseC, crops),
        optimumC: mean(({ temperature }) => temperature.beta.optimumC, crops),
        ceilingC: most(({ temperature }) => temperature.beta.ceilingC, crops),
      },
      tentBaseC: least(({ temperature }) => temperature.tentBaseC, crops),
      share: null,
    },
    days: {
      ...sourced,
      tipAtOptimum: geometric(({ days }) => days.tipAtOptimum, crops),
      tipRange: [least(({ days }) => days.tipRange[0], crops), most(({ days }) => days.tipRange[1], crops)],
      tipToEmergence: geometric(({ days }) => days.tipToEmergence, crops),
      logSpread: spreadOf(crops),
    },
    root: {
      ...quickest.root,
      ...sourced,
      readyMm: least(({ root }) => root.readyMm, crops),
      lateMm: least(({ root }) => root.lateMm, crops),
      shy: most(({ root }) => root.shy, crops),
    },
    viability: {
      ...sourced,
      share: mean(({ viability }) => viability.share, crops),
      storageYears: least(({ viability }) => viability.storageYears, crops),
    },
    chill: { ...chilled.chill, ...sourced, needNone: mean(({ chill }) => (chill.weeks === 0 ? 1 : chill.needNone), crops) },
    coat: {
      ...sourced,
      hardShare: mean(({ coat }) => coat.hardShare, crops),
      wholeFactor: most(({ coat }) => coat.wholeFactor, crops),
      dryFactor: most(({ coat }) => coat.dryFactor, crops),
    },
    water: {
      ...sourced,
      dampRatio: least(({ water }) => water.dampRatio, crops),
      soakHours: [least(({ water }) => water.soakHours[0], crops), least(({ water }) => water.soakHours[1], crops)],
      drowningLimitHours: least(({ water }) => water.drowningLimitHours, crops),
    },
    // What one of them needs may kill another: nothing is done to it but damp and warmth.
    preparation: { ...sourced, steps: [], text: 'Nothing, until it is known what it is.' },
    laid: { ...sourced, medium: 'house', damped: 'house', wet: 'wrung' },
    moving: {
      ...slowest.moving,
      ...sourced,
      depthMm: least(({ moving }) => moving.depthMm, crops),
      surfaceSown: any(({ moving }) => moving.surfaceSown, crops),
      note: '',
    },
    growing: {
      ...slowest.growing,
      ...sourced,
      light: any(({ growing }) => growing.light === 'needs_light', crops) ? 'needs_light' : 'indifferent',
      hardiness: any(({ growing }) => growing.hardiness === 'tender', crops) ? 'tender' : slowest.growing.hardiness,
      spacingCm: null,
      isolationM: null,
    },
    methods: {
      ...sourced,
      soilless: any(({ methods }) => methods.soilless === 'poor', crops) ? 'poor' : 'uncertain',
      mouldProne: most(({ methods }) => methods.mouldProne, crops),
      towel: 'Looked at daily, so that a quick one is not missed.',
    },
    hazards: {
      ...sourced,
      text: hazards.join(' '),
      care: union(({ hazards: { care } }) => care, crops),
      regulated: '',
    },
  };
}
