import { zlibSync } from 'fflate';
import { crc32 } from './crc32';

/** A picture of 8-bit colour, row by row, and how finely it is meant to be printed. */
export interface Bitmap {
  readonly width: number;
  readonly height: number;
  /** `[(row · width + column) · 3 + channel]`, or with a fourth channel that says how far a pixel covers. */
  readonly rgb: Uint8Array | Uint8ClampedArray;
  readonly covers?: boolean;
  readonly dpi: number;
}

const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10];
const INCHES_A_METRE = 1 / 0.0254;
/** Colour types: RGB without and with alpha. */
const TRUE_COLOUR = 2;
const WITH_ALPHA = 6;

/** A picture as a PNG file that states its true size (ISO/IEC 15948, chunks IHDR, pHYs, IDAT, IEND). */
export function writePng({ width, height, rgb, dpi, covers = false }: Bitmap): Uint8Array {
  const head = new DataView(new ArrayBuffer(13));
  head.setUint32(0, width);
  head.setUint32(4, height);
  head.setUint8(8, 8);
  head.setUint8(9, covers ? WITH_ALPHA : TRUE_COLOUR);
  const size = new DataView(new ArrayBuffer(9));
  const perMetre = Math.round(dpi * INCHES_A_METRE);
  size.setUint32(0, perMetre);
  size.setUint32(4, perMetre);
  size.setUint8(8, 1);
  const line = width * (covers ? 4 : 3);
  const lines = new Uint8Array((line + 1) * height);
  for (let row = 0; row < height; row++)
    lines.set(rgb.subarray(row * line, (row + 1) * line), row * (line + 1) + 1);
  const parts = [
    Uint8Array.from(SIGNATURE),
    chunk('IHDR', new Uint8Array(head.buffer)),
    chunk('pHYs', new Uint8Array(size.buffer)),
    chunk('IDAT', zlibSync(lines)),
    chunk('IEND', new Uint8Array(0)),
  ];
  const file = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  parts.reduce((at, part) => {
    file.set(part, at);
    return at + part.length;
  }, 0);
  return file;
}

function chunk(type: string, data: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(data.length + 12);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, data.length);
  for (let i = 0; i < type.length; i++) view.setUint8(4 + i, type.charCodeAt(i));
  bytes.set(data, 8);
  view.setUint32(8 + data.length, crc32(bytes.subarray(4, 8 + data.length)));
  return bytes;
}
