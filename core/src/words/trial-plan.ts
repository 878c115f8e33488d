import type { CareFor, Question, SeedToTry } from '../trials/index.js';
import { counted, listed, numberWord } from '../units/index.js';

/** What one would care about: "half a day sooner", "10 in 100 more". */
export function careInWords(care: CareFor): string {
  if (care.of === 'share') return `${Math.round(100 * care.share)} in 100 more`;
  return care.days === 0.5 ? 'half a day sooner' : `${counted(care.days, 'day')} sooner`;
}

/** What a planned trial is sized by, and what that came to. */
export interface TrialSized {
  readonly seed: SeedToTry;
  readonly seeds: number;
  readonly care: CareFor;
  readonly sides: number;
  readonly chance: number;
  readonly needed: number | null;
}

/** Whether so many seeds a side would show what one would care about, in three sentences. */
export function trialSizeInWords({ seed, seeds, care, sides, chance, needed }: TrialSized): string {
  const known = `It comes in about ${seed.medianDays.toFixed(1)} days here, ${Math.round(10 * seed.rate)} in 10 of it.`;
  if (care.of === 'days' && care.days >= 0.9 * seed.medianDays)
    return `${known} It cannot come ${counted(care.days, 'day')} sooner than that: ask for less.`;
  const times = Math.round(10 * chance);
  const often = times >= 10 ? 'nearly always' : times <= 0 ? 'hardly ever' : `about ${times} times in 10`;
  const shows = `With ${seeds} a side, a side of which ${care.of === 'days' ? 'the seed truly comes' : 'truly'} ${careInWords(care)}${care.of === 'share' ? ' come' : ''} is told from ${sides > 2 ? 'another' : 'chance'} ${often}.`;
  const enough =
    needed === null
      ? 'No household has the seed to show so little: ask for more, or leave it.'
      : needed <= seeds
        ? needed < 0.8 * seeds
          ? `${needed} a side would do.`
          : 'That is about right.'
        : `It takes about ${needed} a side to see it 8 times in 10.`;
  const pairs = sides > 2 ? [`Of ${numberWord(sides)} sides each is held against each, which takes more seed than two would.`] : [];
  return [known, shows, enough, ...pairs].join(' ');
}

/** A packet of a planned trial: what it is called, what is left of it, and how many its sides take. */
export interface SeedTaken {
  readonly name: string;
  readonly left: number | null;
  readonly taken: number;
}

/** Packets that hold too little for what is planned; null where none does. */
export function shortInWords(packets: readonly SeedTaken[]): string | null {
  const short = packets.flatMap(({ name, left, taken }) =>
    left !== null && left < taken ? [`${name} has ${counted(left, 'seed')} left and ${taken} are to be taken`] : [],
  );
  return short.length > 0 ? `${listed(short)}.` : null;
}

/** How a trial's sides are laid so that they stay alike but for what is asked. */
export function layInWords(question: Question, seeds: number, sides: number): string {
  const both = sides > 2 ? 'all' : 'both';
  const count =
    question === 'packet' || question === 'age'
      ? `Count out ${counted(seeds, 'seed')} of each packet, without choosing.`
      : `Count out ${counted(seeds, 'seed')} for each side from one heap, without choosing.`;
  if (question === 'chill')
    return `${count} The longest cold begins first, the others so much later that ${both} come into the warmth in the same hour; from then on they lie side by side and are looked at each time.`;
  const where = question === 'spot' ? 'each in its place' : 'side by side in one place';
  return `${count} Begin ${both} in the same hour, ${where}, and look at ${both} each time.`;
}
