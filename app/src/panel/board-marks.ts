import type Konva from 'konva/lib/Core';
import { Shape } from 'konva/lib/Shape';
import { Circle } from 'konva/lib/shapes/Circle';
import { Image } from 'konva/lib/shapes/Image';
import { Line } from 'konva/lib/shapes/Line';
import { Path } from 'konva/lib/shapes/Path';
import { Rect } from 'konva/lib/shapes/Rect';
import { Text } from 'konva/lib/shapes/Text';
import type { Point } from '@kettle/core/kit/geometry';
import { FILM, linePath2d, type BoardLine } from './line-mark';
import type { PanelDrawing } from './panel.view';

/** More lines than this in the hand are shown by the box round them. */
const SHOWN_IN_HAND = 150;

/** Height of the names on areas, mm, and how wide a letter of them is for its height. */
const NAME_MM = 4.6;
const LETTER_WIDE = 0.45;

/** Names many times as wide as their areas, such as of single letters, would lie over one another. */
const hasRoomForName = ({ name, widthMm }: PanelDrawing['shapes'][number]): boolean =>
  name.length * LETTER_WIDE * NAME_MM < 2.5 * widthMm;

/** The sheet and the panel on it: its areas with their names, or, uncovered, as it will look. */
export function boardGround(drawing: PanelDrawing, rim: number, over: BoardOver | null): Konva.Shape[] {
  const { pictures, seenAs } = over ?? NOTHING_OVER;
  return [
    new Rect({
      ...{ x: -rim, y: -rim, width: drawing.widthMm + 2 * rim, height: drawing.heightMm + 2 * rim },
      ...{ fill: PAPER, stroke: '#c9c8c2', strokeWidth: 0.3 },
    }),
    ...(seenAs === 'taped' && rim > 0 ? [tape(drawing, rim)] : []),
    ...pictures.map((picture) => new Image({ ...picture })),
    ...(seenAs === 'uncovered' ? drawing.shapes.map(painted) : working(drawing)),
  ];
}

const PAPER = '#f6f5f0';

const painted = ({ path, fill }: PanelDrawing['shapes'][number]): Konva.Shape =>
  new Path({ data: path, fill: fill ?? PAPER, fillRule: 'evenodd' });

const working = (drawing: PanelDrawing): Konva.Shape[] => [
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
  ...drawing.shapes.filter(hasRoomForName).map(
    ({ name, label }) =>
      new Text({
        ...{ text: name, x: label[0] - 30, y: label[1] - 2.5, width: 60, align: 'center' },
        ...{ fontSize: NAME_MM, fontFamily: 'Alegreya Sans', fill: '#1c2733' },
      }),
  ),
];

/** Tape along the four edges of the sheet, as it is seen from above. */
const tape = ({ widthMm: w, heightMm: h }: PanelDrawing, rim: number): Konva.Shape =>
  new Path({
    data: `M${-rim} ${-rim}H${w + rim}V${h + rim}H${-rim}ZM0 0V${h}H${w}V0Z`,
    ...{ fill: '#d8cfb4', fillRule: 'evenodd', opacity: 0.85 },
  });

const TONES = { light: '#ffffffb0', dark: '#1c273366', shadow: '#1c27334d' } as const;

/** What lies over the areas: the lamp’s tones, words, and help for the hand. */
export function marksOver({
  guides,
  words,
  tones,
  highlights,
  handles,
  rings,
  films,
}: BoardOver): Konva.Shape[] {
  return [
    ...films.map((data) => new Path({ data, fill: FILM, fillRule: 'evenodd' })),
    ...tones.map(({ path, tone }) => new Path({ data: path, fill: TONES[tone], fillRule: 'evenodd' })),
    ...highlights.map(
      ([x, y]) =>
        new Circle({
          ...{ x, y, radius: 1.1 },
          ...{ fill: '#ffffff', stroke: '#545d66', strokeWidth: 0.25 },
        }),
    ),
    ...words.flatMap(({ paths }) =>
      paths.map((data) => new Path({ data, fill: '#4a525a', fillRule: 'nonzero', opacity: 0.8 })),
    ),
    ...rings.map(
      ({ at: [x, y], radiusMm }) =>
        new Circle({ x, y, radius: radiusMm, stroke: '#9c3b1b', strokeWidth: 0.5 }),
    ),
    ...guides.map(guideMark),
    ...handles.map(
      ({ at: [x, y] }) =>
        new Circle({ x, y, radius: 1.2, fill: '#ffffff', stroke: '#0f5e63', strokeWidth: 0.4 }),
    ),
  ];
}

/** A line of a guide. */
export const guideMark = (points: readonly Point[]): Konva.Shape =>
  new Line({
    ...{ points: points.flat(), stroke: '#0f5e63', strokeWidth: 0.25 },
    ...{ dash: [1.2, 1], opacity: 0.8 },
  });

/** A board with nothing over its areas. */
export const NOTHING_OVER: BoardOver = {
  ...{ guides: [], words: [], tones: [], highlights: [] },
  ...{ pictures: [], rings: [], films: [], handles: [], seenAs: 'worked-on' },
};

/** Marks over the areas, mm. */
export interface BoardOver {
  readonly guides: readonly (readonly (readonly [number, number])[])[];
  readonly words: readonly {
    readonly id: string;
    readonly paths: readonly string[];
    readonly box: readonly [x: number, y: number, width: number, height: number];
  }[];
  readonly tones: readonly { readonly path: string; readonly tone: keyof typeof TONES }[];
  readonly highlights: readonly (readonly [number, number])[];
  /** As it lies there to be worked on, its border under tape or not; or uncovered. */
  readonly seenAs: 'worked-on' | 'taped' | 'uncovered';
  /** Pictures below all else. */
  readonly pictures: readonly BoardPicture[];
  /** Places to be looked at, ringed; mm. */
  readonly rings: readonly { readonly at: Point; readonly radiusMm: number }[];
  /** Areas that lie under a mask. */
  readonly films: readonly string[];
  /** Places that can be pulled by hand. */
  readonly handles: readonly BoardHandle[];
}

/** A picture as it lies on the panel, mm. */
export interface BoardPicture {
  readonly image: CanvasImageSource;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly opacity: number;
}

/** A place that can be pulled, what is seen while it is, and what becomes of it where it is let go. */
export interface BoardHandle {
  readonly at: Point;
  readonly seen: (to: Point) => readonly (readonly Point[])[];
  readonly put: (to: Point) => void;
}

/** The lines in the hand, pulled by so much, mm. */
export function pickedMark(
  lines: readonly BoardLine[],
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
