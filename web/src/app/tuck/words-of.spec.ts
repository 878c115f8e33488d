import { TestBed } from '@angular/core/testing';
import type { LineWords } from '@fresh-tuck/contract';
import { show } from '../testing/house';
import { tuckAnswers } from '../testing/answers';
import { ListSources, TuckSources } from './sources';
import { TuckPlan } from './tuck-plan';
import { Ideas } from './ideas';
import { CARRIED, carriedOver, restore, wordsOf } from './words-of';

/** Everything that a line of a list can say. */
const ALL: Required<LineWords> = {
  wanted: 6,
  keep: 0.5,
  sureness: 0.8,
  seeds: 12,
  method: 'plug',
  medium: 'cloth',
  damped: 'peroxide',
  wet: 'free',
  light: 'indirect',
  places: 6,
  prepared: ['soak', 'nick'],
  soaked: 'before',
  soakHours: 8,
  chillDays: 21,
  chilledDays: 7,
  chillDry: true,
  closure: 'corner_open',
  holderId: '0199a3f2-0000-7000-8000-000000000001',
  spotId: '0199a3f2-0000-7000-8000-000000000002',
  pane: { widthMm: 140, heightMm: 220 },
  destination: 'pot',
  rackId: '0199a3f2-0000-7000-8000-000000000003',
  school: 'short',
  pot: { perPot: 2, keepers: 1 },
  goal: { kind: 'plant_out', day: '2026-05-20' },
};

describe('the words of a line', () => {
  async function plan(): Promise<TuckPlan> {
    TestBed.configureTestingModule({ providers: [{ provide: TuckSources, useClass: ListSources }, TuckPlan] });
    await show(Ideas, tuckAnswers());
    return TestBed.inject(TuckPlan);
  }

  it('are kept and laid back whole, each of them and all together', async () => {
    const one = await plan();
    expect(wordsOf(one)).toEqual({});
    for (const [name, value] of Object.entries(ALL)) {
      restore(one, { [name]: value });
      expect(wordsOf(one))
        .withContext(name)
        .toEqual({ [name]: value });
    }
    restore(one, ALL);
    expect(wordsOf(one)).toEqual(ALL);
    // No chill although the crop asks for one is said, and is not the same as nothing said.
    restore(one, { chillDays: null });
    expect(wordsOf(one)).toEqual({ chillDays: null });
    restore(one, {});
    expect(wordsOf(one)).toEqual({});
  });

  it('carry over what holds for the table, and leave what is a seed’s own', () => {
    const other: LineWords = { seeds: 4, method: 'pot', wet: 'wrung', spotId: 's9' };
    const carried = carriedOver(ALL, other);
    expect([carried.seeds, carried.method, carried.prepared]).toEqual([4, 'pot', undefined]);
    for (const name of CARRIED) expect(carried[name]).withContext(name).toEqual(ALL[name]);
    // What the first does not say is unsaid below it too.
    expect(carriedOver({}, other)).toEqual({ seeds: 4, method: 'pot' });
  });
});
