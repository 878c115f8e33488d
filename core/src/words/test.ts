import type { Supplying } from '../judging/index.js';
import { counted, type Words } from '../units/index.js';
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
    text: `Between ${percent(wilson.low)} and ${percent(wilson.high)}, 19 times in 20.${doubt}${asleep} ${one.showing > 0 ? 'Move the sprouts, then close the test.' : 'Close the test.'}`,
  };
}
