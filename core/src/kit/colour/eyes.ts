/** How linear sRGB is seen by other eyes: rows of a matrix, red, green and blue. */
export type EyeMatrix = readonly [
  readonly [number, number, number],
  readonly [number, number, number],
  readonly [number, number, number],
];

/**
 * Eyes by which a card may be judged. The three kinds of colour blindness in full (severity 1) by Machado, Oliveira and
 * Fernandes 2009, table 1; greys by the luminance of sRGB (IEC 61966-2-1).
 */
export const EYES = [
  { id: 'usual', name: 'usual eyes', matrix: null },
  {
    ...{ id: 'no-red', name: 'eyes without red' },
    matrix: [
      [0.152286, 1.052583, -0.204868],
      [0.114503, 0.786281, 0.099216],
      [-0.003882, -0.048116, 1.051998],
    ],
  },
  {
    ...{ id: 'no-green', name: 'eyes without green' },
    matrix: [
      [0.367322, 0.860646, -0.227968],
      [0.280085, 0.672501, 0.047413],
      [-0.01182, 0.04294, 0.968881],
    ],
  },
  {
    ...{ id: 'no-blue', name: 'eyes without blue' },
    matrix: [
      [1.255528, -0.076749, -0.178779],
      [-0.078411, 0.930809, 0.147602],
      [0.004733, 0.691367, 0.3039],
    ],
  },
  {
    ...{ id: 'grey', name: 'greys alone' },
    matrix: [
      [0.2126, 0.7152, 0.0722],
      [0.2126, 0.7152, 0.0722],
      [0.2126, 0.7152, 0.0722],
    ],
  },
] as const satisfies readonly {
  readonly id: string;
  readonly name: string;
  readonly matrix: EyeMatrix | null;
}[];
export type EyesId = (typeof EYES)[number]['id'];
