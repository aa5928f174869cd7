import { describe, expect, it } from 'vitest';
import { chance } from '../../kit/units';
import { inverseTransform } from './fourier';
import { RELIEF_PX_MM, reliefOf } from './relief';

describe('the transform', () => {
  it('is the sum of waves it stands for (discrete Fourier transform, term by term)', () => {
    const side = 8;
    const random = chance(3);
    const [re, im] = [0, 1].map(() => Float64Array.from({ length: side * side }, random));
    const field = { side, re: re.slice(), im: im.slice() };
    inverseTransform(field);
    for (const [x, y] of [
      [0, 0],
      [3, 5],
      [7, 2],
    ]) {
      let [a, b] = [0, 0];
      for (let row = 0; row < side; row++)
        for (let column = 0; column < side; column++) {
          const turn = (2 * Math.PI * (row * y + column * x)) / side;
          const at = row * side + column;
          a += re[at] * Math.cos(turn) - im[at] * Math.sin(turn);
          b += re[at] * Math.sin(turn) + im[at] * Math.cos(turn);
        }
      expect(field.re[y * side + x]).toBeCloseTo(a, 9);
      expect(field.im[y * side + x]).toBeCloseTo(b, 9);
    }
  });

  it('refuses a side that is no power of two', () => {
    expect(() => {
      inverseTransform({ side: 6, re: new Float64Array(36), im: new Float64Array(36) });
    }).toThrow(RangeError);
  });
});

describe('relief', () => {
  /** How far two heights go together that lie so far apart, mm. */
  const together = (field: Float32Array, side: number, mm: number): number => {
    const step = Math.round(mm * RELIEF_PX_MM);
    let sum = 0;
    for (let row = 0; row < side; row++)
      for (let column = 0; column < side; column++)
        sum += field[row * side + column] * field[row * side + ((column + step) % side)];
    return sum / side ** 2;
  };

  it('has a mean of none and a spread of one, and hills flatter than valleys are deep', () => {
    for (const surface of ['hot', 'cold', 'rough'] as const) {
      const { height } = reliefOf(surface);
      const mean = (of: (z: number) => number): number =>
        height.reduce((sum, z) => sum + of(z), 0) / height.length;
      expect(mean((z) => z)).toBeCloseTo(0, 4);
      expect(mean((z) => z ** 2)).toBeCloseTo(1, 4);
      expect(
        mean((z) => z ** 3),
        surface,
      ).toBeLessThan(-0.1);
    }
  });

  it('has felt marks the longer, the rougher the surface', () => {
    const near = (['hot', 'cold', 'rough'] as const).map((surface) => {
      const { height, side } = reliefOf(surface);
      return together(height, side, 0.3);
    });
    expect(near[0]).toBeLessThan(near[1]);
    expect(near[1]).toBeLessThan(near[2]);
    expect(Math.abs(together(reliefOf('cold').height, 1024, 8))).toBeLessThan(0.05);
  });

  it('is worked out once for a surface', () => expect(reliefOf('cold')).toBe(reliefOf('cold')));
});
