import type { ErrorRequestHandler, Response } from 'express';
import { fieldOf } from '@fresh-tuck/contract';
import type * as z from 'zod';
import { troubleFrom } from '../db/identity.js';

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

/** Somebody else saved something meanwhile that this change did not know of: it is shown before it is written over. */
export const changedMeanwhile = (what: string): Problem =>
  new Problem(409, 'Changed meanwhile', `${what} Nothing was written over it: look at it as it is now, then change what is still wrong.`);

/** Fields that are named one by one; a request with more mistakes is another request. */
const MOST_ERRORS = 20;

/** An issue at its field; a field that is not known here is named itself. */
function errorsOf(issue: z.core.$ZodIssue): FieldError[] {
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.map((key) => {
      const field = fieldOf({ path: [...issue.path, key] });
      return { field, message: `${field} must be left out: there is no such field here` };
    });
  }
  return [{ field: fieldOf(issue), message: issue.message }];
}

/** Reads a body by its schema. @throws Problem naming each field and what is accepted */
export function read<T extends z.ZodType>(schema: T, body: unknown): z.infer<T> {
  const result = schema.safeParse(body);
  if (result.success) return result.data;
  const errors = result.error.issues.flatMap(errorsOf).slice(0, MOST_ERRORS);
  throw new Problem(422, 'That cannot be right', errors.map(({ message }) => message).join('; '), errors);
}

/** Rows that are read before others have their turn. */
const STRETCH = 50;

/**
 * Reads many rows by their schema, a stretch at a time: the request loop goes on meanwhile.
 *
 * @param field that holds them, named with the row in every error
 * @throws Problem naming each row's fields and what is accepted
 */
export async function readRows<T extends z.ZodType>(schema: T, field: string, rows: readonly unknown[]): Promise<z.infer<T>[]> {
  const taken: z.infer<T>[] = [];
  const errors: FieldError[] = [];
  for (const [index, row] of rows.entries()) {
    if (index % STRETCH === STRETCH - 1) await new Promise((resolve) => setImmediate(resolve));
    const result = schema.safeParse(row);
    if (result.success) taken.push(result.data);
    else {
      for (const issue of result.error.issues) {
        const name = fieldOf(issue);
        const at = name === 'body' ? `${field}.${index}` : `${field}.${index}.${name}`;
        errors.push(
          ...errorsOf(issue).map(({ message }) => ({
            field: at,
            message: message.startsWith(name) ? at + message.slice(name.length) : message,
          })),
        );
      }
      if (errors.length >= MOST_ERRORS) break;
    }
  }
  if (errors.length === 0) return taken;
  const told = errors.slice(0, MOST_ERRORS);
  throw new Problem(422, 'That cannot be right', told.map(({ message }) => message).join('; '), told);
}

/** Reads one value by its schema, under the name of its field. */
export function readAs<T extends z.ZodType>(schema: T, field: string, value: unknown): z.infer<T> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  throw Problem.field(field, (result.error.issues[0]?.message ?? `${field} cannot be read`).replace(/^body\b/, field));
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
  /** Most bytes that the route takes. */
  readonly limit?: number;
}

/** A number of bytes as people say it. */
export const sizeInWords = (bytes: number): string =>
  bytes >= 1_048_576 ? `${Math.round(bytes / 1_048_576)} MB` : `${Math.max(Math.round(bytes / 1024), 1)} kB`;

/** Turns whatever was thrown into problem details; never a stack. */
export const problemHandler =
  (log: (error: unknown) => void, file: string): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    if (error instanceof Problem) {
      send(response, error);
      return;
    }
    const { type, status, limit = 0 } = error as BodyError;
    const trouble = troubleFrom(error, file);
    if (type === 'entity.too.large') {
      send(response, new Problem(413, 'Too much', `This request may hold at most ${sizeInWords(limit)}.`));
    } else if (trouble) {
      log(error);
      send(response, new Problem(507, 'The disk or the database', trouble.message));
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
