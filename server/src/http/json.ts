import type { Response } from 'express';
import { Problem } from './problem.js';

/** Sends an answer that is JSON already. */
export function json(response: Response, body: Buffer): void {
  response.type('application/json').send(body);
}

/**
 * Answers an act that is saved by now with what it changed. Whatever happens to that
 * answer, the act stands: then its id alone says so, as to whoever asks for no more.
 *
 * @param answer what is shown of it
 */
export async function jsonOfSaved(response: Response, id: string, answer: Promise<Buffer>): Promise<void> {
  try {
    json(response, await answer);
  } catch (error) {
    if (error instanceof Problem) throw error;
    console.error(error);
    response.set('Preference-Applied', 'return=minimal').json({ id });
  }
}
