import { rectangle } from '../../kit/geometry';
import { pigmentByCode } from '../../materials/pigment';
import {
  addArea,
  addPass,
  applyCommands,
  newMix,
  NEW_STUDIO,
  smallPlan,
  type Command,
  type Pass,
  type Plan,
  type White,
} from '../../document/plan';
import { layOut, washAt, type LaidWash } from '../../order/schedule';
import type { CheckContext } from './check';

// Pieces of the plans at the edges of the checks: all begin with the small plan of a sky, a field and a boat.

/** The sky washed blue. */
export const washedSky = (change: Partial<Pass> = {}): Plan =>
  smallPlan(addPass('wash', 'sky', 'blue', change));

/** The wash that lies on an area when all is done. */
export const washOn = (plan: Plan, area = 'sky'): LaidWash =>
  layOut(plan).washes.findLast((wash) => wash.area === area)!;

/** The washed sky, and something done into it so many seconds after it was laid. */
export const intoSky = (
  technique: string,
  afterS: number,
  change: Partial<Pass> = {},
  mix: string | null = 'dark',
): Plan =>
  applyCommands(washedSky(), [
    addPass('next', 'sky', mix, {
      ...{ technique, handsS: 0, start: { atS: washOn(washedSky()).laidS + afterS } },
      ...change,
    }),
  ]).plan;

/** Seconds after it was laid at which a wash and its paper first hold no more water than so much, g/m². */
export function driesTo(wash: LaidWash, gm2: number): number {
  let afterS = 0;
  const held = (): number => {
    const { filmUm, paperGm2 } = washAt(wash, wash.laidS + afterS);
    // A film of 1 µm is 1 g/m².
    return filmUm + paperGm2;
  };
  while (held() > gm2) afterS++;
  return afterS;
}

/** A chore among the acts of painting. */
export const chore = (id: string, kind: string, areas: readonly string[] = []): Command => ({
  do: 'add-act',
  before: 'untape',
  act: { kind: 'chore', id, chore: kind, areas: [...areas], handsS: null },
});

/** A mix of equal parts of some pigments. */
export const mixFrom = (
  id: string,
  codes: readonly string[],
  change: Partial<Parameters<typeof newMix>[0]> = {},
): Command => ({
  do: 'put-mix',
  mix: newMix({
    ...{ id, name: id, strength: 0.2, parts: codes.map((pigment) => ({ pigment, parts: 1 })) },
    ...change,
  }),
  pigments: codes.map((code) => pigmentByCode(code)),
});

/** An upright line so far from the left, through the boat's height and above it. */
export const lineAt = (x: number, kind: 'soluble-ink' | 'pencil' | 'stamped'): Command => ({
  do: 'add-line',
  line: {
    ...{ id: 'line', kind },
    points: [
      [x, 10, 0.5],
      [x, 30, 0.5],
    ],
  },
});

/** A white and the way it is kept. */
export const kept = (area: string, way: White['way'], change: Partial<White> = {}): Command => ({
  do: 'keep-white',
  white: { id: `white-${area}`, area, way, tool: null, wanted: null, edge: 'hard', ...change },
});

/** What is masked by hand with a ruling pen: drops by place and size, strokes by their points. */
export const maskedByHand = (
  drops: readonly (readonly [x: number, y: number, mm: number])[],
  ...strokes: readonly (readonly (readonly [number, number])[])[]
): Command => ({
  do: 'put-resist',
  resist: {
    ...{ id: 'hand', name: 'rigging', tool: 'ruling-pen' },
    strokes: strokes.map((points, i) => ({
      id: `s${i}`,
      points: points.map(([x, y]) => [x, y, 0.5] as const),
    })),
    drops: [...drops],
  },
});

/** A plan on which nothing is drawn but two squares so far apart, left and right. */
export const twoSquares = (apartMm: number, ...more: readonly Command[]): Plan =>
  smallPlan(
    ...['sky', 'field', 'boat'].map((area): Command => ({ do: 'remove-area', area })),
    addArea('left', rectangle(0, 60, 20, 20)),
    addArea('right', rectangle(20 + apartMm, 60, 20, 20)),
    ...more,
  );

/** The table of most painters, with half an hour on Tuesdays. */
export const DESK: NonNullable<CheckContext['desk']> = {
  dish: NEW_STUDIO.dish,
  letter: { weightG: 60, thicknessMm: 3 },
  today: '2026-03-02',
  evenings: [{ weekday: 2, minutes: 30 }],
};
