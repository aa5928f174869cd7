import { describe, expect, it } from 'vitest';
import { openFont, SOURCES } from '../../../../fonts/read-font';
import { bounds, distance, ringArea, type Point } from '../../kit/geometry';
import { baseline, FONT_IDS, loadFont, setWords, wordsSchema, type Words } from '.';

const words = (change: Partial<Words>): Words =>
  wordsSchema.parse({
    ...{ id: 'w', text: 'Thank you', font: 'serif', capHeightMm: 10, from: [10, 60], to: [110, 60] },
    ...{ archMm: 0, slantDeg: 0, spacingMm: 0, set: 'left', ...change },
  });

describe.each(FONT_IDS)('letters of the %s font', (id) => {
  it('are as wide as the font itself sets them, kerning and all', async () => {
    const font = await loadFont(id);
    const own = openFont(SOURCES.find((source) => source.id === id)!.file);
    for (const text of ['Many moons', 'AVATAR To', 'Happy birthday, Väinö', 'Kettle & 10']) {
      const { widthMm, missing } = setWords(words({ text, capHeightMm: font.capHeight / 10 }), font);
      const wide = own.getAdvanceWidth(text, 1000, { kerning: true, features: {} });
      expect(missing).toEqual([]);
      expect(Math.abs((10 * widthMm) / wide - 1)).toBeLessThan(
        // Letters with accents are set as near as those without: fonts differ a little there.
        /ä/.test(text) ? 0.012 : 0.004,
      );
    }
  });

  it('are as high as is said, and their outlines as large as the font’s own', async () => {
    const font = await loadFont(id);
    const { letters } = setWords(words({ text: 'H', capHeightMm: 12 }), font);
    const [, y] = bounds([letters[0].contours.flat()]);
    expect(60 - y).toBeCloseTo(12, 1);
    const source = SOURCES.find((s) => s.id === id)!;
    const own = openFont(source.file);
    for (const char of 'aegB8R&o') {
      const [set] = setWords(words({ text: char, capHeightMm: font.capHeight / 10 }), font).letters;
      const area = Math.abs(set.contours.reduce((sum, ring) => sum + ringArea(ring), 0));
      expect(
        Math.abs((100 * area) / exactArea(own.charToGlyph(char).getPath(0, 0, 1000).commands) - 1),
      ).toBeLessThan(0.01);
    }
  });
});

/** Area within a glyph's own curves by Green's theorem, exact for its polynomials (Gauss-Legendre of three points). */
function exactArea(
  commands: readonly { type: string; x: number; y: number; x1: number; y1: number; x2: number; y2: number }[],
): number {
  let [area, x, y, startX, startY] = [0, 0, 0, 0, 0];
  const nodes = [0.5 - Math.sqrt(0.15), 0.5, 0.5 + Math.sqrt(0.15)];
  const weights = [5 / 18, 8 / 18, 5 / 18];
  for (const c of commands) {
    const to: [number, number] = c.type === 'Z' ? [startX, startY] : [c.x, c.y];
    const control: Point[] =
      c.type === 'Q'
        ? [
            [x, y],
            [x + (2 / 3) * (c.x1 - x), y + (2 / 3) * (c.y1 - y)],
            [to[0] + (2 / 3) * (c.x1 - to[0]), to[1] + (2 / 3) * (c.y1 - to[1])],
            to,
          ]
        : c.type === 'C'
          ? [[x, y], [c.x1, c.y1], [c.x2, c.y2], to]
          : [
              [x, y],
              [x + (to[0] - x) / 3, y + (to[1] - y) / 3],
              [x + (2 * (to[0] - x)) / 3, y + (2 * (to[1] - y)) / 3],
              to,
            ];
    if (c.type === 'M') [startX, startY] = to;
    else
      nodes.forEach((t, i) => {
        const s = 1 - t;
        const at = (k: 0 | 1): number =>
          s ** 3 * control[0][k] +
          3 * s * s * t * control[1][k] +
          3 * s * t * t * control[2][k] +
          t ** 3 * control[3][k];
        const go = (k: 0 | 1): number =>
          3 * s * s * (control[1][k] - control[0][k]) +
          6 * s * t * (control[2][k] - control[1][k]) +
          3 * t * t * (control[3][k] - control[2][k]);
        area += (weights[i] * (at(0) * go(1) - at(1) * go(0))) / 2;
      });
    [x, y] = to;
  }
  return Math.abs(area);
}

describe('a line of words', () => {
  it('spread or as high as fills, takes its measure to a hundredth; in the middle it has the same room on both sides', async () => {
    const font = await loadFont('rounded');
    const spread = setWords(words({ font: 'rounded', set: 'spread', capHeightMm: 6 }), font);
    expect(spread.widthMm).toBeCloseTo(100, 9);
    expect(spread.spacingMm).toBeGreaterThan(0);
    const fill = setWords(words({ font: 'rounded', set: 'fill', capHeightMm: 200 }), font);
    expect(fill.widthMm).toBeCloseTo(100, 9);
    expect(fill.capHeightMm).toBeGreaterThan(10);
    expect(setWords(words({ font: 'rounded', set: 'fill', capHeightMm: 5 }), font).capHeightMm).toBe(5);
    const middle = setWords(words({ font: 'rounded', set: 'middle', text: 'oo' }), font);
    const [x, , width] = bounds([middle.letters.flatMap(({ contours }) => contours.flat())]);
    expect(Math.abs(x - 10 - (110 - x - width))).toBeLessThan(0.2);
    const over = setWords(words({ font: 'rounded', capHeightMm: 60 }), font);
    expect(over.overMm).toBeCloseTo(over.widthMm - 100, 9);
  });

  it('leans without moving its foot, and stands along a slope', async () => {
    const font = await loadFont('serif');
    const at = (change: Partial<Words>): number[] =>
      bounds([setWords(words({ text: 'I', ...change }), font).letters[0].contours.flat()]).slice();
    const [upright, leaning] = [at({}), at({ slantDeg: 20 })];
    expect(Math.abs(leaning[0] - upright[0])).toBeLessThan(0.1);
    expect(leaning[2] - upright[2]).toBeCloseTo(upright[3] * Math.tan(Math.PI / 9), 0);
    const down = setWords(words({ text: 'Thank', to: [10, 160] }), font).letters;
    const [x, , width, height] = bounds([down.flatMap(({ contours }) => contours.flat())]);
    expect(height).toBeGreaterThan(2 * width);
    // Running down the page, heads point to the right.
    expect(x).toBeGreaterThan(9);
  });

  it('has letters it does not know told and left out', async () => {
    const { letters, missing } = setWords(words({ text: 'a✿b' }), await loadFont('serif'));
    expect(letters.map(({ char }) => char).join('')).toBe('ab');
    expect(missing).toEqual(['✿']);
  });
});

describe('an arched line', () => {
  it('goes through both ends and its rise, all of it on one circle, as long as the arc is', () => {
    for (const [from, to, rise] of [
      [[0, 0], [100, 0], 20],
      [[10, 50], [90, 30], -15],
      [[0, 0], [60, 0], 30],
    ] as [Point, Point, number][]) {
      const line = baseline(from, to, rise);
      const places = Array.from({ length: 41 }, (_, i) => line.at((i * line.lengthMm) / 40).point);
      expect(distance(places[0], from)).toBeLessThan(1e-9);
      expect(distance(places[40], to)).toBeLessThan(1e-9);
      const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
      expect(distance(places[20], middle)).toBeCloseTo(Math.abs(rise), 9);
      // Up is towards smaller y for a line that runs to the right.
      expect(Math.sign(middle[1] - places[20][1])).toBe(Math.sign(rise));
      const steps = places.slice(1).map((place, i) => distance(place, places[i]));
      expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(1e-9);
      expect(steps.reduce((a, b) => a + b) / line.lengthMm).toBeGreaterThan(0.999);
      // The way it runs is the way to the next place.
      const { angle } = line.at(line.lengthMm / 4);
      const before = line.at(line.lengthMm / 4 - 0.001).point;
      const after = line.at(line.lengthMm / 4 + 0.001).point;
      expect(Math.atan2(after[1] - before[1], after[0] - before[0])).toBeCloseTo(angle, 6);
    }
  });
});
