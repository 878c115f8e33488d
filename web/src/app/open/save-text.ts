import { saysSomething, seedsSeen, type Draft } from './draft';
import { listed } from '@fresh-tuck/core/units';

/** Whether something is said, but nothing of the seeds: that is stored as it is, and said before. */
export const onlyPartOf = (draft: Draft): boolean => saysSomething(draft) && !seedsSeen(draft);

/** What the save button says: what of the parcel is stored, before it is. */
export function saveText(draft: Draft, another: boolean): string {
  const on = another ? ', next parcel' : '';
  if (!saysSomething(draft)) return `Nothing new${on}`;
  if (!seedsSeen(draft)) {
    const said = [...(draft.damp === null ? [] : ['the damp']), ...(draft.troubles.size === 0 ? [] : ['what is wrong'])];
    return `Save ${listed(said)} only${on}`;
  }
  return another ? `Save${on}` : 'Save this look';
}

/** What the button says where something is ready. @param up whether what is ready stands where it came up */
export function saveAndMoveText(draft: Draft, up: boolean): string {
  if (saysSomething(draft)) return `Save, and ${up ? 'see to those that are up' : 'move what is ready'}`;
  return `Nothing else new: ${up ? 'see to those that are up' : 'move them'}`;
}
