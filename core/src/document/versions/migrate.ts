import { planSchema, studioSchema, type Plan, type Studio } from '../plan';
import { BadInput, readInput } from '../../kit/units';

type Json = Record<string, unknown>;

const CARD: Json = { name: 'card, 64 × 45 cm', widthMm: 640, heightMm: 450, grain: 'height', price: null };

/** Steps from one released version of the plan to the next, JSON to JSON; entry n leads from version n. */
const PLAN_STEPS: Readonly<Record<number, (old: Json) => Json>> = {
  // Version 1 kept the envelope with the brief and had no list of stations marked not needed.
  1: (old) => {
    const { envelope, ...brief } = asObject(old['brief'], 'brief');
    return { ...old, version: 2, brief, card: { ...asObject(old['card'], 'card'), envelope }, notNeeded: [] };
  },
  // Version 2 knew a card by its base only, and not what it is cut from.
  2: (old) => ({
    ...old,
    version: 3,
    brief: { ...asObject(old['brief'], 'brief'), mood: '', given: [] },
    card: {
      ...{ stands: 'lying', card: null, edge: 'cut', mats: [], foamMm: 0, linerMm: 0 },
      ...asObject(old['card'], 'card'),
    },
    sheets: {
      painting: { name: 'half sheet', widthMm: 560, heightMm: 380, grain: 'height', price: null },
      base: { ...CARD, weightGm2: 250, thicknessMm: 0.3 },
      liner: { ...CARD, weightGm2: 100, thicknessMm: 0.12 },
    },
  }),
  // Version 3 knew no painting that is larger than its card, no lettering, guides or lamp, and only the pencil.
  3: (old) => ({
    ...old,
    version: 4,
    crop: null,
    words: [],
    guides: [],
    lamp: null,
    lines: Array.isArray(old['lines'])
      ? old['lines'].map((line) => ({ ...asObject(line, 'lines'), kind: 'pencil' }))
      : old['lines'],
  }),
  // Version 4 knew three ways of keeping a white, no masking by hand, no pictures, and fewer rules of the house.
  4: (old) => ({
    ...old,
    version: 5,
    ...{ pictures: [], resists: [] },
    rules: withRules(old['rules']),
    whites: Array.isArray(old['whites'])
      ? old['whites'].map((white) => ({
          ...asObject(white, 'whites'),
          tool: null,
          wanted: null,
          edge: 'hard',
        }))
      : old['whites'],
  }),
  // Version 5 knew no shields, every pass covered all of its areas, and a dish held what its mixes were made of.
  5: (old) => ({
    ...old,
    version: 6,
    acts: passesOf(old['acts'], { covers: 1, shields: [] }),
    mixes: Array.isArray(old['mixes'])
      ? old['mixes'].map((mix) => ({
          ...{ medium: 'watercolour', well: null, mixedMl: null },
          ...asObject(mix, 'mixes'),
        }))
      : old['mixes'],
    palette: codesOf(old['embedded']),
  }),
  // Version 6 knew no sheets painted by hand.
  6: (old) => ({
    ...old,
    version: 7,
    acts: passesOf(old['acts'], { strokes: [] }),
    trials: [],
  }),
  // Version 7 painted one card at a time, and weighed every check alike in every house.
  7: (old) => ({
    ...old,
    version: 8,
    rules: { ...asObject(old['rules'], 'rules'), ...MILD },
    table: { boards: 1, hands: 1 },
  }),
  // Version 8 laid one mix in a pass, and painted all copies alike.
  8: (old) => ({ ...old, version: 9, acts: passesOf(old['acts'], { also: [] }), variants: [] }),
  // Version 9 knew areas one by one, every pass went round the same whites, and a word was as many areas as it has letters.
  9: (old) => ({
    ...old,
    version: 10,
    acts: passesOf(old['acts'], { spares: null }),
    things: wordsOf(old['areas'], old['words']),
  }),
};

/** Letters that were made of one text, as things: they were named by it. A damaged list is refused where it is read. */
function wordsOf(areas: unknown, words: unknown): Json[] {
  if (!Array.isArray(areas) || !Array.isArray(words)) return [];
  const taken = new Set<unknown>();
  return words.flatMap((entry): Json[] => {
    const { id, text } = asObject(entry, 'words');
    const said = typeof text === 'string' ? text.slice(0, LETTERED) : '';
    const members = areas
      .map((area) => asObject(area, 'areas'))
      .filter(
        ({ name }) =>
          typeof name === 'string' && (name.startsWith(`${said}: `) || name.startsWith(`${said}, part `)),
      )
      .map((area) => area['id'])
      .filter((area) => !taken.has(area));
    members.forEach((area) => taken.add(area));
    return said === '' || members.length < 2 ? [] : [{ id: `thing-${String(id)}`, name: said, members }];
  });
}

/** Letters were named by so much of their text. */
const LETTERED = 40;

/** What a house of before knew no choice of. */
const MILD: Json = { backruns: 'avoided', weights: {} };

/** Acts with something more said of every pass. A damaged list is refused where it is read. */
const passesOf = (acts: unknown, more: Json): unknown =>
  Array.isArray(acts)
    ? acts.map((act) => {
        const known = asObject(act, 'acts');
        return known['kind'] === 'pass' ? { ...known, ...more } : known;
      })
    : acts;

/** What was set out: the pigments that were kept with the plan. A damaged list is refused where it is read. */
function codesOf(embedded: unknown): unknown[] {
  const { pigments } = asObject(embedded, 'embedded');
  return Array.isArray(pigments)
    ? pigments.map((pigment) => asObject(pigment, 'embedded.pigments')['code'])
    : [];
}

const withRules = (rules: unknown): Json => ({
  ...{ whites: 'mask', removal: 'finger' },
  ...asObject(rules, 'rules'),
});

/** The same for the studio. */
const STUDIO_STEPS: typeof PLAN_STEPS = {
  // Version 1 did not know the painter's evenings.
  1: (old) => ({ ...old, version: 2, evenings: [] }),
  // Version 2 knew nobody, and neither cupboard nor post.
  2: (old) => ({
    ...old,
    version: 3,
    ...{ people: [], occasions: [], sheets: [] },
    board: { widthMm: 420, heightMm: 320 },
    letter: { weightG: 100, thicknessMm: 5 },
  }),
  // Version 3 kept no drawings and had fewer rules.
  3: (old) => ({ ...old, version: 4, motifs: [], rules: withRules(old['rules']) }),
  // Version 4 knew neither paint box nor dish.
  4: (old) => ({
    ...old,
    version: 5,
    ...{ box: [], ownPigments: [], moods: [] },
    dish: { wells: 12, wellMl: 4, leftMl: 0.15, rinsed: 0.1 },
  }),
  // Version 5 weighed every check alike in every house.
  5: (old) => ({ ...old, version: 6, rules: { ...asObject(old['rules'], 'rules'), ...MILD } }),
};

export const PLAN_VERSION = 10;
export const STUDIO_VERSION = 6;

/** Reads a plan of any released version from JSON. Throws `BadInput` naming the field for a foreign, newer or damaged one. */
export function readPlan(json: unknown): Plan {
  return readInput(planSchema, planLiftedTo(PLAN_VERSION, json));
}

/** Reads a studio of any released version from JSON; throws as `readPlan`. */
export function readStudio(json: unknown): Studio {
  return readInput(studioSchema, migrated(json, 'kettle-studio', STUDIO_VERSION, STUDIO_STEPS));
}

/** A plan's JSON lifted to a later version, not checked any further. Throws `BadInput` for a foreign or newer one. */
export const planLiftedTo = (version: number, json: unknown): Json =>
  migrated(json, 'kettle-plan', version, PLAN_STEPS);

/** The version a plan's or studio's JSON says it has; throws `BadInput` where it says none. */
export function versionOf(json: unknown): number {
  const found = asObject(json, '')['version'];
  if (typeof found !== 'number' || !Number.isInteger(found) || found < 1)
    throw new BadInput('version', `is ${JSON.stringify(found)}, not a whole number from 1`);
  return found;
}

function migrated(json: unknown, format: string, version: number, steps: typeof PLAN_STEPS): Json {
  let document = asObject(json, '');
  if (document['format'] !== format)
    throw new BadInput(
      'format',
      `is ${JSON.stringify(document['format'])}, not “${format}”: this is another program’s file`,
    );
  for (;;) {
    const found = versionOf(document);
    if (found > version)
      throw new BadInput(
        'version',
        `${found} is newer than this program reads (${version}); update the program, the file is untouched`,
      );
    if (found === version) return document;
    document = steps[found](document);
  }
}

function asObject(value: unknown, field: string): Json {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new BadInput(field, 'is not an object');
  return value as Json;
}
