import { methodOf, type Method, type MethodId } from '../method/index.js';
import type { CropLateness, Goal, PlanAtSpot } from '../sowing/index.js';
import { chanceInWords, counted, DAY_MS } from '../units/index.js';
import type { Tone } from './advice.js';

/** A day that is written out: "Sat 18 Apr". */
export type Dated = (ms: number) => string;

/** Goals on the way, as the calendar names them. */
export const GOAL_WORDS: Readonly<Record<Goal, string>> = { move: 'enough moved', plant_out: 'planted out', ripe: 'ripe' };

/** A goal on the way as it is named for a way of starting: nothing is moved that comes up where it is to stand. */
export const goalInWords = (goal: Goal, method: MethodId): string =>
  goal === 'move' && methodOf(method).event === 'emergence' ? 'enough up' : GOAL_WORDS[goal];

/** What it is wished for, with its day: "ripe by Sat 5 Sep". */
export const targetInWords = (kind: Exclude<Goal, 'move'>, day: string): string =>
  kind === 'ripe' ? `ripe by ${day}` : `to plant out around ${day}`;

/** When a batch would be begun, and against what. */
export interface Beginning {
  /** Now, or the day that it was set to. */
  readonly startMs: number;
  /** The day that the wish asks for; null where there is none. */
  readonly startByMs: number | null;
  readonly goal: Exclude<Goal, 'move'> | null;
}

/** Whether the day to start lies ahead: half a day and more. */
export const liesAhead = ({ startMs, startByMs }: Beginning): boolean => startByMs !== null && startByMs > startMs + DAY_MS / 2;

/**
 * When to start and what comes of it there.
 *
 * @param heldMs the day before which the frost keeps it in, ms; null where it does not
 */
export function startInWords(
  here: PlanAtSpot,
  begun: Beginning,
  dated: Dated,
  heldMs: number | null = null,
): { readonly tone: Tone | ''; readonly text: string } {
  const { startMs, goal } = begun;
  const startByMs = begun.startByMs ?? startMs;
  const [ready] = here.forward;
  if (!ready) return { text: 'Here too few would ever come.', tone: 'trouble' };
  if (goal === null) {
    const out = here.forward.find(({ goal: what }) => what === 'plant_out');
    const day = (days: number): string => dated(startMs + days * DAY_MS);
    return {
      text: `Enough ${methodOf(here.facts.method).event === 'emergence' ? 'up' : 'to move'} by ${day(ready.likely)}${out ? `, ready to plant out about ${day(out.likely)}${heldMs === null ? '' : `; not before ${dated(heldMs)}, for the frost`}` : ''}.`,
      tone: '',
    };
  }
  const wish = goal === 'ripe' ? 'ripe' : 'ready to plant out';
  if (!here.back) return { text: `It cannot be ${wish} by then at all.`, tone: 'trouble' };
  if (liesAhead(begun)) {
    const days = Math.round((startByMs - startMs) / DAY_MS);
    return {
      text: `Start by ${dated(startByMs)}, ${days === 1 ? 'tomorrow' : `in ${days} days`}: ${chanceInWords(here.back.chance)} of enough, ${wish} in time.`,
      tone: 'growth',
    };
  }
  const chance = chanceInWords(here.inTimeNow ?? 0);
  return startByMs > startMs - DAY_MS / 2
    ? { text: `Start now: ${chance} of enough, ${wish} in time.`, tone: 'growth' }
    : { text: `The day to start was ${dated(startByMs)}. Begun now, ${chance} of enough, ${wish} in time.`, tone: 'trouble' };
}

/** Begun now although the day lies days ahead; null where it does not. */
export function earlyInWords({ startMs, startByMs }: Beginning, dated: Dated): string | null {
  const days = startByMs === null ? 0 : Math.round((startByMs - startMs) / DAY_MS);
  return days >= 2 && startByMs !== null
    ? `The day for it is ${dated(startByMs)}; begun now they wait ${days} days for room outside.`
    : null;
}

/** What earlier years shift, and that they do; empty where they shift nothing. */
export function latenessInWords(late: CropLateness | null): string {
  if (!late || late.shiftDays === 0) return '';
  const days = counted(Math.abs(Math.round(late.lastDays)), 'day');
  const [was, start] = late.lastDays > 0 ? ['late', 'earlier'] : ['early', 'later'];
  const batches = late.batches === 1 ? '' : ` (${late.batches} batches)`;
  return `In ${late.year} it was ${days} ${was} here${batches}: this start is ${counted(Math.abs(late.shiftDays), 'day')} ${start} for it.`;
}

/** Of a hundred seeds, how many show and how many become plants. @param clustered whether one unit gives several germs */
export function ratesInWords(
  { expectedRate, handling, survival }: { expectedRate: number; handling: { mean: number }; survival: { mean: number } },
  clustered: boolean,
  { nouns }: Pick<Method, 'nouns'> = methodOf('towel'),
): string {
  const through = expectedRate * handling.mean * survival.mean;
  const germs = clustered ? ' One cluster gives several; its strongest is kept.' : '';
  return `About ${Math.round(expectedRate * 100)} of 100 ${nouns.show}, ${Math.round(through * 100)} become plants.${germs}`;
}
