import { parentPort, workerData } from 'node:worker_threads';
import Sqlite from 'better-sqlite3';
import { fileCache } from '../forecasts/lot-cache.js';
import { Problem } from '../http/problem.js';
import type { FromWorker, ToWorker } from './ask.js';
import { answering } from './questions.js';
import { readerOn } from '../forecasts/reader.js';

/** Reads the household beside the request loop, through a connection that cannot write. */
const { file } = workerData as { file: string };
const db = new Sqlite(file, { readonly: true });
db.pragma('foreign_keys = ON');
const cache = fileCache(db);
const answer = answering(readerOn(db, cache));

function reply(message: ToWorker): FromWorker {
  const { key } = message;
  try {
    if (message.kind === 'end') {
      cache.close();
      db.close();
    }
    const found = message.kind === 'ask' ? answer(message.name, message.nowMs, message.args) : null;
    return { key, body: new TextEncoder().encode(JSON.stringify(found ?? null)) };
  } catch (error) {
    if (error instanceof Problem) {
      const { status, title, detail, errors } = error;
      return { key, problem: { status, title, detail, errors } };
    }
    const { message: text, stack, code } = error as Error & { code?: string };
    return { key, failed: { message: text, stack, code } };
  }
}

parentPort?.on('message', (message: ToWorker) => {
  const answered = reply(message);
  parentPort?.postMessage(answered, 'body' in answered ? [answered.body.buffer as ArrayBuffer] : []);
});
