import { basicsFor } from '@fresh-tuck/core/parcel';
import {
  allElse,
  cameByDay,
  comparisonOf,
  foundOn,
  germinationIndices,
  inPots,
  looksTooSparse,
  tipsByDay,
  DRAWS,
  type Arm,
  type Compared,
  type SideInPots,
} from '@fresh-tuck/core/trials';
import { wordsFor } from '@fresh-tuck/core/units';
import {
  byChanceInWords,
  fairInWords,
  leadingPair,
  pairInWords,
  potsInWords,
  surenessInWords,
  unlikeInWords,
  weightless,
  weightlessInWords,
} from '@fresh-tuck/core/words';
import type { ArmDrawn, AskedArm, PairTold, TrialQuestion, TrialShown } from './trial.messages';

type Compare = Extract<TrialQuestion, { kind: 'compare' }>;
/** Draws between two words of how far it is. */
const A_STEP = 500;
/** Days drawn after the last seed came, as a share of all before. */
const MARGIN = 1.12;

const armOf = ({ name, batches }: AskedArm): Arm => ({
  name,
  batches: batches.flatMap(({ facts, closedMs, number, packetId, variety, ageYears, spots, people }) =>
    facts && closedMs !== null
      ? [{ traits: { number, packet: packetId, variety, ageYears, spots, people }, basics: basicsFor(facts, closedMs, 1), closedMs }]
      : [],
  ),
});

const potsOf = ({ name, batches }: AskedArm): SideInPots => {
  const sum = (of: (batch: AskedArm['batches'][number]) => number): number => batches.reduce((total, batch) => total + of(batch), 0);
  return {
    name,
    seeds: sum(({ seeds }) => seeds),
    moved: sum(({ moved }) => moved),
    lived: sum(({ lived }) => lived),
    died: sum(({ died }) => died),
  };
};

/** Packets are compared by their id and told by their name. */
function named(unlike: Compared['pairs'][number]['unlike'][number], arms: readonly AskedArm[]): typeof unlike {
  if (unlike.factor !== 'packet' && unlike.factor !== 'crop') return unlike;
  const name = (value: string | number | null): string | number | null => {
    const batch = arms.flatMap(({ batches }) => batches).find(({ packetId, facts }) => packetId === value || facts?.crop.id === value);
    return unlike.factor === 'packet' ? (batch?.variety ?? value) : (batch?.facts?.crop.name ?? value);
  };
  return { ...unlike, first: name(unlike.first), second: name(unlike.second) };
}

function pairTold(compared: Compared, index: number, asked: Compare): PairTold {
  const pair = compared.pairs[index] as Compared['pairs'][number];
  const { household, nowMs, arms } = asked;
  const words = wordsFor(household.zone, household.units, nowMs, household.millilitresPerSpray);
  const { lead, different } = pairInWords(compared, pair);
  const weighty = pair.unlike.filter((one) => !weightless(one));
  const chanceOf = pair.days !== null && pair.days.amongAll <= pair.share.amongAll ? 'days' : 'share';
  const chance = (chanceOf === 'days' ? pair.days : pair.share)?.amongAll ?? 1;
  const [first, second] = [potsOf(arms[pair.first] as AskedArm), potsOf(arms[pair.second] as AskedArm)];
  const ahead = chanceOf === 'days' ? (pair.days?.difference ?? 0) < 0 : pair.share.difference > 0;
  return {
    better: different ? (ahead ? pair.first : pair.second) : null,
    ...{ first: pair.first, second: pair.second, lead, different, chanceOf },
    fair: fairInWords(chanceOf === 'days' ? pair.fair.days : pair.fair.share),
    heavy: weighty.map((one) => ({ ...unlikeInWords(named(one, arms), words), days: one.days, spoils: one.spoils })),
    light: weightlessInWords(pair.unlike.filter(weightless)),
    elseDays: allElse(pair.unlike).days,
    sureness: surenessInWords(compared, pair),
    chance: byChanceInWords(chance),
    inHundred: Math.min(Math.max(Math.round(100 * chance), 0), 100),
    pots: potsInWords(first, second, inPots(first, second)),
  };
}

function armDrawn(compared: Compared, index: number, { batches }: AskedArm, lastDay: number): ArmDrawn {
  const { name, count, stretches } = compared.arms[index] as Compared['arms'][number];
  const facts = batches.flatMap((batch) => batch.facts ?? []);
  const tips = tipsByDay(facts);
  const started = facts.reduce((sum, { seeds }) => sum + seeds, 0);
  const rotten = facts.reduce((sum, { looks }) => sum + Math.max(0, ...looks.map((look) => look.rotten ?? 0)), 0);
  const found = tips.reduce((sum, tip) => sum + tip.count, 0);
  return {
    ...{ name, seeds: count.of, came: count.came, rotten },
    days: foundOn(stretches),
    curve: cameByDay(stretches, lastDay),
    indices: started > 0 && found <= started ? germinationIndices(started, tips) : null,
    sparse: looksTooSparse(tips),
  };
}

/**
 * A comparison in steps, with all that its page shows.
 *
 * @param say told how far it is, 0 to 1
 */
export function trialShown(asked: Compare, say: (done: number) => void): TrialShown {
  const comparison = comparisonOf(asked.question, asked.arms.map(armOf), asked.seed);
  for (let drawn = 0; drawn < DRAWS; drawn += A_STEP) {
    comparison.step(A_STEP);
    say(comparison.done());
  }
  const compared = comparison.result();
  const last = Math.max(1, ...compared.arms.flatMap(({ stretches }) => foundOn(stretches)));
  const lastDay = Math.ceil(last * MARGIN);
  return {
    compared,
    lead: leadingPair(compared),
    pairs: compared.pairs.map((_, index) => pairTold(compared, index, asked)),
    arms: asked.arms.map((arm, index) => armDrawn(compared, index, arm, lastDay)),
    lastDay,
  };
}
