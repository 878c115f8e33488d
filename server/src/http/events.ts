import type { RequestHandler, Response } from 'express';

/** Tells every open tab that something changed, so that it asks again. */
export interface Changes {
  /** Rises with every change; part of what caches depend on. */
  readonly revision: number;
  tell(): void;
  readonly stream: RequestHandler;
  close(): void;
}

const KEEP_ALIVE_MS = 25_000;

export function changeStream(): Changes {
  const open = new Set<Response>();
  let revision = 1;
  const send = (response: Response): boolean => response.write(`event: changed\ndata: ${revision}\n\n`);
  const timer = setInterval(() => {
    for (const response of open) response.write(': still here\n\n');
  }, KEEP_ALIVE_MS);
  timer.unref();
  return {
    get revision() {
      return revision;
    },
    tell() {
      revision++;
      for (const response of open) send(response);
    },
    stream(request, response) {
      // Without no-transform the compression holds events back.
      response.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform', Connection: 'keep-alive' });
      open.add(response);
      response.write(': open\n\n');
      request.on('close', () => open.delete(response));
    },
    close() {
      clearInterval(timer);
      for (const response of open) response.end();
    },
  };
}
