import { Finder } from './finder';

describe('Finder', () => {
  const finder = new Finder();

  it('reaches screens and actions, and offers them where nothing is typed', () => {
    expect(finder.find('fuz')[0]?.link).toEqual(['/notebook/handbook/troubles']);
    expect(finder.find('backup')[0]?.title).toBe('Copies of the household');
    expect(finder.find('')[0]?.title).toBe('Tuck in seed');
    expect(finder.find('zzzzzz')).toEqual([]);
  });

  it('puts a page that is called so before what the house holds, and that before what merely fits', () => {
    const okra = { id: 'b4', kind: 'parcel', title: '4 Okra, Seedling Bed' } as const;
    expect(finder.merge('seeds', [okra]).map(({ title }) => title)[0]).toBe('Seeds');
    const hits = finder.merge('okra', [okra]);
    expect([hits[0]?.title, hits[0]?.link]).toEqual(['4 Okra, Seedling Bed', ['/batch', 'b4']]);
    const kinds = finder.merge('labels', [okra]).map(({ kind }) => kind);
    expect(kinds.indexOf('parcel')).toBeLessThan(kinds.indexOf('page'));
  });
});
