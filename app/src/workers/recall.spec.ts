import { describe, expect, it } from 'vitest';
import { packResists } from '@kettle/core/drawing/masking';
import { applyCommands, type Plan } from '@kettle/core/document/plan';
import { fireflyJar } from '../../../demo/firefly-jar';
import { recall } from './recall';

/** As a plan comes to the worker: a copy of it, whatever has changed. */
const sent = (plan: Plan) =>
  structuredClone({ plan: { ...plan, resists: [] }, resists: packResists(plan.resists) });

describe('a card that comes again', () => {
  const plan = fireflyJar();

  it('is the card as it was sent', () => {
    expect(recall()(sent(plan))).toEqual(plan);
  });

  it('has the very areas and masks it had, where they are as they were', () => {
    const unpacked = recall();
    const before = unpacked(sent(plan));
    const other = applyCommands(plan, [{ do: 'set-climate', change: { rh: 0.6 } }]).plan;
    const after = unpacked(sent(other));
    expect(after).toEqual(other);
    expect(after.areas).toBe(before.areas);
    expect(after.resists).toBe(before.resists);
  });

  it('has new ones where anything of them has changed', () => {
    const unpacked = recall();
    const before = unpacked(sent(plan));
    const [area] = plan.areas;
    const smaller = applyCommands(plan, [
      { do: 'reshape-area', area: area.id, outline: [area.outline[0].slice(0, -1)] },
    ]).plan;
    expect(unpacked(sent(smaller))).toEqual(smaller);
    const dotted = applyCommands(plan, [
      {
        do: 'put-resist',
        resist: { id: 'dots', name: 'dots', tool: 'ruling-pen', strokes: [], drops: [[10, 10, 1]] },
      },
    ]).plan;
    const withDots = unpacked(sent(dotted));
    expect(withDots).toEqual(dotted);
    expect(withDots.resists).not.toBe(before.resists);
    const moved = structuredClone(sent(dotted));
    moved.resists.drops[moved.resists.drops.length - 3] = 11;
    expect(unpacked(moved).resists.at(-1)!.drops).toEqual([[11, 10, 1]]);
  });
});
