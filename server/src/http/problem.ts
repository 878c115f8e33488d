import type { ErrorRequestHandler, Response } from 'express';
import type * as z from 'zod';

/** One field that is wrong and what would be accepted. */
export interface FieldError {
  readonly field: string;
  readonly message: string;
}

/** An error meant for people, sent as RFC 9457 problem details. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: readonly FieldError[] = [],
  ) {
    super(detail);
  }

  static field(field: string, message: string): Problem {
    return new Problem(422, 'That cannot be right', message, [{ field, message }]);
  }

  static unknown(what: string): Problem {
    return new Problem(404, 'Not found', `There is no ${what} with this id.`);
  }
}

/** Reads a body by its schema. @throws Problem naming each field and what is accepted */
export function read<T extends z.ZodType>(schema: T, body: unknown): z.infer<T> {
  const result = schema.safeParse(body);
  if (result.success) return result.data;
  const errors = result.error.issues.map((issue) => ({ field: issue.path.join('.') || 'body', message: issue.message }));
  throw new Problem(422, 'That cannot be right', errors.map(({ message }) => message).join('; '), errors);
}

function send(response: Response, problem: Problem): void {
  const { status, title, detail, errors } = problem;
  response
    .status(status)
    .type('application/problem+json')
    .json({ type: 'about:blank', title, status, detail, ...(errors.length > 0 ? { errors } : {}) });
}

interface BodyError {
  readonly type?: string;
  readonly status?: number;
}

/** Turns whatever was thrown into problem details; never a stack. */
export const problemHandler =
  (log: (error: unknown) => void): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    if (error instanceof Problem) {
      send(response, error);
      return;
    }
    const { type, status } = error as BodyError;
    if (type === 'entity.too.large') {
      send(response, new Problem(413, 'Too much', 'A request may hold at most 100 kB.'));
    } else if (type === 'entity.parse.failed') {
      send(
        response,
        new Problem(400, 'Cannot be read', 'The body must be complete, valid JSON.', [{ field: 'body', message: 'must be valid JSON' }]),
      );
    } else if (typeof status === 'number' && status >= 400 && status < 500) {
      send(response, new Problem(status, 'Cannot be read', 'The request cannot be read.'));
    } else {
      log(error);
      send(response, new Problem(500, 'Something broke here', 'Nothing was saved. The log of the server says more.'));
    }
  };
