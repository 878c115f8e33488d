import { look, parcel } from '@fresh-tuck/core/testing';
import { aBatch, type Screen } from '../testing/house';
import { open } from '../testing/opened';
import type { OpenScreen } from './open';

describe('moving sprouts', () => {
  const rooted = aBatch(
    parcel('okra', 5, 27, {
      looks: [
        look(30, { tipped: 2 }),
        look(1, {
          tipped: 4,
          marks: [
            { seed: 1, stage: 'root', rootMm: 14 },
            { seed: 2, stage: 'root', rootMm: 9 },
            { seed: 3, stage: 'tip', rootMm: 1 },
          ],
        }),
      ],
    }),
    { lastLookId: 'l3', number: 21 },
  );
  const cup = (number: number, seed: number | null) => ({ number, seed });
  /** Saved, and so asked for the sprouts. */
  async function moving(answers: Record<string, unknown> = {}): Promise<Screen<OpenScreen>> {
    const screen = await open({ 'GET batches/b1': rooted, 'POST batches/b1/looks': rooted, ...answers });
    await screen.click('opened');
    await screen.click(/^Nothing /);
    await screen.until(() => screen.find('#moving') !== null);
    return screen;
  }
  const moved = async (screen: Screen<OpenScreen>): Promise<Record<string, unknown>> => {
    await screen.until(() => screen.find('.labels') !== null);
    return screen.sent('POST', 'batches/b1/moves')?.body ?? {};
  };

  it('follows a look that found some ready: the longest first, those that are ready chosen', async () => {
    const screen = await moving();
    expect(screen.find('#moving')?.textContent).toMatch(/Move to where they grow|Rescue them/);
    expect(
      screen
        .all('fieldset button')
        .map((one) => one.textContent?.match(/seed \d/)?.[0])
        .filter(Boolean),
    ).toEqual(['seed 1', 'seed 2', 'seed 3']);
    expect(screen.pressed.map((text) => text.slice(0, 6))).toEqual(['seed 1', 'seed 2']);
    await screen.click(/^Moved \d sprouts$/);
    expect(screen.find('[role=alert]')?.textContent).toBe('Say where they go: a cup, a cell, a pot …');
  });

  it('says how they go in, and gives each its number', async () => {
    const screen = await moving({ 'POST batches/b1/moves': { ...rooted, cups: [cup(40, 1), cup(41, null)] } });
    await screen.click('cup');
    expect(screen.text).toMatch(/Damp seed mix, about \d+ ml/);
    await screen.click(/^seed 2/);
    await screen.click(/^Moved \d sprouts?$/);
    expect(await moved(screen)).toEqual(jasmine.objectContaining({ seeds: [1], destination: 'cup', bedId: null, quietPlanted: 0 }));
    expect(screen.find('h2#moving')?.textContent).toBe('Write these labels');
    expect(screen.all('.labels li').map((one) => one.textContent?.replace(/\s+/g, ' ').trim())).toEqual([
      '40Okra, Quayseed 1 of 21',
      '41Okra, Quayfrom 21',
    ]);
    expect(screen.text).toContain('never for eating');
  });

  it('counts how rooted ones came out, and no more than are moved', async () => {
    const screen = await moving({ 'POST batches/b1/moves': rooted });
    await screen.click('pot');
    if (!screen.find('.rooted')) await screen.click('Some had rooted into the paper');
    for (let nth = 0; nth < 5; nth++) await screen.press(/^One more .*snap/i);
    const total = Number(/^Moved (\d)/.exec(screen.find('button.do')?.textContent?.trim() ?? '')?.[1]);
    await screen.click(/^Moved/);
    expect(((await moved(screen))['rooted'] as { snapped: number }).snapped).toBe(total);
  });

  it('goes to a bed only when its name and its soil are known', async () => {
    const bed = {
      id: 'bed1',
      name: 'Wall bed',
      widthM: 1,
      lengthM: 2,
      madeYear: 2025,
      version: 0,
      taken: { plants: 0, areaM2: 0, crops: [] },
      soil: null,
    };
    const screen = await moving({
      'GET beds': [bed],
      'POST beds/bed1/soil': [{ ...bed, soil: { celsius: 9, source: 'soil', ageDays: 0 } }],
      'POST batches/b1/moves': rooted,
    });
    await screen.click('bed');
    await screen.click(/^Moved/);
    expect(screen.all('[role=alert]').some((one) => one.textContent === 'Say which bed.')).toBeTrue();
    await screen.click('Wall bed');
    expect(screen.text).toContain('say what the bed has');
    await screen.click('In the soil');
    expect(await screen.errors()).toEqual(['A temperature like 12, 12.5 C or 54F.']);
    await screen.type('Its soil now', '54F');
    await screen.click('In the soil');
    expect(screen.sent('POST', 'beds/bed1/soil')?.body).toEqual(jasmine.objectContaining({ day: '2026-04-11', source: 'soil' }));
    await screen.click(/^Moved/);
    expect(await moved(screen)).toEqual(jasmine.objectContaining({ destination: 'bed', bedId: 'bed1' }));
  });

  it('adds a bed by its measures, with either comma, and says what a field would take', async () => {
    const screen = await moving({ 'POST beds': [] });
    await screen.click('bed');
    await screen.click('Another bed');
    await screen.type('Wide, m', 'broad');
    await screen.click('Add this bed');
    expect(await screen.errors()).toEqual(['A name.', 'A length like 1.2, 80 cm or 4 ft.', 'A length like 1.2, 80 cm or 4 ft.']);
    await screen.type('What it is called', 'Wall bed');
    await screen.type('Wide, m', '0,8');
    await screen.type('Long, m', '2.4');
    await screen.click('Add this bed');
    expect(screen.sent('POST', 'beds')?.body).toEqual(
      jasmine.objectContaining({ name: 'Wall bed', widthM: 0.8, lengthM: 2.4, madeYear: null }),
    );
  });
});
