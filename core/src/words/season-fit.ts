import type { Carry, DayNumber, Fit, FitChange, FitLot, Yield } from '../season/index.js';
import { capital, counted, numberWord } from '../units/index.js';
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
  const sooner = endLater < 0 ? capital(`${RIPENS[what]} ${days(endLater)} sooner. `) : '';
  const end = endLater <= 0 ? '' : `${RIPENS[what]} ${days(endLater)} later`;
  const lost =
    chanceBefore !== null && chanceAfter !== null && chanceBefore - chanceAfter >= SAME
      ? `in time ${tenths(chanceAfter)} instead of ${tenths(chanceBefore)}`
      : '';
  const fewer = keeps === 0 ? 0 : Math.max(plants - Math.ceil(plants * keeps), 0);
  const cost = [fewer > 0 ? counted(fewer, 'plant') : '', end, lost].filter((text) => text !== '').join(', ');
  // How much slower a place without a lamp grows nobody has counted.
  const costs = cost !== '' ? `It costs: ${cost}.` : way.kind === 'lit' || endLater < 0 ? '' : 'It costs nothing in the end.';
  if (keeps === 0)
    return {
      lead: `${title}: not this year`,
      text: 'Moved, split or made smaller it still has no room. Say that more fits somewhere, or leave it out.',
    };
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
      ? 'There it takes nothing from the lamp; with less light and warmth it grows more slowly, by how much is not counted. '
      : way.kind === 'method'
        ? 'It takes no room indoors at all. '
        : splitDays !== null
          ? 'Half of it is out of the way before the other half is potted on. '
          : by > 0
            ? 'It comes to the fullest days when others have left. '
            : by < 0
              ? 'It has left before the fullest days. '
              : 'Nothing else makes room. ';
  return { lead: `${title} ${parts.join('; ')}`, text: `${why}${sooner}${costs}`.trim() };
}

/** Seedlings that a plan carries elsewhere: what is done, and why it is these. */
export const carryInWords = ({ title, plants, place }: Carry): { readonly lead: string; readonly text: string } => ({
  lead: `${title}: ${plants === 1 ? 'the one that stands there' : `the ${plants} that stand there`} carried to ${place.name}`,
  text: place.cold
    ? 'Past the seed leaves they do without the lamp; with less light and warmth they grow more slowly. For the first days only by day, and in again on nights that are too cold for them.'
    : 'Past the seed leaves they do without the lamp; with less light they grow more slowly, and lean to the window unless they are turned.',
});

/** What leads a plan. @param changes in all, what is carried among them */
export function fitLead(changes: number, { overfullAnyway, changes: ofLots }: Pick<Fit, 'overfullAnyway' | 'changes'>): string {
  const anyway = 'What stands there already is more than its room, and no more of it can be carried elsewhere.';
  if (changes === 0) return overfullAnyway ? anyway : 'Everything fits as it is wished.';
  const made = `${capital(numberWord(changes))} ${changes === 1 ? 'change' : 'changes'}`;
  const none = ofLots.filter(({ keeps }) => keeps === 0).length;
  const rest = none === 0 ? 'everything fits' : `all fits but ${numberWord(none)} of them, for which there is no room this year`;
  return overfullAnyway ? `${made}, and nothing more will be too much than is already. ${anyway}` : `${made} and ${rest}.`;
}
