import { chanceInWords } from '../units/quantity.js';
import { counted, rangeInWords, type Words } from '../units/words.js';
import { about, before, capital, type Advice } from './advice.js';
import type { Answers } from './answers.js';
import type { OtherWay, Supply } from './supply.js';
import { waysOf, type ParcelFacts } from './workings.js';

const STEP_WORDS: Readonly<Record<string, string>> = {
  soak: 'soaked first',
  nick: 'nicked first',
  file: 'filed first',
  split: 'split first',
  peel: 'peeled first',
  chill: 'chilled first',
};

const WAY_WORDS: Readonly<Record<Exclude<OtherWay, 'prepared'>, string>> = {
  warmer: 'on a warmer board',
  cooler: 'on a cooler board',
  pot: 'straight in a pot of mix',
  pod: 'straight in a plug or pod',
  towel: 'on a towel, where you see what happens',
};

const wayInWords = ({ way, step }: NonNullable<Supply['restart']>): string =>
  way === 'prepared' ? `on a towel, ${STEP_WORDS[step ?? ''] ?? 'prepared as its sheet says'}` : WAY_WORDS[way];

/** Whether hope is so small that the lot is judged. */
export const hopeless = (facts: ParcelFacts, { chanceAnyFurther, state }: Answers): boolean =>
  state.quiet > 0 && chanceAnyFurther < waysOf(facts).leastHope;

/** Fewer than half of the wish have shown, or none where nothing was wished. */
const farShort = ({ wanted }: ParcelFacts, { state }: Answers): boolean =>
  wanted === null ? state.tipped === 0 : state.tipped < wanted / 2;

function hopeInWords(answers: Answers, words: Words): string {
  return `${capital(chanceInWords(answers.chanceAnyFurther))} that another tip shows by ${words.when(about(answers.patienceMs))}; a quiet seed lives with ${chanceInWords(answers.chanceQuietAlive)}.`;
}

/** Nothing more is likely: the lot is begun another way, or closed. */
function endAdvice(facts: ParcelFacts, answers: Answers, words: Words): Advice {
  const { state, supply } = answers;
  const hope = hopeInWords(answers, words);
  const again = farShort(facts, answers) && !facts.followedBy ? supply.restart : null;
  if (again) {
    const sound =
      again.seeds === 1
        ? `If the seed is sound it comes`
        : `If the seed is sound, ${again.seeds} give ${rangeInWords(again.low, again.high)}`;
    const dead = again.deadChance >= 0.2 ? `; ${chanceInWords(again.deadChance)} that the lot itself is dead` : '';
    return {
      kind: 'restart',
      lead: `Start ${again.seeds} another way`,
      by: null,
      tone: 'waiting',
      text: `${capital(wayInWords(again))}. ${sound}${dead}. ${hope} One more tip here would change this.`,
    };
  }
  return {
    kind: 'give_up',
    lead: `Close it: ${counted(state.quiet, 'seed')} still quiet`,
    by: null,
    tone: 'waiting',
    text: `${hope} One more tip would change this; plant the firm ones in a corner if you can spare it.`,
  };
}

function topUpAdvice(facts: ParcelFacts, { supply, state, end, nowMs }: Answers, words: Words): Advice | null {
  const { topUp, enoughChance } = supply;
  if (topUp === null || enoughChance === null || facts.followedBy) return null;
  const all = topUp.seeds === facts.packetLeft;
  const sure = topUp.chance >= waysOf(facts).sureness - 1e-9;
  const lag = topUp.lagDays <= 1 ? 'they come along with these' : `they are about ${topUp.lagDays} days behind these`;
  return {
    kind: 'top_up',
    lead: `Start ${counted(topUp.seeds, 'more seed')}`,
    by: topUp.byMs <= nowMs ? 'now' : `by ${words.when(before(topUp.byMs))}`,
    tone: 'waiting',
    text: `You wanted ${facts.wanted}; ${rangeInWords(state.tipped + end.low, state.tipped + end.high)} are to be expected, and ${chanceInWords(enoughChance)} that it is enough. With ${topUp.seeds} more${all && !sure ? ', all the packet has,' : ''} ${chanceInWords(topUp.chance)}; started by then ${lag}. Another tip here makes it fewer.`,
  };
}

function retestAdvice(facts: ParcelFacts, { supply, state }: Answers): Advice | null {
  const chance = supply.asFewChance;
  if (chance === null || chance >= waysOf(facts).retestChance) return null;
  return {
    kind: 'retest',
    lead: 'Test the packet again',
    by: null,
    tone: 'waiting',
    text: `${state.tipped} of ${facts.seeds} is less than it promised: ${chanceInWords(chance)} of so few if that still held. Try twenty on a towel before you count on it.`,
  };
}

/** Whether enough will come, and what to do where it will not. */
export function supplyAdvice(facts: ParcelFacts, answers: Answers, words: Words): Advice[] {
  if (facts.chillUntilMs !== null && facts.chillUntilMs > answers.nowMs) return [];
  const over = hopeless(facts, answers);
  const advice: (Advice | null)[] = [];
  // Far short and hopeless, more of the same way is no help: another way is.
  if (!(over && farShort(facts, answers))) advice.push(topUpAdvice(facts, answers, words));
  if (over) advice.push(endAdvice(facts, answers, words));
  advice.push(retestAdvice(facts, answers));
  return advice.filter((one) => one !== null);
}
