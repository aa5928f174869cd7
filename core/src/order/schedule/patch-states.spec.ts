import { describe, expect, it } from 'vitest';
import { contains, rectangle } from '../../kit/geometry';
import {
  addPass,
  newPass,
  outlineOf,
  paintedOf,
  smallPlan,
  type Command,
  type Plan,
} from '../../document/plan';
import { layOut, patchStates, type PatchState } from '.';

const statesAt = (plan: Plan, atS?: number): PatchState[] => {
  const timeline = layOut(plan);
  return patchStates(plan, timeline, atS ?? timeline.endS);
};
const under = (states: readonly PatchState[], ...areas: string[]): PatchState =>
  states.find((state) => state.areas.join() === areas.join())!;
const endOf = (plan: Plan, act: string): number =>
  layOut(plan).steps.find((step) => step.act.id === act)!.endS;

describe('the patches of a panel at a moment', () => {
  it('are the panel, without the rim under the tape', () => {
    const states = statesAt(smallPlan());
    expect(states.map(({ areas }) => areas.join('+')).sort()).toEqual(['', 'field', 'sky', 'sky+boat']);
    const { widthMm, heightMm } = paintedOf(smallPlan()).panel;
    expect(states.reduce((sum, { cm2 }) => sum + cm2, 0)).toBeCloseTo((widthMm * heightMm) / 100, 6);
    expect(under(states, 'sky', 'boat').cm2).toBeCloseTo(4, 6);
  });

  it('has each probe in the areas that are named, and in no other', () => {
    const plan = smallPlan();
    for (const { probe, areas } of statesAt(plan))
      expect(plan.areas.filter(({ id }) => contains(outlineOf(plan, id), probe)).map(({ id }) => id)).toEqual(
        areas,
      );
  });

  it('are wet where a pass came, and dry and pale again at the end', () => {
    const plan = smallPlan(addPass('wash', 'sky', 'blue', { filmUm: 80 }));
    const wet = statesAt(plan, endOf(plan, 'wash') + 10);
    expect(under(wet, 'sky').stage).toBe('shiny');
    expect(under(wet, 'field')).toMatchObject({ stage: 'dry', filmUm: 0, paperGm2: 0 });
    const dry = statesAt(plan);
    expect(under(dry, 'sky').stage).toBe('dry');
    expect(under(dry, 'sky').lab[0]).toBeGreaterThan(under(wet, 'sky').lab[0] + 2);
  });

  it('stay bare under mask, and are told apart from it', () => {
    const mask = (chore: string): Command => ({
      do: 'add-act',
      before: 'untape',
      act: { kind: 'chore', id: chore, chore, areas: ['boat'], handsS: null },
    });
    const plan = smallPlan(mask('mask-on'), addPass('wash', 'sky', 'blue'), mask('mask-off'));
    const masked = under(statesAt(plan, endOf(plan, 'wash') + 10), 'sky', 'boat');
    expect(masked).toMatchObject({ masked: true, stage: 'dry', filmUm: 0 });
    const bare = under(statesAt(plan), 'sky', 'boat');
    expect(bare.masked).toBe(false);
    expect(bare.lab).toEqual(under(statesAt(plan)).lab);
  });

  it('have the colour of all that lies on them: a boat that crosses the edge of a wash has two', () => {
    const across: Command = {
      do: 'add-area',
      area: { id: 'mast', name: 'mast', outline: rectangle(20, 40, 10, 15) },
    };
    const plan = smallPlan(across, addPass('wash', 'sky', 'blue'), addPass('over', 'mast', 'lemon'));
    const states = statesAt(plan);
    expect(under(states, 'mast').lab[1]).not.toBeCloseTo(under(states, 'sky', 'mast').lab[1], 0);
    expect(under(states, 'mast').lab[0]).toBeGreaterThan(under(states, 'sky', 'mast').lab[0]);
  });

  it('have the mix that lies at their own place of a pass of several', () => {
    const plan = smallPlan({
      do: 'add-act',
      before: 'untape',
      act: newPass({
        ...{ id: 'wash', technique: 'flat-wash', areas: ['sky'], mix: 'blue', start: 'when-dry' },
        also: [{ mix: 'lemon', lies: 'left', share: 0.9 }],
      }),
    });
    const [sky, boat] = [under(statesAt(plan), 'sky'), under(statesAt(plan), 'sky', 'boat')];
    // The whole left side is lemon, the boat's place too.
    expect(sky.lab[2]).toBeGreaterThan(30);
    expect(boat.lab).toEqual(sky.lab);
  });
});
