import { describe, expect, it } from 'vitest';
import { layOut } from '../../order/schedule';
import { addPass, smallPlan, applyCommands, maskTimes, type Command, type Plan } from '.';

const did = (plan: Plan, ...commands: Command[]): Plan => applyCommands(plan, commands).plan;

describe('when a mask goes on and comes off', () => {
  const passes = [addPass('p1', 'sky', 'blue'), addPass('p2', 'sky', 'lemon'), addPass('p3', 'sky', 'dark')];
  const boat: Command = {
    do: 'keep-white',
    white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
  };
  const painting = (plan: Plan): string[] =>
    plan.acts.map(({ id }) => id).filter((id) => /^(p\d|mask)/.test(id));

  it('over a dried colour and half-way, each in its own act, told back as it was said', () => {
    const plan = smallPlan(...passes, boat, { do: 'mask-when', masked: 'boat', on: 'p1', off: 'p2' });
    expect(painting(plan)).toEqual(['p1', 'mask-on', 'p2', 'mask-off', 'p3']);
    expect(maskTimes(plan, 'boat')).toEqual({ on: 'p1', off: 'p2' });
    const both = smallPlan(
      ...[...passes, boat, { do: 'mask-when', masked: 'boat', on: 'p1', off: 'p2' } as const],
      {
        do: 'put-resist',
        resist: { id: 'r', name: 'r', tool: 'ruling-pen', strokes: [], drops: [[9, 9, 1]] },
      },
      { do: 'mask-when', masked: 'r', on: 'p2', off: null },
    );
    expect(painting(both)).toEqual(['p1', 'mask-on', 'p2', 'mask-off', 'mask-on-2', 'p3', 'mask-off-2']);
    expect(maskTimes(both, 'r')).toEqual({ on: 'p2', off: null });
    // Said anew it keeps its times, given up it goes, and its empty acts with it.
    const again = did(both, { ...boat, white: { ...boat.white, tool: 'marker' } });
    expect(maskTimes(again, 'boat')).toEqual({ on: 'p1', off: 'p2' });
    expect(painting(did(both, { do: 'remove-resist', resist: 'r' }))).toEqual(painting(plan));
  });

  it('what stays for good is put on and never taken off', () => {
    const plan = smallPlan(...passes, {
      do: 'put-resist',
      resist: { id: 'r', name: 'r', tool: 'wax', strokes: [], drops: [[9, 9, 1]] },
    });
    expect(painting(plan)).toEqual(['mask-on', 'p1', 'p2', 'p3']);
    expect(layOut(plan).masks).toMatchObject([{ area: 'r', offS: null }]);
  });
});
