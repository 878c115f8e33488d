import { TestBed } from '@angular/core/testing';
import { CROPS } from '@fresh-tuck/core/crops';
import { NOW } from '@fresh-tuck/core/testing';
import { startAt, tuckAnswers } from '../testing/answers';
import { ABOUT, aPacket, show, type Screen } from '../testing/house';
import { TuckScreen } from './tuck';

const frost = (monthDay: string, guessed = false) => ({
  ...ABOUT,
  household: ABOUT.household && { ...ABOUT.household, frost: { monthDay, giveDays: 10, guessed } },
});
/** Tuck in with a packet of a crop. */
async function calendar(cropId: string, answers: Record<string, unknown> = {}): Promise<Screen<TuckScreen>> {
  const crop = CROPS.find(({ id }) => id === cropId) ?? CROPS[0]!;
  const packet = aPacket({ cropId, cropName: crop.name });
  const screen = await show(
    TuckScreen,
    {
      ...tuckAnswers(packet),
      'GET packets/p1/start': startAt(NOW),
      [`GET crops/${cropId}`]: { crop, book: crop, own: {}, added: false },
      [`GET crops/${cropId}/seasons`]: { nursingDays: [], lateness: [], ways: [] },
      ...answers,
    },
    { packet: 'p1' },
  );
  await screen.settle(300);
  return screen;
}
const rows = (screen: Screen<TuckScreen>): string[] => screen.all('ft-calendar text').map((one) => one.textContent.trim());
const bars = (screen: Screen<TuckScreen>) =>
  screen.all('ft-calendar rect').map((one) => ({ x: Number(one.getAttribute('x')), width: Number(one.getAttribute('width')) }));

describe('the days that follow a start', () => {
  it('come one after another, each as the stretch of 8 chances in 10, and the same is said aloud', async () => {
    const screen = await calendar('leek');
    const said = rows(screen);
    expect(said.length).toBeGreaterThanOrEqual(2);
    expect(screen.find('ft-calendar svg')?.getAttribute('aria-label')).toBe(said.join('; '));
    const starts = bars(screen).map(({ x }) => x);
    expect(starts).toEqual([...starts].sort((a, b) => a - b));
    for (const { x, width } of bars(screen)) {
      expect(width).toBeGreaterThan(0);
      expect(x + width).toBeLessThanOrEqual(440);
    }
    expect(screen.find('ft-calendar')?.textContent).not.toContain('frost');
  });

  it('hold a tender plant back until the frost is over, and say so beside the day on which it would be ready', async () => {
    const screen = await calendar('tomatillo', { 'GET about': frost('08-30') });
    expect(rows(screen).some((row) => row.startsWith('ready to go out'))).toBeTrue();
    expect(rows(screen).at(-1)).toMatch(/^frost: not out before \w+ \d+ \w+/);
    // A frost that is past by then holds nothing.
    TestBed.resetTestingModule();
    const spring = await calendar('tomatillo', { 'GET about': frost('04-12') });
    expect(rows(spring).some((row) => row.startsWith('frost'))).toBeFalse();
  });

  it('asks for the last frost where a plant minds it and nobody has said, and says of a guess that it is one', async () => {
    const unknown = await calendar('tomatillo');
    expect(unknown.find('ft-calendar ft-frost-word')).not.toBeNull();
    TestBed.resetTestingModule();
    const hardy = await calendar('leek');
    expect(hardy.find('ft-calendar ft-frost-word')).toBeNull();
    TestBed.resetTestingModule();
    const guessed = await calendar('tomatillo', { 'GET about': frost('08-30', true) });
    expect(guessed.find('ft-calendar')?.textContent).toContain('By a guess for such a place: say when your last frost is.');
    expect(guessed.find('ft-calendar ft-frost-word')).toBeNull();
  });

  it('show the cold that comes first, where seed is chilled', async () => {
    const chilled = CROPS.find(({ chill }) => chill.weeks >= 4 && (chill.warmWeeks ?? 0) === 0)?.id ?? 'lupin';
    const screen = await calendar(chilled);
    const cold = rows(screen).findIndex((row) => row.startsWith('in the cold until '));
    // Before it at most a soak, which is water and drawn as cold is.
    expect(cold).toBeGreaterThanOrEqual(0);
    expect(
      rows(screen)
        .slice(0, cold)
        .every((row) => row.startsWith('soaked until ')),
    ).toBeTrue();
    expect(screen.all('ft-calendar rect')[cold]?.classList).toContain('cold');
  });
});
