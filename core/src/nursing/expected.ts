import { outlookFor, type Posterior } from '../forecast/index.js';

/** When a seedling that was last seen short of a step gets there, as progress: early, usual and late; and whether it still does. */
export interface Expected {
  /** One in ten of those that still come is there by the first, half by the second, nine in ten by the third. */
  readonly early: number;
  readonly usual: number;
  readonly late: number;
  /** Chance that it comes at all. */
  readonly comes: number;
}

/** As long as anybody would wait: in days at the best pace. */
const EVER = 4000;
/** Enough for an hour in a year. */
const HALVINGS = 22;

/**
 * What is expected of one seedling that was last seen short of a step.
 *
 * @param lastSeen progress at which it was seen not to be there
 */
export function expectedFrom(posterior: Posterior, lastSeen: number): Expected {
  const outlook = outlookFor(posterior, { progress: lastSeen, count: 1 });
  const comes = outlook.meanTipped(EVER);
  const by = (share: number): number => {
    let [low, high] = [Math.log(Math.max(lastSeen, 1e-3)), Math.log(EVER)];
    for (let step = 0; step < HALVINGS; step++) {
      const middle = (low + high) / 2;
      if (outlook.meanTipped(Math.exp(middle)) < share * comes) low = middle;
      else high = middle;
    }
    return Math.exp((low + high) / 2);
  };
  return { early: by(0.1), usual: by(0.5), late: by(0.9), comes };
}

/**
 * Chance that one that nobody has marked since still comes, had somebody looked now: what is
 * left of it by a progress. Near 0 its wait is over, but never quite.
 *
 * @param lastSeen seen short of the step; @param now progress today, nothing having shown by now
 */
export const stillComes = (posterior: Posterior, lastSeen: number, now: number): number =>
  outlookFor(posterior, { progress: Math.max(now, lastSeen), count: 1 }).meanTipped(EVER);
