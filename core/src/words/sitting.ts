import type { Clash, Supplies } from '../sowing/index.js';
import { capital, counted, numberWord } from '../units/index.js';
import { MEDIUM_WORDS } from './vocabulary.js';

/** "Thirteen packets, about 70 minutes". */
export function sittingHeadline(packets: number, minutes: number): string {
  const about = minutes < 10 ? Math.max(Math.round(minutes), 1) : Math.round(minutes / 5) * 5;
  return `${capital(numberWord(packets))} ${packets === 1 ? 'packet' : 'packets'}, about ${counted(about, 'minute')}`;
}

/** One thing that stands on the table: how much of it, and what it is. */
export interface SupplyLine {
  readonly what: 'sheets' | 'loose' | 'bags' | 'tubs' | 'trays' | 'water' | 'peroxide' | 'cells' | 'pots' | 'pellets' | 'sponges' | 'mix';
  readonly amount: string;
  readonly text: string;
  readonly caution: string | null;
}

const SHEETS: Readonly<Record<string, readonly [string, string]>> = {
  paper: ['sheet of kitchen paper', 'sheets of kitchen paper'],
  tissue: ['sheet of tissue, folded double', 'sheets of tissue, folded double'],
  cloth: ['piece of cloth', 'pieces of cloth'],
  pad: ['cotton pad, sheet size', 'cotton pads, sheet size'],
};

/** The supplies of a sitting, line by line: what is not needed is not named. */
export function suppliesInWords(supplies: Supplies): SupplyLine[] {
  const { media, bags, tubs, trays, waterMl, peroxideMl, cells, pots, pellets, sponges, mixLitres } = supplies;
  const count = (what: SupplyLine['what'], many: number, one: string, more: string, caution: string | null = null): SupplyLine[] =>
    many > 0 ? [{ what, amount: String(many), text: many === 1 ? one : more, caution }] : [];
  return [
    ...media.flatMap(({ medium, sheets, litres }): SupplyLine[] =>
      sheets > 0
        ? count('sheets', sheets, ...(SHEETS[medium] ?? ['sheet', 'sheets']))
        : [
            {
              what: 'loose',
              amount: `${litres} l`,
              text: MEDIUM_WORDS[medium].text,
              caution: 'Damp it before you stir it; keep out of its dust.',
            },
          ],
    ),
    ...count('bags', bags, 'bag', 'bags', 'A suffocation risk to small children: out of their reach.'),
    ...count('tubs', tubs, 'shallow dish', 'shallow dishes'),
    ...count('trays', trays, 'tray with its lid', 'trays with their lids'),
    { what: 'water', amount: `${waterMl} ml`, text: 'hand-warm water', caution: null },
    ...(peroxideMl > 0
      ? [
          {
            what: 'peroxide' as const,
            amount: `${peroxideMl} ml`,
            text: 'household peroxide, 3 %, into that water',
            caution: 'Gloves and eyes covered; never with vinegar or bleach; the bottle’s own label first.',
          },
        ]
      : []),
    ...count('cells', cells, 'cell', 'cells'),
    ...count('pots', pots, 'pot', 'pots'),
    ...count('pellets', pellets, 'pellet, swollen first', 'pellets, swollen first'),
    ...count('sponges', sponges, 'sponge, rinsed', 'sponges, rinsed'),
    ...(mixLitres > 0
      ? [
          {
            what: 'mix' as const,
            amount: `${mixLitres} l`,
            text: 'of mix, damped first',
            caution: 'Damp it before you stir it, keep out of its dust, wash your hands: compost can carry Legionella.',
          },
        ]
      : []),
  ];
}

/** Labels as the table shows them: "16 labels: 3 of them twice, one in and one on the shared bag". */
export function labelCountInWords({ labels, twice }: Pick<Supplies, 'labels' | 'twice'>): string {
  const some = twice === 0 ? '' : `: ${twice === labels / 2 ? 'each' : `${numberWord(twice)} of them`} twice, in and on the shared bag`;
  return `${counted(labels, 'label')}${some}`;
}

/** "Towels first, 45 minutes; the tray after them, 15; wiping down, 10." */
export function minutesInWords({ towels, others, wiping }: Supplies['minutes']): string {
  const parts = [
    ...(towels > 0 ? [`${others > 0 ? 'towels first' : 'the towels'}, ${counted(towels, 'minute')}`] : []),
    ...(others > 0 ? [towels > 0 ? `pots and trays after them, ${others}` : `pots and trays, ${counted(others, 'minute')}`] : []),
    ...(wiping > 0 ? [`wiping down, ${wiping}`] : []),
  ];
  return parts.length === 0 ? '' : `${capital(parts.join('; '))}.`;
}

/** What a clash is told with. */
export interface ClashNames {
  /** "leek", of a line. */
  readonly crop: (key: string) => string;
  readonly seeds: (key: string) => number;
  readonly number: (key: string) => number;
  readonly spot: (id: string) => string;
  /** What a spot is like, "28 °C, steady". */
  readonly warmth: (id: string) => string;
}

/** A clash with the button that mends it; null where nothing does. */
export interface ClashTold {
  readonly text: string;
  readonly mend: string | null;
}

/** Days later or sooner, as an aside. */
function laterInWords(days: number | null): string {
  if (days === null || Math.abs(days) < 0.75) return '';
  const whole = Math.round(Math.abs(days));
  return days > 0 ? `; ${counted(whole, 'day')} slower there` : `; ${counted(whole, 'day')} sooner there`;
}

/** What would go wrong, in a sentence, and what is done about it. */
export function clashInWords(clash: Clash, names: ClashNames): ClashTold {
  const { crop, seeds, number, spot, warmth } = names;
  switch (clash.kind) {
    case 'warmth':
    case 'bag': {
      const { key, spotId, loses, kills, to, slowerDays } = clash;
      const here = `${capital(spot(spotId))} gives ${warmth(spotId)}`;
      const cost = kills
        ? `too hot for ${crop(key)}: it would die there`
        : loses > 0
          ? `${loses} of ${seeds(key)} ${crop(key)} would stay shut that come elsewhere`
          : `${crop(key)} does not move there`;
      const bag = clash.kind === 'bag' ? ` In one bag with ${number(clash.other)}, it cannot stand anywhere else.` : '';
      const better = to === null ? ' No other spot is better and has room.' : ` ${capital(spot(to))} has room${laterInWords(slowerDays)}.`;
      const own = clash.kind === 'bag' ? 'Give it a bag of its own at' : 'Put it at';
      return { text: `${here}: ${cost}.${bag}${better}`, mend: to === null ? null : `${own} ${spot(to)}` };
    }
    case 'full': {
      const { key, spotId, over, to } = clash;
      const text = `${capital(spot(spotId))} is full: ${numberWord(over)} ${over === 1 ? 'bag' : 'bags'} too many.`;
      return to === null
        ? { text: `${text} Share a bag, or make room there first.`, mend: null }
        : { text: `${text} ${number(key)} could stand at ${spot(to)}.`, mend: `Put ${number(key)} at ${spot(to)}` };
    }
    case 'alike':
      return {
        text: clash.same
          ? `${capital(crop(clash.key))} straight after ${crop(clash.other)}: two varieties that look the same. Clear the table between them, or lay something else first.`
          : `${capital(crop(clash.key))} seed looks like ${crop(clash.other)}: clear the table between them, or lay something else first.`,
        mend: 'Keep them apart',
      };
  }
}
