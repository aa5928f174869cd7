import { describe, expect, it } from 'vitest';
import { contains, polygonArea, rectangle, type Polygon } from '../../kit/geometry';
import { pigmentByCode } from '../../materials/pigment';
import { paperById } from '../../materials/paper';
import {
  actOnPanel,
  brushById,
  brushFor,
  brushwork,
  cellAt,
  panelActSchema,
  startPanel,
  type Panel,
} from '.';
import { plainPanelKernel } from './panel-plain';

const ring = (cx: number, cy: number, r: number, n = 48): Polygon => [
  Array.from({ length: n }, (_, i) => {
    const turn = (2 * Math.PI * i) / n;
    return [cx + r * Math.cos(turn), cy + r * Math.sin(turn)] as const;
  }),
];

const AREAS: Record<string, Polygon> = {
  'a broad strip': rectangle(5, 5, 70, 30),
  'a disc': ring(40, 25, 18),
  'a ring with a hole': [ring(40, 25, 20)[0], ring(40, 25, 8)[0]],
  'a sail': [
    [
      [10, 45],
      [60, 45],
      [48, 6],
      [30, 20],
    ],
  ],
};

/** A panel on which all strokes have just been laid; nothing has flowed yet. */
function laid(outline: Polygon, round: Polygon[], filmUm: number): Panel {
  const run = startPanel(
    {
      widthMm: 80,
      heightMm: 50,
      cellMm: 0.5,
      paper: paperById('cotton-hot-300'),
      climate: { tempC: 20, rh: 0.5, airMs: 0 },
      seed: 4,
      pigments: [pigmentByCode('PB29')],
    },
    plainPanelKernel,
  );
  const brush = brushFor(outline);
  for (const { points, load } of brushwork({ outline, round, brush, filmUm }))
    actOnPanel(
      run,
      panelActSchema.parse({
        atS: 0,
        kind: 'stroke',
        points,
        load,
        brush: brush.id,
        parts: [{ pigment: 'PB29', parts: 1 }],
      }),
    );
  return run.panel;
}

/** Films at the cells whose middle lies where `holds` says. */
function films(panel: Panel, holds: (point: readonly [number, number]) => boolean): number[] {
  const found: number[] = [];
  for (let row = 0; row < panel.rows; row++)
    for (let column = 0; column < panel.columns; column++)
      if (holds([(column + 0.5) * panel.cellMm, (row + 0.5) * panel.cellMm]))
        found.push(panel.film[cellAt(panel, column, row)]);
  return found;
}
const mean = (values: number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

describe.each(Object.entries(AREAS))('a hand painting %s', (_, outline) => {
  const wanted = 60;
  const panel = laid(outline, [], wanted);
  const inside = films(panel, (point) => contains(outline, point));

  it('leaves next to nothing of it unpainted', () => {
    expect(inside.filter((film) => film < 5).length / inside.length).toBeLessThan(0.03);
  });

  it('lays the film that was asked for', () => {
    expect(mean(inside)).toBeGreaterThan(0.88 * wanted);
    expect(mean(inside)).toBeLessThan(1.15 * wanted);
  });

  it('keeps within its edge, to a cell', () => {
    const [outer] = outline;
    const middle = outer.reduce(([sx, sy], [x, y]) => [sx + x / outer.length, sy + y / outer.length], [0, 0]);
    const wider: Polygon = [
      outer.map(([x, y]) => {
        const d = Math.hypot(x - middle[0], y - middle[1]);
        return [x + ((x - middle[0]) * 1.2) / d, y + ((y - middle[1]) * 1.2) / d] as const;
      }),
    ];
    expect(mean(films(panel, (point) => !contains(wider, point)))).toBe(0);
  });
});

describe('a hand', () => {
  it('goes round a white', () => {
    const white = ring(30, 20, 6);
    const panel = laid(rectangle(5, 5, 70, 35), [white], 60);
    expect(mean(films(panel, (point) => contains(ring(30, 20, 5.2), point)))).toBe(0);
    expect(
      Math.min(...films(panel, (p) => contains(ring(30, 20, 8), p) && !contains(ring(30, 20, 7), p))),
    ).toBeGreaterThan(20);
  });

  it('takes a brush that fits', () => {
    expect(brushFor(rectangle(0, 0, 150, 100)).widthMm).toBeGreaterThan(12);
    expect(brushFor(rectangle(0, 0, 100, 4)).widthMm).toBeLessThan(4);
    expect(brushFor(rectangle(0, 0, 1, 1)).widthMm).toBeLessThanOrEqual(1.5);
  });

  it('loads again before the brush gives out', () => {
    const brush = brushById('round-4');
    const outline = rectangle(0, 0, 120, 20);
    const strokes = brushwork({ outline, round: [], brush, filmUm: 60 });
    const volume = strokes.reduce((sum, { load }) => sum + load * brush.bellyMl * 1000, 0);
    // What goes out of the belly is a good half of what goes in, and in is no less than is wanted.
    expect(volume).toBeGreaterThan(0.06 * polygonArea(outline));
    expect(volume).toBeLessThan(4 * 0.06 * polygonArea(outline));
  });

  it('paints the same area the same way again', () => {
    const work = { outline: AREAS['a sail'], round: [], brush: brushById('round-8'), filmUm: 80 };
    expect(brushwork(work)).toEqual(brushwork(work));
  });
});
