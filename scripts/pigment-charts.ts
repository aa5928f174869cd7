import { hexOf } from '@kettle/core/kit/colour';
import { paperById } from '@kettle/core/materials/paper';
import {
  atReferenceFilm,
  glazeLab,
  pigmentByCode,
  PIGMENTS,
  type Mix,
  type Pigment,
} from '@kettle/core/materials/pigment';

const paper = paperById('cotton-cold-300');
const INK = '#26303c';
const STRENGTHS = [1, 0.6, 0.36, 0.22, 0.13, 0.08, 0.045, 0.025];
/** Pigments of the mixing and glazing charts: warm and cool of each primary, earths, a green, a violet, white. */
const CHOSEN = [
  'PY3',
  'PY150',
  'PY42',
  'PO62',
  'PR254',
  'PV19-rose',
  'PV23',
  'PB29',
  'PB15:3',
  'PG7',
  'PBr7-burnt-sienna',
  'PBk9',
  'PW6',
].map((code) => pigmentByCode(code));

const film = (strength: number, ...parts: [Pigment, number][]): Mix =>
  atReferenceFilm(
    parts.map(([pigment, n]) => ({ pigment, parts: n })),
    strength,
  );
const colour = (layers: Mix[], wet = 0): string => hexOf(glazeLab(paper, layers, wet));
const BLACK = film(1, [pigmentByCode('PBk6'), 1]);

const rect = (x: number, y: number, w: number, h: number, fill: string): string =>
  `<path fill="${fill}" d="M${x} ${y}h${w}v${h}h${-w}z"/>`;
const text = (x: number, y: number, size: number, words: string, anchor = 'start'): string =>
  `<text x="${x}" y="${y}" font-size="${size}" text-anchor="${anchor}">${words}</text>`;

function sheet(width: number, height: number, title: string, body: readonly string[]): string {
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="sans-serif" shape-rendering="crispEdges" fill="${INK}">`,
    rect(0, 0, width, height, colour([])),
    text(16, 26, 15, title),
    ...body,
    '</svg>\n',
  ].join('\n');
}

/** One pigment: tints dry above, wet below, and a bar of dried black under the first three. */
function card(pigment: Pigment, x: number, y: number): string[] {
  const step = 30;
  const cells = STRENGTHS.flatMap((strength, i) => {
    const one = film(strength, [pigment, 1]);
    return [
      rect(x + i * step, y + 18, step, 34, colour([one])),
      rect(x + i * step, y + 52, step, 14, colour([one], 1)),
      ...(i < 3 ? [rect(x + i * step, y + 30, step, 9, colour([BLACK, one]))] : []),
    ];
  });
  return [text(x, y + 12, 10.5, `${pigment.code} · ${pigment.name}`), ...cells];
}

const COLUMNS = 5;
const swatches = (): string =>
  sheet(
    COLUMNS * 252 + 20,
    Math.ceil(PIGMENTS.length / COLUMNS) * 82 + 50,
    'Masstone to tint (1:1 … 1:40), dry above, shining wet below; a bar of dried black under the first three. Constructed, not measured.',
    PIGMENTS.flatMap((pigment, i) =>
      card(pigment, 16 + (i % COLUMNS) * 252, 42 + Math.floor(i / COLUMNS) * 82),
    ),
  );

/** A square chart of the chosen pigments; `cell` draws row over column into its place. */
function cross(
  title: string,
  cell: (row: Pigment, column: Pigment, x: number, y: number, side: number) => string[],
): string {
  const side = 76;
  const [left, top] = [64, 64];
  const size = CHOSEN.length * side;
  return sheet(left + size + 16, top + size + 16, title, [
    ...CHOSEN.map((pigment, i) => text(left + (i + 0.5) * side, top - 8, 10, short(pigment), 'middle')),
    ...CHOSEN.map((pigment, i) => text(left - 6, top + (i + 0.55) * side, 10, short(pigment), 'end')),
    ...CHOSEN.flatMap((row, i) =>
      CHOSEN.flatMap((column, j) => cell(row, column, left + j * side + 2, top + i * side + 2, side - 4)),
    ),
  ]);
}

const short = ({ code }: Pigment): string =>
  code.replace('PBr7-burnt-sienna', 'b. sienna').replace('PV19-', 'PV19 ');

const mixes = (): string =>
  cross(
    'Mixes of row and column, parts 4:1, 2:1, 1:1, 1:2, 1:4 from left to right; above at strength 0.5, below at 0.12.',
    (row, column, x, y, side) =>
      [0.5, 0.12].flatMap((strength, line) =>
        (
          [
            [4, 1],
            [2, 1],
            [1, 1],
            [1, 2],
            [1, 4],
          ] as const
        ).map(([a, b], i) =>
          rect(
            x + (i * side) / 5,
            y + (line * side) / 2,
            side / 5,
            side / 2,
            colour([row === column ? film(strength, [row, 1]) : film(strength, [row, a], [column, b])]),
          ),
        ),
      ),
  );

const glazes = (): string =>
  cross(
    'Glazes: the row over the dried column, both at strength 0.3; left of it the column alone, at the right the row alone.',
    (row, column, x, y, side) => [
      rect(x, y, side * 0.7, side, colour([film(0.3, [column, 1])])),
      rect(x + side * 0.7, y, side * 0.3, side, colour([])),
      rect(
        x + side * 0.25,
        y + side * 0.2,
        side * 0.45,
        side * 0.6,
        colour([film(0.3, [column, 1]), film(0.3, [row, 1])]),
      ),
      rect(x + side * 0.7, y + side * 0.2, side * 0.3, side * 0.6, colour([film(0.3, [row, 1])])),
    ],
  );

/** Every pigment, a mixing chart and a glazing chart as the model sees them, by file name. */
export const pigmentCharts = (): Record<string, string> => ({
  'swatches.svg': swatches(),
  'mixes.svg': mixes(),
  'glazes.svg': glazes(),
});
