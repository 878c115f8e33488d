import type { Response } from 'express';

/** Sends an answer that is JSON already. */
export function json(response: Response, body: Buffer): void {
  response.type('application/json').send(body);
}
