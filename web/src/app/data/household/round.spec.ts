import { TestBed } from '@angular/core/testing';
import type { Today } from '@fresh-tuck/contract';
import { RoundService } from './round.service';

const today = (...ids: string[][]): Today =>
  ({
    stations: ids.map((stops) => ({ stops: stops.map((id) => ({ batch: { id } })) })),
    shut: [],
    nowMs: 0,
    batchCount: 3,
  }) as unknown as Today;

describe('the round', () => {
  beforeEach(() => sessionStorage.clear());

  it('goes from spot to spot in walking order and ends', () => {
    const round = TestBed.inject(RoundService);
    expect(round.start(today(['a', 'b'], ['c']))).toBe('a');
    expect(['a', 'b', 'c', 'stranger'].map((id) => round.after(id))).toEqual(['b', 'c', null, null]);
    expect(round.start(today())).toBeNull();
  });

  it('asks once how one looks, forgets it with the next round, and outlives a reload', () => {
    const round = TestBed.inject(RoundService);
    round.start(today(['a', 'b']));
    round.looked('through');
    TestBed.resetTestingModule();
    const reloaded = TestBed.inject(RoundService);
    expect([reloaded.via(), reloaded.after('a')]).toEqual(['through', 'b']);
    reloaded.start(today(['a']));
    expect(reloaded.via()).toBeNull();
    sessionStorage.setItem('fresh-tuck.round', '{broken');
    TestBed.resetTestingModule();
    expect(TestBed.inject(RoundService).batchIds()).toEqual([]);
  });
});
