import { chanceInWords } from '../units/quantity.js';
import { counted, rangeInWords, type Words } from '../units/words.js';
import { about, before, capital, due, VERDICTS, type Advice, type Tone, type Verdict } from './advice.js';
import type { Answers } from './answers.js';
import { mendAdvice } from './mend.js';
import type { LookReason } from './next-look.js';
import { countOf, rootAdvice } from './root-advice.js';
import { supplyAdvice } from './supply-advice.js';
import { testAdvice } from './test-advice.js';
import type { ParcelFacts } from './workings.js';

export { VERDICTS, type Advice, type Tone, type Verdict };

/** What a parcel's looks mean and what to do. */
export interface Judgement {
  readonly verdict: Verdict;
  readonly advice: readonly Advice[];
  /** Why it should be opened at its next look, and how sure that is: for Today. */
  readonly headline: { readonly lead: string; readonly tone: Tone; readonly text: string };
  /** Where this is going, in a sentence. */
  readonly outlook: string;
  /** Figures behind the judgement, for "Why?". */
  readonly reasons: readonly string[];
  /** What they rest on, in short; drawn at length by `whyFor`. */
  readonly grounds: readonly string[];
}

const HOUR_MS = 3_600_000;

const NEXT_REASON: Record<LookReason, string> = {
  tips: 'by the look after that a root could be in the paper unseen',
  late: 'a root that was seen may be near the paper by then',
  move: 'a root will be ready to move',
  water: 'the towel will be drying',
  chill: 'the chill is done',
  patience: 'by then it has had its time',
  bag: 'another parcel of the bag is opened then',
};

const chilling = (facts: ParcelFacts, answers: Answers): boolean => facts.chillUntilMs !== null && facts.chillUntilMs > answers.nowMs;

/** Why the next look is when it is. */
const reasonInWords = ({ mates }: ParcelFacts, { next }: Answers): string => {
  const through = next.via === 'through' ? '; a look through the bag is enough' : '';
  return `${next.reason === 'bag' && mates ? `it is opened with ${mates.number} then` : NEXT_REASON[next.reason]}${through}`;
};

/** What stays on the towel: shut until when, or to be looked at now. */
function leaveAdvice(facts: ParcelFacts, answers: Answers, words: Words): Advice {
  const { state, next, nowMs } = answers;
  if (state.quiet === 0) {
    const none = state.showing === 0;
    return {
      kind: 'leave',
      lead: none ? 'Nothing more to come' : 'No quiet seed left',
      by: null,
      tone: 'waiting',
      text: none ? 'Every seed has shown itself or been taken out. Close the batch.' : 'Every seed has shown itself or been taken out.',
    };
  }
  const each = state.quiet === 1 ? 'lives' : 'each live';
  const alive = `${counted(state.quiet, 'quiet seed')} ${each} with ${chanceInWords(answers.chanceQuietAlive)}.`;
  if (next.atMs <= nowMs) {
    const justSeen = facts.looks.some((look) => look.atMs > nowMs - HOUR_MS / 2 && look.tipped !== null);
    return {
      kind: 'leave',
      lead: justSeen ? `Re-tuck ${counted(state.quiet, 'quiet seed')}` : 'Look at it now',
      by: null,
      tone: 'waiting',
      text: alive,
    };
  }
  return {
    kind: 'leave',
    lead: chilling(facts, answers) ? 'Keep it cold' : 'Leave it shut',
    by: `until ${words.when(next.atMs)}`,
    tone: 'waiting',
    text: chilling(facts, answers) ? alive : `${capital(reasonInWords(facts, answers))}. ${alive}`,
  };
}

/** The reason for the next look, in words that say how sure. */
function headlineFor(facts: ParcelFacts, answers: Answers, words: Words): Judgement['headline'] {
  const { next, state } = answers;
  const atNext = answers.now;
  const soFar = state.showing > 0 ? ` ${counted(state.showing, 'tip')} on the towel.` : '';
  const range = rangeInWords(atNext.low, atNext.high);
  const likely = atNext.mostLikely === 0 || atNext.low === atNext.high ? range : `About ${atNext.mostLikely}`;
  const expected = `${likely} of ${state.quiet} by now${likely === range ? '' : ` (${range})`}; ${chanceInWords(atNext.anyChance)} that you see one.`;
  const texts: Record<LookReason, () => Judgement['headline']> = {
    late: () => moveHeadline(answers, words),
    move: () => moveHeadline(answers, words),
    tips: () => {
      // Nobody has looked for so long that a root that nobody saw may be in the paper.
      if (answers.longestMm >= facts.crop.root.lateMm) {
        return {
          lead: 'look now',
          tone: 'trouble',
          text: `The longest root may be near ${words.length(answers.longestMm)}. ${expected}${soFar}`,
        };
      }
      const lead =
        atNext.anyChance < 0.2
          ? 'a look to be safe'
          : atNext.anyChance < 0.5
            ? 'worth a look'
            : state.tipped > 0
              ? 'more tips likely'
              : 'first tips likely';
      return { lead, tone: 'waiting', text: `${expected}${soFar}` };
    },
    water: () => ({
      lead: answers.drying.dryingAtMs <= answers.nowMs ? 'may be drying' : `dries by ${words.when(about(answers.drying.dryingAtMs))}`,
      tone: 'water',
      text: `Give ${words.sprays(facts.doseMl * (1 - answers.drying.shareLeft))}.${state.quiet > 0 ? ` ${capital(chanceInWords(atNext.anyChance))} that a new tip shows.` : ''}`,
    }),
    chill: () => ({ lead: 'out of the cold', tone: 'growth', text: 'The chill is done: move the bag to its warm spot.' }),
    bag: () => ({
      lead: 'comes along',
      tone: 'waiting',
      text: `In one bag${facts.mates ? ` with ${facts.mates.number}` : ''}. ${expected}${soFar}`,
    }),
    patience: () =>
      facts.test
        ? { lead: 'final count', tone: 'growth', text: `The test has had its time: sort the seedlings and count them. ${expected}` }
        : {
            lead: 'decide',
            tone: 'waiting',
            text: `Patience ends: ${chanceInWords(answers.chanceAnyFurther)} that another tip shows; a quiet seed lives with ${chanceInWords(answers.chanceQuietAlive)}.`,
          },
  };
  // Where both are due, water that is sure to be needed leads a tip that is not.
  const thirsty = next.reason === 'tips' && answers.drying.dryingAtMs <= answers.soon.atMs && atNext.anyChance < 0.5;
  const headline = texts[thirsty ? 'water' : next.reason]();
  return next.via === 'through' && !thirsty ? { ...headline, text: `${headline.text} Through the bag is enough.` } : headline;
}

function moveHeadline({ roots, nowMs }: Answers, words: Words): Judgement['headline'] {
  const byMs = Math.min(...roots.map((root) => root.usuallyLateMs));
  const ready = roots.filter((root) => due(root.readyMs, nowMs));
  const longest = Math.max(...roots.map((root) => root.usualMm), 1);
  const rescue = byMs <= nowMs;
  const late = Math.max(before(byMs), about(nowMs));
  const lead = rescue
    ? 'rescue now'
    : ready.length > 0
      ? `move before ${words.when(late)}`
      : `ready by ${words.when(about(Math.min(...roots.map((root) => root.readyMs))))}`;
  return {
    lead,
    tone: byMs < nowMs + 14 * HOUR_MS ? 'trouble' : 'growth',
    text: `${counted(countOf(roots), 'root')} on the towel, the longest near ${words.length(longest)}; ${rescue ? 'it may be in the paper' : `it enters the paper about ${words.when(late)}`}.`,
  };
}

/** The figures that carry the judgement, each a sentence. */
function groundsFor(facts: ParcelFacts, { state, progressNow }: Answers): string[] {
  return [
    `Known before any look: ${facts.prior.known.join('; ')}.`,
    `The warmth so far has done the work of ${progressNow.toFixed(1)} such days.`,
    `The looks: ${state.tipped} of ${facts.seeds} have shown a tip, ${counted(state.quiet, 'seed')} still quiet${state.rotten > 0 ? `, ${state.rotten} rotten` : ''}.`,
  ];
}

/** The figures themselves, each a sentence. */
function reasonsFor(facts: ParcelFacts, answers: Answers, words: Words): string[] {
  const { state, now, tomorrow, end } = answers;
  const reasons: string[] = [];
  if (state.quiet > 0) {
    reasons.push(
      `New tips by now: ${rangeInWords(now.low, now.high)}; by ${words.when(tomorrow.atMs)}: ${rangeInWords(tomorrow.low, tomorrow.high)}; in the end ${rangeInWords(end.low, end.high)}. Each stretch holds 8 times in 10.`,
      `The next tip: most likely by ${answers.nextTip ? `${words.when(about(answers.nextTip.likelyMs))} (${answers.nextTip.highMs > answers.patienceMs ? `not before ${words.when(about(answers.nextTip.lowMs))}, 9 times in 10` : `between ${words.when(about(answers.nextTip.lowMs))} and ${words.when(about(answers.nextTip.highMs))}, 8 times in 10`})` : 'no time that can be named'}${answers.mostMs === null ? '' : `; nine in ten of the living by ${words.when(about(answers.mostMs))}`}.`,
      `A quiet seed is alive with ${chanceInWords(answers.chanceQuietAlive)}.`,
    );
  }
  if (answers.rootRate.seeds > 0) {
    const percent = Math.round((answers.rootRate.factor - 1) * 100);
    reasons.push(
      `${counted(answers.rootRate.seeds, 'measured root')}: ${Math.abs(percent) < 5 ? 'they grow as the book says' : `they grow ${Math.abs(percent)} % ${percent > 0 ? 'faster' : 'slower'} than the book`}, about ${words.length(Math.max(answers.rootRate.mmPerDayNow, 1))} a day here.`,
    );
  }
  reasons.push(
    `Mould index ${answers.mould} of 10: a rule of thumb from wetness, warmth, closure, age and what was found, no chance of anything.`,
  );
  reasons.push(`Next look: ${words.when(answers.next.atMs)} (${reasonInWords(facts, answers)}).`);
  return reasons;
}

/**
 * What the looks mean and what to do, in words.
 *
 * @param facts the same that the answers were computed from
 */
export function judge(facts: ParcelFacts, answers: Answers, words: Words): Judgement {
  const supply = facts.test ? testAdvice(facts.test, answers, words) : supplyAdvice(facts, answers, words);
  const advice = [...mendAdvice(facts, answers, words), ...rootAdvice(facts, answers, words), ...supply];
  const given = supply.some(({ kind }) => kind === 'give_up' || kind === 'restart' || kind === 'count');
  const settled = advice.some(({ kind }) => kind !== 'retuck');
  if (!given && (!settled || answers.state.quiet > 0)) advice.push(leaveAdvice(facts, answers, words));
  const kinds = new Set<string>(advice.map(({ kind }) => kind));
  const { state, end } = answers;
  const total = rangeInWords(state.tipped + end.low, state.tipped + end.high);
  const wanted = facts.wanted === null ? '' : `; you wanted ${facts.wanted}`;
  return {
    verdict: VERDICTS.find((verdict) => kinds.has(verdict)) ?? 'leave',
    advice,
    headline: headlineFor(facts, answers, words),
    outlook: `${total} of ${facts.seeds} in the end${wanted}.${end.low === end.high ? '' : ' Holds 8 times in 10.'}`,
    reasons: reasonsFor(facts, answers, words),
    grounds: groundsFor(facts, answers),
  };
}
