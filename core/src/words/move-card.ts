import { schoolsFor, type Crop } from '../crops/index.js';
import { depthMm, MIX_ML, PELLET_ML, PELLET_RESERVE_ML, type Destination } from '../moving/index.js';
import { USUAL_NURSING, type NursingSchools } from '../nursing/index.js';
import { counted, type Words } from '../units/index.js';
import { mixInWords } from './sheet.js';

/** How to plant, point by point. */
export interface MoveCard {
  readonly destination: Destination;
  readonly lines: readonly { readonly what: string; readonly text: string }[];
  /** They stand where the hazard is. */
  readonly cautions: readonly string[];
}

const litres = (millilitres: number): string =>
  millilitres < 950 ? `${Math.round(millilitres / 10) * 10} ml` : `${(millilitres / 1000).toFixed(1)} l`;

function depthLine(crop: Crop, destination: Destination, words: Pick<Words, 'told'>): string {
  if (destination === 'slot') return 'Some root inside the slit sponge, its tip free below; the seed level with the top.';
  if (destination === 'glass') return 'The root in the water, the seed above it.';
  if (depthMm(crop) === 0) return 'On the surface, pressed in.';
  return `${words.told(`${Math.round(depthMm(crop))} mm`)} of mix over the seed.`;
}

/** Each way of setting a sprout. Common practice, no source. */
const SET: Readonly<Record<NursingSchools['set'], string>> = {
  hole: 'In a hole, root down; lying is better than upside down.',
  laid: 'Laid on top and eased in: the root finds its own way down. Nothing is pushed.',
  side: 'On its side: it rights itself, and nothing lies the wrong way up.',
};
/** A crop that decides it comes before the household. */
function wayUp(crop: Crop, destination: Destination, { set }: NursingSchools): string {
  if (destination === 'slot') return 'Root down through the slit.';
  const own = schoolsFor(crop).find(({ school, own: decides }) => school.id === 'set' && decides)?.choice as keyof typeof SET | undefined;
  return SET[own ?? set];
}
const FIRM: Readonly<Record<NursingSchools['firm'], string>> = {
  loose: 'Left loose: the water settles it.',
  settled: 'Settle it gently, without pressing: a root in a hole of air dries.',
};
const COVERED: Readonly<Record<NursingSchools['cover'], string>> = {
  up: 'Cover it until it is up, then off; as warm as it was.',
  leaves: 'Cover it until it is up, then propped until true leaves; as warm as it was.',
};

function mediumLine({ moving }: Crop, destination: Destination, count: number, { firm }: NursingSchools): string {
  if (destination === 'slot') return 'A rinsed sponge, squeezed out once; the top shaded against algae.';
  if (destination === 'pellet') {
    return `Swell ${counted(count, 'pellet')} with ${litres(PELLET_ML * count)} of lukewarm water, poured slowly until they weep; ${litres(PELLET_RESERVE_ML * count)} stay in the tray as reserve.`;
  }
  if (destination === 'glass') return 'Clean water, changed every two days.';
  if (destination === 'bed') return 'Fine soil without stones, damp a hand deep.';
  const mix = MIX_ML[destination];
  return `Damp ${mixInWords(moving)}${mix ? `, about ${litres(mix * count)} for ${count}` : ''}; no stones, wetted through before filling. ${FIRM[firm]}`;
}

function waterLine(destination: Destination, { growing }: Crop, { watered }: NursingSchools): string {
  if (destination === 'slot') return 'Plain water until the seedling stands, then feed.';
  if (destination === 'glass') return 'Keep the root covered, the seed dry.';
  if (destination === 'pellet') return 'When a pellet turns pale, from below.';
  const rule = growing.keepMoist === 'always' ? 'keep it evenly moist' : 'once it stands it may dry a little between';
  const how = watered === 'below' ? 'from below, drained after 20 minutes' : 'from above, beside the stem and not on it';
  return `Gently now, ${how}; ${rule}.`;
}

function lightLine({ growing, days }: Crop): string {
  const soon = `Light as soon as green shows, in about ${Math.max(Math.round(days.tipToEmergence), 1)} days at its best warmth.`;
  return growing.light === 'needs_light' ? `Indirect light from now on. ${soon}` : soon;
}

const DUSTY = 'Damp the mix before you stir it, keep out of its dust, gloves, and wash your hands: compost can carry Legionella.';
/** What comes with the medium. Usual safe practice. */
const MIX_CAUTIONS: Readonly<Partial<Record<Destination, string>>> = {
  cup: DUSTY,
  cell: DUSTY,
  pot: DUSTY,
  plug: DUSTY,
  terrarium: DUSTY,
  pellet: 'Coir is dusty until it is wet: pour first, and wash your hands afterwards.',
  bed: 'Gloves in the soil, and wash your hands afterwards.',
};

/** Whether its roots live with rhizobia. */
const rhizobia = ({ preparation }: Crop): boolean => preparation.steps.includes('inoculate');
/** From where what lives with rhizobia goes into a bed. */
const ROOTED: readonly Destination[] = ['bed', 'plug', 'cell', 'cup', 'pot', 'pellet'];
/** Spaced wider than this nothing stays in glass, cm. Common practice, no source. */
const SMALL_CM = 30;

/** What a closed glass case is no home for. Common practice, no source. */
function caseCautions({ name, growing }: Crop): string[] {
  const winter = growing.hardiness === 'hardy' ? ` ${name} is hardy and wants a cold winter out of doors.` : '';
  const large = (growing.spacingCm?.inRow ?? SMALL_CM + 1) > SMALL_CM ? ` It outgrows a case within months.` : '';
  return [
    `Never in the sun: closed glass cooks within the hour. Opened every other day, or it moulds.${winter}${large}${winter || large ? ' A case is for its first weeks.' : ''}`,
  ];
}

/**
 * The card for moving sprouts of a crop to a place. Common practice, no source,
 * but for the crop's own depth, mix and spacing.
 *
 * @param count sprouts, 1 or more
 * @param restStays whether some stay on the paper: then it says what to do with loose roots
 */
export function moveCard(
  crop: Crop,
  destination: Destination,
  count: number,
  words: Pick<Words, 'told'>,
  restStays = false,
  schools: NursingSchools = USUAL_NURSING,
): MoveCard {
  const { spacingCm } = crop.growing;
  const shy = crop.root.shy === 2 ? 'It hates being moved: go gently. ' : '';
  const lines = [
    { what: 'Hold', text: `${shy}By the coat, never the root.` },
    { what: 'Way up', text: wayUp(crop, destination, schools) },
    { what: 'Depth', text: depthLine(crop, destination, words) },
    { what: destination === 'glass' ? 'Water' : 'Into', text: mediumLine(crop, destination, count, schools) },
    { what: 'Then water', text: waterLine(destination, crop, schools) },
    {
      what: 'Cover',
      text: destination === 'bed' ? 'A net against birds, fleece on a cold night.' : COVERED[schools.cover],
    },
    { what: 'Light', text: lightLine(crop) },
  ];
  if (destination === 'bed' && spacingCm) {
    lines.push({ what: 'Apart', text: words.told(`Plants ${spacingCm.inRow} cm apart, rows ${spacingCm.rows} cm apart.`) });
  }
  if (rhizobia(crop) && ROOTED.includes(destination))
    lines.push({
      what: 'Inoculate',
      text: 'For a bed of less than three years: roll the damp root and seed in rhizobium powder now, out of the sun.',
    });
  if (restStays)
    lines.push({ what: 'What stays', text: 'Loose roots go under the paper’s edge, against the damp; then re-tuck and close it.' });
  if (destination === 'pellet')
    lines.push({ what: 'Later', text: 'At true leaves, net and all into rinsed clay pebbles in a net cup, or cut the net and pot it.' });
  return {
    destination,
    lines,
    cautions: [
      MIX_CAUTIONS[destination] ?? '',
      ...(destination === 'terrarium' ? caseCautions(crop) : []),
      'Lamps: off wet leaves, and eyes off bare ultraviolet and very bright LEDs.',
    ].filter(Boolean),
  };
}
