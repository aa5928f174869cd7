import { describe, expect, it } from 'vitest';
import { contains, polygonArea, rectangle } from '../../kit/geometry';
import {
  addPass,
  smallPlan,
  outlineOf,
  planSchema,
  TECHNIQUES,
  type Command,
  type Plan,
} from '../../document/plan';
import { simulationSchema } from '../../simulation/water';
import { dryAt, keepsWindows, layOut, possibleStarts, reachedAt, rehearse, windowOf, windowsLeft } from '.';
import { strewn } from './unbrushed';

const chore = (kind: string, areas: string[] = [], handsS: number | null = null): Command => ({
  do: 'add-act',
  before: 'untape',
  act: { kind: 'chore', id: kind, chore: kind, areas, handsS },
});
const painted = (plan: Plan) => rehearse(plan, layOut(plan), { cellMm: 1, seed: 1 });
const kinds = (plan: Plan): string[] => painted(plan).acts.map(({ kind }) => kind);

describe('every technique', () => {
  it.each(TECHNIQUES.map(({ id, pigment }) => [id, pigment] as const))(
    '%s can be planned, laid out in time and painted ahead',
    (technique, pigment) => {
      const plan = smallPlan(
        addPass('wash', 'sky', 'blue'),
        addPass('next', 'boat', pigment ? 'dark' : null, { technique }),
      );
      expect(planSchema.parse(plan)).toEqual(plan);
      expect(layOut(plan).never).toEqual([]);
      const simulation = painted(plan);
      expect(() => simulationSchema.parse(simulation)).not.toThrow();
      const [first, last] = [
        simulation.acts.length,
        painted(smallPlan(addPass('wash', 'sky', 'blue'))).acts.length,
      ];
      expect(first).toBeGreaterThan(last);
    },
  );
});

describe('salt', () => {
  const salted = smallPlan(
    addPass('wash', 'sky', 'blue'),
    addPass('salt', 'sky', null, { technique: 'salt', start: { stage: 'shiny' } }),
    chore('unsalt'),
  );

  it('wets nothing, and is brushed off when all is dry', () => {
    const { washes, steps } = layOut(salted);
    const onSky = washes.filter(({ area }) => area === 'sky');
    expect(onSky.map(({ act }) => act)).toEqual(['wash']);
    expect(washes.every(({ act }) => act === 'wash')).toBe(true);
    const off = steps.find(({ act }) => act.id === 'unsalt')!;
    expect(off.startS).toBeGreaterThanOrEqual(dryAt(washes[0])! - 1e-6);
    expect(kinds(salted).slice(-2)).toEqual(['salt', 'unsalt']);
  });

  it('is strewn over its area, some seven millimetres apart, the same each time', () => {
    const region = rectangle(10, 20, 70, 49);
    const grains = strewn(region, 7);
    expect(grains).toEqual(strewn(region, 7));
    expect(grains).toHaveLength(70);
    expect(grains.every((at) => contains(region, at))).toBe(true);
  });
});

it('a lift is blotted of nine tenths, a graded wash ends at 0.15 of its strength, salt lies a pinch thick', () => {
  const acts = (technique: string, mix: string | null, covers = 1) =>
    painted(smallPlan(addPass('wash', 'sky', 'dark'), addPass('next', 'sky', mix, { technique, covers })))
      .acts;
  expect(acts('lift', null).flatMap((act) => (act.kind === 'blot' ? [act.share] : []))).toEqual([0.9]);
  const graded = smallPlan(addPass('wash', 'sky', 'dark', { technique: 'graded-wash' }));
  const loads = painted(graded).acts.flatMap((act) => (act.kind === 'wash' ? [act.pigments[0].gm2] : []));
  expect(loads.at(-1)! / loads[0]).toBeCloseTo(0.15, 6);
  const [salt] = acts('salt', null).flatMap((act) => (act.kind === 'salt' ? [act.points.length] : []));
  expect(salt).toBe(Math.round(148 / 7) * Math.round(50 / 7));
  const [spatter] = acts('spatter', 'blue', 0.97).flatMap((act) =>
    act.kind === 'spatter' ? [act.coverage] : [],
  );
  expect(spatter).toBe(0.9);
  const dabs = acts('sponge', 'blue', 0.5).flatMap((act) => (act.kind === 'print' ? [act.shape] : []));
  expect(dabs[0]).toMatchObject({ circle: [expect.any(Number), expect.any(Number), 2.5] });
});

it('prints cover about as much as is said', () => {
  const plan = smallPlan(addPass('print', 'sky', 'blue', { technique: 'print', covers: 0.4 }));
  const prints = painted(plan).acts.filter(({ kind }) => kind === 'print');
  const each = Math.PI * 4.5 ** 2;
  const share = (prints.length * each) / polygonArea(outlineOf(plan, 'sky'));
  expect(share).toBeGreaterThan(0.3);
  expect(share).toBeLessThan(0.5);
});

describe('warm air', () => {
  const dried = (handsS: number | null): Plan =>
    smallPlan(addPass('wash', 'sky', 'blue'), ...(handsS === null ? [] : [chore('dry-warm', [], handsS)]));
  const endS = (plan: Plan): number => Math.max(...layOut(plan).washes.map(({ untilS }) => untilS));

  it('comes when the sheen is gone, and dries the sooner the longer it is held', () => {
    const [air, short, long] = [dried(null), dried(120), dried(480)].map(endS);
    expect(short).toBeLessThan(air);
    expect(long).toBeLessThan(short);
    const wash = layOut(dried(null)).washes[0];
    const warm = layOut(dried(120)).steps.find(({ act }) => act.id === 'dry-warm')!;
    expect(warm.startS).toBeCloseTo(reachedAt(wash, 'damp')!, 3);
    expect(kinds(dried(120))).toContain('heat');
  });
});

describe('windows', () => {
  const charged = (atS: number): Plan =>
    smallPlan(
      addPass('wash', 'sky', 'blue'),
      addPass('drop', 'sky', 'dark', { technique: 'charge', handsS: 5, start: { atS } }),
    );
  const wash = layOut(charged(0)).washes[0];

  it('close with the sheen for what floats, and later for a charge', () => {
    const [float, charge] = ['wet-in-wet', 'charge'].map((technique) => windowOf(technique, wash)!.latestS!);
    expect(float).toBeCloseTo(reachedAt(wash, 'damp')!, 6);
    // A third of the damp stage is still early.
    const [dampS, coolS] = [reachedAt(wash, 'damp')!, reachedAt(wash, 'cool')!];
    expect(charge).toBeCloseTo(dampS + (coolS - dampS) / 3, 6);
    expect(windowOf('glaze', wash)).toBeNull();
  });

  it('are kept or missed, by so much', () => {
    const latestS = windowOf('charge', wash)!.latestS!;
    const [left] = windowsLeft(layOut(charged(latestS - 30)));
    expect(left.leftS).toBeCloseTo(30, 3);
    expect(keepsWindows(layOut(charged(latestS - 30)))).toBe(true);
    expect(keepsWindows(layOut(charged(latestS + 1)))).toBe(false);
  });

  it('come later on a slow day, and what waits for a stage waits for what is seen', () => {
    const waits = smallPlan(
      addPass('wash', 'sky', 'blue'),
      addPass('drop', 'sky', 'dark', { technique: 'charge', start: { stage: 'satin' } }),
    );
    const startS = (factor: number): number =>
      layOut(waits, factor).steps.find(({ act }) => act.id === 'drop')!.startS - wash.laidS;
    expect(startS(1.3) / startS(1)).toBeCloseTo(1.3, 6);
    expect(keepsWindows(layOut(waits, 0.7))).toBe(true);
  });
});

it('the starts of a pass are told in order, each with its time, none twice', () => {
  const plan = smallPlan(addPass('wash', 'sky', 'blue', { filmUm: 160 }), addPass('boat', 'boat', 'dark'));
  const step = layOut(plan).steps.find(({ act }) => act.id === 'boat')!;
  if (step.act.kind !== 'pass') throw new Error('a pass');
  const starts = possibleStarts(plan, step.act, step);
  expect(starts.map(({ start }) => start)).toEqual([
    'straight-on',
    ...['shiny', 'satin', 'damp', 'cool'].map((stage) => ({ stage })),
    'when-dry',
  ]);
  expect(starts.map(({ atS }) => atS)).toEqual(starts.map(({ atS }) => atS).sort((a, b) => a - b));
  expect(starts.at(-1)!.atS).toBeCloseTo(step.startS, 6);
});
