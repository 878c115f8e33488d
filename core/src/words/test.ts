import { UNTABLED_TIMES, type FinalCount } from '../seedtest/index.js';
import type { Supplying } from '../judging/index.js';
import { counted, formatTemperature, type UnitSystem, type Words } from '../units/index.js';
import type { Advice } from './advice.js';

const percent = (share: number): number => Math.round(share * 100);

/** What a germination test asks for, in words. */
export function testInWords(one: Extract<Supplying, { kind: 'count' }>, nowMs: number, words: Words): Advice {
  if (one.what === 'due') {
    return {
      kind: 'count',
      lead: 'Count the test',
      by: one.finalMs > nowMs ? `by ${words.when(one.finalMs)}` : 'now',
      tone: 'growth',
      text: 'Sort what lies on each towel: normal, abnormal, hard, fresh, dead. Plant the normal ones; they are seedlings like any other.',
      button: { label: 'Count it', act: { does: 'count' } },
    };
  }
  const { rate, wilson, replicates, totals } = one.result;
  const doubt = replicates && !replicates.agree ? ' The towels differ by more than chance: test again before you rely on it.' : '';
  const sleeping = totals.hard + totals.fresh;
  const asleep =
    sleeping > 0
      ? ` ${counted(sleeping, 'seed')} ${sleeping === 1 ? 'is' : 'are'} firm and asleep, not dead: nick or chill the next ones.`
      : '';
  return {
    kind: 'count',
    lead: `${percent(rate)} in 100 are good`,
    by: null,
    tone: 'growth',
    text: `Between ${percent(wilson.low)} and ${percent(wilson.high)}, 19 times in 20.${doubt}${asleep} ${one.showing > 0 ? `${counted(one.showing, 'seedling')} ${one.showing === 1 ? 'lives' : 'live'}: move ${one.showing === 1 ? 'it' : 'them'} now, and the test closes by itself.` : 'It is done.'}`,
    button:
      one.showing > 0
        ? { label: 'Move them now', act: { does: 'open' } }
        : { label: 'Close the test', act: { does: 'close', reason: 'counted' } },
  };
}

/** What a test is to tell: a rate's width, or a limit that one can live with. */
export type TestAim = { readonly within: number } | { readonly least: number; readonly error: number };

/** What the sample is taken for: "its rate to within 15 in 100". */
export const aimInWords = (aim: TestAim): string =>
  'within' in aim
    ? `its rate to within ${percent(aim.within)} in 100`
    : `whether ${percent(aim.least)} in 100 live, wrong at most ${percent(aim.error)} times in 100`;

/** What the test would tell if it went as expected. @param interval in which the truth would lie, 19 times in 20 */
export const wouldTell = (mean: number, interval: { readonly low: number; readonly high: number }): string =>
  `If about ${percent(mean)} in 100 live, as expected, it will say between ${percent(interval.low)} and ${percent(interval.high)}, 19 times in 20.`;

/** When the final count is due, and by whose rule. @param day the day written out */
export function finalCountInWords({ day, tabled }: FinalCount, date: string, units: UnitSystem): string {
  const due = `The final count is due on day ${day}, ${date}:`;
  if (!tabled) return `${due} no laboratory’s rule is known for it, so it gets ${UNTABLED_TIMES} times its usual days.`;
  const { lowC, highC } = tabled;
  const warmth =
    lowC === highC ? formatTemperature(lowC, units) : `${formatTemperature(lowC, units)} and ${formatTemperature(highC, units)}`;
  return `${due} a laboratory counts on day ${tabled.day} at ${warmth} (ISTA, from memory), brought to the warmth here.`;
}
