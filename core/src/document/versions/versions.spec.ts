import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readPlan, readStudio } from '.';

const fixture = (name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(new URL(`./fixtures/${name}.json`, import.meta.url), 'utf8')) as Record<
    string,
    unknown
  >;

/** What older plans and studios did not say, as it is taken. */
const RULES = {
  ...{ bleedGapMm: 1.5, letColoursRun: false },
  ...{ whites: 'mask', removal: 'finger' },
  ...{ backruns: 'avoided', weights: {} },
};
const TABLE = { boards: 1, hands: 1 };
const LATER = {
  ...{ version: 10, things: [] },
  variants: [],
  table: TABLE,
  trials: [],
  pictures: [],
  resists: [],
  rules: RULES,
};

const THINGS = { version: 10, things: [] };

const BOX = {
  ...{ box: [], ownPigments: [], moods: [] },
  dish: { wells: 12, wellMl: 4, leftMl: 0.15, rinsed: 0.1 },
};

const whitesOf = (old: Record<string, unknown>): object[] =>
  (old['whites'] as object[]).map((white) => ({ ...white, tool: null, wanted: null, edge: 'hard' }));

/** Passes of before, which laid one mix and did not know some more. */
const passesNow = (old: Record<string, unknown>, more: object = {}): object[] =>
  (old['acts'] as { kind: string }[]).map((act) =>
    act.kind === 'pass' ? { ...act, also: [], spares: null, ...more } : act,
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

/** A plan of version 9 with a word on it, and its letters as areas. */
function letteredOf(old: Record<string, unknown>): Record<string, unknown> {
  const words = {
    ...{ id: 'w', text: 'Joy', font: 'serif', capHeightMm: 9, from: [20, 30], to: [100, 30], archMm: 0 },
    ...{ slantDeg: 0, spacingMm: 0, set: 'middle' },
  };
  const letters = ['J', 'o', 'y'].map((char, i) => ({
    ...{ id: `letter-${i}`, name: `Joy: ${char}` },
    outline: [[20, 29, 28].map((y, k) => [20 + 10 * i + k, y])],
  }));
  return { ...old, words: [words], areas: [...(old['areas'] as object[]), ...letters] };
}

/** Rules of a house that weighed every check alike. */
const weighed = (old: Record<string, unknown>): object => ({
  ...(old['rules'] as object),
  ...{ backruns: 'avoided', weights: {} },
});

describe('released versions', () => {
  it('opens a plan of version 1 as it was meant', () => {
    const old = fixture('plan-v1');
    const plan = readPlan(old);
    expect(plan.version).toBe(10);
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

  it('opens a plan of version 4 with its whites kept as they were, of version 5 with all of its areas covered, of version 6 with no sheet, of version 7 with one board, of version 8 with one mix in a pass', () => {
    const old = fixture('plan-v4');
    expect(readPlan(old)).toEqual({
      ...{ ...old, ...LATER, ...beforeShields(old) },
      whites: whitesOf(old),
    });
    const whites = fixture('plan-v5');
    expect(readPlan(whites)).toEqual({
      ...{
        ...whites,
        version: 10,
        things: [],
        variants: [],
        table: TABLE,
        trials: [],
        ...beforeShields(whites),
      },
      rules: weighed(whites),
    });
    const dish = fixture('plan-v6');
    expect(readPlan(dish)).toEqual({
      ...{
        ...dish,
        version: 10,
        things: [],
        variants: [],
        table: TABLE,
        trials: [],
        acts: passesNow(dish, { strokes: [] }),
      },
      rules: weighed(dish),
    });
    const sheets = fixture('plan-v7');
    expect(readPlan(sheets)).toEqual({
      ...{ ...sheets, version: 10, things: [], variants: [], table: TABLE, acts: passesNow(sheets) },
      rules: weighed(sheets),
    });
    const alike = fixture('plan-v8');
    expect(readPlan(alike)).toEqual({ ...alike, ...THINGS, variants: [], acts: passesNow(alike) });
  });

  it('opens a plan of version 9 with the letters of a word as one thing, and one of version 10 unchanged', () => {
    const old = fixture('plan-v9');
    const spared = (old['acts'] as { kind: string }[]).map((act) =>
      act.kind === 'pass' ? { ...act, spares: null } : act,
    );
    expect(readPlan(old)).toEqual({ ...old, ...THINGS, acts: spared });
    const lettered = letteredOf(old);
    expect(readPlan(lettered).things).toEqual([
      { id: 'thing-w', name: 'Joy', members: ['letter-0', 'letter-1', 'letter-2'] },
    ]);
    expect(readPlan(fixture('plan-v10'))).toEqual(fixture('plan-v10'));
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
