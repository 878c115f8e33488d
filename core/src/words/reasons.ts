import { aliveInWords } from './alive.js';
import type { Judgement, Report } from '../judging/index.js';
import { methodFor } from '../method/index.js';
import type { ParcelFacts } from '../parcel/index.js';
import { about, counted, rangeInWords, type Words } from '../units/index.js';
import { knownInWords } from './known.js';
import { nextInWords } from './next.js';

/** What the judgement rests on, in short, each a sentence. */
export function groundsInWords(facts: ParcelFacts, { state, progressNow }: Report): string[] {
  const { nouns } = methodFor(facts.method, facts.crop);
  const rotten = state.rotten > 0 ? `, ${state.rotten} rotten` : '';
  return [
    `Known before any look: ${facts.prior.known.map(knownInWords).join('; ')}.`,
    `The warmth so far has done the work of ${progressNow.toFixed(1)} such days.`,
    `The looks: ${state.tipped} of ${facts.seeds} ${state.tipped === 1 ? nouns.shown.one : nouns.shown.many}, ${counted(state.quiet, 'seed')} still quiet${rotten}.`,
  ];
}

/** When the next one comes, and nine in ten of the living. */
function nextTipInWords({ nextTip, patienceMs, mostMs }: Report, event: string, words: Words): string {
  const most = mostMs === null ? '' : `; nine in ten of the live seeds by ${words.when(about(mostMs))}`;
  if (!nextTip) return `The next ${event}: most likely by no time that can be named${most}.`;
  const low = words.when(about(nextTip.lowMs));
  const stretch =
    nextTip.highMs > patienceMs
      ? `not before ${low}, 9 times in 10`
      : `between ${low} and ${words.when(about(nextTip.highMs))}, 8 times in 10`;
  return `The next ${event}: most likely by ${words.when(about(nextTip.likelyMs))} (${stretch})${most}.`;
}

function rootRateInWords({ rootRate: { factor, seeds, mmPerDayNow } }: Report, words: Words): string {
  const percent = Math.round((factor - 1) * 100);
  const how =
    Math.abs(percent) < 5
      ? 'they grow as the crop page says'
      : `they grow ${Math.abs(percent)} % ${percent > 0 ? 'faster' : 'slower'} than the crop page says`;
  return `${counted(seeds, 'measured root')}: ${how}, about ${words.length(Math.max(mmPerDayNow, 1))} a day here.`;
}

/** The figures behind a judgement, each a sentence, for "Why?". */
export function reasonsInWords(facts: ParcelFacts, report: Report, next: Judgement['next'], words: Words): string[] {
  const { state, now, tomorrow, end } = report;
  const method = methodFor(facts.method, facts.crop);
  const { one, many } = method.nouns.event;
  const range = ({ low, high }: { low: number; high: number }): string => rangeInWords(low, high);
  const quiet =
    state.quiet === 0
      ? []
      : [
          `New ${many} by now: ${range(now)}; by ${words.when(tomorrow.atMs)}: ${range(tomorrow)}; in the end ${range(end)}, each with 8 chances in 10.`,
          nextTipInWords(report, one, words),
          `A quiet seed ${aliveInWords(report.chanceQuietAlive)}.`,
        ];
  return [
    ...quiet,
    ...(report.rootRate.seeds > 0 ? [rootRateInWords(report, words)] : []),
    `Mould index ${report.mould} of 10: a rule of thumb from wetness, warmth, closure, age and what was found, not a probability.`,
    `Next look: ${words.when(next.atMs)} (${nextInWords(next, method, facts.mates ?? null)}).`,
  ];
}
