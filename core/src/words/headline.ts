import type { Headline } from '../judging/index.js';
import type { Method } from '../method/index.js';
import type { ParcelState } from '../parcel/index.js';
import { about, before, capital, chanceInWords, counted, rangeInWords, type Words } from '../units/index.js';
import type { Tone } from './advice.js';
import { PRESSING_MS } from './lift.js';

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
  const late = words.when(Math.max(before(lateMs), about(nowMs)));
  const longest = words.length(longestMm);
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
        ? `${counted(count, 'root')} ${method.nouns.on}, the longest near ${longest}; ${ends}.`
        : `${counted(count, 'seedling')} up ${method.nouns.on}; ${lateMs <= nowMs ? 'drawn by now without light' : `drawn about ${late} without light`}.`,
  };
}

/** What shows by now if one looked, and how sure that is. */
function expected({ now }: Of<'tips' | 'bag' | 'unseen'> | Of<'final_count'>, { quiet }: ParcelState): string {
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
        lead: 'comes along',
        tone: 'waiting',
        text: `In one bag${one.mate === null ? '' : ` with ${one.mate}`}. ${expected(one, state)}${soFar}`,
      };
    case 'water': {
      const standing = method.water === 'standing';
      const lead = standing ? 'fresh water' : one.dryingMs <= nowMs ? 'may be drying' : `dries by ${words.when(about(one.dryingMs))}`;
      const give =
        method.water === 'dosed'
          ? `Give ${words.sprays(one.giveMl)}.`
          : standing
            ? 'Pour it off and give it clean water, only just over the seed.'
            : `Water ${nouns.wet}, from below where you can.`;
      return {
        lead,
        tone: 'water',
        text: `${give}${state.quiet > 0 ? ` ${capital(chanceInWords(one.anyChance))} that a new ${nouns.event.one} ${nouns.shows}.` : ''}`,
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
    case 'patience':
      return {
        lead: 'decide',
        tone: 'waiting',
        text: `Patience ends: ${chanceInWords(one.hope.anyFurther)} that another ${nouns.event.one} ${nouns.shows}; a quiet seed lives with ${chanceInWords(one.hope.quietAlive)}.`,
      };
  }
}

/** Why a parcel is to be looked at when it is, in words that say how sure. */
export function headlineInWords(one: Headline, state: ParcelState, method: Method, nowMs: number, words: Words): HeadlineTold {
  const line = told(one, state, method, nowMs, words);
  return one.through ? { ...line, text: `${line.text} Through the bag is enough.` } : line;
}
