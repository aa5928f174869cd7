import { type Lab } from '../../kit/colour';
import { correctedOnPaper, patchColours, straightened, type Corners, type Photo } from '../../drawing/photo';
import { escapeXml, mmText } from './svg-text';

/** What a row of a swatch sheet is for. */
export interface SwatchEntry {
  readonly id: string;
  readonly name: string;
  /** What is written under it: parts and water, or the code. */
  readonly says: string;
}

/** The blanks of a row, with the strength each is painted at; the last over a black that is dry. */
export const BLANKS = [
  { says: 'from the tube', strength: 1, ground: 'paper' },
  { says: '1 paint, 7 water', strength: 0.125, ground: 'paper' },
  { says: 'over dry black', strength: 1, ground: 'black' },
] as const;

/** One blank on the sheet, mm. */
export interface SwatchCell {
  readonly entry: string;
  readonly blank: number;
  readonly xMm: number;
  readonly yMm: number;
}

/** Where all lies on a sheet, mm from its upper left. */
export interface SwatchSheet {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly entries: readonly SwatchEntry[];
  readonly cells: readonly SwatchCell[];
  /** Places that stay bare, by which a photo’s light is put right. */
  readonly bare: readonly (readonly [number, number])[];
}

const CELL = { widthMm: 20, heightMm: 14 };
const APART_MM = 8;
const ROW_MM = 27;
const MARGIN_MM = 16;
const COLUMNS = 2;
const COLUMN_MM = BLANKS.length * (CELL.widthMm + APART_MM) + 6;

/** More than this do not go on one sheet. */
export const MOST_ENTRIES = 18;

/** The four marks a photo is set straight by lie so far in from the corners. */
const MARK_MM = 5;

/** A photo is set straight to so many pixels a millimetre: a blank is then some eighty wide. */
const PX_A_MM = 4;

/** Lays out blanks for up to `MOST_ENTRIES` paints, two to a row. */
export function swatchSheet(all: readonly SwatchEntry[]): SwatchSheet {
  const entries = all.slice(0, MOST_ENTRIES);
  const rows = Math.max(1, Math.ceil(entries.length / COLUMNS));
  const cells = entries.flatMap(({ id }, i) =>
    BLANKS.map((_, blank): SwatchCell => ({
      ...{ entry: id, blank },
      xMm: MARGIN_MM + (i % COLUMNS) * COLUMN_MM + blank * (CELL.widthMm + APART_MM),
      yMm: MARGIN_MM + Math.floor(i / COLUMNS) * ROW_MM,
    })),
  );
  const widthMm = 2 * MARGIN_MM + COLUMNS * COLUMN_MM - APART_MM - 6;
  const heightMm = 2 * MARGIN_MM + rows * ROW_MM;
  return {
    ...{ widthMm, heightMm, entries, cells },
    bare: [
      ...cells.map(({ xMm, yMm }) => [xMm + CELL.widthMm + APART_MM / 2, yMm + CELL.heightMm / 2] as const),
      ...[MARGIN_MM / 2, widthMm - MARGIN_MM / 2].flatMap((x) =>
        [MARGIN_MM, heightMm - MARGIN_MM].map((y) => [x, y] as const),
      ),
    ],
  };
}

/** The sheet as SVG in mm, to be printed at 100 % or drawn on the paper itself: blanks, names, and the marks in its corners. */
export function swatchSheetSvg(sheet: SwatchSheet, title: string): string {
  const [width, height] = [mmText(sheet.widthMm), mmText(sheet.heightMm)];
  const nameOf = new Map(sheet.entries.map((entry) => [entry.id, entry]));
  const text = (x: number, y: number, says: string): string =>
    `<text x="${mmText(x)}" y="${mmText(y)}">${escapeXml(says)}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`,
    `<title>${escapeXml(title)}</title>`,
    '<style>path,rect{fill:none;stroke:#334;stroke-width:.2}.black{stroke-width:.2;stroke-dasharray:1 1}text{font:2.6px sans-serif;fill:#334}</style>',
    ...marksOf(sheet).map(
      ([x, y]) =>
        `<path class="mark" style="stroke-width:.4" d="M${mmText(x - 3)} ${mmText(y)}h6M${mmText(x)} ${mmText(y - 3)}v6"/>`,
    ),
    ...sheet.cells.flatMap(({ entry, blank, xMm, yMm }) => [
      `<rect class="${BLANKS[blank].ground}" x="${mmText(xMm)}" y="${mmText(yMm)}" width="${CELL.widthMm}" height="${CELL.heightMm}"/>`,
      text(xMm, yMm + CELL.heightMm + 3.2, BLANKS[blank].says),
      ...(blank === 0
        ? [text(xMm, yMm - 1.4, `${nameOf.get(entry)!.name} · ${nameOf.get(entry)!.says}`)]
        : []),
    ]),
    text(
      MARGIN_MM,
      sheet.heightMm - 3,
      `${title}. Print at 100 %. Leave the gaps bare; photograph all four marks.`,
    ),
    '</svg>',
  ].join('\n');
}

const marksOf = ({ widthMm, heightMm }: SwatchSheet): readonly (readonly [number, number])[] => [
  [MARK_MM, MARK_MM],
  [widthMm - MARK_MM, MARK_MM],
  [widthMm - MARK_MM, heightMm - MARK_MM],
  [MARK_MM, heightMm - MARK_MM],
];

/**
 * Reads the painted blanks of a sheet from a photo of it, in the order of its cells: set straight by the places of its four
 * marks, its light put right by the bare gaps. Throws `BadInput` as `straightened` and `correctedOnPaper`.
 */
export function readSwatchSheet(photo: Photo, marks: Corners, sheet: SwatchSheet, white: Lab): Lab[] {
  const [widthMm, heightMm] = [sheet.widthMm - 2 * MARK_MM, sheet.heightMm - 2 * MARK_MM];
  const straight = straightened(photo, marks, Math.round(PX_A_MM * widthMm), Math.round(PX_A_MM * heightMm));
  const share = (x: number, y: number): readonly [number, number] => [
    (x - MARK_MM) / widthMm,
    (y - MARK_MM) / heightMm,
  ];
  const put = correctedOnPaper(
    straight,
    sheet.bare.map(([x, y]) => share(x, y)),
    white,
  );
  return patchColours(
    put,
    sheet.cells.map(({ xMm, yMm }) => {
      const [x, y] = share(xMm, yMm);
      return { x, y, width: CELL.widthMm / widthMm, height: CELL.heightMm / heightMm };
    }),
  );
}
