import { describe, expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import { addArea, addPass, smallPlan, type Command, type Plan } from '../../document/plan';
import { layOut, mainWash, stageAt, type TimelineAtTable } from '../../order/schedule';
import { runChecks } from '.';

/** What is said of how wet the paper is, by check and area. */
const WETNESS = ['bleed-into-wet', 'charge-too-late', 'backrun-risk', 'second-pass-water', 'mask-on-damp'];
const said = (plan: Plan): string[] =>
  runChecks(plan, layOut(plan))
    .filter(({ id }) => WETNESS.includes(id))
    .map(({ id, where }) => `${id} ${where.area}`);

/** A jar, its shade side, and the table it stands on. */
const still = (...more: Command[]): Plan =>
  smallPlan(
    addArea('jar', rectangle(20, 55, 30, 40)),
    addArea('shade', rectangle(38, 55, 12, 40)),
    addArea('table', rectangle(0, 85, 148, 15)),
    ...more,
  );
const wetted = addPass('wet', 'jar', null, { technique: 'pre-wet', filmUm: 60 });
const floated = addPass('float', 'jar', 'blue', {
  ...{ technique: 'wet-in-wet', filmUm: 30, start: 'straight-on' },
});
const charged = (change: object = {}): Command =>
  addPass('charge', 'shade', 'dark', { technique: 'charge', filmUm: 20, start: 'straight-on', ...change });

const stageOn = (timeline: TimelineAtTable, pass: string, area: string): string => {
  const { before, startS } = timeline.steps.find(({ act }) => act.id === pass)!;
  const wash = mainWash(before, area);
  return wash ? stageAt(wash, startS) : 'dry';
};

describe('wetness belongs to the place', () => {
  it('a shape wetted, colour floated into it, its shade side charged: nothing is said', () => {
    const plan = still(wetted, floated, charged());
    const timeline = layOut(plan);
    expect(stageOn(timeline, 'charge', 'shade')).not.toBe('dry');
    expect(stageOn(timeline, 'charge', 'table')).not.toBe('puddled');
    expect(said(plan)).toEqual([]);
  });

  it('the same too late is told once, as too late', () => {
    const timeline = layOut(still(wetted, floated));
    const { endS } = timeline.steps.find(({ act }) => act.id === 'float')!;
    expect(said(still(wetted, floated, charged({ start: { atS: endS + 1200 } })))).toEqual([
      'charge-too-late shade',
    ]);
    expect(said(still(charged()))).toEqual(['charge-too-late shade']);
  });

  it('what crosses a wet shape is stopped where it crosses, whatever the areas are called', () => {
    const wash = (change: object = {}): Command => addPass('ground', 'table', 'lemon', change);
    expect(said(still(wetted, floated, wash({ start: 'straight-on' })))).toEqual(['bleed-into-wet jar']);
    expect(said(still(wetted, floated, wash()))).toEqual([]);
    const aside = addPass('field-wash', 'sky', 'lemon', { start: 'straight-on' });
    expect(said(still(wetted, floated, aside))).toEqual([]);
  });

  it('a wash waits for what lies under a part of it, and for no longer', () => {
    const timeline = layOut(still(wetted, floated, addPass('ground', 'table', 'lemon')));
    const ground = timeline.steps.find(({ act }) => act.id === 'ground')!;
    expect(ground.waited?.area).toBe('jar');
    expect(stageOn(timeline, 'ground', 'jar')).toBe('dry');
  });

  it('under a mask nothing is wetted, beside it all is', () => {
    const plan = still(wetted, floated, {
      do: 'keep-white',
      white: { id: 'w', area: 'shade', way: 'mask', tool: null, wanted: null, edge: 'hard' },
    });
    const { steps, washes } = layOut(plan);
    expect(washes.some(({ area }) => area === 'shade')).toBe(false);
    expect([...steps.at(-1)!.before.washed.values()].some(({ under }) => under.includes('shade'))).toBe(
      false,
    );
    expect(washes.some(({ area, act }) => area === 'jar' && act === 'float')).toBe(true);
  });

  it('a wash is deeper where it crosses one that still shines, and dries there later', () => {
    const plan = still(
      addPass('jar-wash', 'jar', 'blue'),
      addPass('ground', 'table', 'lemon', { start: 'straight-on' }),
    );
    const { steps } = layOut(plan);
    const washed = [...steps.at(-1)!.before.washed.values()].filter(({ wash }) => wash.act === 'ground');
    const crossed = washed.find(({ under }) => under.includes('jar'))!.wash;
    const aside = washed.find(({ under }) => !under.includes('jar'))!.wash;
    expect(crossed.filmUm).toBeGreaterThan(aside.filmUm + 10);
    expect(crossed.course.stages.coolEndS!).toBeGreaterThan(aside.course.stages.coolEndS!);
  });
});
