import { capital, counted, type Words } from '../units/index.js';

/** Something for the household's calendar: what it is, and the words it stands under. */
export type Due =
  | {
      readonly kind: 'look';
      readonly number: number;
      readonly title: string;
      readonly place: string;
      readonly why: string;
      readonly through: boolean;
    }
  | { readonly kind: 'move'; readonly number: number; readonly title: string; readonly place: string; readonly lateMs: number | null }
  | { readonly kind: 'soak'; readonly number: number; readonly title: string; readonly place: string; readonly drownsMs: number }
  | { readonly kind: 'count'; readonly number: number; readonly title: string; readonly place: string }
  | { readonly kind: 'chill'; readonly number: number; readonly title: string; readonly place: string; readonly seeds: number }
  | {
      readonly kind: 'second';
      readonly number: number;
      readonly title: string;
      readonly place: string;
      readonly below: number;
      readonly seeds: number;
    }
  | { readonly kind: 'away' };

/** A calendar entry's heading and its text. */
export function dueInWords(due: Due, words: Pick<Words, 'when' | 'moment'>): { readonly heading: string; readonly text: string } {
  if (due.kind === 'away')
    return { heading: 'Away: no look is planned', text: 'Nobody is at home. The plan of looks leaves these days out.' };
  const { number, title, place } = due;
  switch (due.kind) {
    case 'look':
      return {
        heading: `Open ${number} ${title}`,
        text: `At ${place}: ${due.why}.${due.through ? ' A look through the bag is enough.' : ''}`,
      };
    case 'move':
      return {
        heading: `Move from ${number} ${title}`,
        text: `At ${place}: the first sprout is ready by even chances.${due.lateMs === null ? '' : ` By ${words.moment(due.lateMs)} it is late.`}`,
      };
    case 'soak':
      return { heading: `Out of the water: ${number} ${title}`, text: `At ${place}. At the latest ${words.moment(due.drownsMs)}.` };
    case 'count':
      return { heading: `Last count of the test ${number} ${title}`, text: `At ${place}.` };
    case 'chill':
      return {
        heading: `Out of the cold: ${number} ${title}`,
        text: `${capital(counted(due.seeds, 'seed'))} at ${place} have had their cold and want warmth.`,
      };
    case 'second':
      return {
        heading: `Second step of ${number} ${title}`,
        text: `If fewer than ${due.below} show by then, ${counted(due.seeds, 'more seed', 'more seeds')} are started.`,
      };
  }
}
