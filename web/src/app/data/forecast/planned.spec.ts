import { words } from '@fresh-tuck/core/testing';
import { ABOUT, show } from '../../testing/house';
import { tuckAnswers } from '../../testing/answers';
import { ForecastService } from './forecast.service';
import { planned } from './planned';
import { TuckScreen } from '../../tuck/tuck';

const DAY_MS = 86_400_000;

describe('what Tuck in’s worker plans', () => {
  it('says of what is begun now that it would be late while nobody is there, and nothing of an absence that is over by then', async () => {
    const screen = await show(TuckScreen, tuckAnswers(), { packet: 'p1' });
    const asked = spyOn(screen.fixture.debugElement.injector.get(ForecastService), 'plan').and.callThrough();
    await screen.settle(220);
    const question = asked.calls.mostRecent().args[0];
    const { household } = ABOUT;
    if (!household) throw new Error('no household');
    const away = (from: number, to: number) => [
      { id: 'a', fromMs: question.startMs + from * DAY_MS, toMs: question.startMs + to * DAY_MS },
    ];
    const told = (from: number, to: number): (string | null)[] =>
      planned(question, { ...household, away: away(from, to) }, 0.8, words).bySpot.map((spot) => spot.away);
    expect(planned(question, household, 0.8, words).bySpot.every((spot) => spot.away === null)).toBeTrue();
    expect(told(2, 40)[0]).toMatch(
      /^Nobody is there from .* a root may be in the paper before you are back\. Begun on \w+ \d+ \w+ or later it is not\.$/,
    );
    expect(told(0, 0.5)[0]).toBeNull();
  });
});
