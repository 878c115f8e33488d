import { judgedBelow, waysOf, type Answers, type ParcelFacts } from '../parcel/index.js';
import type { TestResult } from '../seedtest/index.js';
import { DEAD_CHANCE, type Supply } from '../sowing/index.js';
import { due, HOUR_MS } from '../units/index.js';
import type { Hope, Supplying } from './counsel.js';
import { elsewhere, wantsCold } from './mend.js';

/** Whether hope is so small that the lot is judged. */
export const hopeless = (facts: ParcelFacts, { chanceAnyFurther, patienceMs, nowMs, state, thirst }: Answers): boolean =>
  // In a dry towel a quiet seed only pauses: nothing is judged until it has had its water.
  state.quiet > 0 && thirst?.damp !== 'dry' && due(patienceMs, nowMs) && chanceAnyFurther < judgedBelow(facts);

/** Fewer than half of the wish have shown, or none where nothing was wished. */
const farShort = ({ wanted }: ParcelFacts, { state }: Answers): boolean =>
  wanted === null ? state.tipped === 0 : state.tipped < wanted / 2;

export const hopeOf = ({ chanceAnyFurther, hopeUntilMs, chanceEver, chanceQuietAlive }: Answers): Hope => ({
  anyFurther: chanceAnyFurther,
  untilMs: hopeUntilMs,
  ever: chanceEver,
  quietAlive: chanceQuietAlive,
});

/** A late one is so likely against the least hope that the bag is worth a corner. Guess. */
const WORTH_A_CORNER = 0.5;

/** Nothing more is likely: the lot is begun another way, or closed. */
function ending(facts: ParcelFacts, answers: Answers, { restart, deadChance }: Supply): Supplying {
  const again = farShort(facts, answers) && !facts.followedBy ? restart : null;
  const hope = hopeOf(answers);
  if (again) return { kind: 'restart', restart: again, hope };
  const aside = hope.ever >= WORTH_A_CORNER * waysOf(facts).leastHope;
  // A dead lot is not begun again, and nothing else of the crop lies in the box.
  const buy = farShort(facts, answers) && deadChance >= DEAD_CHANCE && (facts.otherPackets ?? []).length === 0;
  return { kind: 'give_up', quiet: answers.state.quiet, aside, hope, deadChance, buy };
}

/** The second step that was agreed: due on its day if too few have shown. */
function secondStep({ secondStep: agreed, followedBy }: ParcelFacts, { state, nowMs }: Answers): Supplying[] {
  if (!agreed || followedBy || !due(agreed.atMs, nowMs) || state.tipped >= agreed.below) return [];
  return [{ kind: 'top_up', what: 'second_step', seeds: agreed.seeds, below: agreed.below, shown: state.tipped }];
}

function toppingUp(facts: ParcelFacts, answers: Answers, { topUp, short, enoughChance }: Supply): Supplying[] {
  const { state, end, nowMs } = answers;
  // While its place kills, or keeps a part of it quiet, nobody knows yet what will be missing: that comes first.
  if (enoughChance === null || facts.wanted === null || facts.followedBy || answers.heat !== null) return [];
  if (elsewhere(facts, answers) !== null && state.quiet > 0) return secondStep(facts, answers);
  // What was agreed for a later day is not asked for sooner.
  if (facts.secondStep && !due(facts.secondStep.atMs, nowMs)) return [];
  const agreed = secondStep(facts, answers);
  if (agreed.length > 0) return agreed;
  const stretch = { wanted: facts.wanted, low: state.tipped + end.low, high: state.tipped + end.high };
  if (short !== null) return [{ kind: 'short', short, packet: facts.otherPackets?.[0]?.title ?? null, ...stretch }];
  if (topUp === null) return [];
  const sure = topUp.chance >= waysOf(facts).sureness - 1e-9;
  return [
    {
      kind: 'top_up',
      what: 'more',
      ...topUp,
      ...stretch,
      enoughChance,
      last: topUp.seeds === facts.packetLeft && !sure,
    },
  ];
}

function retesting(facts: ParcelFacts, { state }: Answers, { asFewChance }: Supply): Supplying[] {
  if (asFewChance === null || asFewChance >= waysOf(facts).retestChance) return [];
  return [{ kind: 'retest', tipped: state.tipped, seeds: facts.seeds, chance: asFewChance }];
}

/** A test is counted from half a day before its day on. */
const COUNTED_FROM_MS = 12 * HOUR_MS;

/** Whether a test's day of counting has come. */
export const countDue = ({ test }: ParcelFacts, nowMs: number): boolean =>
  test !== null && test !== undefined && test.result === null && nowMs >= test.finalMs - COUNTED_FROM_MS;

/** Sound seedlings of a counted test that have not been moved yet. */
export const survivorsOf = ({ totals }: TestResult, { moved }: Answers['state']): number => Math.max(totals.normal - moved, 0);

/** What a germination test asks for: patience, its final count, and then what to do with it. */
function testing(facts: ParcelFacts, { nowMs, state }: Answers): Supplying[] {
  const { test } = facts;
  if (test?.result) return [{ kind: 'count', what: 'result', result: test.result, showing: survivorsOf(test.result, state) }];
  return test && countDue(facts, nowMs) ? [{ kind: 'count', what: 'due', finalMs: test.finalMs }] : [];
}

/** Whether enough will come, and what to do where it will not. */
export function supplying(facts: ParcelFacts, answers: Answers, supply: Supply): Supplying[] {
  if (facts.test) return testing(facts, answers);
  if (facts.chillUntilMs !== null && facts.chillUntilMs > answers.nowMs) return [];
  // What sleeps for want of cold is not judged, nor its packet: it is sent there.
  if (wantsCold(facts, answers)) return [];
  const over = hopeless(facts, answers);
  // Far short and hopeless, more of the same way is no help: another way is.
  const more = over && farShort(facts, answers) ? [] : toppingUp(facts, answers, supply);
  return [...more, ...(over ? [ending(facts, answers, supply)] : []), ...retesting(facts, answers, supply)];
}
