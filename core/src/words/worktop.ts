import type { Closure, Dose } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import { inOrder, type Preparation, type PreparationStep } from '../preparing/index.js';
import { capital, counted, inUnits, type UnitSystem } from '../units/index.js';
import { bladeInWords, foodFridgeInWords } from './cautions.js';
import { soakLine } from './soak.js';
import { STEP_WORDS } from './vocabulary.js';

/** What the worktop is laid for. */
export interface WorktopSetting {
  readonly crop: Crop;
  readonly seeds: number;
  /** Taken from the packet: fewer than are laid where husks split. */
  readonly taken: number;
  readonly dose: Dose;
  readonly prepared: readonly Preparation[];
  readonly chillDays: number | null;
  readonly closure: Closure;
  readonly dressed: boolean;
  readonly units: UnitSystem;
}

/** One thing to do at the worktop, with the caution that belongs to it. */
export interface WorktopStep {
  readonly text: string;
  readonly caution: string | null;
}

const plain = (text: string): WorktopStep => ({ text, caution: null });

/** What the crop's sheet says of one step: "Nick: a sliver off the narrow root end." */
export function ownStep({ preparation }: Crop, step: PreparationStep): string | null {
  const name = capital(STEP_WORDS[step].thing);
  const found = new RegExp(`(?:^|[.] )${name}: (.*?)(?=[.] (?:${NAMES}): |$)`, 's').exec(preparation.text)?.[1];
  return found ? `${name}: ${found.replace(/[.]?$/, '.')}` : null;
}
const NAMES = Object.values(STEP_WORDS)
  .map(({ thing }) => capital(thing))
  .join('|');

function cautionOf(step: Preparation, crop: Crop): string | null {
  if (step === 'inoculate') return 'Do not breathe the dust, and wash your hands.';
  return step === 'soak' ? null : bladeInWords({ preparation: { ...crop.preparation, steps: [step], text: ownStep(crop, step) ?? '' } });
}

/** The step as it is usually done, where the crop's sheet has no word of its own. */
function generally(step: Preparation, { crop, seeds, taken }: WorktopSetting): string {
  switch (step) {
    case 'soak':
      return soakLine(crop);
    case 'nick':
      return `Nick ${seeds === 1 ? 'the seed' : `${seeds} seeds`} away from the scar until pale shows.`;
    case 'file':
      return 'Thin the edges with a file and spare the tip.';
    case 'split':
      return `Press ${taken === 1 ? 'the husk' : `${taken} husks`} apart between two boards: ${seeds} seeds.`;
    case 'peel':
      return 'Take the coat off.';
    case 'inoculate':
      return 'Roll them damp in fresh rhizobium powder.';
  }
}

function prepare(step: Preparation, setting: WorktopSetting): WorktopStep {
  const { crop, seeds, taken, units } = setting;
  const own = ownStep(crop, step);
  const limit = step === 'soak' ? ` ${crop.water.drowningLimitHours} h is the limit; then dry them off.` : '';
  const husks =
    step === 'split' && seeds > taken ? ` ${counted(taken, 'husk')} ${taken === 1 ? 'gives' : 'give'} ${counted(seeds, 'seed')}.` : '';
  return { text: own ? `${inUnits(own, units)}${limit}${husks}` : generally(step, setting), caution: cautionOf(step, crop) };
}

/** What the seed brings or still wants of water. */
function later({ dose, prepared }: WorktopSetting): string {
  if (prepared.includes('soak')) return ' Soaked seed brings its own drink: no more than this.';
  return dose.laterMl > 0
    ? ` They drink about ${dose.laterMl} ml more: give it in two goes as the paper dries, not now, or they lie in it.`
    : '';
}

/** What to do at the worktop, in order: the label comes before the packet is opened. */
export function worktop(setting: WorktopSetting): WorktopStep[] {
  const { crop, dose, prepared, chillDays, closure, dressed, units } = setting;
  const spoons = counted(dose.teaspoons, 'teaspoon');
  const close = {
    sealed_air: 'bag with a pocket of air',
    sealed_flat: 'bag, press the air out',
    corner_open: 'bag, leave a corner open',
    lidded: 'lay in the tray and put the lid on',
  }[closure];
  return [
    {
      text: 'Write the label before you open the packet.',
      caution: dressed ? 'Dressed seed: gloves, nothing near food or animals, wash your hands.' : null,
    },
    ...inOrder(prepared, crop.preparation.sometimes).map((step) => prepare(step, setting)),
    plain(`Wet the paper with ${dose.millilitres} ml: ${counted(dose.sprays, 'spray')}, or about ${spoons}.${later(setting)}`),
    { text: `Lay, fold, smooth, ${close}.`, caution: closure === 'lidded' ? null : 'Bags are a suffocation risk to small children.' },
    ...(chillDays === null
      ? []
      : [
          {
            text: `Into the cold at about ${inUnits(`${crop.chill.celsius} °C`, units)} for ${chillDays} days, then to its warm spot.`,
            caution: foodFridgeInWords(crop, dressed),
          },
        ]),
  ];
}
