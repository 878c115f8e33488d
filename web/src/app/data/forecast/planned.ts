import { reportFor } from '@fresh-tuck/core/judging';
import { startedAway } from '@fresh-tuck/core/looking';
import { methodFor } from '@fresh-tuck/core/method';
import type { House, Absence } from '@fresh-tuck/core/parcel';
import { planFor, type PlanQuestion } from '@fresh-tuck/core/sowing';
import type { Words } from '@fresh-tuck/core/units';
import { startAwayInWords } from '@fresh-tuck/core/words';
import type { Plan } from './forecast.messages';

/** What Tuck in answers, as its worker works it out: every spot with what it would do, as Today would tell it. */
export function planned(
  question: PlanQuestion,
  house: House & { readonly away: readonly Absence[] },
  millilitresPerSpray: number,
  words: Pick<Words, 'moment'>,
): Plan {
  const plan = planFor(question, house, millilitresPerSpray);
  const bySpot = plan.bySpot.map((spot) => {
    const answers = reportFor(spot.facts, question.startMs);
    const clash = startedAway(answers.window, house.away, question.startMs);
    return { ...spot, answers, away: clash && startAwayInWords(clash, methodFor(spot.facts.method, spot.facts.crop), words) };
  });
  return { ...plan, bySpot };
}
