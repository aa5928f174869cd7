import { describe, expect, it } from 'vitest';
import { deltaE00 } from '../../kit/colour';
import { photograph, readingErrors, sheet, truth, white, type Camera } from '../../testing/painted-swatches';
import { readSwatchSheet, swatchSheet, swatchSheetSvg } from '.';

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
const STRAIGHT: Camera = {
  turnDeg: 0,
  tint: [0.95, 0.95, 0.95],
  falls: [0, 0],
  vignette: 0,
  blurMm: 0,
  noise: 0,
  seed: 4,
};

describe('a swatch sheet', () => {
  it('has three blanks for each paint, none over another, and bare gaps that no blank covers', () => {
    expect(sheet.cells).toHaveLength(18);
    for (const { xMm, yMm } of sheet.cells) {
      expect(xMm + 20).toBeLessThan(sheet.widthMm);
      expect(yMm + 14).toBeLessThan(sheet.heightMm);
      for (const [x, y] of sheet.bare)
        expect(x > xMm - 2 && x < xMm + 22 && y > yMm - 1 && y < yMm + 15).toBe(false);
    }
    const svg = swatchSheetSvg(sheet, 'Dish & <wells>');
    expect(svg).toContain('Dish &amp; &lt;wells&gt;');
    expect(svg.match(/class="mark"/g)).toHaveLength(4);
    expect(svg.match(/<rect/g)).toHaveLength(18);
    expect(svg).toContain(`width="${sheet.widthMm}mm"`);
  });

  it('holds no more than its page', () => {
    const many = Array.from({ length: 40 }, (_, i) => ({ id: `p${i}`, name: 'p', says: '' }));
    expect(swatchSheet(many).entries).toHaveLength(18);
    expect(swatchSheet(many).heightMm).toBeLessThan(297);
    expect(swatchSheet(many).widthMm).toBeLessThan(210);
    expect(swatchSheet([]).cells).toEqual([]);
  });

  it('is read back from a straight photo in a grey light almost as it is', () => {
    expect(mean(readingErrors(STRAIGHT))).toBeLessThan(0.5);
  });

  it('is read back to 3 ΔE00 in the mean from one that is turned, blurred, noisy, in a warm light from one side', () => {
    const found = readingErrors({
      ...{ turnDeg: 5, tint: [0.92, 0.8, 0.58], falls: [0.35, -0.2] },
      ...{ vignette: 0.25, blurMm: 0.5, noise: 0.02, seed: 4 },
    });
    expect(mean(found)).toBeLessThan(3);
    expect(Math.max(...found)).toBeLessThan(8);
  });

  it('without its light put right it would not be', () => {
    const { photo, marks } = photograph(sheet, { ...STRAIGHT, tint: [0.92, 0.8, 0.58], falls: [0.35, -0.2] });
    const uncorrected = readSwatchSheet(photo, marks, { ...sheet, bare: [] }, white);
    expect(mean(uncorrected.map((lab, i) => deltaE00(lab, truth[i])))).toBeGreaterThan(6);
  });

  it('a photo too dark to show paper, or marks that cross, are refused in words', () => {
    const { photo, marks } = photograph(sheet, { ...STRAIGHT, tint: [0.01, 0.01, 0.01] });
    expect(() => readSwatchSheet(photo, marks, sheet, white)).toThrow('too dark to be bare paper');
    const [a, b, c, d] = marks;
    expect(() => readSwatchSheet(photo, [a, c, b, d], sheet, white)).toThrow('do not go round');
  });
});
