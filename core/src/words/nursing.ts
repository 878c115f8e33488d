import type { Destination } from '../moving/index.js';
import type { Awaited, Counts, SeedlingStage, Step } from '../nursing/index.js';
import { about, capital, listed, uncapital, type Words } from '../units/index.js';
import type { Tone } from './advice.js';
import { SEEDLING_WORDS } from './vocabulary.js';

/** What has become of a seedling that stands no longer. */
export const partingInWords = (kind: 'lost' | 'given' | 'composted'): string => (kind === 'given' ? 'given away' : kind);

/** How its lid is, as one says it of a tray. */
export const COVER_WORDS = { on: 'on', propped: 'propped open', off: 'off' } as const;
/** What a plant is kept as. */
export const ROLE_WORDS: Readonly<Record<'main' | 'spare' | 'pollen', string>> = {
  main: 'the main plant',
  spare: 'a spare',
  pollen: 'kept for its pollen',
};
/** What larger things are called in a line of a record. */
const INTO: Readonly<Record<string, string>> = {
  cup: 'a cup',
  pot: 'a pot',
  cell: 'a cell',
  bed: 'the bed',
  slot: 'a slot',
  terrarium: 'a glass case',
};

/** A line of a seedling's record. */
export function seedlingEventInWords({
  kind,
  stage,
  why,
  told,
}: {
  readonly kind: string;
  readonly stage: SeedlingStage | null;
  readonly why: string | null;
  readonly told: object | null;
}): string {
  const said = (told ?? {}) as {
    to?: string | null;
    destination?: string;
    grade?: number | null;
    role?: 'main' | 'spare' | 'pollen' | null;
    trait?: string;
    slot?: number;
  };
  if (kind === 'stage' && stage) return SEEDLING_WORDS[stage].title.toLowerCase();
  if (kind === 'lost') return `lost: ${why ?? ''}`;
  if (kind === 'given') return said.to ? `given to ${said.to}` : 'given away';
  if (kind === 'composted') return 'on the compost';
  if (kind === 'potted') return `potted on into ${INTO[said.destination ?? ''] ?? `a ${said.destination ?? 'pot'}`}`;
  if (kind === 'pictured') return 'photographed';
  if (kind === 'slotted') return `in slot ${said.slot ?? ''} now`;
  if (kind === 'graded') return said.grade ? `graded ${said.grade} of 5` : 'its grade taken away';
  if (kind === 'role') return said.role ? ROLE_WORDS[said.role] : 'kept as any other';
  if (kind === 'trait') return `seen on it: ${said.trait ?? ''}`;
  return 'stands with others now';
}

/** What seedlings of one kind of place are called together: "tray" of cells, "cups". */
const TOGETHER: Readonly<Record<Destination, { readonly one: string; readonly many: string }>> = {
  cell: { one: 'cell', many: 'tray' },
  plug: { one: 'plug', many: 'tray' },
  cup: { one: 'cup', many: 'cups' },
  pot: { one: 'pot', many: 'pots' },
  slot: { one: 'slot', many: 'slots' },
  pellet: { one: 'pellet', many: 'pellets' },
  glass: { one: 'glass', many: 'glasses' },
  terrarium: { one: 'glass case', many: 'glass cases' },
  bed: { one: 'plant', many: 'plants' },
};

/** A tray as its sentences speak of it. */
export interface SpokenTray {
  /** Of the crop. */
  readonly name: string;
  readonly variety: string;
  readonly destination: Destination;
  readonly plants: number;
  /** Grown as a blade: onion kin, grasses. */
  readonly blade: boolean;
}
/** A task as it is told: what leads, what stands under it, and what its button says. */
export interface SpokenTask {
  readonly lead: string;
  readonly text: string;
  readonly act: string | null;
  readonly tone: Tone;
}

/** "the leek tray", "the okra cups". */
export const theTray = ({ name, destination, plants }: SpokenTray): string =>
  `the ${uncapital(name)} ${TOGETHER[destination][plants === 1 ? 'one' : 'many']}`;

/** Labels in a row: "51, 52 and 53", "51 to 62". */
export function labels(numbers: readonly number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  const [first = 0] = sorted;
  const last = sorted.at(-1) ?? first;
  if (sorted.length > 3 && last - first === sorted.length - 1) return `${first} to ${last}`;
  return sorted.length > 6
    ? `${listed(sorted.slice(0, 4).map(String))} and ${sorted.length - 4} more`.replace(' and ', ', ')
    : listed(sorted);
}

/** "41 of 60 up", "all 12 up, 3 with true leaves", "none of 4 up yet". */
export function standsInWords({ below, up, leaved }: Counts): string {
  const all = below + up;
  if (up === 0) return all === 1 ? 'not up yet' : `none of ${all} up yet`;
  const come = below > 0 ? `${up} of ${all} up` : all === 1 ? 'up' : `all ${all} up`;
  if (leaved === 0) return come;
  return leaved === up && below === 0 ? (all === 1 ? 'true leaves' : `all ${all} with true leaves`) : `${come}, ${leaved} with true leaves`;
}

export const STEP_WORDS: Readonly<Record<Step, { readonly to: string; readonly late: string }>> = {
  up: { to: 'up', late: 'not up' },
  seed_leaves: { to: 'with seed leaves open', late: 'seed leaves not open' },
  true_leaves: { to: 'with true leaves', late: 'no true leaf' },
  roots_out: { to: 'with roots at the base', late: 'no roots at the base' },
  size: { to: 'big enough to go out', late: 'too small to go out' },
};

/** A day without its hour: nobody tells a leaf to the hour. */
export function dayOf(ms: number, nowMs: number, words: Pick<Words, 'when'>): string {
  const text = words.when(Math.max(about(ms), nowMs));
  return text.replace(/ \d\d:\d\d$/, '').replace(/^tonight$|^\d\d:\d\d$/, 'today');
}

/** "seed leaves open: Friday, by the 19th in 9 of 10". Null where it lies beyond half a year. */
export function awaitedInWords(
  { step, numbers, earlyMs, usualMs, lateMs }: Awaited,
  nowMs: number,
  words: Pick<Words, 'when'>,
): string | null {
  const { to } = STEP_WORDS[step];
  const who = numbers.length === 1 ? '' : `${numbers.length} `;
  if (usualMs === null || earlyMs === null) return `${capital(`${who}${to}`)}: not in sight at this warmth.`;
  const from = dayOf(earlyMs, nowMs, words);
  const until = lateMs === null ? null : dayOf(lateMs, nowMs, words);
  if (lateMs !== null && lateMs <= nowMs) return `${capital(`${who}${to}`)}: expected by now.`;
  const lead = capital(`${who}${to}`);
  if (until === null) return `${lead}: from ${from}, 9 chances in 10.`;
  if (earlyMs <= nowMs || from === 'today') return `${lead}: by ${until}, 9 chances in 10.`;
  return `${lead}: ${from === until ? from : `${from} to ${until}`}, 8 chances in 10.`;
}
