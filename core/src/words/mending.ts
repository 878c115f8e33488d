import type { MethodId } from '../method/index.js';
import { methodOf } from '../method/index.js';
import type { Preparation } from '../preparing/index.js';
import type { Destination } from '../moving/index.js';
import { capital, counted, listed, type Words } from '../units/index.js';
import { preparingInWords } from './soak.js';
import { DESTINATION_WORDS } from './vocabulary.js';

/** Labels as one reads them off pots: "label 21", "labels 21 to 24", "labels 21, 23 and 30". */
export function labelsInWords(labels: readonly number[]): string {
  const sorted = [...labels].sort((a, b) => a - b);
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (first === undefined || last === undefined) return 'no label';
  if (sorted.length === 1) return `label ${first}`;
  if (last - first === sorted.length - 1) return `labels ${first} to ${last}`;
  return `labels ${listed(sorted)}`;
}

/** What a batch was begun as, by what of it was corrected. */
export interface AmendedFact {
  readonly packet?: string;
  readonly startMs?: number;
  readonly prepared?: readonly Preparation[];
  /** When its cold ends, ms; null where it gets none. */
  readonly chillUntilMs?: number | null;
  readonly method?: MethodId;
  readonly wanted?: number | null;
  readonly destination?: Destination | null;
}

/** "the packet is Okra, Tall Mast; begun Wed 8 Apr, 18:30" */
export function amendedInWords(fact: AmendedFact, words: Pick<Words, 'moment'>): string {
  const { packet, startMs, prepared, chillUntilMs, method, wanted, destination } = fact;
  const said = [
    packet === undefined ? '' : `the packet is ${packet}`,
    startMs === undefined ? '' : `begun ${words.moment(startMs)}`,
    prepared === undefined ? '' : prepared.length === 0 ? 'not prepared' : `prepared by ${preparingInWords(prepared, null)}`,
    chillUntilMs === undefined ? '' : chillUntilMs === null ? 'no cold first' : `in the cold until ${words.moment(chillUntilMs)}`,
    method === undefined ? '' : `started ${methodOf(method).nouns.way}`,
    wanted === undefined ? '' : wanted === null ? 'no wish' : `${wanted} wanted`,
    destination === undefined ? '' : destination === null ? 'for anywhere' : `for ${DESTINATION_WORDS[destination].many}`,
  ];
  return said.filter(Boolean).join('; ');
}

/** What an entry is, and what becomes of the batch where it is taken back. */
export type UndoneFact =
  | { readonly kind: 'look'; readonly before: Totals; readonly after: Totals; readonly corrects: boolean }
  | {
      readonly kind: 'move';
      readonly labels: readonly number[];
      readonly sprouts: number;
      /** Seeds planted along while still quiet. */
      readonly quiet: number;
      /** Things that were said of its seedlings since. */
      readonly marks: number;
      /** Seedlings that are planted out already. */
      readonly out: number;
    }
  | { readonly kind: 'recount'; readonly seeds: number }
  | { readonly kind: 'close' }
  | { readonly kind: 'correct'; readonly atMs: number }
  | { readonly kind: 'amend'; readonly was: AmendedFact }
  | { readonly kind: 'untuck'; readonly seeds: number };

interface Totals {
  readonly tipped: number;
  readonly rotten: number;
  readonly lost: number;
}

const changedTotal = (from: number, to: number, what: string): string => (from === to ? '' : `${to} ${what}, not ${from}`);

/** What follows where an entry is taken back, said before it is. */
export function undoneInWords(fact: UndoneFact, method: MethodId, words: Pick<Words, 'moment'>): string {
  const { nouns } = methodOf(method);
  switch (fact.kind) {
    case 'look': {
      const { before, after, corrects } = fact;
      const changes = [
        changedTotal(before.tipped, after.tipped, after.tipped === 1 ? nouns.event.one : nouns.event.many),
        changedTotal(before.rotten, after.rotten, 'rotten'),
        changedTotal(before.lost, after.lost, 'lost'),
      ].filter(Boolean);
      const then = corrects ? 'The look that it corrected counts again. ' : '';
      return then + (changes.length > 0 ? `Then there are ${changes.join('; ')}.` : 'The totals stay: other looks say as much.');
    }
    case 'move': {
      const { labels, sprouts, quiet, marks, out } = fact;
      const back = [sprouts > 0 ? counted(sprouts, 'sprout') : '', quiet > 0 ? counted(quiet, 'quiet seed') : ''].filter(Boolean);
      const one = labels.length === 1;
      const parts = [
        `${listed(back)} ${sprouts + quiet === 1 ? 'lies where it' : 'lie where they'} lay before.`,
        labels.length === 0
          ? ''
          : `${capital(labelsInWords(labels))} ${one ? 'leaves the Nursery and is' : 'leave the Nursery and are'} not given again.`,
        marks === 0
          ? ''
          : `What was said of ${one ? 'it' : 'them'} there (${counted(marks, 'mark')}${out > 0 ? `, ${out} planted out` : ''}) goes too.`,
      ];
      return parts.filter(Boolean).join(' ');
    }
    case 'recount':
      return `It began with ${counted(fact.seeds, 'seed')} again.`;
    case 'close':
      return 'It is open again, and on Today.';
    case 'correct':
      return `What it spoke of stands at ${words.moment(fact.atMs)} again.`;
    case 'amend':
      return `As before: ${amendedInWords(fact.was, words)}.`;
    case 'untuck':
      return `It is under way again, and its ${counted(fact.seeds, 'seed')} ${fact.seeds === 1 ? 'is' : 'are'} out of the packet again.`;
  }
}

/** What follows where a whole tuck-in is taken back. */
export function untuckInWords(
  number: number,
  {
    seeds,
    looks,
    labels,
    packet,
  }: { readonly seeds: number; readonly looks: number; readonly labels: readonly number[]; readonly packet: string },
): string {
  const parts = [
    `${counted(seeds, 'seed')} ${seeds === 1 ? 'goes' : 'go'} back into ${packet}.`,
    `Number ${number} stays used: tear its label up.`,
    looks > 0 ? `${looks === 1 ? 'The look at it counts' : `The ${looks} looks at it count`} no more.` : '',
    labels.length > 0 ? `${capital(labelsInWords(labels))} ${labels.length === 1 ? 'leaves' : 'leave'} the Nursery.` : '',
  ];
  return parts.filter(Boolean).join(' ');
}

/** What follows where a batch's beginning is corrected, said before it is. */
export function correctedInWords({
  seeds,
  nowSeeds,
  was,
  packet,
  labels,
  laterDays,
  method,
}: {
  readonly seeds: number;
  readonly nowSeeds: number | null;
  readonly was: string;
  /** The other packet by name; null where it stays. */
  readonly packet: string | null;
  readonly labels: readonly number[];
  /** Days that the start moves, later above 0; null where it stays. */
  readonly laterDays: number | null;
  readonly method: MethodId | null;
}): string[] {
  const count = nowSeeds ?? seeds;
  const lines: string[] = [];
  if (packet !== null && packet !== was) {
    lines.push(
      `${counted(count, 'seed')} ${count === 1 ? 'goes' : 'go'} back into ${was} and ${count === 1 ? 'leaves' : 'leave'} ${packet}.`,
    );
    if (labels.length > 0)
      lines.push(
        `${capital(labelsInWords(labels))} in the Nursery ${labels.length === 1 ? 'is' : 'are'} of ${packet} then: write ${labels.length === 1 ? 'its name' : 'their name'} anew.`,
      );
  } else if (nowSeeds !== null && nowSeeds !== seeds) {
    const more = nowSeeds - seeds;
    lines.push(
      more > 0
        ? `${counted(more, 'seed')} more ${more === 1 ? 'leaves' : 'leave'} the packet.`
        : `${counted(-more, 'seed')} ${more === -1 ? 'goes' : 'go'} back into the packet.`,
    );
  }
  if (laterDays !== null && laterDays !== 0)
    lines.push('Its forecast, its days of cold and its last count move with the start; the looks stay where they are.');
  if (method !== null) lines.push(`It is judged as seed ${methodOf(method).nouns.way} from its start on; what was counted stays.`);
  return lines;
}
