import { counted, type Words } from '../units/words.js';
import type { Answers } from './answers.js';
import { BETTER_ELSEWHERE } from '../warmth/toll.js';
import type { Advice, Tone } from './advice.js';
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
  if (last.troubles.includes('too_hot')) {
    mend(
      'Cool it down',
      'Off the heat and out of the sun until it feels no warmer than a hand. Above about 32 °C seed suffers; 35 to 40 °C kills most.',
    );
  }
  if (last.damp === 'dry' && !last.rewetted)
    mend('Wet the towel', `Give ${words.sprays(facts.doseMl * 0.7)}; a tip that dries is lost.`, 'water');
  if (last.damp === 'drying' && !last.rewetted)
    mend('Re-damp the towel', `Give ${words.sprays(facts.doseMl * 0.4)} and close it again.`, 'water');
  if (last.damp === 'pooling')
    mend('Pour off the pool', 'Tip the water out and press the towel between dry ones: seed under water cannot breathe.', 'water');
  if (last.troubles.includes('threads')) {
    mend(
      'Look at the threads',
      'Mist them. Fuzz close round a root that lies down is root hair. Threads across paper or seed, or grey, green or black, are mould: open it by a window, do not sniff, take those seeds out, fresh towel.',
    );
  }
  if (last.troubles.includes('soft_seed') || last.troubles.includes('smell')) {
    mend(
      'Take the soft ones out',
      'Soft, brown, smelling seed is dead: lift it out by a window, bin it, fresh towel if it has stained. Asthma or weak immunity: leave this to someone else.',
    );
  }
  if (last.troubles.includes('fuzz')) {
    advice.push({
      kind: 'retuck',
      lead: 'Leave the fuzz',
      by: null,
      tone: 'growth',
      text: 'Even white fuzz close round a root that vanishes when misted is root hair. If it stays, or spreads over paper, report threads.',
    });
  }
  return advice;
}
