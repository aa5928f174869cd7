import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { addPass, smallPlan } from '../testing/small-plan';
import { BadInput } from '../units';
import { readKettleFile, readPlan, readStudio, writeKettleFile } from '.';

const fixture = (name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(new URL(`./fixtures/${name}.json`, import.meta.url), 'utf8')) as Record<
    string,
    unknown
  >;

const faultOf = (run: () => unknown): BadInput => {
  try {
    run();
  } catch (cause) {
    if (cause instanceof BadInput) return cause;
    throw cause;
  }
  throw new Error('expected a refusal');
};

/** What older plans and studios did not say, as it is taken. */
const RULES = {
  ...{ bleedGapMm: 1.5, letColoursRun: false },
  ...{ whites: 'mask', removal: 'finger' },
  ...{ backruns: 'avoided', weights: {} },
};
const TABLE = { boards: 1, hands: 1 };
const LATER = { version: 9, variants: [], table: TABLE, trials: [], pictures: [], resists: [], rules: RULES };

const BOX = {
  ...{ box: [], ownPigments: [], moods: [] },
  dish: { wells: 12, wellMl: 4, leftMl: 0.15, rinsed: 0.1 },
};

const whitesOf = (old: Record<string, unknown>): object[] =>
  (old['whites'] as object[]).map((white) => ({ ...white, tool: null, wanted: null, edge: 'hard' }));

/** Passes of before, which laid one mix and did not know some more. */
const passesNow = (old: Record<string, unknown>, more: object = {}): object[] =>
  (old['acts'] as { kind: string }[]).map((act) =>
    act.kind === 'pass' ? { ...act, also: [], ...more } : act,
  );

/** Passes and mixes of before version 6, and the dish they were mixed on. */
const beforeShields = (old: Record<string, unknown>) => ({
  acts: passesNow(old, { covers: 1, shields: [], strokes: [] }),
  mixes: (old['mixes'] as object[]).map((mix) => ({
    ...{ ...mix, medium: 'watercolour' },
    ...{ well: null, mixedMl: null },
  })),
  palette: (old['embedded'] as { pigments: { code: string }[] }).pigments.map(({ code }) => code),
});

/** Rules of a house that weighed every check alike. */
const weighed = (old: Record<string, unknown>): object => ({
  ...(old['rules'] as object),
  ...{ backruns: 'avoided', weights: {} },
});

describe('released versions', () => {
  it('opens a plan of version 1 as it was meant', () => {
    const old = fixture('plan-v1');
    const plan = readPlan(old);
    expect(plan.version).toBe(9);
    expect(plan.card.envelope).toEqual((old['brief'] as { envelope: unknown }).envelope);
    expect('envelope' in plan.brief).toBe(false);
    expect(plan.notNeeded).toEqual([]);
  });

  it('opens a plan of version 2 with the same sizes, and one of version 3 that is not cropped', () => {
    const old = fixture('plan-v2');
    const plan = readPlan(old);
    expect(plan).toMatchObject({ ...old, ...LATER, ...beforeShields(old) });
    expect([plan.card.mats, plan.card.card, plan.brief.given]).toEqual([[], null, []]);
    const drawn = fixture('plan-v3');
    expect(readPlan(drawn)).toEqual({
      ...drawn,
      ...{ ...LATER, ...beforeShields(drawn), crop: null, words: [], guides: [], lamp: null },
      lines: (drawn['lines'] as object[]).map((line) => ({ ...line, kind: 'pencil' })),
      whites: whitesOf(drawn),
    });
  });

  it('opens a plan of version 4 with its whites kept as they were, of version 5 with all of its areas covered, of version 6 with no sheet, of version 7 with one board, of version 8 with one mix in a pass, and one of version 9 unchanged', () => {
    const old = fixture('plan-v4');
    expect(readPlan(old)).toEqual({
      ...{ ...old, ...LATER, ...beforeShields(old) },
      whites: whitesOf(old),
    });
    const whites = fixture('plan-v5');
    expect(readPlan(whites)).toEqual({
      ...{ ...whites, version: 9, variants: [], table: TABLE, trials: [], ...beforeShields(whites) },
      rules: weighed(whites),
    });
    const dish = fixture('plan-v6');
    expect(readPlan(dish)).toEqual({
      ...{
        ...dish,
        version: 9,
        variants: [],
        table: TABLE,
        trials: [],
        acts: passesNow(dish, { strokes: [] }),
      },
      rules: weighed(dish),
    });
    const sheets = fixture('plan-v7');
    expect(readPlan(sheets)).toEqual({
      ...{ ...sheets, version: 9, variants: [], table: TABLE, acts: passesNow(sheets) },
      rules: weighed(sheets),
    });
    const alike = fixture('plan-v8');
    expect(readPlan(alike)).toEqual({ ...alike, version: 9, variants: [], acts: passesNow(alike) });
    expect(readPlan(fixture('plan-v9'))).toEqual(fixture('plan-v9'));
  });

  it('opens older studios without evenings, people or drawings or paint box, and one of version 5 unchanged', () => {
    expect(readStudio(fixture('studio-v1'))).toMatchObject({
      ...fixture('studio-v1'),
      ...{ version: 6, evenings: [], people: [], rules: RULES },
    });
    expect(readStudio(fixture('studio-v2'))).toMatchObject({
      ...fixture('studio-v2'),
      ...{ version: 6, sheets: [], rules: RULES },
    });
    expect(readStudio(fixture('studio-v3'))).toEqual({
      ...fixture('studio-v3'),
      ...{ version: 6, motifs: [], rules: RULES, ...BOX },
    });
    expect(readStudio(fixture('studio-v4'))).toEqual({
      ...fixture('studio-v4'),
      ...{ version: 6, ...BOX },
      rules: weighed(fixture('studio-v4')),
    });
    expect(readStudio(fixture('studio-v5'))).toEqual({
      ...fixture('studio-v5'),
      ...{ version: 6, rules: weighed(fixture('studio-v5')) },
    });
    expect(readStudio(fixture('studio-v6'))).toEqual(fixture('studio-v6'));
  });

  it('does not touch what it is given', () => {
    const old = fixture('plan-v1');
    readPlan(old);
    expect(old).toEqual(fixture('plan-v1'));
  });
});

describe('a .kettle file', () => {
  const plan = smallPlan(addPass('p1', 'sky', 'blue'), {
    do: 'add-line',
    line: { id: 'l', kind: 'pencil', points: [[1.25, 2, 0.5]] },
  });

  it('comes back identical to the last field, attachments too', () => {
    const bytes = writeKettleFile({ plan, attachments: { 'photo.png': new Uint8Array([1, 2, 3]) } });
    expect(readKettleFile(bytes)).toEqual({ plan, attachments: { 'photo.png': new Uint8Array([1, 2, 3]) } });
    expect(writeKettleFile({ plan, attachments: {} })).toEqual(writeKettleFile({ plan, attachments: {} }));
  });

  const packed = (json: string): Uint8Array => zipSync({ 'plan.json': strToU8(json) });
  const changed = (change: object): Uint8Array => packed(JSON.stringify({ ...plan, ...change }));

  it.each<[string, Uint8Array, string, RegExp]>([
    ['no zip', strToU8('not a zip at all'), 'file', /damaged/],
    ['cut short', writeKettleFile({ plan, attachments: {} }).slice(0, 900), 'file', /damaged/],
    ['empty', new Uint8Array(0), 'file', /damaged/],
    ['another zip', zipSync({ 'a.txt': strToU8('x') }), 'plan.json', /missing/],
    ['broken JSON', packed('{"format": "kettle-plan", }'), 'plan.json', /position 26/],
    ['foreign', changed({ format: 'other' }), 'format', /another program/],
    ['newer', changed({ version: 10 }), 'version', /newer.*untouched/],
    ['nonsense version', changed({ version: 'two' }), 'version', /whole number/],
    ['damaged field', changed({ climate: { tempC: 20, rh: 55, airMs: 0 } }), 'climate.rh', /fraction/],
    ['extra field', changed({ extra: 1 }), 'extra', /unknown key/],
    ['missing field', changed({ title: undefined }), 'title', /missing/],
    ['null', packed('null'), '', /not an object/],
  ])('refused: %s', (_, bytes, field, reason) => {
    const fault = faultOf(() => readKettleFile(bytes));
    expect(fault.field).toBe(field);
    expect(fault.reason).toMatch(reason);
  });
});
