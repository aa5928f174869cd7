import { describe, expect, it } from 'vitest';
import { rectangle, type Ring } from '../../kit/geometry';
import { BadInput } from '../../kit/units';
import { readPlan } from '../versions';
import {
  addArea,
  addPass,
  smallPlan,
  applyCommands,
  MOST_CORNERS_IN_ALL,
  MOST_IN_A_LIST,
  type Plan,
} from '.';

const plan = smallPlan(addPass('p1', 'sky', 'blue'));

const refusal = (change: Partial<Plan>): string => {
  try {
    readPlan({ ...plan, ...change });
  } catch (cause) {
    if (cause instanceof BadInput) return cause.message;
    throw cause;
  }
  return 'taken';
};

const round = (corners: number): Ring =>
  Array.from({ length: corners }, (_, i) => {
    const turn = (2 * Math.PI * i) / corners;
    return [50 + 20 * Math.cos(turn), 50 + 20 * Math.sin(turn)];
  });
const area = (id: string, ...outline: Ring[]): Plan['areas'][number] => ({ id, name: id, outline });
const [frame] = rectangle(0, 0, 148, 100);
const hole = (i: number): Ring => rectangle(1 + (i % 100), 1 + Math.floor(i / 100), 0.5, 0.5)[0];
const holes = (count: number): Ring[] => Array.from({ length: count }, (_, i) => hole(i));
const resist = (drop: [number, number, number]): Plan['resists'][number] => ({
  ...{ id: 'r', name: 'spatter', tool: 'toothbrush', strokes: [], drops: [drop] },
});
const [pass] = plan.acts.filter((act) => act.kind === 'pass');
const [pigment] = plan.embedded.pigments;

describe('a plan says no more than can be worked out', () => {
  it.each<[string, Partial<Plan>, string]>([
    ['a drop two metres wide', { resists: [resist([70, 50, 2000])] }, 'resists[0].drops[0][2]'],
    ['a drop a mile away', { resists: [resist([1.6e6, 50, 1])] }, 'resists[0].drops[0][0]'],
    [
      'an outline of a hundred thousand corners',
      { areas: [area('a', round(100_000))] },
      'areas[0].outline[0]',
    ],
    ['ten thousand holes', { areas: [area('a', frame, ...holes(10_000))] }, 'areas[0].outline'],
    ['three equal points', { areas: [area('a', [frame[0], frame[0], frame[0]])] }, 'areas[0].outline'],
    [
      'many outlines of many corners',
      {
        areas: Array.from({ length: MOST_CORNERS_IN_ALL / 4000 + 1 }, (_, i) => area(`a${i}`, round(4000))),
        acts: [],
      },
      'areas: have',
    ],
    ['a thousand areas', { areas: Array.from({ length: 1000 }, (_, i) => area(`a${i}`, hole(i))) }, 'areas'],
    ['water of no depth', { acts: [{ ...pass, filmUm: 5e-324 }] }, 'acts[0].filmUm'],
    [
      'a pigment blacker than black',
      { embedded: { ...plan.embedded, pigments: [{ ...pigment, s0: 1e308 }] } },
      'embedded.pigments[0].s0',
    ],
    [
      'paper thinner than a hair',
      {
        embedded: {
          ...plan.embedded,
          papers: plan.embedded.papers.map((paper) => ({ ...paper, thicknessMm: 1e-300 })),
        },
      },
      'embedded.papers[0].thicknessMm',
    ],
  ])('%s is refused by name', (_, change, field) => {
    expect(refusal(change).startsWith(field)).toBe(true);
  });

  it('and no change makes one that could not be read again', () => {
    const more = Array.from({ length: MOST_IN_A_LIST }, (_, i) => addArea(`a${i}`, [hole(i)]));
    expect(() => applyCommands(plan, more)).toThrow(
      `areas: would be ${MOST_IN_A_LIST + 3}; ${MOST_IN_A_LIST} go`,
    );
    expect(readPlan(applyCommands(plan, more.slice(3)).plan).areas.length).toBe(MOST_IN_A_LIST);
    const line = { id: 'l', kind: 'pencil' as const, points: [[1, 1, 0.5] as const] };
    expect(() =>
      applyCommands(plan, [
        {
          do: 'redraw-lines',
          gone: [],
          lines: Array.from({ length: 20_001 }, (_, i) => ({ ...line, id: `l${i}` })),
        },
      ]),
    ).toThrow('lines: would be');
  });

  it('nor one more stroke of masking than a resist takes', () => {
    const stroke = (i: number) => ({ id: `s${i}`, points: [[1, 1, 0.5] as const] });
    const full = {
      ...resist([70, 50, 1]),
      strokes: Array.from({ length: 20_000 }, (_, i) => stroke(i)),
    };
    const masked = applyCommands(plan, [{ do: 'put-resist', resist: full }]).plan;
    const one = { id: 'r', name: 'spatter', tool: full.tool };
    expect(() => applyCommands(masked, [{ do: 'mask-stroke', resist: one, stroke: stroke(20_000) }])).toThrow(
      'more than 20000 strokes',
    );
  });

  it('takes what lies just within its limits', () => {
    expect(refusal({ resists: [resist([70, 50, 60])] })).toBe('taken');
    expect(refusal({ areas: [...plan.areas, area('a', round(5000))] })).toBe('taken');
    expect(refusal({ areas: [...plan.areas, area('a', frame, ...holes(500))] })).toBe('taken');
    const many = Array.from({ length: MOST_IN_A_LIST - plan.areas.length }, (_, i) => area(`a${i}`, hole(i)));
    expect(refusal({ areas: [...plan.areas, ...many] })).toBe('taken');
  });
});
