import type { Crop } from '../crops/index.js';
import type { Mend } from '../judging/index.js';
import { soakHours, type Preparation } from '../preparing/index.js';
import { before, rangeInWords, type Words } from '../units/index.js';
import type { Advice } from './advice.js';
import { STEP_WORDS } from './vocabulary.js';

/** "8 to 12 h", "up to 4 h" where it may be left out; null for a crop that is not soaked. */
export function soakSpan(crop: Pick<Crop, 'water'>): string | null {
  const hours = soakHours(crop);
  return hours && (hours[0] === 0 ? `up to ${hours[1]} h` : `${rangeInWords(...hours)} h`);
}

/** A preparation as the sentence names it, with the crop's hours where it is a soak. */
export function stepInWords(step: Preparation, crop: Pick<Crop, 'water'>): string {
  const hours = step === 'soak' ? soakHours(crop) : null;
  if (step === 'inoculate') return 'dusting of inoculant';
  if (!hours) return STEP_WORDS[step].thing;
  return hours[0] === 0 ? `soak of ${soakSpan(crop)}` : `${soakSpan(crop)} soak`;
}

/** What the worktop says of a soak, its limit in the same breath. */
export function soakLine(crop: Pick<Crop, 'water'>): string {
  const span = soakSpan(crop);
  return `Soak${span ? ` ${span}` : ''} in water at room warmth, ${crop.water.drowningLimitHours} h at the very most; then dry them off.`;
}

/** Seed that is in water near its limit, or was forgotten past it. */
export function missedSoak({ over, drownsMs, limitHours }: Extract<Mend, { what: 'drowning' }>, words: Words): Advice {
  return over
    ? {
        kind: 'mend',
        lead: 'Out of the water',
        by: 'now',
        tone: 'trouble',
        text: `${limitHours} h is the limit for this kind, and it is past: some may have drowned. Dab them dry and lay them on a towel barely damp; what goes soft is taken out, the rest keep their time.`,
        button: null,
      }
    : {
        kind: 'mend',
        lead: 'Soon out of the water',
        by: `before ${words.when(before(drownsMs))}`,
        tone: 'water',
        text: `${limitHours} h under water is the limit for this kind. What has no root by then goes on a damp towel.`,
        button: null,
      };
}
