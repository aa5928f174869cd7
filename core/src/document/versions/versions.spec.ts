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
