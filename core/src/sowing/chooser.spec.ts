import { CROPS } from '../crops/index.js';
import { bookPrior } from '../forecast/index.js';
import { unsuited, type MethodId } from '../method/index.js';
import type { Destination } from '../moving/index.js';
import { USUAL_WAYS } from '../parcel/index.js';
import { usualSteps } from '../preparing/index.js';
import { NOW, words } from '../testing/index.js';
import { unsuitedInWords, wayInWords } from '../words/index.js';
import { rankWays, type Way, type WaysQuestion } from './chooser.js';

const HOUSE = { zone: 'Europe/Copenhagen', lookingTimes: ['07:00', '18:30'], ways: { ...USUAL_WAYS, lateTolerance: 0.02 } };
const crop = (id: string) => {
  const found = CROPS.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const asked = (id: string, destination: Destination, more: Partial<WaysQuestion> = {}): WaysQuestion => ({
  crop: crop(id),
  destination,
  school: 'crop',
  prepared: usualSteps(crop(id)),
  soaking: false,
  chillDays: crop(id).chill.weeks > 0 ? crop(id).chill.weeks * 7 : null,
  closure: 'sealed_air',
  startMs: NOW,
  seeds: 8,
  records: [],
  handled: { moved: 0, snapped: 0 },
  fates: {},
  spot: {
    id: 's',
    readings: [],
    guess: { minC: 20, maxC: 25 },
    priors: {
      tip: bookPrior(crop(id), { printedRate: null, ageYears: null, seen: 'tip' }),
      emergence: bookPrior(crop(id), { printedRate: null, ageYears: null, seen: 'emergence' }),
    },
  },
  ...more,
});
const first = (id: string, destination: Destination): MethodId | undefined => rankWays(asked(id, destination), HOUSE)[0]?.method;

describe('which way to start', () => {
  // Common practice, no source: what growers tell each other of each kind.
  it('puts the known cases in their order', () => {
    for (const id of ['petunia', 'foxglove', 'snapdragon']) expect(first(id, 'cell')).withContext(id).not.toBe('towel');
    for (const id of ['bean-bush', 'pea', 'carrot', 'radish']) expect(first(id, 'bed')).withContext(id).toBe('bed');
    for (const id of ['lettuce', 'basil', 'kale']) expect(first(id, 'slot')).withContext(id).toBe('pod');
    for (const id of ['spinach', 'nasturtium', 'coriander', 'watermelon']) expect(first(id, 'slot')).withContext(id).toBe('towel');
    for (const id of ['pepper-hot', 'avocado', 'bottle-gourd']) expect(first(id, 'pot')).withContext(id).toBe('towel');
    for (const id of ['apple', 'lavender']) expect(first(id, 'pot')).withContext(id).toBe('towel');
  });

  it('lets own records override the book as they come in, and says so from ten seeds on', () => {
    const records = [{ method: 'pod' as const, destination: 'slot' as const, seeds: 19, plants: 6 }];
    const own = rankWays(asked('lettuce', 'slot', { records }), HOUSE);
    expect(own[0]?.method).toBe('towel');
    const pod = own.find(({ method }) => method === 'pod') as Way;
    expect(pod.own).toEqual({ seeds: 19, plants: 6, outweighs: true });
    expect(wayInWords(pod, crop('lettuce'), 8).why).toBe('Your last 19 in slots: 6 came.');
    // A handful is counted in and outweighs nothing; records of another place are no records of this one.
    const few = rankWays(asked('lettuce', 'slot', { records: [{ ...records[0]!, seeds: 4, plants: 0 }] }), HOUSE).find(
      ({ method }) => method === 'pod',
    );
    expect(wayInWords(few as Way, crop('lettuce'), 8).why).toContain('too few to outweigh the book');
    const cups = rankWays(asked('lettuce', 'slot', { records: [{ ...records[0]!, destination: 'cup' }] }), HOUSE);
    expect(cups[0]?.method).toBe('pod');
    // Each rack is a place of its own: what failed in one says nothing of another, and all of slots in general.
    const inOne = [{ ...records[0]!, rackId: 'porch' }];
    const asking = (rackId: string | null) => rankWays(asked('lettuce', 'slot', { records: inOne, rackId }), HOUSE)[0]?.method;
    expect([asking('porch'), asking('kitchen'), asking(null)]).toEqual(['towel', 'pod', 'towel']);
  });

  it('tells figures that hold together: no more plants than seeds, less of the lit shelf where only sprouts are moved', () => {
    for (const one of CROPS) {
      for (const destination of ['slot', 'bed', 'cell', 'pot'] as const) {
        const ways = rankWays(asked(one.id, destination), HOUSE);
        expect(ways.length).withContext(one.id).toBeGreaterThan(0);
        for (const way of ways) {
          expect(way.plants).withContext(one.id).toBeLessThanOrEqual(8);
          expect(
            [way.plants, way.warmDays, way.placeDays, way.minutes].every((figure) => figure >= 0 && Number.isFinite(figure)),
          ).toBeTrue();
          const said = wayInWords(way, one, 8);
          expect(`${said.why} ${said.figures} ${said.risk}`).not.toMatch(/NaN|undefined|Infinity/);
        }
        const [moved, stands] = [ways.find(({ method }) => method === 'towel'), ways.find((way) => way.stands)];
        if (moved && stands && stands.days !== null && one.chill.weeks === 0)
          expect(moved.placeDays)
            .withContext(one.id)
            .toBeLessThan(stands.placeDays + 1e-9);
      }
    }
  });

  it('refuses what a crop cannot have in a sentence that says what would do', () => {
    const said = (id: string, method: MethodId): string | null => {
      const fault = unsuited(crop(id), method);
      return fault && unsuitedInWords(fault, crop(id), method, words);
    };
    expect(said('avocado', 'pod')).toBe(
      'Avocado cannot be started in a soilless slot: its seed is 45 mm long, and the hole takes 12 mm at the most. A towel, a pot or the bed takes it.',
    );
    expect(said('bean-runner', 'surface')).toContain('It wants to be covered');
    expect(said('avocado', 'water')).toContain('A soak and then a towel will do.');
    for (const { id } of CROPS)
      expect([said(id, 'towel'), said(id, 'pot')])
        .withContext(id)
        .toEqual([null, null]);
  });
});
