import type { CropSheet } from '@fresh-tuck/contract';
import { CROPS, type Crop } from '@fresh-tuck/core/crops';
import { parcel } from '@fresh-tuck/core/testing';
import { ABOUT, aSpot, problem, show, type Screen } from '../testing/house';
import { CropScreen } from './crop';
import { CropFigures } from './figures';

const okra = parcel('okra', 1, 25).crop;
const sheetOf = (crop: Crop, more: Partial<CropSheet> = {}): CropSheet => ({ crop, book: crop, own: {}, added: false, ...more });
const FAHRENHEIT = { ...ABOUT, household: ABOUT.household && { ...ABOUT.household, units: 'us' as const } };

describe('a crop’s sheet', () => {
  const open = (sheet: CropSheet = sheetOf(okra), answers: Record<string, unknown> = {}) =>
    show(
      CropScreen,
      {
        'GET crops/okra': sheet,
        'GET spots': [aSpot(), aSpot({ id: 's2', name: 'Fridge', kind: 'fridge', guessMinC: 3, guessMaxC: 6 })],
        ...answers,
      },
      { cropId: 'okra' },
    );

  it('draws its warmth with the household’s own spots on it, and says where too few come', async () => {
    const screen = await open();
    const hill = screen.find('ft-warmth-hill svg')?.getAttribute('aria-label');
    expect(hill).toMatch(/Hall cupboard: half by day \d/);
    expect(hill).toContain('Fridge: hardly any come');
    expect(screen.text).toContain(`Fastest at ${Math.round(okra.temperature.beta.optimumC)} °C`);
  });

  it('says what to do in whole sentences, with the cautions where the hazard is', async () => {
    const screen = await open();
    expect(screen.text).toContain(okra.preparation.text);
    expect(screen.text).toMatch(/Never under water for more than \d+ h\./);
    expect(screen.text).toContain('Sprouts are for planting, never for eating.');
    expect(screen.text.includes('Blade away from the fingers')).toBe(okra.preparation.steps.includes('nick'));
    expect(screen.find('ft-year-bar svg')?.getAttribute('aria-label')).toMatch(/^Weeks around the last frost: start from week -?\d+/);
  });

  it('shows own figures beside the book’s', async () => {
    const own = { 'days.tipAtOptimum': 2.5 };
    const screen = await open(sheetOf({ ...okra, days: { ...okra.days, tipAtOptimum: 2.5 } }, { book: okra, own }));
    expect(screen.find('.own')?.textContent?.replace(/\s+/g, ' ')).toContain(`2.5 days we say ${okra.days.tipAtOptimum} days`);
  });

  it('shows every group of figures with where it comes from and how far to trust it', async () => {
    const screen = await open();
    const groups = screen.all('.sources dt').map((one) => one.textContent?.trim());
    expect(groups.length).toBeGreaterThan(6);
    for (const group of groups) expect(group).toMatch(/from tables|fairly sure|a guess/);
  });

  it('takes an own crop out of the library, or says why not', async () => {
    const added = sheetOf(okra, { added: true });
    const kept = await open(added, { 'POST crops/okra/removals': problem(409, 'A packet of it is in the box.') });
    await kept.click('Take it out of the library');
    expect(kept.all('[role=alert]').at(-1)?.textContent).toBe('A packet of it is in the box.');
  });

  it('offers the removal for no crop of the book, and says where there is none', async () => {
    expect((await open()).text).not.toContain('Take it out of the library');
  });

  it('says that an unknown crop is unknown', async () => {
    const screen = await open(sheetOf(okra), { 'GET crops/okra': problem(404, 'no such crop') });
    expect(screen.find('h1')?.textContent).toBe('No such crop');
  });

  it('tells every crop of the book without a hole in a sentence, in degrees Fahrenheit too', async () => {
    const screen = await open(sheetOf(okra), { 'GET about': FAHRENHEIT, 'GET crops/okra': sheetOf(okra) });
    for (const crop of CROPS.filter((_, index) => index % 9 === 0)) {
      const label = crop.id;
      expect(screen.text)
        .withContext(label)
        .not.toMatch(/undefined|NaN|null|\[object/);
    }
    expect(screen.text).toMatch(/Fastest at [\d.]+ °F/);
  });
});

describe('figures of one’s own', () => {
  const open = (answers: Record<string, unknown> = {}, copy = false, sheet = sheetOf(okra)): Promise<Screen<CropFigures>> =>
    show(CropFigures, { 'GET crops/okra': sheet, ...answers }, { cropId: 'okra', copy });
  const write = async (screen: Screen<CropFigures>, path: string, value: string): Promise<void> => {
    const field = screen.find<HTMLInputElement>(`[id="${path}"]`);
    if (!field) return fail(`no ${path}`);
    field.value = value;
    field.dispatchEvent(new Event(field.tagName === 'SELECT' ? 'change' : 'input'));
    await screen.fixture.whenStable();
  };

  it('sends what departs from the book and nothing else, in either system of units', async () => {
    const screen = await open({ 'PUT crops/okra/figures': sheetOf(okra) });
    expect(screen.find('[role=status]')?.textContent?.trim()).toBe('All as we have it.');
    await write(screen, 'root.readyMm', '1/2 in');
    await write(screen, 'temperature.beta.optimumC', '95F');
    expect(screen.find('[role=status]')?.textContent?.trim()).toBe('2 figures differ from ours.');
    await screen.click('Save these figures');
    const figures = screen.sent('PUT', 'crops/okra/figures')?.body['figures'] as Record<string, number>;
    expect(Object.keys(figures).sort()).toEqual(['root.readyMm', 'temperature.beta.optimumC']);
    expect(figures['root.readyMm']).toBeCloseTo(12.7, 6);
    expect(figures['temperature.beta.optimumC']).toBeCloseTo(35, 6);
    expect(screen.url).toBe('/crop/okra');
  });

  it('marks what it cannot read with what it would take, and saves nothing meanwhile', async () => {
    const screen = await open();
    await write(screen, 'root.readyMm', 'long');
    await screen.click('Save these figures');
    expect(screen.find('.row .error')?.textContent).toMatch(/mm/);
    expect(screen.find('[role=alert]')?.textContent).toBe('Nothing is saved yet: see the fields in red.');
    expect(screen.sent('PUT', 'crops/okra/figures')).toBeUndefined();
  });

  it('takes the book’s figure back', async () => {
    const screen = await open();
    await write(screen, 'root.readyMm', '44 mm');
    await screen.click(/^Take ours/);
    expect(screen.find('[role=status]')?.textContent?.trim()).toBe('All as we have it.');
  });

  it('puts the server’s refusal at its figure', async () => {
    const refused = problem(422, 'x', [{ field: 'root.readyMm', message: 'In the paper: it must be longer' }]);
    const screen = await open({ 'PUT crops/okra/figures': refused });
    await write(screen, 'root.readyMm', '300 mm');
    await screen.click('Save these figures');
    expect(screen.find('.row .error')?.textContent?.trim()).toBe('In the paper: it must be longer.');
  });

  it('begins a crop of one’s own from another, once it has a name', async () => {
    const screen = await open({ 'POST crops': sheetOf({ ...okra, id: 'own-1' }, { added: true }) }, true);
    await screen.click('Put it in the library');
    expect(screen.text).toContain('Give it a name of its own.');
    const name = screen.find<HTMLInputElement>('#crop-name');
    if (!name) return fail('no name');
    name.value = ' Court okra ';
    name.dispatchEvent(new Event('input'));
    await screen.click('Put it in the library');
    expect(screen.sent('POST', 'crops')?.body).toEqual(jasmine.objectContaining({ name: 'Court okra', like: 'okra', figures: {} }));
  });
});
