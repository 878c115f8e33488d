/**
 * Writes docs/situations.md: situations that a grower meets, with what the program says
 * and what somebody with ten years' practice would: `npm run situations`.
 */
import { writeFileSync } from 'node:fs';
import { CROPS } from '../core/src/crops/index.js';
import { bookPrior } from '../core/src/forecast/index.js';
import { reportFor } from '../core/src/judging/index.js';
import type { ParcelFacts, ParcelLook } from '../core/src/parcel/index.js';
import { lookingTimes, wordsFor } from '../core/src/units/index.js';
import { toldFor } from '../core/src/words/index.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** A Sunday evening in March, when things are written down. */
const NOW = Date.parse('2026-03-22T19:10:00+01:00');
const ZONE = 'Europe/Copenhagen';
const words = wordsFor(ZONE, 'metric', NOW, 0.8);

interface Situation {
  readonly title: string;
  readonly facts: ParcelFacts;
  /** What somebody with practice would say, and what was found and mended by it. */
  readonly grower: string;
  readonly mended: string | null;
}

const look = (daysAgo: number, more: Partial<ParcelLook>): ParcelLook => ({
  atMs: NOW - daysAgo * DAY_MS,
  through: false,
  tipped: null,
  rotten: null,
  marks: [],
  damp: 'damp',
  rewetted: false,
  troubles: [],
  ...more,
});
const root = (seed: number, rootMm: number) => ({ seed, stage: 'root' as const, rootMm });

/** Read daily between two temperatures since it was tucked in. */
function parcel(
  cropId: string,
  days: number,
  [minC, maxC]: readonly [number, number],
  more: Partial<ParcelFacts> & { readonly rate?: number; readonly age?: number } = {},
): ParcelFacts {
  const crop = CROPS.find(({ id }) => id === cropId);
  if (!crop) throw new Error(`no ${cropId}`);
  const startMs = NOW - days * DAY_MS;
  const { rate = null, age = null, ...facts } = more;
  return {
    crop,
    method: 'towel',
    seeds: 12,
    wanted: 6,
    startMs,
    chillUntilMs: null,
    prior: bookPrior(crop, { printedRate: rate, ageYears: age, seen: 'tip' }),
    stays: [{ fromMs: startMs, readings: [{ fromMs: startMs, toMs: NOW, minC, maxC }], guess: { minC, maxC } }],
    utcOffsetHours: 1,
    looks: [],
    moves: [],
    closure: 'sealed_air',
    doseMl: 7,
    packetLeft: 40,
    lookTimesMs: lookingTimes(NOW, ZONE, ['07:00', '18:30'], 70),
    lateTolerance: 0.02,
    ...facts,
  };
}

const SITUATIONS: readonly Situation[] = [
  {
    title: 'Hot peppers on a radiator: 29 °C by day, 14 °C when it goes off at night; eleven days, nothing',
    facts: parcel('pepper-hot', 11, [14, 29], { rate: 0.8, looks: [look(4, { tipped: 0 }), look(0, { tipped: 0 })] }),
    grower:
      'Nothing wrong yet: with such nights peppers take two or three weeks. Steadier warmth would help more than anything. Leave them, keep them damp.',
    mended: null,
  },
  {
    title: 'Basil: a grey slime round every seed on the second day',
    facts: parcel('basil', 2, [23, 25], { rate: 0.85, looks: [look(0, { tipped: 3, troubles: ['fuzz'] })] }),
    grower: 'That is the seed’s own jelly, or root hair. Leave it, do not rinse.',
    mended: null,
  },
  {
    title: 'Lavender in the fridge, ten of its twenty-eight days of cold; somebody could not wait and looked',
    facts: parcel('lavender', 10, [4, 5], { chillUntilMs: NOW + 18 * DAY_MS, looks: [look(0, { tipped: 0 })] }),
    grower: 'Back into the cold. Nothing can show before it has had its weeks.',
    mended: null,
  },
  {
    title: 'Onions from 2020, thirty for the bed: nine of forty after nine days at 20 °C, half the packet left',
    facts: parcel('onion', 9, [19, 21], {
      seeds: 40,
      wanted: 30,
      age: 6,
      rate: 0.85,
      packetLeft: 35,
      looks: [look(2, { tipped: 5 }), look(0, { tipped: 9 })],
      moves: [{ atMs: NOW - 2 * DAY_MS, seeds: [], uncounted: 5 }],
    }),
    grower: 'Onion seed does not keep. A few more will come, thirty will not. Buy fresh rather than sow the rest.',
    mended:
      'Advice to start up to a hundred more is now capped by the wish, and where it stays out of reach that is said, with another packet where there is one.',
  },
  {
    title: 'Nasturtium put to soak on Saturday noon and forgotten: thirty-one hours in the water',
    facts: parcel('nasturtium', 31 / 24, [18, 20], { prepared: ['nick', 'soak'], soakUntilMs: NOW - 7 * HOUR_MS }),
    grower: 'Out with them now, dab them dry, on barely damp paper. Some may have drowned; those that stay firm will do.',
    mended: 'A soak was no stage at all: the first look could fall inside it, and nobody was told of its end.',
  },
  {
    title: 'Tomatoes of a gardener who moves at a finger-wide root: 9 mm and 14 mm',
    facts: parcel('tomato', 6, [22, 24], {
      rate: 0.8,
      ways: { rootSchool: 'finger' },
      looks: [look(0, { tipped: 4, marks: [root(1, 14), root(2, 9), root(3, 9)] })],
    }),
    grower: 'By your own rule they have a day yet; the long one is nearly there. Thin roots break, so do not let them go further.',
    mended: 'The chosen length is never called late any more: fine kinds were “in the paper” at the very length that had been asked for.',
  },
  {
    title: 'Two giant pumpkins on the mat, one gone soft, one wanted',
    facts: parcel('giant-pumpkin', 5, [26, 28], {
      seeds: 2,
      wanted: 1,
      packetLeft: 3,
      looks: [look(0, { tipped: 0, rotten: 1, troubles: ['soft_seed'] })],
    }),
    grower:
      'Take the soft one out and wipe the other. It may still come: three to eight days. Start one more now if the season is short. Look tomorrow whether the rot has spread.',
    mended: 'Soft seed and threads now ask for a look the next day.',
  },
  {
    title: 'Peas in a lidded tray on a porch at 3 to 9 °C, ten days, opened once',
    facts: parcel('pea', 10, [3, 9], { closure: 'lidded', looks: [look(5, { tipped: 0, damp: 'damp' })] }),
    grower: 'Peas will come at that, but take their time; three weeks is nothing. A lidded tray may have dried: feel it.',
    mended: null,
  },
  {
    title: 'Coriander split into twenty: fourteen moved, eight wanted, six quiet for three weeks',
    facts: parcel('coriander', 26, [19, 21], {
      seeds: 20,
      wanted: 8,
      looks: [look(19, { tipped: 9 }), look(16, { tipped: 14 }), look(0, { tipped: 14 })],
      moves: [{ atMs: NOW - 16 * DAY_MS, seeds: [], uncounted: 14 }],
    }),
    grower: 'You have what you wanted. The rest are duds or halves that were crushed; compost them, or stick them in a corner.',
    mended: null,
  },
  {
    title: 'Sunflowers: a sour smell, water in the fold, two roots of 20 mm',
    facts: parcel('sunflower', 4, [21, 23], {
      rate: 0.9,
      looks: [look(0, { tipped: 5, damp: 'pooling', troubles: ['smell'], marks: [root(1, 20), root(2, 18)] })],
    }),
    grower: 'Pour it off, find the rotten one, fresh paper. And the rooted ones go into soil today.',
    mended: null,
  },
  {
    title: 'Back from a fortnight away: okra tucked in the evening before leaving, nobody looked',
    facts: parcel('okra', 14, [26, 28], { prepared: ['soak'] }),
    grower: 'Open it at once, longest first. The towel will be dry or full of root; wet it before you pull at anything.',
    mended:
      'Four weeks unopened was “patience ends”; a parcel that nobody has seen is opened and not judged. Roots are no longer reckoned at 300 mm.',
  },
  {
    title: 'Melons: six of six silent for a fortnight on a good mat, packet from a drawer, another one in the box',
    facts: parcel('melon', 14, [27, 28], {
      seeds: 6,
      wanted: 3,
      age: 9,
      looks: [look(5, { tipped: 0 }), look(0, { tipped: 0 })],
      otherPackets: [{ title: 'Dune Bell, 2025', share: { mean: 0.85, weight: 6 }, left: 16 }],
    }),
    grower: 'They are dead. Do not try the same packet another way; sow the other one, it is late enough.',
    mended: 'A lot that is most likely dead was offered in a pot of mix; now it is another packet, or an end.',
  },
];

const inList = ({ facts, title, grower, mended }: Situation, nth: number): string => {
  const report = reportFor(facts, NOW);
  const said = toldFor(facts, report, words);
  const lines = said.advice.map(
    ({ lead, by, text, button }) => `- **${lead}${by ? `, ${by}` : ''}.** ${text}${button ? ` [${button.label}]` : ''}`,
  );
  return `## ${nth + 1}. ${title}

Said (${said.headline.lead}; next look ${words.when(report.next.atMs)}, ${said.nextReason}):

${lines.join('\n')}
- ${said.outlook}

A grower would say: ${grower}${mended ? `\n\nMended: ${mended}` : ''}
`;
};

writeFileSync(
  new URL('../docs/situations.md', import.meta.url),
  `# What is said, and what a grower would say

Written by \`npm run situations\`. Crops, places, absences and mistakes are invented; the grower’s lines are common practice, no source.

${SITUATIONS.map(inList).join('\n')}`,
);
