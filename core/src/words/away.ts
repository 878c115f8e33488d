import type { AwayRisk, startedAway } from '../looking/index.js';
import type { Method } from '../method/index.js';
import { about, counted, chanceInWords, DAY_MS, HOUR_MS, listed, numberWord, spanInWords, type Words } from '../units/index.js';

type Told = Pick<Words, 'when'>;

/**
 * What an absence does to a parcel, the gravest first.
 *
 * @param tolerance chance of a late root that the household bears
 */
export function awayInWords(risk: AwayRisk, { event, late }: Pick<Method, 'event' | 'late'>, tolerance: number, words: Told): string[] {
  const told: string[] = [];
  if (risk.soakMs !== null) told.push(`It is to be out of the water ${words.when(about(risk.soakMs))}, and nobody is there.`);
  const harm =
    late === 'drowned'
      ? 'Seed would have drowned'
      : event === 'tip'
        ? 'A root would be in the paper'
        : 'A seedling would be up and drawn for want of light';
  if (risk.shownLate)
    told.push(event === 'tip' ? 'A root that shows already would be in the paper by then.' : 'What is up already would be drawn by then.');
  else if (risk.late > tolerance) told.push(`${harm} by then: ${chanceInWords(risk.late)}.`);
  if (risk.driesMs !== null) told.push(`It begins to dry ${words.when(about(risk.driesMs))}.`);
  if (risk.countMs !== null) told.push(`Its last count falls on ${words.when(risk.countMs)}.`);
  if (risk.secondMs !== null) told.push(`Its second step is to be decided ${words.when(risk.secondMs)}.`);
  if (risk.chillMs !== null) told.push(`Its cold is done ${words.when(risk.chillMs)}; a few days more do no harm.`);
  return told;
}

/** What can be done about an absence. */
export type Remedy =
  | { readonly kind: 'move'; readonly sprouts: number }
  | {
      readonly kind: 'cooler';
      readonly place: string;
      readonly delayMs: number;
      readonly left: number;
      readonly fewer: boolean;
      readonly along: readonly number[];
    }
  | { readonly kind: 'water'; readonly driesMs: number; readonly holds: boolean; readonly seals: boolean }
  | { readonly kind: 'out' }
  | { readonly kind: 'count' };

/** A remedy as one would say it, and its button. */
export function remedyInWords(remedy: Remedy, words: Told): { readonly text: string; readonly label: string } {
  switch (remedy.kind) {
    case 'move':
      return {
        text: `Move ${remedy.sprouts === 1 ? 'the sprout' : `the ${numberWord(remedy.sprouts)} sprouts`} that ${remedy.sprouts === 1 ? 'shows' : 'show'} before leaving, short as ${remedy.sprouts === 1 ? 'it is' : 'they are'}.`,
        label: 'Open it now',
      };
    case 'cooler':
      return {
        text: `At ${remedy.place} it waits ${spanInWords(Math.max(remedy.delayMs, HOUR_MS))} longer, and ${chanceInWords(remedy.left)} of that is left.${remedy.fewer ? ' Back to its board on return: fewer come there in the end.' : ''}${remedy.along.length > 0 ? ` ${listed(remedy.along)} in the same bag ${remedy.along.length === 1 ? 'goes' : 'go'} along.` : ''}`,
        label: `Carried to ${remedy.place}`,
      };
    case 'water':
      return {
        text: `Give it its water on leaving${remedy.seals ? ' and seal it with a pocket of air' : ''}: it is then damp until ${words.when(about(remedy.driesMs))}${remedy.holds ? '' : ', not for the whole time'}.`,
        label: remedy.seals ? 'Watered and sealed' : 'Watered',
      };
    case 'out':
      return { text: 'Take it out of the water on leaving and lay it on its towel: a shorter soak harms nothing.', label: 'Open it now' };
    case 'count':
      return { text: 'Count it on leaving, or on the day of return: the later count is the better one.', label: 'Open it now' };
  }
}

/** What leads. @param days whole days away */
export function awayLead(harmed: readonly number[], span: string): string {
  if (harmed.length === 0) return `${span} away: everything can be left as it is`;
  return `${span} away: see to ${listed(harmed)} before leaving`;
}

const dateOf = (ms: number, words: Pick<Words, 'moment'>): string => words.moment(ms).split(',')[0] ?? '';

/** A list that is planned, whose sprouts would be ready while nobody is there; and its button. */
export function laterInWords(
  name: string,
  crops: readonly string[],
  beginMs: number,
  words: Pick<Words, 'moment'>,
): { readonly text: string; readonly label: string } {
  const date = dateOf(beginMs, words);
  return {
    text: `${name}: ${listed(crops)} would be late while nobody is there. Begun on ${date} or later ${crops.length === 1 ? 'it is' : 'they are'} not.`,
    label: `Begin it on ${date}`,
  };
}

/** What is begun now would be late while nobody is there. */
export function startAwayInWords(
  { absence, beginMs }: NonNullable<ReturnType<typeof startedAway>>,
  { event, late }: Pick<Method, 'event' | 'late'>,
  words: Pick<Words, 'moment'>,
): string {
  const dated = (ms: number): string => dateOf(ms, words);
  const harm = late === 'drowned' ? 'seed may drown' : event === 'tip' ? 'a root may be in the paper' : 'what is up may be drawn';
  // A day is said, not an hour: the first that lies wholly behind it.
  return `Nobody is there from ${dated(absence.fromMs)} to ${dated(absence.toMs)}: ${harm} before you are back. Begun on ${dated(beginMs + DAY_MS)} or later it is not.`;
}

/** Of how many nothing is to be done. */
export const harmlessInWords = (count: number): string =>
  count === 0
    ? ''
    : `${counted(count, 'other')} ${count === 1 ? 'needs' : 'need'} nothing: no root late, nothing dry, by the household’s tolerance.`;
