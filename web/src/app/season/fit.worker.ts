/// <reference lib="webworker" />
import { planThatFits } from '@fresh-tuck/core/season';
import type { FitQuestion, FitReply } from './fit.messages';

const say = (reply: FitReply): void => postMessage(reply);

addEventListener('message', ({ data }: MessageEvent<FitQuestion>) => {
  try {
    const fit = planThatFits(data, (done) => {
      say({ kind: 'progress', done });
      return true;
    });
    say({ kind: 'fit', fit });
  } catch (error) {
    say({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
});
