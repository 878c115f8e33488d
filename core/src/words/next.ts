import type { LookReason } from '../looking/index.js';
import type { Judgement } from '../judging/index.js';
import type { Method } from '../method/index.js';
import type { BagMates } from '../parcel/index.js';

const REASONS: Readonly<Record<LookReason, (method: Method) => string>> = {
  tips: ({ event }) =>
    event === 'tip'
      ? 'by the look after that a root could be in the paper unseen'
      : 'a seedling that came up since would want light by then',
  late: ({ event }) => (event === 'tip' ? 'a root that was seen may be near the paper by then' : 'a seedling that is up is drawn by then'),
  move: ({ event }) => (event === 'tip' ? 'a root will be ready to move' : 'a seedling wants light'),
  water: ({ water, nouns }) => (water === 'standing' ? 'the water is to be changed' : `${nouns.wet} will be drying`),
  heat: () => 'its place is too hot',
  soak: () => 'its soak is over',
  second: () => 'the second step is decided',
  trouble: () => 'what was wrong may have come back by then',
  chill: () => 'the chill is done',
  patience: () => 'by then it has had its time',
  bag: () => 'another parcel of the bag is opened then',
};
const DROWNS = 'it drowns if it is left longer';

/** Why the next look is when it is. */
export function nextInWords({ reason, via }: Judgement['next'], method: Method, mates: BagMates | null): string {
  const through = via === 'through' ? '; a look through the bag is enough' : '';
  const drowning = method.late === 'drowned' && (reason === 'tips' || reason === 'late');
  const why = drowning ? DROWNS : reason === 'bag' && mates ? `it is opened with ${mates.number} then` : REASONS[reason](method);
  return `${why}${through}`;
}
