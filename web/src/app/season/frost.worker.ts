/// <reference lib="webworker" />
import Papa from 'papaparse';
import { LoggerProblem } from '@fresh-tuck/core/logger';
import { isoOf, minimaFrom } from '@fresh-tuck/core/season';
import type { FrostReply } from './frost.messages';

const say = (reply: FrostReply): void => postMessage(reply);

async function read(file: File): Promise<void> {
  try {
    const { data } = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
    const { minima, heading, unit, hourly } = minimaFrom(data);
    const read = minima.celsius.filter((value) => value !== null).length;
    say({
      kind: 'read',
      first: isoOf(minima.first),
      last: isoOf(minima.first + minima.celsius.length - 1),
      celsius: minima.celsius,
      heading,
      unit,
      hourly,
      read,
    });
  } catch (error) {
    if (!(error instanceof LoggerProblem)) console.error(error);
    say({ kind: 'failed', why: error instanceof LoggerProblem ? error.message : 'This file could not be read as a table of text.' });
  }
}

addEventListener('message', ({ data }: MessageEvent<File>) => void read(data));
