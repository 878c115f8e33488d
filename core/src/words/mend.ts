import { FINDINGS, type Mend } from '../judging/index.js';
import type { Method } from '../method/index.js';
import type { Trouble } from '../parcel/index.js';
import { capital, counted, uncapital, type Words } from '../units/index.js';
import type { Advice, Button } from './advice.js';
import { aliveInWords } from './alive.js';
import { inTen, weeksInWords } from './shares.js';
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

const ANOTHER_BOARD: Button = { label: 'Move it to another spot', act: { does: 'place' } };

/** The guide's page of a trouble as one thing to do, its caution with it. */
function troubleInWords({ kind, trouble, finding }: Extract<Mend, { what: 'trouble' }>, words: Words): Advice {
  const page = FINDINGS.find(({ id }) => id === finding);
  if (!page) throw new Error(`the trouble guide lacks ${finding}`);
  const harmless = kind === 'retuck';
  const text = harmless ? `${page.means} Easily confused with: ${uncapital(page.mistaken)}` : `${page.mistaken} ${page.todo}`;
  return {
    kind,
    lead: trouble === 'fuzz' && !harmless ? 'Look at the fuzz' : LEADS[trouble],
    by: harmless ? null : 'now',
    tone: harmless ? 'growth' : 'trouble',
    text: words.told(page.caution ? `${text} ${page.caution}` : text),
    button: trouble === 'too_hot' ? ANOTHER_BOARD : null,
  };
}

/** Water in sprays for paper, by the can for all else. */
const give = ({ water, nouns }: Method, millilitres: number, words: Words): string =>
  water === 'dosed' ? `Give ${words.sprays(millilitres)}` : `Water ${nouns.wet} until it is damp through, from below where you can`;

/** Below this share it is not worth a word that some may be dead. */
const FEW_DEAD = 0.1;
const MAT_CAUTION =
  'A mat: thermostat and residual-current outlet, plug and controller dry and out of the tray, its maker’s instructions first.';

/** Its place kills: off it before anything else. */
function heatInWords({ peakC, injuryC, dies, survival }: Extract<Mend, { what: 'heat' }>, { bagged }: Method, words: Words): Advice {
  const dead = 1 - survival > FEW_DEAD ? ` ${capital(inTen(1 - survival))} may be dead already; what is firm still has its chance.` : '';
  return {
    kind: 'mend',
    lead: 'Off the heat now',
    by: 'now',
    tone: 'trouble',
    text: `Its place was read up to ${words.temperature(peakC)}. Above ${words.temperature(injuryC)} wet seed of this kind dies: ${inTen(dies)} in a day there, by rule of thumb.${dead} Take ${bagged ? 'the bag' : 'it'} off before you look, onto a table or to a cooler spot. Then find the cause: sun, thermostat, cardboard missing over the mat. It may go back when the thermometer says so. ${MAT_CAUTION}`,
    button: ANOTHER_BOARD,
  };
}

/** Nobody has felt it for so long that it is more likely dry than damp. */
function likelyDry({ doseMl }: Extract<Mend, { what: 'thirst' }>, method: Method, words: Words): Advice {
  const { nouns } = method;
  return {
    kind: 'mend',
    lead: `Feel ${nouns.wet}: it is likely dry`,
    by: 'now',
    tone: 'water',
    text: `Nobody has felt it or given it water for so long that it should have dried by now. ${give(method, doseMl, words)}; a quiet seed only pauses, a ${nouns.event.one} that dries is lost. Is it damp still? Say so, and this goes.`,
    button: { label: 'Open it', act: { does: 'open' } },
  };
}

const COLD_BOARD: Button = { label: 'Move it into the cold', act: { does: 'place' } };

/** Seed that sleeps on for want of cold. */
function coldInWords({ earnedDays, wantedDays, asleep, celsius, alive }: Extract<Mend, { what: 'wants_cold' }>, words: Words): Advice {
  const had = earnedDays < 1 ? 'It has had none of' : `It has had ${weeksInWords(earnedDays)} of`;
  return {
    kind: 'mend',
    lead: `Into the cold for ${weeksInWords(Math.max(wantedDays - earnedDays, 7))}`,
    by: null,
    tone: 'waiting',
    text: `${had} the ${weeksInWords(wantedDays)} of damp cold that its kind wants; ${inTen(asleep)} of the live seeds sleep on in the warm, and each quiet one ${aliveInWords(alive)}. Damp, at about ${words.temperature(celsius)}; a fridge will do. Warm days in between undo nothing, and count for nothing.`,
    button: COLD_BOARD,
  };
}

/** What is to be mended, in words. */
export function mendInWords(mend: Mend, method: Method, words: Words): Advice {
  const { nouns } = method;
  switch (mend.what) {
    case 'heat':
      return heatInWords(mend, method, words);
    case 'overheated':
      return {
        kind: 'mend',
        lead: 'It has been too hot',
        by: 'now',
        tone: 'trouble',
        text: `Its place went above ${words.temperature(mend.injuryC)}; ${inTen(1 - mend.survival)} may not have lived through that, by rule of thumb. It is cooler now; what is firm keeps its time.`,
        button: null,
      };
    case 'other_board':
      return {
        kind: 'mend',
        lead: mend.way === 'cooler' ? 'A cooler spot' : 'A warmer spot',
        by: null,
        tone: 'waiting',
        text: `At ${words.temperature(mend.meanC)} ${inTen(mend.share)} of the live seeds come; the other ${counted(mend.waiting, 'quiet seed')} or so wait, and a ${mend.way} spot brings them.`,
        button: ANOTHER_BOARD,
      };
    case 'wants_cold':
      return coldInWords(mend, words);
    case 'drowning':
      return missedSoak(mend, words);
    case 'thirst':
      if (!mend.felt) return likelyDry(mend, method, words);
      return mend.damp === 'dry'
        ? {
            kind: 'mend',
            lead: `Wet ${nouns.wet}`,
            by: 'now',
            tone: 'water',
            text: `${give(method, mend.doseMl, words)}; a ${nouns.event.one} that dries is lost.`,
            button: null,
          }
        : {
            kind: 'mend',
            lead: `Re-damp ${nouns.wet}`,
            by: 'now',
            tone: 'water',
            text: `${give(method, mend.doseMl, words)}${method.bagged ? ' and close it again' : ''}.`,
            button: null,
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
        button: null,
      };
    case 'trouble':
      return troubleInWords(mend, words);
  }
}
