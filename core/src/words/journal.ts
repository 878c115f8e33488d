import type { Closure } from '../carrier/index.js';
import type { Method } from '../method/index.js';
import type { Destination } from '../moving/index.js';
import type { ClosingReason, ParcelLook } from '../parcel/index.js';
import { SEEDLING_CLASSES, type ClassCounts, type SeedlingClass } from '../seedtest/index.js';
import { counted, listed, type Words } from '../units/index.js';
import { amendedInWords, labelsInWords, type AmendedFact } from './mending.js';
import { CLASS_WORDS, CLOSURE_WORDS, DAMP_WORDS, DESTINATION_WORDS, REASON_WORDS, STAGE_WORDS, TROUBLE_WORDS } from './vocabulary.js';
import type { OccurrenceKind } from '../warmth/index.js';

/** What one line of a batch's journal tells. */
export type JournalFact =
  | {
      readonly kind: 'look';
      readonly via: 'opened' | 'through' | 'skipped';
      readonly look: ParcelLook;
      /** Totals of the looks before it. */
      readonly before: { readonly tipped: number; readonly rotten: number };
      /** A test's final count, a carrier each. */
      readonly classes: readonly ClassCounts[] | null;
    }
  | {
      readonly kind: 'move';
      readonly destination: Destination;
      /** The bed's name, where they went to one. */
      readonly bed?: string | null;
      readonly sprouts: number;
      readonly labels: readonly number[];
      readonly freed: number;
      readonly patched: number;
      readonly snapped: number;
      readonly quietPlanted: number;
    }
  | { readonly kind: 'recount'; readonly seeds: number }
  | { readonly kind: 'close'; readonly reason: ClosingReason }
  | { readonly kind: 'undo'; readonly what: Undoable | null }
  | {
      readonly kind: 'correct';
      readonly what: Undoable | null;
      /** When it had been said to be, and when it was; null where the time stays. */
      readonly toMs: number | null;
      readonly destination: Destination | null;
      readonly bed: string | null;
    }
  | { readonly kind: 'amend'; readonly now: AmendedFact; readonly was: AmendedFact }
  | { readonly kind: 'untuck'; readonly seeds: number };

const UNDONE = {
  look: 'look',
  move: 'move',
  recount: 'corrected count',
  close: 'closing',
  correct: 'correction',
  amend: 'correction',
  untuck: 'taking back',
} as const;
type Undoable = keyof typeof UNDONE;

type LookFact = Extract<JournalFact, { kind: 'look' }>;

function lookInWords(
  { via, look, before, classes }: LookFact,
  { nouns, bagged }: Pick<Method, 'nouns' | 'bagged'>,
  words: Pick<Words, 'length'>,
): string {
  if (via === 'skipped') return bagged ? 'Not opened.' : 'Not looked at.';
  if (classes) {
    const total = (name: SeedlingClass): number => classes.reduce((sum, counts) => sum + counts[name], 0);
    const told = SEEDLING_CLASSES.filter((name) => total(name) > 0).map((name) => `${total(name)} ${CLASS_WORDS[name].text}`);
    return `Final count: ${told.join(', ')}.`;
  }
  const fresh = (look.tipped ?? 0) - before.tipped;
  const rotten = (look.rotten ?? before.rotten) - before.rotten;
  const touched = look.marks
    .filter(({ stage }) => stage !== 'tip' && stage !== 'rotten')
    .map(({ seed, stage, rootMm }) => `seed ${seed} ${STAGE_WORDS[stage]}${rootMm === null ? '' : ` ${words.length(rootMm)}`}`);
  const seen =
    look.tipped === null
      ? look.damp !== null || look.troubles.length > 0
        ? 'Seeds not looked at'
        : ''
      : fresh > 0
        ? `${counted(fresh, `new ${nouns.event.one}`, `new ${nouns.event.many}`)}, ${look.tipped} in all`
        : 'Nothing new';
  const parts = [
    seen,
    rotten > 0 ? `${rotten} rotten` : '',
    touched.join(', '),
    look.damp ? `${nouns.wet.replace(/^the /, '')} ${DAMP_WORDS[look.damp]}${look.rewetted ? ', re-damped' : ''}` : '',
    look.troubles.map((trouble) => TROUBLE_WORDS[trouble]).join(', '),
  ].filter(Boolean);
  const how = via === 'through' && bagged ? ' Through the bag.' : '';
  return `${parts.length > 0 ? parts.join(' · ') : `${bagged ? 'Opened' : 'Looked at'}, nothing noted`}.${how}`;
}

function moveInWords({
  labels,
  destination,
  bed,
  sprouts,
  freed,
  patched,
  snapped,
  quietPlanted,
}: Extract<JournalFact, { kind: 'move' }>): string {
  const span = labelsInWords(labels);
  const place = DESTINATION_WORDS[destination];
  const where = destination === 'bed' ? (bed ?? 'the bed') : sprouts === 1 ? `a ${place.one}` : place.many;
  const rooted = [
    freed > 0 ? `${freed} freed from the paper` : '',
    patched > 0 ? `${patched} with their patch` : '',
    snapped > 0 ? `${snapped} snapped` : '',
    quietPlanted > 0 ? `${counted(quietPlanted, 'quiet seed')} planted too` : '',
  ].filter(Boolean);
  return `${[`${counted(sprouts, 'sprout')} moved into ${where}: ${span}`, ...rooted].join('; ')}.`;
}

/** One line of the journal. */
export function journalInWords(
  fact: JournalFact,
  method: Pick<Method, 'nouns' | 'bagged'>,
  words: Pick<Words, 'length' | 'moment'>,
): string {
  switch (fact.kind) {
    case 'look':
      return lookInWords(fact, method, words);
    case 'move':
      return moveInWords(fact);
    case 'recount':
      return `Starting count corrected to ${fact.seeds}.`;
    case 'close':
      return `Closed: ${REASON_WORDS[fact.reason]}.`;
    case 'undo':
      return `Took back the ${fact.what ? UNDONE[fact.what] : 'entry'}.`;
    case 'correct': {
      const where = fact.destination === null ? '' : ` went into ${fact.bed ?? DESTINATION_WORDS[fact.destination].many}`;
      const when = fact.toMs === null ? '' : ` was ${words.moment(fact.toMs)}`;
      return `Corrected: the ${fact.what ? UNDONE[fact.what] : 'entry'}${[where, when].filter(Boolean).join(' and')}.`;
    }
    case 'amend':
      return `Corrected: ${amendedInWords(fact.now, words)}. Before: ${amendedInWords(fact.was, words)}.`;
    case 'untuck':
      return `The tuck-in was taken back: ${counted(fact.seeds, 'seed')} back in the packet.`;
  }
}

/** What was said of a bag while a batch lay in it. */
export type BagLine =
  | { readonly kind: 'place'; readonly holder: string; readonly spot: string }
  | { readonly kind: 'closure'; readonly holder: string; readonly closure: Closure }
  | { readonly kind: 'rebag'; readonly holder: string; readonly spot: string; readonly mates: readonly number[] }
  | { readonly kind: 'weighing'; readonly holder: string; readonly grams: number; readonly full: boolean }
  | { readonly kind: 'spell'; readonly what: OccurrenceKind; readonly spot: string; readonly note: string | null };

/** What came over the place where it stood. */
const SPELL: Readonly<Record<OccurrenceKind, string>> = {
  warm: 'A warm spell',
  cold: 'A cold spell',
  sunny: 'A clear sky, sun on it',
  power_cut: 'No power',
  thermostat_off: 'The thermostat was off',
  lid_off: 'The lid was off',
};

/** One line of its bag's, as a batch's journal tells it. */
export function bagLineInWords(line: BagLine): string {
  switch (line.kind) {
    case 'place':
      return `The ${line.holder} was put in its new spot: ${line.spot}.`;
    case 'closure':
      return `The ${line.holder}: ${CLOSURE_WORDS[line.closure].text}.`;
    case 'rebag':
      return line.mates.length > 0
        ? `Laid into the ${line.holder} with ${listed(line.mates)}: ${line.spot}.`
        : `Laid into a ${line.holder} of its own: ${line.spot}.`;
    case 'weighing':
      return `The ${line.holder} weighed ${line.grams} g${line.full ? ', just given its water' : ''}.`;
    case 'spell':
      return `${SPELL[line.what]} at ${line.spot}${line.note === null ? '' : `: ${line.note}`}.`;
  }
}
