import { USUAL_SETUP } from '../carrier/index.js';
import type { ParcelFacts } from '../parcel/index.js';
import type { PreparationStep } from '../preparing/index.js';
import { capital, counted, DAY_MS, HOUR_MS, listed, type Words } from '../units/index.js';
import { CLOSURE_WORDS, DAMPED_WORDS, MEDIUM_WORDS, METHOD_WORDS, STEP_WORDS, TROUBLE_WORDS, WET_WORDS } from './vocabulary.js';

/**
 * How a batch was begun, for somebody who knows neither the house nor its people: no
 * place, no person, no seller stands in it.
 *
 * @param meanC mean warmth of its days
 */
export function storySetting(facts: ParcelFacts, meanC: number, words: Pick<Words, 'temperature'>): string {
  const { medium, damped, wet } = facts.setup ?? USUAL_SETUP;
  const onTowel = facts.method === 'towel';
  const soak = facts.soakUntilMs ? `soaked ${counted(Math.round((facts.soakUntilMs - facts.startMs) / HOUR_MS), 'hour')}` : null;
  const steps = (facts.prepared ?? [])
    .filter((step) => step !== 'soak' || soak === null)
    .map((step) => STEP_WORDS[step as PreparationStep].done);
  const parts = [
    `${counted(facts.seeds, 'seed')} ${METHOD_WORDS[facts.method]}`,
    ...(onTowel ? [MEDIUM_WORDS[medium].text, WET_WORDS[wet].text, DAMPED_WORDS[damped].text] : []),
    ...(onTowel ? [CLOSURE_WORDS[facts.closure].text] : []),
    ...(soak ? [soak] : []),
    ...steps,
    `at about ${words.temperature(meanC)}`,
  ];
  return `${capital(parts.join(', '))}.`;
}

/** What was seen and done, day by day; what people wrote by hand is left out, as it may hold a name. */
export function storyLines(facts: ParcelFacts, closedMs: number | null): string[] {
  const dayOf = (ms: number): number => Math.max(Math.round((ms - facts.startMs) / DAY_MS), 0);
  const lines: { ms: number; text: string }[] = [];
  let [tips, nothing] = [0, [] as number[]];
  const quietDays = (): void => {
    if (nothing.length === 0) return;
    const [first, last] = [nothing[0] as number, nothing.at(-1) as number];
    lines.push({ ms: last, text: `${first === last ? `Day ${dayOf(first)}` : `Days ${dayOf(first)} to ${dayOf(last)}`}: nothing new` });
    nothing = [];
  };
  for (const { atMs, tipped, troubles, damp, rewetted } of facts.looks) {
    const fresh = tipped === null ? 0 : Math.max(tipped - tips, 0);
    const said = [
      fresh > 0 ? `${fresh} more, ${tipped} of ${facts.seeds}` : '',
      troubles.length > 0 ? listed(troubles.map((one) => TROUBLE_WORDS[one])) : '',
      damp === 'dry' ? 'dry' : '',
      rewetted ? 'damped again' : '',
    ].filter(Boolean);
    tips = Math.max(tips, tipped ?? 0);
    if (said.length === 0 && tipped !== null) nothing.push(atMs);
    else if (said.length > 0) {
      quietDays();
      lines.push({ ms: atMs, text: `Day ${dayOf(atMs)}: ${said.join('; ')}` });
    }
  }
  quietDays();
  for (const { atMs, seeds, uncounted } of facts.moves)
    lines.push({ ms: atMs, text: `Day ${dayOf(atMs)}: ${seeds.length + uncounted} moved` });
  if (closedMs !== null) lines.push({ ms: closedMs, text: `Day ${dayOf(closedMs)}: closed` });
  return lines.sort((a, b) => a.ms - b.ms).map(({ text }) => text);
}
