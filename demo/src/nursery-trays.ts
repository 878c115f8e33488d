/** As far as the demo's seedlings have come. */
export type Stage = 'up' | 'seed_leaves' | 'true_leaves' | 'roots_out' | 'hardening';
/** So many of the tray, from its first label or from its last, were seen at a stage on a morning. */
type Mark = readonly [local: string, count: number, stage: Stage, from?: 'last'];

/** A tray of the demo household as it was typed day by day. */
export interface DemoTray {
  readonly cropId: string;
  readonly variety: string;
  readonly year: number;
  readonly packetSeeds: number;
  readonly seeds: number;
  readonly moved: number;
  readonly destination: 'cell' | 'cup' | 'pot' | 'slot' | 'pellet';
  /** Begun, seen with its tips, and moved. */
  readonly start: string;
  readonly moveAt: string;
  readonly spot: string;
  readonly marks: readonly Mark[];
  readonly lidOff?: string;
  readonly watered: string;
  /** Sprouts to a pot. */
  readonly perPot?: number;
  /** Slots of the rack, in the order of its labels. */
  readonly slots?: readonly number[];
  /** When it was planted out in the courtyard. */
  readonly out?: string;
}

/** Places where nothing sprouts: the sill, the shelf under the lamp, the porch. */
export const NURSERY_SPOTS = [
  {
    name: 'Window sill',
    kind: 'sill',
    light: { daylit: 'window', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp: null },
  },
  {
    name: 'Lit shelf',
    kind: 'room',
    light: {
      ...{ daylit: 'window', facing: 'side', glazing: 'two', metresIn: 1, opposite: false },
      lamp: { kind: 'white', micromol: 190, gapCm: 28, watts: 36, hours: null },
    },
  },
  { name: 'Porch', kind: 'cool_room', light: { daylit: 'roof', facing: 'noon', glazing: 'one', metresIn: 0, opposite: false, lamp: null } },
] as const;

/** What was moved since the end of winter. */
export const TRAYS: readonly DemoTray[] = [
  {
    ...{ cropId: 'tomatillo', variety: 'Paper Buoy', year: 2025, packetSeeds: 30, seeds: 5, moved: 4, destination: 'cup' },
    ...{
      start: '2026-03-14T18:30',
      moveAt: '2026-03-20T07:20',
      spot: 'Window sill',
      lidOff: '2026-03-25T07:10',
      watered: '2026-04-09T07:00',
    },
    marks: [
      ['2026-03-24T07:00', 4, 'up'],
      ['2026-03-28T07:00', 4, 'seed_leaves'],
      ['2026-04-08T07:00', 2, 'true_leaves', 'last'],
    ],
  },
  {
    ...{ cropId: 'okra', variety: 'Yardarm', year: 2024, packetSeeds: 24, seeds: 5, moved: 3, destination: 'cup' },
    ...{
      start: '2026-03-05T18:30',
      moveAt: '2026-03-10T07:20',
      spot: 'Window sill',
      lidOff: '2026-03-16T07:10',
      watered: '2026-04-10T07:00',
    },
    marks: [
      ['2026-03-15T07:00', 3, 'up'],
      ['2026-03-18T07:00', 3, 'seed_leaves'],
      ['2026-03-29T07:00', 3, 'true_leaves'],
      ['2026-04-10T18:30', 2, 'roots_out'],
    ],
  },
  {
    ...{ cropId: 'leek', variety: 'Long Mole', year: 2025, packetSeeds: 250, seeds: 70, moved: 60, destination: 'cell' },
    ...{ start: '2026-03-25T18:30', moveAt: '2026-04-02T07:20', spot: 'Lit shelf', watered: '2026-04-08T07:00' },
    marks: [
      ['2026-04-08T07:00', 12, 'up'],
      ['2026-04-10T18:30', 41, 'up'],
    ],
  },
  {
    ...{ cropId: 'chives', variety: 'Slipway', year: 2025, packetSeeds: 90, seeds: 5, moved: 3, destination: 'slot' },
    ...{ start: '2026-03-10T18:30', moveAt: '2026-03-18T07:20', spot: 'Lit shelf', watered: '2026-04-05T07:00' },
    marks: [
      ['2026-03-23T07:00', 3, 'up'],
      ['2026-03-29T07:00', 2, 'seed_leaves'],
      ['2026-04-09T07:00', 2, 'true_leaves'],
    ],
    slots: [2, 5, 6],
  },
  {
    ...{ cropId: 'strawberry', variety: 'Beacon Red', year: 2025, packetSeeds: 40, seeds: 8, moved: 3, destination: 'pellet' },
    ...{
      start: '2026-02-20T18:30',
      moveAt: '2026-03-12T07:20',
      spot: 'Lit shelf',
      lidOff: '2026-03-24T07:00',
      watered: '2026-04-09T07:00',
    },
    marks: [
      ['2026-03-22T07:00', 2, 'up'],
      ['2026-03-27T07:00', 2, 'seed_leaves'],
      ['2026-04-08T07:00', 1, 'true_leaves'],
    ],
  },
  {
    ...{ cropId: 'sweet-pea', variety: 'Foghorn', year: 2025, packetSeeds: 20, seeds: 6, moved: 5, destination: 'pot' },
    ...{ start: '2026-02-24T18:30', moveAt: '2026-03-02T07:20', spot: 'Porch', lidOff: '2026-03-10T07:10', watered: '2026-04-10T07:00' },
    marks: [
      ['2026-03-09T07:00', 5, 'up'],
      ['2026-03-13T07:00', 5, 'true_leaves'],
      ['2026-04-09T07:00', 5, 'hardening'],
    ],
  },
  {
    ...{ cropId: 'globe-artichoke', variety: 'Customs House', year: 2025, packetSeeds: 12, seeds: 4, moved: 3, destination: 'pot' },
    ...{ start: '2026-02-18T18:30', moveAt: '2026-02-26T07:20', spot: 'Porch', lidOff: '2026-03-06T07:10', watered: '2026-04-10T07:00' },
    marks: [
      ['2026-03-05T07:00', 3, 'up'],
      ['2026-03-08T07:00', 3, 'seed_leaves'],
      ['2026-03-17T07:00', 3, 'true_leaves'],
    ],
  },
  {
    ...{ cropId: 'morning-glory', variety: 'Lamp Oil', year: 2025, packetSeeds: 20, seeds: 5, moved: 4, destination: 'pot' },
    ...{
      start: '2026-03-18T18:30',
      moveAt: '2026-03-23T07:20',
      spot: 'Window sill',
      lidOff: '2026-03-29T07:10',
      watered: '2026-04-10T07:00',
    },
    perPot: 2,
    marks: [
      ['2026-03-28T07:00', 4, 'up'],
      ['2026-04-01T07:00', 4, 'seed_leaves'],
      ['2026-04-10T07:00', 1, 'true_leaves'],
      ['2026-04-10T07:00', 1, 'true_leaves', 'last'],
    ],
  },
  {
    ...{ cropId: 'lupin', variety: 'Lock Gate', year: 2025, packetSeeds: 120, seeds: 10, moved: 8, destination: 'cell' },
    ...{ start: '2026-02-12T18:30', moveAt: '2026-02-18T07:20', spot: 'Porch', lidOff: '2026-02-26T07:10', watered: '2026-04-05T07:00' },
    marks: [
      ['2026-02-25T07:00', 8, 'up'],
      ['2026-03-03T07:00', 8, 'seed_leaves'],
      ['2026-03-14T07:00', 8, 'true_leaves'],
      ['2026-03-31T07:00', 8, 'hardening'],
    ],
    out: '2026-04-09T17:30',
  },
];
