import type { Batch, BoardParcel } from '@fresh-tuck/contract';
import { BOARD_HOURS } from '@fresh-tuck/core/drawing';
import { about, type Words } from '@fresh-tuck/core/units';
import { readyInWords, spreadInWords } from '@fresh-tuck/core/words';

/** A batch as it stands on a board. */
export function boardParcel({ id, number, title, holder, carrier, answers, judgement }: Batch, nowMs: number, words: Words): BoardParcel {
  const { readyMs, lateMs, lowMs, highMs } = answers.window;
  return {
    id,
    number,
    title,
    holderId: holder.id,
    holderKind: holder.kind,
    carrier: carrier.kind,
    state: answers.state,
    stands: { readyMs, lowMs, highMs },
    lateMs,
    lead: judgement.headline.lead,
    tone: judgement.headline.tone,
    far: readyMs === null ? 'not in sight' : readyMs > nowMs + BOARD_HOURS * 3_600_000 ? words.when(about(readyMs)) : null,
    inWords: [readyInWords(answers.window, nowMs, words), spreadInWords(answers.window, nowMs, words)].filter(Boolean).join('; '),
  };
}

/** By when they are ready, what never is last. */
export const byReady = (a: BoardParcel, b: BoardParcel): number =>
  (a.stands.readyMs ?? Infinity) - (b.stands.readyMs ?? Infinity) || a.number - b.number;
