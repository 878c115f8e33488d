import type { LotQuestion, LotYear } from '@fresh-tuck/core/season';
import type { SownTray, Sowing } from './begun.js';
import type { PlannedLot } from './chains.js';
import type { Wish } from './store.js';

/** A lot of the season with all that its answers are made of. */
export interface Lot {
  readonly wish: Wish;
  readonly planned: PlannedLot;
  readonly question: LotQuestion | null;
  readonly year: LotYear | null;
  readonly sowing: Sowing | null;
  /** Where it grows on: as it is wished, and once it stands there, where each of its trays stands. */
  readonly litId: string | null;
  readonly stands: readonly LotPlace[];
}
/** Part of a lot that stands in one place. */
export interface LotPlace {
  readonly spotId: string;
  readonly tray: SownTray;
}
