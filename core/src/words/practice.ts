import { FINDINGS } from '../judging/index.js';
import { WITHIN, type Deed, type Exercise, type Marked, type PracticeTally, type Seen, type ShownParcel } from '../practice/index.js';
import { capital, counted, numberWord, type Words } from '../units/index.js';

/** What may be done with an opened towel. */
export const DEED_WORDS: Readonly<Record<Deed, string>> = {
  leave: 'close it and wait',
  move: 'move those that are ready',
  rescue: 'free the longest roots now',
  rot: 'take out what rots, close it and wait',
};

/** What is asked. */
export function askedInWords(exercise: Exercise): string {
  switch (exercise.kind) {
    case 'what':
      return 'What is this?';
    case 'do':
      return 'What do you do with it?';
    case 'open':
      return 'When do you open it next?';
    case 'count':
      return 'How many will have come in the end?';
  }
}

/** What one is told of a simulated parcel. */
export function parcelInWords({ crop, seeds, days, celsius, looks }: ShownParcel, words: Pick<Words, 'temperature'>): string[] {
  const last = looks.at(-1);
  const rising = looks.filter(({ came }, nth) => came > (looks[nth - 1]?.came ?? 0));
  const seen =
    looks.length === 0
      ? null
      : last && last.came === 0
        ? `Looked at every day: nothing yet.`
        : `Looked at every day: ${rising.map(({ daysAgo, came }) => `${came} by day ${days - daysAgo}`).join(', ')}.`;
  return [
    `${counted(seeds, 'seed')} of ${crop.name.toLowerCase()} on a towel at ${words.temperature(celsius)}, day ${days}.`,
    ...(seen ? [seen] : []),
  ];
}

/** Common practice, no source. */
const ALIVE = {
  means: 'Quiet and alive: nothing to mend.',
  sign: 'Tight, of one colour, its outline whole. A firm seed that has kept its colour is alive, however late it is.',
};
/** What a drawing shows, as the trouble guide tells it. */
const seenInWords = (seen: Seen | undefined): { readonly means: string; readonly sign: string } =>
  FINDINGS.find(({ id }) => id === seen) ?? ALIVE;

/** An option as its button says it. */
export function optionInWords(exercise: Exercise, index: number): string {
  switch (exercise.kind) {
    case 'what':
      return seenInWords(exercise.options[index]).means.split(/[.:]/)[0] ?? '';
    case 'do':
      return capital(DEED_WORDS[exercise.options[index] as Deed]);
    case 'open': {
      const day = exercise.options[index] ?? 1;
      return day === 1 ? 'Tomorrow' : `In ${counted(day, 'day')}`;
    }
    case 'count':
      return `${exercise.options[index]} of ${exercise.parcel.seeds}`;
  }
}

/** What was true of it, and what the plan had said. */
export function markedInWords(exercise: Exercise, { right, days, count }: Marked): string[] {
  switch (exercise.kind) {
    case 'what': {
      const { means, sign } = seenInWords(exercise.finding);
      return [`${right ? 'Yes.' : 'No:'} ${means}`, sign];
    }
    case 'do': {
      const { readyMm, lateMm } = exercise.parcel;
      const longest = Math.max(0, ...exercise.towel.map(({ rootMm }) => rootMm ?? 0));
      const why =
        longest > lateMm
          ? `The longest root is ${Math.round(longest)} mm; past ${lateMm} mm it holds on to the paper.`
          : longest >= readyMm
            ? `The longest root is ${Math.round(longest)} mm: ready from ${readyMm} mm, late from ${lateMm} mm.`
            : longest > 0
              ? `The longest root is ${Math.round(longest)} mm and ready at ${readyMm} mm.`
              : 'No root is there yet.';
      return [`${right ? 'Yes' : 'Better'}: ${DEED_WORDS[exercise.best]}.`, why];
    }
    case 'open': {
      const { from, to } = exercise.good;
      const span = from === to ? `on day ${from} from now` : `on days ${from} to ${to} from now`;
      const own = days?.own ?? 0;
      const plan = days?.plan ?? 0;
      return [
        `${own === 0 ? 'Well timed' : `Off by ${counted(own, 'day')}`}: a root was there and none too long ${span}.`,
        `The plan would have opened it in ${counted(exercise.plan, 'day')}, ${plan === 0 ? 'in time' : `off by ${counted(plan, 'day')}`}.`,
      ];
    }
    case 'count': {
      const { low, high } = exercise.plan;
      return [
        `${right ? 'It held' : 'It did not hold'}: ${exercise.final} came. A guess holds what is ${numberWord(WITHIN)} off at most.`,
        `The forecast said ${low === high ? low : `${low} to ${high}`}, 8 times in 10${count?.planHeld ? ', and that held' : ', and that did not hold'}.`,
      ];
    }
  }
}

/** What a run, or many, came to. */
export function tallyInWords({ asked, right, daysOff, planDaysOff, sure, brier, planHeld, planAsked }: PracticeTally): string[] {
  if (asked === 0) return [];
  const lines = [`${right} of ${asked} right.`];
  if (daysOff !== null && planDaysOff !== null)
    lines.push(
      `Opening was off by ${daysOff.toFixed(1)} days on average; the plan's by ${planDaysOff.toFixed(1)}${daysOff <= planDaysOff ? ': your eye keeps up with it' : ''}.`,
    );
  for (const { sureness, asked: of, held } of sure) {
    lines.push(`Where you were sure ${Math.round(10 * sureness)} times in 10, ${held} of ${of} held${verdictOf(sureness, held, of)}.`);
  }
  if (brier !== null && planAsked > 0)
    lines.push(
      `Your sureness scores ${brier.toFixed(2)}: nought is perfect, a coin that calls itself a coin 0.25. The forecast's 8 in 10 held ${planHeld} of ${planAsked}.`,
    );
  return lines;
}

/** Too sure or too shy, once enough were asked to say so. */
function verdictOf(sureness: number, held: number, of: number): string {
  if (of < 5) return '';
  const share = held / of;
  const reach = 1.3 * Math.sqrt((sureness * (1 - sureness)) / of);
  return share < sureness - reach ? ': too sure' : share > sureness + reach ? ': surer than you say' : ': as you said';
}
