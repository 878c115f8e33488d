import { readFileSync } from 'node:fs';
import { CROPS } from '@fresh-tuck/core/crops';
import { daysApart, strays } from './oddities.js';

const explained = JSON.parse(readFileSync(new URL('explained.json', import.meta.url), 'utf8')) as Record<string, string>;

describe('the oddities of the crop library', () => {
  it('are each explained, and nothing is explained that is none', () => {
    const keys = [...strays(CROPS), ...daysApart(CROPS)].map(({ key }) => key);
    expect(keys.filter((key) => !(key in explained))).toEqual([]);
    expect(Object.keys(explained).filter((key) => !keys.includes(key))).toEqual([]);
    // A grower's mistake in a figure is noticed.
    const [first, ...rest] = CROPS.filter(({ family }) => family === 'Brassicaceae');
    const wrong = { ...first, temperature: { ...first?.temperature, tentBaseC: 14 } } as (typeof CROPS)[number];
    expect(strays([wrong, ...rest]).map(({ key }) => key)).toContain(`${wrong.id}: base`);
  });
});
