/// <reference lib="webworker" />
import { reportFor, whyFor } from '@fresh-tuck/core/judging';
import { toldFor, whyInWords } from '@fresh-tuck/core/words';
import { wordsFor } from '@fresh-tuck/core/units';
import { rankWays } from '@fresh-tuck/core/sowing';
import { planned } from './planned';
import type { WorkerReply, WorkerRequest } from './forecast.messages';

function answer(request: WorkerRequest): WorkerReply {
  const { household, nowMs } = request;
  const words = wordsFor(household.zone, household.units, nowMs, household.millilitresPerSpray);
  try {
    if (request.kind === 'plan') {
      const plan = planned(request.question, household, household.millilitresPerSpray, words);
      return { key: request.key, kind: 'plan', plan };
    }
    if (request.kind === 'ways') return { key: request.key, kind: 'ways', ways: rankWays(request.question, household) };
    if (request.kind === 'why')
      return { key: request.key, kind: 'why', why: whyInWords(whyFor(request.facts, nowMs), request.facts, words) };
    const answers = reportFor(request.facts, nowMs);
    return { key: request.key, kind: 'parcel', answers, judgement: toldFor(request.facts, answers, words) };
  } catch (error) {
    return { key: request.key, kind: 'failed', message: error instanceof Error ? error.message : String(error) };
  }
}

addEventListener('message', ({ data }: MessageEvent<WorkerRequest>) => {
  postMessage(answer(data));
});
