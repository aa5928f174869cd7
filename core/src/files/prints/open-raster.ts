import { strToU8, zipSync, type Zippable } from 'fflate';
import { writePng } from '../formats';
import { laidOver, type SheetLayer } from '../../advice/trials';

const MEDIA_TYPE = 'image/openraster';
const MERGED = 'mergedimage.png';

/** A fixed date in the zip, so that the same sheet gives the same bytes. */
const ZIP_DATE = new Date('2000-01-01T00:00:00');

/** The longest side of the small picture in it, px (OpenRaster 0.0.5: at most 256). */
const THUMBNAIL_PX = 256;

/**
 * A sheet as an OpenRaster file, a layer for each pass and the mask above them (OpenRaster 0.0.5, freedesktop.org).
 * `layers` stand from the paper up; cells are `cellMm` wide, which the pictures state as their true size.
 */
export function writeOpenRaster(layers: readonly SheetLayer[], cellMm: number): Uint8Array {
  const times = timesLarger(cellMm);
  const dpi = (times * 25.4) / cellMm;
  const large = layers.map((layer) => ({ ...layer, picture: enlarged(layer.picture, times) }));
  const merged = layers
    .slice(1)
    .filter(({ hidden }) => !hidden)
    .reduce(laidOver, layers[0].picture);
  const entries: Zippable = {
    // First and unpacked, so that the file can be told by its beginning.
    mimetype: [strToU8(MEDIA_TYPE), { level: 0 }],
    'stack.xml': strToU8(stackOf(large, dpi)),
    [MERGED]: png(enlarged(merged, times), dpi),
    'Thumbnails/thumbnail.png': png(smaller(merged), dpi),
  };
  large.forEach(({ picture }, i) => {
    entries[`data/layer-${i}.png`] = png(picture, dpi);
  });
  return zipSync(entries, { mtime: ZIP_DATE });
}

/** A sheet as a picture that states its true size. */
export function sheetPng(picture: Pixels, cellMm: number): Uint8Array {
  const times = timesLarger(cellMm);
  return png(enlarged(picture, times), (times * 25.4) / cellMm);
}

/** Pictures of fewer dots an inch are often taken not to say their size at all. */
const LEAST_DPI = 150;

const timesLarger = (cellMm: number): number => Math.max(1, Math.ceil((LEAST_DPI * cellMm) / 25.4));

/** Every pixel so many times across and down. */
function enlarged({ columns, rows, rgba }: Pixels, times: number): Pixels {
  if (times === 1) return { columns, rows, rgba };
  const [width, height] = [columns * times, rows * times];
  const from = new Uint32Array(rgba.buffer, rgba.byteOffset, columns * rows);
  const to = new Uint32Array(width * height);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++)
      to[row * width + column] = from[Math.floor(row / times) * columns + Math.floor(column / times)];
  return { columns: width, rows: height, rgba: new Uint8ClampedArray(to.buffer) };
}

function stackOf(layers: readonly SheetLayer[], dpi: number): string {
  const { columns, rows } = layers[0].picture;
  const rounded = Math.round(dpi);
  // In the file the uppermost stands first.
  const lines = layers.map(
    ({ name, lies, hidden }, i) =>
      `  <layer name="${escaped(name)}" src="data/layer-${i}.png" x="0" y="0" opacity="1" visibility="${hidden ? 'hidden' : 'visible'}" ` +
      `composite-op="${lies === 'over' ? 'svg:src-over' : 'svg:multiply'}"/>`,
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<image version="0.0.5" w="${columns}" h="${rows}" xres="${rounded}" yres="${rounded}">`,
    ' <stack>',
    ...lines.reverse(),
    ' </stack>',
    '</image>',
  ].join('\n');
}

const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => ENTITIES[sign]);

type Pixels = SheetLayer['picture'];

const png = ({ columns, rows, rgba }: Pixels, dpi: number): Uint8Array =>
  writePng({ width: columns, height: rows, rgb: rgba, covers: true, dpi });

/** Every so many pixels of a picture. */
function smaller({ columns, rows, rgba }: Pixels): Pixels {
  const every = Math.max(1, Math.ceil(Math.max(columns, rows) / THUMBNAIL_PX));
  const [width, height] = [Math.ceil(columns / every), Math.ceil(rows / every)];
  const few = new Uint8ClampedArray(4 * width * height);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const from = 4 * (row * every * columns + column * every);
      few.set(rgba.subarray(from, from + 4), 4 * (row * width + column));
    }
  return { columns: width, rows: height, rgba: few };
}
