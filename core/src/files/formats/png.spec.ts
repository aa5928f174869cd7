import { unzlibSync } from 'fflate';
import { expect, it } from 'vitest';
import { writePng } from '.';

it('writes a picture that states its size and holds its pixels', () => {
  const rgb = Uint8Array.from({ length: 3 * 2 * 3 }, (_, i) => 10 * i);
  const file = writePng({ width: 3, height: 2, rgb, dpi: 254 });
  const view = new DataView(file.buffer);
  expect([...file.slice(0, 8)]).toEqual([137, 80, 78, 71, 13, 10, 26, 10]);
  const chunks = new Map<string, Uint8Array>();
  for (let at = 8; at < file.length;) {
    const length = view.getUint32(at);
    chunks.set(String.fromCharCode(...file.slice(at + 4, at + 8)), file.slice(at + 8, at + 8 + length));
    at += length + 12;
  }
  expect([...chunks.keys()]).toEqual(['IHDR', 'pHYs', 'IDAT', 'IEND']);
  expect(new DataView(chunks.get('pHYs')!.buffer).getUint32(0)).toBe(10_000);
  const lines = unzlibSync(chunks.get('IDAT')!);
  expect([...lines]).toEqual([0, ...rgb.slice(0, 9), 0, ...rgb.slice(9)]);
  // CRC-32 of the empty IEND chunk, as every PNG ends.
  expect(view.getUint32(file.length - 4)).toBe(0xae426082);
});
