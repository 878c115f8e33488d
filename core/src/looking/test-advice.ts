import { counted, type Words } from '../units/words.js';
import type { Advice } from './advice.js';
import type { Answers } from './answers.js';
import type { ParcelFacts } from './workings.js';

const percent = (share: number): number => Math.round(share * 100);

/** What a germination test asks for: patience, its final count, and then what to do with it. */
export function testAdvice(test: NonNullable<ParcelFacts['test']>, { nowMs, state }: Answers, words: Words): Advice[] {
  const { result, finalMs } = test;
  if (!result) {
    if (nowMs < finalMs - 12 * 3_600_000) return [];
    return [
      {
        kind: 'count',
        lead: 'Count the test',
        by: finalMs > nowMs ? `by ${words.when(finalMs)}` : 'now',
        tone: 'growth',
        text: 'Sort what lies on each towel: normal, abnormal, hard, fresh, dead. Plant the normal ones; they are seedlings like any other.',
      },
    ];
  }
  const { rate, wilson, replicates, totals } = result;
  const doubt = replicates && !replicates.agree ? ' The towels differ by more than chance: test again before you rely on it.' : '';
  const sleeping = totals.hard + totals.fresh;
  const asleep =
    sleeping > 0
      ? ` ${counted(sleeping, 'seed')} ${sleeping === 1 ? 'is' : 'are'} firm and asleep, not dead: nick or chill the next ones.`
      : '';
  return [
    {
      kind: 'count',
      lead: `${percent(rate)} in 100 are good`,
      by: null,
      tone: 'growth',
      text: `Between ${percent(wilson.low)} and ${percent(wilson.high)}, 19 times in 20.${doubt}${asleep} ${state.showing > 0 ? 'Move the sprouts, then close the test.' : 'Close the test.'}`,
    },
  ];
}
