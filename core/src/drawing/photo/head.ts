import { BadInput } from '../../kit/units';

/** What a picture’s file says of itself. */
export interface PhotoHead {
  readonly kind: 'png' | 'jpeg';
  readonly widthPx: number;
  readonly heightPx: number;
  /** Pixels an inch of the thing pictured, where the file says so; `null` where it does not. */
  readonly dpi: number | null;
}

/** More pixels than this no phone and no scan of a card has. */
const MOST_PX = 60e6;

/** Files say 72 or 96 when they know nothing of a true size; a scan is finer. */
const LEAST_TOLD_DPI = 100;

const METRE_INCHES = 0.0254;
const CM_INCHES = 2.54;

const PNG = [137, 80, 78, 71, 13, 10, 26, 10];

/**
 * Reads the head of a PNG (ISO/IEC 15948: IHDR, pHYs) or a JPEG (ISO/IEC 10918-1 frame header; JFIF 1.02 density) without
 * unpacking it. Throws `BadInput` on `picture` for anything else, for a head cut short and for more pixels than go.
 */
export function readHead(bytes: Uint8Array): PhotoHead {
  const head = PNG.every((byte, i) => bytes[i] === byte)
    ? pngHead(bytes)
    : bytes[0] === 0xff && bytes[1] === 0xd8
      ? jpegHead(bytes)
      : null;
  if (!head) throw new BadInput('picture', 'is neither a PNG nor a JPEG');
  const { widthPx, heightPx } = head;
  if (widthPx < 1 || heightPx < 1) throw new BadInput('picture', 'has no size');
  if (widthPx * heightPx > MOST_PX)
    throw new BadInput('picture', `has ${widthPx} × ${heightPx} pixels; ${MOST_PX / 1e6} million go`);
  return { ...head, dpi: head.dpi !== null && head.dpi >= LEAST_TOLD_DPI ? head.dpi : null };
}

/** A view that says in words when it is read past its end. */
class Reader {
  private readonly view: DataView;
  constructor(bytes: Uint8Array) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }
  byte(at: number): number {
    return this.read(at, 1, () => this.view.getUint8(at));
  }
  short(at: number): number {
    return this.read(at, 2, () => this.view.getUint16(at));
  }
  long(at: number): number {
    return this.read(at, 4, () => this.view.getUint32(at));
  }
  private read(at: number, length: number, value: () => number): number {
    if (at + length > this.view.byteLength) throw new BadInput('picture', 'is cut short');
    return value();
  }
}

function pngHead(bytes: Uint8Array): PhotoHead {
  const file = new Reader(bytes);
  const [widthPx, heightPx] = [file.long(16), file.long(20)];
  let dpi: number | null = null;
  for (let at = PNG.length; ;) {
    const [length, type] = [file.long(at), file.long(at + 4)];
    // pHYs in metres; its pixels may be no squares, and then it says nothing we can use.
    if (type === 0x70485973 && file.byte(at + 16) === 1 && file.long(at + 8) === file.long(at + 12))
      dpi = file.long(at + 8) * METRE_INCHES;
    // What is of use stands before the first row of pixels.
    if (type === 0x49444154 || type === 0x49454e44) break;
    at += length + 12;
  }
  return { kind: 'png', widthPx, heightPx, dpi };
}

/** Markers that carry the size: all frame headers but those of tables and of arithmetic conditioning. */
const isFrame = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);

function jpegHead(bytes: Uint8Array): PhotoHead {
  const file = new Reader(bytes);
  let dpi: number | null = null;
  for (let at = 2; ;) {
    if (file.byte(at) !== 0xff)
      throw new BadInput('picture', 'is damaged: its JPEG segments do not follow on');
    const marker = file.byte(at + 1);
    if (marker === 0xff) {
      at++;
      continue;
    }
    const length = file.short(at + 2);
    // JFIF’s density: 1 an inch, 2 a centimetre.
    if (marker === 0xe0 && length >= 16 && file.long(at + 4) === 0x4a464946) {
      const [unit, across, down] = [file.byte(at + 11), file.short(at + 12), file.short(at + 14)];
      if (across === down && unit > 0) dpi = unit === 2 ? across * CM_INCHES : across;
    }
    if (isFrame(marker))
      return { kind: 'jpeg', widthPx: file.short(at + 7), heightPx: file.short(at + 5), dpi };
    if (marker === 0xda || marker === 0xd9) throw new BadInput('picture', 'is damaged: it has no size');
    at += length + 2;
  }
}
