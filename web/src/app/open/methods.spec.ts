import { look, parcel } from '@fresh-tuck/core/testing';
import { aBatch } from '../testing/house';
import { open, sent } from '../testing/opened';
import { emptyDraft } from './draft';
import { onlyPartOf, saveAndMoveText, saveText } from './save-text';

describe('a look at what lies in no bag', () => {
  const pot = aBatch(parcel('tomato', 9, 24, { method: 'pot', looks: [look(24, { tipped: 0, damp: 'damp' })] }), {
    carrier: { kind: 'pots', places: 8 },
    lastLookId: 'l1',
  });

  it('asks of no bag and no towel, and is sent as seen by the naked eye', async () => {
    const screen = await open({ 'GET batches/b1': pot, 'POST batches/b1/looks': pot });
    expect(screen.text).not.toMatch(/through the bag|the towel/i);
    await screen.press(/^Seed [1-8], quiet/);
    await screen.settle();
    await screen.click(/^Save/);
    expect(await sent(screen)).toEqual(jasmine.objectContaining({ via: 'opened', seen: jasmine.objectContaining({ tipped: 1 }) }));
  });

  it('says on its button what is stored and what comes then', () => {
    const opened = emptyDraft('opened');
    const damp = { ...opened, damp: 'drying' as const };
    const seen = { ...opened, counted: 1 };
    expect([opened, damp, seen].map(onlyPartOf)).toEqual([false, true, false]);
    expect([opened, damp, seen].map((draft) => saveText(draft, false))).toEqual(['Nothing new', 'Save the damp only', 'Save this look']);
    expect(saveText({ ...damp, troubles: new Set(['threads'] as const) }, true)).toBe('Save the damp and what is wrong only, next parcel');
    expect([saveAndMoveText(seen, false), saveAndMoveText(opened, false)]).toEqual([
      'Save, and move what is ready',
      'Nothing else new: move them',
    ]);
    expect([saveAndMoveText(seen, true), saveAndMoveText(opened, true)]).toEqual([
      'Save, and see to those that are up',
      'Nothing else new: see to those that are up',
    ]);
  });
});
