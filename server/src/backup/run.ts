import { DatabaseTrouble } from '../db/identity.js';
import { startThread } from '../http/thread.js';
import type { Job, JobResults } from './jobs.js';

type Reply = { readonly result: unknown } | { readonly failed: { message: string; code?: string; trouble: string | null } };

/** One job at a time: two copies at once would only be in each other's way. */
let last: Promise<unknown> = Promise.resolve();

/** Does a job in a thread of its own. @throws DatabaseTrouble, or what the disk says */
export function runJob<K extends Job['kind']>(job: Extract<Job, { kind: K }>): Promise<JobResults[K]> {
  const run = (): Promise<JobResults[K]> =>
    new Promise((resolve, reject) => {
      const thread = startThread('copying', new URL('./worker.ts', import.meta.url), job);
      thread.once('message', (reply: Reply) => {
        if ('result' in reply) resolve(reply.result as JobResults[K]);
        else if (reply.failed.trouble !== null) reject(new DatabaseTrouble(reply.failed.message, reply.failed.trouble));
        else reject(Object.assign(new Error(reply.failed.message), { code: reply.failed.code }));
      });
      thread.once('error', reject);
      thread.once('exit', (code) => reject(new Error(`the copying thread ended with ${code}`)));
    });
  const mine = last.then(run, run);
  last = mine.catch(() => undefined);
  return mine;
}
