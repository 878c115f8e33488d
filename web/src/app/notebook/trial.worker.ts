/// <reference lib="webworker" />
import { sizeOf, trialShown } from './shown';
import type { TrialQuestion, TrialReply } from './trial.messages';

const say = (reply: TrialReply): void => postMessage(reply);

addEventListener('message', ({ data }: MessageEvent<TrialQuestion>) => {
  try {
    if (data.kind === 'size') return say({ kind: 'size', ...sizeOf(data) });
    say({ kind: 'compared', shown: trialShown(data, (done) => say({ kind: 'progress', done })) });
  } catch (error) {
    say({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
});
