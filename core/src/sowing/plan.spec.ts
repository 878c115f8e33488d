import { USUAL_WAYS, type House } from '../parcel/index.js';
import { bookPrior } from '../forecast/index.js';
import { CROPS, type Crop } from '../crops/index.js';
import { planFor } from './plan.js';
import type { PlanQuestion } from './question.js';

const NOW = Date.parse('2026-04-11T05:10:00Z');
const DAY_MS = 86_400_000;
const coriander = CROPS.find(({ id }) => id === 'coriander') as Crop;
const household: House = {
  zone: 'Europe/Copenhagen',
  lookingTimes: ['07:00', '18:30'],
  ways: { ...USUAL_WAYS, patienceTimes: 4, lateTolerance: 0.02 },
};
const prior = bookPrior(coriander, { printedRate: 0.8, ageYears: 1, seen: 'tip' });
const spot = (id: string, minC: number, maxC: number) => ({ id, readings: [], guess: { minC, maxC }, prior });
const question = (more: Partial<PlanQuestion> = {}): PlanQuestion => ({
  crop: coriander,
  method: 'towel',
  packet: { prior, handled: { moved: 0, snapped: 0 }, fates: {}, sound: { normal: 0, abnormal: 0 }, seedsLeft: 60 },
  others: [],
  wanted: 8,
  keep: 1,
  sureness: 0.9,
  seeds: null,
  destination: 'cup',
  school: 'crop',
  perPot: 1,
  keepers: 1,
  prepared: ['soak'],
  soaking: true,
  without: [],
  spotId: null,
  startMs: NOW,
  target: null,
  seasons: { nursingDays: [], lateness: [] },
  chillDays: null,
  closure: 'sealed_air',
  pane: { widthMm: 140, heightMm: 110, plies: 2 },
  spots: [spot('warm', 20, 24), spot('cold', 3, 6)],
  ...more,
});
const plan = (more: Partial<PlanQuestion> = {}) => planFor(question(more), household, 0.8);

describe('the plan of a sowing', () => {
  it('lays both halves of a husk, and takes half as many from the packet', () => {
    const split = plan({ prepared: ['split'] });
    expect([split.seeds % 2, split.taken]).toEqual([0, split.seeds / 2]);
    expect(plan().taken).toBe(plan().seeds);
  });

  it('learns from what snapped, was lost, and sprouted without becoming a plant', () => {
    const packet = question().packet;
    const usual = plan().seeds;
    expect(plan({ packet: { ...packet, handled: { moved: 10, snapped: 30 } } }).seeds).toBeGreaterThan(usual);
    expect(plan({ packet: { ...packet, fates: { cup: { lived: 10, lost: 30 } } } }).seeds).toBeGreaterThan(usual);
    expect(plan({ packet: { ...packet, fates: { slot: { lived: 10, lost: 30 } } } }).seeds).toBe(usual);
    expect(plan({ packet: { ...packet, sound: { normal: 10, abnormal: 30 } } }).seeds).toBeGreaterThan(usual);
  });

  it('says what can be had where the packet has too few', () => {
    const packet = { ...question().packet, seedsLeft: 4 };
    const others = [
      { id: 'full', title: 'Full', prior, seedsLeft: 50 },
      { id: 'empty', title: 'Nearly empty', prior, seedsLeft: 2 },
    ];
    const { shortage } = plan({ packet, others });
    expect(shortage?.left).toBe(4);
    expect(shortage?.plants).toBeLessThan(4);
    expect(shortage?.fill.map(({ packetId }) => packetId)).toEqual(['full']);
    expect(plan().shortage).toBeNull();
  });

  it('counts back from a date for every spot, last year’s lateness in it', () => {
    const target = { kind: 'plant_out' as const, atMs: NOW + 90 * DAY_MS };
    const [warm, cold] = plan({ target }).bySpot;
    expect(warm?.back?.daysBefore).toBeGreaterThan(10);
    expect(cold?.back === null || (cold?.back?.daysBefore ?? 0) > (warm?.back?.daysBefore ?? 0)).toBeTrue();
    const late = plan({ target, seasons: { nursingDays: [], lateness: [{ year: 2025, days: 12, kind: 'plant_out' }] } });
    expect((late.bySpot[0]?.back?.daysBefore ?? 0) - (warm?.back?.daysBefore ?? 0)).toBe(6);
    expect(late.lateness?.shiftDays).toBe(6);
    // A lateness of another goal says nothing of this one.
    expect(plan({ target, seasons: { nursingDays: [], lateness: [{ year: 2025, days: 12, kind: 'ripe' }] } }).lateness).toBeNull();
    // Seed drinks in its soak as it would on paper, a little quicker: the days count from the water.
    const dry = plan({ target, prepared: [] }).bySpot[0]?.back?.daysBefore ?? 0;
    expect(dry - (warm?.back?.daysBefore ?? 0)).toBeGreaterThanOrEqual(0);
    expect(dry - (warm?.back?.daysBefore ?? 0)).toBeLessThanOrEqual(2);
  });

  it('keeps the gardener’s number and still says how many it takes', () => {
    const fixed = plan({ seeds: 5 });
    expect([fixed.seeds, fixed.enough]).toEqual([5, plan().enough]);
    expect(fixed.chances.some(({ seeds }) => seeds === 5)).toBeTrue();
    const rising = plan().levels.map(({ seeds }) => seeds ?? Infinity);
    expect(rising).toEqual([...rising].sort((a, b) => a - b));
  });
});
