import { strToU8, zipSync, type Zippable } from 'fflate';
import { writePng } from '../formats';
import { MM_PER_INCH } from '../../kit/units';
import { laidOver, type SheetLayer } from '../../advice/trials';

const MEDIA_TYPE = 'image/openraster';
const MERGED = 'mergedimage.png';

/** A fixed date in the zip, so that the same sheet gives the same bytes. */
const ZIP_DATE = new Date('2000-01-01T00:00:00');

/** The longest side of the small picture in it, px (OpenRaster 0.0.5: at most 256). */
const THUMBNAIL_PX = 256;

/**
 * A sheet as an OpenRaster file, a layer for each pass and the mask above them (OpenRaster 0.0.5, freedesktop.org).
 * `layers` stand from the paper up; they have `pxPerMm` pixels to the mm, which the pictures state as their true size.
 */
export function writeOpenRaster(layers: readonly SheetLayer[], pxPerMm: number): Uint8Array {
  const dpi = pxPerMm * MM_PER_INCH;
  const merged = layers
    .slice(1)
    .filter(({ hidden }) => !hidden)
    .reduce(laidOver, layers[0].picture);
  const entries: Zippable = {
    // First and unpacked, so that the file can be told by its beginning.
    mimetype: [strToU8(MEDIA_TYPE), { level: 0 }],
    'stack.xml': strToU8(stackOf(layers, dpi)),
    [MERGED]: png(merged, dpi),
    'Thumbnails/thumbnail.png': png(smaller(merged), dpi),
  };
  layers.forEach(({ picture }, i) => {
    entries[`data/layer-${i}.png`] = png(picture, dpi);
  });
  return zipSync(entries, { mtime: ZIP_DATE });
}

/** A sheet as a picture that states its true size. */
export const sheetPng = (picture: Pixels, pxPerMm: number): Uint8Array => png(picture, pxPerMm * MM_PER_INCH);

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
