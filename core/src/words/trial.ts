import type { Closure, Damping, Light, Medium, Wetness } from '../carrier/index.js';

import type { MethodId } from '../method/index.js';
import type { PreparationStep } from '../preparing/index.js';
import { USUAL_LEVEL, type Compared, type Fairness, type PairShown, type Question, type Unlike } from '../trials/index.js';
import { capital, counted, DAY_MS, listed, type Words } from '../units/index.js';
import { CLOSURE_WORDS, DAMPED_WORDS, LIGHT_WORDS, MEDIUM_WORDS, METHOD_WORDS, STEP_WORDS, WET_WORDS } from './vocabulary.js';

/** What a trial asks, as one would name it. */
export const QUESTION_WORDS: Readonly<Record<Question, string>> = {
  packet: 'the packet',
  age: 'the age of the seed',
  method: 'the way it is started',
  medium: 'what it lies on',
  wet: 'how wet it is',
  damped: 'what it is damped with',
  closure: 'how it is closed',
  light: 'light or dark',
  soak: 'the soak',
  chill: 'the cold before',
  prepared: 'what was done to the seed',
  spot: 'the place',
};

const FAIR_WORDS: Readonly<Record<Fairness, string>> = {
  fair: 'Fair: what else differed weighs next to nothing.',
  enough: 'Fair enough: what else differed weighs little beside it.',
  unfair: 'Not fair: what else differed may do as much.',
  spoilt: 'No comparison: these are not alike enough to set side by side.',
};
/** Whether it is fair, in a sentence. */
export const fairInWords = (fairness: Fairness): string => FAIR_WORDS[fairness];

/** So many days, as one says them. */
function daysInWords(days: number): string {
  const size = Math.abs(days);
  if (size < 0.95) return size < 0.1 ? 'an hour or two' : `${size.toFixed(1)} days`;
  const told = size < 9.95 ? size.toFixed(1).replace(/\.0$/, '') : String(Math.round(size));
  return `${told} ${told === '1' ? 'day' : 'days'}`;
}

/** An interval of days sooner or later: "0.3 to 2.6", or with the side that its other end falls on. */
function betweenInWords(low: number, high: number): string {
  const [least, most] = [Math.min(Math.abs(low), Math.abs(high)), Math.max(Math.abs(low), Math.abs(high))];
  return `${least.toFixed(1)} to ${most.toFixed(1)}`;
}

const surely = ({ amongAll, low, high }: { readonly amongAll: number; readonly low: number; readonly high: number }): boolean =>
  amongAll <= USUAL_LEVEL && low * high >= 0;
const fairly = (fairness: Fairness): boolean => fairness === 'fair' || fairness === 'enough';

/** What is told of one pair: the leading sentence, and how sure it is. */
export interface PairTold {
  readonly lead: string;
  /** Whether a difference is called one. */
  readonly different: boolean;
}

/** Watched for less than this it was never looked at, days. */
const UNWATCHED = 0.01;
/** Nobody acts on so small a difference in what comes. */
const AS_MANY = 0.1;

/** One pair in one sentence. An unfair pair is never called different, whatever chance says. */
export function pairInWords({ arms, watchedDays }: Compared, pair: PairShown): PairTold {
  const [first, second] = [arms[pair.first]?.name ?? '', arms[pair.second]?.name ?? ''];
  const { days, share, fair, unlike } = pair;
  const [heaviest] = unlike;
  if (fair.days === 'spoilt')
    return { lead: `No comparison: ${heaviest ? spoiltBy(heaviest) : 'they are not alike enough'}`, different: false };
  if (watchedDays !== null && watchedDays < UNWATCHED) return { lead: 'Cannot tell: one side was never looked at', different: false };
  const sooner = days !== null && surely(days);
  const more = surely(share);
  const [soonerFairly, moreFairly] = [sooner && fairly(fair.days), more && fairly(fair.share)];
  const besides = heaviest ? nounOf(heaviest) : 'what else differed';
  if ((sooner || more) && !soonerFairly && !moreFairly)
    return { lead: `Not to be told: ${besides} may have done as much`, different: false };
  const [own, other] = [arms[pair.first]?.count, arms[pair.second]?.count];
  // What was still coming when it was closed is no count of what it gives.
  const over = [pair.first, pair.second].every((side) => arms[side]?.over ?? true);
  const by = over || watchedDays === null ? 'came' : `had come by day ${Math.round(watchedDays)}`;
  const counts = own && other ? `${own.came} of ${own.of} ${by} against ${other.came} of ${other.of}` : '';
  const many = more
    ? moreFairly
      ? counts
      : `${counts}, which ${besides} may have done`
    : Math.abs(share.difference) < AS_MANY
      ? `as many ${by}`
      : `${counts}, which may be chance`;
  if (days !== null && soonerFairly) {
    const [quick] = days.difference < 0 ? [first] : [second];
    return {
      lead: `Those ${quick} came ${daysInWords(days.difference)} sooner (${betweenInWords(days.low, days.high)}); ${many}`,
      different: true,
    };
  }
  if (moreFairly)
    return {
      lead: over
        ? `Those ${share.difference > 0 ? first : second} gave more: ${counts}; ${sooner ? `how soon, ${besides} may have settled` : 'no sooner that anyone could tell'}`
        : `Those ${share.difference > 0 ? first : second} were ahead: ${counts}; how many come in the end nobody waited to see`,
      different: true,
    };
  return { lead: `Cannot tell: ${cannotTell(pair, many, besides, watchedDays)}`, different: false };
}

function cannotTell({ days, needed, fair }: PairShown, many: string, besides: string, watchedDays: number | null): string {
  // No number of seeds makes good what else differed.
  const unfair = !fairly(fair.days) && !fairly(fair.share);
  if (days === null) {
    const few = watchedDays === null ? 'too few came' : `too few had come by day ${Math.round(watchedDays)}, when the first was closed`;
    return unfair ? `${few}, and ${besides} differed too` : few;
  }
  // An interval drawn from few seeds may miss what chance can do.
  const maybe = `${daysInWords(days.difference)} ${days.low * days.high > 0 ? 'rest on too few seeds' : 'may be chance'}`;
  if (unfair) return `${maybe}, and ${besides} differed too`;
  if (needed === null) return `${many}, and none sooner that would matter`;
  return `${maybe}; you would need about ${roundly(needed)} seeds a side`;
}

/** A number of seeds as one would count them out. */
const roundly = (seeds: number): number => (seeds < 20 ? seeds : Math.ceil(seeds / 10) * 10);

const spoiltBy = ({ factor }: Unlike): string =>
  factor === 'crop' ? 'they are two kinds of plant' : 'the one was seen when its root showed, the other when it came up';

/** A thing that differed, as a noun. */
function nounOf({ factor }: Unlike): string {
  switch (factor) {
    case 'warmth':
      return 'the warmth';
    case 'guessed':
      return 'warmth that nobody measured';
    case 'heat':
      return 'the heat';
    case 'start':
      return 'the time of year';
    case 'dry':
      return 'a towel that went dry';
    case 'rhythm':
      return 'how often it was looked at';
    case 'people':
      return 'who looked';
    case 'crop':
      return 'the kind';
    case 'event':
      return 'what was watched for';
    case 'packet':
      return 'the seed itself';
    default:
      return QUESTION_WORDS[factor];
  }
}

/** A name that is a code, in words. */
function nameInWords(factor: Unlike['factor'], name: string): string {
  switch (factor) {
    case 'method':
      return METHOD_WORDS[name as MethodId];
    case 'medium':
      return MEDIUM_WORDS[name as Medium].text;
    case 'wet':
      return WET_WORDS[name as Wetness].text;
    case 'damped':
      return DAMPED_WORDS[name as Damping].text;
    case 'closure':
      return CLOSURE_WORDS[name as Closure].text;
    case 'light':
      return name in LIGHT_WORDS ? LIGHT_WORDS[name as Light].text : name;
    case 'prepared':
      return name === '' ? 'as it is' : listed(name.split(', ').map((step) => STEP_WORDS[step as PreparationStep].done));
    case 'event':
      return name === 'tip' ? 'seen when its root showed' : 'seen when it came up';
    default:
      return name === '' ? 'nobody said' : name;
  }
}

/** Less than this shows in no sentence: days, and a share of all seeds. */
const NOTHING = { days: 0.05, share: 0.005 } as const;
/** Whether what differed may be worth next to nothing. */
export const weightless = ({ days, share, spoils }: Unlike): boolean => !spoils && days < NOTHING.days && share < NOTHING.share;

/** All that differed and weighs nothing, in a sentence. */
export function weightlessInWords(unlike: readonly Unlike[]): string {
  if (unlike.length === 0) return 'All else that was written down is the same on both sides.';
  return `${capital(listed(unlike.map(nounOf)))} differed, which is worth next to nothing.`;
}

/** One thing that differed: what, and what it may be worth. */
export function unlikeInWords(
  unlike: Unlike,
  words: Pick<Words, 'temperature' | 'when'>,
): { readonly text: string; readonly worth: string } {
  const { factor, first, second, days, share, spoils } = unlike;
  const figure = (value: number): string => {
    switch (factor) {
      case 'warmth':
        return words.temperature(value);
      case 'soak':
        return value < 0.5 ? 'none' : counted(Math.round(value), 'hour');
      case 'chill':
        return value < 1 ? 'none' : counted(Math.round(value), 'day');
      case 'age':
        return counted(Math.round(value), 'year');
      case 'start':
        return words.when(value * DAY_MS);
      case 'rhythm':
        return Math.abs(value - 1) < 0.15 ? 'every day' : `every ${daysInWords(value)}`;
      case 'dry':
        return counted(Math.round(value), 'time');
      case 'heat':
        return `${Math.round(100 * value)} in 100 lived`;
      case 'guessed':
        return `${Math.round(100 * value)} % either way`;
      default:
        return value.toFixed(1);
    }
  };
  const side = (value: Unlike['first']): string =>
    value === null ? 'nobody knows' : typeof value === 'number' ? figure(value) : nameInWords(factor, value);
  const worth = spoils
    ? 'no comparison with it'
    : weightless(unlike)
      ? 'worth next to nothing'
      : `worth ${[days >= NOTHING.days ? daysInWords(days) : null, share >= NOTHING.share ? `${Math.max(Math.round(100 * share), 1)} in 100` : null].filter((one) => one !== null).join(' and ')}`;
  const [own, other] = [side(first), side(second)];
  return { text: `${capital(nounOf(unlike))}: ${own === other ? own : `${own} against ${other}`}`, worth };
}
