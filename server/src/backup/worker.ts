import { parentPort, workerData } from 'node:worker_threads';
import { DatabaseTrouble } from '../db/identity.js';
import { type Job, work } from './jobs.js';

/** Does one job and ends. */
work(workerData as Job).then(
  (result) => parentPort?.postMessage({ result }),
  (error: Error & { code?: string }) =>
    parentPort?.postMessage({
      failed: { message: error.message, code: error.code, trouble: error instanceof DatabaseTrouble ? error.reason : null },
    }),
);
