import type { PlaceKind } from '@fresh-tuck/contract';
import type { MethodId } from '@fresh-tuck/core/method';
import type { Destination } from '@fresh-tuck/core/moving';
import type { Lot } from './laws/lots.js';
import type { Climate } from './laws/warmth.js';

/** Number 9, Lantern Court: an invented household in an invented harbour town. */
export const HOUSEHOLD = {
  name: '9 Lantern Court',
  zone: 'Europe/Copenhagen',
  units: 'metric',
  lookingTimes: ['07:00', '18:30'],
  millilitresPerSpray: 0.8,
  frost: { monthDay: '05-10', giveDays: 10, guessed: false },
} as const;

/** How it raises what it moved, and under which sky. */
export const NURSING = {
  schools: { set: 'hole', firm: 'settled', pot: 'one', watered: 'below', cover: 'up' },
  sky: { latitude: 55.6, longitude: 12.4, sunshine: 0.4 },
} as const;

/** The morning on which the demo opens. */
export const DEMO_NOW = '2026-04-11T07:10';

export const SPOTS: readonly { name: string; kind: PlaceKind; climate: Climate; measured: boolean }[] = [
  { name: 'Hall cupboard', kind: 'cupboard', climate: { meanC: 26.8, swingC: 1.2 }, measured: true },
  { name: 'Mat, kitchen shelf', kind: 'mat', climate: { meanC: 28.4, swingC: 2 }, measured: true },
  { name: 'Fridge top', kind: 'fridge_top', climate: { meanC: 22.4, swingC: 3 }, measured: true },
  { name: 'Cold drawer', kind: 'fridge', climate: { meanC: 4.2, swingC: 0.8 }, measured: false },
];

/** How the mat is set up: what its probe finds when it is first asked. */
export const MAT = {
  spot: 'Mat, kitchen shelf',
  setup: {
    lidded: true,
    cloths: 0,
    mat: { watts: 20, setC: 28.4, bandC: 1.5, probe: 'fold' },
    sun: null,
    room: { minC: 18.5, maxC: 22.5 },
    pricePerKWh: 0.31,
  },
} as const;

export interface DemoParcel {
  readonly cropId: string;
  readonly variety: string;
  readonly year: number;
  readonly source: string;
  readonly printedRatePercent: number | null;
  readonly packetSeeds: number;
  readonly seeds: number;
  readonly wanted: number;
  readonly start: string;
  readonly chillDays: number | null;
  readonly prepared: readonly ('soak' | 'nick')[];
  readonly spot: string;
  readonly closure: 'sealed_air' | 'lidded' | 'corner_open';
  /** Parcels with the same bag lie together. */
  readonly bag: string;
  /** Which way it was started; a towel where nothing stands. */
  readonly method?: MethodId;
  readonly places?: number;
  readonly destination?: Destination;
  /** Put into the water at its start. */
  readonly soaking?: boolean;
  readonly towel: { readonly widthMm: number; readonly heightMm: number };
  readonly lot: Lot;
  readonly randomSeed: number;
  /** When somebody looked, and whether they touched seeds or only counted. */
  readonly looks: readonly string[];
  readonly counts: boolean;
  /** What the towel felt like at the look with the same index; damp where nothing stands. */
  readonly damp?: Readonly<Record<number, 'damp' | 'drying'>>;
  /** Roots from this length on were moved to cups at each look before the demo opens. */
  readonly movedFromMm: number | null;
  /** What the parcel is there to show. */
  readonly shows: string;
}

const steady: Lot = { living: 0.9, pace: 1, law: 'gamma', dormant: 0, dormantTimes: 1 };

/** Every day from the first to the last at the given hours. */
const every = (month: string, first: number, last: number, hours: readonly string[]): string[] =>
  Array.from({ length: last - first + 1 }, (_, index) => `2026-${month}-${String(first + index).padStart(2, '0')}`).flatMap((day) =>
    hours.map((hour) => `${day}T${hour}`),
  );

export const PARCELS: readonly DemoParcel[] = [
  {
    shows: 'chilling',
    cropId: 'strawberry',
    variety: 'Lighthouse Row',
    year: 2025,
    source: 'saved here',
    printedRatePercent: null,
    packetSeeds: 90,
    seeds: 16,
    wanted: 8,
    start: '2026-03-28T18:40',
    chillDays: 21,
    prepared: [],
    spot: 'Cold drawer',
    closure: 'sealed_air',
    bag: 'a',
    towel: { widthMm: 280, heightMm: 110 },
    lot: { ...steady, living: 0.7 },
    randomSeed: 0.11,
    looks: ['2026-04-04T09:00'],
    counts: false,
    movedFromMm: null,
  },
  {
    shows: 'drying',
    cropId: 'celeriac',
    variety: 'Grey Quay',
    year: 2025,
    source: 'swap table',
    printedRatePercent: 78,
    packetSeeds: 240,
    seeds: 11,
    wanted: 6,
    start: '2026-04-07T18:35',
    chillDays: null,
    prepared: [],
    spot: 'Fridge top',
    closure: 'lidded',
    bag: 'b',
    towel: { widthMm: 280, heightMm: 110 },
    lot: { ...steady, living: 0.82, law: 'log_logistic' },
    randomSeed: 0.23,
    looks: [],
    counts: false,
    movedFromMm: null,
  },
  {
    shows: 'a straggler lot',
    cropId: 'tomatillo',
    variety: 'Harbour Lantern',
    year: 2023,
    source: 'saved here',
    printedRatePercent: null,
    packetSeeds: 40,
    seeds: 12,
    wanted: 10,
    start: '2026-04-01T07:20',
    chillDays: null,
    prepared: [],
    spot: 'Hall cupboard',
    closure: 'sealed_air',
    bag: 'c',
    towel: { widthMm: 280, heightMm: 110 },
    lot: { living: 0.92, pace: 0.95, law: 'weibull', dormant: 0.5, dormantTimes: 2.7 },
    randomSeed: 0.37,
    looks: every('04', 4, 10, ['07:05', '18:30']),
    counts: false,
    movedFromMm: 5,
  },
  {
    shows: 'in a shared bag',
    cropId: 'chives',
    variety: 'Pier Green',
    year: 2025,
    source: 'seed shelf',
    printedRatePercent: 80,
    packetSeeds: 150,
    seeds: 14,
    wanted: 8,
    start: '2026-04-08T18:40',
    chillDays: null,
    prepared: [],
    spot: 'Fridge top',
    closure: 'sealed_air',
    bag: 'd',
    towel: { widthMm: 280, heightMm: 110 },
    lot: { ...steady, law: 'log_logistic', pace: 1.1 },
    randomSeed: 0.41,
    looks: ['2026-04-10T18:35'],
    counts: false,
    movedFromMm: null,
  },
  {
    shows: 'only counted',
    cropId: 'leek',
    variety: 'Bollard',
    year: 2024,
    source: 'seed shelf',
    printedRatePercent: 85,
    packetSeeds: 120,
    seeds: 20,
    wanted: 12,
    start: '2026-04-06T18:40',
    chillDays: null,
    prepared: [],
    spot: 'Fridge top',
    closure: 'sealed_air',
    bag: 'd',
    towel: { widthMm: 280, heightMm: 110 },
    lot: { ...steady, living: 0.85, pace: 1.05 },
    randomSeed: 0.117,
    looks: ['2026-04-07T18:40', '2026-04-09T07:05', '2026-04-10T18:35'],
    counts: true,
    movedFromMm: null,
  },
  {
    shows: 'a dud',
    cropId: 'melon',
    variety: 'Salt Stair',
    year: 2016,
    source: 'found in a drawer',
    printedRatePercent: null,
    packetSeeds: 14,
    seeds: 6,
    wanted: 4,
    start: '2026-03-31T18:40',
    chillDays: null,
    prepared: ['soak'],
    spot: 'Mat, kitchen shelf',
    closure: 'sealed_air',
    bag: 'e',
    towel: { widthMm: 280, heightMm: 140 },
    lot: { ...steady, living: 0 },
    randomSeed: 0.61,
    looks: every('04', 2, 9, ['18:30']),
    counts: false,
    movedFromMm: null,
  },
  {
    shows: 'looked at late',
    cropId: 'sweet-pea',
    variety: 'Night Ferry',
    year: 2025,
    source: 'gift',
    printedRatePercent: 85,
    packetSeeds: 30,
    seeds: 9,
    wanted: 6,
    start: '2026-04-04T18:50',
    chillDays: null,
    prepared: ['nick', 'soak'],
    spot: 'Fridge top',
    closure: 'sealed_air',
    bag: 'f',
    towel: { widthMm: 280, heightMm: 140 },
    lot: { ...steady, pace: 1.15, law: 'log_logistic' },
    randomSeed: 0.117,
    looks: ['2026-04-06T18:30'],
    counts: false,
    movedFromMm: null,
  },
  {
    shows: 'ready',
    cropId: 'okra',
    variety: 'Tall Mast',
    year: 2024,
    source: 'saved here',
    printedRatePercent: 80,
    packetSeeds: 31,
    seeds: 8,
    wanted: 5,
    start: '2026-04-07T18:40',
    chillDays: null,
    prepared: ['nick', 'soak'],
    spot: 'Hall cupboard',
    closure: 'sealed_air',
    bag: 'g',
    towel: { widthMm: 280, heightMm: 110 },
    lot: { ...steady, pace: 0.72, law: 'weibull' },
    randomSeed: 0.519,
    looks: ['2026-04-09T07:05', '2026-04-10T07:05', '2026-04-10T18:30'],
    counts: false,
    movedFromMm: null,
  },
  {
    shows: 'in slots',
    cropId: 'dill',
    variety: 'Net Loft',
    year: 2025,
    source: 'swap table',
    printedRatePercent: 75,
    packetSeeds: 110,
    seeds: 4,
    wanted: 2,
    start: '2026-04-08T19:00',
    chillDays: null,
    prepared: [],
    spot: 'Fridge top',
    closure: 'lidded',
    bag: 'h',
    method: 'pod',
    places: 4,
    destination: 'slot',
    towel: { widthMm: 280, heightMm: 110 },
    lot: { ...steady, living: 0.8 },
    randomSeed: 0.31,
    looks: [],
    counts: true,
    movedFromMm: null,
  },
  {
    shows: 'in cells',
    cropId: 'sorrel',
    variety: 'Tide Table',
    year: 2024,
    source: 'saved here',
    printedRatePercent: null,
    packetSeeds: 300,
    seeds: 12,
    wanted: 8,
    start: '2026-04-08T19:10',
    chillDays: null,
    prepared: [],
    spot: 'Fridge top',
    closure: 'lidded',
    bag: 'i',
    method: 'plug',
    places: 12,
    destination: 'plug',
    towel: { widthMm: 280, heightMm: 110 },
    lot: { ...steady, pace: 0.9 },
    randomSeed: 0.47,
    looks: ['2026-04-10T18:35'],
    counts: true,
    movedFromMm: null,
  },
  {
    shows: 'in its soak',
    cropId: 'soybean',
    variety: 'Keel Green',
    year: 2025,
    source: 'gift',
    printedRatePercent: 90,
    packetSeeds: 40,
    seeds: 7,
    wanted: 5,
    start: '2026-04-11T06:40',
    chillDays: null,
    prepared: ['soak'],
    soaking: true,
    spot: 'Fridge top',
    closure: 'sealed_air',
    bag: 'j',
    towel: { widthMm: 280, heightMm: 140 },
    lot: { ...steady },
    randomSeed: 0.53,
    looks: [],
    counts: false,
    movedFromMm: null,
  },
];
