import type { PlaceKind } from '@fresh-tuck/contract';
import type { Climate } from '@fresh-tuck/core/practice';

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
