import type { Point } from '@kettle/core/kit/geometry';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import { newMix, newPass, type Command, type Pass } from '@kettle/core/document/plan';

/** Points of an ellipse from one angle to another, degrees, clockwise from the right. mm. */
export const ellipse = (
  cx: number,
  cy: number,
  rx: number,
  ry: number,
  from: number,
  to: number,
  n: number,
): Point[] =>
  Array.from({ length: n }, (_, i) => {
    const turn = ((from + ((to - from) * i) / (n - 1)) * Math.PI) / 180;
    return [round(cx + rx * Math.cos(turn)), round(cy + ry * Math.sin(turn))];
  });

/** Hundredths of a millimetre, as a plan keeps its points. */
export const round = (mm: number): number => Math.round(mm * 100) / 100;

/** Cuts the corners of a closed outline twice, as a hand would round them (Chaikin 1974). */
export const rounded = (ring: Point[], times = 2): Point[] =>
  times === 0
    ? ring
    : rounded(
        ring.flatMap(([x, y], i) => {
          const [nx, ny] = ring[(i + 1) % ring.length];
          return [
            [round(0.75 * x + 0.25 * nx), round(0.75 * y + 0.25 * ny)],
            [round(0.25 * x + 0.75 * nx), round(0.25 * y + 0.75 * ny)],
          ] as Point[];
        }),
        times - 1,
      );

/** A pencil line with a waver, pressure changing as a hand’s does. */
export const wavy = (from: Point, to: Point, waver: number): [number, number, number][] =>
  Array.from({ length: 25 }, (_, i) => {
    const t = i / 24;
    return [
      round(from[0] + (to[0] - from[0]) * t),
      round(from[1] + (to[1] - from[1]) * t + waver * Math.sin(t * 9)),
      0.35 + 0.2 * Math.sin(t * 5),
    ];
  });

/** A pass before the tape comes off. */
export const pass = (
  id: string,
  technique: string,
  name: string,
  areas: string[],
  mix: string | null,
  change: Partial<Pass> = {},
): Command => ({
  do: 'add-act',
  before: 'untape',
  act: newPass({ id, technique, name, areas, mix, ...change }),
});

/** A mix of the dish, its pigments by code. */
export const mix = (id: string, name: string, strength: number, ...parts: [string, number][]): Command => ({
  do: 'put-mix',
  mix: newMix({ id, name, strength, parts: parts.map(([pigment, n]) => ({ pigment, parts: n })) }),
  pigments: parts.map(([pigment]) => pigmentByCode(pigment)),
});

/** A named closed outline. */
export const area = (id: string, name: string, ring: Point[]): Command => ({
  do: 'add-area',
  area: { id, name, outline: [ring] },
});
