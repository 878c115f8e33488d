import type { BatchWithJournal } from '@fresh-tuck/contract';
import { counted } from '@fresh-tuck/core/units';

/** Another try that a batch follows or is followed by, with what stands before and after its number. */
export interface Try {
  readonly id: string;
  readonly before: string;
  readonly number: number;
  readonly after: string;
}

/** The tries that a batch follows, and that follow it. */
export function chainOf({ from, followers }: Pick<BatchWithJournal, 'from' | 'followers'>): Try[] {
  const before = from
    ? [
        {
          id: from.batchId,
          before: from.kind === 'split' ? 'Laid apart from ' : 'A second try after ',
          number: from.number,
          after: from.daysLost > 0 ? `: ${counted(from.daysLost, 'day')} lost since the first` : '',
        },
      ]
    : [];
  const after = followers.map(({ batchId, number, kind }) => ({
    id: batchId,
    before: kind === 'split' ? 'Some of it was laid apart as ' : 'Begun again as ',
    number,
    after: '',
  }));
  return [...before, ...after];
}
