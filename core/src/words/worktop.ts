import { isLoose, looseLitres, mediumOf, type Closure, type Dose, type Setup } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import { inOrder, type Preparation, type PreparationStep } from '../preparing/index.js';
import { capital, counted, inUnits, type UnitSystem } from '../units/index.js';
import { methodOf, placeNames, type MethodId, type Pane } from '../method/index.js';
import { depthMm } from '../moving/index.js';
import { bladeInWords, foodFridgeInWords } from './cautions.js';
import { peroxideStep } from './peroxide.js';
import { mixInWords } from './sheet.js';
import { soakLine } from './soak.js';
import { MEDIUM_WORDS, STEP_WORDS } from './vocabulary.js';

/** What the worktop is laid for. */
export interface WorktopSetting {
  readonly crop: Crop;
  readonly method: MethodId;
  /** How it is laid; cells, slots or pots where it has some; and the folded pane. */
  readonly setup: Setup;
  readonly places: number | null;
  readonly pane: Pane;
  readonly seeds: number;
  /** Taken from the packet: fewer than are laid where husks split. */
  readonly taken: number;
  readonly dose: Dose;
  readonly prepared: readonly Preparation[];
  readonly chillDays: number | null;
  readonly chillDry?: boolean;
  /** Whether it goes into the water now: then the rest is for when it is out. */
  readonly soaking?: boolean;
  readonly closure: Closure;
  readonly dressed: boolean;
  readonly units: UnitSystem;
}

/** One thing to do at the worktop, with the caution that belongs to it. */
export interface WorktopStep {
  readonly text: string;
  readonly caution: string | null;
  /** Not now: once it is out of the water that it goes into now. */
  readonly later?: boolean;
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

const CLOSES: Readonly<Record<Closure, string>> = {
  sealed_air: 'bag with a pocket of air',
  sealed_flat: 'bag, press the air out',
  corner_open: 'bag, leave a corner open',
  lidded: 'lay in the tray and put the lid on',
};
const BAGS_CAUTION = 'Bags are a suffocation risk to small children.';
const WET_WORDS: Readonly<Record<Setup['wet'], string>> = {
  wrung: '',
  free: ' A little may stand free in the fold.',
  pool: ' A pool may stand in one corner, the seed at the other end: it must not lie in it.',
};

/** An amount of water as a worktop measures it: "7 ml: 9 sprays, or about 1.5 teaspoons". */
export const measured = ({ millilitres, sprays, teaspoons }: Dose): string =>
  `${millilitres} ml: ${counted(sprays, 'spray')}, or about ${counted(teaspoons, 'teaspoon')}`;

/** Wetting and laying, where it lies on a towel or in loose stuff. */
function onTowel(setting: WorktopSetting): WorktopStep[] {
  const { dose, closure, setup, pane } = setting;
  const { medium, damped, wet } = setup;
  const water = `${measured(dose)}.`;
  const { caution } = mediumOf(medium);
  const litres = Number(looseLitres(pane).toFixed(2));
  const bag = closure === 'lidded' ? null : BAGS_CAUTION;
  const bottle = damped === 'peroxide' ? [peroxideStep()] : [];
  if (isLoose(medium))
    return [
      ...bottle,
      {
        text: `Stir ${measured(dose)} into ${litres} l of ${MEDIUM_WORDS[medium].wet}; squeezed, it holds together and does not drip.${WET_WORDS[wet]}`,
        caution,
      },
      { text: `Mix the seed through it singly, no two touching, and ${CLOSES[closure]}.`, caution: bag },
    ];
  return [
    ...bottle,
    plain(`Wet ${MEDIUM_WORDS[medium].wet} with ${water}${later(setting)}${WET_WORDS[wet]}`),
    { text: `Lay, fold, smooth, ${CLOSES[closure]}.`, caution: bag },
  ];
}

/** Filling, laying and covering, where it is started another way. */
function elsewhere(setting: WorktopSetting): WorktopStep[] {
  const { crop, seeds, places, units, setup } = setting;
  const method = methodOf(setting.method);
  const { caution } = method;
  const mm = (millimetres: number): string => inUnits(`${Math.round(millimetres)} mm`, units);
  const deep = depthMm(crop) === 0 ? 'on the surface, pressed in, not covered' : `${mm(depthMm(crop))} deep`;
  const shared =
    places !== null && places !== seeds
      ? `${counted(seeds, 'seed')} in ${counted(places, placeNames(method)?.[0] ?? 'place')}`
      : counted(seeds, 'seed');
  const bottle = setup.damped === 'peroxide' && setting.method !== 'bed' ? [peroxideStep()] : [];
  switch (setting.method) {
    case 'towel':
      return onTowel(setting);
    case 'water':
      return [
        ...bottle,
        { text: `${shared} into a shallow dish; hand-warm water to about half their height, never deep.`, caution },
        plain(
          `Change the water every day. ${crop.water.drowningLimitHours} h is the limit: what has no root by then goes on a damp towel.`,
        ),
      ];
    case 'plug':
      return [
        { text: `Damp the mix through, fill ${places ?? seeds} cells and settle it.`, caution },
        plain(`${shared}, ${deep}; water from below, then a lid until they are up.`),
      ];
    case 'pot':
      return [
        {
          text: `Damp ${mixInWords(crop.moving)} through, fill ${places ?? seeds} pots (${inUnits(crop.moving.pot, units)}) and settle it.`,
          caution,
        },
        plain(`${shared}, ${deep}; water gently, then a lid or a bag over it until they are up.`),
      ];
    case 'pellet':
      return [
        {
          text: `Swell ${counted(places ?? seeds, 'pellet')} with lukewarm water, poured slowly until they weep; leave a little in the tray.`,
          caution: 'Coir is dusty until it is wet: pour first, and wash your hands afterwards.',
        },
        plain(`${shared}, ${deep}; the net stays on until it is potted up.`),
      ];
    case 'pod':
      return [
        ...bottle,
        plain(
          `Rinse ${counted(places ?? seeds, 'sponge')}, squeeze once, and set them so that they only wick: seed that stands in water rots.`,
        ),
        plain(`${shared} into the slits, the narrow end down; the top shaded against algae. Plain water, no feed yet.`),
      ];
    case 'bed':
      return [
        plain(
          `Rake the row fine and damp it a hand deep.${crop.growing.minSoilC === null ? '' : ` The soil wants ${inUnits(`${crop.growing.minSoilC} °C`, units)} at the least.`}`,
        ),
        plain(
          `${shared}, ${deep}${crop.growing.spacingCm ? `, ${inUnits(`${crop.growing.spacingCm.inRow} cm`, units)} apart once thinned` : ''}; a net against birds.`,
        ),
      ];
    case 'surface':
      return [
        { text: 'Fill the tray with fine damp mix, smooth it and wet it through.', caution },
        plain(
          `Sow ${shared} ${crop.moving.surfaceSown || crop.growing.light === 'needs_light' ? 'thinly on top and press it in, uncovered: it waits for light' : 'on top and dust it over'}. Lid on, bright, never in the sun.`,
        ),
      ];
  }
}

/** What to do at the worktop, in order: the label comes before the packet is opened. */
export function worktop(setting: WorktopSetting): WorktopStep[] {
  const { crop, prepared, chillDays, chillDry = false, dressed, units } = setting;
  const warmFirst = crop.chill.warmWeeks > 0 ? `${counted(crop.chill.warmWeeks, 'week')} damp at room warmth first, then i` : 'I';
  const cold = (then: string): WorktopStep => ({
    text: `${capital(`${warmFirst}nto`)} the cold at about ${inUnits(`${crop.chill.celsius} °C`, units)} for ${(chillDays ?? 0) - crop.chill.warmWeeks * 7} days, ${then}.`,
    caution: foodFridgeInWords(crop, dressed),
  });
  const order = inOrder(prepared, crop.preparation.sometimes);
  const ready = order.map((step) => prepare(step, setting));
  const soakAt = setting.soaking ? order.indexOf('soak') : -1;
  return [
    {
      text: 'Write the label before you open the packet.',
      caution: dressed ? 'Dressed seed: gloves, nothing near food or animals, wash your hands.' : null,
    },
    ...(chillDays !== null && chillDry ? [cold('dry, in its packet; then go on here')] : []),
    ...ready.slice(0, soakAt + 1),
    ...[
      ...ready.slice(soakAt + 1),
      ...elsewhere(setting),
      ...(chillDays === null || chillDry ? [] : [cold('damp, then to its warm spot')]),
    ].map((step) => (soakAt < 0 ? step : { ...step, later: true })),
  ];
}
