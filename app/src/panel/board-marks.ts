import type Konva from 'konva/lib/Core';
import { Shape } from 'konva/lib/Shape';
import { Path } from 'konva/lib/shapes/Path';
import { Rect } from 'konva/lib/shapes/Rect';
import { Text } from 'konva/lib/shapes/Text';
import type { PencilLine } from '@kettle/core/sketch';
import { linePath2d } from './line-mark';
import type { PanelDrawing } from './panel.view';

/** More lines than this in the hand are shown by the box round them. */
const SHOWN_IN_HAND = 150;

/** The sheet, the panel on it, and its areas with their names. */
export function boardGround(drawing: PanelDrawing, rim: number): Konva.Shape[] {
  return [
    new Rect({
      ...{ x: -rim, y: -rim, width: drawing.widthMm + 2 * rim, height: drawing.heightMm + 2 * rim },
      ...{ fill: '#f6f5f0', stroke: '#c9c8c2', strokeWidth: 0.3 },
    }),
    new Rect({
      ...{ width: drawing.widthMm, height: drawing.heightMm },
      ...{ stroke: '#a9aba6', strokeWidth: 0.3, dash: [2, 1.4] },
    }),
    ...drawing.shapes.map(
      (shape) =>
        new Path({
          ...{ data: shape.path, fill: shape.fill ?? '#d5e6e6', fillRule: 'evenodd', opacity: 0.5 },
          ...{ stroke: '#545d66', strokeWidth: 0.4 },
        }),
    ),
    ...drawing.shapes.map(
      ({ name, label }) =>
        new Text({
          ...{ text: name, x: label[0] - 30, y: label[1] - 2.5, width: 60, align: 'center' },
          ...{ fontSize: 4.6, fontFamily: 'Alegreya Sans', fill: '#1c2733' },
        }),
    ),
  ];
}

/** The lines in the hand, pulled by so much, mm. */
export function pickedMark(
  lines: readonly PencilLine[],
  [right, down]: readonly [number, number],
): Konva.Shape {
  const xs = lines.flatMap(({ points }) => points.map(([x]) => x));
  const ys = lines.flatMap(({ points }) => points.map(([, y]) => y));
  const least = (values: readonly number[]): number => values.reduce((a, b) => Math.min(a, b));
  const most = (values: readonly number[]): number => values.reduce((a, b) => Math.max(a, b));
  const [left, top] = [least(xs) - 1, least(ys) - 1];
  const [width, height] = [most(xs) + 1 - left, most(ys) + 1 - top];
  return new Shape({
    sceneFunc: (context) => {
      const own = context._context;
      own.save();
      own.translate(right, down);
      own.fillStyle = '#0f5e63';
      if (lines.length <= SHOWN_IN_HAND) for (const line of lines) own.fill(linePath2d(line));
      own.strokeStyle = '#0f5e63';
      own.lineWidth = 0.4;
      own.setLineDash([1.6, 1.2]);
      own.strokeRect(left, top, width, height);
      own.restore();
    },
  });
}
