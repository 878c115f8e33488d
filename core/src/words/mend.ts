import { FINDINGS, type Mend } from '../judging/index.js';
import type { Method } from '../method/index.js';
import type { Trouble } from '../parcel/index.js';
import { counted, type Words } from '../units/index.js';
import type { Advice } from './advice.js';
import { missedSoak } from './soak.js';

/** What each trouble asks for, in a few words; the rest is the guide's. */
const LEADS: Readonly<Record<Trouble, string>> = {
  fuzz: 'Leave the fuzz',
  stain: 'Leave the stain',
  green_film: 'Wipe the green off',
  threads: 'Look at the threads',
  soft_seed: 'Take the soft ones out',
  smell: 'Find what smells',
  too_hot: 'Cool it down',
  drowned: 'Dry them off',
};

/** The guide's page of a trouble as one thing to do, its caution with it. */
function troubleInWords({ kind, trouble, finding }: Extract<Mend, { what: 'trouble' }>): Advice {
  const page = FINDINGS.find(({ id }) => id === finding);
  if (!page) throw new Error(`the trouble guide lacks ${finding}`);
  const harmless = kind === 'retuck';
  const text = harmless ? `${page.means} ${page.mistaken}` : `${page.mistaken} ${page.todo}`;
  return {
    kind,
    lead: LEADS[trouble],
    by: harmless ? null : 'now',
    tone: harmless ? 'growth' : 'trouble',
    text: page.caution ? `${text} ${page.caution}` : text,
  };
}

/** Water in sprays for paper, by the can for all else. */
const give = ({ water, nouns }: Method, millilitres: number, words: Words): string =>
  water === 'dosed' ? `Give ${words.sprays(millilitres)}` : `Water ${nouns.wet} until it is damp through, from below where you can`;

/** What is to be mended, in words. */
export function mendInWords(mend: Mend, method: Method, words: Words): Advice {
  const { nouns } = method;
  switch (mend.what) {
    case 'overheated':
      return {
        kind: 'mend',
        lead: 'It has been too hot',
        by: 'now',
        tone: 'trouble',
        text: `Its place went above ${words.temperature(mend.injuryC)}; about ${Math.round((1 - mend.survival) * 10)} in 10 may not survive that, by rule of thumb. Move it to a cooler board.`,
      };
    case 'other_board':
      return {
        kind: 'mend',
        lead: mend.way === 'cooler' ? 'A cooler board' : 'A warmer board',
        by: null,
        tone: 'waiting',
        text: `At ${words.temperature(mend.meanC)} only about ${Math.round(mend.share * 10)} in 10 of the living come; the other ${counted(mend.waiting, 'quiet seed')} or so wait, and a ${mend.way} board brings them.`,
      };
    case 'drowning':
      return missedSoak(mend, words);
    case 'thirst':
      return mend.damp === 'dry'
        ? {
            kind: 'mend',
            lead: `Wet ${nouns.wet}`,
            by: 'now',
            tone: 'water',
            text: `${give(method, mend.doseMl, words)}; a ${nouns.event.one} that dries is lost.`,
          }
        : {
            kind: 'mend',
            lead: `Re-damp ${nouns.wet}`,
            by: 'now',
            tone: 'water',
            text: `${give(method, mend.doseMl, words)}${method.bagged ? ' and close it again' : ''}.`,
          };
    case 'pool':
      return {
        kind: 'mend',
        lead: 'Pour off the pool',
        by: 'now',
        tone: 'water',
        text:
          method.water === 'dosed'
            ? 'Tip the water out and press the towel between dry ones: seed under water cannot breathe.'
            : `Tip out what stands and let ${nouns.wet} drain: seed under water cannot breathe.`,
      };
    case 'trouble':
      return troubleInWords(mend);
  }
}
