import { describe, expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import { pigmentByCode } from '../../materials/pigment';
import {
  applyCommands,
  newMix,
  NEW_STUDIO,
  newPass,
  paintedOf,
  type Command,
  type Pass,
  type Plan,
} from '../../document/plan';
import { layOut, reachedAt, washAt, windowOf } from '../../order/schedule';
import { addArea, addPass, smallPlan } from '../../testing/small-plan';
import { checkAllKinds, CHECKS, runChecks, type CheckContext, type Finding } from '.';

/** What one check finds in a plan. */
const of = (id: string, plan: Plan, desk?: CheckContext['desk']): Finding[] =>
  runChecks(plan, layOut(plan), desk).filter((finding) => finding.id === id);

/** A sky washed, and something done into it so many seconds after it was laid. */
const sky = smallPlan(addPass('wash', 'sky', 'blue'));
const { laidS } = layOut(sky).washes[0];
const wash = layOut(sky).washes[0];
const into = (
  technique: string,
  afterS: number,
  more: Partial<Pass> = {},
  mix: string | null = 'dark',
): Plan =>
  smallPlan(
    addPass('wash', 'sky', 'blue'),
    addPass('next', 'sky', mix, { technique, handsS: 0, start: { atS: laidS + afterS }, ...more }),
  );
const after = (atS: number | null): number => atS! - laidS;
const chore = (id: string, kind: string, areas: string[] = []): Command => ({
  do: 'add-act',
  before: 'untape',
  act: { kind: 'chore', id, chore: kind, areas, handsS: null },
});
const mixed = (id: string, change: Partial<Parameters<typeof newMix>[0]>, codes = ['PB29']): Command => ({
  do: 'put-mix',
  mix: newMix({
    ...{ id, name: id, strength: 0.2, parts: codes.map((pigment) => ({ pigment, parts: 1 })) },
    ...change,
  }),
  pigments: codes.map((code) => pigmentByCode(code)),
});
const line = (kind: 'soluble-ink' | 'pencil' | 'stamped', x: number): Command => ({
  do: 'add-line',
  line: {
    id: `line-${x}`,
    kind,
    points: [
      [x, 10, 0.5],
      [x, 30, 0.5],
    ],
  },
});
const latest = windowOf('charge', wash)!.latestS!;
const mattS = after(reachedAt(wash, 'damp'));
const shinyEndS = after(reachedAt(wash, 'satin'));
const DESK = {
  dish: NEW_STUDIO.dish,
  letter: { weightG: 60, thicknessMm: 3 },
  today: '2026-03-02',
  evenings: [{ weekday: 2, minutes: 30 }],
} as const;

/** For every check: a plan on the wrong side of its number, and one on the right side. */
const EDGES: Readonly<Record<string, readonly [wrong: Plan, right: Plan]>> = {
  'charge-too-late': [into('charge', after(latest) + 2), into('charge', after(latest) - 2)],
  'backrun-risk': [into('charge', mattS + 5, { filmUm: 31 }), into('charge', mattS + 5, { filmUm: 30 })],
  'second-pass-water': [
    into('second-wet', mattS + 5, { filmUm: 31 }),
    into('second-wet', mattS + 5, { filmUm: 30 }),
  ],
  'across-grain': [cutFrom('width'), cutFrom('height')],
  'pool-at-tape': [
    smallPlan(addPass('wash', 'sky', 'blue', { filmUm: 121 })),
    smallPlan(addPass('wash', 'sky', 'blue', { filmUm: 120 })),
  ],
  'third-colour': [sunInTheSky('straight-on'), sunInTheSky('when-dry')],
  'dries-too-pale': (() => {
    const paleBy = (more: number): Plan => {
      const wanted = wantedOf(0.2);
      return smallPlan(
        mixed('pale', { strength: 0.2, wanted: [wanted[0] - more, wanted[1], wanted[2]] }),
        addPass('wash', 'sky', 'pale'),
      );
    };
    return [paleBy(5.2), paleBy(4.8)] as const;
  })(),
  mud: [
    smallPlan(
      mixed('sludge', { strength: 0.4 }, ['PO48', 'PG7', 'PV19-rose']),
      addPass('wash', 'sky', 'sludge'),
    ),
    smallPlan(addPass('wash', 'sky', 'blue')),
  ],
  'mix-runs-short': [
    smallPlan(mixed('little', { mixedMl: 0.2 }), addPass('wash', 'sky', 'little')),
    smallPlan(mixed('much', { mixedMl: 9 }), addPass('wash', 'sky', 'much')),
  ],
  'brush-dry-in-line': [framed(70), framed(8)],
  'salt-too-wet': [
    into('salt', 1, {}, null),
    into('salt', after(reachedAt(wash, 'shiny')) + 1, {}, null),
  ].map((plan, i) => (i === 0 ? withFilm(plan, 200) : plan)) as [Plan, Plan],
  'salt-too-dry': [into('salt', shinyEndS + 2, {}, null), into('salt', shinyEndS - 2, {}, null)],
  'salt-heated': [
    smallPlan(addPass('wash', 'sky', 'blue'), salting(), chore('warm', 'dry-warm')),
    smallPlan(addPass('wash', 'sky', 'blue'), salting(), chore('off', 'unsalt'), chore('warm', 'dry-warm')),
  ],
  'mask-heated': [
    smallPlan(chore('mask', 'mask-on', ['boat']), chore('warm', 'dry-warm')),
    smallPlan(chore('mask', 'mask-on', ['boat']), addPass('wash', 'sky', 'blue'), chore('warm', 'dry-warm')),
  ],
  'line-will-run': [
    smallPlan(line('soluble-ink', 20), addPass('wash', 'sky', 'blue')),
    smallPlan(line('pencil', 20), addPass('wash', 'sky', 'blue')),
  ],
  'line-buried': [
    smallPlan(line('stamped', 70), addPass('white', 'boat', 'lemon', { technique: 'opaque' })),
    smallPlan(line('stamped', 20), addPass('white', 'boat', 'lemon', { technique: 'opaque' })),
  ],
  'metal-too-thin': [
    smallPlan(
      mixed('gold', { strength: 0.5, medium: 'metallic' }),
      addPass('a', 'boat', 'gold', { filmUm: 71 }),
    ),
    smallPlan(
      mixed('gold', { strength: 0.5, medium: 'metallic' }),
      addPass('a', 'boat', 'gold', { filmUm: 72 }),
    ),
  ],
  'splash-reaches': [
    smallPlan(addPass('drops', 'boat', 'blue', { technique: 'spatter' })),
    smallPlan(
      addPass('drops', 'boat', 'blue', {
        technique: 'spatter',
        shields: [{ area: 'boat', lies: 'round', edge: 'torn' }],
      }),
    ),
  ],
  'hand-on-wet': [
    smallPlan(addPass('wash', 'field', 'blue'), addPass('line', 'boat', 'dark', { technique: 'line' })),
    smallPlan(
      addPass('wash', 'field', 'blue'),
      chore('turn', 'turn-over'),
      addPass('line', 'boat', 'dark', { technique: 'line' }),
    ),
  ],
  'too-many-passes': [glazed(13), glazed(1)],
  'cockle-risk': (() => {
    const onThin = (filmUm: number): Plan => {
      const plan = smallPlan(addPass('wash', 'sky', 'blue', { filmUm }));
      return {
        ...plan,
        embedded: { ...plan.embedded, papers: plan.embedded.papers.map((p) => ({ ...p, cockle: 1 })) },
      };
    };
    // Half of the panel at half the cockle of a taped sheet: 0.5 at two puddles' depth.
    return [onThin(162), onThin(158)] as const;
  })(),
  'stencil-wet-below': [stencilled(179), stencilled(180)],
  'tape-on-keep': [
    smallPlan(addArea('edge', rectangle(100, 60, 48.6, 10))),
    smallPlan(addArea('edge', rectangle(100, 60, 48.4, 10))),
  ],
  'values-too-close': [hilly(0.2), hilly(0.9)],
  'one-value': [
    smallPlan(addPass('a', 'sky', 'lemon'), addPass('b', 'field', 'lemon')),
    smallPlan(addPass('a', 'sky', 'dark'), addPass('b', 'field', 'lemon')),
  ],
  'border-lost-on-white': [
    smallPlan(addPass('a', 'boat', 'dark')),
    smallPlan(addPass('a', 'field', 'dark'), addPass('b', 'sky', 'dark')),
  ],
  'water-fouled': [
    smallPlan(addPass('a', 'sky', 'blue'), addPass('b', 'field', 'lemon')),
    smallPlan(addPass('a', 'sky', 'blue'), addPass('b', 'field', 'blue')),
  ],
};

function sunInTheSky(start: Pass['start']): Plan {
  return smallPlan(
    mixed('deep', { strength: 0.5 }, ['PB29']),
    mixed('sun', { strength: 0.6 }, ['PY3']),
    addPass('wash', 'sky', 'deep'),
    addPass('boat', 'boat', 'sun', { start }),
  );
}

/** A line drawn all round, so many millimetres high. */
function framed(heightMm: number): Plan {
  const [outer] = rectangle(10, 10, 120, heightMm);
  const [inner] = rectangle(10.6, 10.6, 118.8, heightMm - 1.2);
  return smallPlan(
    addArea('frame', [outer, inner]),
    addPass('frame', 'frame', 'dark', { technique: 'line' }),
  );
}

/** A hill in the same blue as the sky it meets, so strong. */
function hilly(strength: number): Plan {
  return smallPlan(
    addArea('hill', rectangle(0, 50, 148, 9)),
    mixed('far', { strength }),
    addPass('a', 'sky', 'blue'),
    addPass('b', 'hill', 'far'),
  );
}

function wantedOf(strength: number): readonly [number, number, number] {
  const plan = smallPlan(mixed('as-is', { strength }), addPass('wash', 'sky', 'as-is'));
  const found = of('dries-too-pale', {
    ...plan,
    mixes: plan.mixes.map((mix) => (mix.id === 'as-is' ? { ...mix, wanted: [0, 0, 0] } : mix)),
  });
  return [found[0].number.value!, 0, 0];
}

function withFilm(plan: Plan, filmUm: number): Plan {
  return applyCommands(plan, [{ do: 'change-pass', pass: 'wash', change: { filmUm } }]).plan;
}

function salting(): Command {
  return addPass('salt', 'sky', null, { technique: 'salt', start: { stage: 'shiny' } });
}

function glazed(times: number): Plan {
  return smallPlan(...Array.from({ length: times }, (_, i) => addPass(`p${i}`, 'sky', 'blue')));
}

function stencilled(betweenS: number): Plan {
  const shields: Pass['shields'] = [{ area: 'boat', lies: 'over', edge: 'cut' }];
  const first = smallPlan(addPass('one', 'sky', 'blue', { shields }));
  const endS = layOut(first).steps.find(({ act }) => act.id === 'one')!.endS;
  return applyCommands(first, [addPass('two', 'field', 'blue', { shields, start: { atS: endS + betweenS } })])
    .plan;
}

/** A folded card from a sheet as long as it is, the grain one way or the other. */
function cutFrom(grain: 'width' | 'height'): Plan {
  const sheet = { name: 'short sheet', widthMm: 340, heightMm: 240, grain, price: null };
  return applyCommands(smallPlan(), [{ do: 'set-sheets', change: { painting: sheet } }]).plan;
}

describe('at the edge of its number', () => {
  it.each(Object.entries(EDGES))('%s finds what is wrong, and only that', (id, [wrong, right]) => {
    expect(of(id, wrong).at(0)?.why.length).toBeGreaterThan(20);
    expect(of(id, right)).toEqual([]);
  });

  it.each(Object.entries(EDGES))(
    '%s: its fix, where it has one, removes it and stops nothing',
    (id, [wrong]) => {
      const [finding] = of(id, wrong);
      if (!finding.fix) return;
      const mended = applyCommands(wrong, finding.fix.commands).plan;
      expect(of(id, mended).map(({ key }) => key)).not.toContain(finding.key);
      const stops = (plan: Plan): number =>
        runChecks(plan, layOut(plan)).filter(({ severity }) => severity === 'stop').length;
      expect(stops(mended)).toBeLessThanOrEqual(stops(wrong));
    },
  );

  it('opposites that meet wet make a grey', () => {
    const meet = (start: Pass['start']): Plan =>
      smallPlan(
        mixed('warm', { strength: 0.5 }, ['PO48']),
        mixed('cold', { strength: 0.3 }, ['PB28']),
        addPass('wash', 'sky', 'warm'),
        addPass('boat', 'boat', 'cold', { start }),
      );
    expect([
      ...of('complements-meet', meet('straight-on')),
      ...of('third-colour', meet('straight-on')),
    ]).toHaveLength(1);
    expect(of('complements-meet', meet('when-dry'))).toEqual([]);
  });

  it('opposites of one pass make a grey where they meet, and one mix alone does not', () => {
    const laid = (also: Pass['also']): Plan =>
      smallPlan(
        mixed('warm', { strength: 0.5 }, ['PO48']),
        mixed('cold', { strength: 0.3 }, ['PB28']),
        addPass('wash', 'sky', 'warm', { also }),
      );
    const both = laid([{ mix: 'cold', lies: 'below', share: 0.3 }]);
    const [finding] = [...of('complements-meet', both), ...of('third-colour', both)];
    expect(finding).toMatchObject({ severity: 'note', where: { pass: 'wash' } });
    const mended = applyCommands(both, finding.fix!.commands).plan;
    for (const plan of [laid([]), mended])
      expect([...of('complements-meet', plan), ...of('third-colour', plan)]).toEqual([]);
  });

  it('copies painted otherwise are looked at too, and what goes wrong with them alone is mended by painting all alike', () => {
    const wet = smallPlan(
      addPass('wet', 'sky', null, { technique: 'pre-wet', start: 'straight-on' }),
      addPass('float', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on' }),
    );
    const late = (plan: Plan) =>
      checkAllKinds(plan, layOut(plan)).filter(({ id }) => id === 'charge-too-late');
    const varied = applyCommands(wet, [
      {
        do: 'vary',
        variant: {
          ...{ id: 'dry', name: 'on dry paper', copies: 1 },
          changes: [{ do: 'leave-out', pass: 'wet' }],
        },
      },
    ]).plan;
    expect(late(wet)).toEqual([]);
    const [finding] = late(varied);
    expect(finding.why).toMatch(/^Of those painted “on dry paper”: /);
    expect(late(applyCommands(varied, [...finding.fix!.commands]).plan)).toEqual([]);
    const accepted = applyCommands(varied, [
      { do: 'accept-finding', finding: finding.key, reason: 'they are to be hard-edged' },
    ]).plan;
    expect(late(accepted)).toEqual([]);
  });

  it('what floats wants something wet, and its fix wets it first', () => {
    const plan = smallPlan(
      addPass('float', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on' }),
    );
    const [finding] = of('charge-too-late', plan);
    expect(finding.number.value).toBeNull();
    const mended = applyCommands(plan, finding.fix!.commands).plan;
    expect(of('charge-too-late', mended)).toEqual([]);
  });

  it('a card is too thick for the post of the house, and may leave something out', () => {
    const desk = { ...DESK, evenings: [...DESK.evenings] };
    const foamed = (foamMm: number): Plan =>
      applyCommands(smallPlan(), [{ do: 'set-format', change: { panelRevealMm: 6, foamMm } }]).plan;
    const [finding] = of('too-thick', foamed(2), desk);
    expect(finding.number.value).toBeGreaterThan(DESK.letter.thicknessMm);
    expect(of('too-thick', applyCommands(foamed(2), finding.fix!.commands).plan, desk)).toEqual([]);
    expect(of('too-thick', foamed(1), desk)).toEqual([]);
    expect(of('too-thick', foamed(2), { ...desk, letter: { weightG: 60, thicknessMm: 5 } })).toEqual([]);
    const heavy = of('too-thick', foamed(1), { ...desk, letter: { weightG: 5, thicknessMm: 5 } });
    expect(heavy[0].number.unit).toBe('g');
  });

  it('colour crosses a gap on wet paper, and none to speak of once that is only damp', () => {
    const beside = (gapMm: number, atS: number): Plan =>
      smallPlan(
        { do: 'add-area', area: { id: 'strip', name: 'strip', outline: rectangle(0, 50 + gapMm, 148, 6) } },
        addPass('wash', 'sky', 'blue'),
        addPass('strip', 'strip', 'lemon', { start: { atS } }),
      );
    const laid = layOut(beside(1, 0)).washes.find(({ act }) => act === 'wash')!;
    const bleeds = (gapMm: number, afterS: number): boolean =>
      of('bleed-into-wet', beside(gapMm, laid.laidS + afterS)).length > 0;
    const coolS = reachedAt(laid, 'cool')! - laid.laidS;
    expect([bleeds(1, 60), bleeds(1, coolS + 30), bleeds(2, 60)]).toEqual([true, false, false]);
    expect([bleeds(0.49, coolS + 30), bleeds(0.51, coolS + 30)]).toEqual([true, false]);
    // Once no film is left, paper carries colour over a gap while it holds 60 g/m².
    const holds = (gm2: number): number => {
      let afterS = 0;
      while (washAt(laid, laid.laidS + afterS).filmUm > 0 || washAt(laid, laid.laidS + afterS).paperGm2 > gm2)
        afterS++;
      return afterS;
    };
    expect([bleeds(1, holds(61)), bleeds(1, holds(59))]).toEqual([true, false]);
  });

  it('the rim is looked at a millimetre inside the tape, and lost where more than three fifths of it are light', () => {
    const dark = (...outline: Plan['areas'][number]['outline']): boolean =>
      of(
        'border-lost-on-white',
        smallPlan({ do: 'add-area', area: { id: 'rim', name: 'rim', outline } }, addPass('a', 'rim', 'dark')),
      ).length > 0;
    const { widthMm, heightMm } = paintedOf(sky).panel;
    const [panel] = rectangle(0, 0, widthMm, heightMm);
    const inset = (mm: number) => rectangle(mm, mm, widthMm - 2 * mm, heightMm - 2 * mm)[0];
    // Painted from so far inside, or only so far in.
    expect([dark(inset(0.9)), dark(inset(1.1))]).toEqual([false, true]);
    expect([dark(panel, inset(1.1)), dark(panel, inset(0.9))]).toEqual([false, true]);
    // Painted along the top and so far down both sides.
    const painted = (share: number): boolean =>
      dark(...rectangle(0, 0, widthMm, share * (widthMm + heightMm) - widthMm / 2));
    expect([painted(0.36), painted(0.44)]).toEqual([true, false]);
  });

  it('a date is missed when the evenings run out, and only where there are evenings', () => {
    const plan = applyCommands(smallPlan(addPass('wash', 'sky', 'blue')), [
      { do: 'set-brief', change: { needBy: '2026-03-06', postingDays: 2, copies: 12 } },
    ]).plan;
    const desk = { ...DESK, evenings: [...DESK.evenings] };
    expect(of('date-missed', plan, desk)).toHaveLength(1);
    expect(of('date-missed', plan, { ...desk, evenings: [] })).toEqual([]);
    const later = applyCommands(plan, [{ do: 'set-brief', change: { needBy: '2027-03-06' } }]).plan;
    expect(of('date-missed', later, desk)).toEqual([]);
  });
});

describe('rules of the house', () => {
  const bloom = into('charge', mattS + 5, { filmUm: 200 });

  it('a welcome bloom is a note', () => {
    expect(of('backrun-risk', bloom)[0].severity).toBe('look');
    const welcome = applyCommands(bloom, [{ do: 'set-rules', change: { backruns: 'welcome' } }]).plan;
    expect(of('backrun-risk', welcome)[0].severity).toBe('note');
  });

  it('a check weighs what the house says, or is not made', () => {
    const weighed = (weight: 'stop' | 'off'): Plan =>
      applyCommands(bloom, [{ do: 'set-rules', change: { weights: { 'backrun-risk': weight } } }]).plan;
    expect(of('backrun-risk', weighed('stop'))[0].severity).toBe('stop');
    expect(of('backrun-risk', weighed('off'))).toEqual([]);
  });

  it('every rule told of here is one of the checks', () => {
    const known = CHECKS.map(({ id }) => id);
    for (const id of Object.keys(EDGES)) expect(known).toContain(id);
  });
});

it('a pass begins as what it touches comes to a stage', () => {
  const plan = smallPlan(addPass('wash', 'sky', 'blue'), {
    do: 'add-act',
    before: 'untape',
    act: newPass({ id: 'drop', areas: ['sky'], technique: 'charge', mix: 'dark', start: { stage: 'satin' } }),
  });
  const step = layOut(plan).steps.find(({ act }) => act.id === 'drop')!;
  expect(step.startS - laidS).toBeCloseTo(shinyEndS, 6);
});
