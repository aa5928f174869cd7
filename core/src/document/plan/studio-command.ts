import * as z from 'zod';
import { eveningSchema } from '../../commission/occasion';
import { changeOf } from '../../kit/units';
import { rulesSchema } from './plan';
import { studioSchema, type Studio } from './studio';

type StudioList = 'evenings' | 'people' | 'occasions' | 'sheets' | 'motifs' | 'box' | 'ownPigments' | 'moods';

type Entry<L extends StudioList = StudioList> = Studio[L][number];

/** The lists of a studio, and by what an entry of each is known. */
const KEYS: { readonly [L in StudioList]: (entry: Entry<L>) => string } = {
  evenings: ({ weekday }) => String(weekday),
  people: ({ id }) => id,
  occasions: ({ id }) => id,
  sheets: ({ name, widthMm, heightMm }) => `${name}, ${widthMm} × ${heightMm}`,
  motifs: ({ id }) => id,
  box: ({ code }) => code,
  ownPigments: ({ code }) => code,
  moods: ({ word }) => word,
};
const LISTS = Object.keys(KEYS) as StudioList[];

const SINGLE = studioSchema.omit({
  ...{ format: true, version: true, rules: true, evenings: true },
  ...{ people: true, occasions: true, sheets: true, motifs: true, box: true, ownPigments: true, moods: true },
});

const putSchema = <L extends StudioList, E extends z.ZodType>(list: L, entry: E) =>
  z.strictObject({
    ...{ do: z.literal('put'), list: z.literal(list), entry },
    /** The key of the entry it stands before; at the end without one. */
    before: z.string().optional(),
  });

/**
 * Everything that can be done to a studio, as plain data. Each says what is meant of one entry or field, never of the whole:
 * what two tabs do at the same time comes together.
 */
export const studioCommandSchema = z.union([
  z.strictObject({ do: z.literal('set'), change: changeOf(SINGLE) }),
  z.strictObject({ do: z.literal('set-rules'), change: changeOf(rulesSchema) }),
  putSchema('evenings', eveningSchema),
  putSchema('people', studioSchema.shape.people.element),
  putSchema('occasions', studioSchema.shape.occasions.element),
  putSchema('sheets', studioSchema.shape.sheets.element),
  putSchema('motifs', studioSchema.shape.motifs.element),
  putSchema('box', studioSchema.shape.box.element),
  putSchema('ownPigments', studioSchema.shape.ownPigments.element),
  putSchema('moods', studioSchema.shape.moods.element),
  z.strictObject({ do: z.literal('take'), list: z.enum(LISTS), key: z.string() }),
]);
export type StudioCommand = z.infer<typeof studioCommandSchema>;

// The list and its entries belong together; the compiler cannot follow that through a union.
const keyOf = (list: StudioList, entry: Entry): string => (KEYS[list] as (entry: Entry) => string)(entry);

/** The studio after some commands; the one given is left as it is. */
export const afterStudioCommands = (studio: Studio, commands: readonly StudioCommand[]): Studio =>
  commands.reduce(run, studio);

function run(studio: Studio, command: StudioCommand): Studio {
  switch (command.do) {
    case 'set':
      return { ...studio, ...command.change };
    case 'set-rules':
      return { ...studio, rules: { ...studio.rules, ...command.change } };
    case 'put':
      return { ...studio, [command.list]: withEntry(studio, command.list, command.entry, command.before) };
    case 'take': {
      const entries = studio[command.list] as Entry[];
      return {
        ...studio,
        [command.list]: entries.filter((entry) => keyOf(command.list, entry) !== command.key),
      };
    }
  }
}

function withEntry(studio: Studio, list: StudioList, entry: Entry, before: string | undefined): Entry[] {
  const entries = studio[list] as Entry[];
  const key = keyOf(list, entry);
  if (entries.some((other) => keyOf(list, other) === key))
    return entries.map((other) => (keyOf(list, other) === key ? entry : other));
  const at = before === undefined ? -1 : entries.findIndex((other) => keyOf(list, other) === before);
  return at < 0 ? [...entries, entry] : entries.toSpliced(at, 0, entry);
}

/** The commands that lead from one studio to another: what is changed between the two, and nothing else. */
export function studioCommandsBetween(from: Studio, to: Studio): StudioCommand[] {
  const commands: StudioCommand[] = [];
  const single = changedParts(from, to, (part) => part in SINGLE.shape);
  if (Object.keys(single).length > 0) commands.push({ do: 'set', change: single });
  const rules = changedParts(from.rules, to.rules, () => true);
  if (Object.keys(rules).length > 0) commands.push({ do: 'set-rules', change: rules });
  for (const list of LISTS) commands.push(...listCommands(list, from[list], to[list]));
  return commands;
}

function changedParts<T extends object>(from: T, to: T, counts: (part: string) => boolean): Partial<T> {
  return Object.fromEntries(
    Object.entries(to).filter(
      ([part, value]) => counts(part) && !alike(value, (from as Record<string, unknown>)[part]),
    ),
  ) as Partial<T>;
}

function listCommands(list: StudioList, from: readonly Entry[], to: readonly Entry[]): StudioCommand[] {
  const before = new Map(from.map((entry) => [keyOf(list, entry), entry]));
  const after = new Set(to.map((entry) => keyOf(list, entry)));
  const gone = [...before.keys()].filter((key) => !after.has(key));
  const put = to.flatMap((entry, i): StudioCommand[] => {
    if (alike(before.get(keyOf(list, entry)), entry)) return [];
    const next = to.slice(i + 1).find((other) => before.has(keyOf(list, other)));
    const command = { do: 'put', list, entry, ...(next && { before: keyOf(list, next) }) };
    return [command as StudioCommand];
  });
  return [...gone.map((key): StudioCommand => ({ do: 'take', list, key })), ...put];
}

const alike = (one: unknown, other: unknown): boolean =>
  one === other || JSON.stringify(one) === JSON.stringify(other);

/**
 * What takes commands back: said of the same entries and fields, as they were before. What others have done to the studio
 * meanwhile stays.
 */
export function undoingStudio(before: Studio, commands: readonly StudioCommand[]): StudioCommand[] {
  return studioCommandsBetween(afterStudioCommands(before, commands), before);
}

/** What a studio has that another lacks: entries of its lists, none of them changed there. */
export const missingIn = (studio: Studio, from: Studio): StudioCommand[] =>
  LISTS.flatMap((list) => {
    const known = new Set((studio[list] as Entry[]).map((entry) => keyOf(list, entry)));
    return (from[list] as Entry[])
      .filter((entry) => !known.has(keyOf(list, entry)))
      .map((entry) => ({ do: 'put', list, entry }) as StudioCommand);
  });
