import type { LineWords } from '@fresh-tuck/contract';
import { PANES } from './choices';
import type { TuckPlan } from './tuck-plan';

/** What the gardener fixed of a sentence, as it is kept on the list of a sitting. */
export function wordsOf(plan: TuckPlan): LineWords {
  const words: { -readonly [K in keyof LineWords]: LineWords[K] } = {};
  const wanted = plan.wanted();
  if (wanted) words.wanted = wanted.plants;
  const keep = <K extends keyof LineWords>(name: K, value: LineWords[K] | null): void => {
    if (value !== null) words[name] = value;
  };
  if (plan.keep() !== 1) words.keep = plan.keep();
  keep('sureness', plan.surenessFixed());
  keep('seeds', plan.seedsFixed());
  keep('method', plan.methodFixed());
  const { medium, damped, wet, light } = plan.setupFixed();
  keep('medium', medium ?? null);
  keep('damped', damped ?? null);
  keep('wet', wet ?? null);
  keep('light', light ?? null);
  keep('places', plan.placesFixed());
  const prepared = plan.prepFixed();
  if (prepared) words.prepared = [...prepared];
  keep('soaked', plan.soakedFixed());
  keep('soakHours', plan.soakHours());
  const chill = plan.chillFixed();
  if (chill !== undefined) words.chillDays = chill;
  if (plan.chilledDays() > 0) words.chilledDays = plan.chilledDays();
  if (plan.chillDry()) words.chillDry = true;
  if (plan.closure() !== 'sealed_air') words.closure = plan.closure();
  keep('holderId', plan.holderId());
  keep('spotId', plan.spotFixed());
  const { widthMm, heightMm } = plan.pane();
  if (widthMm !== PANES[0].widthMm || heightMm !== PANES[0].heightMm) words.pane = { widthMm, heightMm };
  keep('destination', plan.destinationFixed());
  keep('rackId', plan.rackId());
  keep('school', plan.schoolFixed());
  const { perPot, keepers } = plan.pot();
  if (perPot !== plan.potUsual().perPot || keepers !== 1) words.pot = { perPot, keepers };
  keep('goal', plan.goal());
  return words;
}

/** Lays kept words into a sentence; what they do not say is for the plan to say. */
export function restore(plan: TuckPlan, words: LineWords): void {
  const or = <T>(value: T | undefined, other: T): T => (value === undefined ? other : value);
  plan.wanted.set(words.wanted === undefined ? null : { plants: words.wanted, from: null });
  plan.keep.set(or(words.keep, 1));
  plan.surenessFixed.set(or(words.sureness, null));
  plan.seedsFixed.set(or(words.seeds, null));
  plan.methodFixed.set(or(words.method, null));
  const { medium, damped, wet, light } = words;
  plan.setupFixed.set({
    ...(medium === undefined ? {} : { medium }),
    ...(damped === undefined ? {} : { damped }),
    ...(wet === undefined ? {} : { wet }),
    ...(light === undefined ? {} : { light }),
  });
  plan.placesFixed.set(or(words.places, null));
  plan.prepFixed.set(or(words.prepared, null));
  plan.soakedFixed.set(or(words.soaked, null));
  plan.soakHours.set(or(words.soakHours, null));
  plan.chillFixed.set(words.chillDays);
  plan.chilledDays.set(or(words.chilledDays, 0));
  plan.chillDry.set(or(words.chillDry, false));
  plan.closure.set(or(words.closure, 'sealed_air'));
  plan.holderId.set(or(words.holderId, null));
  plan.spotFixed.set(or(words.spotId, null));
  plan.pane.set(PANES.find(({ widthMm, heightMm }) => words.pane?.widthMm === widthMm && words.pane.heightMm === heightMm) ?? PANES[0]);
  plan.destinationFixed.set(or(words.destination, null));
  plan.rackId.set(or(words.rackId, null));
  plan.schoolFixed.set(or(words.school, null));
  plan.pot.set(words.pot ?? plan.potUsual());
  plan.goal.set(words.goal ?? null);
}

/** Words that hold for a table, and not for one kind of seed: they carry over to the packets that follow. */
export const CARRIED = [
  'sureness',
  'medium',
  'damped',
  'wet',
  'closure',
  'holderId',
  'spotId',
  'pane',
  'destination',
  'rackId',
  'school',
] as const;

/** Kept words with those of another line that carry over. */
export function carriedOver(from: LineWords, to: LineWords): LineWords {
  const kept = Object.entries(to).filter(([name]) => !(CARRIED as readonly string[]).includes(name));
  const carried = Object.entries(from).filter(([name]) => (CARRIED as readonly string[]).includes(name));
  return Object.fromEntries([...kept, ...carried]);
}
