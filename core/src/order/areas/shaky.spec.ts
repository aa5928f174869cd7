import { describe, expect, it } from 'vitest';
import { contains, polygonArea, type Point } from '../../kit/geometry';
import { smoothLine, type PencilPoint } from '../../drawing/sketch';
import { chance } from '../../kit/units';
import { filledAt } from '.';

const PANEL = { widthMm: 148, heightMm: 105 };

/** A thing drawn in several strokes, and the regions one press each is to fill: where it is pressed, and the ideal outline. */
interface Drawing {
  readonly strokes: readonly (readonly Point[])[];
  readonly regions: Readonly<Record<string, { readonly at: Point; readonly ideal: readonly Point[] }>>;
}

const arc = (x: number, y: number, rx: number, ry: number, from: number, to: number): Point[] =>
  Array.from({ length: 41 }, (_, i) => {
    const a = ((from + ((to - from) * i) / 40) * Math.PI) / 180;
    return [x + rx * Math.cos(a), y + ry * Math.sin(a)];
  });

const BOAT: Drawing = {
  strokes: [
    [
      [30, 70],
      [40, 88],
      [100, 88],
      [112, 70],
    ],
    [
      [112, 70],
      [70, 71],
      [30, 70],
    ],
    [
      [66, 70],
      [66, 18],
    ],
    [
      [66, 18],
      [98, 64],
      [66, 65],
    ],
    [
      [64, 24],
      [40, 64],
      [65, 65],
    ],
  ],
  regions: {
    hull: {
      at: [70, 80],
      ideal: [
        [30, 70],
        [40, 88],
        [100, 88],
        [112, 70],
        [70, 71],
      ],
    },
    sail: {
      at: [75, 50],
      ideal: [
        [66, 18],
        [98, 64],
        [66, 65],
      ],
    },
  },
};

const body = arc(70, 62, 32, 24, -70, 250);
const TEAPOT: Drawing = {
  strokes: [
    body.slice(0, 25),
    body.slice(24),
    [
      [59, 39.5],
      [81, 39.5],
    ],
    arc(70, 39.5, 11, 8, 180, 360),
    arc(70, 28, 4, 3.6, 0, 360),
    [
      [40, 60],
      [22, 48],
      [18, 40],
      [26, 40],
      [38, 52.5],
    ],
  ],
  regions: {
    body: { at: [75, 66], ideal: body },
    lid: { at: [70, 36], ideal: arc(70, 39.5, 11, 8, 180, 360) },
    knob: { at: [70, 28], ideal: arc(70, 28, 4, 3.6, 0, 360) },
  },
};

/** Letters written in single strokes: each counter is closed by the stroke that crosses or meets itself. */
const WORD: Drawing = {
  strokes: [
    [[20, 20], [20, 60], ...arc(30, 50, 10, 10, 180, -180)],
    arc(60, 50, 11, 10, -90, 268),
    [[100, 20], [100, 60], ...arc(90, 50, 10, 10, 0, 360)],
  ],
  regions: {
    b: { at: [30, 50], ideal: arc(30, 50, 10, 10, 180, -180) },
    o: { at: [60, 50], ideal: arc(60, 50, 11, 10, 0, 360) },
    d: { at: [90, 50], ideal: arc(90, 50, 10, 10, 0, 360) },
  },
};

/** Size of a hand’s tremor, and how far a stroke may miss where it was to begin and end, mm. */
const TREMOR_MM = 0.25;
const MISS_MM = 0.4;

/** A stroke as a shaking hand draws it, and as it is kept. */
function byHand(stroke: readonly Point[], random: () => number): PencilPoint[] {
  const wave = [random(), random(), random()].map((turn) => 2 * Math.PI * turn);
  const dense = stroke.flatMap((to, i): Point[] => {
    if (i === 0) return [to];
    const from = stroke[i - 1];
    const steps = Math.max(1, Math.round(Math.hypot(to[0] - from[0], to[1] - from[1]) / 0.7));
    return Array.from({ length: steps }, (_, s) => {
      const t = (s + 1) / steps;
      return [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
    });
  });
  const miss = [MISS_MM * (2 * random() - 1), MISS_MM * (2 * random() - 1)];
  return smoothLine(
    dense.map(([x, y], i): PencilPoint => {
      const shake = TREMOR_MM * (0.6 * Math.sin(i * 0.9 + wave[0]) + 0.4 * Math.sin(i * 0.23 + wave[1]));
      const drift = MISS_MM * Math.sin(i / 60 + wave[2]) * 0.5;
      return [x + shake + 0.5 * miss[0], y + shake * 0.7 + drift + 0.5 * miss[1], 0.5];
    }),
  );
}

describe.each([
  ['boat', BOAT],
  ['teapot', TEAPOT],
  ['word', WORD],
])('a shaky %s', (_, { strokes, regions }) => {
  it.each([1, 2, 3, 4, 5, 6])(
    'becomes closed areas in one press each, and nothing leaks (hand %i)',
    (hand) => {
      const random = chance(hand);
      const lines = strokes.map((stroke, i) => ({
        ...{ id: `stroke-${i}`, kind: 'pencil' as const },
        points: byHand(stroke, random),
      }));
      for (const [name, { at, ideal }] of Object.entries(regions)) {
        const filled = filledAt(lines, at, PANEL);
        const [drawn, wanted] = [polygonArea(filled!.outline), polygonArea([ideal])];
        expect(contains(filled!.outline, at)).toBe(true);
        expect([name, Math.abs(drawn / wanted - 1) < 0.12]).toEqual([name, true]);
        expect(filled!.lines.length).toBeGreaterThan(0);
      }
    },
  );
});
