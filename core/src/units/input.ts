import type * as z from 'zod';

/** Something from outside (a file, a command, a form) cannot be used; `field` says where it is wrong. */
export class BadInput extends Error {
  constructor(
    readonly field: string,
    readonly reason: string,
  ) {
    super(`${field === '' ? 'input' : field}: ${reason}`);
    this.name = 'BadInput';
  }
}

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
