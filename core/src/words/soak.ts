import type { Crop } from '../crops/index.js';
import type { Mend } from '../judging/index.js';
import { inOrder, soakHours, type Preparation } from '../preparing/index.js';
import { before, rangeInWords, type Words } from '../units/index.js';
import type { Advice } from './advice.js';
import { inTen } from './shares.js';
import { STEP_WORDS } from './vocabulary.js';

/** "8 to 12 h", "up to 4 h" where it may be left out; null for a crop that is not soaked. */
export function soakSpan(crop: Pick<Crop, 'water'>): string | null {
  const hours = soakHours(crop);
  return hours && (hours[0] === 0 ? `up to ${hours[1]} h` : `${rangeInWords(...hours)} h`);
}

/** Preparations as a sentence names them, in the order in which they are done: "soaking for 8 to 24 h, then nicking". */
export function preparingInWords(steps: readonly Preparation[], crop: Pick<Crop, 'water' | 'preparation'> | null): string {
  const doing = inOrder(steps, crop?.preparation.sometimes).map((step) => {
    const hours = step === 'soak' && crop ? soakHours(crop) : null;
    const long = hours === null ? '' : hours[0] === 0 ? ` for up to ${hours[1]} h` : ` for ${rangeInWords(...hours)} h`;
    return `${STEP_WORDS[step].doing}${long}`;
  });
  return doing.length === 0 ? 'no preparation' : doing.join(', then ');
}

/** What the worktop says of a soak, its limit in the same breath. */
export function soakLine(crop: Pick<Crop, 'water'>): string {
  const span = soakSpan(crop);
  return `Soak${span ? ` ${span}` : ''} in water at room warmth, ${crop.water.drowningLimitHours} h at the very most; then dry them off.`;
}

/** What a soak past its limit may have cost. */
const drowned = (survival: number): string =>
  survival > 0.9 ? '' : `, ${inTen(1 - survival)} by rule of thumb; the forecast counts that in`;

/** Seed that is in water near its limit, or was forgotten past it. */
export function missedSoak({ over, drownsMs, limitHours, survival }: Extract<Mend, { what: 'drowning' }>, words: Words): Advice {
  return over
    ? {
        kind: 'mend',
        lead: 'Out of the water',
        by: 'now',
        tone: 'trouble',
        text: `${limitHours} h is the limit for this kind, and it is past: some may have drowned${drowned(survival)}. Dab them dry and lay them on a towel barely damp; what goes soft is taken out, the rest keep their time.`,
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
