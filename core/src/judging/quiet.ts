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

/** Further plants to expect from each school, and the space that it takes. */
export const quietChoices = ({ end, planted, state }: Answers): QuietChoice[] => [
  { school: 'retuck', low: end.low, high: end.high, places: 0 },
  { school: 'plant', low: planted.low, high: planted.high, places: state.quiet },
  { school: 'stop', low: 0, high: 0, places: 0 },
];
