import { type ChainStage, type DayNumber, type FrostSeason, type LotYear, type Shifted, type Starts, type Yield } from '../season/index.js';
import { ALL_BUT_CERTAIN, chanceInWords, counted, DAY_MS, listed, numberWord, spanInWords } from '../units/index.js';

const MONTHS = 'January February March April May June July August September October November December'.split(' ');
/** A day by its parts: the page says days at once, and a library of dates is heavy. */
function partsOf(day: DayNumber): { readonly date: number; readonly month: string; readonly year: number } {
  const at = new Date(Math.round(day) * DAY_MS);
  return { date: at.getUTCDate(), month: MONTHS[at.getUTCMonth()] ?? '', year: at.getUTCFullYear() };
}

/** A day of the calendar: "2 May", with its year where that is another than the season's. */
export function dayInWords(day: DayNumber, year: number): string {
  const { date, month, year: own } = partsOf(day);
  return `${date} ${month}${own === year ? '' : ` ${own}`}`;
}
/** "2 to 15 May", "28 April to 3 May". */
export function daysInWords(from: DayNumber, to: DayNumber, year: number): string {
  if (Math.round(from) === Math.round(to)) return dayInWords(from, year);
  const [a, b] = [partsOf(from), partsOf(to)];
  return a.month === b.month && a.year === b.year
    ? `${a.date} to ${dayInWords(to, year)}`
    : `${dayInWords(from, year)} to ${dayInWords(to, year)}`;
}

/** What comes first of a crop, and what its coming is called. */
const FIRST: Readonly<Record<Yield, { readonly first: string; readonly ripens: string }>> = {
  fruit: { first: 'first fruit', ripens: 'ripe' },
  pod: { first: 'first pods', ripens: 'pods' },
  head: { first: 'first heads', ripens: 'ready to cut' },
  root: { first: 'lifted from', ripens: 'ready to lift' },
  leaf: { first: 'first cut', ripens: 'ready to cut' },
  flower: { first: 'in flower from', ripens: 'in flower' },
  plant: { first: 'grown by', ripens: 'grown' },
};

/** So many of ten autumns. */
const autumns = (chance: number): string => {
  const tenths = Math.round(chance * 10);
  return chance >= 0.995 ? 'every autumn' : tenths === 0 ? 'hardly any autumn' : `${tenths} of 10 autumns`;
};

/** Below this an end is said as a chance, and in the colour of trouble. */
const DOUBTFUL = 0.75;

/** How a lot ends, as one line beside its stem. */
export function endInWords(
  what: Yield,
  { ripeAt, ripeInTime, outAt, nextYear, outdoors, wished }: EndFacts,
  year: number,
): { readonly text: string; readonly trouble: boolean } {
  const { first, ripens } = FIRST[what];
  if (ripeAt === null)
    return {
      text: outdoors
        ? `planted out ${dayInWords(outAt, year)}${nextYear ? '; bears another year' : ''}`
        : `grown on from ${dayInWords(outAt, year)}`,
      trouble: false,
    };
  if (wished !== null && wished < DOUBTFUL) return { text: `in time ${tenths(wished)}`, trouble: true };
  if (ripeInTime !== null && ripeInTime < DOUBTFUL) return { text: `${ripens} in ${autumns(ripeInTime)}`, trouble: true };
  return { text: `${first} ${dayInWords(ripeAt, year)}`, trouble: false };
}
/** What the end of a lot is told by. */
export interface EndFacts {
  readonly ripeAt: DayNumber | null;
  readonly ripeInTime: number | null;
  readonly outAt: DayNumber;
  readonly nextYear: boolean;
  readonly outdoors: boolean;
  /** Chance of the day that was wished; null where none was. */
  readonly wished: number | null;
}
const tenths = (chance: number): string => `${Math.round(chance * 10)} times in 10`;

/** How frost is counted, in a sentence. */
export function frostInWords({ source, autumnGuessed, spring, autumn }: FrostTold, year: number): string {
  if (source === 'none' || !spring || !autumn) return 'Nobody has said yet when the last frost is: without it no day can be counted back.';
  const by =
    source === 'record'
      ? `By ${counted(spring.years, 'spring')} at the station`
      : source === 'guess'
        ? 'By a guess for such a place'
        : 'As it was said';
  const of = (told: NonNullable<FrostTold['spring']>, most: DayNumber | null, how: string): string =>
    told.at50 === null
      ? `stays away in more than half of ${told.years} years`
      : `falls about ${dayInWords(told.at50, year)}${most === null ? '' : `, in 9 years of 10 ${how} ${dayInWords(most, year)}`}`;
  const none = source === 'record' && spring.none + autumn.none > 0 ? ` ${noneInWords(spring.none, autumn.none)}` : '';
  return `${by}, the last frost ${of(spring, spring.at90, 'before')}; the first of autumn ${of(autumn, autumn.at10, 'not before')}${autumnGuessed ? ', which nobody has said and is a guess' : ''}.${none}`;
}
interface FrostTold {
  readonly source: FrostSeason['source'];
  readonly autumnGuessed: boolean;
  readonly spring: {
    readonly at10: DayNumber | null;
    readonly at50: DayNumber | null;
    readonly at90: DayNumber | null;
    readonly years: number;
    readonly none: number;
  } | null;
  readonly autumn: FrostTold['spring'];
}
const noneInWords = (spring: number, autumn: number): string =>
  `${listed([...(spring > 0 ? [counted(spring, 'spring')] : []), ...(autumn > 0 ? [counted(autumn, 'autumn')] : [])])} had none at all.`;

/** A stage of a chain, named. */
export const CHAIN_WORDS: Readonly<Record<ChainStage, string>> = {
  soak: 'Soaked',
  chill: 'Chilled',
  tips: 'Enough tips',
  moved: 'Moved',
  nursed: 'Big enough',
  hardened: 'Hardened',
  planted_out: 'Planted out',
  ripe: 'Ripe',
};

/** When a stage is reached, with its stretch. */
export const stageWhen = (at10: DayNumber, at50: DayNumber, at90: DayNumber, year: number): string =>
  Math.round(at10) === Math.round(at90)
    ? dayInWords(at50, year)
    : `${dayInWords(at50, year)}, 8 times in 10 between ${daysInWords(at10, at90, year).replace(' to ', ' and ')}`;

/** What a start some days off does. */
export function startShiftInWords(
  { days, start, chance, outAt50, ripeAt50, waits }: Shifted,
  what: Yield,
  year: number,
  outdoors: boolean,
): string {
  const when =
    days === 0
      ? `On ${dayInWords(start, year)}`
      : `${counted(Math.abs(days) / 7, 'week')} ${days < 0 ? 'sooner' : 'later'}, on ${dayInWords(start, year)}`;
  const ready = outdoors ? `out about ${dayInWords(outAt50, year)}` : `grown on from ${dayInWords(outAt50, year)}`;
  const ripe = ripeAt50 === null ? '' : `, ${FIRST[what].ripens} about ${dayInWords(ripeAt50, year)}`;
  const idle = waits >= 5 ? `, after standing ready for ${spanInWords(waits * DAY_MS)}` : '';
  return `${when}: ${ready}${idle}${ripe}${chance === null ? '' : `; ${chanceInWords(chance)} of being in time`}.`;
}

/** Why a start is due now. */
export function dueInSeason(
  {
    title,
    start,
    today,
    until,
    seeds,
    best,
  }: {
    readonly title: string;
    readonly start: DayNumber;
    readonly today: DayNumber;
    readonly until: DayNumber | null;
    readonly seeds: number | null;
    readonly best: DayNumber;
  },
  year: number,
): { readonly lead: string; readonly text: string } {
  const count = seeds === null ? '' : `: ${counted(seeds, 'seed')}`;
  const over = until !== null && today > until;
  const when =
    start === today
      ? 'today'
      : start < today
        ? `since ${dayInWords(start, year)}`
        : start === today + 1
          ? 'tomorrow'
          : dayInWords(start, year);
  const text = over
    ? `Its time was over on ${dayInWords(until, year)}: see what a start today still gives.`
    : until === null
      ? 'Any of these days will do.'
      : `In good time until ${dayInWords(until, year)}${start === best ? '' : `; counted back, ${dayInWords(best, year)} would be the day`}.`;
  return { lead: `${title}, ${when}${count}`, text };
}

/** What leads the season. */
export function seasonLead(
  {
    due,
    wishes,
    next,
    full,
  }: {
    readonly due: number;
    readonly wishes: number;
    readonly next: { readonly title: string; readonly start: DayNumber } | null;
    readonly full: { readonly name: string; readonly from: DayNumber } | null;
  },
  year: number,
): string {
  if (wishes === 0) return `What shall grow in ${year}?`;
  const starts =
    due > 0 ? `Start ${numberWord(due)} this week` : next ? `Next: ${next.title}, ${dayInWords(next.start, year)}` : 'Everything is begun';
  return full ? `${starts}; ${full.name} is full from ${dayInWords(full.from, year)}` : starts;
}

/** In time with such a chance. */
const inTime = (chance: number): string =>
  chance >= ALL_BUT_CERTAIN ? 'all but certain to be in time' : `in time with ${chanceInWords(chance)}`;

/**
 * How surely a start is in time.
 *
 * @param overdue a lot whose day is over, with what a start today gives; null where it is not
 */
export function startsInWords(
  { best, from, until, chance, sure }: Starts,
  sureness: number,
  year: number,
  overdue: (Pick<LotYear, 'start' | 'countedFrom' | 'chance'> & { readonly chosen: boolean }) | null = null,
): string {
  const stretch =
    from !== null && until !== null
      ? ` It makes sense from ${dayInWords(from, year)} until ${dayInWords(until, year)}.`
      : until !== null
        ? ` It makes sense until ${dayInWords(until, year)}.`
        : '';
  if (overdue) {
    const { start, chosen, countedFrom, chance: now } = overdue;
    const sense = until !== null && until < countedFrom ? ` Its time was over on ${dayInWords(until, year)}.` : stretch;
    const day = chosen
      ? `It was to be started on ${dayInWords(start, year)}`
      : `Counted back, ${dayInWords(start, year)} would have been the day`;
    return `${day}${now === null ? '. Its days are counted from today.' : `; started today it is ${inTime(now)}.`}${sense}`;
  }
  const known =
    chance === null
      ? ''
      : sure
        ? `, which is ${inTime(chance)}`
        : `, and even so it is in time with only ${chanceInWords(chance)}: ${Math.round(sureness * 10)} in 10 cannot be had`;
  return `Counted back, the day to start is ${dayInWords(best, year)}${known}.${stretch}`;
}

/** How much later than wished a crop was, and what that moves. */
export const lateInWords = ({
  lastDays,
  year,
  batches,
  shiftDays,
}: {
  readonly lastDays: number;
  readonly year: number;
  readonly batches: number;
  readonly shiftDays: number;
}): string =>
  shiftDays === 0
    ? `In ${year} it was in time.`
    : `In ${year} it was ${counted(Math.abs(Math.round(lastDays)), 'day')} ${lastDays > 0 ? 'late' : 'early'} (${counted(batches, 'batch', 'batches')}): its start is counted ${counted(Math.abs(shiftDays), 'day')} ${shiftDays > 0 ? 'sooner' : 'later'}.`;

/** A day of the season for the household's calendar. */
export type SeasonDay =
  | { readonly kind: 'start'; readonly title: string; readonly seeds: number | null; readonly until: DayNumber | null }
  | { readonly kind: 'out' | 'ripe'; readonly title: string; readonly at10: DayNumber; readonly at90: DayNumber };

/** A calendar entry's heading and its text. */
export function seasonDayInWords(day: SeasonDay, year: number): { readonly heading: string; readonly text: string } {
  if (day.kind === 'start')
    return {
      heading: `Start ${day.title}${day.seeds === null ? '' : `: ${counted(day.seeds, 'seed')}`}`,
      text:
        day.until === null ? 'As the season is planned.' : `As the season is planned; in good time until ${dayInWords(day.until, year)}.`,
    };
  const stretch = `8 times in 10 between ${daysInWords(day.at10, day.at90, year).replace(' to ', ' and ')}.`;
  return day.kind === 'out'
    ? { heading: `Plant out ${day.title}`, text: `About now, ${stretch} Look at the weather first.` }
    : { heading: `First of ${day.title}`, text: `About now, ${stretch}` };
}
