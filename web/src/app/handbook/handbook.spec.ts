import { FINDINGS } from '@fresh-tuck/core/judging';
import { CROPS } from '@fresh-tuck/core/crops';
import { show } from '../testing/house';
import { cropList } from '../testing/answers';
import { FiguresPage } from './figures-page';
import { Handbook } from './handbook';
import { Media } from './media';
import { PAGES } from './pages';
import { Safety } from './safety';
import { Schools } from './schools';
import { Troubles } from './troubles';

const crops = cropList().map((crop) => ({ ...crop, added: crop.id === 'leek', changed: crop.id === 'okra' }));

describe('the Handbook', () => {
  it('lists every crop once, by family in order, own ones said to be', async () => {
    const screen = await show(Handbook, { 'GET crops': crops });
    const links = screen.all('.family a').map((one) => one.getAttribute('href'));
    expect([...links].sort()).toEqual(CROPS.map(({ id }) => `/crop/${id}`).sort());
    const families = screen.all('.family h3').map((one) => one.textContent ?? '');
    expect(families).toEqual([...families].sort((a, b) => a.localeCompare(b)));
    expect(screen.text).toContain('Leek (your own)');
    expect(screen.text).toContain('Okra (your figures)');
    expect(screen.all('.pages a').length).toBe(PAGES.length);
  });

  it('names every trouble with its sign, what it is taken for, and what to do', async () => {
    const screen = await show(Troubles, {});
    for (const { id, seen, sign, todo, caution } of FINDINGS) {
      const section = screen.find(`[aria-labelledby="${id}"]`)?.textContent ?? '';
      for (const words of [seen, sign, todo, caution ?? '']) expect(section).withContext(id).toContain(words);
    }
  });

  it('keeps the cautions on every page that needs them', async () => {
    const screen = await show(Safety, {});
    for (const hazard of [/heat mat|mat/i, /peroxide/i, /mould/i, /blade|nick/i, /gloves|dressed/i, /never .*eat/i, /label|maker/i]) {
      expect(screen.text).withContext(String(hazard)).toMatch(hazard);
    }
  });
});

describe('a page of the Handbook', () => {
  for (const [name, page] of [
    ['media', Media],
    ['schools', Schools],
    ['figures', FiguresPage],
  ] as const) {
    it(`has a title, whole sentences and a way on: ${name}`, async () => {
      const screen = await show<object>(page, { 'GET crops': crops });
      expect(screen.all('h1').length).toBe(1);
      expect(screen.text).not.toMatch(/undefined|NaN|\[object/);
      expect(screen.find('.next a')?.getAttribute('href')).toMatch(/^\/notebook\/handbook\/\w+$/);
    });
  }
});
