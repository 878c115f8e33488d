import type { Mark } from '@fresh-tuck/core/drawing';
import type { LabelGrid, LabelKind, PageSize, TemplateSpot } from '@fresh-tuck/core/paper';

/** What stands on one label. */
export interface LabelText {
  /** Of the household's run; null where what is labelled has none. */
  readonly number: number | null;
  /** The crop, a bag's or a spot's name. */
  readonly title: string;
  /** The variety. */
  readonly second: string;
  /** Count, date, what to do. */
  readonly details: string;
  /** What its code says. */
  readonly code: string;
  /** Stands where the hazard is; null where there is none. */
  readonly caution: string | null;
}

export interface LabelsJob {
  readonly kind: 'labels';
  readonly as: LabelKind;
  readonly grid: LabelGrid;
  readonly from: number;
  readonly labels: readonly LabelText[];
}

/** Seeds or plants to scale, split over as many pages as it takes. */
export interface TemplateJob {
  readonly kind: 'template';
  readonly page: PageSize;
  readonly title: string;
  readonly note: string;
  readonly widthMm: number;
  readonly heightMm: number;
  /** The fold, from the left; null where nothing is folded. */
  readonly foldMm: number | null;
  readonly spots: readonly TemplateSpot[];
  /** Of a seed, or of the hole for a plant; and the room that each needs. */
  readonly dotMm: number;
  readonly roomMm: number;
}

/** One parcel of a round on paper. */
export interface RoundRow {
  readonly number: number;
  readonly title: string;
  readonly seeds: number;
  /** What was seen last. */
  readonly last: string;
  readonly look: string;
  readonly act: string;
  /** What is counted there: "tips", "seedlings". */
  readonly counts: string;
  readonly caution: string | null;
}
export interface RoundJob {
  readonly kind: 'round';
  readonly page: PageSize;
  readonly title: string;
  readonly intro: string;
  readonly stations: readonly { readonly name: string; readonly warmth: string; readonly rows: readonly RoundRow[] }[];
  readonly cautions: readonly string[];
}

/** A drawing on one page with sentences under it: the garden year and its starts, the story of a batch. */
export interface DrawingJob {
  readonly kind: 'drawing';
  readonly page: PageSize;
  readonly title: string;
  readonly intro: string;
  readonly drawing: { readonly width: number; readonly height: number; readonly marks: readonly Mark[] };
  /** Sentences under it, in columns. */
  readonly lines: readonly string[];
}

export type PrintJob = LabelsJob | TemplateJob | RoundJob | DrawingJob;
export type PrintReply = { readonly key: number } & ({ readonly pdf: Uint8Array } | { readonly failed: string });
