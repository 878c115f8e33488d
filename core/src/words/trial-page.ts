import { USUAL_LEVEL, type Compared, type Indices, type PotsShown, type Question, type SideInPots } from '../trials/index.js';
import { counted } from '../units/index.js';
import { CLOSURE_WORDS, DAMPED_WORDS, LIGHT_WORDS, MEDIUM_WORDS, METHOD_WORDS, STEP_WORDS, WET_WORDS } from './vocabulary.js';
import { pairInWords } from './trial.js';

/** A side's setting as its name, which goes on where one says "those": "soaked 12 hours", "in a swollen pellet", "of Signal Box". */
export function settingInWords(question: Question, setting: string, nameOf: (id: string) => string): string {
  const word = (table: Readonly<Record<string, string | { readonly text: string }>>): string => {
    const found = table[setting];
    return found === undefined ? setting : typeof found === 'string' ? found : found.text;
  };
  switch (question) {
    case 'soak':
      return Number(setting) > 0 ? `soaked ${counted(Number(setting), 'hour')}` : 'not soaked';
    case 'chill':
      return Number(setting) > 0 ? `chilled ${counted(Number(setting), 'week')}` : 'not chilled';
    case 'method':
      return word(METHOD_WORDS);
    case 'medium':
      return setting === '' ? 'on no towel' : `on ${word(MEDIUM_WORDS)}`;
    case 'wet':
      return word(WET_WORDS);
    case 'damped':
      return `damped with ${word(DAMPED_WORDS)}`;
    case 'closure':
      return `in a ${word(CLOSURE_WORDS)}`;
    case 'light':
      return setting === '' ? 'as its kind asks' : word(LIGHT_WORDS);
    case 'prepared': {
      const steps = setting.split(', ').filter(Boolean);
      return steps.length === 0 ? 'as they are' : steps.map((step) => STEP_WORDS[step as keyof typeof STEP_WORDS].done).join(', ');
    }
    case 'age':
      return setting === '' ? 'of no known year' : `of ${counted(Number(setting), 'year')}`;
    case 'packet':
      return `of ${nameOf(setting)}`;
    case 'spot':
      return `at ${setting.split(', ').map(nameOf).join(', then ')}`;
  }
}

/** A chance as one tells it: "2 in 100", "3 in 10". */
export function byChanceInWords(chance: number): string {
  if (chance < 0.005) return 'less than 1 in 100';
  if (chance >= 0.95) return 'nearly always';
  return chance < 0.095 ? `${Math.max(Math.round(100 * chance), 1)} in 100` : `${Math.min(Math.round(10 * chance), 10)} in 10`;
}

/** The pair that leads: one that differs before one that does not, the surer first. */
export function leadingPair(compared: Compared): number {
  const ranked = compared.pairs.map((pair, index) => ({
    index,
    different: pairInWords(compared, pair).different,
    chance: Math.min(pair.days?.amongAll ?? 1, pair.share.amongAll),
  }));
  ranked.sort((a, b) => Number(b.different) - Number(a.different) || a.chance - b.chance);
  return ranked[0]?.index ?? 0;
}

/** How sure a difference in days is: what it most likely is, in one line; null where there is none to tell of. */
export function surenessInWords({ arms }: Compared, pair: Compared['pairs'][number]): string | null {
  const { days } = pair;
  if (days === null) return null;
  const sooner = arms[days.difference < 0 ? pair.first : pair.second]?.name ?? '';
  return `Of those that came, those ${sooner} were ahead by ${Math.abs(days.difference).toFixed(1)} days`;
}

/** What became of two sides after the towel, in sentences; none where nothing was moved. */
export function potsInWords(first: SideInPots, second: SideInPots, { moved, lived }: PotsShown): string[] {
  if (first.moved + second.moved === 0) return [];
  const chance = (of: number): string =>
    of <= USUAL_LEVEL ? `by chance as uneven only ${byChanceInWords(of)}` : `by chance as uneven ${byChanceInWords(of)}`;
  const known = (side: SideInPots): number => side.lived + side.died;
  const sentences = [
    `Into a pot: ${first.moved} of ${first.seeds} ${first.name}, ${second.moved} of ${second.seeds} ${second.name}; ${chance(moved)}.`,
  ];
  if (lived !== null) {
    sentences.push(
      `Past danger there: ${first.lived} of ${known(first)} ${first.name}, ${second.lived} of ${known(second)} ${second.name}; ${chance(lived)}.`,
    );
  }
  return sentences;
}

/** One published figure: its name, by whom it is defined, and how it is told. */
export interface IndexTold {
  readonly name: string;
  readonly source: string;
  readonly tell: (indices: Indices) => string;
}

const told = (value: number | null, digits: number, unit = ''): string =>
  value === null ? 'too few came' : `${value.toFixed(digits)}${unit}`;

/** The published figures, each under its own name. */
export const INDICES: readonly IndexTold[] = [
  {
    name: 'Final germination',
    source: 'seeds that came, of those started',
    tell: ({ finalPercent }) => told(finalPercent, 0, ' %'),
  },
  { name: 'Mean germination time', source: 'Ellis and Roberts 1981', tell: ({ meanDays }) => told(meanDays, 2, ' days') },
  { name: 'T50', source: 'Coolbear, Francis and Grierson 1984', tell: ({ t50Coolbear }) => told(t50Coolbear, 2, ' days') },
  { name: 'T50', source: 'Farooq, Basra, Ahmad and Hafeez 2005', tell: ({ t50Farooq }) => told(t50Farooq, 2, ' days') },
  {
    name: 'Germination index',
    source: 'days left of the test, summed over seeds; Benech Arnold, Fenner and Edwards 1991',
    tell: ({ germinationIndex }) => told(germinationIndex, 0),
  },
  { name: 'Rate of germination', source: 'Maguire 1962', tell: ({ maguire }) => told(maguire, 2, ' a day') },
  { name: 'Coefficient of velocity', source: 'Kotowski 1926', tell: ({ velocity }) => told(velocity, 1) },
  { name: 'Mean rate', source: 'Ranal and Santana 2006', tell: ({ meanRate }) => told(meanRate, 3, ' a day') },
  { name: 'Uncertainty', source: 'Labouriau and Valadares 1976', tell: ({ uncertainty }) => told(uncertainty, 2, ' bits') },
  { name: 'Synchrony', source: 'Primack 1980; Ranal and Santana 2006', tell: ({ synchrony }) => told(synchrony, 2) },
];
