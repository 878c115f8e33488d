import type { Headline } from '../judging/index.js';
import type { Method } from '../method/index.js';
import type { ParcelState } from '../parcel/index.js';
import { about, before, capital, chanceInWords, counted, rangeInWords, spanInWords, uncapital, type Words } from '../units/index.js';
import type { Tone } from './advice.js';
import { PRESSING_MS } from './lift.js';
import { hopeInWords } from './supply.js';
import { TROUBLE_WORDS } from './vocabulary.js';

/** What leads a parcel's line on Today. */
export interface HeadlineTold {
  readonly lead: string;
  readonly tone: Tone;
  readonly text: string;
}

type Of<What extends Headline['what']> = Extract<Headline, { what: What }>;

function rootsLead({ readyMs, lateMs, anyReady, grows }: Of<'roots'>, nowMs: number, words: Words): string {
  if (lateMs <= nowMs) return grows === 'root' ? 'rescue now' : 'light now';
  if (anyReady) return `${grows === 'root' ? 'move' : 'into the light'} before ${words.when(Math.max(before(lateMs), about(nowMs)))}`;
  return `ready by ${words.when(about(readyMs))}`;
}

function rootsTold(one: Of<'roots'>, method: Method, nowMs: number, words: Words): HeadlineTold {
  const { count, longestMm, lateMs, grows } = one;
  const { nouns } = method;
  const late = words.when(Math.max(before(lateMs), about(nowMs)));
  const longest = words.length(longestMm);
  const drying = one.giveMl === 0 ? '' : ` ${capital(nouns.wet)} may be drying: ${uncapital(watering(method, one.giveMl, words))}.`;
  const ends =
    method.late === 'drowned'
      ? `under water at most until ${late}`
      : lateMs <= nowMs
        ? 'it may be in the paper'
        : `it enters the paper about ${late}`;
  return {
    lead: rootsLead(one, nowMs, words),
    tone: lateMs < nowMs + PRESSING_MS ? 'trouble' : 'growth',
    text:
      grows === 'root'
        ? `${counted(count, 'root')} ${method.nouns.on}, the longest near ${longest}; ${ends}.${drying}`
        : `${counted(count, 'seedling')} up ${method.nouns.on}; ${lateMs <= nowMs ? 'drawn by now without light' : `drawn about ${late} without light`}.${drying}`,
  };
}

/** What shows by now if one looked, and how sure that is. */
function expected({ now }: Of<'tips' | 'bag' | 'unseen' | 'unlooked'> | Of<'final_count'>, { quiet }: ParcelState): string {
  const range = rangeInWords(now.low, now.high);
  const likely = now.mostLikely === 0 || now.low === now.high ? range : `About ${now.mostLikely}`;
  return `${likely} of ${quiet} by now${likely === range ? '' : ` (${range})`}; ${chanceInWords(now.anyChance)} that you see one.`;
}

/** How sure a look is worth it. */
function tipsLead(anyChance: number, { tipped }: ParcelState, { nouns }: Method): string {
  if (anyChance < 0.2) return 'a look to be safe';
  if (anyChance < 0.5) return 'worth a look';
  return `${tipped > 0 ? 'more' : 'first'} ${nouns.event.many} likely`;
}

/** What giving it water means. */
function watering({ water, nouns }: Method, giveMl: number, words: Words): string {
  if (water === 'dosed') return `Give ${words.sprays(giveMl)}`;
  return water === 'standing'
    ? 'Pour it off and give it clean water, only just over the seed'
    : `Water ${nouns.wet}, from below where you can`;
}

/** A towel that wants water: as it was felt, or as it is likelier by now. */
const thirstLead = ({ damp, felt }: NonNullable<Of<'water'>['thirst']>): string =>
  damp === 'dry' ? (felt ? 'dry: wet it now' : 'likely dry') : felt ? 'drying: wet it now' : 'may be drying';

function told(one: Headline, state: ParcelState, method: Method, nowMs: number, words: Words): HeadlineTold {
  const { nouns } = method;
  const soFar = state.showing > 0 ? ` ${counted(state.showing, nouns.event.one, nouns.event.many)} ${nouns.on}.` : '';
  switch (one.what) {
    case 'roots':
      return rootsTold(one, method, nowMs, words);
    case 'unseen':
      return {
        lead: 'look now',
        tone: 'trouble',
        text: `The longest root may be near ${words.length(one.longestMm)}. ${expected(one, state)}${soFar}`,
      };
    case 'tips':
      return { lead: tipsLead(one.now.anyChance, state, method), tone: 'waiting', text: `${expected(one, state)}${soFar}` };
    case 'bag':
      return {
        lead: 'open it too',
        tone: 'waiting',
        text: `In one bag${one.mate === null ? '' : ` with ${one.mate}`}. ${expected(one, state)}${soFar}`,
      };
    case 'heat':
      return {
        lead: 'too hot: off the heat now',
        tone: 'trouble',
        text: `Read up to ${words.temperature(one.peakC)}. Take ${method.bagged ? 'the bag' : 'it'} off first, then look.${soFar}`,
      };
    case 'soak':
      return {
        lead: 'out of the water',
        tone: 'water',
        text: `Its soak ends by ${words.when(one.outByMs)}, at the latest ${words.when(one.drownsMs)}: dab the seed dry and lay it ${nouns.on.replace(/^in the/, 'into the')}; it has had its drink.`,
      };
    case 'trouble':
      return {
        lead: 'look again',
        tone: 'trouble',
        text: `${capital(one.trouble === 'pool' ? 'water stood in it' : `${TROUBLE_WORDS[one.trouble]} was seen`)} ${words.when(one.sinceMs)}: see whether it has come back.${soFar}`,
      };
    case 'water': {
      const standing = method.water === 'standing';
      const lead = standing ? 'fresh water' : one.thirst ? thirstLead(one.thirst) : `dries by ${words.when(about(one.dryingMs))}`;
      const felt = one.thirst?.felt ? `Felt ${words.when(one.thirst.sinceMs)} and not watered since. ` : '';
      const give = `${felt}${watering(method, one.giveMl, words)}.`;
      return {
        lead,
        tone: 'water',
        text: `${give}${state.quiet > 0 ? ` ${capital(chanceInWords(one.anyChance))} that a new ${nouns.event.one} ${nouns.shows}.` : ''}${soFar}`,
      };
    }
    case 'chill':
      return {
        lead: 'out of the cold',
        tone: 'growth',
        text: `The chill is done: move ${method.bagged ? 'the bag' : 'it'} to its warm spot.`,
      };
    case 'final_count':
      return {
        lead: 'final count',
        tone: 'growth',
        text: `The test has had its time: sort the seedlings and count them. ${expected(one, state)}`,
      };
    case 'counted':
      return {
        lead: one.showing > 0 ? 'move what lives' : 'counted',
        tone: 'growth',
        text:
          one.showing > 0
            ? `The test is counted; ${counted(one.showing, 'seedling')} of it ${one.showing === 1 ? 'wants' : 'want'} a place.`
            : 'The test is counted and done.',
      };
    case 'second':
      return {
        lead: 'the second step',
        tone: 'waiting',
        text: `${capital(counted(one.seeds, 'more seed'))} if fewer than ${one.below} have shown; ${one.shown} ${one.shown === 1 ? 'has' : 'have'} so far. Look first.`,
      };
    case 'unlooked':
      return {
        lead: method.bagged ? 'nobody has looked: open it' : 'nobody has looked: see to it',
        tone: 'trouble',
        text: `${method.bagged ? 'Not opened' : 'Not looked at'} for ${spanInWords(nowMs - one.sinceMs)}. ${expected(one, state)}${soFar}`,
      };
    case 'patience':
      return {
        lead: 'decide',
        tone: 'waiting',
        text: hopeInWords(one.hope, method, words),
      };
  }
}

/** Why a parcel is to be looked at when it is, in words that say how sure. */
export function headlineInWords(one: Headline, state: ParcelState, method: Method, nowMs: number, words: Words): HeadlineTold {
  const line = told(one, state, method, nowMs, words);
  return one.through ? { ...line, text: `${line.text} Through the bag is enough.` } : line;
}
