import type { LINK_KINDS } from '@fresh-tuck/contract';
import type { Damping, Light, Medium, Wetness } from '@fresh-tuck/core/carrier';
import type { CarrierKind, MethodId } from '@fresh-tuck/core/method';

/** A batch as it is stored, with its first carrier. */
export interface BatchRow {
  readonly id: string;
  readonly number: number;
  /** Taken back, and another was tucked in in its place, with its label. */
  readonly label_gone?: boolean;
  readonly token: string;
  readonly packet_id: string;
  readonly seeds: number;
  /** Taken from the packet where it is not the seeds laid: husks that split. */
  readonly taken: number | null;
  readonly wanted: number | null;
  readonly start_ms: number;
  readonly chill_until_ms: number | null;
  readonly soak_until_ms: number | null;
  readonly damped: Damping | null;
  readonly wet: Wetness | null;
  readonly light: Light | null;
  readonly chilled_days: number;
  readonly chill_dry: 0 | 1;
  readonly from_id: string | null;
  readonly from_kind: (typeof LINK_KINDS)[number] | null;
  /** JSON of what was agreed; null where nothing was. */
  readonly second_step: string | null;
  readonly prepared: string;
  readonly method: MethodId;
  readonly purpose: 'plants' | 'test';
  readonly final_ms: number | null;
  readonly aim: string;
  readonly dose_ml: number;
  readonly recorded_ms: number;
  /** Its only carrier, or the first of a test's. */
  readonly carrier_id: string;
  readonly carrier_kind: CarrierKind;
  readonly width_mm: number | null;
  readonly height_mm: number | null;
  readonly places: number | null;
  readonly medium: Medium | null;
}

/** A closing, or a test's final count, that counts. */
export interface BatchEnd {
  /** Of the batch. */
  readonly id: string;
  readonly endId: string;
  /** The last line of its journal: names what it holds. */
  readonly lastEntry: number;
  readonly atMs: number;
  readonly packetId: string;
  readonly cropId: string;
}

export interface CarrierPlace {
  readonly id: string;
  readonly holder_id: string;
  readonly from_ms: number;
  readonly recorded_ms: number;
}

export type NewBatch = Omit<BatchRow, 'carrier_id' | 'carrier_kind' | 'width_mm' | 'height_mm' | 'places' | 'medium'>;
export interface NewCarrier extends Pick<BatchRow, 'width_mm' | 'height_mm' | 'places' | 'medium'> {
  readonly id: string;
  readonly batch_id: string;
  readonly kind: CarrierKind;
  readonly plies: number | null;
  readonly seeds: number | null;
}
