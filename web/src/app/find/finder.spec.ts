import { Finder } from './finder';

const crop = (id: string, name: string, otherNames: string[], latin: string) => ({
  id,
  name,
  otherNames,
  latin,
  family: 'x',
  added: false,
  changed: false,
});

describe('Finder', () => {
  const finder = new Finder();
  beforeAll(() =>
    finder.fill(
      {
        packets: [{ id: 'p1', title: 'Okra, Tall Mast', year: 2024, also: 'bhindi' }],
        batches: [
          { id: 'b14', number: 14, title: 'Leek, Bollard', live: true },
          { id: 'b41', number: 41, title: 'Okra, Tall Mast', live: true },
          { id: 'b4', number: 4, title: 'Okra, Tall Mast', live: false },
        ],
      },
      [
        crop('okra', 'Okra', ['lady’s finger', 'bhindi'], 'Abelmoschus esculentus'),
        crop('aubergine', 'Aubergine', ['eggplant'], 'Solanum'),
      ],
    ),
  );
  const first = (typed: string): string | undefined => finder.find(typed)[0]?.id;

  it('takes a number as it stands, and a name unfinished, misspelt or in another tongue', () => {
    expect(finder.find('14').map(({ id }) => id)).toEqual(['b14']);
    expect(first('4')).toBe('b4');
    expect(first('leak bolard')).toBe('b14');
    expect(first('aubergene')).toBe('aubergine');
    expect(first('eggpl')).toBe('aubergine');
    expect(first('abelmos')).toBe('okra');
    expect(
      finder
        .find('okra')
        .map(({ kind }) => kind)
        .sort(),
    ).toEqual(['crop', 'finished', 'packet', 'parcel']);
  });

  it('reaches screens and actions, and offers them where nothing is typed', () => {
    expect(finder.find('fuz')[0]?.link).toEqual(['/handbook/troubles']);
    expect(finder.find('backup')[0]?.title).toBe('Download the database');
    expect(finder.find('')[0]?.title).toBe('Tuck in seed');
    expect(finder.find('zzzzzz')).toEqual([]);
  });
});
