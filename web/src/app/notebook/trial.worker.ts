/// <reference lib="webworker" />
import { trialSize } from '@fresh-tuck/core/trials';
import { trialShown } from './shown';
import type { TrialQuestion, TrialReply } from './trial.messages';

const say = (reply: TrialReply): void => postMessage(reply);

addEventListener('message', ({ data }: MessageEvent<TrialQuestion>) => {
  try {
    if (data.kind === 'size') return say({ kind: 'size', ...trialSize(data.seeds, data.care, data.seed, data.sides) });
    say({ kind: 'compared', shown: trialShown(data, (done) => say({ kind: 'progress', done })) });
  } catch (error) {
    say({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
});
