import { describe, expect, it } from 'vitest';
import { pigmentByCode } from '../../materials/pigment';
import { SHEETS } from '../../commission/card';
import { deltaE00 } from '../../kit/colour';
import { rectangle } from '../../kit/geometry';
import {
  addArea,
  addMix,
  addPass,
  smallPlan,
  applyCommands,
  CHORES,
  choreOf,
  colourAt,
  handsOn,
  representativePoint,
  variantsOf,
  laidAt,
  layersAt,
  planSchema,
  replayPatches,
  TECHNIQUES,
  waterWord,
  wettedThrough,
  type Command,
  type Pass,
  type Plan,
} from '.';

const did = (plan: Plan, ...commands: Command[]): Plan => applyCommands(plan, commands).plan;
const order = (plan: Plan): string[] => plan.acts.map((act) => act.id);

const VARIANT = { id: 'v', name: 'in rose', copies: 2 };

const EVERY_COMMAND: Command[] = [
  { do: 'rename', title: 'Other' },
  { do: 'order-acts', order: ['tape', 'prepare'] },
  { do: 'set-out', palette: ['PB29'], pigments: [] },
  { do: 'set-brief', change: { copies: 6 } },
  { do: 'set-format', change: { fold: 'top' } },
  { do: 'reshape-area', area: 'sky', outline: rectangle(0, 0, 30, 10) },
  { do: 'set-sheets', change: { painting: SHEETS[0] } },
  { do: 'set-rules', change: { letColoursRun: true } },
  { do: 'set-climate', change: { rh: 0.7 } },
  {
    do: 'add-line',
    line: {
      id: 'l1',
      kind: 'pencil',
      points: [
        [1, 1, 0.5],
        [9, 9, 0.6],
      ],
    },
  },
  { do: 'rub-out-line', line: 'l1' },
  addArea('reed', rectangle(100, 70, 4, 20)),
  { do: 'rename-area', area: 'reed', name: 'reeds' },
  { do: 'keep-white', white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' } },
  { do: 'keep-white', white: { id: 'w', area: 'boat', way: 'bare', tool: null, wanted: null, edge: 'hard' } },
  { do: 'mask-when', masked: 'boat', on: null, off: null },
  { do: 'give-up-white', white: 'w' },
  {
    do: 'put-resist',
    resist: { id: 'r', name: 'r', tool: 'marker', strokes: [], drops: [[3, 3, 1]] },
  },
  {
    ...{ do: 'mask-stroke', resist: { id: 'r', name: 'r', tool: 'marker' } },
    stroke: { id: 's', points: [[4, 4, 0.5]] },
  },
  { do: 'lift-mask', resist: 'r', strokes: [], drops: [0] },
  { do: 'mask-when', masked: 'r', on: null, off: null },
  { do: 'remove-resist', resist: 'r' },
  {
    do: 'lay-picture',
    picture: {
      ...{ id: 'pic', name: 'pic', file: 'pic.png', use: 'traced', corners: null, at: [0, 0] },
      ...{ widthMm: 40, heightMm: 30, faded: 0.5, bare: [] },
    },
  },
  { do: 'take-picture', picture: 'pic' },
  { do: 'remove-area', area: 'reed' },
  addMix('rose', 0.3, 'PV19-rose'),
  addPass('p1', 'sky', 'rose'),
  { do: 'change-pass', pass: 'p1', change: { filmUm: 120 } },
  { do: 'change-chore', chore: 'draw', change: { handsS: 30 } },
  { do: 'change-pass', pass: 'p1', change: { also: [{ mix: 'blue', lies: 'round', share: 0.2 }] } },
  { do: 'vary', variant: { ...VARIANT, changes: [{ do: 'lay-in', pass: 'p1', mix: 'rose' }] } },
  { do: 'vary', variant: { ...VARIANT, changes: [{ do: 'leave-out', pass: 'p1' }] } },
  { do: 'move-act', act: 'p1', to: 0 },
  { do: 'remove-mix', mix: 'rose' },
  { do: 'remove-act', act: 'p1' },
  { do: 'take-variant', variant: 'v' },
  { do: 'mark-not-needed', station: 'whites', notNeeded: true },
  { do: 'accept-finding', finding: 'x/y/z', reason: 'I want the bloom' },
  { do: 'sit-down', at: '2026-12-01T18:00:00.000Z' },
  { do: 'note-event', event: { at: '2026-12-01T18:01:00.000Z', kind: 'done', act: 'tape' } },
  { do: 'end-sitting' },
];

describe('commands', () => {
  it('each leave a valid plan, and undo and redo exactly', () => {
    let plan = smallPlan();
    const history: { before: Plan; after: Plan; inverse: readonly unknown[]; patches: readonly unknown[] }[] =
      [];
    for (const command of EVERY_COMMAND) {
      const change = applyCommands(plan, [command]);
      expect(planSchema.safeParse(change.plan).error, command.do).toBeUndefined();
      expect(replayPatches(plan, change.patches)).toEqual(change.plan);
      expect(replayPatches(change.plan, change.inverse)).toEqual(plan);
      history.push({ before: plan, after: change.plan, ...change });
      plan = change.plan;
    }
    expect(new Set(EVERY_COMMAND.map((c) => c.do)).size).toBeGreaterThanOrEqual(23);
  });

  it('a mix that is taken away leaves its place to the next, and changes that name it go', () => {
    const plan = smallPlan(
      addPass('p1', 'sky', 'blue', { also: [{ mix: 'lemon', lies: 'below', share: 0.4 }] }),
      { do: 'vary', variant: { ...VARIANT, changes: [{ do: 'lay-in', pass: 'p1', mix: 'lemon' }] } },
    );
    expect(did(plan, { do: 'remove-mix', mix: 'blue' }).acts.find(({ id }) => id === 'p1')).toMatchObject({
      mix: 'lemon',
      also: [],
    });
    const alone = did(plan, { do: 'remove-mix', mix: 'lemon' });
    expect(alone.acts.find(({ id }) => id === 'p1')).toMatchObject({ mix: 'blue', also: [] });
    expect(alone.variants[0].changes).toEqual([]);
    expect(did(plan, { do: 'remove-act', act: 'p1' }).variants[0].changes).toEqual([]);
  });

  it('more copies are painted where more are painted otherwise, and never more otherwise than there are', () => {
    const plan = smallPlan(addPass('p1', 'sky', 'blue'), {
      do: 'vary',
      variant: { ...VARIANT, changes: [] },
    });
    expect(plan.brief.copies).toBe(2);
    const more = did(plan, { do: 'vary', variant: { ...VARIANT, id: 'w', copies: 3, changes: [] } });
    expect([more.brief.copies, variantsOf(more).map(({ copies }) => copies)]).toEqual([5, [2, 3]]);
    const fewer = did(more, { do: 'set-brief', change: { copies: 3 } });
    expect(fewer.variants.map(({ copies }) => copies)).toEqual([2, 1]);
    expect(did(more, { do: 'set-brief', change: { copies: 1 } }).variants.map(({ id }) => id)).toEqual(['v']);
    const tooMany = { ...more, brief: { ...more.brief, copies: 4 } };
    expect(planSchema.safeParse(tooMany).error?.issues[0].message).toBe('5 copies of 4');
  });

  it('several mixes of a pass have their places, and clear water is laid alone', () => {
    const also = [{ mix: 'lemon', lies: 'below', share: 0.4 } as const];
    const plan = smallPlan(addPass('p1', 'sky', 'blue', { also }));
    const pass = plan.acts.find((act): act is Pass => act.kind === 'pass')!;
    const at = laidAt(plan, pass);
    expect([at([70, 29]), at([70, 31]), at([70, 50])]).toEqual(['blue', 'lemon', 'lemon']);
    expect(handsOn(plan, { ...pass, handsS: null })).toBe(
      15 + handsOn(plan, { ...pass, handsS: null, also: [] }),
    );
    expect(
      planSchema.safeParse(did(plan, { do: 'change-pass', pass: 'p1', change: { mix: null } })).success,
    ).toBe(false);
  });

  it('masking puts both acts in order, before the first pass and after the last', () => {
    const plan = did(smallPlan(addPass('p1', 'sky', 'blue')), {
      do: 'keep-white',
      white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
    });
    expect(order(plan)).toEqual([
      'prepare',
      'tape',
      'draw',
      'mask-on',
      'p1',
      'mask-off',
      'untape',
      'rub-out',
      'score',
      'fold',
      'press',
    ]);
    expect(order(did(plan, { do: 'give-up-white', white: 'w' }))).not.toContain('mask-on');
    expect(order(did(plan, { do: 'remove-area', area: 'boat' }))).not.toContain('mask-off');
  });

  it('keeps the pigments that are set out or mixed from, and no others', () => {
    const plan = smallPlan();
    const codes = (of: Plan): string[] => of.embedded.pigments.map((p) => p.code);
    expect([codes(plan), plan.palette]).toEqual([
      ['PB29', 'PB60', 'PY3'],
      ['PB29', 'PB60', 'PY3'],
    ]);
    // What is no longer mixed from lies on the dish until it is taken off; what is mixed from stays.
    const emptied = did(plan, { do: 'remove-mix', mix: 'dark' });
    expect(codes(emptied)).toEqual(codes(plan));
    const off = did(emptied, { do: 'set-out', palette: ['PR122'], pigments: [pigmentByCode('PR122')] });
    expect(codes(off)).toEqual(['PB29', 'PY3', 'PR122']);
    expect(off.palette).toEqual(['PR122', 'PB29', 'PY3']);
  });

  it('takes a pigment that has been measured anew in place of the old one, and never an older one', () => {
    const plan = smallPlan();
    const measured = { ...pigmentByCode('PB29'), revision: 2, k0: 0.5 };
    const anew = did(plan, { do: 'set-out', palette: plan.palette, pigments: [measured] });
    expect(anew.embedded.pigments[0]).toEqual(measured);
    const back = did(anew, { do: 'set-out', palette: plan.palette, pigments: [pigmentByCode('PB29')] });
    expect(back.embedded.pigments[0]).toEqual(measured);
  });
});

describe('a plan refuses references that lead nowhere', () => {
  const broken = (change: (plan: Plan) => void): string[] => {
    const plan = structuredClone(smallPlan(addPass('p1', 'sky', 'blue')));
    change(plan);
    return planSchema.safeParse(plan).error?.issues.map((issue) => issue.path.join('.')) ?? [];
  };

  it.each<[string, (plan: Plan) => void]>([
    ['acts.3.mix', (plan) => void (plan.mixes = [])],
    ['acts.3.areas.0', (plan) => void (plan.areas = plan.areas.slice(1))],
    ['paper', (plan) => void (plan.paper = 'gone')],
    ['mixes.0.parts.0.pigment', (plan) => void (plan.embedded.pigments = [])],
    ['areas', (plan) => void plan.areas.push(plan.areas[0])],
  ])('%s', (path, change) => expect(broken(change)).toContain(path));
});

describe('what lies on an area', () => {
  it('is asked where nothing later covers it', () => {
    const [x, y] = representativePoint(smallPlan(), 'sky');
    expect(x < 60 || x > 80 || y < 20 || y > 40).toBe(true);
  });

  it('adds up in order, and spares what is masked or kept', () => {
    const plan = smallPlan(
      addPass('p1', 'sky', 'blue'),
      addPass('p2', 'sky', 'lemon', { technique: 'glaze' }),
      {
        do: 'keep-white',
        white: { id: 'w', area: 'boat', way: 'paint-round', tool: null, wanted: null, edge: 'hard' },
      },
    );
    expect(layersAt(plan, 'sky', plan.acts.length)).toHaveLength(2);
    expect(layersAt(plan, 'boat', plan.acts.length)).toHaveLength(0);
    expect(colourAt(plan, 'sky', plan.acts.length)[0]).toBeLessThan(colourAt(plan, 'sky', 0)[0] - 5);
    const masked = did(plan, {
      do: 'keep-white',
      white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
    });
    expect(layersAt(masked, 'boat', masked.acts.length)).toHaveLength(0);
    const given = did(plan, { do: 'give-up-white', white: 'w' });
    expect(wettedThrough(given, 'boat', 3)).toBe('sky');
    expect(deltaE00(colourAt(given, 'boat', 5), colourAt(given, 'sky', 5))).toBeLessThan(1e-9);
  });
});

describe('hands-on time', () => {
  it('is set-up + area ÷ coverage + edge ÷ speed, unless the painter set it', () => {
    const plan = smallPlan(addPass('p1', 'sky', 'blue', { handsS: null }), addPass('p2', 'sky', 'blue'));
    const pass = (id: string) => plan.acts.find((act) => act.id === id)!;
    expect(handsOn(plan, pass('p1'))).toBeCloseTo(20 + (148 * 50) / 90 + (2 * 198) / 8, 9);
    expect(handsOn(plan, pass('p2'))).toBe(60);
    expect(handsOn(plan, pass('tape'))).toBe(choreOf('tape').handsS);
  });
});

describe('registries', () => {
  it('have no id twice, and a gate before everything that cannot be undone', () => {
    for (const list of [TECHNIQUES, CHORES])
      expect(new Set(list.map((entry) => entry.id)).size).toBe(list.length);
    for (const id of ['mask-off', 'untape', 'trim', 'fold', 'mount'])
      expect(choreOf(id).gate, id).toBeDefined();
    expect(choreOf('mask-on').caution).toMatch(/latex/);
    expect(choreOf('trim').caution).toMatch(/Blade/);
  });

  it('says water in words', () => expect(waterWord(82)).toBe('a loaded brush'));
});

it('commands of one step leave one another as they were given, and can be carried out again', () => {
  const commands: Command[] = [
    addArea('moon', rectangle(10, 10, 8, 8)),
    { do: 'see-as', area: 'moon', form: 'ball' },
    { do: 'rename-area', area: 'moon', name: 'full moon' },
    { do: 'see-as', area: 'moon', form: null },
  ];
  const before = JSON.stringify(commands);
  const twice = [smallPlan(...commands), smallPlan(...commands)];
  expect(JSON.stringify(commands)).toBe(before);
  expect(twice[0].areas.at(-1)).toEqual({ id: 'moon', name: 'full moon', outline: rectangle(10, 10, 8, 8) });
  expect(twice[1]).toEqual(twice[0]);
});
