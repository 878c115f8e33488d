import type { Hope, Supplying } from '../judging/index.js';
import type { Method } from '../method/index.js';
import type { PreparationStep } from '../preparing/index.js';
import type { OtherWay, Supply } from '../sowing/index.js';
import { about, before, capital, chanceInWords, counted, rangeInWords, type Words } from '../units/index.js';
import type { Advice } from './advice.js';
import { testInWords } from './test.js';
import { STEP_WORDS } from './vocabulary.js';

const WAY_WORDS: Readonly<Record<Exclude<OtherWay, 'prepared'>, string>> = {
  warmer: 'on a warmer board',
  cooler: 'on a cooler board',
  pot: 'straight in a pot of mix',
  pod: 'straight in a plug or pod',
  towel: 'on a towel, where you see what happens',
};

const wayInWords = ({ way, step }: NonNullable<Supply['restart']>): string =>
  way === 'prepared' ? `on a towel, ${step ? STEP_WORDS[step as PreparationStep].done : 'prepared as its sheet says'}` : WAY_WORDS[way];

/** What may still come, in words. */
export const hopeInWords = ({ anyFurther, untilMs, quietAlive }: Hope, { nouns }: Method, words: Words): string =>
  `${capital(chanceInWords(anyFurther))} that another ${nouns.event.one} ${nouns.shows} by ${words.when(about(untilMs))}; a quiet seed lives with ${chanceInWords(quietAlive)}.`;

function restartInWords({ restart, hope }: Extract<Supplying, { kind: 'restart' }>, method: Method, words: Words): Advice {
  const { seeds, low, high, deadChance } = restart;
  const sound = seeds === 1 ? `If the seed is sound it comes` : `If the seed is sound, ${seeds} give ${rangeInWords(low, high)}`;
  const dead = deadChance >= 0.2 ? `; ${chanceInWords(deadChance)} that the lot itself is dead` : '';
  return {
    kind: 'restart',
    lead: `Start ${seeds} another way`,
    by: null,
    tone: 'waiting',
    text: `${capital(wayInWords(restart))}. ${sound}${dead}. ${hopeInWords(hope, method, words)} One more ${method.nouns.event.one} here would change this.`,
  };
}

function topUpInWords(one: Extract<Supplying, { kind: 'top_up' }>, method: Method, nowMs: number, words: Words): Advice {
  const lag = one.lagDays <= 1 ? 'they come along with these' : `they are about ${one.lagDays} days behind these`;
  return {
    kind: 'top_up',
    lead: `Start ${counted(one.seeds, 'more seed')}`,
    by: one.byMs <= nowMs ? 'now' : `by ${words.when(before(one.byMs))}`,
    tone: 'waiting',
    text: `You wanted ${one.wanted}; ${rangeInWords(one.low, one.high)} are to be expected, and ${chanceInWords(one.enoughChance)} that it is enough. With ${one.seeds} more${one.last ? ', all the packet has,' : ''} ${chanceInWords(one.chance)}; started by then ${lag}. Another ${method.nouns.event.one} here makes it fewer.`,
  };
}

/** What a wish that is not met, a packet in doubt or a test asks for, in words. */
export function supplyInWords(one: Supplying, method: Method, nowMs: number, words: Words): Advice {
  switch (one.kind) {
    case 'restart':
      return restartInWords(one, method, words);
    case 'top_up':
      return topUpInWords(one, method, nowMs, words);
    case 'give_up':
      return {
        kind: 'give_up',
        lead: `Close it: ${counted(one.quiet, 'seed')} still quiet`,
        by: null,
        tone: 'waiting',
        text: `${hopeInWords(one.hope, method, words)} One more ${method.nouns.event.one} would change this; plant the firm ones in a corner if you can spare it.`,
      };
    case 'retest':
      return {
        kind: 'retest',
        lead: 'Test the packet again',
        by: null,
        tone: 'waiting',
        text: `${one.tipped} of ${one.seeds} is less than it promised: ${chanceInWords(one.chance)} of so few if that still held. Try twenty on a towel before you count on it.`,
      };
    case 'count':
      return testInWords(one, nowMs, words);
  }
}
