import type * as z from 'zod';

/** Of what came from outside a sentence quotes no more, characters; */
const MOST_QUOTED = 60;
/** and it says no more altogether. */
const MOST_SAID = 300;

/** Something from outside (a file, a command, a form) cannot be used; `field` says where it is wrong. */
export class BadInput extends Error {
  readonly field: string;
  readonly reason: string;

  constructor(field: string, reason: string) {
    const [where, why] = [shortened(field, MOST_QUOTED), shortened(quotesShortened(reason), MOST_SAID)];
    super(`${where === '' ? 'input' : where}: ${why}`);
    this.name = 'BadInput';
    [this.field, this.reason] = [where, why];
  }
}

/** A text of which so many characters are told at most. */
export const shortened = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1)}…` : text;

const quotesShortened = (text: string): string =>
  text.replace(/“([^”]*)”/g, (_, quoted: string) => `“${shortened(quoted, MOST_QUOTED)}”`);

/**
 * Checks `value` against `schema` and returns it with defaults filled in.
 * Throws `BadInput` naming the first field that is wrong, `acts[2].filmUm: …`, within `of` if that is said.
 */
export function readInput<T extends z.ZodType>(schema: T, value: unknown, of?: string): z.output<T> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const issue = deepest(result.error.issues);
  const path = issue.code === 'unrecognized_keys' ? [...issue.path, issue.keys[0]] : issue.path;
  throw new BadInput(fieldName(of === undefined ? path : [of, ...path]), reasonOf(issue));
}

/** Of a failed union the branch that got furthest tells the painter most. */
function deepest(issues: readonly z.core.$ZodIssue[]): z.core.$ZodIssue {
  const first = issues[0];
  if (first.code !== 'invalid_union' || first.errors.length === 0) return first;
  const branches = first.errors.filter((branch) => branch.length > 0);
  if (branches.length === 0) return first;
  const best = branches.map(deepest).reduce((a, b) => (b.path.length > a.path.length ? b : a));
  return best.path.length === 0 ? first : { ...best, path: [...first.path, ...best.path] };
}

function reasonOf(issue: z.core.$ZodIssue): string {
  if (issue.code === 'unrecognized_keys') return 'unknown key';
  if (issue.code === 'invalid_type' && issue.message.endsWith('received undefined')) return 'is missing';
  return issue.message.replace(/^Invalid input: /, '');
}

function fieldName(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (name, key) =>
      typeof key === 'number' ? `${name}[${key}]` : name === '' ? String(key) : `${name}.${String(key)}`,
    '',
  );
}
