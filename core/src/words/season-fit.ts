import type { DayNumber, FitChange, FitLot, Yield } from '../season/index.js';
import { counted, numberWord } from '../units/index.js';
import { dayInWords } from './season.js';

const RIPENS: Readonly<Record<Yield, string>> = {
  fruit: 'first fruit',
  pod: 'first pods',
  head: 'first heads',
  root: 'lifted',
  leaf: 'first cut',
  flower: 'in flower',
  plant: 'grown',
};
const days = (count: number): string => `${numberWord(Math.abs(count))} ${Math.abs(count) === 1 ? 'day' : 'days'}`;
const tenths = (chance: number): string => `${Math.round(chance * 10)} times in 10`;
/** A chance that falls by less is the same to a gardener. */
const SAME = 0.05;

/** A change of a plan: what is done, why it is this one, and what it costs. */
export function fitChangeInWords(
  { days: by, way, keeps, splitDays, chanceBefore, chanceAfter, endLater }: FitChange,
  { title, start }: Pick<FitLot, 'title' | 'start'>,
  plants: number,
  what: Yield,
  year: number,
): { readonly lead: string; readonly text: string } {
  const when = (day: DayNumber): string => dayInWords(day, year);
  const end = endLater === 0 ? '' : `${RIPENS[what]} ${days(endLater)} ${endLater > 0 ? 'later' : 'sooner'}`;
  const lost =
    chanceBefore !== null && chanceAfter !== null && chanceBefore - chanceAfter >= SAME
      ? `in time ${tenths(chanceAfter)} instead of ${tenths(chanceBefore)}`
      : '';
  const cost = [end, lost].filter((text) => text !== '').join(', ');
  const costs = cost === '' ? 'It costs nothing in the end.' : `It costs: ${cost}.`;
  if (keeps === 0)
    return {
      lead: `${title}: not this year`,
      text: 'Moved, split or made smaller it still has no room. Say that more fits somewhere, or leave it out.',
    };
  const fewer = Math.max(plants - Math.ceil(plants * keeps), 0);
  const parts = [
    ...(fewer > 0 ? [`${counted(fewer, 'plant')} fewer`] : []),
    ...(by === 0 ? [] : [`${days(by)} ${by > 0 ? 'later' : 'sooner'}, on ${when(start + by)}`]),
    ...(splitDays === null ? [] : [`in two halves, the second ${days(splitDays)} after the first, on ${when(start + by + splitDays)}`]),
    ...(way.kind === 'lit'
      ? [`grown on at ${way.name}`]
      : way.kind === 'warm'
        ? [`sprouted at ${way.name}`]
        : way.kind === 'method'
          ? [way.name]
          : []),
  ];
  const why =
    way.kind === 'lit'
      ? 'There it takes nothing from the lamp, and has less light. '
      : way.kind === 'method'
        ? 'It takes no room indoors at all. '
        : splitDays !== null
          ? 'Half of it is out of the way before the other half is potted on. '
          : by > 0
            ? 'It comes to the fullest days when others have left. '
            : by < 0
              ? 'It has left before the fullest days. '
              : 'Nothing else makes room. ';
  return { lead: `${title} ${parts.join('; ')}`, text: `${why}${costs}` };
}

/** What leads a plan. */
export function fitLead(changes: number, { overfullAnyway }: { readonly overfullAnyway: boolean }): string {
  const anyway = overfullAnyway ? ' What stands there already is more than its room: that no plan can change.' : '';
  if (changes === 0) return overfullAnyway ? anyway.trim() : 'Everything fits as it is wished.';
  return `${numberWord(changes).replace(/^./, (letter) => letter.toUpperCase())} ${changes === 1 ? 'change' : 'changes'} and everything fits.${anyway}`;
}
