import { waysOf, type Answers, type ParcelFacts } from '../parcel/index.js';
import type { Supply } from '../sowing/index.js';
import { HOUR_MS } from '../units/index.js';
import type { Hope, Supplying } from './counsel.js';

/** Whether hope is so small that the lot is judged. */
export const hopeless = (facts: ParcelFacts, { chanceAnyFurther, state }: Answers): boolean =>
  state.quiet > 0 && chanceAnyFurther < waysOf(facts).leastHope;

/** Fewer than half of the wish have shown, or none where nothing was wished. */
const farShort = ({ wanted }: ParcelFacts, { state }: Answers): boolean =>
  wanted === null ? state.tipped === 0 : state.tipped < wanted / 2;

export const hopeOf = ({ chanceAnyFurther, patienceMs, chanceQuietAlive }: Answers): Hope => ({
  anyFurther: chanceAnyFurther,
  untilMs: patienceMs,
  quietAlive: chanceQuietAlive,
});

/** Nothing more is likely: the lot is begun another way, or closed. */
function ending(facts: ParcelFacts, answers: Answers, { restart }: Supply): Supplying {
  const again = farShort(facts, answers) && !facts.followedBy ? restart : null;
  const hope = hopeOf(answers);
  return again ? { kind: 'restart', restart: again, hope } : { kind: 'give_up', quiet: answers.state.quiet, hope };
}

function toppingUp(facts: ParcelFacts, { state, end }: Answers, { topUp, enoughChance }: Supply): Supplying[] {
  if (topUp === null || enoughChance === null || facts.wanted === null || facts.followedBy) return [];
  const sure = topUp.chance >= waysOf(facts).sureness - 1e-9;
  return [
    {
      kind: 'top_up',
      ...topUp,
      wanted: facts.wanted,
      enoughChance,
      low: state.tipped + end.low,
      high: state.tipped + end.high,
      last: topUp.seeds === facts.packetLeft && !sure,
    },
  ];
}

function retesting(facts: ParcelFacts, { state }: Answers, { asFewChance }: Supply): Supplying[] {
  if (asFewChance === null || asFewChance >= waysOf(facts).retestChance) return [];
  return [{ kind: 'retest', tipped: state.tipped, seeds: facts.seeds, chance: asFewChance }];
}

/** What a germination test asks for: patience, its final count, and then what to do with it. */
function testing({ result, finalMs }: NonNullable<ParcelFacts['test']>, { nowMs, state }: Answers): Supplying[] {
  if (result) return [{ kind: 'count', what: 'result', result, showing: state.showing }];
  return nowMs < finalMs - 12 * HOUR_MS ? [] : [{ kind: 'count', what: 'due', finalMs }];
}

/** Whether enough will come, and what to do where it will not. */
export function supplying(facts: ParcelFacts, answers: Answers, supply: Supply): Supplying[] {
  if (facts.test) return testing(facts.test, answers);
  if (facts.chillUntilMs !== null && facts.chillUntilMs > answers.nowMs) return [];
  const over = hopeless(facts, answers);
  // Far short and hopeless, more of the same way is no help: another way is.
  const more = over && farShort(facts, answers) ? [] : toppingUp(facts, answers, supply);
  return [...more, ...(over ? [ending(facts, answers, supply)] : []), ...retesting(facts, answers, supply)];
}
