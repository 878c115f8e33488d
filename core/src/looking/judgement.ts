import { chanceInWords } from '../units/quantity.js';
import { counted, rangeInWords, type Words } from '../units/words.js';
import type { Answers } from './answers.js';
import { mendAdvice } from './mend.js';
import type { RootsNow } from './roots-now.js';
import type { ParcelFacts } from './workings.js';
import type { LookReason } from './next-look.js';

/** What a parcel needs, in order of precedence. */
export const VERDICTS = ['mend', 'rescue', 'move', 'top_up', 'restart', 'give_up', 'leave'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** The four inks a judgement is written in. */
export type Tone = 'trouble' | 'growth' | 'waiting' | 'water';

/** One thing to do, or to leave. */
export interface Advice {
  readonly kind: Verdict | 'retuck';
  readonly lead: string;
  /** By when, in words, where it matters. */
  readonly by: string | null;
  readonly tone: Tone;
  readonly text: string;
}

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
}

/** Thresholds of the judgement. Settings of the household from the next releases on. */
const LEAST_HOPE = 0.1;
const HOUR_MS = 3_600_000;
/** A forecast is not good to the minute: deadlines are told to the half hour before, hopes to the nearest. */
const before = (ms: number): number => Math.floor(ms / (HOUR_MS / 2)) * (HOUR_MS / 2);
const about = (ms: number): number => Math.round(ms / (HOUR_MS / 2)) * (HOUR_MS / 2);

const NEXT_REASON: Record<LookReason, string> = {
  tips: 'by the look after that a root could be in the paper unseen',
  late: 'a root that was seen may be near the paper by then',
  move: 'a root will be ready to move',
  water: 'the towel will be drying',
  chill: 'the chill is done',
  patience: 'by then it has had its time',
};

/** The plain question of whether a root is due: within half an hour is now. */
const due = (ms: number, nowMs: number): boolean => ms <= nowMs + HOUR_MS / 2;

const sum = (roots: readonly RootsNow[]): number => roots.reduce((total, root) => total + root.count, 0);

function lengths(roots: readonly RootsNow[], words: Words): string {
  const measured = roots.filter((root) => root.measured);
  if (measured.length > 0 && measured.length <= 4 && measured.length === roots.length) {
    const list = measured.map((root) => words.length(root.usualMm));
    return `${list.length > 1 ? `Roots of about ${list.slice(0, -1).join(', ')} and ${list.at(-1)}` : `A root of about ${list[0]}`}.`;
  }
  const longest = Math.max(...roots.map((root) => root.usualMm));
  return `The longest about ${words.length(Math.max(longest, 1))} by now.`;
}

function moveText({ crop }: ParcelFacts): string {
  const { depthMm, surfaceSown, mix, pot } = crop.moving;
  const place = surfaceSown ? 'On the surface, pressed in' : `Root down, ${depthMm} mm deep`;
  const hold = crop.root.shy === 2 ? 'It hates being moved: go gently, hold it by the coat.' : 'Hold it by the coat, never the root.';
  return `${place}, into damp ${mix} (${pot}). ${hold}`;
}

/** Everything the roots ask for: lifting now, or waiting for their length. */
function rootAdvice(facts: ParcelFacts, answers: Answers, words: Words): Advice[] {
  const { nowMs, roots } = answers;
  const grown = roots.filter((root) => due(root.readyMs, nowMs) || due(root.usuallyLateMs, nowMs));
  const waiting = roots.filter((root) => !grown.includes(root));
  const late = grown.filter((root) => due(root.usuallyLateMs, nowMs));
  const advice: Advice[] = [];
  if (grown.length > 0) {
    const rescue = late.length > 0 || answers.state.overgrown > 0;
    const byMs = Math.min(...grown.map((root) => root.usuallyLateMs));
    advice.push({
      kind: rescue ? 'rescue' : 'move',
      lead: `${rescue ? 'Rescue' : 'Move'} ${counted(sum(grown), 'sprout')}`,
      by: rescue ? 'now' : `before ${words.when(before(byMs))}`,
      tone: rescue || byMs < nowMs + 14 * HOUR_MS ? 'trouble' : 'growth',
      text: rescue
        ? `${lengths(grown, words)} Longest first. A root in the paper stays there: wet it, tear the patch away and plant both. ${moveText(facts)}`
        : `${lengths(grown, words)} ${moveText(facts)}`,
    });
  }
  if (waiting.length > 0) {
    const readyMs = Math.min(...waiting.map((root) => root.readyMs));
    advice.push({
      kind: 'retuck',
      lead: `Re-tuck ${counted(sum(waiting), 'tip')}`,
      by: `ready about ${words.when(about(readyMs))}`,
      tone: 'waiting',
      text: `Move at ${words.length(facts.crop.root.readyMm)}; roots enter the paper near ${words.length(facts.crop.root.lateMm)}.`,
    });
  }
  return advice;
}

/** Whether enough will come, and what to do where it will not. */
function supplyAdvice(facts: ParcelFacts, answers: Answers, words: Words): Advice | null {
  const { state, end } = answers;
  if (state.quiet === 0 || chilling(facts, answers)) return null;
  const sofar = state.tipped;
  if (answers.chanceAnyFurther < LEAST_HOPE) {
    const short = facts.wanted !== null && sofar < facts.wanted / 2;
    return {
      kind: short ? 'restart' : 'give_up',
      lead: short ? 'Start again another way' : `Close it: ${counted(state.quiet, 'seed')} still quiet`,
      by: null,
      tone: 'waiting',
      text: `${capital(chanceInWords(answers.chanceAnyFurther))} that another tip shows by ${words.when(answers.patienceMs)}. A quiet seed lives with ${chanceInWords(answers.chanceQuietAlive)}; one more tip would change this.`,
    };
  }
  if (facts.wanted !== null && sofar + end.high < facts.wanted) {
    return {
      kind: 'top_up',
      lead: `Start ${counted(facts.wanted - sofar - end.mostLikely, 'more seed')}`,
      by: null,
      tone: 'waiting',
      text: `You wanted ${facts.wanted}; ${rangeInWords(sofar + end.low, sofar + end.high)} are to be expected, 8 times in 10.`,
    };
  }
  return null;
}

const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());

const chilling = (facts: ParcelFacts, answers: Answers): boolean => facts.chillUntilMs !== null && facts.chillUntilMs > answers.nowMs;

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
    text: chilling(facts, answers) ? alive : `${capital(NEXT_REASON[next.reason])}. ${alive}`,
  };
}

/** The reason for the next look, in words that say how sure. */
function headlineFor(facts: ParcelFacts, answers: Answers, words: Words): Judgement['headline'] {
  const { next, state } = answers;
  const atNext = answers.now;
  const soFar = state.showing > 0 ? ` ${counted(state.showing, 'tip')} on the towel.` : '';
  const expected = `About ${atNext.mostLikely} of ${state.quiet} by now (${rangeInWords(atNext.low, atNext.high)}); ${chanceInWords(atNext.anyChance)} that you see one.`;
  const texts: Record<LookReason, () => Judgement['headline']> = {
    late: () => moveHeadline(answers, words),
    move: () => moveHeadline(answers, words),
    tips: () => ({
      lead: atNext.anyChance < 0.5 ? 'worth a look' : state.tipped > 0 ? 'more tips likely' : 'first tips likely',
      tone: 'waiting',
      text: `${expected}${soFar}`,
    }),
    water: () => ({
      lead: `dries by ${words.when(about(answers.drying.dryingAtMs))}`,
      tone: 'water',
      text: `Give ${words.sprays(facts.doseMl * (1 - answers.drying.shareLeft))}.${state.quiet > 0 ? ` ${capital(chanceInWords(atNext.anyChance))} that a new tip shows.` : ''}`,
    }),
    chill: () => ({ lead: 'out of the cold', tone: 'growth', text: 'The chill is done: move the bag to its warm spot.' }),
    patience: () => ({
      lead: 'decide',
      tone: 'waiting',
      text: `Patience ends: ${chanceInWords(answers.chanceAnyFurther)} that another tip shows; a quiet seed lives with ${chanceInWords(answers.chanceQuietAlive)}.`,
    }),
  };
  // Where both are due, water that is sure to be needed leads a tip that is not.
  const thirsty = next.reason === 'tips' && answers.drying.dryingAtMs <= answers.soon.atMs && atNext.anyChance < 0.5;
  return texts[thirsty ? 'water' : next.reason]();
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
    text: `${counted(sum(roots), 'root')} on the towel, the longest near ${words.length(longest)}; ${rescue ? 'it may be in the paper' : `it enters the paper about ${words.when(late)}`}.`,
  };
}

/** The figures that carry the judgement, each a sentence. */
function reasonsFor(facts: ParcelFacts, answers: Answers, words: Words): string[] {
  const { state, now, tomorrow, end } = answers;
  const reasons = [
    `Known before any look: ${facts.prior.known.join('; ')}.`,
    `The warmth so far has done the work of ${answers.progressNow.toFixed(1)} such days.`,
    `The looks: ${state.tipped} of ${facts.seeds} have shown a tip, ${counted(state.quiet, 'seed')} still quiet${state.rotten > 0 ? `, ${state.rotten} rotten` : ''}.`,
  ];
  if (state.quiet > 0) {
    reasons.push(
      `New tips by now: ${rangeInWords(now.low, now.high)}; by ${words.when(tomorrow.atMs)}: ${rangeInWords(tomorrow.low, tomorrow.high)}; in the end ${rangeInWords(end.low, end.high)}. Each stretch holds 8 times in 10.`,
      `The next tip: most likely by ${answers.nextTip ? `${words.when(about(answers.nextTip.likelyMs))} (between ${words.when(about(answers.nextTip.lowMs))} and ${words.when(about(answers.nextTip.highMs))}, 8 times in 10)` : 'no time that can be named'}${answers.mostMs === null ? '' : `; nine in ten of the living by ${words.when(about(answers.mostMs))}`}.`,
      `A quiet seed is alive with ${chanceInWords(answers.chanceQuietAlive)}.`,
    );
  }
  reasons.push(`Next look: ${words.when(answers.next.atMs)} (${NEXT_REASON[answers.next.reason]}).`);
  return reasons;
}

/**
 * What the looks mean and what to do, in words.
 *
 * @param facts the same that the answers were computed from
 */
export function judge(facts: ParcelFacts, answers: Answers, words: Words): Judgement {
  const supply = supplyAdvice(facts, answers, words);
  const advice = [...mendAdvice(facts, answers, words), ...rootAdvice(facts, answers, words), ...(supply ? [supply] : [])];
  const given = supply?.kind === 'give_up' || supply?.kind === 'restart';
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
  };
}
