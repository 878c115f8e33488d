import type { Closure, Dose } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import { inOrder, type Preparation } from '../preparing/index.js';
import { counted, formatTemperature, type UnitSystem } from '../units/index.js';
import { soakLine } from './soak.js';

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

function prepare(step: Preparation, { crop, seeds, taken }: WorktopSetting): WorktopStep {
  switch (step) {
    case 'soak':
      return plain(soakLine(crop));
    case 'nick':
      return {
        text: `Nick ${seeds === 1 ? 'the seed' : `${seeds} seeds`} away from the scar until pale shows.`,
        caution: 'Blade away from the fingers; hold the seed in pliers or a folded cloth.',
      };
    case 'file':
      return { text: 'Thin the edges with a file and spare the tip.', caution: 'Hold the seed in pliers or a folded cloth.' };
    case 'split':
      return plain(`Press ${taken === 1 ? 'the husk' : `${taken} husks`} apart between two boards: ${seeds} seeds.`);
    case 'peel':
      return plain('Peel the dry brown coat off.');
    case 'inoculate':
      return { text: 'Roll them damp in fresh rhizobium powder.', caution: 'Do not breathe the dust.' };
  }
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
    ...inOrder(prepared).map((step) => prepare(step, setting)),
    plain(`Wet the paper with ${dose.millilitres} ml: ${counted(dose.sprays, 'spray')}, or about ${spoons}.`),
    { text: `Lay, fold, smooth, ${close}.`, caution: closure === 'lidded' ? null : 'Bags are a suffocation risk to small children.' },
    ...(chillDays === null
      ? []
      : [plain(`Into the cold at about ${formatTemperature(crop.chill.celsius, units)} for ${chillDays} days, then to its warm spot.`)]),
  ];
}
