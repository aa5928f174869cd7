import { describe, expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import type { MaskingToolId } from '../../drawing/masking';
import { addArea, smallPlan, everMasked, type Command } from '../../document/plan';
import { areasTouch, touchingAreas } from '.';

describe('barriers', () => {
  const laid = (tool: MaskingToolId, ...points: [number, number][]): Command => ({
    do: 'put-resist',
    resist: {
      ...{ id: 'line', name: 'line', tool, drops: [] },
      strokes: [{ id: 's', points: points.map(([x, y]) => [x, y, 0.5] as const) }],
    },
  });
  const beside = [addArea('left', rectangle(10, 10, 30, 60)), addArea('right', rectangle(40.4, 10, 30, 60))];

  it('a mask line from end to end parts two areas; one that stops short of the end, or has a gap, does not', () => {
    const parted = smallPlan(...beside, laid('ruling-pen', [40.2, 7], [40.2, 73]));
    expect(areasTouch(parted, 'left', 'right')).toBe(true);
    expect(areasTouch(parted, 'left', 'right', ['line'])).toBe(false);
    expect(touchingAreas(parted, ['left'], ['right'], everMasked(parted))).toEqual([]);
    const short = smallPlan(...beside, laid('ruling-pen', [40.2, 7], [40.2, 68]));
    expect(areasTouch(short, 'left', 'right', ['line'])).toBe(true);
    const gapped = smallPlan(...beside, {
      do: 'put-resist',
      resist: {
        ...{ id: 'line', name: 'line', tool: 'ruling-pen', drops: [] },
        strokes: [
          {
            id: 's',
            points: [
              [40.2, 7, 0.5],
              [40.2, 39.4, 0.5],
            ],
          },
          {
            id: 't',
            points: [
              [40.2, 40.8, 0.5],
              [40.2, 73, 0.5],
            ],
          },
        ],
      },
    });
    expect(areasTouch(gapped, 'left', 'right', ['line'])).toBe(true);
  });

  it('right up to the edge of the panel is far enough; a mask that lies elsewhere parts nothing', () => {
    const edge = smallPlan(
      addArea('left', rectangle(0, 0, 40, 100)),
      addArea('right', rectangle(40, 0, 40, 100)),
      laid('wax', [40, 0], [40, 100]),
    );
    expect(areasTouch(edge, 'left', 'right', ['line'])).toBe(false);
    const elsewhere = smallPlan(...beside, laid('wax', [120, 0], [120, 100]));
    expect(areasTouch(elsewhere, 'left', 'right', ['line'])).toBe(true);
  });
});

describe('touching', () => {
  const plan = smallPlan();
  it('goes by the gap and the house rule', () => {
    expect(areasTouch(plan, 'sky', 'boat')).toBe(true);
    expect(areasTouch(plan, 'sky', 'field')).toBe(false);
    expect(areasTouch({ ...plan, rules: { ...plan.rules, bleedGapMm: 10.5 } }, 'sky', 'field')).toBe(true);
    expect(touchingAreas(plan, ['boat'], ['sky', 'field'])).toEqual(['sky']);
  });
});
