import * as z from 'zod';

type Json = z.core.JSONSchema.JSONSchema;

/** Objects that lie deeper are only said to be there. */
const DEEPEST = 3;

/** Of a longer choice the first few are said. */
const SAID = 8;

/** What a schema takes, in short: names with braces and brackets for what is inside, ? for what may be left out, with its default. */
export function shapeOf(schema: z.ZodType): string {
  const json = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'inline' });
  return fieldsOf(json, 0).join(', ');
}

function fieldsOf({ properties = {}, required = [] }: Json, depth: number): string[] {
  return Object.entries(properties).flatMap(([name, value]) => {
    if (typeof value === 'boolean') return [];
    const standing = value.default === undefined ? '' : `=${JSON.stringify(value.default)}`;
    const inside = valueOf(value, depth);
    // What begins with a bracket stands close to its name.
    const space = inside === '' || /^[[{]/.test(inside) ? '' : ' ';
    return [`${name}${required.includes(name) ? '' : '?'}${space}${inside}${standing}`];
  });
}

function valueOf(json: Json, depth: number): string {
  if (json.enum) return choice(json.enum.map((one) => JSON.stringify(one)));
  if (json.const !== undefined) return JSON.stringify(json.const);
  const branches = json.anyOf ?? json.oneOf;
  if (branches) return unionOf(branches, depth);
  if (json.type === 'array') return arrayOf(json, depth);
  if (json.type === 'object') return depth < DEEPEST ? `{${fieldsOf(json, depth + 1).join(', ')}}` : '{…}';
  if (json.type === 'number' || json.type === 'integer') return rangeOf(json);
  return '';
}

/** Objects told apart by a word in them are told by these words. */
function unionOf(branches: readonly Json[], depth: number): string {
  const marks = branches.map(({ properties }) => markOf(properties));
  if (branches.length > 1 && marks.every((mark) => mark !== null && mark[0] === marks[0]![0]))
    return `{${marks[0]![0]} ${choice(marks.map((mark) => mark![1]))}, …}`;
  const said = branches.map((branch) => valueOf(branch, depth) || String(branch.type));
  return choice([...new Set(said)]);
}

/** The first field of an object that can only be one word. */
function markOf(properties: Json['properties']): [name: string, word: string] | null {
  for (const [name, value] of Object.entries(properties ?? {}))
    if (typeof value !== 'boolean' && typeof value.const === 'string')
      return [name, JSON.stringify(value.const)];
  return null;
}

const choice = (said: readonly string[]): string =>
  [...said.slice(0, SAID), ...(said.length > SAID ? ['…'] : [])].join('|');

function arrayOf({ items, prefixItems, minItems, maxItems }: Json, depth: number): string {
  if (prefixItems) return `[${(prefixItems as Json[]).map((one) => valueOf(one, depth) || '…').join(', ')}]`;
  const one = typeof items === 'object' && !Array.isArray(items) ? valueOf(items, depth) : '';
  const counts =
    minItems === undefined && maxItems === undefined ? '' : ` ${minItems ?? 0}–${maxItems ?? '∞'}`;
  return `[${one === '' ? '…' : one}]${counts}`;
}

/** A range as wide as this says nothing. */
const WIDE = 10_000;

/** Only a range with both its ends is worth saying. */
function rangeOf({ minimum, exclusiveMinimum, maximum }: Json): string {
  const from = minimum ?? (exclusiveMinimum === undefined ? undefined : `>${exclusiveMinimum}`);
  return from !== undefined && maximum !== undefined && maximum < WIDE ? `${from}…${maximum}` : '';
}
