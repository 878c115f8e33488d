import * as z from 'zod';

type Raw = Parameters<z.core.$ZodErrorMap>[0];

/** The field that an issue is about, as a request names it. */
export const fieldOf = (issue: { readonly path?: readonly PropertyKey[] }): string => issue.path?.map(String).join('.') || 'body';

const KINDS: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object with its fields',
  record: 'an object with its fields',
  tuple: 'a list of so many',
  date: 'a date',
  null: 'null',
};

const FORMATS: Readonly<Record<string, string>> = {
  uuid: 'a UUID made by the client',
  date: 'a date like 2026-04-11',
  datetime: 'a moment like 2026-04-11T07:10:00Z',
  regex: 'written in the way that it is asked for',
};

const amount = ({ origin }: { origin?: string }, bound: unknown): string => {
  const so = String(bound);
  if (origin === 'string') return `${so} characters`;
  if (origin === 'array' || origin === 'set') return `${so} entries`;
  return so;
};

/**
 * What is wrong with a field and what would be accepted, where a schema does not
 * say so itself: nobody is told "Invalid input".
 */
export function refusal(issue: Raw): string {
  const field = fieldOf(issue);
  switch (issue.code) {
    case 'invalid_type': {
      const missing = issue.input === undefined ? ' and is missing' : '';
      return `${field} must be ${KINDS[issue.expected] ?? issue.expected}${missing}`;
    }
    case 'too_small':
      return `${field} must ${issue.origin === 'number' ? 'be' : 'have'} at least ${amount(issue, issue.minimum)}`;
    case 'too_big':
      return `${field} must ${issue.origin === 'number' ? 'be' : 'have'} at most ${amount(issue, issue.maximum)}`;
    case 'invalid_value':
      return `${field} must be ${issue.values.length === 1 ? String(issue.values[0]) : `one of ${issue.values.map(String).join(', ')}`}`;
    case 'invalid_format':
      return `${field} must be ${FORMATS[issue.format] ?? `written as ${issue.format}`}`;
    case 'unrecognized_keys':
      return `${issue.keys.join(', ')} must be left out: ${field === 'body' ? 'this request' : field} has no such field`;
    case 'invalid_union':
      return `${field} must be one of the forms that this request describes`;
    case 'not_multiple_of':
      return `${field} must be a multiple of ${issue.divisor}`;
    case 'invalid_key':
      return `${field} must have names of the kind that is asked for`;
    default:
      return `${field} must be what this request describes`;
  }
}

z.config({ customError: refusal });
