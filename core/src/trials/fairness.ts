import { USUAL_SETUP } from '../carrier/index.js';
import { soakEnd } from '../preparing/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import { daysInWarmth, warmFromMs } from './in-warmth.js';
import { clockOf, progressInWarmth, type Arm, type Question, type TrialBatch } from './trial.js';

/** What else may differ between the sides of a trial. */
export type Factor = Question | 'crop' | 'event' | 'warmth' | 'heat' | 'guessed' | 'dry' | 'start' | 'rhythm' | 'people';

/** One thing that differed, beside what was asked. */
export interface Unlike {
  readonly factor: Factor;
  /** What it was on each of the two sides: a name, or a figure in the factor's unit (°C, hours, days, years); null where nobody knows. */
  readonly first: string | number | null;
  readonly second: string | number | null;
  /** How much it may make the one side sooner, days; and richer, as a share of all seeds. */
  readonly days: number;
  readonly share: number;
  /** Whether no comparison can be made with it: other plants, or another event. */
  readonly spoils: boolean;
  /** Whether it may always have done as much: seed of other packets, whatever was done to it. */
  readonly decides: boolean;
}

/** Two lots of one kind are as unlike as this by chance, log of their days; and so much in what lives (the forecast's own priors). */
const LOTS_APART = { log: 0.29, share: 0.12 };
/** What the way it was laid may do, log of the days. Guesses: nobody has measured them for a household. */
const LAID_APART = { method: 0.1, medium: 0.05, wet: 0.05, damped: 0.03, closure: 0.03, light: 0.05 } as const;
/** A day's soak brings a seed forward by so many days at the most. Guess. */
const SOAK_DAYS = 0.7;
/** Of what the warmth did, so much stays in doubt where its response is reckoned out. Guess: curves are known to a fifth. */
const CURVE_DOUBT = 0.2;
/** Batches begun so far apart are of other light and other seed, days; each month is worth this of the log. Guess. */
const START_APART = { days: 14, logPerMonth: 0.02 } as const;

/** Weeks of cold that differ by less are the same. */
const COLD_APART_DAYS = 3;

/** Sides of which more than this share of the seed is another packet's are other seed. */
const MOSTLY = 0.5;

interface Side {
  readonly batches: readonly TrialBatch[];
  readonly seeds: number;
}

const sideFrom = ({ batches }: Arm): Side => ({ batches, seeds: batches.reduce((sum, { basics }) => sum + basics.facts.seeds, 0) });

/** Mean over a side's seeds. */
const meanOf = ({ batches, seeds }: Side, of: (batch: TrialBatch) => number): number =>
  batches.reduce((sum, batch) => sum + batch.basics.facts.seeds * of(batch), 0) / seeds;

/** By how much two sides are made up differently, 0 to 1: the seeds that would have to change their name. */
function unlikeNames(
  first: Side,
  second: Side,
  of: (batch: TrialBatch) => string,
): { readonly apart: number; readonly names: readonly [string, string] } {
  const parts = [first, second].map(({ batches, seeds }) => {
    const part = new Map<string, number>();
    for (const batch of batches) part.set(of(batch), (part.get(of(batch)) ?? 0) + batch.basics.facts.seeds / seeds);
    return part;
  }) as [Map<string, number>, Map<string, number>];
  const names = [...new Set([...parts[0].keys(), ...parts[1].keys()])];
  const apart = names.reduce((sum, name) => sum + Math.abs((parts[0].get(name) ?? 0) - (parts[1].get(name) ?? 0)), 0) / 2;
  const most = (part: Map<string, number>, other: Map<string, number>): string =>
    [...part].sort((a, b) => b[1] - (other.get(b[0]) ?? 0) - (a[1] - (other.get(a[0]) ?? 0)))[0]?.[0] ?? '';
  return { apart, names: [most(parts[0], parts[1]), most(parts[1], parts[0])] };
}

const setupOf = ({ basics }: TrialBatch) => basics.facts.setup ?? USUAL_SETUP;
const soakHours = ({ basics: { facts } }: TrialBatch): number => {
  if (facts.soakUntilMs) return Math.max(facts.soakUntilMs - facts.startMs, 0) / HOUR_MS;
  // Soaked before it was laid: nobody wrote down how long, so as long as its kind is soaked.
  return facts.prepared?.includes('soak') ? soakEnd(facts.crop, 0, null) / HOUR_MS : 0;
};
const livedDays = ({ basics: { facts, evidence } }: TrialBatch): number => Math.max(daysInWarmth(facts)(evidence.lastSeenMs), 1e-6);
/** Days of cold that it had, before it was laid and after. */
const coldDays = ({ basics: { facts } }: TrialBatch): number =>
  (facts.chilledDays ?? 0) + Math.max((facts.chillUntilMs ?? 0) - facts.startMs, 0) / DAY_MS;
/** Where it stood in the warm: the first place of a chilled one was its cold. */
const warmSpots = ({ traits, basics: { facts } }: TrialBatch): readonly string[] =>
  traits.spots.length > 1 && warmFromMs(facts) > facts.startMs ? traits.spots.slice(1) : traits.spots;
/** Share of the living that had had its cold by the end. */
const awake = ({ basics: { evidence, progress } }: TrialBatch): number =>
  (evidence.origins ?? [{ progress: 0, weight: 1 }]).reduce(
    (sum, origin) => sum + (origin.progress <= progress.at(evidence.lastSeenMs) ? origin.weight : 0),
    0,
  );
/** Days from one opening to the next. */
const rhythmDays = (batch: TrialBatch): number => {
  const { facts } = batch.basics;
  return livedDays(batch) / Math.max(facts.looks.filter(({ atMs }) => atMs > warmFromMs(facts)).length, 1);
};

/** Names of a side by factor, for what is told by name. */
const NAMES: Partial<Record<Factor, (batch: TrialBatch) => string>> = {
  crop: ({ basics }) => basics.facts.crop.id,
  event: ({ basics }) => basics.method.event,
  packet: ({ traits }) => traits.packet,
  method: ({ basics }) => basics.facts.method,
  medium: (batch) => setupOf(batch).medium,
  wet: (batch) => setupOf(batch).wet,
  damped: (batch) => setupOf(batch).damped,
  light: (batch) => setupOf(batch).light ?? 'as its kind asks',
  closure: ({ basics }) => basics.facts.closure,
  spot: ({ traits }) => traits.spots.join(', '),
  // A soak is told by its hours.
  prepared: ({ basics }) =>
    (basics.facts.prepared ?? [])
      .filter((step) => step !== 'soak')
      .sort()
      .join(', '),
  people: ({ traits }) => [...traits.people].sort().join(', '),
};

/** What a name's difference may do; factors whose effect is told by another (a spot by its warmth) do nothing of themselves. */
function worthOfName(factor: Factor, medianDays: number, first: Side, second: Side): Pick<Unlike, 'days' | 'share'> {
  if (factor === 'packet') return { days: medianDays * LOTS_APART.log, share: LOTS_APART.share };
  if (factor === 'prepared') {
    const slower = (side: Side): number => meanOf(side, ({ basics }) => Math.log(basics.slower));
    return { days: medianDays * Math.abs(slower(first) - slower(second)), share: 0 };
  }
  const log = LAID_APART[factor as keyof typeof LAID_APART] ?? 0;
  return { days: medianDays * log, share: log };
}

/** What follows of itself from what was asked, and is no fault of the trial. */
const FOLLOWS: Partial<Record<Question, readonly Factor[]>> = {
  age: ['packet'],
  spot: ['warmth', 'heat', 'guessed'],
  // Cold is had in a colder place, and the clock begins after it.
  chill: ['spot'],
  packet: ['age'],
  method: ['medium', 'wet', 'damped', 'closure', 'light'],
};

/**
 * Everything else that differed between two sides, with what it may be worth: the
 * heaviest first. Of the warmth only what stays in doubt counts where time is told by
 * progress.
 *
 * @param medianDays days to the middle tip, of both sides together
 */
export function unlikeBetween(question: Question, one: Arm, other: Arm, medianDays: number): Unlike[] {
  const [first, second] = [sideFrom(one), sideFrom(other)];
  const asked: readonly Factor[] = [question, ...(FOLLOWS[question] ?? [])];
  const found: Unlike[] = [];
  const add = (factor: Factor, own: Unlike['first'], its: Unlike['second'], days: number, share = 0, apart = 0): void => {
    const spoils = apart > 0 && (factor === 'crop' || factor === 'event');
    if (!asked.includes(factor) || spoils)
      found.push({
        ...{ factor, first: own, second: its, days: Math.abs(days), share: Math.abs(share), spoils },
        decides: factor === 'packet' && apart > MOSTLY,
      });
  };
  for (const [name, of] of Object.entries(NAMES)) {
    const factor = name as Factor;
    const { apart, names } = unlikeNames(first, second, of);
    if (apart < 1e-9) continue;
    const worth = worthOfName(factor, medianDays, first, second);
    add(factor, names[0], names[1], apart * worth.days, apart * worth.share, apart);
  }
  const both = (of: (batch: TrialBatch) => number): readonly [number, number] => [meanOf(first, of), meanOf(second, of)];
  const rate = both((batch) => progressInWarmth(batch.basics) / livedDays(batch));
  const warm = both(({ basics }) => basics.toll.meanC);
  const doubt = clockOf(question) === 'progress' ? CURVE_DOUBT : 1;
  const toll = both(({ basics }) => basics.toll.share);
  if (Math.abs(warm[0] - warm[1]) >= 0.1)
    add('warmth', warm[0], warm[1], doubt * medianDays * Math.log(rate[0] / rate[1]), toll[0] - toll[1]);
  const lives = both(({ basics }) => basics.toll.survival);
  if (Math.abs(lives[0] - lives[1]) > 0.01) add('heat', lives[0], lives[1], 0, lives[0] - lives[1]);
  const soak = both(soakHours);
  if (Math.abs(soak[0] - soak[1]) > 0.5) add('soak', soak[0], soak[1], (SOAK_DAYS * Math.min(Math.abs(soak[0] - soak[1]), 24)) / 24);
  const cold = both(coldDays);
  if (Math.abs(cold[0] - cold[1]) > COLD_APART_DAYS) {
    const woken = both(awake);
    // What sleeps comes late as well, if it comes.
    add('chill', cold[0], cold[1], medianDays * (woken[0] - woken[1]), woken[0] - woken[1]);
  }
  const age = both(({ traits }) => traits.ageYears ?? 0);
  const lived = both(({ basics }) => basics.facts.prior.share.mean);
  if (Math.abs(age[0] - age[1]) > 0.5)
    add('age', age[0], age[1], medianDays * LOTS_APART.log * Math.abs(lived[0] - lived[1]), lived[0] - lived[1]);
  const unknown = both(({ basics }) => basics.progress.logSdAt(basics.evidence.lastSeenMs));
  // What nobody measured is the same for both where they stood together.
  const together = unlikeNames(
    first,
    second,
    (batch) => `${warmSpots(batch).join()} ${Math.floor(warmFromMs(batch.basics.facts) / DAY_MS)}`,
  ).apart;
  if (together * Math.max(...unknown) > 0.02) add('guessed', unknown[0], unknown[1], together * medianDays * Math.hypot(...unknown));
  const start = both(({ basics }) => warmFromMs(basics.facts) / DAY_MS);
  if (Math.abs(start[0] - start[1]) > START_APART.days) {
    add('start', start[0], start[1], (medianDays * START_APART.logPerMonth * Math.abs(start[0] - start[1])) / 30);
  }
  const dry = both(({ basics }) => basics.facts.looks.filter(({ damp }) => damp === 'dry').length);
  if (Math.abs(dry[0] - dry[1]) >= 0.5) add('dry', dry[0], dry[1], 0.25 * Math.abs(dry[0] - dry[1]));
  const rhythm = both(rhythmDays);
  if (Math.abs(rhythm[0] - rhythm[1]) > 0.2) add('rhythm', rhythm[0], rhythm[1], 0.05 * Math.abs(rhythm[0] - rhythm[1]));
  const weight = ({ days, share, spoils, decides }: Unlike): number => (spoils || decides ? Infinity : days / medianDays + share);
  return found.sort((a, b) => weight(b) - weight(a));
}

export const FAIRNESS = ['fair', 'enough', 'unfair', 'spoilt'] as const;
export type Fairness = (typeof FAIRNESS)[number];

/** All else weighs so much of a difference: up to the first it is fair, up to the second fair enough. */
const ALL_ELSE = { fair: 0.2, enough: 0.5 } as const;

/** How much all else may be worth together: independent things add up by their squares. */
export const allElse = (unlike: readonly Unlike[]): { readonly days: number; readonly share: number } => ({
  days: Math.hypot(...unlike.map(({ days }) => days)),
  share: Math.hypot(...unlike.map(({ share }) => share)),
});

/**
 * Whether a difference may be called one, whatever chance says of it: all else that
 * differed must weigh little beside it.
 *
 * @param difference of what was asked; @param worth of all else, in the same unit
 * @param least difference that would be worth having, where none was found
 */
export function fairnessOf(unlike: readonly Unlike[], difference: number, worth: number, least: number): Fairness {
  if (unlike.some(({ spoils }) => spoils)) return 'spoilt';
  if (unlike.some(({ decides }) => decides)) return 'unfair';
  const beside = worth / Math.max(Math.abs(difference), least, 1e-9);
  return beside <= ALL_ELSE.fair ? 'fair' : beside <= ALL_ELSE.enough ? 'enough' : 'unfair';
}
