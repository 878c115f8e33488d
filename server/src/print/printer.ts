import type { Worker } from 'node:worker_threads';
import { startThread } from '../http/thread.js';
import type { PrintJob, PrintReply } from './jobs.js';

interface Waiting {
  readonly resolve: (pdf: Buffer) => void;
  readonly reject: (error: Error) => void;
}

/** Draws PDFs in a thread that is started with the first one and lives on with its fonts. */
export interface Printer {
  print(job: PrintJob): Promise<Buffer>;
  close(): Promise<void>;
}

export function printerOf(): Printer {
  let worker: Worker | null = null;
  let nextKey = 1;
  const waiting = new Map<number, Waiting>();

  function died(error: Error): void {
    worker = null;
    for (const { reject } of waiting.values()) reject(error);
    waiting.clear();
  }
  function started(): Worker {
    if (worker) return worker;
    const fresh = startThread('printing', new URL('./worker.ts', import.meta.url), null);
    fresh.unref();
    fresh.on('message', (reply: PrintReply) => {
      const one = waiting.get(reply.key);
      waiting.delete(reply.key);
      if ('pdf' in reply) one?.resolve(Buffer.from(reply.pdf.buffer, reply.pdf.byteOffset, reply.pdf.byteLength));
      else one?.reject(new Error(reply.failed));
    });
    fresh.on('error', (error) => worker === fresh && died(error));
    fresh.on('exit', (code) => worker === fresh && died(new Error(`the printing thread ended with ${code}`)));
    worker = fresh;
    return fresh;
  }
  return {
    print: (job) =>
      new Promise((resolve, reject) => {
        const key = nextKey++;
        waiting.set(key, { resolve, reject });
        started().postMessage({ key, job });
      }),
    async close() {
      const ending = worker;
      worker = null;
      await ending?.terminate();
    },
  };
}
