import type { HouseSetup } from '../carrier/index.js';
import type { RootSchool } from '../moving/index.js';

/** How a household looks, moves and judges: its settings, with what holds where it never said. */
export interface HouseWays {
  /** How it lays seed, where the crop does not ask for another way. */
  readonly laid?: HouseSetup;
  /** At which root it moves sprouts. */
  readonly rootSchool: RootSchool;
  /** Whether a look through the bag comes first where that is enough. */
  readonly unopenedFirst: boolean;
  /** Below this chance of any further tip within patience, a lot is given up or begun another way. */
  readonly leastHope: number;
  /** Sureness at which the wish should be met before nothing is added. */
  readonly sureness: number;
  /** So unlikely must a lot's showing be, by what its packet proved, before the packet is doubted. */
  readonly retestChance: number;
  /** Patience at the least, in medians of the crop: from then on what is known of the lot decides. */
  readonly patienceTimes: number;
}

/** Chance at a look that waiting for the next lets any root past "late" unseen, until the household says otherwise. Found by trying (docs/plan.md). */
export const USUAL_LATE_RISK = 0.02;

export const USUAL_WAYS: HouseWays = {
  rootSchool: 'crop',
  unopenedFirst: false,
  leastHope: 0.1,
  sureness: 0.9,
  retestChance: 0.05,
  patienceTimes: 2,
};
