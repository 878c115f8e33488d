import { aliveInWords } from './alive.js';
import type { Hope, Supplying } from '../judging/index.js';
import type { Method, MethodId } from '../method/index.js';
import type { PreparationStep } from '../preparing/index.js';
import type { OtherWay, Supply } from '../sowing/index.js';
import { about, before, capital, chanceInWords, counted, rangeInWords, type Words } from '../units/index.js';
import type { Advice } from './advice.js';
import { testInWords } from './test.js';
import { STEP_WORDS } from './vocabulary.js';

const WAY_WORDS: Readonly<Record<Exclude<OtherWay, 'prepared' | 'packet'>, string>> = {
  warmer: 'in a warmer spot',
  cooler: 'in a cooler spot',
  pot: 'straight in a pot of mix',
  pod: 'straight in a plug or pod',
  towel: 'on a towel, where you see what happens',
};

/** The method that another way is; a warmer spot or a preparation changes none. */
const METHOD_OF: Readonly<Partial<Record<OtherWay, MethodId>>> = { pot: 'pot', pod: 'pod', towel: 'towel' };

function wayInWords({ way, step, packet }: NonNullable<Supply['restart']>): string {
  if (way === 'packet') return `another packet of the crop, ${packet}`;
  return way === 'prepared'
    ? `on a towel, ${step ? STEP_WORDS[step as PreparationStep].done : 'prepared as its crop’s page says'}`
    : WAY_WORDS[way];
}

/** What may still come, in words: soon, ever, and how likely a quiet seed is alive. */
export function hopeInWords({ anyFurther, untilMs, ever, quietAlive }: Hope, { nouns }: Method, words: Words): string {
  const soon = chanceInWords(anyFurther);
  const late = chanceInWords(ever);
  const and = late === soon ? '' : `, ${late} that one comes ever`;
  return `${capital(soon)} that another ${nouns.event.one} ${nouns.shows} by ${words.when(about(untilMs))}${and}; a quiet seed ${aliveInWords(quietAlive)}.`;
}

/** From this chance on it is worth a word that the lot itself may be dead. */
const MAYBE_DEAD = 0.2;
const deadInWords = (deadChance: number): string =>
  deadChance >= MAYBE_DEAD ? ` ${capital(chanceInWords(deadChance))} that the seed itself is dead.` : '';

function restartInWords({ restart, hope }: Extract<Supplying, { kind: 'restart' }>, method: Method, words: Words): Advice {
  const { seeds, low, high, deadChance, way } = restart;
  const other = way === 'packet';
  const sound = other
    ? `${seeds === 1 ? 'One seed gives' : `${seeds} seeds give`} ${rangeInWords(low, high)}`
    : seeds === 1
      ? 'If the seed is sound it comes'
      : `If the seed is sound, ${seeds} give ${rangeInWords(low, high)}`;
  return {
    kind: 'restart',
    lead: other ? `Start ${counted(seeds, 'seed')} of another packet` : `Start ${seeds} another way`,
    by: null,
    tone: 'waiting',
    text: `${capital(wayInWords(restart))}. ${sound}.${deadInWords(deadChance)} ${hopeInWords(hope, method, words)} One more ${method.nouns.event.one} here would change this.`,
    button: {
      label: other ? 'Start that one' : `Start ${seeds} more`,
      act: { does: 'start', packet: other ? 'other' : 'same', seeds, again: { method: METHOD_OF[way] ?? method.id } },
    },
  };
}

function topUpInWords(one: Extract<Supplying, { what: 'more' }>, method: Method, nowMs: number, words: Words): Advice {
  const lag = one.lagDays <= 1 ? 'they are as far on as these' : `they are about ${one.lagDays} days behind these`;
  return {
    kind: 'top_up',
    lead: `Start ${counted(one.seeds, 'more seed')}`,
    by: one.byMs <= nowMs ? 'now' : `by ${words.when(before(one.byMs))}`,
    tone: 'waiting',
    text: `You wanted ${one.wanted}; ${rangeInWords(one.low, one.high)} are to be expected, and ${chanceInWords(one.enoughChance)} that it is enough. With ${one.seeds} more${one.last ? ', all the packet has,' : ''} ${chanceInWords(one.chance)}; started by then ${lag}. Another ${method.nouns.event.one} here, and fewer are needed.`,
    button: { label: `Start ${one.seeds} more`, act: { does: 'start', packet: 'same', seeds: one.seeds } },
  };
}

/** The second of two steps, on its day. */
function secondStepInWords({ seeds, below, shown }: Extract<Supplying, { what: 'second_step' }>, method: Method): Advice {
  return {
    kind: 'top_up',
    lead: `The second step: start ${counted(seeds, 'more seed')}`,
    by: 'now',
    tone: 'waiting',
    text: `It was agreed for today if fewer than ${below} had shown; ${shown === 0 ? 'none has' : `${shown} ${shown === 1 ? 'has' : 'have'}`}. One more ${method.nouns.event.one} at this look may spare it.`,
    button: { label: `Start ${seeds} more`, act: { does: 'start', packet: 'same', seeds } },
  };
}

const WHY_SHORT = {
  packet: (seeds: number, chance: string) =>
    seeds === 0 ? 'The packet is empty.' : `All ${seeds} that the packet has would leave it at ${chance}.`,
  late: () => 'Seed started now would be more than four weeks behind these: a sowing of its own.',
  lot: (seeds: number, chance: string) => `Even ${seeds} more of this packet leave it at ${chance}.`,
} as const;

/** What cannot be had, and what can. */
function shortInWords({ short, wanted, low, high, packet }: Extract<Supplying, { kind: 'short' }>): Advice {
  const other = packet === null ? ' Take what comes.' : ` Another packet, ${packet}, could fill it up.`;
  return {
    kind: 'short',
    lead: `Expect ${rangeInWords(low, high)} and not ${wanted}`,
    by: null,
    tone: 'waiting',
    text: `${WHY_SHORT[short.why](short.seeds, chanceInWords(short.chance))}${other}`,
    button: packet === null ? null : { label: 'Start that one', act: { does: 'start', packet: 'other', seeds: Math.max(wanted - low, 1) } },
  };
}

/** What a wish that is not met, a packet in doubt or a test asks for, in words. */
export function supplyInWords(one: Supplying, method: Method, nowMs: number, words: Words): Advice {
  switch (one.kind) {
    case 'restart':
      return restartInWords(one, method, words);
    case 'top_up':
      return one.what === 'second_step' ? secondStepInWords(one, method) : topUpInWords(one, method, nowMs, words);
    case 'short':
      return shortInWords(one);
    case 'give_up':
      return {
        kind: 'give_up',
        lead: `${one.aside ? 'Set it aside' : 'Close it'}: ${counted(one.quiet, 'seed')} still quiet`,
        by: null,
        tone: 'waiting',
        text: `${hopeInWords(one.hope, method, words)}${deadInWords(one.deadChance)}${one.buy ? ' Another way will not wake it: fresh seed is to be bought.' : ''} ${one.aside ? `Leave ${method.bagged ? 'the bag, damp,' : 'it, damp,'} in a corner; a late one can still be written down.` : `One more ${method.nouns.event.one} would change this; plant the firm ones in a corner if you can spare it.`}`,
        button: one.aside
          ? { label: 'Set it aside', act: { does: 'close', reason: 'set_aside' } }
          : { label: 'Close it', act: { does: 'close', reason: 'given_up' } },
      };
    case 'retest':
      return {
        kind: 'retest',
        lead: 'Test the packet again',
        by: null,
        tone: 'waiting',
        text: `${one.tipped} of ${one.seeds} is less than it promised: ${chanceInWords(one.chance)} of so few if that still held. Try twenty on a towel before you count on it.`,
        button: { label: 'Test the packet', act: { does: 'test' } },
      };
    case 'count':
      return testInWords(one, nowMs, words);
  }
}

/** What is said of a batch that was closed with seeds still quiet. @param ever chance that one still comes, as it stood */
export function closedInWords(quiet: number, ever: number, reason: string | null): string {
  if (quiet === 0 || ever < 0.01) return '';
  const corner = reason === 'set_aside' ? ': leave the bag in a corner' : '';
  return `${capital(chanceInWords(ever))} that one of the ${counted(quiet, 'quiet seed')} still comes${corner}.`;
}
