import type { Crop } from '../crops/index.js';
import type { UnitSystem } from '../units/index.js';

/** What is typed or chosen on the bench. */
export interface BenchField {
  readonly key: string;
  readonly label: string;
  readonly kind: 'number' | 'length' | 'temperature' | 'volume' | 'weight' | 'choice' | 'crop' | 'any';
  readonly unit?: string;
  readonly initial: string;
  readonly low?: number;
  readonly high?: number;
  /** Leaves the field open: it is what is asked for. */
  readonly optional?: boolean;
  readonly choices?: readonly { readonly value: string; readonly text: string }[];
}
/** Where a result belongs. */
export type BenchPlace = 'note' | 'tuck' | 'count' | 'lamp' | 'crop' | 'copy';
/** What came out. */
export interface BenchResult {
  readonly lines: readonly string[];
  readonly place: { readonly to: BenchPlace; readonly text: string; readonly value: string };
  readonly caution?: string;
}
export interface BenchSetting {
  readonly units: UnitSystem;
  readonly millilitresPerSpray: number;
  readonly crop: Crop | null;
}
/** A tool of the bench: its fields, its formula, and what it works out. */
export interface BenchTool {
  readonly id: string;
  readonly title: string;
  readonly formula: string;
  readonly fields: readonly BenchField[];
  /** @throws RangeError in a sentence, where the figures do not go together */
  readonly work: (values: Readonly<Record<string, number>>, texts: Readonly<Record<string, string>>, setting: BenchSetting) => BenchResult;
}

/** A figure of the bench by its field. */
export const of = (values: Readonly<Record<string, number>>, key: string): number => values[key] ?? NaN;
