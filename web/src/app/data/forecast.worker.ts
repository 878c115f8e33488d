/// <reference lib="webworker" />
import { answersFor, judge, whyFor, wordsFor } from '@fresh-tuck/core';
import { planFor } from './plan';
import type { WorkerReply, WorkerRequest } from './forecast.messages';

function answer(request: WorkerRequest): WorkerReply {
  const { household, nowMs } = request;
  const words = wordsFor(household.zone, household.units, nowMs, household.millilitresPerSpray);
  try {
    if (request.kind === 'plan') return { key: request.key, kind: 'plan', plan: planFor(request.question, household, nowMs) };
    if (request.kind === 'why') return { key: request.key, kind: 'why', why: whyFor(request.facts, nowMs, words) };
    const answers = answersFor(request.facts, nowMs);
    return { key: request.key, kind: 'parcel', answers, judgement: judge(request.facts, answers, words) };
  } catch (error) {
    return { key: request.key, kind: 'failed', message: error instanceof Error ? error.message : String(error) };
  }
}

addEventListener('message', ({ data }: MessageEvent<WorkerRequest>) => {
  postMessage(answer(data));
});
