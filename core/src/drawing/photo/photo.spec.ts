import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { labOfHex } from '../../kit/colour';
import type { Point } from '../../kit/geometry';
import { writePng } from '../../files/formats';
import { correctedOnPaper, readHead, inPerspective, straightened, type Corners, type Photo } from '.';

const picture = (width: number, height: number, colour: (u: number, v: number) => number[]): Photo => {
  const rgba = new Uint8ClampedArray(4 * width * height);
  for (let i = 0; i < width * height; i++)
    rgba.set([...colour(((i % width) + 0.5) / width, (Math.floor(i / width) + 0.5) / height), 255], 4 * i);
  return { width, height, rgba };
};
const at = ({ width, height, rgba }: Photo, [u, v]: Point): number[] => {
  const i = 4 * (Math.floor(v * height) * width + Math.floor(u * width));
  return [...rgba.slice(i, i + 3)];
};

describe('a flat thing seen askew', () => {
  // Any camera: turned three ways, the thing at a distance; its own picture of the four corners is what a hand marks.
  const camera = fc.record({
    pan: fc.double({ min: -0.7, max: 0.7, noNaN: true }),
    tilt: fc.double({ min: -0.7, max: 0.7, noNaN: true }),
    roll: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
    away: fc.double({ min: 2, max: 6, noNaN: true }),
  });
  const through =
    ({ pan, tilt, roll, away }: { pan: number; tilt: number; roll: number; away: number }) =>
    ([u, v]: Point): Point => {
      const [x0, y0] = [u - 0.5, v - 0.5];
      const [x1, y1] = [x0 * Math.cos(roll) - y0 * Math.sin(roll), x0 * Math.sin(roll) + y0 * Math.cos(roll)];
      const [x2, z2] = [x1 * Math.cos(pan), x1 * Math.sin(pan)];
      const [y3, z3] = [y1 * Math.cos(tilt) - z2 * Math.sin(tilt), y1 * Math.sin(tilt) + z2 * Math.cos(tilt)];
      return [0.5 + x2 / (away + z3), 0.5 + y3 / (away + z3)];
    };

  it('is found by its corners alone, every point of it, as the camera saw it', () => {
    fc.assert(
      fc.property(
        camera,
        fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
        (eye, p) => {
          const see = through(eye);
          const found = inPerspective([see([0, 0]), see([1, 0]), see([1, 1]), see([0, 1])])(p);
          expect(Math.hypot(found[0] - see(p)[0], found[1] - see(p)[1])).toBeLessThan(1e-9);
        },
      ),
    );
  });

  it('is set straight: a chequered board comes back square by square', () => {
    const see = through({ pan: 0.5, tilt: -0.4, roll: 0.2, away: 2.5 });
    const [cells, size] = [6, 600];
    // The photo: each pixel asks where on the board it looks, by the inverse found by stepping.
    const corners = [see([0, 0]), see([1, 0]), see([1, 1]), see([0, 1])] as unknown as Corners;
    const rgba = new Uint8ClampedArray(4 * size * size).fill(255);
    for (let i = 0; i < 1200; i++)
      for (let j = 0; j < 1200; j++) {
        const [u, v] = [(i + 0.5) / 1200, (j + 0.5) / 1200];
        const [x, y] = see([u, v]);
        const dark = (Math.floor(u * cells) + Math.floor(v * cells)) % 2 === 0;
        rgba.fill(
          dark ? 20 : 230,
          4 * (Math.floor(y * size) * size + Math.floor(x * size)),
          4 * (Math.floor(y * size) * size + Math.floor(x * size)) + 3,
        );
      }
    const straight = straightened({ width: size, height: size, rgba }, corners, 120, 120);
    for (let i = 0; i < cells; i++)
      for (let j = 0; j < cells; j++) {
        const [r] = at(straight, [(i + 0.5) / cells, (j + 0.5) / cells]);
        expect(r).toBe((i + j) % 2 === 0 ? 20 : 230);
      }
  });

  it('corners that cross, go round the other way or meet are refused in words', () => {
    const flat = picture(10, 10, () => [0, 0, 0]);
    const wrong: Corners[] = [
      [
        [0, 0],
        [1, 1],
        [1, 0],
        [0, 1],
      ],
      [
        [0, 0],
        [0, 1],
        [1, 1],
        [1, 0],
      ],
      [
        [0, 0],
        [0.5, 0],
        [1, 0],
        [0, 1],
      ],
    ];
    for (const corners of wrong) expect(() => straightened(flat, corners, 5, 5)).toThrow('do not go round');
    expect(() =>
      straightened(
        flat,
        [
          [0, 0],
          [0.01, 0],
          [0.01, 0.01],
          [0, 0.01],
        ],
        5,
        5,
      ),
    ).toThrow('too near');
  });
});

describe('a photo corrected on its bare paper', () => {
  const light = (byte: number): number =>
    byte / 255 <= 0.04045 ? byte / 255 / 12.92 : ((byte / 255 + 0.055) / 1.055) ** 2.4;
  const byte = (value: number): number =>
    Math.round(255 * (value <= 0.0031308 ? 12.92 * value : 1.055 * value ** (1 / 2.4) - 0.055));
  const white = labOfHex('#f2efe6');
  const truth = (u: number, v: number): number[] =>
    u > 0.3 && u < 0.7 && v > 0.3 && v < 0.7 ? [60, 110, 150] : [0xf2, 0xef, 0xe6];
  const tinted = (fall: number) =>
    picture(200, 150, (u, v) =>
      truth(u, v).map((b, c) => byte(light(b) * [0.9, 0.75, 0.55][c] * Math.exp(-fall * u - 0.5 * fall * v))),
    );
  const apart: Point[] = [
    [0.1, 0.1],
    [0.9, 0.1],
    [0.9, 0.9],
    [0.1, 0.9],
  ];

  it('loses the lamp’s tint and its fall-off: paper and paint are as they are', () => {
    const put = correctedOnPaper(tinted(0.5), apart, white);
    for (const place of [
      [0.1, 0.5],
      [0.5, 0.5],
      [0.6, 0.4],
      [0.95, 0.95],
    ] as Point[])
      at(put, place).forEach((value, c) =>
        expect(Math.abs(value - truth(...(place as [number, number]))[c])).toBeLessThanOrEqual(3),
      );
  });

  it('with one place only the tint goes; with three on one line no slope is made up', () => {
    at(correctedOnPaper(tinted(0), [[0.1, 0.1]], white), [0.5, 0.5]).forEach((value, c) =>
      expect(Math.abs(value - [60, 110, 150][c])).toBeLessThanOrEqual(2),
    );
    const inRow = correctedOnPaper(
      tinted(0),
      [
        [0.1, 0.1],
        [0.5, 0.1],
        [0.9, 0.1],
      ],
      white,
    );
    at(inRow, [0.1, 0.95]).forEach((value, c) =>
      expect(Math.abs(value - [0xf2, 0xef, 0xe6][c])).toBeLessThanOrEqual(2),
    );
  });

  it('refuses a place that is no paper, and leaves a photo without places as it is', () => {
    const night = picture(40, 40, () => [5, 5, 5]);
    expect(() => correctedOnPaper(night, [[0.5, 0.5]], white)).toThrow('1. place is too dark');
    expect(correctedOnPaper(night, [], white)).toBe(night);
  });
});

describe('the head of a picture’s file', () => {
  const png = (dpi: number): Uint8Array =>
    writePng({ width: 30, height: 20, rgb: new Uint8Array(30 * 20 * 3), dpi });
  const jpeg = (unit: number, density: number): Uint8Array =>
    Uint8Array.from([
      ...[0xff, 0xd8, 0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 2, unit],
      ...[density >> 8, density & 255, density >> 8, density & 255, 0, 0],
      ...[0xff, 0xdb, 0, 4, 0, 0, 0xff, 0xc2, 0, 11, 8, 1, 44, 2, 88, 1, 1, 17, 0],
    ]);

  it('tells size and true size where the file does; a screen’s 72 or 96 is no true size', () => {
    expect(readHead(png(300))).toMatchObject({ kind: 'png', widthPx: 30, heightPx: 20 });
    expect(readHead(png(300)).dpi).toBeCloseTo(300, 1);
    expect(readHead(png(72)).dpi).toBeNull();
    expect(readHead(jpeg(1, 300))).toEqual({ kind: 'jpeg', widthPx: 600, heightPx: 300, dpi: 300 });
    expect(readHead(jpeg(2, 118)).dpi).toBeCloseTo(299.7, 1);
    expect(readHead(jpeg(0, 300)).dpi).toBeNull();
  });

  it('refuses what is no picture, cut short or too large, and never runs away', () => {
    expect(() => readHead(Uint8Array.from([1, 2, 3]))).toThrow('neither a PNG nor a JPEG');
    expect(() => readHead(png(300).slice(0, 20))).toThrow('is cut short');
    const huge = png(300);
    new DataView(huge.buffer).setUint32(16, 90_000);
    new DataView(huge.buffer).setUint32(20, 90_000);
    expect(() => readHead(huge)).toThrow('million go');
    fc.assert(
      fc.property(
        fc.constantFrom(png(300), jpeg(1, 300)),
        fc.array(fc.tuple(fc.nat(60), fc.nat(255)), { maxLength: 8 }),
        (good, faults) => {
          const bytes = good.slice();
          for (const [i, value] of faults) if (i >= 2 && i < bytes.length) bytes[i] = value;
          try {
            expect(readHead(bytes).widthPx).toBeGreaterThan(0);
          } catch (cause) {
            expect(String(cause)).toContain('picture:');
          }
        },
      ),
      { numRuns: 200 },
    );
  });
});
