import { describe, expect, it } from 'vitest';
import { paperById } from '../../materials/paper';
import { pigmentByCode } from '../../materials/pigment';
import {
  smallPlan,
  applyCommands,
  planSchema,
  replayPatches,
  type Command,
  type HandAct,
  type Plan,
  type Trial,
} from '.';

const did = (plan: Plan, ...commands: Command[]): Plan => applyCommands(plan, commands).plan;
const plan = did(smallPlan(), { do: 'set-out', palette: ['PR122'], pigments: [pigmentByCode('PR122')] });
const sheet: Trial = {
  ...{ id: 'sheet', name: 'one', note: '', widthMm: 120, heightMm: 90, cellMm: 1, seed: 1 },
  ...{ paper: plan.paper, climate: plan.climate, pigments: ['PR122'], acts: [] },
};
const drop = (atS: number, pigment = 'PR122'): HandAct => ({
  ...{ onto: 'dry', waterMl: 0.1 },
  act: { kind: 'drop', atS, shape: { circle: [9, 9, 2] }, filmUm: 40, pigments: [{ pigment, gm2: 1 }] },
});
const laid = did(plan, { do: 'lay-sheet', trial: sheet });

describe('sheets painted by hand', () => {
  it('an act is one small change, and undone with it', () => {
    const painted = did(laid, { do: 'paint', trial: 'sheet', acts: [drop(0)] });
    const {
      plan: more,
      patches,
      inverse,
    } = applyCommands(painted, [{ do: 'paint', trial: 'sheet', acts: [drop(4)] }]);
    expect(patches).toHaveLength(1);
    expect(more.trials[0].acts).toHaveLength(2);
    const back = replayPatches(more, inverse);
    expect(back).toEqual(painted);
    // What the paper has seen is told by the acts being the same objects.
    expect(back.trials[0].acts[0]).toBe(painted.trials[0].acts[0]);
  });

  it('keep their paper and pigments with the plan until they are thrown away', () => {
    const other = paperById('cotton-hot-300');
    const moved = did(
      laid,
      { do: 'choose-paper', paper: other },
      { do: 'set-out', palette: [], pigments: [] },
    );
    expect(planSchema.safeParse(moved).success).toBe(true);
    expect(moved.embedded.papers.map(({ id }) => id)).toEqual([other.id, plan.paper]);
    expect(moved.embedded.pigments.map(({ code }) => code)).toContain('PR122');
    const gone = did(moved, { do: 'take-sheet', trial: 'sheet' });
    expect(gone.trials).toEqual([]);
    expect(gone.embedded.papers.map(({ id }) => id)).toEqual([other.id]);
    expect(gone.embedded.pigments.map(({ code }) => code)).not.toContain('PR122');
  });

  it('cannot hold paint they were not set out with, nor lie on a paper the plan does not have', () => {
    const holds = (trial: Trial): boolean => planSchema.safeParse({ ...laid, trials: [trial] }).success;
    expect(holds({ ...sheet, acts: [drop(0)] })).toBe(true);
    expect(holds({ ...sheet, acts: [drop(0, 'PB29')] })).toBe(false);
    expect(holds({ ...sheet, paper: 'none' })).toBe(false);
  });

  it('are named and noted on', () => {
    const change = { name: 'two', note: 'too wet' };
    expect(did(laid, { do: 'change-sheet', trial: 'sheet', change }).trials[0]).toEqual({
      ...sheet,
      ...change,
    });
  });
});
