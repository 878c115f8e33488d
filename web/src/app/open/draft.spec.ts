import { parcelState, type ParcelLook, type SeedMark } from '@fresh-tuck/core/parcel';
import {
  advance,
  draftFrom,
  draftLook,
  emptyDraft,
  lookRequest,
  mark,
  mostCounted,
  newTips,
  saysSomething,
  totals,
  type Draft,
} from './draft';

const look = (more: Partial<ParcelLook>): ParcelLook => ({
  atMs: 1,
  through: false,
  tipped: null,
  rotten: null,
  marks: [],
  damp: null,
  rewetted: false,
  troubles: [],
  ...more,
});
const before = parcelState(6, 0, [look({ tipped: 3, marks: [{ seed: 1, stage: 'root', rootMm: 7 }] })], []);
const opened = emptyDraft('opened');
const touched = (...seeds: number[]): Draft => seeds.reduce((draft, seed) => advance(draft, before, seed), opened);

describe('a look while it is made', () => {
  it('says nothing until something was seen', () => {
    expect(saysSomething(opened)).toBeFalse();
    expect(draftLook(opened, before, 5)).toBeNull();
    expect(totals({ ...opened, damp: 'damp' }, before)).toBeNull();
    expect(draftLook({ ...opened, damp: 'damp' }, before, 5)).toEqual(
      jasmine.objectContaining({ tipped: null, rotten: null, damp: 'damp' }),
    );
  });

  it('advances a touched seed stage by stage and back to what it was', () => {
    const stages = [1, 2, 3, 4].map((times) => touched(...Array<number>(times).fill(4)).marks.get(4)?.stage);
    expect(stages).toEqual(['tip', 'root', 'leaves', undefined]);
    expect(touched(1).marks.get(1)?.stage).toBe('leaves');
  });

  it('adds touched and counted tips to what was there, and never beyond the seeds', () => {
    const draft: Draft = { ...touched(2, 3), counted: 1 };
    // Two of the three before were only counted: touching two seeds gives them their places.
    expect(newTips(draft, before)).toBe(1);
    expect(totals(draft, before)).toEqual({ tipped: 4, rotten: 0, lost: 0 });
    expect(newTips({ ...touched(2, 3, 4), counted: 1 }, before)).toBe(2);
    expect(mostCounted(draft, before)).toBe(3);
    expect(mostCounted(mark(draft, { seed: 5, stage: 'rotten', rootMm: null }), before)).toBe(2);
  });

  it('takes “nothing new” for a look at the seeds', () => {
    const nothing: Draft = { ...opened, nothingNew: true };
    expect(totals(nothing, before)).toEqual({ tipped: 3, rotten: 0, lost: 0 });
    expect(touched(2).nothingNew).toBeFalse();
  });

  it('picks a recorded look up again as it was', () => {
    const marks: SeedMark[] = [{ seed: 2, stage: 'tip', rootMm: null }];
    const draft = draftFrom(look({ tipped: 5, rotten: 0, marks, damp: 'drying', troubles: ['fuzz'] }), before);
    expect(newTips(draft, before)).toBe(2);
    expect([draft.damp, draft.counted, [...draft.troubles]]).toEqual(['drying', 2, ['fuzz']]);
    const request = lookRequest(draft, before, { id: 'a', via: 'opened', basedOn: null, supersedes: 'b', who: null });
    expect(request.seen).toEqual({ tipped: 5, rotten: 0, lost: 0, basedOn: null });
    expect(request.note).toBeNull();
  });
});
