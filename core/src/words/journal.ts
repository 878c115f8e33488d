import { methodOf, type MethodId } from '../method/index.js';
import type { Destination } from '../moving/index.js';
import type { ClosingReason, ParcelLook } from '../parcel/index.js';
import { SEEDLING_CLASSES, type ClassCounts, type SeedlingClass } from '../seedtest/index.js';
import { counted, type Words } from '../units/index.js';
import { CLASS_WORDS, DAMP_WORDS, DESTINATION_WORDS, REASON_WORDS, STAGE_WORDS, TROUBLE_WORDS } from './vocabulary.js';

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
      readonly sprouts: number;
      readonly labels: readonly number[];
      readonly freed: number;
      readonly patched: number;
      readonly snapped: number;
      readonly quietPlanted: number;
    }
  | { readonly kind: 'recount'; readonly seeds: number }
  | { readonly kind: 'close'; readonly reason: ClosingReason }
  | { readonly kind: 'undo'; readonly what: 'look' | 'move' | 'recount' | 'close' | null };

const UNDONE = { look: 'look', move: 'move', recount: 'corrected count', close: 'closing' } as const;

type LookFact = Extract<JournalFact, { kind: 'look' }>;

function lookInWords({ via, look, before, classes }: LookFact, method: MethodId, words: Pick<Words, 'length'>): string {
  const { nouns, bagged } = methodOf(method);
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
  sprouts,
  freed,
  patched,
  snapped,
  quietPlanted,
}: Extract<JournalFact, { kind: 'move' }>): string {
  const span = labels.length > 1 ? `labels ${labels[0]} to ${labels.at(-1)}` : labels.length === 1 ? `label ${labels[0]}` : 'no label';
  const place = DESTINATION_WORDS[destination];
  const where = destination === 'bed' ? 'the bed' : sprouts === 1 ? `a ${place.one}` : place.many;
  const rooted = [
    freed > 0 ? `${freed} freed from the paper` : '',
    patched > 0 ? `${patched} with their patch` : '',
    snapped > 0 ? `${snapped} snapped` : '',
    quietPlanted > 0 ? `${counted(quietPlanted, 'quiet seed')} planted too` : '',
  ].filter(Boolean);
  return `${[`${counted(sprouts, 'sprout')} moved into ${where}: ${span}`, ...rooted].join('; ')}.`;
}

/** One line of the journal. */
export function journalInWords(fact: JournalFact, method: MethodId, words: Pick<Words, 'length'>): string {
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
  }
}
