import { deltaE00, hexOf, labOf, labOfHex, type Lab } from '../kit/colour';
import { paperById, paperReflectance } from '../materials/paper';
import type { Corners, Photo } from '../drawing/photo';
import { atReferenceFilm, glazeLab, pigmentByCode } from '../materials/pigment';
import { BLANKS, readSwatchSheet, swatchSheet, type SwatchSheet } from '../files/prints';
import { chance, normal } from '../kit/units';

const paper = paperById('cotton-cold-300');
export const white = labOf(paperReflectance(paper.white));
const codes = ['PB29', 'PBr7-burnt-sienna', 'PY150', 'PR122', 'PG7', 'PBk6'];
export const sheet = swatchSheet(
  codes.map((code) => ({ id: code, name: pigmentByCode(code).name, says: code })),
);

/** How each blank is painted: as a screen shows it, since that is all a camera keeps. */
export const truth = sheet.cells.map(({ entry, blank }): Lab => {
  const film = atReferenceFilm([{ pigment: pigmentByCode(entry), parts: 1 }], BLANKS[blank].strength);
  const black = atReferenceFilm([{ pigment: pigmentByCode('PBk6'), parts: 1 }], 1);
  return labOfHex(hexOf(glazeLab(paper, BLANKS[blank].ground === 'black' ? [black, film] : [film])));
});

const light = (byte: number): number =>
  byte / 255 <= 0.04045 ? byte / 255 / 12.92 : ((byte / 255 + 0.055) / 1.055) ** 2.4;
const code = (value: number): number =>
  Math.round(255 * (value <= 0.0031308 ? 12.92 * value : 1.055 * Math.min(1, value) ** (1 / 2.4) - 0.055));
const linear = (lab: Lab): number[] => {
  const hex = hexOf(lab);
  return [1, 3, 5].map((at) => light(Number.parseInt(hex.slice(at, at + 2), 16)));
};

/** How a painted sheet is photographed. */
export interface Camera {
  readonly turnDeg: number;
  readonly tint: readonly [number, number, number];
  /** How the light falls off across and down the picture. */
  readonly falls: readonly [number, number];
  /** Darker towards the corners, as through a lens. */
  readonly vignette: number;
  readonly blurMm: number;
  readonly noise: number;
  readonly seed: number;
}

/** A photo of the painted sheet, and where its four marks are seen. */
export function photograph(
  { widthMm, heightMm, cells }: SwatchSheet,
  camera: Camera,
): { photo: Photo; marks: Corners } {
  const [width, height] = [560, 420];
  const scale = 0.8 * Math.min(width / widthMm, height / heightMm);
  const turn = (camera.turnDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const toSheet = (px: number, py: number): [number, number] => {
    const [x, y] = [(px - width / 2) / scale, (py - height / 2) / scale];
    return [cos * x + sin * y + widthMm / 2, -sin * x + cos * y + heightMm / 2];
  };
  const toPhoto = (x: number, y: number): [number, number] => {
    const [u, v] = [x - widthMm / 2, y - heightMm / 2];
    return [(scale * (cos * u - sin * v)) / width + 0.5, (scale * (sin * u + cos * v)) / height + 0.5];
  };
  const paints = truth.map(linear);
  const bare = linear(white);
  const desk = [0.12, 0.1, 0.09];
  const lookAt = ([x, y]: [number, number]): number[] => {
    if (x < 0 || y < 0 || x > widthMm || y > heightMm) return desk;
    const at = cells.findIndex(({ xMm, yMm }) => x >= xMm && x < xMm + 20 && y >= yMm && y < yMm + 14);
    return at < 0 ? bare : paints[at];
  };
  const random = chance(camera.seed);
  const rgba = new Uint8ClampedArray(4 * width * height).fill(255);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const sum = [0, 0, 0];
      for (let look = 0; look < 9; look++) {
        const [x, y] = toSheet(column + 0.5, row + 0.5);
        const at: [number, number] = [
          x + camera.blurMm * ((look % 3) - 1),
          y + camera.blurMm * (Math.floor(look / 3) - 1),
        ];
        lookAt(at).forEach((value, c) => (sum[c] += value / 9));
      }
      const [u, v] = [column / width - 0.5, row / height - 0.5];
      const lamp =
        Math.exp(-camera.falls[0] * u - camera.falls[1] * v) * (1 - camera.vignette * (u * u + v * v));
      for (let c = 0; c < 3; c++)
        rgba[4 * (row * width + column) + c] = code(
          Math.max(0, sum[c] * camera.tint[c] * lamp * (1 + camera.noise * normal(random))),
        );
    }
  // A hand puts the marks a pixel off.
  const off = (): number => 1.5 * normal(random);
  const marks = (
    [
      [5, 5],
      [widthMm - 5, 5],
      [widthMm - 5, heightMm - 5],
      [5, heightMm - 5],
    ] as const
  ).map(([x, y]) => {
    const [u, v] = toPhoto(x, y);
    return [u + off() / width, v + off() / height];
  });
  return { photo: { width, height, rgba }, marks: marks as unknown as Corners };
}

/** How far each blank is read from how it was painted, ΔE00, from one photo. */
export function readingErrors(camera: Camera): number[] {
  const { photo, marks } = photograph(sheet, camera);
  return readSwatchSheet(photo, marks, sheet, white).map((lab, i) => deltaE00(lab, truth[i]));
}
