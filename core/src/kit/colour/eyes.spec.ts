import { describe, expect, it } from 'vitest';
import { EYES, hexOf, labOfHex, labPlane, type EyeMatrix, type Lab } from '.';

describe('other eyes', () => {
  const matrices = EYES.flatMap(({ id, matrix }): [string, EyeMatrix][] => (matrix ? [[id, matrix]] : []));
  it.each(matrices)('%s see greys as they are', (_, matrix) => {
    for (const row of matrix) expect(row.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 3);
  });
  it('without green take red and green of one lightness for near the same, and blue for itself', () => {
    const [, matrix] = matrices.find(([id]) => id === 'no-green')!;
    const seen = ([r, g, b]: readonly [number, number, number]): number[] =>
      matrix.map((row) => row[0] * r + row[1] * g + row[2] * b);
    const apart = (a: number[], b: number[]): number => Math.hypot(...a.map((v, i) => v - b[i]));
    const [red, green, blue] = [
      [0.5, 0.1, 0.1],
      [0.1, 0.28, 0.1],
      [0.1, 0.1, 0.6],
    ] as const;
    expect(apart(seen(red), seen(green))).toBeLessThan(0.3 * apart([...red], [...green]));
    expect(apart(seen(red), seen(blue))).toBeGreaterThan(0.5 * apart([...red], [...blue]));
  });
});

it('the plane of a lightness shows each colour as a screen does', () => {
  const [size, reach] = [21, 84];
  const rgba = labPlane(60, size, reach);
  for (const [row, column] of [
    [10, 10],
    [4, 12],
    [16, 9],
    [8, 3],
  ] as const) {
    const lab: Lab = [60, reach * ((2 * (column + 0.5)) / size - 1), reach * (1 - (2 * (row + 0.5)) / size)];
    const at = 4 * (row * size + column);
    const shown = labOfHex(
      `#${[...rgba.slice(at, at + 3)].map((b) => b.toString(16).padStart(2, '0')).join('')}`,
    );
    const truth = labOfHex(hexOf(lab));
    shown.forEach((value, i) => expect(Math.abs(value - truth[i])).toBeLessThan(1.2));
  }
});
