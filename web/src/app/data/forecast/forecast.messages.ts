import type { Household } from '@fresh-tuck/contract';
import type { Report } from '@fresh-tuck/core/judging';
import type { ParcelFacts } from '@fresh-tuck/core/parcel';
import type { Plan as CorePlan, PlanAtSpot as CorePlanAtSpot, PlanQuestion, Way, WaysQuestion } from '@fresh-tuck/core/sowing';
import type { Told, WhyPanel } from '@fresh-tuck/core/words';

export type { PlanQuestion };
/** A spot with what it would do, as Today would tell it. */
export interface PlanAtSpot extends CorePlanAtSpot {
  readonly answers: Report;
  /** What of it would be late while nobody is there, in a sentence; null where nothing is. */
  readonly away: string | null;
}
/** What Tuck in answers. */
export interface Plan extends Omit<CorePlan, 'bySpot'> {
  readonly bySpot: readonly PlanAtSpot[];
}

interface Asked {
  readonly key: number;
  readonly household: Household;
  readonly nowMs: number;
}
export type WorkerRequest =
  | (Asked & { readonly kind: 'parcel' | 'why'; readonly facts: ParcelFacts })
  | (Asked & { readonly kind: 'plan'; readonly question: PlanQuestion })
  | (Asked & { readonly kind: 'ways'; readonly question: WaysQuestion });

export type WorkerReply =
  | { readonly key: number; readonly kind: 'parcel'; readonly answers: Report; readonly judgement: Told }
  | { readonly key: number; readonly kind: 'plan'; readonly plan: Plan }
  | { readonly key: number; readonly kind: 'ways'; readonly ways: readonly Way[] }
  | { readonly key: number; readonly kind: 'why'; readonly why: WhyPanel }
  | { readonly key: number; readonly kind: 'failed'; readonly message: string };
