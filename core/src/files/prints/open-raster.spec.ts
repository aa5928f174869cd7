import { strFromU8, unzipSync } from 'fflate';
import { expect, it } from 'vitest';
import { mergedPicture } from '../formats';
import { readHead } from '../../drawing/photo';
import type { SheetLayer } from '../../advice/trials';
import { writeOpenRaster } from '.';

const picture = (value: number, alpha: number): SheetLayer['picture'] => ({
  ...{ columns: 4, rows: 2 },
  rgba: Uint8ClampedArray.from({ length: 32 }, (_, i) => (i % 4 === 3 ? alpha : value)),
});
const layers: SheetLayer[] = [
  { name: 'paper', lies: 'over', picture: picture(240, 255) },
  { name: 'sky & sea', lies: 'multiplied', picture: picture(128, 255) },
  { name: 'mask', lies: 'over', picture: picture(10, 255), hidden: true },
];
const file = writeOpenRaster(layers, 8);

it('has a layer for each pass, the uppermost first, and says how they lie', () => {
  const entries = unzipSync(file);
  expect(strFromU8(entries['mimetype'])).toBe('image/openraster');
  // The type can be read off the beginning of the file, unpacked.
  expect(strFromU8(file.slice(30, 38))).toBe('mimetype');
  const stack = strFromU8(entries['stack.xml']);
  expect([...stack.matchAll(/name="([^"]*)"/g)].map(([, name]) => name)).toEqual([
    'mask',
    'sky &amp; sea',
    'paper',
  ]);
  expect([...stack.matchAll(/composite-op="([^"]*)"/g)].map(([, op]) => op)).toEqual([
    'svg:src-over',
    'svg:multiply',
    'svg:src-over',
  ]);
  expect(stack).toContain('visibility="hidden"');
  expect(Object.keys(entries)).toContain('data/layer-2.png');
});

it('its whole picture has the true size and leaves the mask out', () => {
  const merged = mergedPicture(file);
  expect(readHead(merged)).toMatchObject({ kind: 'png', widthPx: 4, heightPx: 2 });
  // Four pixels at this density are half a millimetre.
  expect((25.4 * 4) / readHead(merged).dpi!).toBeCloseTo(0.5, 2);
});

it('what is no such file is refused in words', () => {
  expect(() => mergedPicture(new Uint8Array([0x50, 0x4b, 1, 2, 3]))).toThrow('cannot be unpacked');
});
