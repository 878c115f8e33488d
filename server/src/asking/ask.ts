import type { Worker } from 'node:worker_threads';
import type { Database } from '../db/database.js';
import { certain } from '../db/statements.js';
import { memoryCache } from '../forecasts/lot-cache.js';
import { Problem } from '../http/problem.js';
import { startThread } from '../http/thread.js';
import { answering, type Asked, type QuestionName, type Questions } from './questions.js';
import { readerOn } from '../forecasts/reader.js';

/** Asks a question beside the request loop; the answer is JSON as it goes over the wire. */
export interface Ask {
  <K extends QuestionName>(name: K, nowMs: number, ...args: Asked<K>): Promise<Buffer>;
  /** The answer as a value, for what the server itself goes on with. */
  value<K extends QuestionName>(name: K, nowMs: number, ...args: Asked<K>): Promise<ReturnType<Questions[K]>>;
  /** Works ahead while nobody asks: what finished batches teach, then what is asked first. */
  warm(nowMs: () => number): Promise<void>;
  close(): Promise<void>;
}

/** What goes to the worker and what comes back. */
export type ToWorker =
  | { readonly key: number; readonly kind: 'ask'; readonly name: QuestionName; readonly nowMs: number; readonly args: readonly unknown[] }
  | { readonly key: number; readonly kind: 'end' };
export type FromWorker =
  | { readonly key: number; readonly body: Uint8Array }
  | { readonly key: number; readonly problem: { status: number; title: string; detail: string; errors: Problem['errors'] } }
  | { readonly key: number; readonly failed: { message: string; stack?: string; code?: string } };

interface Waiting {
  /** Changes that had been written when it was sent to the worker. */
  readonly written: number;
  readonly message: ToWorker;
  readonly same: string;
  readonly nowMs: number;
  readonly reply: Promise<Buffer>;
  resolve(body: Buffer): void;
  reject(error: unknown): void;
}

type Bare = <K extends QuestionName>(name: K, nowMs: number, ...args: Asked<K>) => Promise<Buffer>;

function withValue(ask: Bare, rest: Pick<Ask, 'close'>): Ask {
  const value = async <K extends QuestionName>(name: K, nowMs: number, ...args: Asked<K>) =>
    JSON.parse((await ask(name, nowMs, ...args)).toString()) as ReturnType<Questions[K]>;
  const bare: Bare = (name, nowMs, ...args) => ask(name, nowMs, ...args);
  return Object.assign(bare, {
    ...rest,
    value,
    async warm(nowMs: () => number) {
      try {
        while ((await value('fill', nowMs())) > 0);
        await ask('today', nowMs());
        await ask('nursery', nowMs());
        await ask('seasonDue', nowMs());
        await ask('box', nowMs(), { find: '', page: null });
        await ask('find', nowMs(), 'a');
        while ((await value('judge', nowMs())) > 0);
      } catch (error) {
        // Before the first run there is nothing to work ahead for, and at the end no time.
        if (!(error instanceof Problem)) throw error;
      }
    },
  });
}

/** A database in memory has no second connection: specs and benches ask in place. */
function askInPlace(db: Database): Ask {
  const answer = answering(readerOn(db, memoryCache()));
  return withValue((name, nowMs, ...args) => Promise.resolve().then(() => Buffer.from(JSON.stringify(answer(name, nowMs, args) ?? null))), {
    close: () => Promise.resolve(),
  });
}

/** An answer is as good for so long, ms: a clock may have been stepped on while it was worked out. */
const SAME_MOMENT_MS = 5_000;

/** A worker that has died this often in a row is not started again. */
const MOST_DEATHS = 3;

/**
 * Asks a worker with a connection of its own. One question at a time; the same
 * question asked again while it waits is answered once.
 */
function askWorker(db: Database): Ask {
  const file = db.name;
  const changes = db.prepare<unknown[], number>('SELECT total_changes()').pluck();
  const written = (): number => certain(changes.get());
  let worker: Worker | null = null;
  let deaths = 0;
  let closed = false;
  let nextKey = 1;
  let running: Waiting | null = null;
  const queue: Waiting[] = [];

  function settle(reply: FromWorker): void {
    const waiting = running;
    running = null;
    deaths = 0;
    if (waiting) {
      if ('body' in reply) waiting.resolve(Buffer.from(reply.body.buffer, reply.body.byteOffset, reply.body.byteLength));
      else if ('problem' in reply) {
        const { status, title, detail, errors } = reply.problem;
        waiting.reject(new Problem(status, title, detail, errors));
      } else waiting.reject(Object.assign(new Error(reply.failed.message), reply.failed));
    }
    pump();
  }

  function died(error: unknown): void {
    worker = null;
    deaths++;
    const waiting = running;
    running = null;
    waiting?.reject(error);
    pump();
  }

  function started(): Worker {
    if (worker) return worker;
    const fresh = startThread('reader', new URL('./worker.ts', import.meta.url), { file });
    // An idle household must not keep a process alive.
    fresh.unref();
    fresh.on('message', settle);
    fresh.on('error', (error) => worker === fresh && died(error));
    fresh.on('exit', (code) => worker === fresh && died(new Error(`the reading thread ended with ${code}`)));
    worker = fresh;
    return fresh;
  }

  function pump(): void {
    if (running || queue.length === 0) return;
    if (deaths >= MOST_DEATHS) {
      deaths = 0;
      for (const waiting of queue.splice(0)) waiting.reject(new Error('the reading thread does not start'));
      return;
    }
    const next = queue.shift();
    running = next ? { ...next, written: written() } : null;
    if (running) started().postMessage(running.message);
  }

  function put(message: ToWorker, same: string, nowMs: number): Promise<Buffer> {
    if (closed && message.kind !== 'end')
      return Promise.reject(new Problem(503, 'Closing', 'The server is just stopping. Try again in a moment.'));
    const alike = (waiting: Waiting | null): waiting is Waiting =>
      waiting?.same === same && Math.abs(nowMs - waiting.nowMs) <= SAME_MOMENT_MS;
    const asked = queue.find(alike);
    if (asked) return asked.reply;
    // What is being answered is as good, if nothing was written since it was asked.
    if (alike(running) && running.written === written()) return running.reply;
    let resolve: Waiting['resolve'] = () => undefined;
    let reject: Waiting['reject'] = () => undefined;
    const reply = new Promise<Buffer>((kept, broken) => {
      resolve = kept;
      reject = broken;
    });
    queue.push({ message, same, nowMs, reply, resolve, reject, written: 0 });
    pump();
    return reply;
  }

  return withValue((name, nowMs, ...args) => put({ key: nextKey++, kind: 'ask', name, nowMs, args }, JSON.stringify([name, args]), nowMs), {
    async close() {
      closed = true;
      if (!worker) return;
      await put({ key: nextKey++, kind: 'end' }, 'end', 0).catch(() => undefined);
      const ending = worker;
      worker = null;
      await ending.terminate();
    },
  });
}

/** How questions are asked of a database. */
export const askOf = (db: Database): Ask => (db.memory ? askInPlace(db) : askWorker(db));
