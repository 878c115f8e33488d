import { counted, type Words } from '../units/words.js';
import type { Answers } from './answers.js';
import { BETTER_ELSEWHERE } from '../warmth/toll.js';
import type { Advice, Tone } from './advice.js';
import type { Trouble } from './parcel-state.js';
import { FINDINGS, type FindingId } from './trouble-guide.js';
import type { ParcelFacts } from './workings.js';

/** Below this survival the heat is said to have harmed. */
const HARMED = 0.9;

/** What the warmth asks for: seed kept quiet by heat or cold is not dead. */
function warmthAdvice({ crop }: ParcelFacts, { state, toll }: Answers, words: Words): Advice[] {
  if (state.quiet === 0) return [];
  const advice: Advice[] = [];
  if (toll.survival < HARMED) {
    advice.push({
      kind: 'mend',
      lead: 'It has been too hot',
      by: 'now',
      tone: 'trouble',
      text: `Its place went above ${words.temperature(crop.temperature.injuryC)}; about ${Math.round((1 - toll.survival) * 10)} in 10 may not survive that, by rule of thumb. Move it to a cooler board.`,
    });
  }
  if (toll.share < BETTER_ELSEWHERE) {
    const warm = toll.meanC > crop.temperature.beta.optimumC;
    advice.push({
      kind: 'mend',
      lead: warm ? 'A cooler board' : 'A warmer board',
      by: null,
      tone: 'waiting',
      text: `At ${words.temperature(toll.meanC)} only about ${Math.round(toll.share * 10)} in 10 of the living come; the other ${counted(Math.max(Math.round(state.quiet * (1 - toll.share)), 1), 'quiet seed')} or so wait, and a ${warm ? 'cooler' : 'warmer'} board brings them.`,
    });
  }
  return advice;
}

/** What to mend before anything else, from the last look. */
export function mendAdvice(facts: ParcelFacts, answers: Answers, words: Words): Advice[] {
  const advice: Advice[] = warmthAdvice(facts, answers, words);
  const last = facts.looks.at(-1);
  if (!last) return advice;
  const mend = (lead: string, text: string, tone: Tone = 'trouble'): void => {
    advice.push({ kind: 'mend', lead, by: 'now', tone, text });
  };
  // In the order of the hurry: heat first, then water, then what rots.
  if (last.troubles.includes('too_hot')) advice.push(troubleAdvice('too_hot'));
  if (last.damp === 'dry' && !last.rewetted)
    mend('Wet the towel', `Give ${words.sprays(facts.doseMl * 0.7)}; a tip that dries is lost.`, 'water');
  if (last.damp === 'drying' && !last.rewetted)
    mend('Re-damp the towel', `Give ${words.sprays(facts.doseMl * 0.4)} and close it again.`, 'water');
  if (last.damp === 'pooling')
    mend('Pour off the pool', 'Tip the water out and press the towel between dry ones: seed under water cannot breathe.', 'water');
  advice.push(...last.troubles.filter((trouble) => trouble !== 'too_hot').map(troubleAdvice));
  return advice;
}

/** What each trouble is in the guide, and what to do about it in a few words. */
const GUIDE: Readonly<Record<Trouble, { readonly finding: FindingId; readonly lead: string }>> = {
  fuzz: { finding: 'hair', lead: 'Leave the fuzz' },
  stain: { finding: 'dye', lead: 'Leave the stain' },
  green_film: { finding: 'algae', lead: 'Wipe the green off' },
  threads: { finding: 'mould', lead: 'Look at the threads' },
  soft_seed: { finding: 'rot', lead: 'Take the soft ones out' },
  smell: { finding: 'smell', lead: 'Find what smells' },
  too_hot: { finding: 'heat', lead: 'Cool it down' },
  drowned: { finding: 'drowned', lead: 'Dry them off' },
};

/** The guide's page of a trouble as one thing to do, its caution with it. */
function troubleAdvice(trouble: Trouble): Advice {
  const { finding, lead } = GUIDE[trouble];
  const page = FINDINGS.find(({ id }) => id === finding);
  if (!page) throw new Error(`the trouble guide lacks ${finding}`);
  const harmless = page.harm === 'none';
  const text = harmless ? `${page.means} ${page.mistaken}` : `${page.mistaken} ${page.todo}`;
  return {
    kind: harmless ? 'retuck' : 'mend',
    lead,
    by: harmless ? null : 'now',
    tone: harmless ? 'growth' : 'trouble',
    text: page.caution ? `${text} ${page.caution}` : text,
  };
}
