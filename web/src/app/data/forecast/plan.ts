import { reportFor } from '@fresh-tuck/core/judging';
import { type ParcelFacts } from '@fresh-tuck/core/parcel';
import {
  chanceInTime,
  countBack,
  courseOf,
  daysForward,
  filledUp,
  latenessOf,
  mostPlants,
  nursingFor,
  plantOdds,
  ripeningFor,
  type PlantRate,
} from '@fresh-tuck/core/sowing';
import { doseFor, layOut, spacingNeededMm } from '@fresh-tuck/core/carrier';
import { finalCountFor } from '@fresh-tuck/core/seedtest';
import { handlingFor, soundShare, survivalFor } from '@fresh-tuck/core/moving';
import { lookingTimes } from '@fresh-tuck/core/looking';
import { rateAt } from '@fresh-tuck/core/warmth';
import type { Household } from '@fresh-tuck/contract';
import type { Plan, PlanQuestion } from './forecast.messages';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
const LEVELS = [0.6, 0.8, 0.9, 0.95] as const;
const MOST_OTHERS = 2;
/** Nobody lays more of a packet that is hardly alive. Guess. */
const MOST_TRIED = 40;
/** Shares along the way from seed to plant. */
function rateOf(question: PlanQuestion): { rate: PlantRate; handling: Plan['handling']; survival: Plan['survival'] } {
  const { crop, packet, destination, school, split, keep, perPot, keepers } = question;
  const handling = handlingFor(crop, packet.handled, school);
  const survival = survivalFor(destination, packet.fates[destination] ?? { lived: 0, lost: 0 });
  return {
    handling,
    survival,
    rate: {
      ...packet.prior.share,
      handling: handling.mean,
      survival: survival.mean * soundShare(packet.sound),
      keep,
      perPot,
      keepers,
      germs: split ? 1 : crop.seed.perUnit,
    },
  };
}

function shortageOf(question: PlanQuestion, rate: PlantRate, taken: number, perTaken: number): Plan['shortage'] {
  const left = question.packet.seedsLeft;
  if (left === null || taken <= left) return null;
  const { wanted, sureness } = question;
  const laid = left * perTaken;
  return {
    left,
    chance: laid > 0 ? plantOdds(wanted, rate).of(laid) : 0,
    plants: laid > 0 ? mostPlants(laid, sureness, rate) : 0,
    fill: question.others
      .flatMap(({ id, title, prior, seedsLeft }) => {
        const seeds = filledUp(wanted, sureness, rate, laid, prior.share);
        return seeds !== null && (seedsLeft === null || Math.ceil(seeds / perTaken) <= seedsLeft)
          ? [{ packetId: id, title, seeds: Math.ceil(seeds / perTaken) }]
          : [];
      })
      .slice(0, MOST_OTHERS),
  };
}

/** Works out a batch before it is tucked in: how many, how wet, how far apart, and when in each spot. */
export function planFor(question: PlanQuestion, household: Household, nowMs: number): Plan {
  const { crop, packet, wanted, sureness, pane, perPot, keepers } = question;
  const { prior } = packet;
  const { rate, handling, survival } = rateOf(question);
  const odds = plantOdds(wanted, rate);
  const fewest = odds.seedsFor(sureness);
  // Half a husk is not left over: both of its seeds are laid.
  const perTaken = question.split ? Math.max(Math.round(crop.seed.perUnit), 1) : 1;
  const enough = fewest === null ? null : Math.min(Math.ceil(fewest / perTaken) * perTaken, 400);
  // Where no number makes it sure, all that the packet has is the best that can be done.
  const seeds = question.seeds ?? enough ?? Math.max(Math.min(packet.seedsLeft ?? MOST_TRIED, MOST_TRIED), wanted);
  const taken = Math.ceil(seeds / perTaken);
  const first = Math.max(Math.ceil(wanted / keepers / (rate.germs ?? 1)), (fewest ?? seeds) - 3, 1);
  const numbers = [...new Set([...Array.from({ length: 6 }, (_, step) => first + step), seeds])].sort((a, b) => a - b);
  const sprouts = Math.min(Math.ceil(wanted / keepers) * perPot, 400);
  const facts = (spot: PlanQuestion['spots'][number]): ParcelFacts => ({
    crop,
    method: 'towel',
    seeds,
    wanted: sprouts,
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
    ways: { ...household.ways, rootSchool: question.school },
  });
  const sheet = { widthMm: pane.widthMm * 2, heightMm: pane.heightMm * 2, plies: pane.plies };
  const lateness = latenessOf(question.seasons.lateness.filter(({ kind }) => kind === (question.target?.kind ?? 'plant_out')));
  const after = {
    nursing: nursingFor(crop, question.seasons.nursingDays),
    ripening: ripeningFor(crop),
    lateDays: lateness?.shiftDays ?? 0,
  };
  const soakDays = (question.soakHours * HOUR_MS) / DAY_MS;
  return {
    seeds,
    enough,
    taken,
    sprouts,
    chances: numbers.map((number) => ({ seeds: number, chance: odds.of(number) })),
    levels: LEVELS.map((level) => ({ sureness: level, seeds: odds.seedsFor(level) })),
    expectedRate: prior.share.mean,
    handling,
    survival,
    shortage: shortageOf(question, rate, taken, perTaken),
    lateness,
    nursingTold: after.nursing.told,
    dose: doseFor(sheet, crop.water.dampRatio, (crop.seed.gramsPerThousand / 1000) * seeds, household.millilitresPerSpray),
    nearestMm: layOut(seeds, pane.widthMm, pane.heightMm).nearestMm,
    neededMm: spacingNeededMm(crop.seed.lengthMm, crop.root.lateMm),
    bySpot: question.spots.map((spot) => {
      const spotFacts = facts(spot);
      const answers = reportFor(spotFacts, question.startMs);
      const course = courseOf(spotFacts, odds, after);
      const { target } = question;
      const back = target && countBack(course, target.kind, sureness);
      const meanC = spot.latest ? (spot.latest.minC + spot.latest.maxC) / 2 : (spot.guessMinC + spot.guessMaxC) / 2;
      return {
        spotId: spot.id,
        facts: spotFacts,
        answers,
        halfDays: answers.halfMs === null ? null : (answers.halfMs - question.startMs) / DAY_MS,
        forward: daysForward(course),
        back: back && { ...back, daysBefore: Math.ceil(back.daysBefore + soakDays) },
        inTimeNow: target && chanceInTime(course, target.kind, (target.atMs - question.startMs) / DAY_MS),
        finalCount: finalCountFor(crop, rateAt(crop.temperature.beta, meanC), household.ways.patienceTimes, question.chillDays ?? 0),
      };
    }),
  };
}
