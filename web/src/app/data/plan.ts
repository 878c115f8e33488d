import {
  answersFor,
  chanceOfPlants,
  doseFor,
  layOut,
  lookingTimes,
  seedsFor,
  spacingNeededMm,
  type ParcelFacts,
  type PlantRate,
} from '@fresh-tuck/core';
import type { Household } from '@fresh-tuck/contract';
import type { Plan, PlanQuestion } from './forecast.messages';

const DAY_MS = 86_400_000;
/** Works out a batch before it is tucked in: how many, how wet, how far apart, and when in each spot. */
export function planFor(question: PlanQuestion, household: Household, nowMs: number): Plan {
  const { crop, prior, wanted, sureness, pane } = question;
  const { share } = prior;
  const rate: PlantRate = { ...share, handling: question.handling };
  const enough = seedsFor(wanted, sureness, rate);
  const seeds = question.seeds ?? enough ?? wanted;
  const first = Math.max(wanted, (enough ?? seeds) - 3);
  const numbers = [...new Set([...Array.from({ length: 6 }, (_, step) => first + step), seeds])].sort((a, b) => a - b);
  const facts = (spot: PlanQuestion['spots'][number]): ParcelFacts => ({
    crop,
    seeds,
    wanted,
    startMs: question.startMs,
    chillUntilMs: question.chillDays === null ? null : question.startMs + question.chillDays * DAY_MS,
    prior,
    stays: [
      {
        fromMs: question.startMs,
        readings: spot.latest ? [{ fromMs: nowMs - DAY_MS, toMs: nowMs, minC: spot.latest.minC, maxC: spot.latest.maxC }] : [],
        guess: { minC: spot.guessMinC, maxC: spot.guessMaxC },
      },
    ],
    utcOffsetHours: question.utcOffsetHours,
    looks: [],
    moves: [],
    closure: question.closure,
    doseMl: 5,
    lookTimesMs: lookingTimes(question.startMs, household.zone, household.lookingTimes, 70),
    lateTolerance: household.ways.lateTolerance,
    ways: household.ways,
  });
  const sheet = { widthMm: pane.widthMm * 2, heightMm: pane.heightMm * 2, plies: pane.plies };
  return {
    seeds,
    enough,
    chances: numbers.map((number) => ({ seeds: number, chance: chanceOfPlants(number, wanted, rate) })),
    expectedRate: share.mean,
    dose: doseFor(sheet, crop.water.dampRatio, (crop.seed.gramsPerThousand / 1000) * seeds, household.millilitresPerSpray),
    nearestMm: layOut(seeds, pane.widthMm, pane.heightMm).nearestMm,
    neededMm: spacingNeededMm(crop.seed.lengthMm, crop.root.lateMm),
    bySpot: question.spots.map((spot) => {
      const spotFacts = facts(spot);
      const answers = answersFor(spotFacts, question.startMs);
      return {
        spotId: spot.id,
        facts: spotFacts,
        answers,
        halfDays: answers.halfMs === null ? null : (answers.halfMs - question.startMs) / DAY_MS,
      };
    }),
  };
}
