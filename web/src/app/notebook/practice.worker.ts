/// <reference lib="webworker" />
import { practiceRun } from '@fresh-tuck/core/practice';
import type { PracticeQuestion, PracticeReply } from './practice.messages';

addEventListener('message', ({ data }: MessageEvent<PracticeQuestion>) => {
  const say = (reply: PracticeReply): void => postMessage(reply);
  try {
    say({ kind: 'run', exercises: practiceRun(data.crops, data.seed) });
  } catch (error) {
    say({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
});
