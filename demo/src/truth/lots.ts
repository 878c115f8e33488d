import {
  randomBeta,
  randomExponential,
  randomGamma,
  randomLcg,
  randomLogistic,
  randomNormal,
  randomUniform,
  randomWeibull,
} from 'd3-random';

/** The worlds a forecast is tried on, as a gardener would tell them. Only the first is the forecast's own. */
const TOLD = {
  model: 'most come close together about their day, a little more spread out after it than before',
  weibull: 'they begin slowly, come thickest just after the middle and then stop',
  gamma: 'they begin at once and tail off, a little more evenly than the model has it',
  'log-logistic': 'nearly all come close together, and a few well before or well after',
  gompertz: 'few at first, more every day, and when most are there the rest follow within a day or two',
  uniform: 'as many on each day, from half of the usual time to half as long again, and then no more',
  'shifted exponential': 'nothing for three quarters of the usual time, then many at once, fewer every day, with a long tail',
  bimodal: 'two flushes: one half at three quarters of the usual time, the other at nearly twice that',
  tight: 'all within a day or so of each other: less than half of the usual spread',
  wide: 'strung out: twice the usual spread and more, from a third of the usual time to three times it',
  '15 in 100 straggle': 'most as usual, and about one in seven of them weeks later',
  'a fifth late': 'a fifth sleep on, and come after two to four times as long',
  'some duds': 'one lot in thirteen is dead or nearly so, whatever the packet says',
  'warmer by 2 °C': 'the thermometer reads two degrees too low',
  'cooler by 2 °C': 'the thermometer reads two degrees too high',
  'rate 0.15 lower': 'the packet promises 85 in 100, and 70 come',
  'lot x 0.7': 'the lot is quick: seven tenths of the usual time',
  'lot x 1.4': 'the lot is slow: nearly half as long again',
  'seen when up': 'sown in mix and seen when it is up: some days more, much the same for all',
  'up, and ragged': 'sown in mix; the way up takes some a third of the time it takes others, and a twelfth get lost on it',
  'chill too short': 'half of the cold that the kind wants, then the warm: what has not had enough sleeps on',
  'through the bag': 'never opened: read through the paper, which misses what is short and a quarter of what is long',
} as const;
export type World = keyof typeof TOLD;
export const WORLDS = Object.keys(TOLD) as readonly World[];
/** What a world does, in a gardener's words. */
export const worldInWords = (world: World): string => TOLD[world];

/** What the packet says. */
export const PRINTED_RATE = 0.85;

/** A lot as it truly is: each seed's need, in days at the optimum over the crop's figure; Infinity for dead seed. */
export interface TrueLot {
  readonly needs: readonly number[];
  /** Way from tip to what is seen, over the crop's figure, by seed; none where the tip is watched. */
  readonly delays: readonly number[];
  /** Cold that each needs, over the prescribed; none where the world wants none. */
  readonly chills: readonly number[];
  /** °C that the thermometer reads too low. */
  readonly warmerC: number;
}

/** Random numbers that can be had again. */
export interface Chance {
  readonly uniform: () => number;
  readonly normal: () => number;
  readonly weibull: () => number;
  readonly gamma: () => number;
  readonly logistic: () => number;
  /** With mean 1. */
  readonly exponential: () => number;
  readonly beta: (a: number, b: number) => () => number;
}

export function chanceFrom(seed: number): Chance {
  const source = randomLcg(seed);
  return {
    uniform: randomUniform.source(source)(),
    normal: randomNormal.source(source)(),
    // Scaled so that the median is 1.
    weibull: randomWeibull.source(source)(4.5, 0, 1.0849),
    gamma: randomGamma.source(source)(14, 1 / 13.668),
    logistic: randomLogistic.source(source)(0, 0.145),
    exponential: randomExponential.source(source)(1),
    beta: (a, b) => randomBeta.source(source)(a, b),
  };
}

/** Rate at which a Gompertz hazard rises in a median, of the spread that the others have. */
const GOMPERTZ_RATE = Math.PI / (Math.sqrt(6) * 0.25);

/** A seed's time over its lot's: about 1 for the middle one. */
function timeIn(world: World, chance: Chance): number {
  const usual = (spread = 0.25): number => Math.exp(spread * chance.normal());
  switch (world) {
    case 'weibull':
      return chance.weibull();
    case 'gamma':
      return chance.gamma();
    case 'log-logistic':
      return Math.exp(chance.logistic());
    case 'gompertz':
      return Math.log1p((chance.exponential() * Math.expm1(GOMPERTZ_RATE)) / Math.LN2) / GOMPERTZ_RATE;
    case 'uniform':
      return 0.5 + chance.uniform();
    case 'shifted exponential':
      return 0.75 + (0.25 / Math.LN2) * chance.exponential();
    case 'bimodal':
      return (chance.uniform() < 0.5 ? 0.75 : 1.7) * usual(0.15);
    case 'tight':
      return usual(0.25 * 0.4);
    case 'wide':
      return usual(0.25 * 2.2);
    case '15 in 100 straggle':
      return chance.uniform() < 0.15 ? Math.exp(0.9 + 0.6 * chance.normal()) : usual();
    case 'a fifth late':
      return usual() * (chance.uniform() < 0.2 ? 2 + 2 * chance.uniform() : 1);
    default:
      return usual();
  }
}

function paceIn(world: World, chance: Chance): number {
  const own = Math.exp((world.startsWith('lot') ? 0.1 : 0.3) * chance.normal());
  return own * (world === 'lot x 0.7' ? 0.7 : world === 'lot x 1.4' ? 1.4 : 1);
}

/** The way up through the mix: alike for all, or one seed's its own and a twelfth of them lost on it. */
function delayIn(world: World, chance: Chance): number {
  if (world === 'seen when up') return Math.exp(0.2 * chance.normal());
  return chance.uniform() < 1 / 12 ? Infinity : 0.6 + 1.1 * chance.uniform();
}
/** Cold a seed needs over what is prescribed: by another law than the forecast's, and a few need none. */
const chillIn = (chance: Chance): number => (chance.uniform() < 0.03 ? 0 : 0.65 * chance.gamma());

/** Draws a lot of a world. */
export function drawTrueLot(world: World, seeds: number, chance: Chance): TrueLot {
  const mean = PRINTED_RATE - (world === 'rate 0.15 lower' ? 0.15 : 0);
  const dud = world === 'some duds' && chance.uniform() < 0.075;
  const living = dud ? chance.beta(0.6, 15)() : chance.beta(12 * mean, 12 * (1 - mean))();
  const pace = paceIn(world, chance);
  return {
    needs: Array.from({ length: seeds }, () => (chance.uniform() < living ? pace * timeIn(world, chance) : Infinity)),
    delays: world === 'seen when up' || world === 'up, and ragged' ? Array.from({ length: seeds }, () => delayIn(world, chance)) : [],
    chills: world === 'chill too short' ? Array.from({ length: seeds }, () => chillIn(chance)) : [],
    warmerC: world === 'warmer by 2 °C' ? 2 : world === 'cooler by 2 °C' ? -2 : 0,
  };
}
