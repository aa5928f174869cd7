import { convertLab65ToXyz65 } from 'culori/fn';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hexOf, onScreen, putPixel, XYZ_TO_SRGB, type Lab } from '.';

function pixelOf([l, a, b]: Lab): number[] {
  const { x, y, z } = convertLab65ToXyz65({ l, a, b });
  const [r, g, blue] = XYZ_TO_SRGB.map((row) => row[0] * x + row[1] * y + row[2] * z);
  const rgba = new Uint8ClampedArray(4);
  putPixel(r, g, blue, rgba, 0);
  return [...rgba];
}
const bytesOf = (hex: string): number[] => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));

const colour = fc.tuple(
  fc.double({ min: 10, max: 99, noNaN: true }),
  fc.double({ min: -110, max: 110, noNaN: true }),
  fc.double({ min: -110, max: 110, noNaN: true }),
);

describe('a pixel', () => {
  it('is the colour a swatch shows, also where chroma must be taken from it', () => {
    let reduced = 0;
    fc.assert(
      fc.property(colour, (lab) => {
        if (!onScreen(lab)) reduced++;
        const [r, g, b, alpha] = pixelOf(lab);
        expect(alpha).toBe(255);
        bytesOf(hexOf(lab)).forEach((byte, i) =>
          expect(Math.abs(byte - [r, g, b][i])).toBeLessThanOrEqual(3),
        );
      }),
      { numRuns: 500 },
    );
    expect(reduced).toBeGreaterThan(50);
  });

  it('of white and black is exact', () => {
    expect(pixelOf([100, 0, 0])).toEqual([255, 255, 255, 255]);
    expect(pixelOf([0, 0, 0])).toEqual([0, 0, 0, 255]);
  });
});
