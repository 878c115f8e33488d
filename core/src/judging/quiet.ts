import type { Answers } from '../parcel/index.js';

/** What could be done with the seeds still quiet on moving day. */
export interface QuietChoice {
  readonly school: 'retuck' | 'plant' | 'stop';
  /** Plants to expect from it, 8 times in 10. */
  readonly low: number;
  readonly high: number;
  /** Cups that it takes whether anything comes or not. */
  readonly places: number;
}

/** A seed planted unproved comes up a little less surely than a sprout that was seen. Guess. */
const UNPROVED = 0.85;

/** Further plants to expect from each school, and the space that it takes. */
export function quietChoices({ end, state, chanceQuietAlive }: Answers): QuietChoice[] {
  const planted = chanceQuietAlive * UNPROVED;
  const spread = 1.2816 * Math.sqrt(state.quiet * planted * (1 - planted));
  return [
    { school: 'retuck', low: end.low, high: end.high, places: 0 },
    {
      school: 'plant',
      low: Math.max(Math.floor(state.quiet * planted - spread), 0),
      high: Math.min(Math.ceil(state.quiet * planted + spread), state.quiet),
      places: state.quiet,
    },
    { school: 'stop', low: 0, high: 0, places: 0 },
  ];
}
